import { beforeEach, describe, expect, it } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import type { PlanBar, PlanShown } from '@yentrik/contract'
import { useLabClock } from '../live/lab-clock.ts'
import { PlanPaper } from '../papers/PlanPaper.tsx'
import { refusal, type SentRequest, serverWith, show } from '../testing/lab.tsx'
import { PlanScreen } from './PlanScreen.tsx'
import { PromiseDate } from './PromiseDate.tsx'
import { causeWords, lateWords, longestWait, mainLinks, span } from './plan-words.ts'
import { hoursOf, TimeScale } from './time-scale.ts'

const HOUR = 3_600_000
const DAY = 24 * HOUR
// A Monday, in the time of this machine.
const MONDAY = new Date(2026, 2, 2).getTime()
const at = (day: number, hour: number, minute = 0) => MONDAY + day * DAY + hour * HOUR + minute * 60_000
const NOW = at(0, 10, 40)
const open = [0, 1, 2].map((day) => [at(day, 7, 30), at(day, 17)] as const)

const bar = (id: string, more: Partial<PlanBar>): PlanBar => ({
  id,
  caseId: `case ${id.split('/')[0]}`,
  jobId: 'job-1',
  docket: id.split('/')[0]!,
  part: 'hands',
  stage: 'trim',
  steps: [{ stepId: id.split('/')[1] ?? 'trim', name: 'Trim', at: more.at ?? NOW }],
  at: NOW,
  until: NOW + HOUR,
  personId: 'p-1',
  ...more,
})
const plan: PlanShown = {
  makesPlans: true,
  madeAt: NOW - 60_000,
  now: NOW,
  isSearching: false,
  from: at(0, 8),
  until: at(2, 18),
  open,
  people: [
    { id: 'p-1', name: 'Ada', open },
    { id: 'p-2', name: 'Ben', open: [[at(0, 13, 20), at(0, 17)], ...open.slice(1)] },
  ],
  machines: [
    { id: 'Bath', name: 'Bath', open: [[at(0, 0), at(3, 0)]], places: 3, kind: 'bath', batch: true },
    { id: 'Press', name: 'Press', open: [[at(0, 0), at(3, 0)]], places: 1, kind: 'press', batch: false },
  ],
  bars: [
    bar('K-1/trim', { at: NOW + HOUR, until: NOW + 2 * HOUR }),
    bar('K-2/pack', {
      at: at(0, 15),
      until: at(0, 16),
      personId: 'p-2',
      steps: [{ stepId: 'pack', name: 'Pack', at: at(0, 15) }],
      pinned: true,
    }),
    bar('K-2/cure#run', {
      at: at(0, 17),
      until: at(1, 3),
      part: 'run',
      personId: undefined as never,
      steps: [{ stepId: 'cure', name: 'Cure', at: at(0, 17) }],
    }),
    bar('K-3/try-in', {
      at: at(0, 9),
      until: at(1, 12),
      part: 'away',
      personId: undefined as never,
      begun: true,
      steps: [{ stepId: 'try-in', name: 'At the try-in', at: at(0, 9) }],
    }),
  ].map(({ personId, ...rest }) => (personId === undefined ? rest : { ...rest, personId })),
  loads: [
    {
      id: 'K-2@Bath',
      machine: 'Bath',
      caseId: 'case K-2',
      docket: 'K-2',
      at: at(0, 16, 50),
      until: at(1, 7, 40),
      runs: { at: at(0, 17), until: at(1, 3), program: 'cure' },
    },
    { id: 'K-2@Press', machine: 'Press', caseId: 'case K-2', docket: 'K-2', at: at(0, 15), until: at(0, 16) },
  ],
  cases: [
    {
      caseId: 'case K-1',
      docket: 'K-1',
      jobName: 'Study cast',
      clinic: 'Mill',
      dueAt: at(1, 12),
      endsAt: at(0, 13),
      priority: 1,
      chance: 0.97,
    },
    {
      caseId: 'case K-2',
      docket: 'K-2',
      jobName: 'Complete denture',
      clinic: 'Mill',
      dueAt: at(1, 12),
      endsAt: at(1, 14),
      priority: 3,
    },
  ],
  late: [
    {
      caseId: 'case K-2',
      docket: 'K-2',
      lateMinutes: 120,
      chain: [
        {
          barId: 'K-2/pack',
          stepName: 'Pack',
          readyAt: at(0, 11),
          at: at(0, 15),
          until: at(0, 16),
          cause: { kind: 'people', by: [{ who: 'Ben', at: at(0, 7), until: at(0, 13, 20) }] },
        },
        { barId: 'K-2/cure#run', stepName: 'Cure', readyAt: at(0, 17), at: at(0, 17), until: at(1, 3) },
      ],
      advice: [{ kind: 'machine', name: 'Bath', soonerMinutes: 150, onTime: true }],
    },
  ],
  tonight: [
    {
      caseIds: ['case K-2'],
      machine: 'Bath',
      kind: 'bath',
      dockets: ['K-2'],
      loadBy: at(0, 16, 50),
      startsAt: at(0, 21),
      runsMinutes: 600,
      outAt: at(1, 7, 40),
      limit: 'closing',
      startsByTimer: true,
    },
  ],
  notPlanned: [{ caseId: 'case K-9', docket: 'K-9', why: 'held' }],
  rounds: 100,
  worth: { promised: 0, cost: 10 },
}
const posted = (sent: SentRequest[]) => sent.filter(({ method }) => method !== 'GET')
const button = (name: string | RegExp) => screen.getByRole('button', { name })

