import { type Prescription, type SetUpReading, type SetUpTolerances, usualTolerances } from '@yentrik/core'
import { readNumber } from '../parts/read-number.ts'

/** A measure as it is typed: its key, what it is, and where the ruler goes. */
interface MeasureSpec {
  readonly key: string
  readonly name: string
  readonly how: string
}
export type Typed = Readonly<Record<string, string>>

const shared = (right: number, left: number): MeasureSpec[] => [
  { key: 'canineRight', name: `Canine line, ${right}`, how: 'to its distal' },
  { key: 'canineLeft', name: `Canine line, ${left}`, how: 'to its distal' },
  { key: 'planeRight', name: 'Plane, right molar', how: 'from the land' },
  { key: 'planeLeft', name: 'Plane, left molar', how: 'from the land' },
]
const centreLine: MeasureSpec = { key: 'centreLine', name: 'Centre line', how: 'left above 0' }
const pin: MeasureSpec = { key: 'pin', name: 'Pin', how: 'on its table 0' }

/** The measures of a rim, in the order of the hands. */
export function rimMeasures(arch: 'upper' | 'lower'): readonly MeasureSpec[] {
  const [right, left] = arch === 'upper' ? [13, 23] : [43, 33]
  return [
    centreLine,
    { key: 'level', name: 'Incisal level', how: 'from vestibule' },
    { key: 'fullness', name: 'Labial fullness', how: 'from papilla' },
    { key: 'highLip', name: 'High-lip line', how: 'from the edge' },
    ...shared(right, left),
    pin,
  ]
}

/** The same of the teeth. */
export function setUpMeasures(arch: 'upper' | 'lower'): readonly MeasureSpec[] {
  const [right, left] = arch === 'upper' ? [1, 2] : [4, 3]
  return [
    centreLine,
    pin,
    { key: 'levelRight', name: `Incisal level, ${right}1`, how: 'to vestibule' },
    { key: 'levelLeft', name: `Incisal level, ${left}1`, how: 'to vestibule' },
    { key: 'fullnessRight', name: `Fullness, ${right}1`, how: 'from papilla' },
    { key: 'fullnessLeft', name: `Fullness, ${left}1`, how: 'from papilla' },
    ...shared(right * 10 + 3, left * 10 + 3),
  ]
}

/** What is wrong with which entry; every entry is wanted. */
export function measureFaults(specs: readonly MeasureSpec[], typed: Typed): Readonly<Record<string, string>> {
  return Object.fromEntries(
    specs.flatMap(({ key }) => {
      const { fault } = readNumber(typed[key] ?? '', 'mm')
      return fault ? [[key, fault]] : []
    }),
  )
}

const number = (typed: Typed, key: string) => readNumber(typed[key] ?? '', 'mm').value ?? Number.NaN
const sides = (typed: Typed, key: string) => ({
  right: number(typed, `${key}Right`),
  left: number(typed, `${key}Left`),
})

export function prescriptionOf(arch: 'upper' | 'lower', typed: Typed): Prescription {
  return {
    arch,
    centreLineMillimetres: number(typed, 'centreLine'),
    incisalLevelMillimetres: number(typed, 'level'),
    labialFullnessMillimetres: number(typed, 'fullness'),
    highLipMillimetres: number(typed, 'highLip'),
    canineMillimetres: sides(typed, 'canine'),
    planeMillimetres: sides(typed, 'plane'),
    pinMillimetres: number(typed, 'pin'),
  }
}

export function readingOf(typed: Typed): SetUpReading {
  return {
    centreLineMillimetres: number(typed, 'centreLine'),
    incisalLevelMillimetres: sides(typed, 'level'),
    labialFullnessMillimetres: sides(typed, 'fullness'),
    canineMillimetres: sides(typed, 'canine'),
    planeMillimetres: sides(typed, 'plane'),
    pinMillimetres: number(typed, 'pin'),
  }
}

export function typedPrescription(from: Prescription): Typed {
  return {
    centreLine: String(from.centreLineMillimetres),
    level: String(from.incisalLevelMillimetres),
    fullness: String(from.labialFullnessMillimetres),
    highLip: String(from.highLipMillimetres),
    canineRight: String(from.canineMillimetres.right),
    canineLeft: String(from.canineMillimetres.left),
    planeRight: String(from.planeMillimetres.right),
    planeLeft: String(from.planeMillimetres.left),
    pin: String(from.pinMillimetres),
  }
}

export function typedReading(from: SetUpReading): Typed {
  return {
    centreLine: String(from.centreLineMillimetres),
    levelRight: String(from.incisalLevelMillimetres.right),
    levelLeft: String(from.incisalLevelMillimetres.left),
    fullnessRight: String(from.labialFullnessMillimetres.right),
    fullnessLeft: String(from.labialFullnessMillimetres.left),
    canineRight: String(from.canineMillimetres.right),
    canineLeft: String(from.canineMillimetres.left),
    planeRight: String(from.planeMillimetres.right),
    planeLeft: String(from.planeMillimetres.left),
    pin: String(from.pinMillimetres),
  }
}

/** What the rim said at the place of a measure of the teeth. */
export function wantedAt(prescription: Prescription, key: string): number {
  const typed = typedPrescription(prescription)
  return Number(typed[key] ?? typed[key.replace(/Right|Left/, '')])
}

export const toleranceNames: readonly (readonly [keyof SetUpTolerances, string])[] = [
  ['levelMillimetres', 'Level'],
  ['centreLineMillimetres', 'Centre line'],
  ['fullnessMillimetres', 'Fullness'],
  ['canineMillimetres', 'Canine lines'],
  ['planeMillimetres', 'Plane'],
  ['pinMillimetres', 'Pin'],
]

export function typedTolerances(from: SetUpTolerances = usualTolerances): Typed {
  return Object.fromEntries(toleranceNames.map(([key]) => [key, String(from[key])]))
}
export function tolerancesOf(typed: Typed): SetUpTolerances {
  return Object.fromEntries(
    toleranceNames.map(([key]) => [key, readNumber(typed[key] ?? '', 'mm').value ?? Number.NaN]),
  ) as unknown as SetUpTolerances
}
