import { qty, type Saying, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { CastView, type Floor } from './cast-view.ts'
import { FreeEdge } from './free-edge.ts'
import { type Section, sectionAt, type WallPlace, wallAt, wallDown, wayOutwards } from './section.ts'
import type { SurveyMesh } from './survey-mesh.ts'
import { LEVEL, pathOf, type TableTilt } from './table.ts'
import { dot, minus, type Vector } from './vector.ts'

/** Gauges of the table, mm: what each sort of arm is aimed at. */
export const gauges = [
  { millimetres: 0.25, for: 'cast cobalt-chromium', source: 'partial-denture textbooks, recalled: 0.010 in' },
  { millimetres: 0.38, for: 'cast gold', source: 'partial-denture textbooks, recalled: 0.015 in' },
  { millimetres: 0.5, for: 'wrought wire', source: 'partial-denture textbooks, recalled: 0.020 in' },
  {
    millimetres: 0.75,
    for: 'long thin wire, clear clasps',
    source: 'recalled: 0.030 in; for wire most call it too much',
  },
] as const

/** No gauge is larger (choice). */
export const MOST_GAUGE_MILLIMETRES = 2

/** A tap counts for a place of the cast within this, mm; a place is what lies around it on its side (choices). */
const NEAR_MILLIMETRES = 1
const PATCH_MILLIMETRES = 3.5
const PATCH_DEGREES = 70
/** Chosen places are surveyed again, finer, on a piece of the cast (choices). */
const CROP_MILLIMETRES = 14
const FINE_CELL = 0.05
/** Choices: a tip this near to the gum is warned of; a wall nearer to the path is marked by hand. */
const GUM_MILLIMETRES = 1
const PARALLEL_DEGREES = 5
/** Surveyed in coarser cells a place in a narrow gap reads deeper by so much (choices). */
const COARSE_CELLS = [0.2, 0.3]
const CREASE_MILLIMETRES = 0.05
/** Less is no undercut to a hand (choice). */
const LEAST_UNDERCUT_MILLIMETRES = 0.1

export interface PlaceWord {
  readonly code:
    | 'crease'
    | 'only-by-tilt'
    | 'near-gum'
    | 'nearly-parallel'
    | 'not-reachable'
    | 'no-undercut-here'
  readonly say: Saying
}

/** A place of the cast surveyed for an arm. */
export interface SurveyedPlace {
  readonly tap: Vector
  /** The deepest around it, mm. */
  readonly deepestMillimetres: number
  readonly walls: readonly WallPlace[]
  readonly section: Section
  /** The survey line of its wall. */
  readonly line: WallPlace | undefined
  /** Where its gauge touches; undefined where it is not so deep. */
  readonly tip: WallPlace | undefined
  /** How deep the tip's place is with the table level. */
  readonly levelMillimetres: number
  readonly words: readonly PlaceWord[]
}

/**
 * Surveys a place: how deep, where on the wall its gauge touches, how deep that is with the table level.
 * @param tap on the cast, within 1 mm
 * @param gaugeMillimetres what its arm is aimed at
 * @param gum where the gum begins below, as tapped
 * @throws {DomainError} `place-not-on-cast`
 */
export function surveyPlace(asked: {
  readonly mesh: SurveyMesh
  readonly normals: Float32Array
  readonly floor: Floor
  readonly tilt: TableTilt
  readonly tap: Vector
  readonly gaugeMillimetres: number
  readonly gum?: Vector | undefined
}): SurveyedPlace {
  const { mesh, normals, floor, tilt, tap, gaugeMillimetres, gum } = asked
  const near = nearestCorner(mesh, tap)
  if (!(near.away <= NEAR_MILLIMETRES))
    throw new DomainError(
      'place-not-on-cast',
      'The place is not on the cast.',
      'Tap the wall of the tooth itself.',
      'place',
    )
  const view = new CastView(mesh, floor)
  view.look(pathOf(tilt), FINE_CELL, { middle: tap, across: CROP_MILLIMETRES })
  const edge = new FreeEdge(view)
  const depthIn = (point: Vector) => {
    const { column, row, height } = view.placeOf(point)
    return height > view.floorAt(column, row) ? edge.depthAt(column, row, height) : 0
  }
  const own = at3(normals, near.corner)
  let deepestMillimetres = 0
  let deepest = tap
  for (const corner of patch(mesh, normals, near.corner)) {
    const point = at3(mesh.positions, corner)
    const depth = depthIn(point)
    if (depth > deepestMillimetres) {
      deepestMillimetres = depth
      deepest = point
    }
  }
  // Cut where the hand tapped, unless nothing is there: then where it is deepest.
  const through = depthIn(tap) > 0 || deepestMillimetres === 0 ? tap : deepest
  const section = sectionAt(view, through, wayOutwards(view, edge, through, own))
  const walls = wallDown(view, edge, section)
  const tip = wallAt(walls, gaugeMillimetres)
  const levelMillimetres = tip ? depthAlong(mesh, floor, pathOf(LEVEL), tip.point, FINE_CELL) : 0
  const words: PlaceWord[] = []
  const most = Math.max(deepestMillimetres, ...walls.map(({ depthMillimetres }) => depthMillimetres))
  if (!tip)
    words.push({
      code: 'no-undercut-here',
      say:
        most < LEAST_UNDERCUT_MILLIMETRES
          ? 'No undercut here. Another tooth, another tilt, or ask the dentist for a contour.'
          : saying`Deepest here is ${qty.mm(most, 2)}. Another tooth, another tilt, or ask the dentist for a contour.`,
    })
  if (tip && levelMillimetres < gaugeMillimetres / 2)
    words.push({
      code: 'only-by-tilt',
      say: saying`With the table level it is ${qty.mm(levelMillimetres, 2)} deep: what pulls an appliance off acts square to the bite, so this does not hold.`,
    })
  if (tip && gum && dot(minus(tip.point, gum), view.d) < GUM_MILLIMETRES)
    words.push({
      code: 'near-gum',
      say: saying`The tip comes within ${qty.mm(GUM_MILLIMETRES)} of the gum: a shallower gauge, or another place.`,
    })
  if (tip && tip.angleDegrees < PARALLEL_DEGREES)
    words.push({
      code: 'nearly-parallel',
      say: 'The wall is nearly parallel to the rod: mark the place by hand.',
    })
  const coarse = tip ? COARSE_CELLS.map((cell) => depthAlong(mesh, floor, pathOf(tilt), tip.point, cell)) : []
  if (Math.max(0, ...coarse) > gaugeMillimetres + CREASE_MILLIMETRES)
    words.push({
      code: 'crease',
      say: 'A narrow gap here: the rod does not follow it, and the gauge may read less.',
    })
  if (tip && !reachable(view, edge, tip))
    words.push({ code: 'not-reachable', say: 'The gauge cannot come in here: stone is in its way.' })
  return { tap, deepestMillimetres: most, walls, section, line: walls[0], tip, levelMillimetres, words }
}

/** How deep one place is along a path, in cells of so many mm. */
function depthAlong(mesh: SurveyMesh, floor: Floor, path: Vector, point: Vector, cell: number): number {
  const view = new CastView(mesh, floor)
  view.look(path, cell, { middle: point, across: CROP_MILLIMETRES })
  const { column, row, height } = view.placeOf(point)
  return new FreeEdge(view).depthAt(column, row, height)
}

/** Whether the head of the gauge comes in at the height of a place: nothing solid between it and the free place. */
function reachable(view: CastView, edge: FreeEdge, { point }: WallPlace): boolean {
  const { column, row, height } = view.placeOf(point)
  if (edge.depthAt(column, row, height) === 0) return true
  const [toColumn, toRow] = [edge.nearColumn, edge.nearRow]
  const steps = Math.ceil(Math.hypot(toColumn - column, toRow - row))
  // Its own wall is not in its way: the first two cells are.
  for (let n = 2; n < steps; n++) {
    const at =
      Math.round(row + (n / steps) * (toRow - row)) * view.columns +
      Math.round(column + (n / steps) * (toColumn - column))
    let winding = 0
    for (let f = view.head[at]!; f !== -1; f = view.next[f]!)
      if (view.faceHeight[f]! > height) winding += view.face[f]! > 0 ? 1 : -1
    if (winding > 0) return false
  }
  return true
}

/** The corners around a place that look the same way as it. */
export function patch(mesh: SurveyMesh, normals: Float32Array, corner: number): number[] {
  const { positions } = mesh
  const middle = at3(positions, corner)
  const own = at3(normals, corner)
  const least = Math.cos((PATCH_DEGREES * Math.PI) / 180)
  const found: number[] = []
  for (let n = 0; n < positions.length / 3; n++) {
    const away = minus(at3(positions, n), middle)
    if (dot(away, away) > PATCH_MILLIMETRES ** 2) continue
    if (dot(at3(normals, n), own) >= least) found.push(n)
  }
  return found
}

export function nearestCorner({ positions }: SurveyMesh, place: Vector): { corner: number; away: number } {
  let [corner, least] = [0, Infinity]
  for (let n = 0, at = 0; at < positions.length; n++, at += 3) {
    const far =
      (positions[at]! - place[0]) ** 2 +
      (positions[at + 1]! - place[1]) ** 2 +
      (positions[at + 2]! - place[2]) ** 2
    if (far < least) {
      least = far
      corner = n
    }
  }
  return { corner, away: Math.sqrt(least) }
}

const at3 = (values: Float32Array, n: number): Vector => [
  values[3 * n]!,
  values[3 * n + 1]!,
  values[3 * n + 2]!,
]
