import { describe, expect, it } from '@jest/globals'
import { screen, within } from '@testing-library/react'
import type { QualityShown } from '@yentrik/contract'
import { countedRecord, qualityFigures, seriesCharts, unknownsOf } from '@yentrik/core'
import { MadeCase, MONDAY, madeHours, madeRoute } from '@yentrik/core/testing'
import { useLabClock } from '../live/lab-clock.ts'
import { QualityPaper } from '../papers/QualityPaper.tsx'
import { refusal, type SentRequest, serverWith, show } from '../testing/lab.tsx'
import { QualityScreen } from './QualityScreen.tsx'
import { hoursWords, shareWords } from './quality-words.ts'

const MINUTE = 60_000
const button = (name: string) => screen.getByRole('button', { name })
const posted = (sent: readonly SentRequest[]) => sent.filter(({ method }) => method === 'POST')
const DAY = 1440
const route = madeRoute('study-cast', [
  { id: 'pour-anatomy' },
  {
    id: 'trim',
    checks: [
      {
        ...{ kind: 'measure', id: 'back-angle', name: 'Angle of the back', how: '', source: '' },
        ...{ quantity: 'degrees', min: 89, max: 91, plausible: { min: 60, max: 120 } },
      },
    ],
  },
])
/** A cast that is poured, trimmed and read; one that went back was poured again, for a cause that was seen. */
function cast(n: number, angle: number, cause?: string): MadeCase {
  const at = n * 18
  const made = new MadeCase(`c${String(n).padStart(2, '0')}`, route, at, {
    dueMinutes: at + (n % 9 === 8 ? 5 : 17),
  })
  made.step('pour-anatomy', at, at + 6)
  made.start('trim', at + 6)
  if (cause) {
    const wentBack = made.back('pour-anatomy', at + 8)
    made.add('causeFound', at + 8, { wentBack, cause, how: 'seen' })
    made.step('pour-anatomy', at + 9, at + 12)
    made.start('trim', at + 12)
  }
  made.read(angle, at + 13, 'trim', 'back-angle')
  made.finish('trim', at + 16)
  return made
}
const year = Array.from({ length: 26 }, (_, n) =>
  cast(
    n,
    n === 25 ? 97 : 90 + [-0.3, 0.1, 0.4, -0.2, 0.2][n % 5]!,
    n % 6 === 0 ? 'A slip of the hand' : undefined,
  ),
)
const now = MONDAY + 500 * MINUTE
const inputOf = (cases: readonly MadeCase[]) => ({
  digests: cases.map((made) => made.digest()),
  hours: madeHours,
  now,
})
function shownOf(cases: readonly MadeCase[], more: Partial<QualityShown> = {}): QualityShown {
  const figures = qualityFigures(inputOf(cases), { from: MONDAY - DAY * MINUTE, until: now }, () => 10)
  return { figures, unknowns: unknownsOf(figures), lots: {}, isDemo: false, ...more }
}
const chartOf = (cases: readonly MadeCase[]) => {
  const [chart] = seriesCharts(countedRecord(inputOf(cases)))
  return { ...chart, points: chart!.points(), lots: {} }
}
function open(cases: readonly MadeCase[], at = '/quality', more: object = {}) {
  useLabClock.setState({ labMillis: now, steadyMillis: performance.now(), speed: 1, mayBeMoved: false })
  const sent = serverWith({
    'GET /quality': shownOf(cases),
    'GET /quality/chart': () => chartOf(cases),
    ...more,
  })
  return { sent, ...show(<QualityScreen />, { at, pattern: '/quality/:view?' }) }
}

