import { writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ask, intake, LabServer } from './lab-server.mjs'

/** The clock of the machine is set forward and back between entries: the time of a case never runs back, and it is said. */
export async function clock({ jumps = 60 } = {}) {
  const file = join(tmpdir(), `yentrik-trust-clock-${process.pid}`)
  writeFileSync(file, '0')
  const preload = new URL('./shifted-clock.mjs', import.meta.url).href
  const lab = new LabServer({
    YENTRIK_DEMO: '1',
    NODE_OPTIONS: `--import ${preload}`,
    TRUST_CLOCK_FILE: file,
  })
  await lab.start()
  const { caseId } = (await ask(lab.api, '/cases', { body: intake('C-1') })).body
  let faults = 0
  for (let n = 0; n < jumps; n++) {
    writeFileSync(file, String((n % 2 ? -1 : 1) * (10 + 7 * n)))
    const { status } = await ask(lab.api, `/cases/${caseId}/events`, {
      body: { seen: n + 1, command: { type: 'note', text: `jump ${n}` } },
    })
    if (status !== 201) faults++
  }
  const { events } = (await ask(lab.api, `/cases/${caseId}`)).body
  const chain = (await ask(lab.api, `/cases/${caseId}/chain`)).body
  await lab.remove()
  const back = events.filter(({ at }, n) => n > 0 && Date.parse(at) < Date.parse(events[n - 1].at)).length
  const told = events.filter(({ clockAt }) => clockAt).length
  return {
    name: 'the clock set forward and back',
    figures: `${jumps} times by up to ${10 + 7 * (jumps - 1)} min, an entry after each`,
    found: `${back} entries before the one before, ${faults} faults; ${told} say what the clock said`,
    good: back === 0 && faults === 0 && told > 0 && chain.looseAt === null,
  }
}
