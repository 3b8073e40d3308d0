import {
  type CeramicClass,
  type JobState,
  type Lab,
  type LabProduct,
  type PlannedPot,
  type Specular,
  type ToothZone,
  toothZones,
} from '@yentrik/core'
import { readNumber } from '../parts/read-number.ts'

/** A colour as it is typed. */
export interface ColourText {
  readonly L: string
  readonly a: string
  readonly b: string
}
export const noColour: ColourText = { L: '', a: '', b: '' }
export const colourText = ({ L, a, b }: Lab): ColourText => {
  const written = (value: number) => String(Number(value.toFixed(2)))
  return { L: written(L), a: written(a), b: written(b) }
}
export const isEmpty = ({ L, a, b }: ColourText): boolean => (L + a + b).trim() === ''

/** The colour typed; undefined while a figure is missing or wrong. */
export function readColour(text: ColourText): Lab | undefined {
  const [L, a, b] = [text.L, text.a, text.b].map((each) => readNumber(each, '').value)
  return L === undefined || a === undefined || b === undefined ? undefined : { L, a, b }
}

/** What is wanted of one tooth: the colours of its block and of its target, zone by zone. */
export interface ToothText {
  readonly block: ColourText
  /** Where the block is graded: of a product of the shelf. */
  readonly graded?: Readonly<Partial<Record<ToothZone, ColourText>>>
  readonly target: Readonly<Record<ToothZone, ColourText>>
}

export interface FireDraft {
  /** By tooth; under '' what all have that were not given their own. */
  readonly teeth: Readonly<Record<string, ToothText>>
  /** Pots that are left out, by product; the others of the shelf are tried. */
  readonly without: readonly string[]
  readonly coats: '2' | '3'
  readonly firings: 'one' | 'two'
  readonly specular: Specular
  /** Looked at thinner or thicker: 1 as planned. */
  readonly brushed: string
}

const noTarget = Object.fromEntries(toothZones.map((zone) => [zone, noColour])) as ToothText['target']
export const noTooth: ToothText = { block: noColour, target: noTarget }
export const emptyFire: FireDraft = {
  teeth: {},
  without: [],
  coats: '2',
  firings: 'two',
  specular: 'excluded',
  brushed: '1',
}

/** A block a little light for its target, invented: to see what the screen does. */
export const exampleTooth: ToothText = {
  block: { L: '84', a: '1', b: '13' },
  target: {
    neck: { L: '76.5', a: '4', b: '22' },
    body: { L: '80.5', a: '2', b: '17' },
    edge: { L: '79', a: '0', b: '9.5' },
    sides: { L: '80', a: '1', b: '12' },
  },
}

export const toothOf = ({ teeth }: FireDraft, tooth: string): ToothText =>
  teeth[tooth] ?? teeth[''] ?? noTooth

/** A zone that has both its colours. */
export interface ZoneAsked {
  readonly tooth?: number
  readonly zone: ToothZone
  readonly block: Lab
  readonly target: Lab
}

/** The zones that can be planned. @param teeth FDI; of one alone no zone needs its name */
export function zonesAsked(draft: FireDraft, teeth: readonly number[]): readonly ZoneAsked[] {
  return (teeth.length === 0 ? [undefined] : teeth).flatMap((tooth) => {
    const typed = toothOf(draft, tooth === undefined ? '' : String(tooth))
    return toothZones.flatMap((zone): ZoneAsked[] => {
      const block = readColour(typed.graded?.[zone] ?? typed.block)
      const target = readColour(typed.target[zone])
      return block && target ? [{ ...(teeth.length > 1 ? { tooth: tooth! } : {}), zone, block, target }] : []
    })
  })
}

/** A product of the shelf whose film is known. */
export type CalibratedPot = LabProduct & { readonly stain: NonNullable<LabProduct['stain']> }
export const isCalibrated = (product: LabProduct): product is CalibratedPot => product.stain !== undefined

/** The class of the ceramic of a job; undefined for a job of none. */
export const ceramicOf = (job: JobState | undefined): CeramicClass | undefined =>
  job?.route.choices.ceramic as CeramicClass | undefined

export interface PlanQuestion {
  readonly zones: readonly ZoneAsked[]
  readonly pots: readonly PlannedPot[]
  readonly maxCoats: number
  readonly specular: Specular
}
