import {
  AIR_FRACTION,
  cm3FromMeshVolume,
  DENTURE_BASE_SOURCE,
  type DentureBase,
  DomainError,
  type FlaskMeasured,
  type FlaskPour,
  type FlaskPours,
  flaskPours,
  type JobSize,
  type MeshUnitId,
  type Mix,
  type MixGiven,
  mixForVolume,
  mixParts,
  type Saying,
  type Space,
  type StepMeaning,
  spaceCm3,
  USUAL_FLASH_FRACTION,
  USUAL_WASTE_FRACTION,
  USUAL_WAX_UP_CM3,
  usualJobs,
  usualPowderGrams,
} from '@yentrik/core'
import { refusalWords } from '../parts/attempt.ts'
import { readNumber } from '../parts/read-number.ts'
import type { Weighed } from './weighed.ts'

export type Basis = 'weight' | 'job' | 'size' | 'mesh' | 'flask' | 'before'

/** Everything that the "How much" side of the screen holds, as typed. */
export interface HowMuchEntry {
  readonly basis: Basis
  readonly from: MixGiven['from']
  readonly known: string
  readonly jobId: string
  readonly size: JobSize
  readonly count: string
  readonly shape: Space['shape']
  readonly length: string
  readonly width: string
  readonly height: string
  readonly diameter: string
  readonly inside: string
  /** Of a denture base. */
  readonly arch: 'upper' | 'lower'
  readonly thickness: string
  readonly area: string
  readonly air: keyof typeof AIR_FRACTION
  readonly waste: string
  /** Cubes of the file's unit, and the unit that was chosen. */
  readonly meshVolume?: number
  readonly meshUnit?: MeshUnitId
  readonly beforeGrams?: number
  readonly pour: FlaskPour
  readonly flask: FlaskEntry
}
/** As typed. */
type FlaskEntry = Readonly<Record<keyof FlaskMeasured, string>>
export type Field =
  | 'known'
  | 'count'
  | 'length'
  | 'width'
  | 'height'
  | 'diameter'
  | 'inside'
  | 'waste'
  | 'thickness'
  | 'area'

export const emptyFlask: FlaskEntry = {
  lowerMillilitres: '',
  ringMillilitres: '',
  ringMillimetres: '',
  castLengthMillimetres: '',
  castWidthMillimetres: '',
  castMillimetres: '',
  cuspMillimetres: '',
  waxUpCm3: String(USUAL_WAX_UP_CM3),
}
/** The pour of a flask that a step is, by what it means. */
const pours: { readonly [M in StepMeaning]?: FlaskPour } = {
  flaskFirstPour: 'first',
  flaskSecondPour: 'second',
  flaskCap: 'cap',
}

/** What stays in the bowl, %: of a base as much again goes into the flash. A share that was typed stays. */
export function wasteFor(shape: Space['shape'], typed: string): string {
  const [bowl, flash] = [String(100 * USUAL_WASTE_FRACTION), String(100 * USUAL_FLASH_FRACTION)]
  if (shape === 'base') return typed === bowl ? flash : typed
  return typed === flash ? bowl : typed
}

/** What is typed when the screen opens: for a pour of a flask that is measured already, by that flask. */
export function freshEntry(powderGrams: number, means?: StepMeaning, flask = emptyFlask): HowMuchEntry {
  const pour = means && pours[means]
  return {
    basis: pour && Object.values(flask).every((text) => text.trim() !== '') ? 'flask' : 'weight',
    pour: pour ?? 'first',
    flask,
    from: 'powder',
    known: String(powderGrams),
    jobId: usualJobs[0]!.id,
    size: 'medium',
    count: '1',
    shape: 'cylinder',
    length: '',
    width: '',
    height: '',
    diameter: '',
    inside: '',
    arch: 'upper',
    thickness: '2.5',
    area: '',
    air: 'vacuum',
    waste: String(100 * USUAL_WASTE_FRACTION),
  }
}

/** What follows from the entries: the mix, or what is wrong with which of them. */
export interface HowMuch {
  readonly mix?: Mix
  readonly faults: Readonly<Partial<Record<Field | keyof FlaskMeasured, string>>>
  /** In the way of a mix, but at no single entry. */
  readonly fault?: Saying
  /** Volume to be filled, before waste. */
  readonly cm3?: number
  readonly flask?: FlaskPours
  readonly source: string
}

/** Most that one mix can be, g or mL (choice). */
const MOST = 20_000

