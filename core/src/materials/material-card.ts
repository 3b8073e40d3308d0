import { DomainError } from '../refusal/index.ts'
import { figure, maybe, type Of, record } from '../shape/index.ts'
import type { CeramicClass } from './ceramic-class.ts'

/**
 * Where a figure comes from. Published: the name of the work, with "recalled" when written down from memory.
 * Otherwise "common practice"; a lab's own product says "the pack".
 */
export type Source = string
export const COMMON_PRACTICE: Source = 'common practice'

export type MaterialFamily =
  | 'gypsum'
  | 'investment'
  | 'impression'
  | 'acrylic'
  | 'putty'
  | 'lightCure'
  | 'wax'
  | 'liquid'
  | 'alloy'
  | 'disinfectant'
  | 'ceramic'
  | 'aid'

/** Weighed powder with a measured liquid. */
export interface MassMeasure {
  readonly by: 'mass'
  /** Liquid per powder, mL/g: what is usual, and the range of the class. */
  readonly usualMillilitresPerGram: number
  readonly minMillilitresPerGram: number
  readonly maxMillilitresPerGram: number
  readonly liquidGramsPerMillilitre: number
  /** Loose powder as scooped, g/mL; only where the trade also measures by volume. */
  readonly powderGramsPerMillilitre?: number
  readonly bagGrams?: number
  readonly source: Source
}

/** Counted parts: scoops and units of water, or equal lengths of base and catalyst. */
export interface PartsMeasure {
  readonly by: 'parts'
  readonly powderPart: string
  readonly liquidPart: string
  readonly liquidPartsPerPowderPart: number
  readonly source: Source
}

/** The clock of a mix in minutes from the moment the parts meet, in the order in which they come. */
export interface MaterialClock {
  /** All powder wetted by hand. */
  readonly wettedMinutes?: number
  /** Off the machine, or mixed by hand. */
  readonly mixedMinutes?: number
  readonly pourByMinutes: number
  /** The wet shine goes: nothing may be moved any more. */
  readonly glossLossMinutes?: number
  /** Initial set. */
  readonly setMinutes: number
  /** Warmest while it sets. */
  readonly heatPeakMinutes?: number
  /** The heat has gone: safe to separate, or to lift an impression. */
  readonly separateMinutes: number
  /** Hard enough for the trimmer. */
  readonly trimFromMinutes?: number
  /** An impression of it must be poured, or a cast taken out of it, by then. */
  readonly useWithinMinutes?: number
  readonly dryMinutes?: number
  readonly source: Source
}
/** The figures of a clock in the order in which they must rise. */
export const clockOrder = [
  'wettedMinutes',
  'mixedMinutes',
  'pourByMinutes',
  'glossLossMinutes',
  'setMinutes',
  'heatPeakMinutes',
  'separateMinutes',
  'trimFromMinutes',
  'dryMinutes',
] as const satisfies readonly (keyof MaterialClock)[]

/** Setting expansion of an investment by the share of special liquid in its liquid, both in percent. */
export const expansionPointShape = record({
  specialLiquidPercent: figure(-1000, 1000, { example: 60 }),
  expansionPercent: figure(-1000, 1000, { example: 1.1 }),
  /** At the peak of the burnout, where the sheet gives it. */
  thermalPercent: maybe(figure(-1000, 1000, { example: 1.1 })),
})
export type ExpansionPoint = Of<typeof expansionPointShape>

/** What holds an investment together. */
export const binders = ['gypsum', 'phosphate'] as const
export type Binder = (typeof binders)[number]

/** Thermal expansion of an investment at a temperature, percent. */
export const thermalPointShape = record({
  celsius: figure(-1000, 10_000, { example: 270 }),
  expansionPercent: figure(-1000, 1000, { example: 0.68 }),
})
export type ThermalPoint = Of<typeof thermalPointShape>

/** What an investment is, beyond its mix. */
export interface InvestmentFigures {
  readonly binder: Binder
  /** Usual final hold. */
  readonly peakCelsius: number
  /** Under vacuum on the machine. */
  readonly vacuumSeconds: number
  /** Powder and liquid as they are mixed: warmer sets sooner. */
  readonly mixCelsius: readonly [least: number, most: number]
  /** May go into a hot furnace; only where its maker says so. */
  readonly hotEntry: boolean
  /** When such a one goes in, minutes from contact with the liquid; only where its pack prints it. */
  readonly furnaceMinutes?: { readonly from: number; readonly to: number }
  /** Further setting expansion in a water bath, percent; only where its sheet gives it. */
  readonly hygroscopicPercent?: number
  /** Rising in temperature; only where its sheet gives it. */
  readonly thermalCurve?: readonly ThermalPoint[]
  /** Change of the setting expansion, percent, with each 0.01 mL/g more liquid; only where its sheet gives it. */
  readonly settingPercentPerRatioStep?: number
  readonly source: Source
}

/** What an alloy is, beyond its density. */
export interface AlloyFigures {
  /** Linear, of the mould. */
  readonly shrinkageFraction: number
  readonly castingCelsius: readonly [from: number, to: number]
  readonly usualBinder: Binder
  /** Of a spring arm, for its density. */
  readonly turns: readonly [least: number, most: number]
  /** Metal-ceramic bonds to its oxide, and it does not sag while ceramic is fired. */
  readonly takesCeramic: boolean
  /** May returns go in again? */
  readonly remelt: string
  /** Of a charge, that may have been melted before; a job may want less. */
  readonly mostRemeltFraction: number
  /** What its dust and fume can do to a person. */
  readonly hazards: readonly string[]
  readonly source: Source
}

