import type { ArchLandmarks, ModelEntry, PairEntry, Point } from '@yentrik/core'
import { useCallback } from 'react'
import { useDraft } from '../parts/draft.ts'
import { readNumber } from '../parts/read-number.ts'

export type ArchName = 'upper' | 'lower'

/** A landmark to be marked: how many points it wants and in which order they come. */
export interface LandmarkSpec {
  readonly key: string
  readonly name: string
  readonly how: string
  /** With so many the next one is asked for. */
  readonly want: number
  readonly least: number
}

const sided = (key: string, name: string, how: string, want: number, least = want): LandmarkSpec[] =>
  (['right', 'left'] as const).map((side) => ({
    key: `${key}.${side}`,
    name: `${side === 'right' ? 'Right' : 'Left'} ${name}`,
    how: `${how} The patient's ${side}.`,
    want,
    least,
  }))
const arch: readonly LandmarkSpec[] = [
  ...sided('canines', 'canine', 'The centre of the canine.', 1),
  ...sided('buccal', 'buccal line', 'Along the buccal surfaces, premolar to last molar.', 3, 2),
  ...sided('vestibule', 'vestibule', 'The deepest line of the vestibule beside the teeth.', 3, 1),
  {
    key: 'anterior',
    name: 'Front vestibule',
    how: 'The deepest line in front, from side to side.',
    want: 3,
    least: 0,
  },
  { key: 'incisorFront', name: 'Incisors', how: 'The front of the central incisors.', want: 1, least: 1 },
  {
    key: 'outline',
    name: 'Present edge',
    how: 'The edge of the base as it is, all round.',
    want: 7,
    least: 0,
  },
]
export const landmarkSpecs: Readonly<Record<ArchName, readonly LandmarkSpec[]>> = {
  upper: [
    {
      key: 'midline',
      name: 'Midline',
      how: 'Along the mid-palatal suture, at the back and in front.',
      want: 2,
      least: 2,
    },
    ...sided('notches', 'hamular notch', 'The bottom of the notch behind the tuberosity.', 1),
    ...arch,
  ],
  lower: [
    {
      key: 'backEdge',
      name: 'Back edge',
      how: 'Two points on the back, trimmed flush with the upper.',
      want: 2,
      least: 2,
    },
    {
      key: 'mark',
      name: 'Midline mark',
      how: 'The midline of the upper, carried down onto the back.',
      want: 1,
      least: 1,
    },
    ...arch,
  ],
}

/** A place at which the height gauge was put, and what it read, as typed. */
interface HeightDraft {
  readonly at: Point
  readonly text: string
}
/** What has been marked on one model, mm in the frame of its picture. */
export interface ModelDraft {
  readonly points: Readonly<Record<string, readonly Point[]>>
  readonly heights: readonly HeightDraft[]
  readonly deepest: string
  /** Of the picture, once two ends of a known length were marked. */
  readonly millimetresPerPixel?: number
}
export interface PairDraft {
  readonly upper: ModelDraft
  readonly lower: ModelDraft
  readonly heel: string
  readonly betterSide: 'right' | 'left' | ''
  readonly planeOff: string
}

const emptyModel: ModelDraft = { points: {}, heights: [], deepest: '' }
export const emptyDraft: PairDraft = {
  upper: emptyModel,
  lower: emptyModel,
  heel: '12.7',
  betterSide: '',
  planeOff: '',
}

/** A pair while it is marked and measured. */
export function usePairDraft(key: string, stored: PairEntry | undefined) {
  const [draft, keep, forget] = useDraft<PairDraft>(`trim ${key}`, () =>
    stored ? draftOf(stored) : emptyDraft,
  )
  const change = useCallback((to: Partial<PairDraft>) => keep((before) => ({ ...before, ...to })), [keep])
  return { draft, change, forget }
}

