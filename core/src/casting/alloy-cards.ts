import type { Source } from '../materials/index.ts'
import type { Binder } from './sprue.ts'

/** A class of casting alloy. A lab's own product overrules every figure. */
export interface AlloyCard {
  readonly id: string
  readonly name: string
  readonly gramsPerCm3: number
  /** Linear, of the mould. */
  readonly shrinkageFraction: number
  readonly usualBinder: Binder
  /** Of a spring arm, for its density. */
  readonly turns: string
  /** May returns go in again? */
  readonly remelt: string
  /** What its dust and fume can do to a person. */
  readonly hazards: readonly string[]
  readonly source: Source
}

/**
 * Casting alloys by class. Source: shrinkage Phillips, recalled; densities handbook, recalled; turns and re-melting
 * common practice.
 */
export const alloyCards: readonly AlloyCard[] = [
  {
    id: 'gold-type-1',
    name: 'Gold alloy, type 1',
    gramsPerCm3: 16.5,
    shrinkageFraction: 0.0156,
    usualBinder: 'gypsum',
    turns: '2-3',
    remelt: 'With at least half new metal, where the maker allows it.',
    hazards: [],
    source: 'shrinkage Phillips, recalled; density handbook, recalled',
  },
  {
    id: 'gold-type-2',
    name: 'Gold alloy, type 2',
    gramsPerCm3: 15.9,
    shrinkageFraction: 0.0137,
    usualBinder: 'gypsum',
    turns: '2-3',
    remelt: 'With at least half new metal, where the maker allows it.',
    hazards: [],
    source: 'shrinkage Phillips, recalled; density handbook, recalled',
  },
  {
    id: 'gold-type-3',
    name: 'Gold alloy, type 3',
    gramsPerCm3: 15.5,
    shrinkageFraction: 0.0142,
    usualBinder: 'gypsum',
    turns: '2-3',
    remelt: 'With at least half new metal, where the maker allows it.',
    hazards: [],
    source: 'shrinkage Phillips, recalled; density handbook, recalled',
  },
  {
    id: 'nickel-chromium',
    name: 'Nickel-chromium',
    gramsPerCm3: 8.3,
    shrinkageFraction: 0.023,
    usualBinder: 'phosphate',
    turns: '4-5',
    remelt: 'Frameworks never. Posts only where the lab allows it, with lot and share on record.',
    hazards: ['Nickel: allergy, dust harms the lungs.', 'Some hold beryllium: dust and fume are poisonous.'],
    source: 'shrinkage Phillips, recalled; density handbook, recalled',
  },
  {
    id: 'cobalt-chromium',
    name: 'Cobalt-chromium',
    gramsPerCm3: 8.4,
    shrinkageFraction: 0.023,
    usualBinder: 'phosphate',
    turns: '4-5',
    remelt: 'Frameworks never. Posts only where the lab allows it, with lot and share on record.',
    hazards: ['Cobalt: allergy, dust harms the lungs.'],
    source: 'shrinkage Phillips, recalled; density handbook, recalled',
  },
]
