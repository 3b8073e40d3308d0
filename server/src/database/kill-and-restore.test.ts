import { type ChildProcess, execFileSync, spawn } from 'node:child_process'
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import type { CaseEvent } from '@yentrik/core'
import { intake } from '../server-test.ts'

/** The built server as a child process, so that it can really be killed. */
const dist = join(import.meta.dirname, '../../dist')
const folder = mkdtempSync(join(tmpdir(), 'yentrik-kill-'))
const port = 30_000 + (process.pid % 9000)
const url = `http://127.0.0.1:${port}/api`
const env = {
  ...process.env,
  PORT: String(port),
  YENTRIK_DATA: join(folder, 'lab.sqlite'),
  YENTRIK_DEMO: '1',
}
let child: ChildProcess

async function start(): Promise<void> {
  child = spawn(process.execPath, [join(dist, 'main.js')], { env, stdio: 'ignore' })
  for (let tries = 0; tries < 300; tries++) {
    if (
      await fetch(`${url}/health`).then(
        (r) => r.ok,
        () => false,
      )
    )
      return
    await new Promise((resolve) => setTimeout(resolve, 50))
  }
  throw new Error('The server did not come up.')
}
async function stop(signal: 'SIGKILL' | 'SIGTERM'): Promise<void> {
  const gone = new Promise((resolve) => child.once('exit', resolve))
  child.kill(signal)
  await gone
}
const send = async (path: string, body: object) => {
  const answer = await fetch(`${url}${path}`, {
    method: 'POST',
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json' },
  })
  return { status: answer.status, body: (await answer.json()) as { caseId: string; sequence: number } }
}
const notesOf = async (caseId: string): Promise<string[]> => {
  const { events } = (await (await fetch(`${url}/cases/${caseId}`)).json()) as { events: CaseEvent[] }
  expect(events.map((e) => e.sequence)).toEqual(events.map((_, n) => n + 1))
  return events.flatMap((e) => (e.type === 'noted' ? [e.text] : []))
}

beforeAll(async () => {
  if (!existsSync(join(dist, 'main.js'))) throw new Error('Build first: npm run build')
  await start()
})
afterAll(async () => {
  await stop('SIGKILL')
  rmSync(folder, { recursive: true, force: true })
})

describe('a server that is killed', () => {
  it('has every acknowledged event after a kill -9 in a burst of writes, none twice', async () => {
    const cases = await Promise.all([1, 2, 3, 4].map(() => send('/cases', intake())))
    const acknowledged = new Map<string, string[]>(cases.map(({ body }) => [body.caseId, []]))
    const writers = [...acknowledged].map(async ([caseId, notes]) => {
      for (let seen = 1; ; seen++) {
        const text = `note ${seen}`
        const answer = await send(`/cases/${caseId}/events`, { seen, command: { type: 'note', text } })
        expect(answer.status).toBe(201)
        notes.push(text)
        if ([...acknowledged.values()].flat().length === 60) child.kill('SIGKILL')
      }
    })
    const gone = new Promise((resolve) => child.once('exit', resolve))
    await Promise.allSettled(writers)
    await gone
    await start()
    for (const [caseId, notes] of acknowledged) {
      const kept = await notesOf(caseId)
      expect(kept.slice(0, notes.length)).toEqual(notes)
      // At most the one write whose answer was on its way when the server died.
      expect(kept.length - notes.length).toBeLessThanOrEqual(1)
      expect(new Set(kept).size).toBe(kept.length)
    }
  })
  it('stops at SIGTERM although a screen listens', async () => {
    const listening = await fetch(`${url}/live`)
    expect(listening.ok).toBe(true)
    const asked = Date.now()
    await stop('SIGTERM')
    expect(Date.now() - asked).toBeLessThan(5000)
    await listening.body?.cancel().catch(() => undefined)
    await start()
  })
  it('is backed up while it runs and restored from the copy; a damaged copy changes nothing', async () => {
    const copy = join(folder, 'copy.sqlite')
    const { body } = await send('/cases', intake())
    await send(`/cases/${body.caseId}/events`, { seen: 1, command: { type: 'note', text: 'before' } })
    const run = (script: string, file: string) =>
      execFileSync(process.execPath, [join(dist, 'database', script), file], { env, stdio: 'pipe' })
    run('backup.js', copy)
    await send(`/cases/${body.caseId}/events`, { seen: 2, command: { type: 'note', text: 'after' } })
    await stop('SIGTERM')
    const bad = join(folder, 'bad.sqlite')
    writeFileSync(bad, 'this is no database')
    expect(() => run('restore.js', bad)).toThrow()
    run('restore.js', copy)
    await start()
    expect(await notesOf(body.caseId)).toEqual(['before'])
  })
})
