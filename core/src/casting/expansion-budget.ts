import { qty, saying } from '../quantity/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'
import { figure, list, type Of, record } from '../shape/index.ts'
/** Linear contraction of wax for each °C it cools. Source: Phillips, recalled. */
export const WAX_CONTRACTION_PER_CELSIUS = 0.00035

/** A row of an investment's own table: share of special liquid, %, and what it gives. Linear fractions. */
const expansionRowShape = record({
  specialLiquidPercent: figure(-1000, 1000, { example: 50 }),
  settingFraction: figure(-1, 1, { example: 0.0058, description: 'Linear fraction: 0.58 % is 0.0058' }),
  /** At the peak of the burnout. */
  thermalFraction: figure(-1, 1, { example: 0.011 }),
})
export type ExpansionRow = Of<typeof expansionRowShape>

/** What an expansion budget is made of. Linear fractions: 1.42 % is 0.0142. */
export const expansionBudgetShape = record({
  /** Casting shrinkage of the alloy, of the size of the mould. */
  shrinkageFraction: figure(-1, 1, { example: 0.0142 }),
  /** Of the wax from carving to investing; 0.000350 see WAX_CONTRACTION_PER_CELSIUS. */
  waxContractionFraction: figure(-1, 1, { example: 0 }),
  hygroscopicFraction: figure(-1, 1, { example: 0 }),
  /** Share of setting and hygroscopic expansion that ring and liner let through, 0 to 1. */
  restraint: figure(-10, 10, { example: 1 }),
  /** Of the thermal expansion left when the metal comes in: 1 at the peak. */
  thermalShare: figure(-10, 10, { example: 1 }),
  table: list(expansionRowShape, 40),
})
export type ExpansionBudget = Of<typeof expansionBudgetShape>

/** A crown on its die. */
export const dieShape = record({
  dieMillimetres: figure(-1000, 1000, { example: 8 }),
  spacerMillimetres: figure(-10, 10, { example: 0.03 }),
})
export type DieAndSpacer = Of<typeof dieShape>

export interface Fit {
  /** δ: the inside of the casting against wax on the spaced die. */
  readonly oversizeFraction: number
  /** Between die and casting, all round, mm; below 0 it will not seat. */
  readonly gapMillimetres: number
  readonly verdict: 'willNotSeat' | 'tight' | 'asSpaced' | 'loose'
}

/** Within this of the spacer a fit is as spaced, mm (choice). */
const AS_SPACED_MILLIMETRES = 0.002

/**
 * Expansions at a concentration, linear between the rows of the product's table and never beyond them.
 * @throws {DomainError} `table`, `outside-table`
 */
export function expansionAt(
  table: readonly ExpansionRow[],
  specialLiquidPercent: number,
): { readonly settingFraction: number; readonly thermalFraction: number } {
  checkTable(table)
  const last = table.at(-1)!
  if (
    !(
      specialLiquidPercent >= table[0]!.specialLiquidPercent &&
      specialLiquidPercent <= last.specialLiquidPercent
    )
  )
    throw new DomainError(
      'outside-table',
      saying`${qty.percent(specialLiquidPercent)} special liquid is outside the table of the product.`,
      saying`Choose from ${table[0]!.specialLiquidPercent} to ${qty.percent(last.specialLiquidPercent)}.`,
      'specialLiquidPercent',
    )
  const after = Math.max(
    1,
    table.findIndex((row) => row.specialLiquidPercent >= specialLiquidPercent),
  )
  if (table.length === 1) return last
  const [a, b] = [table[after - 1]!, table[after]!]
  const share =
    (specialLiquidPercent - a.specialLiquidPercent) / (b.specialLiquidPercent - a.specialLiquidPercent)
  return {
    settingFraction: a.settingFraction + share * (b.settingFraction - a.settingFraction),
    thermalFraction: a.thermalFraction + share * (b.thermalFraction - a.thermalFraction),
  }
}