/** A stored plan, opened again for looking or changing. */
export function draftOf(entry: PairEntry): PairDraft {
  const { betterSide, heelMillimetres } = entry.choices
  return {
    upper: modelDraft(entry.upper),
    lower: modelDraft(entry.lower),
    heel: heelMillimetres === undefined ? '12.7' : String(heelMillimetres),
    betterSide: betterSide ?? '',
    planeOff: entry.planeOffMiddleMillimetres === undefined ? '' : String(entry.planeOffMiddleMillimetres),
  }
}

function modelDraft({
  landmarks,
  outline,
  heights,
  deepestMillimetres,
}: ModelEntry<ArchLandmarks>): ModelDraft {
  const points: Record<string, readonly Point[]> = { outline }
  for (const [key, value] of Object.entries(landmarks)) {
    if (Array.isArray(value)) points[key] = value as Point[]
    else if ('x' in value) points[key] = [value as Point]
    else
      for (const [side, at] of Object.entries(value as Record<string, Point | readonly Point[]>))
        points[`${key}.${side}`] = Array.isArray(at) ? at : [at as Point]
  }
  return {
    points,
    heights: heights.map(({ at, heightMillimetres }) => ({ at, text: String(heightMillimetres) })),
    deepest: deepestMillimetres === undefined ? '' : String(deepestMillimetres),
  }
}

/** The draft as the core plans it; or what is still missing, in the order in which it is asked for. */
export function entryOf(draft: PairDraft): {
  readonly entry?: PairEntry
  readonly missing: readonly string[]
} {
  const missing: string[] = []
  const heel = readNumber(draft.heel, 'mm')
  if (heel.fault) missing.push(`Heel: ${heel.fault}`)
  const off = readNumber(draft.planeOff, 'mm', { wanted: false })
  if (off.fault) missing.push(`Plane off the middle: ${off.fault}`)
  const model = (name: ArchName) => {
    const { points, heights, deepest } = draft[name]
    for (const { key, name: what, least } of landmarkSpecs[name])
      if ((points[key] ?? []).length < least) missing.push(`${name}: ${what.toLowerCase()}`)
    const read = heights.map(({ at, text }) => ({
      at,
      heightMillimetres: readNumber(text, 'mm').value ?? Number.NaN,
    }))
    if (heights.length < 3 || read.some(({ heightMillimetres }) => Number.isNaN(heightMillimetres)))
      missing.push(`${name}: height at three places`)
    const deep = readNumber(deepest, 'mm', { wanted: false })
    if (deep.fault) missing.push(`${name}: deepest anatomy, ${deep.fault}`)
    return {
      outline: points.outline ?? [],
      heights: read,
      ...(deep.value === undefined ? {} : { deepestMillimetres: deep.value }),
    }
  }
  const upper = model('upper')
  const lower = model('lower')
  if (missing.length > 0) return { missing }
  const of = (name: ArchName) => draft[name].points
  const both = (name: ArchName, key: string) => ({
    right: of(name)[`${key}.right`] ?? [],
    left: of(name)[`${key}.left`] ?? [],
  })
  const one = (name: ArchName, key: string) => {
    const { right, left } = both(name, key)
    return { right: right[0]!, left: left[0]! }
  }
  const shared = (name: ArchName) => ({
    canines: one(name, 'canines'),
    buccal: both(name, 'buccal'),
    vestibule: both(name, 'vestibule'),
    anterior: of(name).anterior ?? [],
    incisorFront: of(name).incisorFront![0]!,
  })
  const [a, b] = of('lower').backEdge!
  return {
    missing,
    entry: {
      upper: {
        ...upper,
        landmarks: { ...shared('upper'), midline: of('upper').midline!, notches: one('upper', 'notches') },
      },
      lower: { ...lower, landmarks: { ...shared('lower'), backEdge: [a!, b!], mark: of('lower').mark![0]! } },
      choices: {
        heelMillimetres: heel.value!,
        ...(draft.betterSide === '' ? {} : { betterSide: draft.betterSide }),
      },
      ...(off.value === undefined ? {} : { planeOffMiddleMillimetres: off.value }),
    },
  }
}
