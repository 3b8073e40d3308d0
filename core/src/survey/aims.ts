import { type BestTilt, bestTilt, guidingPath, type WorkedTilt } from './best-tilt.ts'
import { CastView, SNAP } from './cast-view.ts'
import { FreeEdge } from './free-edge.ts'
import { patch } from './place.ts'
import type { CastSurvey } from './survey.ts'
import { areaNormal } from './survey-mesh.ts'
import { LEVEL, pathOf, type TableTilt, tiltOf } from './table.ts'
import type { Vector } from './vector.ts'

/** What a tilt is to be best for, one at a time. */
export const tiltAims = ['room', 'retention', 'guiding', 'gum'] as const
export type TiltAim = (typeof tiltAims)[number]

/** Of a place, the deepest but for so much of its corners; more than 1 mm holds no better (choices). */
const DEEP_SHARE = 0.98
const MOST_HOLD_MILLIMETRES = 1
const PLACE_CELL = 0.2
const PLACE_CROP_MILLIMETRES = 8
/** Two tilts are as good for retention when each place differs by less than this, mm (choice). */
const SAME_HOLD_MILLIMETRES = 0.02

/** A place for the search: its corner, and the gauge that its arm is aimed at. */
export interface AimedPlace {
  readonly corner: number
  readonly gaugeMillimetres: number
}

/**
 * The best tilt by one aim, with level and the present tilt beside it:
 * least room, equal retention Σ (min(D, 1) - g)² over the places, guiding faces Σ A (n·d)² (exact), or least room in the gum.
 */
export function bestTiltFor(
  survey: CastSurvey,
  aim: TiltAim,
  asked: {
    readonly present: TableTilt
    readonly places: readonly AimedPlace[]
    /** The gum, for its own aim. */
    readonly gum?: CastSurvey | undefined
    readonly onProgress?: ((tried: number) => void) | undefined
  },
): BestTilt {
  const { present, places, gum, onProgress = () => undefined } = asked
  if (aim === 'guiding') return priced(survey, guiding(survey, present, places))
  if (aim === 'retention') {
    const worth = retention(survey, places)
    return priced(
      survey,
      bestTilt({
        coarse: worth,
        fine: worth,
        present,
        slack: places.length * SAME_HOLD_MILLIMETRES ** 2,
        onProgress,
      }),
    )
  }
  const of = aim === 'gum' && gum ? gum : survey
  return bestTilt({
    coarse: (path) => of.coarseRoom(path),
    fine: (path) => of.room(path),
    present,
    onProgress,
  })
}

/** Every tilt that is shown, with what it costs in wax. */
function priced(survey: CastSurvey, { chosen, level, present, ...found }: BestTilt): BestTilt {
  const price = (of: WorkedTilt): WorkedTilt => ({ ...of, cubicMillimetres: survey.room(pathOf(of.tilt)) })
  const [first, shown] = [price(level), price(present)]
  return { ...found, level: first, present: shown, chosen: chosen === level ? first : price(chosen) }
}

/** How far the places are from what their arms want: Σ (min(D, 1) - g)², D the deepest of each but for a fiftieth. */
function retention({ mesh, floor, normals }: CastSurvey, places: readonly AimedPlace[]) {
  const view = new CastView(mesh, floor)
  const patches = places.map(({ corner }) => patch(mesh, normals, corner))
  return (path: Vector) =>
    places.reduce((sum, { corner, gaugeMillimetres }, n) => {
      const at = 3 * corner
      const middle: Vector = [mesh.positions[at]!, mesh.positions[at + 1]!, mesh.positions[at + 2]!]
      view.look(path, PLACE_CELL, { middle, across: PLACE_CROP_MILLIMETRES })
      const edge = new FreeEdge(view)
      const deep = patches[n]!.map((k) =>
        edge.depthAt(view.u[k]! / SNAP, view.v[k]! / SNAP, view.w[k]!),
      ).sort((a, b) => a - b)
      const most = deep[Math.floor(DEEP_SHARE * (deep.length - 1))] ?? 0
      return sum + (Math.min(most, MOST_HOLD_MILLIMETRES) - gaugeMillimetres) ** 2
    }, 0)
}

function guiding({ mesh, normals }: CastSurvey, present: TableTilt, places: readonly AimedPlace[]): BestTilt {
  const chosen = new Set(places.flatMap(({ corner }) => patch(mesh, normals, corner)))
  const faces: { readonly normal: Vector; readonly area: number }[] = []
  for (let n = 0; n < mesh.triangles.length / 3; n++) {
    if (![0, 1, 2].every((k) => chosen.has(mesh.triangles[3 * n + k]!))) continue
    const normal = areaNormal(mesh, n)
    const area = Math.hypot(...normal)
    if (area > 0) faces.push({ normal: [normal[0] / area, normal[1] / area, normal[2] / area], area })
  }
  const { path } = guidingPath(faces)
  const lean = (d: Vector) =>
    faces.reduce(
      (sum, { normal: n, area }) => sum + area * (n[0] * d[0] + n[1] * d[1] + n[2] * d[2]) ** 2,
      0,
    ) / faces.reduce((sum, { area }) => sum + area, 0)
  const worked = (tilt: TableTilt): WorkedTilt => ({ tilt, value: lean(pathOf(tilt)) })
  const { lateralDegrees, anteroposteriorDegrees } = tiltOf(path)
  const level = worked(LEVEL)
  const best = worked({ lateralDegrees, anteroposteriorDegrees })
  const levelIsAsGood = level.value <= best.value + (Math.PI / 180) ** 2
  return { chosen: levelIsAsGood ? level : best, level, present: worked(present), levelIsAsGood, tried: 1 }
}