function checkTable(table: readonly ExpansionRow[]): void {
  const rises = table.every(
    (row, index) => index === 0 || row.specialLiquidPercent > table[index - 1]!.specialLiquidPercent,
  )
  if (table.length === 0 || !rises || table.some((row) => !Object.values(row).every(Number.isFinite)))
    throw new DomainError(
      'table',
      'The expansion table does not rise in special liquid.',
      "Copy the rows from the maker's sheet in order.",
      'table',
    )
}

/**
 * How a casting fits: the expansions multiplied, not added.
 *
 *     1 + δ = (1 - w)(1 + q e_s)(1 + q e_h)(1 + e_t)(1 - s),  gap g = t + δ (D/2 + t)
 *
 * @throws {DomainError} `fraction`, `not-a-positive-number`, `outside-table`, `table`
 * @example D 8, t 0.030, s 0.0142, phosphate at 50 %: δ 0.0024243, g 0.039770
 * Source: free linear change, alike in all directions (assumption); a real crown is held by its core and by the ring.
 */
export function fitAt(budget: ExpansionBudget, die: DieAndSpacer, specialLiquidPercent: number): Fit {
  checkBudget(budget, die)
  const { settingFraction, thermalFraction } = expansionAt(budget.table, specialLiquidPercent)
  const oversizeFraction =
    grown(budget, settingFraction, thermalFraction) * (1 - budget.shrinkageFraction) - 1
  return fitOf(die, oversizeFraction)
}

/** (1 - w)(1 + q e_s)(1 + q e_h)(1 + e_t): the mould against the pattern as it was carved. */
function grown(
  { waxContractionFraction, hygroscopicFraction, restraint, thermalShare }: ExpansionBudget,
  settingFraction: number,
  thermalFraction: number,
): number {
  return (
    (1 - waxContractionFraction) *
    (1 + restraint * settingFraction) *
    (1 + restraint * hygroscopicFraction) *
    (1 + thermalShare * thermalFraction)
  )
}

function fitOf({ dieMillimetres, spacerMillimetres }: DieAndSpacer, oversizeFraction: number): Fit {
  const gapMillimetres = spacerMillimetres + oversizeFraction * (dieMillimetres / 2 + spacerMillimetres)
  const off = gapMillimetres - spacerMillimetres
  return {
    oversizeFraction,
    gapMillimetres,
    verdict:
      gapMillimetres < 0
        ? 'willNotSeat'
        : Math.abs(off) <= AS_SPACED_MILLIMETRES
          ? 'asSpaced'
          : off < 0
            ? 'tight'
            : 'loose',
  }
}

/** What the lab can measure off, % (choice). */
const LIQUID_STEP_PERCENT = 1

export type ConcentrationAnswer =
  | {
      readonly reachable: true
      readonly specialLiquidPercent: number
      /** What can be measured, and how it fits then. */
      readonly roundedPercent: number
      readonly rounded: Fit
      /** Gap per 1 % more special liquid, mm. */
      readonly gapPerPercentMillimetres: number
      /** More than one concentration gives it; this is the lowest. */
      readonly several: boolean
    }
  | {
      readonly reachable: false
      readonly side: 'tooSmall' | 'tooLarge'
      readonly bestPercent: number
      readonly best: Fit
      /** Needed less available, of the mould; above 0 it stays too small. */
      readonly shortFraction: number
    }

const BISECTIONS = 80

/**
 * The special-liquid concentration that gives a gap, within the product's own table.
 *
 * The gap follows from a product of two straight lines in each row of the table, so it is solved row by row.
 * @throws {DomainError} as `fitAt`
 * @example s 0.0142, D 8, t 0.030, gap 0.030: 28.239 %
 */