/** Limits of ISO 6873:2013, recalled. */
interface Iso6873Limits {
  /** Linear setting expansion at 2 h, %. */
  readonly expansionPercent: { readonly min?: number; readonly max: number }
  /** Compressive strength at 1 h, MPa. */
  readonly strengthMegapascals: { readonly min: number; readonly max?: number }
}

/** A material as the calculators know it. All shipped cards are generic classes, never a product. */
export interface MaterialCard {
  readonly id: string
  readonly name: string
  readonly family: MaterialFamily
  /** The patient carries it: a statement names it. */
  readonly worn?: true
  readonly powderName: string
  readonly liquidName: string
  /** ISO 6873 type, for gypsum only: what the strength and setting estimates need. */
  readonly gypsumType?: 1 | 2 | 3 | 4 | 5
  /** What ISO 6873 asks of the class. */
  readonly iso6873?: Iso6873Limits
  /** Parts of a blend by mass, adding up to 1. */
  readonly blend?: readonly { readonly materialId: string; readonly massFraction: number }[]
  readonly measure?: MassMeasure | PartsMeasure
  readonly clock?: MaterialClock
  /** Of the solid, the powder's grains or the liquid. */
  readonly density?: { readonly gramsPerCm3: number; readonly source: Source }
  /** Sheets: what one adds. */
  readonly thickness?: { readonly millimetres: number; readonly source: Source }
  /** By special liquid, rising; only where a pack prints it. */
  readonly settingExpansion?: { readonly points: readonly ExpansionPoint[]; readonly source: Source }
  readonly investment?: InvestmentFigures
  readonly alloy?: AlloyFigures
  /** Of a block or a blank: what it decides. */
  readonly ceramic?: CeramicClass
  /** A pot that is calibrated by drawdowns. */
  readonly stain?: true
  /** The wider class that asks for "any of these": lots of this card serve it too. */
  readonly kindOf?: string
  readonly notes: readonly string[]
}

/** Every fault in a card, as sentences; empty when the card is sound. */
export function materialCardFaults(card: MaterialCard, known: ReadonlySet<string>): string[] {
  const faults: string[] = []
  const fault = (sentence: string) => faults.push(`${card.id}: ${sentence}`)
  if (!/^[a-z0-9-]+$/.test(card.id)) fault('the id may hold only a-z, 0-9 and hyphens')
  if (card.name.trim() === '') fault('the name is empty')
  if (card.measure) {
    if (card.measure.source.trim() === '') fault('the ratio has no source')
    if (card.measure.by === 'mass') {
      const m = card.measure
      const rising = [0, m.minMillilitresPerGram, m.usualMillilitresPerGram, m.maxMillilitresPerGram]
      if (!(rising[0]! < rising[1]! && rising[1]! <= rising[2]! && rising[2]! <= rising[3]!))
        fault('the ratios must rise: 0 < least <= usual <= most')
      if (!(m.liquidGramsPerMillilitre > 0)) fault('the density of the liquid must be above 0')
    } else if (!(card.measure.liquidPartsPerPowderPart > 0)) fault('the parts must be above 0')
  }
  if (card.clock) {
    const fallen = clockFault(card.clock)
    if (fallen) fault(fallen)
    if (card.clock.source.trim() === '') fault('the clock has no source')
  }
  if (card.density && !(card.density.gramsPerCm3 > 0)) fault('the density must be above 0')
  if (card.thickness && !(card.thickness.millimetres > 0)) fault('the thickness must be above 0')
  if (card.blend) {
    const sum = card.blend.reduce((total, part) => total + part.massFraction, 0)
    if (Math.abs(sum - 1) > 1e-9) fault(`the parts of the blend add up to ${sum}, not 1`)
    for (const part of card.blend)
      if (!known.has(part.materialId)) fault(`the blend names an unknown material ${part.materialId}`)
  }
  if (card.kindOf && !known.has(card.kindOf)) fault(`is a kind of an unknown material ${card.kindOf}`)
  if (card.alloy) {
    const { shrinkageFraction, castingCelsius, source } = card.alloy
    if (!card.density) fault('an alloy has a density')
    if (!(shrinkageFraction > 0 && shrinkageFraction < 0.1)) fault('the casting shrinkage cannot be right')
    if (!(castingCelsius[0] > 0 && castingCelsius[0] <= castingCelsius[1]))
      fault('the casting temperatures must rise')
    if (source.trim() === '') fault('the alloy has no source')
  }
  return faults
}

/** Where the figures of a clock do not rise, as a sentence; undefined when they do. */
export function clockFault(clock: MaterialClock): string | undefined {
  let before = 0
  for (const name of clockOrder) {
    const minutes = clock[name]
    if (minutes === undefined) continue
    if (!(minutes > 0 && minutes >= before))
      return `the clock must rise: ${name} is ${minutes} min, and ${before} min comes before it`
    before = minutes
  }
  return undefined
}

/**
 * Turns a list of cards into a look-up after checking every one of them.
 * @throws {DomainError} `material-cards-faulty`: names every fault
 */
export function materialShelf(cards: readonly MaterialCard[]): ReadonlyMap<string, MaterialCard> {
  const shelf = new Map(cards.map((card) => [card.id, card]))
  const known = new Set(shelf.keys())
  const faults = cards.flatMap((card) => materialCardFaults(card, known))
  if (shelf.size !== cards.length) faults.push('two cards share an id')
  if (faults.length > 0)
    throw new DomainError('material-cards-faulty', faults.join('; '), 'Correct the material cards.')
  return shelf
}
