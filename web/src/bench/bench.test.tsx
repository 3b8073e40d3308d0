import { beforeEach, describe, expect, it, jest } from '@jest/globals'
import { act, screen, waitFor, within } from '@testing-library/react'
import {
  type BenchContents,
  benchContents,
  type CaseSummary,
  caseSummary,
  usualCalendar,
} from '@yentrik/core'
import { Bench, J, MINUTE, START } from '@yentrik/core/testing'
import { clockTime } from '../format/format.ts'
import { useLabClock } from '../live/lab-clock.ts'
import { usePreferences } from '../preferences/preferences.ts'
import { refusal, type SentRequest, serverWith, show } from '../testing/lab.tsx'
import { BenchScreen } from './BenchScreen.tsx'
import { usePutOff } from './bench-store.ts'
import { railWords } from './DayRail.tsx'
import { WindowAlarm } from './WindowAlarm.tsx'

const calendar = usualCalendar('UTC')
const summary = (caseId: string, bench: Bench, more: Partial<CaseSummary> = {}): CaseSummary => ({
  ...caseSummary(caseId, bench.working.state, calendar),
  docket: caseId.toUpperCase(),
  ...more,
})
const at = (instant: number) =>
  useLabClock.setState({ labMillis: instant, steadyMillis: performance.now(), speed: 1, mayBeMoved: false })

let sent: SentRequest[]
function bench(contents: BenchContents, now: number, answers: object = {}) {
  at(now)
  sent = serverWith({
    'GET /bench': { ...contents, at: now },
    'POST /cases/:caseId/events': { sequence: 99 },
    ...answers,
  })
  return show(<BenchScreen />, { at: '/', pattern: '/' })
}
const doNow = () => screen.findByRole('region', { name: 'Do now' })
const then = () => within(screen.getByRole('region', { name: 'Then' }))
const posted = () => sent.filter(({ method }) => method === 'POST')

beforeEach(() => usePutOff.setState({ keys: [] }))

describe('the bench', () => {
  it('says that it is empty, and how to begin', async () => {
    bench({ work: [], asking: [], cut: false }, START)
    expect(await screen.findByRole('heading', { name: 'The bench is empty' })).toBeTruthy()
    expect(screen.getByRole('link', { name: 'Take in a case' }).getAttribute('href')).toBe('/cases/new')
  })
  it('puts the one thing to do now before all others, by the clock', async () => {
    const pour = new Bench().upTo('wrap')
    pour.finish('wrap')
    const other = new Bench()
    bench(benchContents([summary('k-2', other), summary('k-1', pour)], pour.now), pour.now)
    const card = within(await doNow())
    expect(card.getByRole('heading', { level: 2 }).textContent).toBe('Pour the teeth')
    expect(card.getByRole('link', { name: /^K-1/ })).toBeTruthy()
    expect(card.getByText(/^Good until /)).toBeTruthy()
    expect(
      then()
        .getAllByRole('link')
        .map((link) => link.getAttribute('href')),
    ).toContain('/case/k-2')
  })
  it.each([
    [0, 'for Ben. Due'],
    [MINUTE, 'for Ben, after its time. Due'],
  ])('says for when it is planned, %d ms after the good of its window', async (later, words) => {
    const pour = new Bench().upTo('wrap')
    pour.finish('wrap')
    const contents = benchContents([summary('k-1', pour)], pour.now)
    const at = contents.work.find(({ window }) => window?.to === 'start')!.window!.lateFrom + later
    const work = contents.work.map((each) => ({ ...each, planned: { at, slackMillis: 0, person: 'Ben' } }))
    bench({ ...contents, work }, pour.now)
    expect((await doNow()).textContent).toContain(`Planned ${clockTime(at)} ${words}`)
  })
  it('gives the day of what comes later beside its clock time', async () => {
    const list = ['k-1', 'k-2'].map((id) => summary(id, new Bench()))
    const contents = benchContents(list, START)
    const work = contents.work.map((each) => ({ ...each, startBy: START + 24 * 60 * MINUTE }))
    bench({ ...contents, work }, START)
    await doNow()
    const [row] = then().getAllByRole('link')
    expect(row!.textContent).toContain(`by tomorrow${clockTime(START)}`)
  })
  it('starts it with what is known of the case, and opens it', async () => {
    const fresh = new Bench()
    const { user, where } = bench(benchContents([summary('k-1', fresh)], START), START)
    await user.click(within(await doNow()).getByRole('button', { name: /^Start/ }))
    await waitFor(() => expect(where()).toBe('/case/k-1'))
    expect(posted()).toEqual([
      {
        method: 'POST',
        address: '/cases/k-1/events',
        body: {
          seen: fresh.working.state.sequence,
          command: { type: 'startStep', jobId: J, stepId: 'work-authorisation' },
        },
      },
    ])
  })
  it('tells a newcomer what the large button does, until it was used once here', async () => {
    usePreferences.setState({ knowsStart: false })
    const { user } = bench(benchContents([summary('k-1', new Bench())], START), START)
    expect(within(await doNow()).getByText(/^Start puts the time on record/)).toBeTruthy()
    await user.click(within(await doNow()).getByRole('button', { name: /^Start/ }))
    expect(usePreferences.getState().knowsStart).toBe(true)
    await waitFor(() => expect(screen.queryByText(/^Start puts the time on record/)).toBeNull())
  })
  it('leads to a new case from wherever the day is', async () => {
    bench(benchContents([summary('k-1', new Bench())], START), START)
    await doNow()
    expect(screen.getByRole('link', { name: 'Take in a case' }).getAttribute('href')).toBe('/cases/new')
  })
  it('says why it could not be started', async () => {
    const { user } = bench(benchContents([summary('k-1', new Bench())], START), START, {
      'POST /cases/:caseId/events': refusal({ detail: 'Somebody began it.', remedy: 'Open the case.' }),
    })
    await user.click(within(await doNow()).getByRole('button', { name: /^Start/ }))
    expect(await screen.findByText('Somebody began it. Open the case.')).toBeTruthy()
  })
  it('puts off what is not wanted now, and shows the next', async () => {
    const list = ['k-1', 'k-2'].map((id) => summary(id, new Bench()))
    const { user } = bench(benchContents(list, START), START)
    const first = within(await doNow()).getByRole('link').textContent
    await user.click(within(await doNow()).getByRole('button', { name: /^Not now/ }))
    expect(within(await doNow()).getByRole('link').textContent).not.toBe(first)
  })
  it('does not offer to put off the only thing', async () => {
    bench(benchContents([summary('k-1', new Bench())], START), START)
    expect(within(await doNow()).queryByRole('button', { name: /^Not now/ })).toBeNull()
  })
  it('has hands free while everything sets, and says from when not', async () => {
    const setting = new Bench().upTo('set')
    bench(benchContents([summary('k-1', setting)], setting.now), setting.now)
    expect(await screen.findByText(/Hands free/)).toBeTruthy()
    expect(screen.getByText(/^Next: .* from /)).toBeTruthy()
    const rail = within(screen.getByRole('region', { name: 'Running clocks' }))
    expect(rail.getByRole('link', { name: /^K-1 .*: ready from / })).toBeTruthy()
  })
  it('names who is asked, and since when', async () => {
    const asking = new Bench().upTo('inspect-impression')
    asking.check('inspect-impression', 'impression-whole', 'Torn or part missing')
    bench(benchContents([summary('k-1', asking)], asking.now), asking.now)
    const region = within(await screen.findByRole('region', { name: 'Waiting for an answer' }))
    expect(region.getByRole('link').textContent).toMatch(/torn or incomplete.*K-1 · asked .* · Dr\. Orla/)
  })
  it('says when the server does not answer', async () => {
    at(START)
    serverWith({ 'GET /bench': refusal({ detail: 'No entry.', remedy: 'Sign in.' }) })
    show(<BenchScreen />)
    expect((await screen.findByRole('alert')).textContent).toBe('No entry. Sign in.')
  })
})

