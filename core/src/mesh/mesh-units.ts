import { MILLIMETRES_PER_INCH } from '../quantity/index.ts'

/** Mesh files of these kinds carry no unit. */
export const meshUnits = [
  { id: 'mm', name: 'millimetres', millimetres: 1 },
  { id: 'in', name: 'inches', millimetres: MILLIMETRES_PER_INCH },
  { id: 'cm', name: 'centimetres', millimetres: 10 },
  { id: 'm', name: 'metres', millimetres: 1000 },
] as const
export type MeshUnitId = (typeof meshUnits)[number]['id']

/** Largest side of a thing that a dental laboratory scans, mm (choice): from a die to a pair of casts. */
const LEAST_SIDE = 8
const MOST_SIDE = 200

/**
 * The units in which the size of a mesh makes sense for dental work, the likelier first; empty when none does.
 * One alone is only likely; two or more must be asked about.
 * @param largestSide of the bounding box, in the file's unit
 */
export function likelyMeshUnits(largestSide: number): MeshUnitId[] {
  return meshUnits
    .filter(({ millimetres }) => {
      const side = largestSide * millimetres
      return side >= LEAST_SIDE && side <= MOST_SIDE
    })
    .map(({ id }) => id)
}

/** Cubes of a unit to cm3. */
export function cm3FromMeshVolume(volume: number, unit: MeshUnitId): number {
  const { millimetres } = meshUnits.find(({ id }) => id === unit)!
  return (volume * millimetres ** 3) / 1000
}