export function concentrationFor(
  budget: ExpansionBudget,
  die: DieAndSpacer,
  gapMillimetres: number,
): ConcentrationAnswer {
  checkBudget(budget, die)
  checkTable(budget.table)
  const gap = (percent: number) => fitAt(budget, die, percent).gapMillimetres - gapMillimetres
  const percents = budget.table.map((row) => row.specialLiquidPercent)
  const roots = percents.slice(1).flatMap((high, index) => rootsBetween(gap, percents[index]!, high))
  const found = [...new Set(roots.map((root) => Number(root.toFixed(9))))]
  if (percents.length === 1 && gap(percents[0]!) === 0) found.push(percents[0]!)
  const lowest = found[0]
  if (lowest !== undefined) {
    const [first, last] = [percents[0]!, percents.at(-1)!]
    const roundedPercent = Math.min(
      last,
      Math.max(first, Math.round(lowest / LIQUID_STEP_PERCENT) * LIQUID_STEP_PERCENT),
    )
    const step = lowest + 1 <= last ? 1 : -1
    return {
      reachable: true,
      specialLiquidPercent: lowest,
      roundedPercent,
      rounded: fitAt(budget, die, roundedPercent),
      gapPerPercentMillimetres: (gap(lowest + step) - gap(lowest)) / step,
      several: found.length > 1,
    }
  }
  const bestPercent = percents.reduce((a, b) => (Math.abs(gap(b)) < Math.abs(gap(a)) ? b : a))
  const best = fitAt(budget, die, bestPercent)
  const wantedOversize =
    (gapMillimetres - die.spacerMillimetres) / (die.dieMillimetres / 2 + die.spacerMillimetres)
  const keep = 1 - budget.shrinkageFraction
  return {
    reachable: false,
    side: gap(bestPercent) < 0 ? 'tooSmall' : 'tooLarge',
    bestPercent,
    best,
    shortFraction: (wantedOversize - best.oversizeFraction) / keep,
  }
}

/** Roots inside a row: at its ends, or by bisection; the gap is a parabola there, so its turning point is tried too. */
function rootsBetween(gap: (percent: number) => number, low: number, high: number): number[] {
  const [a, m, b] = [gap(low), gap((low + high) / 2), gap(high)]
  const curvature = a - 2 * m + b
  const turn = curvature === 0 ? Number.NaN : low + ((high - low) * (3 * a - 4 * m + b)) / (4 * curvature)
  const stops = turn > low && turn < high ? [low, turn, high] : [low, high]
  return stops.slice(1).flatMap((end, index) => {
    let [from, to] = [stops[index]!, end]
    const start = gap(from)
    if (start === 0) return [from]
    if (gap(to) === 0) return [to]
    if (start > 0 === gap(to) > 0) return []
    for (let n = 0; n < BISECTIONS; n++) {
      const middle = (from + to) / 2
      if (gap(middle) > 0 === start > 0) from = middle
      else to = middle
    }
    return [(from + to) / 2]
  })
}

/**
 * Expansion that the mould must have for a size-true casting: s / (1 - s), not s.
 * @throws {DomainError} `fraction`
 * @example neededExpansion(0.0142) // 0.014405
 */
export function neededExpansion(shrinkageFraction: number): number {
  if (!(shrinkageFraction >= 0 && shrinkageFraction < 1))
    throw badFraction('shrinkageFraction', shrinkageFraction)
  return shrinkageFraction / (1 - shrinkageFraction)
}

/** Expansion that the mould has at a concentration. @throws {DomainError} as `fitAt` */
export function availableExpansion(budget: ExpansionBudget, specialLiquidPercent: number): number {
  const { settingFraction, thermalFraction } = expansionAt(budget.table, specialLiquidPercent)
  return grown(budget, settingFraction, thermalFraction) - 1
}

function checkBudget(budget: ExpansionBudget, { dieMillimetres, spacerMillimetres }: DieAndSpacer): void {
  neededExpansion(budget.shrinkageFraction)
  for (const field of ['waxContractionFraction', 'hygroscopicFraction'] as const)
    if (!(budget[field] >= 0 && budget[field] < 0.1)) throw badFraction(field, budget[field])
  for (const field of ['restraint', 'thermalShare'] as const)
    if (!(budget[field] >= 0 && budget[field] <= 1)) throw badFraction(field, budget[field])
  requirePositive(dieMillimetres, 'dieMillimetres', 'The die diameter')
  requirePositive(spacerMillimetres, 'spacerMillimetres', 'The spacer', { orZero: true })
}

function badFraction(field: string, value: number): DomainError {
  return new DomainError(
    'fraction',
    `${value} cannot be right here.`,
    'Enter a fraction from 0 to below 1: 1.42 % is 0.0142.',
    field,
  )
}