beforeEach(() => useLabClock.setState({ labMillis: NOW, steadyMillis: performance.now(), speed: 1 }))

describe('the line of time', () => {
  const scale = new TimeScale(at(0, 7, 30), at(1, 17), open)
  it('folds a night to a third of a working day', () => {
    // 9.5 h, a third of them, 9.5 h.
    const night = scale.at(at(1, 7, 30)) - scale.at(at(0, 17))
    expect(night / scale.at(at(0, 17))).toBeCloseTo(0.33, 5)
    expect([scale.at(at(0, 7, 30)), scale.at(at(1, 17))]).toEqual([0, 1])
  })
  it('leads there and back, and stops at its ends', () => {
    for (const instant of [at(0, 9, 15), at(0, 23), at(1, 16, 59)])
      expect(Math.abs(scale.instant(scale.at(instant)) - instant)).toBeLessThan(2)
    expect([scale.at(at(-1, 0)), scale.at(at(9, 0))]).toEqual([0, 1])
  })
  it('has the hours in which the lab is open, not those of the night', () => {
    const hours = hoursOf(scale, 2).map((hour) => new Date(hour).getHours())
    expect(hours).toEqual([8, 10, 12, 14, 16, 8, 10, 12, 14, 16])
  })
})

describe('words of the plan', () => {
  it.each([
    [45, '45 min'],
    [120, '2 h'],
    [130, '2 h 10'],
    [36 * 60, '1 day 12 h'],
    [2880, '2 days'],
  ])('%d min is %s', (minutes, words) => expect(span(minutes)).toBe(words))
  it.each([
    [
      {
        kind: 'people',
        by: [
          { who: 'Ben', docket: 'K-5', at: NOW, until: at(0, 12) },
          { who: 'Cid', at: NOW, until: at(0, 13) },
          { who: 'Dot', at: NOW, until: at(0, 14) },
        ],
      },
      'Ben on K-5 until 12:00; Cid not there until 13:00; 1 more busy',
    ],
    [
      { kind: 'machine', by: [{ who: 'Bath', docket: 'K-5', at: NOW, until: at(0, 12) }] },
      'Bath taken by K-5 until 12:00',
    ],
    [{ kind: 'machine', by: [{ who: 'Bath', at: NOW, until: at(0, 12) }] }, 'Bath out of order until 12:00'],
    [{ kind: 'heldBack', stepName: 'Pack', withinMinutes: 240 }, 'so that pack follows within 4 h'],
    [{ kind: 'together', dockets: ['K-7', 'K-8'] }, 'waits to run with K-7, K-8'],
    [{ kind: 'timer' }, 'begins by its timer, so that it ends when somebody is there'],
    [{ kind: 'closed' }, 'waits for the next open hours'],
    [{ kind: 'nothing' }, 'could begin sooner; nothing is in its way'],
  ] as const)('%j', (cause, words) => expect(causeWords(cause as never, NOW)).toBe(words))
  it('the links that made most of it, in their order, and the longest wait', () => {
    expect(mainLinks(plan.late[0]!, 1).map(({ stepName }) => stepName)).toEqual(['Cure'])
    expect(longestWait(plan.late[0]!)?.stepName).toBe('Pack')
    expect(lateWords(120)).toBe('2 h late')
  })
})

