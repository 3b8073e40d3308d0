import { type Articulator, articulatorCards, checkArticulator, DomainError, type Saying } from '@yentrik/core'
import { refusalWords } from '../parts/attempt.ts'
import { readNumber } from '../parts/read-number.ts'

/** The settings of an articulator as typed. */
export interface ArticulatorEntry {
  readonly name: string
  readonly intercondylar: string
  readonly condylarRight: string
  readonly condylarLeft: string
  readonly bennettRight: string
  readonly bennettLeft: string
  readonly incisal: string
  readonly pinForward: string
  readonly pinBelow: string
}
type ArticulatorField = Exclude<keyof ArticulatorEntry, 'name'>

export const articulatorFields: readonly (readonly [field: ArticulatorField, label: string, unit: string])[] =
  [
    ['condylarRight', 'Condylar guide, right', '°'],
    ['condylarLeft', 'Condylar guide, left', '°'],
    ['bennettRight', 'Bennett, right', '°'],
    ['bennettLeft', 'Bennett, left', '°'],
    ['incisal', 'Incisal table', '°'],
    ['intercondylar', 'Condyles apart', 'mm'],
    ['pinForward', 'Pin tip in front of the axis', 'mm'],
    ['pinBelow', 'Pin tip below the axis', 'mm'],
  ]

export function entryOfArticulator(name: string, articulator: Articulator): ArticulatorEntry {
  const { condylarDegrees, bennettDegrees, pinTip } = articulator
  return {
    name,
    intercondylar: String(articulator.intercondylarMillimetres),
    condylarRight: String(condylarDegrees.right),
    condylarLeft: String(condylarDegrees.left),
    bennettRight: String(bennettDegrees.right),
    bennettLeft: String(bennettDegrees.left),
    incisal: String(articulator.incisalDegrees),
    pinForward: String(pinTip.x),
    pinBelow: String(-pinTip.z),
  }
}

export const usualArticulator = entryOfArticulator(
  articulatorCards[0]!.name,
  articulatorCards[0]!.articulator,
)

/** The articulator that was typed, or what is wrong with which entry; `fault` is at none of them alone. */
export function articulatorOf(entry: ArticulatorEntry): {
  readonly articulator?: Articulator
  readonly faults: Readonly<Partial<Record<ArticulatorField, string>>>
  readonly fault?: Saying
} {
  const faults: Partial<Record<ArticulatorField, string>> = {}
  const number = (field: ArticulatorField, unit: string): number => {
    const { value, fault } = readNumber(entry[field], unit)
    if (fault) faults[field] = fault
    return value ?? Number.NaN
  }
  const articulator: Articulator = {
    intercondylarMillimetres: number('intercondylar', 'mm'),
    condylarDegrees: { right: number('condylarRight', '°'), left: number('condylarLeft', '°') },
    bennettDegrees: { right: number('bennettRight', '°'), left: number('bennettLeft', '°') },
    immediateSideShiftMillimetres: 0,
    incisalDegrees: number('incisal', '°'),
    wingDegrees: { right: 0, left: 0 },
    pinTip: { x: number('pinForward', 'mm'), z: -number('pinBelow', 'mm') },
  }
  if (Object.keys(faults).length > 0) return { faults }
  try {
    checkArticulator(articulator)
    return { articulator, faults }
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return { faults, fault: refusalWords(error) }
  }
}
