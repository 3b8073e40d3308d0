import { execFileSync } from 'node:child_process'
import { readFileSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import type { CaseEvent } from '@yentrik/core'
import Database from 'better-sqlite3'
import { ChildServer } from '../testing/child-server.ts'
import { intake } from '../testing/test-server.ts'

const server = new ChildServer({ YENTRIK_DEMO: '1' })
const dist = join(import.meta.dirname, '../../dist')

const send = async (path: string, body: object) => {
  const answer = await fetch(`${server.url}/api${path}`, {
    method: 'POST',
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json' },
  })
  return { status: answer.status, body: (await answer.json()) as { caseId: string; sequence: number } }
}
const notesOf = async (caseId: string): Promise<string[]> => {
  const { events } = (await (await fetch(`${server.url}/api/cases/${caseId}`)).json()) as {
    events: CaseEvent[]
  }
  expect(events.map((e) => e.sequence)).toEqual(events.map((_, n) => n + 1))
  return events.flatMap((e) => (e.type === 'noted' ? [e.text] : []))
}

beforeAll(() => server.start())
afterAll(() => server.remove())

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
        if ([...acknowledged.values()].flat().length === 60) void server.stop('SIGKILL')
      }
    })
    await Promise.allSettled(writers)
    await server.ended()
    await server.start()
    for (const [caseId, notes] of acknowledged) {
      const kept = await notesOf(caseId)
      expect(kept.slice(0, notes.length)).toEqual(notes)
      // At most the one write whose answer was on its way when the server died.
      expect(kept.length - notes.length).toBeLessThanOrEqual(1)
      expect(new Set(kept).size).toBe(kept.length)
    }
  })
  it('stops at SIGTERM although a screen listens', async () => {
    const listening = await fetch(`${server.url}/api/live`)
    expect(listening.ok).toBe(true)
    const asked = Date.now()
    await server.stop('SIGTERM')
    expect(Date.now() - asked).toBeLessThan(5000)
    await listening.body?.cancel().catch(() => undefined)
    await server.start()
  })
  const run = (script: string, file: string) =>
    execFileSync(process.execPath, [join(dist, 'database', script), file], {
      env: { ...process.env, YENTRIK_DATA: server.dataFile },
      stdio: 'pipe',
      encoding: 'utf8',
    })
  const refusalOf = (script: string, file: string): string => {
    try {
      run(script, file)
      return 'it was done'
    } catch (error) {
      return (error as { stderr: string }).stderr
    }
  }
  it('is backed up while it runs and restored once it has stopped; what is replaced is kept', async () => {
    const copy = join(server.folder, 'copy.sqlite')
    const { body } = await send('/cases', intake())
    await send(`/cases/${body.caseId}/events`, { seen: 1, command: { type: 'note', text: 'before' } })
    expect(run('backup.js', copy)).toMatch(/, \d+ events\.\n$/)
    await send(`/cases/${body.caseId}/events`, { seen: 2, command: { type: 'note', text: 'after' } })
    expect(refusalOf('restore.js', copy)).toMatch(
      /^\S+ is in use by a server that runs\. Stop that server first/,
    )
    // What is posted after a restore that was refused is in the file.
    await send(`/cases/${body.caseId}/events`, { seen: 3, command: { type: 'note', text: 'later' } })
    expect(await notesOf(body.caseId)).toEqual(['before', 'after', 'later'])
    await server.stop('SIGTERM')
    const [, kept = ''] = /kept as (.*)\.\n$/.exec(run('restore.js', copy)) ?? []
    const replaced = new Database(kept, { readonly: true })
    expect(
      replaced.prepare('SELECT count(*) FROM case_events WHERE case_id = ?').pluck().get(body.caseId),
    ).toBe(4)
    replaced.close()
    await server.start()
    expect(await notesOf(body.caseId)).toEqual(['before'])
  })
  it('a backup that is damaged, of a newer version or not there changes nothing', async () => {
    const copy = join(server.folder, 'newer.sqlite')
    run('backup.js', copy)
    const newer = new Database(copy)
    newer.exec("INSERT INTO migrations (timestamp, name) VALUES (1999999999999, 'Later1999999999999')")
    newer.close()
    const bad = join(server.folder, 'bad.sqlite')
    writeFileSync(bad, 'this is no database')
    await server.stop('SIGTERM')
    const before = readFileSync(server.dataFile)
    expect(refusalOf('restore.js', bad)).toMatch(
      /^\S+bad\.sqlite cannot be used: file is not a database\. Take another/,
    )
    expect(refusalOf('restore.js', copy)).toMatch(
      /newer version of Yentrik \(Later1999999999999\)\. Install that/,
    )
    expect(refusalOf('restore.js', join(server.folder, 'none'))).toMatch(/^No backup is named that exists\./)
    expect(readFileSync(server.dataFile).equals(before)).toBe(true)
    await server.start()
  })
  it('says by a command whether every event still fits the one before it', async () => {
    const { body } = await send('/cases', intake())
    await send(`/cases/${body.caseId}/events`, { seen: 1, command: { type: 'note', text: 'as it was' } })
    await send(`/cases/${body.caseId}/events`, { seen: 2, command: { type: 'note', text: 'after' } })
    const copy = join(server.folder, 'verified.sqlite')
    run('backup.js', copy)
    expect(run('verify.js', copy)).toMatch(/^\d+ events of \d+ cases: every one fits the one before it\.\n$/)
    const data = new Database(copy)
    data
      .prepare(
        "UPDATE case_events SET data = json_set(data, '$.text', 'as I like it') WHERE case_id = ? AND sequence = 2",
      )
      .run(body.caseId)
    data.close()
    expect(refusalOf('verify.js', copy)).toMatch(
      new RegExp(
        `^Case ${body.caseId}: event 3 does not fit the one before it\\.\n1 of \\d+ cases were changed`,
      ),
    )
    expect(refusalOf('verify.js', join(server.folder, 'none'))).toMatch(/cannot be read/)
  })
  it('that finds its file gone says so in one sentence and ends', async () => {
    await server.stop('SIGTERM')
    renameSync(server.dataFile, `${server.dataFile}.elsewhere`)
    const gone = new ChildServer({ YENTRIK_DATA: server.dataFile })
    await expect(gone.start()).rejects.toThrow(
      /ended with 1: \S+ is gone, though the data of a lab were there before\. Restore [^\n]*\n$/,
    )
    await gone.remove()
    renameSync(`${server.dataFile}.elsewhere`, server.dataFile)
    await server.start()
  })
})

