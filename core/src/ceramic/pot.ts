import type { PlannedPot } from '../colour/index.ts'
import { type CeramicClass, ceramicClasses, ceramicFigures, type LabProduct } from '../materials/index.ts'
import type { Saying } from '../quantity/index.ts'

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

type Calibrated = LabProduct & { readonly stain: Calibration }

/**
 * What is to be known of calibrations before they are trusted, each reason once with the pots that it is of.
 * @param lotsOf numbers of the lots of a pot that are in use @param today ms
 */
export function potWarnings(
  pots: readonly Calibrated[],
  {
    ceramic,
    lotsOf,
    today,
  }: {
    readonly ceramic: CeramicClass | undefined
    readonly lotsOf: (productId: string) => readonly string[]
    readonly today: number
  },
): readonly Saying[] {
  const names = (of: readonly Calibrated[]) => of.map(({ name }) => name).join(', ')
  const others = ceramicClasses.flatMap((each) => {
    const of = pots.filter(({ stain }) => stain.onCeramic === each)
    return ceramic && ceramic !== each && of.length > 0
      ? [
          `calibrated on ${lower(ceramicFigures[each].name)}, and may look otherwise on this block: ${names(of)}`,
        ]
      : []
  })
  const otherLots = pots.flatMap(({ name, productId, stain: { lot } }) => {
    const lots = lotsOf(productId)
    return lots.length > 0 && !lots.includes(lot)
      ? [`${name} was calibrated with lot ${lot}, and ${lots.join(', ')} is in use: read its drawdowns again`]
      : []
  })
  const old = pots.filter(({ stain }) => (today - Date.parse(stain.calibratedOn)) / DAY > OLD_DAYS)
  return [
    ...others,
    ...otherLots,
    ...(old.length > 0 ? [`calibrated more than ${OLD_DAYS} days ago: ${names(old)}`] : []),
  ]
}
const lower = (name: string) => name.charAt(0).toLowerCase() + name.slice(1)
