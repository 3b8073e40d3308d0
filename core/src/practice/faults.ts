import { type Check, type CheckOf, type Route, type RouteStep, teethOf } from '../route/index.ts'
import type { FailingOutcome, Outcome, StepSheet } from '../sheet/index.ts'
import type { Means } from './levels.ts'
import { signsOf } from './signs/index.ts'

/** How bad an outcome is: the worst that is there is the true one. */
const gravest = ['pass', 'adjust', 'askDentist', 'goBack', 'remake'] as const
export const gravity = ({ verdict }: Pick<Outcome, 'verdict'>): number => gravest.indexOf(verdict)

/** Where a fault shows. */
export interface ShowsAt {
  readonly stepId: string
  /** A look, a measure or a sheet of that step. */
  readonly kind: 'look' | 'measure' | 'sheet'
  readonly checkId: string
  readonly tooth?: number
  /** Of a look. */
  readonly answer?: string
  /** Of a measure: on which side of its limits. */
  readonly side?: 'below' | 'above'
}

/** Something that can be wrong on a route, as its own checks have it: nothing but the route says so. */
export interface Fault {
  /** What it is, the same on every route: the check and its answer or side. */
  readonly kind: string
  readonly shows: ShowsAt
  readonly outcome: FailingOutcome
  /** The step in which it comes to be. */
  readonly bornIn: string
  readonly arrives: boolean
  /** By which it is seen for sure. */
  readonly by: Means
  readonly named: string
}

/** Sheets on which one writes down what lies there; the others are worked out or decided. */
const seenSheets: readonly StepSheet['kind'][] = ['regions', 'places', 'room']
export const isSeenSheet = ({ kind }: StepSheet): boolean => seenSheets.includes(kind)

/** Read by a clock or set by a hand: the world works them out from what was done, no chance makes them. */
const decidedMeanings = new Set([
  'flaskTemperature',
  'finalPressure',
  'sprueGauge',
  'specialLiquid',
  'armTurns',
  'ringPowder',
  'weightWithSprue',
])
export const isDecided = (check: Check): boolean =>
  check.kind === 'measure' &&
  ((check.means !== undefined && decidedMeanings.has(check.means)) ||
    (check.min === undefined && check.max === undefined))

/**
 * Every fault that the checks and sheets of a route can find, in the order of the route.
 * A fault is born where its outcome leads back to; on the spot where it is set right there; before the door where it is asked about at the door.
 * @param teeth of the order
 */
export function faultsOf(route: Pick<Route, 'steps'>, teeth: readonly number[]): readonly Fault[] {
  return route.steps.flatMap((step, index) => [
    ...(step.checks ?? []).flatMap((check) => checkFaultsOf(route, step, index, check, teeth)),
    ...(step.sheets ?? []).flatMap((sheet) => sheetFaults(route, step, index, sheet)),
  ])
}

function checkFaultsOf(
  route: Pick<Route, 'steps'>,
  step: RouteStep,
  index: number,
  check: Check,
  teeth: readonly number[],
): readonly Fault[] {
  if (isDecided(check)) return []
  const places = teethOf(check, teeth)
  const each = (make: (tooth: number | undefined) => Fault) => places.map(make)
  if (check.kind === 'observe')
    return check.answers.flatMap(({ answer, outcome }) =>
      outcome.verdict === 'pass'
        ? []
        : each((tooth) => ({
            kind: `${check.id}: ${answer}`,
            shows: { stepId: step.id, kind: 'look', checkId: check.id, answer, ...at(tooth) },
            outcome,
            ...birth(route, step, index, outcome),
            by: signsOf(check.id)?.signs[answer]?.by ?? 'eye',
            named: nameOf(answer, check),
          })),
    )
  return (['below', 'above'] as const).flatMap((side) => {
    const outcome = check[side]
    if (!outcome || outcome.verdict === 'pass' || !canBe(check, side)) return []
    return each((tooth) => ({
      kind: `${check.id}: ${side}`,
      shows: { stepId: step.id, kind: 'measure', checkId: check.id, side, ...at(tooth) },
      outcome,
      ...birth(route, step, index, outcome),
      by: 'instrument',
      named: `${check.name}, too ${side === 'below' ? 'little' : 'much'}`,
    }))
  })
}

/** What is wrong in a few words; one or two words alone say too little. */
const nameOf = (answer: string, { name }: Check): string =>
  answer.split(' ').length > 2 ? answer : `${answer}, ${name.toLowerCase()}`

const at = (tooth: number | undefined) => (tooth === undefined ? {} : { tooth })

/** Whether there is room beyond the limit for a reading that can be. */
function canBe({ min, max, plausible }: CheckOf<'measure'>, side: 'below' | 'above'): boolean {
  return side === 'below'
    ? min !== undefined && min > plausible.min
    : max !== undefined && max < plausible.max
}

function sheetFaults(
  route: Pick<Route, 'steps'>,
  step: RouteStep,
  index: number,
  sheet: StepSheet,
): readonly Fault[] {
  if (!isSeenSheet(sheet)) return []
  return [
    {
      kind: `${sheet.kind}: ${sheet.id}`,
      shows: { stepId: step.id, kind: 'sheet', checkId: sheet.id },
      outcome: sheet.failing,
      ...birth(route, step, index, sheet.failing),
      by: 'eye',
      named: `A fault of "${sheet.name.toLowerCase()}"`,
    },
  ]
}

/** Where it came to be. What the door asks about was there before it. */
function birth(
  route: Pick<Route, 'steps'>,
  step: RouteStep,
  index: number,
  outcome: FailingOutcome,
): Pick<Fault, 'bornIn' | 'arrives'> {
  const worked = route.steps.findIndex(({ stage }) => stage !== 'receive')
  const atDoor = outcome.verdict === 'askDentist' && (worked < 0 || index < worked)
  if (atDoor) return { bornIn: route.steps[0]!.id, arrives: true }
  const back = 'toStepId' in outcome ? outcome.toStepId : step.id
  const from = route.steps.findIndex(({ id }) => id === back)
  // A new impression is asked for, but it was the mix that failed.
  const mixed = 'awaits' in outcome && outcome.awaits !== undefined && lastMixBetween(route, from, index)
  return { bornIn: mixed || (from >= 0 && from <= index ? back : step.id), arrives: false }
}

const lastMixBetween = (route: Pick<Route, 'steps'>, from: number, to: number): string | undefined =>
  route.steps
    .slice(Math.max(from, 0), to)
    .findLast(({ amounts = [] }) => amounts.some(({ kind }) => kind === 'mix'))?.id
