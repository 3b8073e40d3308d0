import {
  type ArmMaterialId,
  type ClaspArm,
  gauges,
  LEVEL,
  type MeshUnitId,
  MOST_GAUGE_MILLIMETRES,
  type SurveyArch,
  sideOf,
  type TableTilt,
  type Vector,
} from '@yentrik/core'
import { readNumber } from '../parts/read-number.ts'

/** What the survey is made for. */
export type SurveyUse = 'clasp' | 'blockOut' | 'recovery'

/** An arm as typed. */
export interface ArmTyped {
  readonly material: ArmMaterialId
  readonly thick: string
  readonly wide: string
  readonly shape: 'straight' | 'arc'
  readonly free: string
  readonly radius: string
  readonly degrees: string
}
export const usualArm = (use: SurveyUse): ArmTyped => ({
  material: use === 'blockOut' ? 'copolyester' : 'steel',
  thick: use === 'blockOut' ? '1.2' : '0.9',
  wide: '4',
  shape: 'straight',
  free: use === 'blockOut' ? '10' : '15',
  radius: '5',
  degrees: '120',
})

/** A place on the cast, as it was tapped and named. */
export interface PlaceDraft {
  readonly id: number
  readonly name: string
  readonly tap: Vector
  readonly gauge: string
  readonly gum?: Vector
  readonly arm: ArmTyped
}

/** Everything that is entered on the survey screen; the scan itself is opened again. */
export interface SurveyDraft {
  readonly use: SurveyUse
  readonly arch: SurveyArch
  readonly tilt: TableTilt
  readonly locked: boolean
  readonly places: readonly PlaceDraft[]
  readonly chosen: number | undefined
  readonly taper: '0' | '2' | '6'
  readonly floor: string
  readonly canine: string
  readonly end: string
  readonly unit?: MeshUnitId
}
export const surveyFor = (use: SurveyUse, arch: SurveyArch): SurveyDraft => ({
  use,
  arch,
  tilt: LEVEL,
  locked: false,
  places: [],
  chosen: undefined,
  taper: '0',
  floor: '',
  canine: '42',
  end: '108',
})

/** Least and most of the cast, as it lies. */
export interface CastBounds {
  readonly min: Vector
  readonly max: Vector
}

/** Where a place is on the cast, in words of the patient. */
export function whereWords(arch: SurveyArch, [x, y]: Vector, { min, max }: CastBounds): string {
  const wide = max[0] - min[0]
  const side =
    Math.abs(x - (min[0] + max[0]) / 2) < wide / 8 ? 'middle' : sideOf(arch, x - (min[0] + max[0]) / 2)
  const along = (y - min[1]) / (max[1] - min[1])
  return `${side}, ${along > 0.66 ? 'front' : along > 0.33 ? 'side' : 'back'}`
}

/** Towards lip and cheek, or towards the tongue: which way a face looks from the middle of the cast. */
export function faceWords([x, y]: Vector, [nx, ny]: Vector, { min, max }: CastBounds): string {
  const [mx, my] = [(min[0] + max[0]) / 2, min[1] + 0.35 * (max[1] - min[1])]
  return (x - mx) * nx + (y - my) * ny > 0 ? 'outer side' : 'inner side'
}

export const usualGauge = (use: SurveyUse): string =>
  use === 'blockOut' ? '0.6' : String(gauges[2].millimetres)

/** A place that was tapped, with a name to begin with: its side of the patient. */
export function placeAt(draft: SurveyDraft, tap: Vector): PlaceDraft {
  const id = Math.max(0, ...draft.places.map((each) => each.id)) + 1
  return {
    id,
    name: `Place ${id}, ${sideOf(draft.arch, tap[0])} side`,
    tap,
    gauge: usualGauge(draft.use),
    arm: draft.places.at(-1)?.arm ?? usualArm(draft.use),
  }
}

/** The gauge of a place; undefined while it is no gauge. */
export function gaugeOf({ gauge }: PlaceDraft): number | undefined {
  const { value } = readNumber(gauge, 'mm')
  return value !== undefined && value > 0 && value <= MOST_GAUGE_MILLIMETRES ? value : undefined
}

const strips: readonly ArmMaterialId[] = ['copolyester', 'acetal', 'polyamide']
export const isStrip = (material: ArmMaterialId) => strips.includes(material)

/** The arm as the core takes it, without its deflection; undefined while a figure is missing. */
export function armOf({
  material,
  thick,
  wide,
  shape,
  free,
  radius,
  degrees,
}: ArmTyped): Omit<ClaspArm, 'deflectionMillimetres'> | undefined {
  const number = (text: string) => readNumber(text, 'mm').value
  const [t, w, L, R, angle] = [
    number(thick),
    number(wide),
    number(free),
    number(radius),
    readNumber(degrees, '°').value,
  ]
  const cut = isStrip(material)
    ? t && w && { section: 'strip' as const, widthMillimetres: w, thickMillimetres: t }
    : t && { section: 'round' as const, millimetres: t }
  const run =
    shape === 'straight'
      ? L && { shape, freeMillimetres: L }
      : R && angle && { shape, radiusMillimetres: R, degrees: angle }
  return cut && run ? { material, run, cut } : undefined
}