describe('the plan screen', () => {
  const opened = (answers: object = {}) => {
    const sent = serverWith({
      'GET /plan': plan,
      'POST /plan/pins': [],
      'POST /plan/unpin': [],
      'PUT /plan/priority/:caseId': {},
      'POST /plan/anew': undefined,
      'GET /plan/feeds': [],
      ...answers,
    })
    return { ...show(<PlanScreen />), sent }
  }
  it('says first what is late, by how much, why, and what would save it', async () => {
    opened()
    const late = within(await screen.findByRole('region', { name: 'Late' }))
    expect(late.getByText('2 h late')).toBeTruthy()
    expect(late.getByText(/Ben not there until 13:20/)).toBeTruthy()
    expect(late.getByText('With one more: Bath')).toBeTruthy()
    expect(late.getByText('on time')).toBeTruthy()
    expect(screen.getByText(/2 cases, 1 late/)).toBeTruthy()
    expect(screen.getByText(/K-9/).closest('p')?.textContent).toContain('is on hold')
  })
  it('says what to load tonight, by when, out when, and what limits it', async () => {
    opened()
    const tonight = within(await screen.findByRole('region', { name: 'Tonight' }))
    expect(tonight.getByText('16:50')).toBeTruthy()
    expect(tonight.getByText('the lab closes')).toBeTruthy()
    expect(tonight.getByText('21:00 by itself, 10 h')).toBeTruthy()
  })
  it('has a row for each person and machine, places on demand, the absent said', async () => {
    const { user } = opened()
    expect(await screen.findByText('Ada')).toBeTruthy()
    expect(screen.getByText('At the clinic')).toBeTruthy()
    expect(screen.getByRole('button', { name: /^K-2\. Bath: K-2, in 16:50, runs 17:00/ })).toBeTruthy()
    expect(screen.queryByRole('button', { name: /Press: K-2/ })).toBeNull()
    await user.click(screen.getByText('More'))
    await user.click(button('Show press and places'))
    expect(screen.getByRole('button', { name: /Press: K-2/ })).toBeTruthy()
  })
  it('a bar opens its case: the stops to come, how sure it is, how soon it is wanted', async () => {
    const { user, sent } = opened()
    await user.click(await screen.findByRole('button', { name: /^K-1 Trim/ }))
    const card = within(screen.getByRole('region', { name: 'This work' }))
    expect(card.getByText(/on time in 97 of 100/)).toBeTruthy()
    expect(card.getByText(/23 h to spare/)).toBeTruthy()
    await user.click(card.getByText('rush'))
    await waitFor(() =>
      expect(posted(sent)[0]).toMatchObject({ address: '/plan/priority/case%20K-1', body: { priority: 10 } }),
    )
  })
  it('is pinned to a time and a person, and let go again', async () => {
    const { user, sent } = opened()
    await user.click(await screen.findByRole('button', { name: /^K-2 Pack.*pinned/ }))
    const card = within(screen.getByRole('region', { name: 'This work' }))
    fireEvent.change(card.getByLabelText('at the time'), { target: { value: '09:00' } })
    fireEvent.change(card.getByLabelText('Pin to the day'), { target: { value: '2026-03-02' } })
    await user.click(card.getByRole('button', { name: 'Pin it' }))
    expect(card.getByRole('alert').textContent).toContain('That time is past')
    fireEvent.change(card.getByLabelText('Pin to the day'), { target: { value: '2026-03-03' } })
    fireEvent.change(card.getByLabelText('in the hands of'), { target: { value: 'p-1' } })
    await user.click(card.getByRole('button', { name: 'Pin it' }))
    await waitFor(() =>
      expect(posted(sent)[0]).toMatchObject({
        address: '/plan/pins',
        body: {
          caseId: 'case K-2',
          jobId: 'job-1',
          stepId: 'pack',
          at: new Date(at(1, 9)).toISOString(),
          personId: 'p-1',
        },
      }),
    )
    await user.click(card.getByRole('button', { name: 'Unpin' }))
    await waitFor(() =>
      expect(posted(sent)[1]).toMatchObject({ address: '/plan/unpin', body: { stepId: 'pack' } }),
    )
  })
  it('a refused pin is said in words', async () => {
    const { user } = opened({
      'POST /plan/pins': refusal({ detail: 'That time is taken.', remedy: 'Choose another.' }),
    })
    await user.click(await screen.findByRole('button', { name: /^K-1 Trim/ }))
    await user.click(button('Pin it'))
    expect(await screen.findByText(/That time is taken/)).toBeTruthy()
  })
  it('who only looks moves nothing', async () => {
    const reader = { personId: 'p-9', name: 'Rea', role: 'reader' }
    serverWith({ 'GET /plan': plan })
    const { user } = show(<PlanScreen />, { person: reader } as never)
    await user.click(await screen.findByRole('button', { name: /^K-1 Trim/ }))
    expect(screen.queryByRole('button', { name: 'Pin it' })).toBeNull()
  })
  it('an empty lab says how to begin', async () => {
    opened({ 'GET /plan': { ...plan, cases: [], late: [], notPlanned: [] } })
    expect(await screen.findByRole('link', { name: 'Take in a case' })).toBeTruthy()
    expect(screen.getByText(/Nothing is in work/)).toBeTruthy()
  })
  it('a server that makes no plan says so', async () => {
    const none = { ...plan, cases: [], late: [], notPlanned: [], madeAt: null }
    opened({ 'GET /plan': { ...none, makesPlans: false } })
    expect(await screen.findByText(/makes no plan/)).toBeTruthy()
  })
  it('the first plan takes a moment', async () => {
    opened({ 'GET /plan': { ...plan, cases: [], late: [], notPlanned: [], madeAt: null } })
    expect(await screen.findByText('The first plan is being made.')).toBeTruthy()
  })
  it('a lab that is all on hold says so', async () => {
    opened({ 'GET /plan': { ...plan, cases: [], late: [] } })
    expect(await screen.findByText(/K-9 is on hold/)).toBeTruthy()
  })
  it('nothing late is said as good news', async () => {
    opened({ 'GET /plan': { ...plan, late: [] } })
    expect(await screen.findByText('Everything is ready when due, as planned.')).toBeTruthy()
  })
  it('gives calendar addresses and takes them back', async () => {
    const given = {
      feedId: 'f-1',
      personId: null,
      madeAt: new Date(NOW).toISOString(),
      address: '/api/calendar/s.ics',
    }
    const feeds: object[] = []
    const { user, sent } = opened({
      'GET /plan/feeds': () => feeds,
      'POST /plan/feeds': () => {
        feeds.push({ ...given, address: '' })
        return given
      },
      'DELETE /plan/feeds/:feedId': () => {
        feeds.pop()
      },
    })
    HTMLDialogElement.prototype.showModal ??= function showModal(this: HTMLDialogElement) {
      this.open = true
    }
    await user.click(await screen.findByText('More'))
    await user.click(button('Calendar addresses'))
    await user.click(await screen.findByText('Give an address'))
    expect(await screen.findByText(/calendar\/s\.ics/)).toBeTruthy()
    await user.click(await screen.findByText('Take back'))
    await waitFor(() =>
      expect(posted(sent).at(-1)).toMatchObject({ method: 'DELETE', address: '/plan/feeds/f-1' }),
    )
  })
})

