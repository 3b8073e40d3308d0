import { COMMON_PRACTICE, type Source } from '../materials/index.ts'
import { DomainError } from '../refusal/index.ts'
import { castingRegions } from './casting-regions.ts'
import { dentureWaxRegions } from './denture-wax-regions.ts'
import { fittingRegions, marginRegions } from './fitting-regions.ts'
import type { Region, RegionFault, RegionSeen } from './region.ts'

const drawn = { ...dentureWaxRegions, casting: castingRegions, ...fittingRegions, ...marginRegions }
/** The drawings that are tapped. */
export type RegionDrawing = keyof typeof drawn
export const regionDrawings = Object.keys(drawn) as readonly RegionDrawing[]

/** The regions of each drawing, in the order in which they are looked at. */
export const regionsOf: Readonly<Record<RegionDrawing, readonly Region[]>> = drawn
export const REGIONS_SOURCE: Source = COMMON_PRACTICE

/**
 * Refuses an inspection that leaves a region out or names what the drawing does not have.
 * @throws {DomainError} `no-such-region`, `no-such-answer`, `region-missing`, `region-twice`
 */
export function checkRegions(drawing: RegionDrawing, seen: readonly RegionSeen[]): void {
  const regions = regionsOf[drawing]
  for (const { region, fault } of seen) {
    const known = regions.find(({ id }) => id === region)
    if (!known)
      throw new DomainError('no-such-region', `There is no region ${region}.`, 'Reload the case.', 'regions')
    if (fault !== undefined && !known.faults.some((each) => each.fault === fault))
      throw new DomainError(
        'no-such-answer',
        `"${fault}" is no answer at ${known.name.toLowerCase()}.`,
        `Choose: good; ${known.faults.map((each) => each.fault).join('; ')}.`,
        'regions',
      )
  }
  if (new Set(seen.map(({ region }) => region)).size !== seen.length)
    throw new DomainError('region-twice', 'A region is answered twice.', 'Look at each once.', 'regions')
  const missing = regions.find(({ id }) => !seen.some(({ region }) => region === id))
  if (missing)
    throw new DomainError(
      'region-missing',
      `${missing.name} has not been looked at.`,
      'Tap every region of the drawing.',
      'regions',
    )
}

/** A fault that was seen, with its region. */
interface FoundFault extends RegionFault {
  readonly region: Region
}

/** The faults of an inspection, in the order in which they were seen. */
export function foundFaults(drawing: RegionDrawing, seen: readonly RegionSeen[]): readonly FoundFault[] {
  return seen.flatMap(({ region, fault }) => {
    const known = regionsOf[drawing].find(({ id }) => id === region)
    const found = known?.faults.find((each) => each.fault === fault)
    return known && found ? [{ ...found, region: known }] : []
  })
}

/** The faults of an inspection, each with where and what to do. */
export function regionFaults(drawing: RegionDrawing, seen: readonly RegionSeen[]): readonly string[] {
  return foundFaults(drawing, seen).map(({ region, fault, say }) =>
    `${region.name}, ${fault.toLowerCase()}: ${say}`.replace(/\.$/, ''),
  )
}