describe('a clock in words', () => {
  const hour = (hours: number) => START + hours * 60 * MINUTE
  const window = {
    to: 'finish',
    from: hour(0),
    goodFrom: hour(1),
    lateFrom: hour(2),
    late: 'x',
    source: 's',
  } as const
  const words = (now: number, more: object = {}) =>
    railWords({ window: { ...window, ...more } } as never, now)
  const clock = (instant: number) => new Date(instant).toTimeString().slice(0, 5)
  it('says what it is until when, and how late', () => {
    expect(words(hour(0.5))).toBe(`ready from ${clock(hour(1))}`)
    expect(words(hour(0.5), { to: 'start' })).toBe(`start from ${clock(hour(1))}`)
    expect(words(hour(1))).toBe(`good until ${clock(hour(2))}`)
    expect(words(hour(2))).toBe(`good until ${clock(hour(2))}`)
    expect(words(hour(2.5))).toBe('late, 30 min over')
    expect(words(hour(2.5), { pastFrom: hour(3) })).toBe(`late, by ${clock(hour(3))}`)
    expect(words(hour(3.5), { pastFrom: hour(3) })).toBe(`past since ${clock(hour(3))}`)
  })
})

describe('the alarm', () => {
  /** What sounded: how many notes. */
  let notes = 0
  const audio = () => ({
    currentTime: 0,
    destination: {},
    createOscillator: () => ({
      frequency: { value: 0 },
      connect: (next: object) => next,
      start: () => notes++,
      stop: () => undefined,
    }),
    createGain: () => ({
      gain: { setValueAtTime: () => undefined, exponentialRampToValueAtTime: () => undefined },
      connect: (next: object) => next,
    }),
  })
  beforeEach(() => {
    notes = 0
    globalThis.AudioContext = jest.fn(audio) as never
  })
  const setting = new Bench().upTo('set')
  // The stone met its water two minutes before the step was begun.
  const opensAt = setting.now - 2 * MINUTE + 45 * MINUTE
  const listen = async (now: number) => {
    at(now)
    serverWith({ 'GET /bench': { ...benchContents([summary('k-1', setting)], now), at: now } })
    jest.useFakeTimers({ doNotFake: ['performance', 'queueMicrotask', 'nextTick'] })
    show(<WindowAlarm />)
    await act(async () => jest.advanceTimersByTimeAsync(50))
  }
  const later = async (now: number) => {
    at(now)
    await act(async () => jest.advanceTimersByTimeAsync(1100))
  }
  it('counts what is open in the title, sounds when it opens, and not for what was open before', async () => {
    await listen(opensAt - MINUTE)
    expect(document.title).toBe('Yentrik')
    await later(opensAt + 1000)
    expect(document.title).toBe('(1) Yentrik')
    expect(notes).toBe(2)
    await later(opensAt + 2 * MINUTE)
    expect(notes).toBe(2)
    jest.useRealTimers()
  })
  it('keeps still where sound is off', async () => {
    usePreferences.setState({ sound: false })
    await listen(opensAt - MINUTE)
    await later(opensAt + 1000)
    expect(notes).toBe(0)
    jest.useRealTimers()
  })
  it('does not sound for what was open when the page came', async () => {
    await listen(opensAt + MINUTE)
    expect(document.title).toBe('(1) Yentrik')
    await later(opensAt + 2 * MINUTE)
    expect(notes).toBe(0)
    jest.useRealTimers()
  })
})
