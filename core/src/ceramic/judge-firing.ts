import { type CeramicClass, ceramicClasses, ceramicFigures } from '../materials/index.ts'
import {
  checkMeasured,
  insideCelsius,
  measuredRunShape,
  programMinutes,
  programStretches,
} from '../program/index.ts'
import { joined, qty, type Saying, saying } from '../quantity/index.ts'
import { requireWithin } from '../refusal/index.ts'
import { choice, figure, maybe, type Of, partsOf, record, whole, yesNo } from '../shape/index.ts'
import {
  burstsWet,
  countsAsFiring,
  type Firing,
  firings,
  mustFire,
  SINTER_OPENS_CELSIUS,
} from './firing-program.ts'

/** A firing as it was: what lay in the furnace, and what was read off it. */
export const firingRunShape = record({
  ...partsOf(measuredRunShape),
  ceramic: choice(ceramicClasses),
  firing: choice(firings),
  /** As hot as it was to get inside. */
  peakCelsius: figure(-50, 2000, { example: 770 }),
  wallMillimetres: figure(0, 100, { example: 1.5 }),
  units: whole(1, 60, { example: 1 }),
  /** It went in dry. */
  dried: yesNo({ example: true }),
  /** Which firing of this piece it was; drying and sintering do not count. */
  firingNumber: whole(0, 50, { example: 1 }),
  /** Inside when the door was opened. */
  openedCelsius: maybe(figure(-50, 2000, { example: 180 })),
})
export type FiringRun = Of<typeof firingRunShape>

/** Good; look at it before going on; fire again; it is lost. */
export type FiringVerdict = 'good' | 'look' | 'again' | 'remake'
const order: readonly FiringVerdict[] = ['good', 'look', 'again', 'remake']

interface Finding {
  readonly verdict: FiringVerdict
  /** What was found, without a full stop. */
  readonly found: Saying
  readonly next: Saying
}
export interface FiringJudgement {
  readonly verdict: FiringVerdict
  readonly found: readonly Saying[]
  readonly say: Saying
  /** Hottest inside, and minutes within the tolerance of the peak. */
  readonly hottestCelsius: number
  readonly heldMinutes: number
}

/** So near the peak it counts as held, K (our choice). */
const NEAR_PEAK: Readonly<Record<Firing, number>> = {
  dry: 15,
  sinter: 15,
  crystallise: 10,
  stain: 10,
  glaze: 10,
}
/** Less or more of the hold than this is not as wanted (our choice). */
const LEAST_OF_HOLD = 0.8
const MOST_OF_HOLD = 1.5
/** Beyond the hold it may take so long to leave the peak, min (our choice). */
const LEAVES_MINUTES = 3
/** A fall of this much before the hold is over is no control of the furnace, K (our choice). */
const FALL_CELSIUS = 30
/** A vacuum that is none any more, kPa; pumped down within two minutes (our choice). */
const VACUUM_KILOPASCALS = 10
const PUMPED_MINUTES = 2
const STEP_MINUTES = 0.25

/** Refuses what cannot have been. @throws {DomainError} `hybrid-never-fired`, `no-reading`, `readings-not-in-order`, `reading-not-plausible` */
export function checkFiringRun(run: FiringRun): void {
  mustFire(run.ceramic)
  checkMeasured(run)
  requireWithin(run.peakCelsius, {
    least: 40,
    most: 1700,
    what: 'Peak',
    field: 'peakCelsius',
    kind: 'celsius',
  })
  requireWithin(run.wallMillimetres, {
    least: 0.1,
    most: 40,
    what: 'Thickest wall',
    field: 'wallMillimetres',
    kind: 'millimetres',
  })
}

/**
 * What a firing did to its work, by the curve that was measured: hot enough and long enough, not too hot, without a break, under
 * its vacuum, opened cold enough, not once too often, not wet on a fast ramp.
 * @throws {DomainError} as `checkFiringRun`
 * Source: common practice; the tolerances are our choice.
 */
