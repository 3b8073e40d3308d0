import { ask, intake, LabServer, pause } from './lab-server.mjs'

/** Eight writers at once, and the server is killed in the middle of it, again and again: what was acknowledged is there. */
export async function kill({ kills = 100, writers = 8 } = {}) {
  const lab = new LabServer({ YENTRIK_DEMO: '1' })
  await lab.start()
  const cases = []
  for (let n = 0; n < writers; n++) {
    const { body } = await ask(lab.api, '/cases', { body: intake(`T-${n}`) })
    cases.push({ caseId: body.caseId, acknowledged: [], seen: 1 })
  }
  let [lost, doubled, loose, unread] = [0, 0, 0, 0]
  for (let round = 0; round < kills; round++) {
    let alive = true
    const hands = cases.map(async (at, writer) => {
      for (let turn = 0; alive; turn++) {
        const text = `${round} ${writer} ${turn}`
        const body = {
          seen: at.seen,
          command: { type: 'note', text },
          key: `kill-${round}-${writer}-${turn}`,
        }
        const { status, body: event } = await ask(lab.api, `/cases/${at.caseId}/events`, { body })
        if (status !== 201) return
        at.seen = event.sequence
        at.acknowledged.push(text)
      }
    })
    await pause(40 + Math.random() * 260)
    await lab.stop('SIGKILL')
    alive = false
    await Promise.all(hands)
    await lab.start()
    for (const at of cases) {
      const { status, body } = await ask(lab.api, `/cases/${at.caseId}`)
      if (status !== 200) {
        unread++
        continue
      }
      const texts = body.events.flatMap((event) => (event.type === 'noted' ? [event.text] : []))
      lost += at.acknowledged.filter((text) => !texts.includes(text)).length
      doubled += texts.length - new Set(texts).size
      at.seen = body.events.at(-1).sequence
      const chain = await ask(lab.api, `/cases/${at.caseId}/chain`)
      if (chain.body.looseAt !== null) loose++
    }
  }
  const acknowledged = cases.reduce((sum, at) => sum + at.acknowledged.length, 0)
  await lab.remove()
  return {
    name: 'kill -9 in bursts of writes',
    figures: `${kills} kills, ${acknowledged} events acknowledged`,
    found: `${lost} lost, ${doubled} doubled, ${loose} links loose, ${unread} cases unread`,
    good: lost + doubled + loose + unread === 0 && acknowledged > kills,
  }
}