describe('Quality', () => {
  it('says of an empty lab that nothing was counted, and no 0', async () => {
    open([])
    expect(await screen.findByRole('heading', { name: 'Nothing has been counted yet' })).toBeTruthy()
    expect(screen.queryByText('0 %')).toBeNull()
  })
  it('has five lines, each with its count and where it may truly lie', async () => {
    open(year)
    const lines = await screen.findByRole('region', { name: 'In ten seconds' })
    const [onTime, clean, lost, late, look] = within(lines).getAllByRole('button')
    expect(onTime!.textContent).toContain('24 of 26 due')
    expect(onTime!.textContent).toContain('92%')
    expect(within(onTime!).getByRole('img', { name: '24 of 26 (92 %; 76 to 98)' })).toBeTruthy()
    expect(clean!.textContent).toContain('20 of 26 jobs')
    expect(lost!.textContent).toMatch(/5 times, of 7 h/)
    expect(late!.textContent).toContain('of 0 in the house')
    expect(look!.textContent).toContain('Angle of the back: beyond a limit')
  })
  it('shows eight jobs one by one, without a percent', async () => {
    open(year.slice(0, 8))
    const lines = await screen.findByRole('region', { name: 'In ten seconds' })
    expect(within(lines).getAllByText('too few for a percent').length).toBeGreaterThan(0)
    expect(lines.textContent).toContain('6of 8')
    expect(lines.textContent).not.toMatch(/\d%/)
  })
  it('opens the cases behind a number, each at its entry', async () => {
    const { user } = open(year)
    await user.click(await screen.findByRole('button', { name: /^Hands lost/ }))
    const sheet = await screen.findByRole('dialog', { name: 'Hands lost', hidden: true })
    const links = within(sheet).getAllByRole('link', { hidden: true })
    expect(links.map((link) => link.textContent!.slice(0, 5))).toEqual([
      'K-c24',
      'K-c18',
      'K-c12',
      'K-c06',
      'K-c00',
    ])
    expect(links[0]!.getAttribute('href')).toBe('/case/c24?entry=5')
  })
  it('names what cost most hours with its range, and that it is at most', async () => {
    open(year)
    const cost = await screen.findByRole('region', { name: 'What cost most hours' })
    expect(cost.textContent).toContain('A slip of the hand')
    expect(cost.textContent).toMatch(/5 times, 0\.\d to \d(\.\d)? h/)
    expect(cost.textContent).toContain('At most this much is saved')
  })
  it('says what it cannot know yet, and how many more it takes', async () => {
    open(year)
    const unknown = await screen.findByRole('region', { name: 'What differs, and what we do not know yet' })
    expect(unknown.textContent).toContain('Is the plan honest?')
    expect(unknown.textContent).toContain('20 more')
  })
  it('takes a sentence for a signal, and is refused without one', async () => {
    const { user, sent } = open(year, '/quality', {
      'POST /quality/seen': (body: { words: string }) =>
        body.words ? {} : refusal({ detail: 'What was different is not said.' }),
    })
    await user.click(await screen.findByRole('button', { name: 'Looked at' }))
    expect(await screen.findByText(/What was different is not said/)).toBeTruthy()
    await user.type(screen.getByRole('textbox', { name: 'What was different' }), 'a new wheel')
    await user.click(button('Looked at'))
    expect(posted(sent).at(-1)!.body).toEqual({
      series: 'study-cast/trim/back-angle@89..91',
      caseId: 'c25',
      entry: expect.any(Number),
      words: 'a new wheel',
    })
  })
  it('asks for another period', async () => {
    const { user, sent } = open(year)
    await user.click(await screen.findByRole('button', { name: 'Quarter' }))
    const asked = sent.filter(({ address }) => address.startsWith('/quality?'))
    const from = asked.map(({ address }) => new Date(new URLSearchParams(address.split('?')[1]).get('from')!))
    expect(from.map((date) => date.getDate())).toEqual(from.map(() => 1))
    expect((from[0]!.getMonth() - from.at(-1)!.getMonth() + 12) % 12).toBe(2)
  })
})