describe('a disk that is full', () => {
  // The largest file the process may write: the log of the database stops growing as it does on a full disk.
  const small = new ChildServer({ YENTRIK_DEMO: '1' }, 2800)
  beforeAll(() => small.start())
  afterAll(() => small.remove())

  it('refuses with a word and stores nothing by halves; after a stop every acknowledged event is there', async () => {
    const ask = async (path: string, body?: object) => {
      const answer = await fetch(`${small.url}/api${path}`, {
        ...(body ? { method: 'POST', body: JSON.stringify(body) } : {}),
        headers: { 'content-type': 'application/json' },
      })
      return { status: answer.status, body: (await answer.json()) as Record<string, unknown> }
    }
    const caseId = String((await ask('/cases', intake())).body.caseId)
    const acknowledged: string[] = []
    const refused: unknown[] = []
    let seen = 1
    for (let n = 0; n < 3000 && refused.length < 40; n++) {
      const text = `${n} ${'x'.repeat(1900)}`
      const { status, body } = await ask(`/cases/${caseId}/events`, { seen, command: { type: 'note', text } })
      if (status === 201) {
        acknowledged.push(text)
        seen++
      } else refused.push([status, body.code])
    }
    expect(refused).toEqual(refused.map(() => [503, 'not-stored']))
    expect(refused).toHaveLength(40)
    expect(await ask('/health')).toMatchObject({ status: 503, body: { code: 'writing-fails' } })
    await small.stop('SIGTERM')
    // On a disk with room again.
    const after = new Database(small.dataFile, { readonly: true })
    const kept = after
      .prepare(
        "SELECT json_extract(data, '$.text') text FROM case_events WHERE case_id = ? AND type = 'noted' ORDER BY sequence",
      )
      .all(caseId)
    expect(kept.map((row) => (row as { text: string }).text)).toEqual(acknowledged)
    expect(after.pragma('integrity_check', { simple: true })).toBe('ok')
    after.close()
  })
})