export function howMuch(entry: HowMuchEntry, card: Weighed, millilitresPerGram: number): HowMuch {
  const faults: Partial<Record<Field | keyof FlaskMeasured, string>> = {}
  const number = (field: Field, unit: string, most: number, orZero = false): number | undefined => {
    const { value, fault } = readNumber(entry[field], unit)
    if (fault !== undefined) faults[field] = fault
    else if (value !== undefined && !((orZero ? value >= 0 : value > 0) && value <= most))
      faults[field] = `Enter a number ${orZero ? 'of 0 or more' : 'above 0'} and at most ${most}.`
    return faults[field] === undefined ? value : undefined
  }
  const powder = (powderGrams: number) => mixParts({ from: 'powder', powderGrams }, millilitresPerGram)
  switch (entry.basis) {
    case 'weight': {
      const unit = entry.from === 'liquid' ? 'mL' : entry.from === 'bags' ? '' : 'g'
      const known = number('known', unit, MOST)
      return {
        faults,
        source: card.measure.source,
        ...(known === undefined ? {} : { mix: mixParts(given(entry.from, known, card), millilitresPerGram) }),
      }
    }
    case 'job': {
      const count = number('count', '', 50)
      const job = usualJobs.find(({ id }) => id === entry.jobId)!
      if (count !== undefined && !Number.isInteger(count)) faults.count = 'Enter a whole number.'
      return {
        faults,
        source: job.source,
        ...(count === undefined || faults.count
          ? {}
          : { mix: powder(usualPowderGrams(entry.jobId, entry.size, count)) }),
      }
    }
    case 'before':
      return {
        faults,
        source: "the lab's own log",
        ...(entry.beforeGrams === undefined ? {} : { mix: powder(entry.beforeGrams) }),
      }
    case 'size': {
      if (entry.shape === 'base') return ofBase(entry.arch)
      const height = number('height', 'mm', 500)
      const inside = entry.inside.trim() === '' ? 0 : number('inside', 'cm3', MOST, true)
      const waste = number('waste', '%', 100, true)
      const sides =
        entry.shape === 'block'
          ? {
              shape: entry.shape,
              lengthMillimetres: number('length', 'mm', 500),
              widthMillimetres: number('width', 'mm', 500),
            }
          : { shape: entry.shape, diameterMillimetres: number('diameter', 'mm', 500) }
      if (Object.keys(faults).length > 0) return { faults, source: '' }
      return filled({ ...sides, heightMillimetres: height, insideCm3: inside } as Space, waste ?? 0)
    }
    case 'flask': {
      const waste = number('waste', '%', 100, true)
      const fields = Object.keys(emptyFlask) as (keyof FlaskMeasured)[]
      const read = fields.map((field) => [field, readNumber(entry.flask[field], flaskUnit(field))] as const)
      for (const [field, { fault }] of read) if (fault !== undefined) faults[field] = fault
      if (waste === undefined || read.some(([, { value }]) => value === undefined))
        return { faults, source: '' }
      try {
        const flask = flaskPours(
          Object.fromEntries(read.map(([field, { value }]) => [field, value])) as unknown as FlaskMeasured,
        )
        return { ...filled(flask.cm3[entry.pour], waste), flask, source: flask.source }
      } catch (error) {
        if (!(error instanceof DomainError)) throw error
        return { faults, fault: refusalWords(error), source: '' }
      }
    }
    case 'mesh': {
      const waste = number('waste', '%', 100, true)
      if (entry.meshVolume === undefined || entry.meshUnit === undefined || waste === undefined)
        return { faults, source: '' }
      return filled(cm3FromMeshVolume(entry.meshVolume, entry.meshUnit), waste)
    }
  }

  function ofBase(arch: DentureBase['arch']): HowMuch {
    const thicknessMillimetres = number('thickness', 'mm', MOST)
    const areaCm2 = entry.area.trim() === '' ? undefined : number('area', 'cm2', MOST)
    const waste = number('waste', '%', 300, true)
    if (Object.keys(faults).length > 0 || thicknessMillimetres === undefined) return { faults, source: '' }
    const base = { shape: 'base' as const, arch, thicknessMillimetres }
    const found = filled(areaCm2 === undefined ? base : { ...base, areaCm2 }, waste ?? 0)
    return found.mix ? { ...found, source: DENTURE_BASE_SOURCE } : found
  }

  function filled(space: Space | number, wastePercent: number): HowMuch {
    try {
      const cm3 = typeof space === 'number' ? space : spaceCm3(space)
      const mix = mixForVolume(card, {
        cm3,
        millilitresPerGram,
        airFraction: AIR_FRACTION[entry.air],
        wasteFraction: wastePercent / 100,
      })
      return { faults, mix, cm3, source: `by the density of the powder: ${card.density?.source ?? ''}` }
    } catch (error) {
      if (!(error instanceof DomainError)) throw error
      return { faults, fault: refusalWords(error), source: '' }
    }
  }
}

export function flaskUnit(field: keyof FlaskMeasured): string {
  return field.endsWith('Millilitres') ? 'mL' : field.endsWith('Cm3') ? 'cm3' : 'mm'
}

export function bagGramsOf(card: Weighed): number {
  return card.measure.bagGrams ?? 1000
}

function given(from: MixGiven['from'], value: number, card: Weighed): MixGiven {
  switch (from) {
    case 'powder':
      return { from, powderGrams: value }
    case 'liquid':
      return { from, liquidMillilitres: value }
    case 'total':
      return { from, totalGrams: value, liquidGramsPerMillilitre: card.measure.liquidGramsPerMillilitre }
    case 'bags':
      return { from, bags: value, bagGrams: bagGramsOf(card) }
  }
}
