import { saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'

/** Regions of a back tooth, and of a front tooth. */
export const posteriorRegions = [
  'buccalTip',
  'buccalInner',
  'buccalOuter',
  'fossa',
  'marginalRidge',
  'lingualInner',
  'lingualTip',
  'lingualOuter',
] as const
export const frontRegions = ['incisalEdge', 'lingualFace', 'labialFace'] as const
export const toothRegions = [...posteriorRegions, ...frontRegions] as const
export type ToothRegion = (typeof toothRegions)[number]

export const slopes = ['mesial', 'distal'] as const
export type Slope = (typeof slopes)[number]

export const bites = ['centric', 'right', 'left', 'protrusive'] as const
/** How the jaws stand to one another when a contact is marked. */
export type Bite = (typeof bites)[number]

type Arch = 'upper' | 'lower'

/** A place on a tooth. */
export interface Place {
  readonly tooth: number
  readonly region: ToothRegion
}

export const archOf = (tooth: number): Arch => (tooth < 30 ? 'upper' : 'lower')
export const sideOf = (tooth: number): 'right' | 'left' =>
  [1, 4].includes(Math.floor(tooth / 10)) ? 'right' : 'left'
/** Its number in its quarter of the arch: 1 the central incisor, 7 the second molar. */
export const placeOf = (tooth: number) => tooth % 10
export const isFrontTooth = (tooth: number) => placeOf(tooth) <= 3
export const isFrontRegion = (region: ToothRegion) =>
  (frontRegions as readonly ToothRegion[]).includes(region)

/** The supporting, functional cusps: they carry the bite, and their tips are never ground. */
export const supportingSide = (arch: Arch, crossbite = false) =>
  (arch === 'upper') !== crossbite ? 'lingual' : 'buccal'
export const supportingTip = (arch: Arch, crossbite = false): ToothRegion =>
  `${supportingSide(arch, crossbite)}Tip`
export const isSupportingTip = (arch: Arch, region: ToothRegion, crossbite = false) =>
  region === supportingTip(arch, crossbite)

/** In a prescribed crossbite buccal and lingual change places; twice is the same again. */
export function crossed(region: ToothRegion): ToothRegion {
  if (isFrontRegion(region)) return region
  if (region.startsWith('buccal')) return region.replace('buccal', 'lingual') as ToothRegion
  return region.replace('lingual', 'buccal') as ToothRegion
}

const names: Readonly<Record<ToothRegion, string>> = {
  buccalTip: 'tip of the cheek cusp',
  buccalInner: 'inner slope of the cheek cusp',
  buccalOuter: 'outer slope of the cheek cusp',
  fossa: 'fossa',
  marginalRidge: 'marginal ridge',
  lingualInner: 'inner slope of the tongue cusp',
  lingualTip: 'tip of the tongue cusp',
  lingualOuter: 'outer slope of the tongue cusp',
  incisalEdge: 'incisal edge',
  lingualFace: 'tongue face',
  labialFace: 'lip face',
}
/** A region in words of the bench; the tongue cusp of an upper tooth is its palatal one. */
export function regionName(region: ToothRegion, tooth: number): string {
  return archOf(tooth) === 'upper' ? names[region].replace('tongue', 'palatal') : names[region]
}

/**
 * Refuses a tooth that no denture has, and a region that this tooth does not have.
 * @throws {DomainError} `unknown-tooth`, `region-not-on-tooth`
 */
export function checkPlace(tooth: number, region: ToothRegion, field: string): void {
  if (![1, 2, 3, 4].includes(Math.floor(tooth / 10)) || !(placeOf(tooth) >= 1 && placeOf(tooth) <= 7))
    throw new DomainError(
      'unknown-tooth',
      `There is no tooth ${tooth} on a denture.`,
      'Touch one of the fourteen teeth of an arch.',
      field,
    )
  if (isFrontTooth(tooth) !== isFrontRegion(region))
    throw new DomainError(
      'region-not-on-tooth',
      saying`Tooth ${{ tooth }} has no ${regionName(region, tooth)}.`,
      isFrontTooth(tooth)
        ? 'A front tooth has an edge, a lip face and a tongue face.'
        : 'A back tooth has tips, slopes, a fossa and marginal ridges.',
      field,
    )
}
