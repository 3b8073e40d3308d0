import { COMMON_PRACTICE, type Source } from '../materials/index.ts'
import { qty, saying } from '../quantity/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'
import { type DentureBase, dentureBaseCm3 } from './denture-base.ts'

/** A job of the plaster room that wants a usual weight of powder, by size. */
interface UsualJob {
  readonly id: string
  readonly name: string
  readonly powderGrams: Readonly<Record<JobSize, number>>
  readonly source: Source
}
export type JobSize = 'small' | 'medium' | 'large'

/** Usual weights of gypsum powder. Ranges: common practice; small and large are their ends, medium the middle. */
export const usualJobs: readonly UsualJob[] = [
  {
    id: 'arch',
    name: 'One arch in its tray',
    powderGrams: { small: 100, medium: 125, large: 150 },
    source: 'common practice: one arch 100-150 g',
  },
  {
    id: 'base',
    name: 'Base in its former',
    powderGrams: { small: 100, medium: 125, large: 150 },
    source: 'common practice: about as much as the arch, mixed a little thicker',
  },
  {
    id: 'mounting',
    name: 'One mounting, by its gap',
    powderGrams: { small: 150, medium: 200, large: 250 },
    source: 'common practice: one mounting 150-250 g',
  },
  {
    id: 'flask-half',
    name: 'One flask half',
    powderGrams: { small: 200, medium: 250, large: 300 },
    source: 'common practice: a pair of pours 200-300 g each half',
  },
  {
    id: 'die',
    name: 'One die with its base',
    powderGrams: { small: 20, medium: 30, large: 40 },
    source: COMMON_PRACTICE,
  },
]

/**
 * Powder for several of a usual job.
 * @param count whole pieces, 1 to 50
 * @throws {DomainError} `no-such-job`, `count-out-of-range`
 */
export function usualPowderGrams(jobId: string, size: JobSize, count = 1): number {
  const job = usualJobs.find((each) => each.id === jobId)
  if (!job)
    throw new DomainError(
      'no-such-job',
      `There is no usual amount for "${jobId}".`,
      `Choose one of: ${usualJobs.map((each) => each.id).join(', ')}.`,
      'jobId',
    )
  if (!(Number.isInteger(count) && count >= 1 && count <= 50))
    throw new DomainError(
      'count-out-of-range',
      `${count} pieces cannot be mixed at once.`,
      'Enter a whole number from 1 to 50.',
      'count',
    )
  return job.powderGrams[size] * count
}

/** A space to be filled, mm; all above 0. `insideCm3` is what stands in it and takes no mix. */
export type Space =
  | DentureBase
  | {
      readonly shape: 'block'
      readonly lengthMillimetres: number
      readonly widthMillimetres: number
      readonly heightMillimetres: number
      readonly insideCm3?: number
    }
  | {
      /** A ring, a base former, a mounting gap: round with a height. */
      readonly shape: 'cylinder'
      readonly diameterMillimetres: number
      readonly heightMillimetres: number
      readonly insideCm3?: number
    }

/**
 * Volume of a space, cm3: l w h or π d²/4 h, less what stands inside; a denture base by its arch and thickness.
 * @throws {DomainError} `not-a-positive-number`, `inside-too-large`, `reading-not-plausible`
 * Source: exact; of a base see there.
 */
export function spaceCm3(space: Space): number {
  if (space.shape === 'base') return dentureBaseCm3(space)
  const height = requirePositive(space.heightMillimetres, 'heightMillimetres', 'The height')
  const area =
    space.shape === 'block'
      ? requirePositive(space.lengthMillimetres, 'lengthMillimetres', 'The length') *
        requirePositive(space.widthMillimetres, 'widthMillimetres', 'The width')
      : (Math.PI / 4) * requirePositive(space.diameterMillimetres, 'diameterMillimetres', 'The diameter') ** 2
  const inside = requirePositive(space.insideCm3 ?? 0, 'insideCm3', 'What stands inside', { orZero: true })
  const cm3 = (area * height) / 1000 - inside
  if (!(cm3 > 0))
    throw new DomainError(
      'inside-too-large',
      saying`What stands inside, ${qty.cubicCentimetres(inside)}, fills the whole space.`,
      'Measure it again, or leave it empty.',
      'insideCm3',
    )
  return cm3
}

/** What a lab really used for the same thing before. */
export interface RememberedMix {
  readonly medianPowderGrams: number
  readonly count: number
  readonly leastPowderGrams: number
  readonly mostPowderGrams: number
}

/**
 * Median of earlier mixes for the same thing; undefined when there is none.
 * Of an even number the mean of the middle two.
 */
export function rememberedMix(powderGrams: readonly number[]): RememberedMix | undefined {
  const sorted = powderGrams.filter((grams) => Number.isFinite(grams) && grams > 0).sort((a, b) => a - b)
  const [least, most] = [sorted[0], sorted.at(-1)]
  if (least === undefined || most === undefined) return undefined
  const middle = (sorted.length - 1) / 2
  const medianPowderGrams = (sorted[Math.floor(middle)]! + sorted[Math.ceil(middle)]!) / 2
  return { medianPowderGrams, count: sorted.length, leastPowderGrams: least, mostPowderGrams: most }
}
