import { DomainError } from '../refusal/index.ts'
import { depthOf, type FinishingStage } from './ladder.ts'

/** What is to be done with a wheel before a stage starts. */
export type WheelUse = 'mark' | 'use' | 'remark'

/**
 * One compound for life, written on the wheel: a wheel without a mark is marked; the same compound goes on; a coarser one only when it is
 * marked anew, for good.
 *
 * @param written the compound that stands on the wheel; undefined: none yet
 * @param wanted the compound of the stage
 * @throws {DomainError} `wheel-coarser`: a finer compound on a wheel that has had a coarser one
 */
export function wheelFor(
  written: FinishingStage | undefined,
  wanted: FinishingStage,
  remark = false,
): WheelUse {
  if (!written) return 'mark'
  if (written.id === wanted.id) return 'use'
  if (grainOf(wanted) > grainOf(written) && remark) return 'remark'
  throw new DomainError(
    'wheel-coarser',
    grainOf(wanted) < grainOf(written)
      ? `This wheel has had ${written.name.toLowerCase()}: its grains scratch through ${wanted.name.toLowerCase()}.`
      : `This wheel is marked ${written.name.toLowerCase()}.`,
    grainOf(wanted) < grainOf(written)
      ? `Take a wheel marked ${wanted.name.toLowerCase()}, or a new one.`
      : `Take another wheel, or mark this one ${wanted.name.toLowerCase()} for good.`,
    'wheel',
  )
}
const grainOf = ({ grainMicrometres = 0 }: FinishingStage) => grainMicrometres

/** How deep a grain of another compound scratches on a wheel, µm: φ of the wheel, grain of the compound. */
export const contaminated = (wheel: FinishingStage, compound: FinishingStage) =>
  (wheel.depthRatio ?? 1) * grainOf(compound)
/** By how many times its own mark. */
export const contaminatedTimes = (wheel: FinishingStage, compound: FinishingStage) =>
  contaminated(wheel, compound) / depthOf(wheel)
