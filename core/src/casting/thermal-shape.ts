import type { ExpansionPoint, ThermalPoint } from '../materials/index.ts'
import { qty, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import type { ExpansionRow } from './expansion-budget.ts'

/**
 * Thermal expansion at a temperature, as a fraction: linear between the points of the product's curve, never beyond them.
 * @throws {DomainError} `outside-curve`
 */
export function thermalAt(curve: readonly ThermalPoint[], celsius: number): number {
  const after = curve.findIndex((point) => point.celsius >= celsius)
  const [left, right] = [curve[after - 1], curve[after]]
  if (!right || (!left && right.celsius !== celsius))
    throw new DomainError(
      'outside-curve',
      saying`${qty.celsius(celsius)} is outside the curve of the product.`,
      curve.length > 0
        ? saying`Choose from ${curve[0]!.celsius} to ${qty.celsius(curve.at(-1)!.celsius)}.`
        : "Copy the curve from the maker's sheet.",
      'celsius',
    )
  if (!left) return right.expansionPercent / 100
  const share = (celsius - left.celsius) / (right.celsius - left.celsius)
  return (left.expansionPercent + share * (right.expansionPercent - left.expansionPercent)) / 100
}

/**
 * Share of the expansion at the peak that a mould has at a temperature: 1 at the peak, less once it has cooled.
 * @throws {DomainError} `outside-curve`
 */
export function thermalShareAt(curve: readonly ThermalPoint[], celsius: number, peakCelsius: number): number {
  const peak = thermalAt(curve, peakCelsius)
  return peak === 0 ? 0 : Math.min(1, Math.max(0, thermalAt(curve, celsius) / peak))
}

/**
 * The rows that the solver wants, of a product's table; those without a thermal figure take it from the curve at the peak.
 * Empty when the sheet gives neither.
 */
export function expansionRows(
  points: readonly ExpansionPoint[],
  curve: readonly ThermalPoint[] | undefined,
  peakCelsius: number,
): readonly ExpansionRow[] {
  return points.flatMap(({ specialLiquidPercent, expansionPercent, thermalPercent }) => {
    const reaches = curve && peakCelsius >= curve[0]!.celsius && peakCelsius <= curve.at(-1)!.celsius
    const thermalFraction =
      thermalPercent !== undefined
        ? thermalPercent / 100
        : reaches
          ? thermalAt(curve, peakCelsius)
          : undefined
    return thermalFraction === undefined
      ? []
      : [{ specialLiquidPercent, settingFraction: expansionPercent / 100, thermalFraction }]
  })
}
