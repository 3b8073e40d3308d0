import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { ask, intake, LabServer } from './lab-server.mjs'

const tool = (name) => fileURLToPath(new URL(`../../server/dist/database/${name}.js`, import.meta.url))

/** A restore while the server runs is refused and changes nothing; one with the server stopped brings the backup back whole. */
export async function restoreInUse() {
  const lab = new LabServer({ YENTRIK_DEMO: '1' })
  await lab.start()
  const { caseId } = (await ask(lab.api, '/cases', { body: intake('R-1') })).body
  const run = (name, ...args) =>
    spawnSync(process.execPath, [tool(name), ...args], {
      env: { ...process.env, YENTRIK_DATA: lab.dataFile },
      encoding: 'utf8',
    })
  const backup = join(lab.folder, 'kept.sqlite')
  const made = run('backup', backup)
  const note = (seen, text) =>
    ask(lab.api, `/cases/${caseId}/events`, { body: { seen, command: { type: 'note', text } } })
  await note(1, 'after the backup')
  const refused = run('restore', backup)
  await note(2, 'after the refusal')
  await lab.stop()
  const restored = run('restore', backup)
  await lab.start()
  const { events } = (await ask(lab.api, `/cases/${caseId}`)).body
  await lab.remove()
  return {
    name: 'restore while the server runs',
    figures: `backup ${made.status === 0 ? 'made' : 'failed'}; refused with "${refused.stderr.trim().split('\n').at(-1).replace(lab.dataFile, 'the file')}"`,
    found: `restored with the server stopped: exit ${restored.status}, ${events?.length} event of 1`,
    good: made.status === 0 && refused.status !== 0 && restored.status === 0 && events?.length === 1,
  }
}