export function judgeFiring(run: FiringRun): FiringJudgement {
  checkFiringRun(run)
  const { measured, program, from, firing } = run
  const inside = insideCelsius(run)
  const wantedMinutes = run.endMinutes ?? programMinutes(program)
  const lastMinutes =
    from === 'hand' ? Math.max(measured.at(-1)!.minutes, wantedMinutes) : measured.at(-1)!.minutes
  const near = run.peakCelsius - NEAR_PEAK[firing]
  const hold = holdOf(run)
  let [hottest, held, fall, fellAt] = [Number.NEGATIVE_INFINITY, 0, 0, 0]
  for (let at = 0; at <= lastMinutes; at += STEP_MINUTES) {
    const celsius = inside(at)
    if (celsius >= near) held += STEP_MINUTES
    if (celsius > hottest) hottest = celsius
    // On its way up or in its hold: a fall there was not set.
    if (held < LEAST_OF_HOLD * hold && hottest - celsius > fall) [fall, fellAt] = [hottest - celsius, at]
  }
  const reached = held >= LEAST_OF_HOLD * hold && held > 0
  // Never there again: a fall that was the end of it is an under-firing, and said as one.
  const broken = fall > FALL_CELSIUS && reached
  const findings = [
    ...wetness(run),
    ...heat(run, { hottest, held, hold, reached, over: lastMinutes >= wantedMinutes - 1 }),
    ...(broken ? [brokenOff(firing, fall, fellAt)] : []),
    ...vacuum(run),
    ...opened(run),
    ...often(run),
  ]
  const verdict = findings.reduce<FiringVerdict>(
    (worst, each) => (order.indexOf(each.verdict) > order.indexOf(worst) ? each.verdict : worst),
    'good',
  )
  const said = findings.filter((each) => each.verdict === verdict).map(({ next }) => next)
  return {
    verdict,
    found: findings.map(({ found }) => found),
    say:
      verdict === 'good'
        ? goOn[firing]
        : joined([...new Map(said.map((each) => [JSON.stringify(each), each])).values()], ' '),
    hottestCelsius: hottest,
    heldMinutes: held,
  }
}

const goOn: Readonly<Record<Firing, Saying>> = {
  dry: 'Dry: straight into the furnace, before it takes up water again.',
  sinter: 'Weigh it for its density, and look for cracks against the light.',
  crystallise: 'Let it cool, then look at its colour.',
  stain: 'Let it cool, then read its colour.',
  glaze: 'Let it cool, then read its colour.',
}

const holdOf = ({ program }: FiringRun): number => {
  const peak = Math.max(...program.segments.map(({ toCelsius }) => toCelsius))
  return program.segments.reduce((sum, each) => sum + (each.toCelsius === peak ? each.holdMinutes : 0), 0)
}

function wetness({ program, dried }: FiringRun): Finding[] {
  return burstsWet(program, dried)
    ? [
        {
          verdict: 'remake',
          found: 'it went in wet on a fast ramp',
          next: 'Look at it against the light: what burst or cracked is milled again.',
        },
      ]
    : []
}

function heat(
  { firing, peakCelsius, ceramic }: FiringRun,
  {
    hottest,
    held,
    hold,
    reached,
    over,
  }: { hottest: number; held: number; hold: number; reached: boolean; over: boolean },
): Finding[] {
  const tolerance = NEAR_PEAK[firing]
  if (!over && !reached)
    return [
      {
        verdict: firing === 'sinter' ? 'look' : 'again',
        found: saying`it was taken out before its program had run through, ${qty.celsius(hottest, 0)} at most`,
        next: underFired(firing),
      },
    ]
  const found: Finding[] = []
  if (hottest < peakCelsius - tolerance)
    found.push({
      verdict: firing === 'sinter' ? 'look' : 'again',
      found: saying`${qty.celsius(hottest, 0)} at most, ${qty.celsius(peakCelsius, 0)} were wanted: under-fired`,
      next: underFired(firing),
    })
  else if (!reached)
    found.push({
      verdict: firing === 'sinter' ? 'look' : 'again',
      found: saying`${qty.minutes(held, 1)} near its peak, ${qty.minutes(hold, 1)} were wanted: under-fired`,
      next: underFired(firing),
    })
  if (hottest > peakCelsius + tolerance)
    found.push({
      verdict: 'look',
      found: saying`${qty.celsius(hottest, 0)}, ${qty.celsiusApart(hottest - peakCelsius, 0)} above its peak: over-fired`,
      next: overFired(firing, ceramic),
    })
  else if (held > MOST_OF_HOLD * hold + LEAVES_MINUTES)
    found.push({
      verdict: 'look',
      found: saying`${qty.minutes(held, 0)} near its peak, ${qty.minutes(hold, 0)} were wanted: over-fired`,
      next: overFired(firing, ceramic),
    })
  return found
}

