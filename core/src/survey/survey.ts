import { USUAL_WAX_GRAMS_PER_CM3 } from '../materials/index.ts'
import { DomainError } from '../refusal/index.ts'
import { CastView, type Floor } from './cast-view.ts'
import { areasDeeper, DEPTH_CLASSES, depthLine, depthsOf, type SurveyLine, surveyLine } from './depths.ts'
import { FreeEdge } from './free-edge.ts'
import { outlineOf, seenAlong } from './plan.ts'
import { HOLES_SHARE, type RoomBody, roomBodies, roomUnder, taperAdds } from './room.ts'
import { boundsOf, type Cluster, clustered, cornerNormals, type SurveyMesh } from './survey-mesh.ts'
import { pathOf, type TableTilt } from './table.ts'
import { type Tripod, tripodOf } from './tripod.ts'
import { dot, minus, type Vector } from './vector.ts'

/** Cells of a survey that stands, and of one that is dragged, mm; and the coarse cast of the drag (choices). */
export const FULL_CELL = 0.15
export const DRAG_CELL = 0.3
const DRAG_CLUSTER = 0.6
/** Above the lowest sulcus, or else this share of the height (choices). */
const FLOOR_OVER_SULCUS_MILLIMETRES = 1
const FLOOR_SHARE = 0.25

/** Where the floor is put when nobody says: 1 mm above the lowest place tapped, else at a quarter of the height. */
export function usualFloor(mesh: SurveyMesh, lowestSulcus?: number): Floor {
  const { min, max } = boundsOf(mesh)
  return {
    normal: [0, 0, 1],
    height:
      lowestSulcus === undefined
        ? min[2] + FLOOR_SHARE * (max[2] - min[2])
        : lowestSulcus + FLOOR_OVER_SULCUS_MILLIMETRES,
  }
}

/** Faces that lean less than this from the path can be scratched (the cosine; choice). */
const ACROSS = 0.5
/** Of the places that are offered (choices). */
const LEAST_HOLD_MILLIMETRES = 0.2
const PLACES_APART_MILLIMETRES = 7
const MOST_PLACES = 12

/** The cast as the rod sees it, mm to the right and ahead: pieces of line, four numbers each. */
export interface CastPlan {
  readonly outline: Float32Array
  readonly line: Float32Array
  readonly gauges: readonly Float32Array[]
}

/** What a cast is along one direction. */
export interface SurveyOfCast {
  readonly tilt: TableTilt
  /** Per corner of the mesh, mm. */
  readonly depths: Float32Array
  readonly line: SurveyLine
  /** Deeper than each class, mm². */
  readonly areas: readonly number[]
  /** Block-out down to the floor, and body by body, the largest first. */
  readonly cubicMillimetres: number
  readonly bodies: readonly RoomBody[]
  readonly holes: boolean
}

/**
 * A cast to be surveyed, again and again, along one direction after the other. One survey at a time: what it works with is used again.
 */
export class CastSurvey {
  readonly normals: Float32Array
  private readonly view: CastView
  private coarse:
    | (Cluster & { readonly view: CastView; readonly painted: Uint8Array | undefined })
    | undefined
  private readonly held: Float32Array

  /**
   * @param painted per triangle, 1 where it counts; left out: all above the floor
   * @throws {DomainError} `region-empty`
   */
  constructor(
    readonly mesh: SurveyMesh,
    readonly floor: Floor,
    readonly painted?: Uint8Array,
  ) {
    if (!someAbove(mesh, floor))
      throw new DomainError(
        'region-empty',
        'Nothing stands above the floor.',
        'Lower the floor.',
        'floorMillimetres',
      )
    this.normals = cornerNormals(mesh)
    this.view = new CastView(mesh, floor)
    this.held = new Float32Array(mesh.positions.length / 3)
  }

  /** Everything along one direction; the depths are overwritten by the next survey. @throws {DomainError} as `pathOf` and `CastView.look` */
  along(tilt: TableTilt, cell = FULL_CELL): SurveyOfCast {
    const { view } = this
    view.look(pathOf(tilt), cell)
    const edge = new FreeEdge(view)
    const depths = depthsOf(view, edge, this.held)
    const line = surveyLine(view, edge, this.normals)
    const { cubicMillimetres, oddShare } = roomUnder(view, this.painted)
    return {
      tilt,
      depths,
      line,
      areas: areasDeeper(view, depths, DEPTH_CLASSES, this.painted),
      cubicMillimetres,
      bodies: roomBodies(view, this.painted),
      holes: oddShare > HOLES_SHARE,
    }
  }

