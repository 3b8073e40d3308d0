import { type CaseEvent, deeds } from '../case/index.ts'
import { DomainError } from '../refusal/index.ts'
import type { Route } from '../route/index.ts'
import {
  byTag,
  calculator,
  choice,
  figure,
  id,
  instant,
  list,
  maybe,
  type Of,
  record,
  type Shape,
  text,
  whole,
  words,
  yesNo,
} from '../shape/index.ts'
import {
  calibration,
  causeHits,
  causeWeights,
  chartRules,
  compareGroups,
  controlChart,
  differenceOf,
  exactHigh,
  falseDiscovery,
  learnedTime,
  lostHours,
  medianGap,
  movedTime,
  rareEvents,
  rolledYield,
  shareOf,
  signWord,
} from '../statistics/index.ts'
import { mustNotBePeople } from './comparisons.ts'
import type { CaseDigest } from './digest.ts'
import { qualityFigures } from './figures.ts'
import { digestCase } from './make-digest.ts'

const number = (example?: number) => figure(-1e9, 1e9, example === undefined ? {} : { example })
const counted = record({ count: number(2), of: number(17) })
const group = record({ first: counted, second: counted })
/** More values than this are no question of a lab. */
const MOST = 5000

const { startStep, finishStep, skipStep, pause, resume, goBack, recordCheck } = deeds
const { hold, release, askDentist, dentistAnswered, findCause, promise } = deeds
/** What a log may hold: of a record what the figures are made of. */
const logged = [
  ...[startStep, finishStep, skipStep, pause, resume, goBack, recordCheck],
  ...[hold, release, askDentist, dentistAnswered, findCause, promise],
]
const loggedEvent = byTag(
  'type',
  Object.fromEntries(
    logged.map(({ becomes, payload }) => [
      becomes,
      record({ sequence: whole(2, 1e6), at: instant(), by: text(120), ...payload.properties }),
    ]),
  ),
)
const loggedStep = record({
  id: id('pour-anatomy'),
  kind: choice(['attended', 'unattended', 'machine', 'clinic']),
  after: list(id(), 30),
  handsOnMinutes: maybe(figure(0, 100_000)),
  /** Measured on it, with what is wanted. */
  checks: maybe(list(record({ id: id(), min: maybe(number(0)), max: maybe(number(2)) }), 30)),
})

/** What is asked of each kind. The limits of the entries are the core's, not the shape's: so each refusal has its own words. */
const asked = {
  rate: record({ count: number(2), of: number(17) }),
  difference: group,
  compare: record({ first: counted, second: counted, by: maybe(text(40, { example: 'lot' })) }),
  stratified: record({ strata: list(group, 200, 1), by: maybe(text(40)) }),
  many: record({ p: list(number(0.01), MOST, 1) }),
  chart: record({
    values: list(number(0.6), MOST),
    step: maybe(number(0.1)),
    least: maybe(number(0)),
    most: maybe(number()),
    rules: maybe(list(choice(chartRules), 4)),
    since: maybe(whole(0, MOST)),
    leftOut: maybe(list(whole(0, MOST), 200)),
    /** Why the limits begin anew there, or values are left out. */
    reason: maybe(words()),
  }),
  rare: record({ before: counted, next: counted }),
  hours: record({ hours: list(number(2.25), MOST), most: maybe(number(1)) }),
  learn: record({
    planMinutes: number(30),
    minutes: list(number(22), MOST),
    tau: maybe(number(0.4)),
  }),
  move: record({ beforeMinutes: number(60), towardsMinutes: number(30), weeks: number(1) }),
  calibration: record({ chances: list(number(0.9), MOST, 1), kept: list(yesNo(), MOST, 1) }),
  causes: record({ found: list(number(2), 200), reset: maybe(yesNo()), reason: maybe(words()) }),
  causeHits: record({ ranks: list(number(1), MOST) }),
  rolled: record({ clean: counted, steps: list(counted, MOST) }),
  log: record({
    hours: maybe(
      record({
        timeZone: text(80, { example: 'Europe/Vienna' }),
        opensMinute: whole(0, 1440, { example: 450 }),
        closesMinute: whole(0, 1440, { example: 1020 }),
        weekdays: list(whole(0, 6), 7),
      }),
    ),
    from: instant(),
    until: instant(),
    now: maybe(instant()),
    cases: list(
      record({
        caseId: id(),
        receivedAt: instant(),
        dueAt: instant(),
        template: id('study-cast'),
        steps: list(loggedStep, 300, 1),
        events: list(loggedEvent, 2000),
      }),
      200,
    ),
  }),
} as const
type Asked = { readonly [K in keyof typeof asked]: Of<(typeof asked)[K]> }
type Kind = keyof Asked