describe('a date at the door', () => {
  const promised = {
    endsAt: at(2, 11),
    by80: at(2, 15),
    by95: at(3, 9),
    chance: 0.9,
    pushes: [{ docket: 'K-2', laterMinutes: 90, isLate: true }],
  }
  it('is asked for with what is entered, and says its chance and whom it pushes', async () => {
    const days: string[] = []
    const chances: (number | undefined)[] = []
    const sent = serverWith({ 'POST /plan/promise': promised })
    const { user } = show(
      <PromiseDate
        templateId="study-cast"
        choices={{ arch: 'upper' }}
        dueAt={at(3, 12)}
        onDay={(day) => days.push(day)}
        onChance={(chance) => chances.push(chance)}
      />,
    )
    await user.click(button('Can that date be kept?'))
    expect(await screen.findByText('90 of 100')).toBeTruthy()
    expect(screen.getByText('It pushes K-2 by 1 h 30, late then.')).toBeTruthy()
    expect(posted(sent)[0]?.body).toEqual({
      templateId: 'study-cast',
      choices: { arch: 'upper' },
      dueAt: new Date(at(3, 12)).toISOString(),
    })
    // It goes on record with the case, for whoever asks later whether the plan keeps its word.
    expect(chances).toEqual([undefined, 0.9])
    await user.click(button(/Due the day after/))
    expect(days).toEqual(['2026-03-06'])
  })
})

describe('the plan on paper', () => {
  it('names everybody with their hours, the machines, and what leaves', async () => {
    serverWith({ 'GET /plan': plan })
    show(<PlanPaper />)
    expect((await screen.findAllByText('Ada')).length).toBe(3)
    expect(screen.getAllByText('K-2').length).toBeGreaterThan(0)
    expect(screen.getByText(/17:00 to 03:00/)).toBeTruthy()
    expect(screen.getByText(/LATE/)).toBeTruthy()
  })
})
