import { sawDepth } from '../curing/index.ts'
import { qty, type Saying, saying, toDegrees } from '../quantity/index.ts'
import {
  areaNormal,
  boundsOf,
  CastView,
  type Contact,
  depthsOf,
  FreeEdge,
  LEVEL,
  levelFloor,
  pathOf,
  type SurveyMesh,
  type Vector,
  type WayOut,
  wayOut,
} from '../survey/index.ts'
import { HELD_UNDERCUT_MILLIMETRES, type RecoveredArch, type StoneHeights } from './saw-plan.ts'

/** A piece of the stone between its cuts, and how it leaves the denture. */
export interface StonePiece {
  readonly name: string
  /** From the front, towards the x of the cast; the piece lies between them. */
  readonly fromDegrees: number
  readonly toDegrees: number
  readonly out: WayOut
  /** Of its outer wall, drawn straight down: 98 of 100 are shallower, mm. */
  readonly flangeUndercutMillimetres: number
  /** No lever bears on its outer flange. */
  readonly neverPry: boolean
  readonly say: Saying
}

/** A cut, and the stone along it between the base and the denture. */
export interface PieceCut {
  readonly at: 'canine' | 'midline' | 'end'
  readonly degrees: number
  /** The thinnest along the cut. */
  readonly stoneMillimetres: number
  readonly sawMillimetres: number
}

export interface StonePieces {
  readonly pieces: readonly StonePiece[]
  readonly cuts: readonly PieceCut[]
  /** Over the vault of an upper, beside the tongue in a lower. */
  readonly middleMillimetres: number
  readonly middleSawMillimetres: number
  /** The middle of the arch in the plan, from which the angles count. */
  readonly centre: readonly [number, number]
}

/** Where the cuts are when nobody says, degrees from the front (choices). */
export const USUAL_CUTS = { canineDegrees: 42, endDegrees: 108 } as const
/** From the crest inwards, mm: what lies farther in is the block of the middle (choice). */
const MIDDLE_BLOCK_MILLIMETRES = 7
const SHARE = 0.98
const CELL = 0.3

/**
 * The stone of a cured denture in pieces between saw cuts: how each comes out, which flange it holds, how deep the saw may go.
 * The midline is cut too where the front stays locked in one piece.
 * @param contact per triangle, 1 where the denture lies on it; left out: all above the floor
 * Source: contact of rigid bodies (exact); the order by common practice. A denture that gives, and wax, are not in it.
 */
export function stonePieces(asked: {
  readonly mesh: SurveyMesh
  readonly arch: RecoveredArch
  readonly floorMillimetres: number
  readonly contact?: Uint8Array | undefined
  readonly canineDegrees?: number
  readonly endDegrees?: number
}): StonePieces {
  const { mesh, arch, floorMillimetres, contact } = asked
  const canine = asked.canineDegrees ?? USUAL_CUTS.canineDegrees
  const end = asked.endDegrees ?? USUAL_CUTS.endDegrees
  const { min, max } = boundsOf(mesh)
  const view = new CastView(mesh, levelFloor(floorMillimetres))
  view.look(pathOf(LEVEL), CELL)
  const depths = depthsOf(view, new FreeEdge(view), new Float32Array(mesh.positions.length / 3))
  const centre = [(min[0] + max[0]) / 2, min[1] + 0.35 * (max[1] - min[1])] as const
  const polar = (x: number, y: number) => ({
    degrees: toDegrees(Math.atan2(x - centre[0], y - centre[1])),
    radius: Math.hypot(x - centre[0], y - centre[1]),
  })
  const faces = facesOf(mesh, floorMillimetres, contact).map((face) => ({
    ...face,
    ...polar(face.middle[0], face.middle[1]),
  }))
  const crest = crestOf(faces)
  const ridge = faces.filter(({ degrees, radius }) => radius > crest(degrees) - MIDDLE_BLOCK_MILLIMETRES)

  const pieceOf = (name: string, from: number, to: number): StonePiece | undefined => {
    const own = ridge.filter(({ degrees }) => degrees >= from && degrees < to)
    if (own.length === 0) return undefined
    const out = wayOut(own)
    const outer = own
      .filter(({ degrees, radius, normal }) => {
        const turn = (degrees * Math.PI) / 180
        return radius > crest(degrees) && normal[0] * Math.sin(turn) + normal[1] * Math.cos(turn) > 0.3
      })
      .map(({ corners }) => Math.max(...corners.map((corner) => depths[corner]!)))
      .sort((a, b) => a - b)
    const flangeUndercutMillimetres = outer[Math.floor(SHARE * (outer.length - 1))] ?? 0
    const neverPry = flangeUndercutMillimetres > HELD_UNDERCUT_MILLIMETRES || !out.whole
    return {
      name,
      fromDegrees: from,
      toDegrees: to,
      out,
      flangeUndercutMillimetres,
      neverPry,
      say: pieceWords(name, out, flangeUndercutMillimetres, neverPry),
    }
  }
  const side = (positive: boolean) => (positive === (arch === 'upper') ? 'Left' : 'Right')
  const whole = pieceOf('Front', -canine, canine)
  const front =
    whole && !whole.out.whole
      ? [pieceOf(`${side(false)} front`, -canine, 0), pieceOf(`${side(true)} front`, 0, canine)]
      : [whole]
  const pieces = [
    pieceOf(`${side(false)} end`, -180, -end),
    pieceOf(`${side(false)} side`, -end, -canine),
    ...front,
    pieceOf(`${side(true)} side`, canine, end),
    pieceOf(`${side(true)} end`, end, 180),
  ].filter((piece) => piece !== undefined)
  const stoneAlong = (degrees: number) => {
    const turn = (degrees * Math.PI) / 180
    let least = Infinity
    for (let radius = 0; radius < 60; radius += 0.5) {
      const x = centre[0] + radius * Math.sin(turn)
      const y = centre[1] + radius * Math.cos(turn)
      const { column, row } = view.placeOf([x, y, 0])
      const top = view.top[Math.round(row) * view.columns + Math.round(column)]
      // Under the ridge alone: the middle has a cut of its own.
      if (radius < crest(degrees) - MIDDLE_BLOCK_MILLIMETRES || radius > crest(degrees)) continue
      if (top !== undefined && top > floorMillimetres) least = Math.min(least, top - min[2])
    }
    return Number.isFinite(least) ? least : 0
  }
  const cut = (at: PieceCut['at'], degrees: number): PieceCut => {
    const stoneMillimetres = stoneAlong(degrees)
    return { at, degrees, stoneMillimetres, sawMillimetres: sawDepth(stoneMillimetres) }
  }
  const inside = faces.filter(({ degrees, radius }) => radius <= crest(degrees) - MIDDLE_BLOCK_MILLIMETRES)
  const middleMillimetres = inside.reduce(
    (least, { middle }) => Math.min(least, middle[2] - min[2]),
    Infinity,
  )
  const middle = Number.isFinite(middleMillimetres) ? middleMillimetres : 0
  return {
    pieces,
    cuts: [
      cut('canine', -canine),
      cut('canine', canine),
      ...(front.length === 2 ? [cut('midline', 0)] : []),
      cut('end', -end),
      cut('end', end),
    ],
    middleMillimetres: middle,
    middleSawMillimetres: sawDepth(middle),
    centre,
  }
}

