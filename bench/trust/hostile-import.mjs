import { ask, intake, LabServer, quantile } from './lab-server.mjs'

const LONG = 20_000
const SOUND = 2000

/** Documents that were changed, cut, blown up or made up: none is taken, nothing is stored half, others work on meanwhile. */
export async function hostileImport() {
  const lab = new LabServer()
  await lab.start()
  const { caseId } = (await ask(lab.api, '/cases', { body: intake('H-1') })).body
  for (let seen = 1; seen < 20; seen++)
    await ask(lab.api, `/cases/${caseId}/events`, {
      body: { seen, command: { type: 'note', text: `n ${seen}` } },
    })
  const sound = (await ask(lab.api, `/cases/${caseId}/document`)).body
  const changed = (change) => {
    const document = structuredClone(sound)
    document.caseId = '00000000-0000-4000-8000-00000000dead'
    change(document)
    return document
  }
  const documents = {
    'an event changed': changed(({ events }) => Object.assign(events[5], { text: 'never said' })),
    'an event taken out': changed(({ events }) => events.splice(5, 1)),
    'events in another order': changed(({ events }) => events.reverse()),
    'a route changed': changed(({ routes }) => Object.assign(Object.values(routes)[0], { name: 'x' })),
    'a route not there': changed((document) => Object.assign(document, { routes: {} })),
    'a weight of -5000 g': changed(({ events }) =>
      events.push({
        ...events.at(-1),
        type: 'mixRecorded',
        jobId: 'job-1',
        stepId: 'pour-anatomy',
        amountId: 'stone',
        materialId: 'dental-stone',
        powderGrams: -5000,
        liquidMillilitres: 1e308,
        lots: [],
        sequence: events.length + 1,
      }),
    ),
    'the year 9999': changed(({ events }) =>
      Object.assign(events[0].authorisation, { dueAt: '9999-12-31T00:00:00Z' }),
    ),
    'time that runs back': changed(({ events }) =>
      Object.assign(events[9], { at: '1999-01-01T00:00:00.000Z' }),
    ),
    [`${LONG} events`]: changed(({ events }) => {
      const last = events.at(-1)
      for (let n = events.length; n < LONG; n++) events.push({ ...last, sequence: n + 1 })
    }),
    'a text of 4 MB': changed(({ events }) => Object.assign(events[5], { text: 'x'.repeat(4e6) })),
    'no document': { x: 1 },
    'a list': [],
    'not JSON': '{"format": "yentrik',
  }
  let [taken, faults] = [0, 0]
  const others = []
  for (const [what, document] of Object.entries(documents)) {
    // Made beforehand: what the asker does itself is no waiting.
    const body = typeof document === 'string' ? document : JSON.stringify(document)
    const sending = ask(lab.api, '/cases/import', { body })
    let done = false
    const watching = (async () => {
      while (!done) others.push((await ask(lab.api, '/clock')).millis)
    })()
    const { status } = await sending
    done = true
    await watching
    if (status < 300) {
      taken++
      console.error(`taken: ${what}`)
    }
    if (status >= 500 || status === 0) {
      faults++
      console.error(`${status}: ${what}`)
    }
  }
  const { body } = await ask(lab.api, '/cases?which=all')
  const large = await importSound(lab, caseId)
  await lab.remove()
  const half = body.filter((each) => each.caseId.endsWith('dead')).length
  return {
    name: 'documents that are hostile',
    figures: `${Object.keys(documents).length} documents, up to ${LONG} events and 4 MB; a sound one of ${SOUND} events: ${large.status}, others waited ${large.others.toFixed(0)} ms at most`,
    found: `${taken} taken, ${faults} faults, ${half} stored half; others waited ${quantile(others, 0.95).toFixed(0)} ms at p95, ${Math.max(...others).toFixed(0)} ms at most`,
    good: taken + faults + half === 0 && large.status === 201 && Math.max(large.others, ...others) < 100,
  }
}

async function notes(lab, caseId, from, to) {
  for (let seen = from; seen < to; seen++)
    await ask(lab.api, `/cases/${caseId}/events`, {
      body: { seen, command: { type: 'note', text: `n ${seen}` } },
    })
}

/** A long case as it should be is taken in by another lab, whose benches work on meanwhile. */
async function importSound(lab, caseId) {
  await notes(lab, caseId, 20, SOUND)
  const body = JSON.stringify((await ask(lab.api, `/cases/${caseId}/document`)).body)
  const into = await new LabServer().start()
  // Its benches have been at work for a while.
  for (let n = 0; n < 50; n++) await ask(into.api, '/clock')
  const importing = ask(into.api, '/cases/import', { body })
  let [done, others] = [false, 0]
  const watching = (async () => {
    while (!done) others = Math.max(others, (await ask(into.api, '/clock')).millis)
  })()
  const { status } = await importing
  done = true
  await watching
  await into.remove()
  return { status, others }
}
