import { type CeramicClass, ceramicFigures } from '../materials/index.ts'

/** A glaze shrinks so much less than its ceramic, ppm/K. Source: 0.5 to 1, recalled. */
export const GLAZE_BELOW = { least: 0.5, most: 1 } as const

/** Expansions of a glaze that go with a class, ppm/K; undefined where the sheet of the block must say. */
export function glazeExpansions(
  ceramic: CeramicClass,
): { readonly min: number; readonly max: number } | undefined {
  const { expansion } = ceramicFigures[ceramic]
  const tenth = (value: number) => Number(value.toFixed(2))
  return expansion === undefined
    ? undefined
    : { min: tenth(expansion - GLAZE_BELOW.most), max: tenth(expansion - GLAZE_BELOW.least) }
}
