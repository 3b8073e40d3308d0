import { type Binder, materials } from '../materials/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'
import { figure, id, list, type Of, record, text } from '../shape/index.ts'
/** A pattern, or its sprues: what is burnt out and filled with metal. */
export const patternPartShape = record({
  /** g. */
  grams: figure(0, 10_000, { example: 0.4 }),
  /** Of the wax or the resin. */
  gramsPerCm3: figure(0, 100, { example: 0.95 }),
})
type PatternPart = Of<typeof patternPartShape>

/** Left over as the button, g (choice). */
export const USUAL_BUTTON_GRAMS = 6

/**
 * Alloy to melt: m = Σ (m_i / ρ_i) ρ_alloy + m_button. The mould is taken to have exactly the volume of the patterns.
 *
 * @param parts patterns and, when they were weighed apart, their sprues
 * @returns g, unrounded
 * @throws {DomainError} `no-wax`, `not-a-positive-number`
 * @example alloyGrams([{ grams: 0.4, gramsPerCm3: 0.95 }], 15.5, 0) // 6.526
 * Source: equal volumes (exact).
 */
export function alloyGrams(
  parts: readonly PatternPart[],
  alloyGramsPerCm3: number,
  buttonGrams = USUAL_BUTTON_GRAMS,
): number {
  requirePositive(alloyGramsPerCm3, 'alloyGramsPerCm3', 'The density of the alloy')
  requirePositive(buttonGrams, 'buttonGrams', 'The button', { orZero: true })
  return patternCm3(parts) * alloyGramsPerCm3 + buttonGrams
}

/** Volume of patterns, cm3. @throws {DomainError} `no-wax`, `not-a-positive-number` */
export function patternCm3(parts: readonly PatternPart[]): number {
  if (parts.length === 0)
    throw new DomainError('no-wax', 'No pattern was weighed.', 'Weigh the pattern with its sprues.', 'grams')
  return parts.reduce(
    (sum, { grams, gramsPerCm3 }) =>
      sum +
      requirePositive(grams, 'grams', 'The pattern weight') /
        requirePositive(gramsPerCm3, 'gramsPerCm3', 'The density of the wax'),
    0,
  )
}

/** A casting ring and what fills it. */
interface RingFill {
  /** Inside. */
  readonly radiusMillimetres: number
  readonly heightMillimetres: number
  /** Taken up by the crucible former and by the patterns. */
  readonly formerCm3: number
  readonly patternCm3: number
  readonly powderGramsPerCm3: number
  readonly millilitresPerGram: number
}

/**
 * Powder that fills a ring: (π R² H - former - patterns) / (1/ρ_powder + ratio). Without waste.
 * @returns g, unrounded
 * @throws {DomainError} `not-a-positive-number`, `ring-too-small`
 * @example 301.21 g for R 32.5, H 55, less 8.6 cm3, 2.65 g/cm3, 0.20 mL/g
 * Source: volumes (exact).
 */
export function ringPowderGrams(ring: RingFill): number {
  const radius = requirePositive(ring.radiusMillimetres, 'radiusMillimetres', 'The radius of the ring')
  const height = requirePositive(ring.heightMillimetres, 'heightMillimetres', 'The height of the ring')
  requirePositive(ring.powderGramsPerCm3, 'powderGramsPerCm3', 'The density of the powder')
  requirePositive(ring.millilitresPerGram, 'millilitresPerGram', 'The ratio')
  const room = (Math.PI * radius * radius * height) / 1000 - ring.formerCm3 - ring.patternCm3
  if (!(room > 0))
    throw new DomainError(
      'ring-too-small',
      'Former and patterns fill the whole ring.',
      'Take a larger ring.',
      'radiusMillimetres',
    )
  return room / (1 / ring.powderGramsPerCm3 + ring.millilitresPerGram)
}

/** How wide a crucible former stands at its foot, of the radius of the ring (assumption: measure your own). */
const FORMER_FOOT_OF_RING = 0.7

/**
 * Powder and liquid for a ring by the class of its investment; the former taken as a cone, the patterns not counted.
 * @returns g and mL, to the whole; undefined where the class has no ratio or no density
 * @throws {DomainError} `not-a-positive-number`, `ring-too-small`
 * Source: volumes (exact), but for the shape of the former.
 */
export function ringMix(ring: {
  readonly binder: Binder
  readonly ringRadiusMillimetres: number
  readonly ringHeightMillimetres: number
  readonly formerMillimetres: number
}): { readonly grams: number; readonly millilitres: number } | undefined {
  const card = materials.get(`${ring.binder}-investment`)
  if (card?.measure?.by !== 'mass' || !card.density) return undefined
  const { usualMillilitresPerGram } = card.measure
  const foot = FORMER_FOOT_OF_RING * ring.ringRadiusMillimetres
  const grams = ringPowderGrams({
    radiusMillimetres: ring.ringRadiusMillimetres,
    heightMillimetres: ring.ringHeightMillimetres,
    formerCm3: (Math.PI * foot ** 2 * ring.formerMillimetres) / 3000,
    patternCm3: 0,
    powderGramsPerCm3: card.density.gramsPerCm3,
    millilitresPerGram: usualMillilitresPerGram,
  })
  return { grams: Math.round(grams), millilitres: Math.round(grams * usualMillilitresPerGram) }
}

/** A whole that was added up from its parts: the last digit may stand over it. */
const MOST_SHARE = 1 + 1e-6

/** A lot, and its share of a piece, 0 to 1. */
const lotShareShape = record({ lotId: id(), share: figure(0, MOST_SHARE, { example: 1 }) })
export type LotShare = Of<typeof lotShareShape>