function underFired(firing: Firing): Saying {
  if (firing === 'sinter')
    return 'Weigh it for its density: below 99 % it is milled again, never sintered again.'
  return firing === 'dry' ? 'Dry it on.' : 'Fire it once more; it counts as a firing.'
}
function overFired(firing: Firing, ceramic: CeramicClass): Saying {
  if (firing === 'dry') return 'Look for cracks against the light.'
  if (ceramicFigures[ceramic].zirconia && firing === 'sinter')
    return 'Its grain has grown: it is weaker and looks grey. Ask who answers for it whether it leaves.'
  return 'Look at its edges and read its colour: edges round off, stains pale.'
}
function brokenOff(firing: Firing, fall: number, at: number): Finding {
  return {
    verdict: 'look',
    found: saying`after ${qty.minutes(at, 0)} it had fallen by ${qty.celsiusApart(fall, 0)}, then went on`,
    next:
      firing === 'sinter'
        ? 'Look for cracks against the light, and weigh it for its density: below 99 % it is milled again.'
        : 'Look for cracks against the light, and read its colour.',
  }
}

function vacuum({ program, measured }: FiringRun): Finding[] {
  const pumped = programStretches(program).filter((each) => each.vacuum)
  const within = measured.filter(({ minutes, kilopascals }) =>
    pumped.some(
      ({ startMinutes, rampMinutes, holdMinutes }) =>
        kilopascals !== undefined &&
        minutes >= startMinutes + PUMPED_MINUTES &&
        minutes <= startMinutes + rampMinutes + holdMinutes,
    ),
  )
  const worst = Math.max(0, ...within.map(({ kilopascals = 0 }) => kilopascals))
  return worst > VACUUM_KILOPASCALS
    ? [
        {
          verdict: 'look',
          found: saying`its vacuum leaked: ${qty.kilopascals(worst, 0)} left in it`,
          next: 'Look for bubbles and a milky glaze; wipe the seal of the furnace before its next firing.',
        },
      ]
    : []
}

function opened({ firing, openedCelsius: opened, ceramic, wallMillimetres }: FiringRun): Finding[] {
  if (opened === undefined) return []
  const slow = ceramicFigures[ceramic].glassTransitionCelsius
  const most =
    firing === 'sinter'
      ? SINTER_OPENS_CELSIUS
      : wallMillimetres > 2 || firing === 'crystallise'
        ? slow
        : undefined
  return most !== undefined && opened > most + 5
    ? [
        {
          verdict: 'look',
          found: saying`it was opened at ${qty.celsius(opened, 0)}, above ${qty.celsius(most, 0)}`,
          next: 'Let it get cold by itself, then look for cracks against the light.',
        },
      ]
    : []
}

function often({ firing, firingNumber, ceramic }: FiringRun): Finding[] {
  const { mostFirings } = ceramicFigures[ceramic]
  return countsAsFiring(firing) && firingNumber > mostFirings
    ? [
        {
          verdict: 'look',
          found: `it was its firing ${firingNumber}, ${mostFirings} are the most`,
          next: 'Look at its edges and its colour, and ask who answers for it whether it leaves.',
        },
      ]
    : []
}