  /** The cast as the rod sees it, in mm: its outline, its survey line, and where the depth passes each gauge. */
  plan(tilt: TableTilt, gauges: readonly number[]): CastPlan {
    const { line, depths } = this.along(tilt)
    const { d } = this.view
    return {
      outline: outlineOf(this.view),
      line: seenAlong(line.pieces, d),
      gauges: gauges.map((gauge) => seenAlong(depthLine(this.view, depths, gauge), d)),
    }
  }

  /** Three marks of one height to scratch with the arm locked, on faces that the rod sees and that lie across it. */
  tripod({ tilt, depths }: SurveyOfCast): Tripod | undefined {
    const path = pathOf(tilt)
    const { positions } = this.mesh
    const { normal, height } = this.floor
    const seen = new Uint8Array(depths.length)
    for (let n = 0; n < seen.length; n++) {
      const at: Vector = [positions[3 * n]!, positions[3 * n + 1]!, positions[3 * n + 2]!]
      const face: Vector = [this.normals[3 * n]!, this.normals[3 * n + 1]!, this.normals[3 * n + 2]!]
      if (depths[n] === 0 && dot(face, path) > ACROSS && dot(at, normal) > height) seen[n] = 1
    }
    return tripodOf(positions, seen, path)
  }

  /** The deepest places, apart from each other, the deepest first: where an arm may hold. */
  deepPlaces({ depths }: SurveyOfCast): { readonly corner: number; readonly depthMillimetres: number }[] {
    const { positions } = this.mesh
    const order = [...depths.keys()]
      .filter((n) => depths[n]! >= LEAST_HOLD_MILLIMETRES)
      .sort((a, b) => depths[b]! - depths[a]!)
    const at = (n: number): Vector => [positions[3 * n]!, positions[3 * n + 1]!, positions[3 * n + 2]!]
    const found: number[] = []
    for (const n of order) {
      if (found.length === MOST_PLACES) break
      if (found.every((other) => Math.hypot(...minus(at(n), at(other))) >= PLACES_APART_MILLIMETRES))
        found.push(n)
    }
    return found.map((corner) => ({ corner, depthMillimetres: depths[corner]! }))
  }

  /** The block-out along a direction, with its walls tapered by each angle, mm³. */
  rooms(tilt: TableTilt, tapers: readonly number[], cell = FULL_CELL): number[] {
    this.view.look(pathOf(tilt), cell)
    const edge = new FreeEdge(this.view)
    const { cubicMillimetres } = roomUnder(this.view, this.painted)
    return tapers.map((degrees) => cubicMillimetres + taperAdds(this.view, edge, degrees))
  }

  /** The block-out alone, mm³. */
  room(path: Vector, cell = FULL_CELL): number {
    this.view.look(path, cell)
    return roomUnder(this.view, this.painted).cubicMillimetres
  }

  /** The same, quickly, on the cast with its corners drawn together: to search by, not to be shown. */
  coarseRoom(path: Vector): number {
    const { view, painted } = this.coarseView()
    view.look(path, DRAG_CELL)
    return roomUnder(view, painted).cubicMillimetres
  }

  /** While the table is dragged: depths per corner of the whole mesh, from the coarse cast, and the block-out. */
  dragged(tilt: TableTilt): { readonly depths: Float32Array; readonly cubicMillimetres: number } {
    const { view, of, painted, mesh } = this.coarseView()
    view.look(pathOf(tilt), DRAG_CELL)
    const edge = new FreeEdge(view)
    const depths = depthsOf(view, edge, new Float32Array(mesh.positions.length / 3))
    return {
      depths: this.held.map((_, n) => depths[of[n]!]!),
      cubicMillimetres: roomUnder(view, painted).cubicMillimetres,
    }
  }

  private coarseView() {
    if (!this.coarse) {
      const cluster = clustered(this.mesh, DRAG_CLUSTER)
      const { painted } = this
      this.coarse = {
        ...cluster,
        view: new CastView(cluster.mesh, this.floor),
        painted: painted && Uint8Array.from(cluster.from, (triangle) => painted[triangle]!),
      }
    }
    return this.coarse
  }
}

/** Wax for a volume, g. */
export const waxGrams = (cubicMillimetres: number): number =>
  (cubicMillimetres / 1000) * USUAL_WAX_GRAMS_PER_CM3
/** Plaster or putty is mixed so much more than fills (choice). */
export const MIX_WASTE = 1.2

function someAbove({ positions }: SurveyMesh, { normal, height }: Floor): boolean {
  for (let n = 0; n < positions.length; n += 3)
    if (positions[n]! * normal[0] + positions[n + 1]! * normal[1] + positions[n + 2]! * normal[2] > height)
      return true
  return false
}