describe('its views', () => {
  it('steps: right the first time, what was lost, and where it was found', async () => {
    open(year, '/quality/steps')
    const row = (await screen.findByText(/^Pour/)).closest('tr')!
    expect(row.textContent).toContain('21 of 26 (81 %; 62 to 91)')
    expect(row.textContent).toMatch(/Trim.* 5$/)
    expect(screen.getByText(/Nothing done again in 20 of 26/)).toBeTruthy()
  })
  it('steps: what the lab has found may begin anew, with its reason', async () => {
    const { user, sent } = open(year, '/quality/steps', {
      'GET /quality/findings': [
        { place: 'seats', fault: 'Will not seat', found: { 'Thin spacer': 3, Draught: 5 } },
        { place: 'walls', fault: 'Rough', found: {} },
      ],
      'POST /quality/said': {},
    })
    const card = within(await screen.findByRole('region', { name: 'What this lab has found' }))
    expect(card.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual([
      'Will not seat Draught 5; Thin spacer 3Begin anew',
    ])
    await user.click(card.getByRole('button', { name: 'Begin anew: Will not seat' }))
    await user.type(screen.getByLabelText('Why'), 'a new oven')
    await user.click(screen.getByRole('button', { name: 'From now on', hidden: true }))
    expect(posted(sent).at(-1)!.body).toEqual({
      ...{ type: 'causeWeightsReset', place: 'seats', fault: 'Will not seat', reason: 'a new oven' },
    })
  })
  it('charts: a value is left out of the limits by hand, with what was different', async () => {
    const { user, sent } = open(year, '/quality/charts', {
      'POST /quality/said': {},
      'POST /quality/seen': {},
    })
    await user.type(await screen.findByRole('textbox', { name: 'What was different' }), 'read upside down')
    await user.click(button('And leave it out of the limits'))
    const told = posted(sent).map(({ address, body }) => [address, body])
    const value = { series: 'study-cast/trim/back-angle@89..91', caseId: 'c25', entry: expect.any(Number) }
    expect(told).toEqual([
      ['/quality/seen', { ...value, words: 'read upside down' }],
      ['/quality/said', { ...value, type: 'valueLeftOut', reason: 'read upside down' }],
    ])
  })
  it('charts: those to look at first; limits begin anew only with a reason', async () => {
    const { user, sent } = open(year, '/quality/charts', { 'POST /quality/said': {} })
    expect((await screen.findByRole('button', { name: /Angle of the back/ })).textContent).toContain(
      'K-c25: beyond a limit',
    )
    await user.click(await screen.findByRole('button', { name: 'Begin the limits anew' }))
    await user.type(screen.getByLabelText('Why'), 'a new gauge')
    await user.click(screen.getByRole('button', { name: 'From now on', hidden: true }))
    expect(posted(sent).at(-1)!.body).toEqual({
      ...{ type: 'limitsSet', series: 'study-cast/trim/back-angle@89..91' },
      reason: 'a new gauge',
    })
  })
  it('comparisons: what is the same is said, people never are', async () => {
    open(year, '/quality/compare')
    expect(await screen.findByText(/People are not compared/)).toBeTruthy()
    expect(screen.getByText(/Nothing could be compared/)).toBeTruthy()
  })
  it('times: what the plan takes; it may be refused with a reason', async () => {
    const { user, sent } = open(year, '/quality/times', { 'POST /quality/said': {} })
    const row = (await screen.findByText(/^Pour/)).closest('tr')!
    expect(row.textContent).toContain('26 times')
    await user.click(row)
    await user.type(await screen.findByLabelText('Why'), 'a new mixer')
    await user.click(screen.getByRole('button', { name: 'Keep the figure of the route', hidden: true }))
    expect(posted(sent).at(-1)!.body).toMatchObject({
      ...{ type: 'learnedTimeRefused', template: 'study-cast', step: 'pour-anatomy' },
      ...{ refused: true, reason: 'a new mixer' },
    })
  })
})

it('the print says what is not known, and names nobody', async () => {
  serverWith({
    'GET /quality': shownOf(year),
    'GET /quality/chart': () => chartOf(year),
    'GET /lab': { labName: 'Kiln Street', address: '', calendar: madeHours.calendar, variants: {} },
  })
  const { container } = show(<QualityPaper />, { at: '/papers/quality', pattern: '/papers/quality' })
  expect(await screen.findByRole('heading', { name: 'What we do not know' })).toBeTruthy()
  expect(container.textContent).toContain('24 of 26 (92 %; 76 to 98)')
  expect(container.textContent).toContain('Not looked at.')
  expect(container.textContent).not.toContain('Ada')
})

it('shares and hours in words', () => {
  const share = { share: 2 / 17, low: 0.033, high: 0.343, state: 'percent' as const }
  expect(shareWords({ ...share, count: 2, of: 17 })).toBe('2 of 17 (12 %; 3 to 34)')
  expect(shareWords({ ...share, count: 0, of: 17, high: 0.184 })).toBe('none in 17, so up to 18 %')
  expect(shareWords({ ...share, count: 2, of: 7, state: 'tooFew' })).toBe('2 of 7')
  expect([14.25, 0.999, 0.3].map(hoursWords)).toEqual(['14 h 15', '1 h 00', '0 h 18'])
})