/** How often the metal of a charge has been melted: f[k] is the share that was melted k times before. */
const meltHistoryShape = record({ shares: list(figure(0, MOST_SHARE), 40, 0, { example: [1] }) })
export type MeltHistory = Of<typeof meltHistoryShape>

/** A piece of alloy on the shelf, weighed by itself. */
export const alloyPieceShape = record({
  id: text(160, { description: 'As on /api/alloy-pieces, or any other for a piece that is not kept there' }),
  grams: figure(0, 10_000, { example: 6.02 }),
  /** None: no lot was noted. */
  lots: list(lotShareShape, 30),
  history: meltHistoryShape,
})
export type AlloyPiece = Of<typeof alloyPieceShape>

interface PieceChoice {
  readonly pieces: readonly AlloyPiece[]
  readonly grams: number
}

/** Pieces beyond this are looked at one case at a time, not counted out (choice). */
const MOST_PIECES = 60
const CENTIGRAMS = 100

/**
 * Pieces that make up a weight with the least left over, then the fewest pieces, then the fewest lots.
 *
 * Whole centigrams, the need rounded up; a table over the sums that can be made (0/1 knapsack).
 * @returns the choice, or how much is missing
 * @throws {DomainError} `not-a-positive-number`, `too-many-pieces`
 * @example 18.53 g from 6.02, 5.97, 6.05, 3.10, 2.48, 1.22, 12.10: 6.02 + 5.97 + 3.10 + 2.48 + 1.22 = 18.79
 */
export function choosePieces(
  needGrams: number,
  stock: readonly AlloyPiece[],
): { readonly choice?: PieceChoice; readonly shortGrams?: number } {
  requirePositive(needGrams, 'needGrams', 'The weight needed')
  if (stock.length > MOST_PIECES)
    throw new DomainError(
      'too-many-pieces',
      `${stock.length} pieces are too many to choose from.`,
      `Offer at most ${MOST_PIECES}, of one alloy.`,
      'stock',
    )
  const centi = stock.map(({ grams }) => Math.round(requirePositive(grams, 'grams', 'A piece') * CENTIGRAMS))
  const need = Math.ceil(needGrams * CENTIGRAMS - 1e-9)
  const all = centi.reduce((sum, each) => sum + each, 0)
  if (all < need) return { shortGrams: needGrams - all / CENTIGRAMS }
  // For every sum the best set that makes it: fewest pieces, then fewest lots. Sums beyond the need plus the largest
  // piece cannot be the smallest that is enough.
  const top = Math.min(all, need + Math.max(...centi))
  const best: (readonly number[] | undefined)[] = new Array(top + 1)
  best[0] = []
  for (const [index, weight] of centi.entries())
    for (let sum = top; sum >= weight; sum--) {
      const before = best[sum - weight]
      if (!before) continue
      const candidate = [...before, index]
      if (isBetter(candidate, best[sum], stock)) best[sum] = candidate
    }
  // All pieces together are enough, so there is a sum.
  let sum = need
  while (!best[sum]) sum++
  return { choice: { pieces: best[sum]!.map((index) => stock[index]!), grams: sum / CENTIGRAMS } }
}

function isBetter(
  a: readonly number[],
  b: readonly number[] | undefined,
  stock: readonly AlloyPiece[],
): boolean {
  if (!b || a.length !== b.length) return !b || a.length < b.length
  const lots = (set: readonly number[]) =>
    new Set(set.flatMap((index) => stock[index]!.lots.map(({ lotId }) => lotId))).size
  return lots(a) < lots(b)
}

export const newMetal: MeltHistory = { shares: [1] }

/**
 * The next charge: a share x from the returns of the charge before, the rest new.
 *
 *     f_0' = 1 - x,  f_(k+1)' = x f_k
 *
 * @param share from 0 to 1; 0 for frameworks, by rule of the job
 * @throws {DomainError} `remelt-share`
 * Source: mixing (exact); returns taken as well mixed.
 */
export function nextCharge({ shares }: MeltHistory, share: number): MeltHistory {
  if (!(share >= 0 && share <= 1))
    throw new DomainError(
      'remelt-share',
      `A share of ${share} cannot be.`,
      'Enter 0 (all new) to 1 (all returned).',
      'share',
    )
  return { shares: [1 - share, ...shares.map((each) => share * each)] }
}

/** Mean number of melts before this one. */
export function meanMelts({ shares }: MeltHistory): number {
  return shares.reduce((sum, each, melts) => sum + each * melts, 0)
}

/**
 * The most that may come from returns: what the last charge left over against the next charge.
 * @throws {DomainError} `not-a-positive-number`
 */
export function mostRemelt(returnsGrams: number, nextChargeGrams: number): number {
  requirePositive(returnsGrams, 'returnsGrams', 'What was left over', { orZero: true })
  return Math.min(1, returnsGrams / requirePositive(nextChargeGrams, 'nextChargeGrams', 'The next charge'))
}

/**
 * Content of an element that burns off by a share λ at each melt, against new metal: a' = (1 - x) + x (1 - λ) a.
 * @param before of the charge before; 1 when it was new
 * @throws {DomainError} `remelt-share`
 */
export function traceElement(before: number, share: number, lossPerMelt: number): number {
  for (const value of [share, lossPerMelt])
    if (!(value >= 0 && value <= 1))
      throw new DomainError('remelt-share', `A share of ${value} cannot be.`, 'Enter 0 to 1.', 'share')
  return 1 - share + share * (1 - lossPerMelt) * before
}
