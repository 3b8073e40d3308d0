import { beforeEach, describe, expect, it, jest } from '@jest/globals'
import { screen, waitFor, within } from '@testing-library/react'
import type { Person } from '@yentrik/contract'
import { type CaseEvent, finishedAt } from '@yentrik/core'
import { Bench, J, MINUTE } from '@yentrik/core/testing'
import { AwayBar } from '../away/AwayBar.tsx'
import { benchStore } from '../away/bench-store.ts'
import { readKept, useOutbox } from '../away/kept.ts'
import { keep, sendKept } from '../away/outbox.ts'
import { useReached } from '../live/changes.ts'
import { useLabClock } from '../live/lab-clock.ts'
import { RecordPaper } from '../papers/RecordPaper.tsx'
import { cutOff, freshBench, loseNextAnswer } from '../testing/away.ts'
import { caseOnServer } from '../testing/case.ts'
import { ada, type SentRequest, show } from '../testing/lab.tsx'
import { CaseScreen } from './CaseScreen.tsx'

let bench: Bench
let requests: SentRequest[]
async function opened(of: Bench, person: Person = ada) {
  bench = of
  requests = caseOnServer(bench)
  useLabClock.setState({ labMillis: bench.now, steadyMillis: performance.now(), speed: 1, mayBeMoved: false })
  await freshBench(person)
  const shown = show(
    <>
      <AwayBar />
      <CaseScreen />
    </>,
    { at: '/case/c1', pattern: '/case/:caseId', person },
  )
  await screen.findByRole('heading', { level: 1 })
  return shown
}
const button = (name: string | RegExp) => screen.findByRole('button', { name })
const posts = () => requests.filter(({ method }) => method === 'POST')
const kept = () => useOutbox.getState().kept
const added = (last = 2): CaseEvent[] => bench.working.events.slice(-last)
const onStep = { jobId: J, stepId: 'inspect-impression' }

beforeEach(() => useReached.setState({ reached: true }))

describe('at a bench that is cut off', () => {
  it('work goes on: what is done is kept, counts, and is sent in its order when the server is back', async () => {
    const { user } = await opened(new Bench().before('disinfect-impression'))
    const back = cutOff()
    await user.click(await button(/^Start/))
    expect(await screen.findByText('Kept here,', { exact: false })).toBeTruthy()
    await user.click(await button(/^Done/))
    await waitFor(() => expect(kept()).toHaveLength(3))
    expect(screen.getByRole('status').textContent).toBe('Kept here, 3 to send')
    expect(await screen.findByRole('heading', { name: 'Inspect the impression' })).toBeTruthy()
    expect(bench.working.events).toHaveLength(4)

    back()
    bench.now += 20 * MINUTE
    await sendKept()
    expect(kept()).toEqual([])
    expect(added(3).map(({ type }) => type)).toEqual(['stepStarted', 'stepFinished', 'stepStarted'])
    for (const event of added(3))
      expect(Date.parse(event.kept!.sentAt) - Date.parse(event.at)).toBeGreaterThan(19 * MINUTE)
    expect(finishedAt(bench.job.steps['disinfect-impression'])).toBe(added(3)[1]!.at)
    expect(screen.queryByText('Kept here,', { exact: false })).toBeNull()
  })
  it('it is on the disk of this machine: another page has it too, and sends it once', async () => {
    const { user } = await opened(new Bench().before('disinfect-impression'))
    const back = cutOff()
    await user.click(await button(/^Start/))
    await waitFor(() => expect(kept()).toHaveLength(1))
    useOutbox.setState({ kept: [] })
    await readKept()
    expect(kept()).toMatchObject([{ by: 'Ada', docket: 'K-1', sequence: 5, command: { type: 'startStep' } }])
    back()
    await Promise.all([sendKept(), sendKept()])
    expect(bench.working.events).toHaveLength(5)
  })
  it('something that was stored, its answer lost, is not done twice', async () => {
    const { user } = await opened(new Bench().before('disinfect-impression'))
    loseNextAnswer()
    await user.click(await button(/^Start/))
    await waitFor(() => expect(kept()).toHaveLength(1))
    expect(bench.working.events).toHaveLength(5)
    await sendKept()
    expect(kept()).toEqual([])
    expect(bench.working.events).toHaveLength(5)
    expect(new Set(posts().map(({ body }) => (body as { key: string }).key)).size).toBe(1)
  })
  it('what the core refuses is not kept: its sentence is shown', async () => {
    const { user } = await opened(new Bench().upTo('inspect-impression'))
    cutOff()
    await user.click(await button(/^Done/))
    expect((await screen.findByRole('alert')).textContent).toMatch(/\S/)
    expect(kept()).toEqual([])
  })
  it('nobody gets a right that they do not have with the server there', async () => {
    const held = new Bench().before('disinfect-impression')
    held.do({ type: 'hold', reason: 'no tray' })
    const { user } = await opened(held, { ...ada, role: 'learner' })
    cutOff()
    await user.click(await button('Take off hold'))
    expect((await screen.findByRole('alert')).textContent).toContain('A learner may not')
    expect(kept()).toEqual([])
  })
  it('where the browser keeps nothing, the entry is refused in words and stays where it is', async () => {
    const { user } = await opened(new Bench().before('disinfect-impression'))
    const back = cutOff()
    const full = jest.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
      throw new DOMException('The disk is full.', 'QuotaExceededError')
    })
    await user.click(await button(/^Start/))
    expect((await screen.findByRole('alert')).textContent).toContain('Try again')
    full.mockRestore()
    back()
    expect(kept()).toEqual([])
  })
  it('the record shows what is not sent yet, a paper leaves it out and says so', async () => {
    const { user } = await opened(new Bench().before('disinfect-impression'))
    cutOff()
    await user.click(await button(/^Start/))
    await waitFor(() => expect(kept()).toHaveLength(1))
    await user.click(screen.getByRole('button', { name: /^Record/ }))
    expect(await screen.findByText(/^Started .*\(kept here, not sent yet\)$/)).toBeTruthy()
    show(<RecordPaper />, { at: '/papers/record/c1', pattern: '/papers/record/:caseId' })
    expect(await screen.findByText(/^An entry is kept at this bench/)).toBeTruthy()
  })
})

