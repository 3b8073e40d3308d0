import { statSync } from 'node:fs'
import { ask, intake, LabServer } from './lab-server.mjs'

/** The file may not grow any more: what is acknowledged is there afterwards, what is refused says why, and it goes on. */
export async function diskFull() {
  const lab = new LabServer({ YENTRIK_DEMO: '1' })
  await lab.start()
  const { caseId } = (await ask(lab.api, '/cases', { body: intake('F-1') })).body
  await lab.stop()
  await lab.start(Math.ceil(statSync(lab.dataFile).size / 1024) + 200)
  const long = 'x'.repeat(1800)
  let [seen, stored, refused, odd] = [1, 0, 0, 0]
  for (let n = 0; n < 400 && refused < 20; n++) {
    const { status, body } = await ask(lab.api, `/cases/${caseId}/events`, {
      body: { seen, command: { type: 'note', text: `${n} ${long}` } },
    })
    if (status === 201) {
      stored++
      seen = body.sequence
    } else if (status === 503 && body.code === 'not-stored') refused++
    else odd++
  }
  const said = (await ask(lab.api, '/health')).body
  await lab.stop()
  await lab.start()
  const { body } = await ask(lab.api, `/cases/${caseId}`)
  const after = await ask(lab.api, `/cases/${caseId}/events`, {
    body: { seen: body.events.length, command: { type: 'note', text: 'space again' } },
  })
  await lab.remove()
  const lost = stored - (body.events.length - 1)
  return {
    name: 'the disk is full',
    figures: `${stored} stored, then ${refused} refused with "not-stored"`,
    found: `${lost} acknowledged and lost, ${odd} answered otherwise; /health says "${said.code}"; with space again: ${after.status}`,
    good: said.code === 'writing-fails' && lost === 0 && odd === 0 && refused > 0 && after.status === 201,
  }
}
