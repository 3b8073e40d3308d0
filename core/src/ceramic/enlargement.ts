import { qty, type Saying, saying } from '../quantity/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'
import { figure, maybe, type Of, record, three } from '../shape/index.ts'

/** What the label of a zirconia blank says of its own lot. */
export const enlargementShape = record({
  factor: figure(0, 10, { example: 1.2345 }),
  /** Along x, y and z of the blank, where the label has them. */
  axes: maybe(three(figure(0, 10, { example: 1.2345 }))),
  greenGramsPerCm3: maybe(figure(0, 100, { example: 3.1 })),
  sinteredGramsPerCm3: maybe(figure(0, 100, { example: 6.05 })),
})
export type Enlargement = Of<typeof enlargementShape>

/** Factors of blanks lie within; outside a slip was typed. Source: about 1.20 to 1.30, recalled; the ends are our choice. */
const LEAST_FACTOR = 1.1
const MOST_FACTOR = 1.4
/** Axes and densities of one label agree within. Source: our choice. */
const AGREES_FRACTION = 0.01
/** Further from what it should be a size is said to be off. Source: common practice. */
export const SIZE_TOLERANCE_PERCENT = 0.3

/**
 * Factor by which a green piece is milled larger, (ρs/ρg)^(1/3): exact.
 * @param green before sintering, g/cm3 @param sintered above it
 * @throws {DomainError} `not-a-positive-number`, `density-not-rising`
 */
export function factorOfDensities(green: number, sintered: number): number {
  requirePositive(green, 'greenGramsPerCm3', 'The green density')
  requirePositive(sintered, 'sinteredGramsPerCm3', 'The sintered density')
  if (green >= sintered)
    throw new DomainError(
      'density-not-rising',
      'A blank is lighter before sintering than after it.',
      'Enter the green density and the sintered one the right way round.',
      'greenGramsPerCm3',
    )
  return Math.cbrt(sintered / green)
}

/** Linear shrinkage that belongs to a factor, 1 - 1/f, as a fraction. */
export const shrinkageOf = (factor: number): number => 1 - 1 / factor

/** Refuses what no label says. @throws {DomainError} `enlargement-not-plausible`, `density-not-rising`, `not-a-positive-number` */
export function checkEnlargement({
  factor,
  axes = [factor, factor, factor],
  greenGramsPerCm3: green,
  sinteredGramsPerCm3: sintered,
}: Enlargement): void {
  for (const each of [factor, ...axes])
    if (!(each >= LEAST_FACTOR && each <= MOST_FACTOR))
      throw new DomainError(
        'enlargement-not-plausible',
        `A factor of ${each} cannot be right.`,
        `Read it off the label of the blank: from ${LEAST_FACTOR} to ${MOST_FACTOR}, usually 1.20 to 1.30.`,
        'enlargement',
      )
  if (green !== undefined && sintered !== undefined) factorOfDensities(green, sintered)
}

/** What on a label does not go together; the factor of the label is used all the same. */
export function enlargementWarnings({
  factor,
  axes,
  greenGramsPerCm3: green,
  sinteredGramsPerCm3: sintered,
}: Enlargement): readonly Saying[] {
  const volume = axes ? axes[0] * axes[1] * axes[2] : factor ** 3
  const apart = (other: number) => Math.abs(volume / other - 1) > AGREES_FRACTION
  return [
    ...(green !== undefined && sintered !== undefined && green < sintered && apart(sintered / green)
      ? ['The factor and the densities of the label do not agree within 1 %: look at the label again.']
      : []),
    ...(axes && Math.abs(Math.cbrt(volume) / factor - 1) > AGREES_FRACTION / 3
      ? ['The three factors of the axes do not come to the one factor: look at the label again.']
      : []),
  ]
}

/** What a size wants before sintering, mm. */
export const greenSize = (finalMillimetres: number, factor: number): number => finalMillimetres * factor

/**
 * How far a size ends off when another factor was used: D·Δf/f, µm; above 0 too large.
 * @param finalMillimetres as designed @param used with which it was milled @param own of the blank's lot
 */
export const sizeErrorMicrometres = (finalMillimetres: number, used: number, own: number): number =>
  (1000 * finalMillimetres * (used - own)) / own

/** A measured size against what it should be, %: above 0 too large. */
export const sizeOffPercent = (measured: number, wanted: number): number => 100 * (measured / wanted - 1)

/** Factors that are written with four digits and mean the same. */
const SAME_FACTOR = 5e-5
/** Whether a piece was milled with the factor of another lot. */
export const isOtherFactor = (used: number, own: number): boolean => Math.abs(used - own) > SAME_FACTOR

/** In words, what a wrong factor does to the fit. */
export function factorWords(used: number, own: number): Saying {
  const error = sizeErrorMicrometres(10, used, own)
  return saying`milled with ${used}, the lot of this blank has ${own}: over 10 mm it ends ${qty.micrometres(Math.abs(error), 0)} too ${error > 0 ? 'large' : 'small'}`
}
