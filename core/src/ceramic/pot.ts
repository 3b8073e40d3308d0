import type { PlannedPot } from '../colour/index.ts'
import { type CeramicClass, ceramicFigures, type LabProduct } from '../materials/index.ts'
import { type Saying, saying } from '../quantity/index.ts'

type Calibration = NonNullable<LabProduct['stain']>
/** After so long a calibration is said to be old (our choice): a furnace drifts, a pot ages. */
const OLD_DAYS = 365
const DAY = 24 * 60 * 60_000

/** A product of the shelf as a pot of a plan: its film by coat, and by the factor of its fired cases. */
export const potOf = ({
  name,
  productId,
  stain,
}: LabProduct & { readonly stain: Calibration }): PlannedPot => {
  const { absorption, scattering, factor = 1, lot } = stain
  const by = ([x, y, z]: readonly [number, number, number]) => [x * factor, y * factor, z * factor] as const
  return { name, productId, lot, absorption: by(absorption), scattering: by(scattering) }
}

/**
 * What is to be known of a calibration before it is trusted.
 * @param lots numbers of the lots of this pot that are in use @param today ms
 */
export function potWarnings(
  { name, stain }: LabProduct & { readonly stain: Calibration },
  {
    ceramic,
    lots,
    today,
  }: { readonly ceramic?: CeramicClass; readonly lots: readonly string[]; readonly today: number },
): readonly Saying[] {
  const days = Math.floor((today - Date.parse(stain.calibratedOn)) / DAY)
  return [
    ...(ceramic && ceramic !== stain.onCeramic
      ? [
          `${name} was calibrated on ${lower(ceramicFigures[stain.onCeramic].name)}: on another block it may look otherwise`,
        ]
      : []),
    ...(lots.length > 0 && !lots.includes(stain.lot)
      ? [
          saying`${name} was calibrated with lot ${stain.lot}, and ${lots.join(', ')} is in use: read its drawdowns again`,
        ]
      : []),
    ...(days > OLD_DAYS ? [`the calibration of ${name} is ${days} days old`] : []),
  ]
}
const lower = (name: string) => name.charAt(0).toLowerCase() + name.slice(1)