describe('what others did meanwhile', () => {
  const looked = async () => {
    const shown = await opened(new Bench().upTo('inspect-impression'))
    const back = cutOff()
    await shown.user.click(await button('Whole'))
    await waitFor(() => expect(kept()).toHaveLength(1))
    back()
    return shown
  }
  it('what still holds goes on top of it without a question', async () => {
    await looked()
    bench.do({ type: 'note', text: 'The clinic called.' })
    await sendKept()
    expect(added().map(({ type }) => type)).toEqual(['noted', 'checkRecorded'])
    expect(kept()).toEqual([])
  })
  it('where it cannot be read just then, it is tried another time', async () => {
    await looked()
    bench.do({ type: 'note', text: 'The clinic called.' })
    const there = globalThis.fetch
    globalThis.fetch = (async (input: string, init?: RequestInit) => {
      if (init?.method === 'GET') throw new TypeError('Failed to fetch')
      return there(input, init)
    }) as typeof fetch
    await sendKept()
    expect(kept()).toMatchObject([{ command: { type: 'recordCheck' } }])
    expect(kept()[0]!.unfit).toBeUndefined()
    globalThis.fetch = there
    await sendKept()
    expect(kept()).toEqual([])
    expect(added().map(({ type }) => type)).toEqual(['noted', 'checkRecorded'])
  })
  const begunAgain = async () => {
    const shown = await looked()
    bench.do({ type: 'goBack', jobId: J, toStepId: 'inspect-impression', remake: false, reason: 'dropped' })
    bench.do({ type: 'startStep', ...onStep })
    await sendKept()
    return shown
  }
  const question = async () => within(await screen.findByRole('region', { name: 'Kept here and not sent' }))
  it('what was done in an attempt before is asked about, and waits', async () => {
    await begunAgain()
    expect(bench.job.steps['inspect-impression']!.readings).toEqual([])
    const asked = await question()
    expect(asked.getByText(/Ada did this here at/)).toBeTruthy()
    expect(asked.getByText(/^Impression whole: Whole/)).toBeTruthy()
    expect(asked.getByText(/begun again/)).toBeTruthy()
    // Not on this page, where it is asked; on every other one.
    expect(screen.queryByRole('link', { name: /K-1: look at what/ })).toBeNull()
    show(<AwayBar />, { at: '/' })
    expect(screen.getByRole('link', { name: /K-1: look at what/ }).getAttribute('href')).toBe('/case/c1')
    expect(screen.queryByText('Kept here,', { exact: false })).toBeNull()
    await sendKept()
    expect(kept()).toHaveLength(1)
  })
  it('it may hold for this attempt too', async () => {
    const { user } = await begunAgain()
    await user.click((await question()).getByRole('button', { name: 'It holds for this attempt too' }))
    await waitFor(() => expect(kept()[0]?.unfit).toBeUndefined())
    await sendKept()
    expect(bench.job.steps['inspect-impression']!.readings).toMatchObject([{ answer: 'Whole' }])
  })
  it('it can be put down as a note, with its time and its words', async () => {
    const { user } = await begunAgain()
    await user.click((await question()).getByRole('button', { name: 'Put it down as a note' }))
    await waitFor(() => expect(kept()[0]?.unfit).toBeUndefined())
    await sendKept()
    expect(bench.working.events.at(-1)).toMatchObject({
      type: 'noted',
      text: expect.stringMatching(/^Done at \d\d:\d\d while the server was away: Impression whole: Whole/),
    })
    expect(kept()).toEqual([])
  })
  it('it is left out only when somebody says so twice', async () => {
    const { user } = await begunAgain()
    await user.click((await question()).getByRole('button', { name: 'Leave it out' }))
    expect(kept()).toHaveLength(1)
    await user.click(await button('Yes, leave it out for good'))
    await waitFor(() => expect(kept()).toEqual([]))
  })
  it('what came after it on the case waits behind it, in its order', async () => {
    const { user } = await begunAgain()
    await user.keyboard('t')
    const note = within(await screen.findByRole('dialog'))
    await user.type(note.getByRole('textbox'), 'after it')
    await user.click(note.getByRole('button', { name: 'Keep it' }))
    await waitFor(() => expect(kept()).toHaveLength(2))
    await sendKept()
    expect(kept().map(({ command }) => command.type)).toEqual(['recordCheck', 'note'])
  })
})

