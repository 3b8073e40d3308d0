import { type Articulator, toothOpening } from '../mounting/index.ts'
import { qty, type Saying, saying } from '../quantity/index.ts'
import { placeOf } from './regions.ts'

/** Where a tooth stands on the lower, mm in the frame of the articulator, by its place in the arch (choice; by ruler wins). */
const usualTeeth: Readonly<Record<number, { readonly x: number; readonly y: number }>> = {
  1: { x: 80, y: 2.4 },
  2: { x: 79.4, y: 7.4 },
  3: { x: 76.4, y: 13 },
  4: { x: 69, y: 19 },
  5: { x: 62.7, y: 22 },
  6: { x: 54.7, y: 25 },
  7: { x: 45.6, y: 28 },
}
const OCCLUSAL_Z = -37

/**
 * What a reading of the pin is at a tooth, mm: exact for the articulator.
 * @param tooth ISO 3950 @param fromAxisMillimetres by ruler, by the place in the arch; else the usual one (choice)
 * @throws {DomainError} of `toothOpening`
 * @example openingAtTooth(average, 1, 36) // 0.4996
 */
export function openingAtTooth(
  articulator: Articulator,
  pinMillimetres: number,
  tooth: number,
  fromAxisMillimetres: Readonly<Record<number, number>> = {},
): number {
  const place = placeOf(tooth)
  const { x, y } = usualTeeth[place]!
  return toothOpening(articulator, pinMillimetres, { x: fromAxisMillimetres[place] ?? x, y, z: OCCLUSAL_Z })
    .openingMillimetres
}

/** A reading of the pin in words of the teeth: it stands further from the hinge than they do. */
export function pinAtTeeth(articulator: Articulator, pinMillimetres: number): Saying {
  const at = (tooth: number) => qty.mm(openingAtTooth(articulator, pinMillimetres, tooth), 2)
  return saying`about ${at(34)} at the first premolar, ${at(36)} at the first molar`
}