/** What the saw plan asks of the stone, as the scan knows it: the thinner side of each pair of cuts, the deepest undercut in front. */
export function heightsOfPieces({ cuts, middleMillimetres, pieces }: StonePieces): StoneHeights {
  const least = (at: PieceCut['at']) =>
    Math.min(...cuts.filter((cut) => cut.at === at).map(({ stoneMillimetres }) => stoneMillimetres))
  const front = pieces.filter(({ fromDegrees: from, toDegrees: to }) => from <= 0 && to >= 0)
  const read = (value: number) => Math.round(value * 10) / 10
  return {
    middle: read(middleMillimetres),
    canines: read(least('canine')),
    ends: read(least('end')),
    // A front that comes whole is not cut: the stone there is about that at the canines.
    midline: read(cuts.some(({ at }) => at === 'midline') ? least('midline') : least('canine')),
    labialUndercut: read(
      Math.max(0, ...front.map(({ flangeUndercutMillimetres }) => flangeUndercutMillimetres)),
    ),
  }
}

interface Face extends Contact {
  readonly middle: Vector
  readonly corners: readonly number[]
}

function facesOf(mesh: SurveyMesh, floor: number, contact: Uint8Array | undefined): Face[] {
  const { positions, triangles } = mesh
  const faces: Face[] = []
  for (let n = 0; n < triangles.length / 3; n++) {
    if (contact && contact[n] === 0) continue
    const corners = [0, 1, 2].map((k) => 3 * triangles[3 * n + k]!)
    const middle = [0, 1, 2].map(
      (axis) => corners.reduce((sum, at) => sum + positions[at + axis]!, 0) / 3,
    ) as unknown as Vector
    if (middle[2] <= floor) continue
    const normal = areaNormal(mesh, n)
    const area = Math.hypot(...normal)
    if (area === 0) continue
    faces.push({
      middle,
      corners: corners.map((at) => at / 3),
      normal: [normal[0] / area, normal[1] / area, normal[2] / area],
      area,
    })
  }
  return faces
}

/** The radius at which the ridge is highest, by angle. */
function crestOf(
  faces: readonly { readonly degrees: number; readonly radius: number; readonly middle: Vector }[],
): (degrees: number) => number {
  const STEP = 4
  const bins = Array.from({ length: 360 / STEP }, () => ({ height: -Infinity, radius: 0 }))
  for (const { degrees, radius, middle } of faces) {
    const bin = bins[Math.min(bins.length - 1, Math.floor((degrees + 180) / STEP))]!
    if (middle[2] > bin.height) {
      bin.height = middle[2]
      bin.radius = radius
    }
  }
  return (degrees) => bins[Math.min(bins.length - 1, Math.max(0, Math.floor((degrees + 180) / STEP)))]!.radius
}

/** 0.05 mm and less is nothing that a hand could find. */
const NO_UNDERCUT_MILLIMETRES = 0.05

function pieceWords(name: string, out: WayOut, undercut: number, neverPry: boolean): Saying {
  const held =
    undercut > NO_UNDERCUT_MILLIMETRES ? saying`undercut ${qty.mm(undercut, 1)} straight down` : 'no undercut'
  const how = out.whole
    ? out.offStraightDegrees < 1
      ? 'straight down: it comes whole'
      : saying`inwards at ${qty.degrees(out.offStraightDegrees, 0)}: it comes whole`
    : saying`inwards at ${qty.degrees(out.offStraightDegrees, 0)}, still locked by ${qty.degrees(out.lockedDegrees, 0)}: split it along the crest, or cut it shorter`
  return saying`${name}: ${held}. Middle out first, then this piece ${how}.${neverPry ? ' Do not lever outwards.' : ''}`
}