describe('the sender', () => {
  const one = async () => {
    const shown = await opened(new Bench().before('disinfect-impression'))
    const back = cutOff()
    await shown.user.click(await button(/^Start/))
    await waitFor(() => expect(kept()).toHaveLength(1))
    back()
    return shown
  }
  it('sends what a person did when that person is signed in, and says whose the rest is', async () => {
    await one()
    await freshBenchFor({ ...ada, personId: 'p-2', name: 'Ben' })
    await sendKept()
    expect(kept()).toHaveLength(1)
    expect(bench.working.events).toHaveLength(4)
    show(<AwayBar />, { person: { ...ada, personId: 'p-2', name: 'Ben' } })
    expect(screen.getByText('Of Ada: sent when they sign in at this bench.')).toBeTruthy()
  })
  it.each([500, 401])('keeps everything while the server answers %d', async (status) => {
    await one()
    const there = globalThis.fetch
    globalThis.fetch = (async () => ({
      ok: false,
      status,
      headers: { get: () => null },
      text: async () => JSON.stringify({ status, code: 'x', detail: 'Not now.', remedy: 'Later.' }),
    })) as never
    await sendKept()
    expect(kept()).toMatchObject([{ docket: 'K-1' }])
    expect(kept()[0]!.unfit).toBeUndefined()
    globalThis.fetch = there
    await sendKept()
    expect(kept()).toEqual([])
  })
  it('a correction that was made meanwhile names its entry by the number that it came to have', async () => {
    const { user } = await opened(new Bench('complete-denture').upTo('pin-opening'))
    const back = cutOff()
    const check = within(await screen.findByRole('region', { name: 'Pin opening' }))
    await user.type(check.getByLabelText('Reading'), '1.7')
    await user.click(check.getByRole('button', { name: 'Record' }))
    await waitFor(() => expect(kept()).toHaveLength(1))
    const { id: _its, ...first } = kept()[0]!
    await keep({
      ...first,
      key: 'another-key',
      sequence: first.sequence + 1,
      attempt: undefined,
      command: { type: 'correct', corrects: first.sequence, value: 1.2, reason: 'slip' },
    })
    back()
    bench.do({ type: 'note', text: 'in between' })
    await sendKept()
    expect(kept()).toEqual([])
    expect(bench.job.steps['pin-opening']!.readings).toMatchObject([
      { value: 1.2, corrected: { value: 1.7 } },
    ])
  })
})

async function freshBenchFor(person: Person): Promise<void> {
  const waiting = kept()
  await freshBench(person)
  const store = await benchStore()
  for (const entry of waiting) await store.put('kept', entry)
  await readKept()
}