const answers: { readonly [K in Kind]: (input: Asked[K]) => object } = {
  rate: (input) => ({ ...shareOf(input), exactHigh: exactHigh(input) }),
  difference: ({ first, second }) => differenceOf(first, second),
  compare: ({ first, second, by }) => {
    if (by !== undefined) mustNotBePeople(by)
    const { exact, ...rest } = compareGroups([{ first, second }])
    return { ...exact, ...rest, ...(rest.state === 'compared' ? { word: signWord(exact.midP) } : {}) }
  },
  stratified: ({ strata, by }) => {
    if (by !== undefined) mustNotBePeople(by)
    const { exact, ...rest } = compareGroups(strata)
    return { ...exact, ...rest, ...(rest.state === 'compared' ? { word: signWord(exact.midP) } : {}) }
  },
  many: ({ p }) => {
    const q = falseDiscovery(p)
    return { q, words: q.map(signWord) }
  },
  chart: ({ reason, ...input }) => {
    if ((input.since || input.leftOut?.length) && !reason?.trim())
      throw new DomainError(
        'limits-without-reason',
        'Why the limits begin anew, or values are left out, is not said.',
        'Write it in a sentence: whoever looks at it in a year needs it.',
        'reason',
      )
    return controlChart(input)
  },
  rare: (input) => {
    const { before } = input
    const rare = rareEvents(input)
    return before.count > 0 && before.count < before.of
      ? { ...rare, medianGap: medianGap(before.count / before.of) }
      : rare
  },
  hours: ({ hours, most }) => lostHours(hours, most),
  learn: ({ planMinutes, minutes, tau }) => learnedTime(planMinutes, minutes, tau),
  move: ({ beforeMinutes, towardsMinutes, weeks }) => ({
    minutes: movedTime(beforeMinutes, towardsMinutes, weeks),
  }),
  calibration: ({ chances, kept }) => calibration(chances, kept)!,
  causes: ({ found, reset, reason }) => {
    if (reset && !reason?.trim())
      throw new DomainError(
        'reset-without-reason',
        'Why the findings count no more is not said.',
        'Write it in a sentence: a new investment, a new oven.',
        'reason',
      )
    return { weights: causeWeights(reset ? found.map(() => 0) : found) }
  },
  causeHits: ({ ranks }) => causeHits(ranks),
  rolled: ({ clean, steps }) => rolledYield(clean, steps),
  log: ({ hours, from, until, now = until, cases }) => {
    const digests: CaseDigest[] = []
    const damaged: { caseId: string; code: string; say: string }[] = []
    if (hours)
      for (const each of cases)
        try {
          const { events, route } = recordOf(each)
          digests.push(digestCase(each.caseId, events, () => route, { calendar: hours }))
        } catch (error) {
          if (!(error instanceof DomainError) || error.code !== 'record-damaged') throw error
          damaged.push({ caseId: each.caseId, code: error.code, say: error.message })
        }
    const input = {
      digests,
      ...(hours ? { hours: { calendar: hours } } : {}),
      now: Date.parse(now),
      isDemo: true,
      damaged: damaged.map(({ caseId }) => caseId),
    }
    const period = { from: Date.parse(from), until: Date.parse(until) }
    return { damaged, figures: qualityFigures(input, period, planOfLog(cases)) }
  },
}

/** Hands of a step, as the log says them. */
const planOfLog =
  (cases: Asked['log']['cases']) =>
  (template: string, stepId: string): number | undefined =>
    cases.find((each) => each.template === template)?.steps.find(({ id: step }) => step === stepId)
      ?.handsOnMinutes

/** A case of a log as a record with its route. */
function recordOf({ caseId, receivedAt, dueAt, template, steps, events }: Asked['log']['cases'][number]): {
  readonly events: readonly CaseEvent[]
  readonly route: Route
} {
  const none = { clinic: '', prescriber: '', patientCode: '', wanted: '', teeth: [], enclosures: [] }
  const receipt: CaseEvent = {
    ...{ sequence: 1, at: receivedAt, by: '', type: 'caseReceived', docket: caseId },
    authorisation: { ...none, dueAt },
    jobs: [{ jobId: 'job-1', routeId: template }],
  }
  const route: Route = {
    ...{ templateId: template, templateVersion: 1, name: template, choices: {} },
    steps: steps.map(({ checks = [], handsOnMinutes = 0, ...step }) => ({
      ...{ ...step, name: step.id, stage: 'finish', how: [], why: '', handsOnMinutes },
      checks: checks.map((check) => ({
        ...{ ...check, kind: 'measure', name: check.id, how: '', source: '', quantity: 'count' },
        plausible: { min: -1e9, max: 1e9 },
      })),
    })),
  }
  return { events: [receipt, ...(events as unknown as readonly CaseEvent[])], route }
}

const variants = Object.fromEntries(
  Object.entries(asked).map(([kind, input]) => [
    kind,
    record({ kind: choice([kind]), input: input as Shape }),
  ]),
) as unknown as Parameters<typeof byTag>[1]

export const qualityCalculator = calculator({
  name: 'quality',
  summary:
    'Shares, comparisons, charts and times at small counts: each with its interval, and what is too few said to be so',
  input: byTag('kind', variants) as Shape,
  example: { kind: 'rate', input: { count: 2, of: 17 } },
  answer: (given) => {
    const { kind, input } = given as { readonly kind: Kind; readonly input: never }
    return answers[kind](input)
  },
})
