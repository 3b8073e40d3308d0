import { toRadians } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { type CastView, NO_STONE } from './cast-view.ts'
import type { FreeEdge } from './free-edge.ts'
import type { Vector } from './vector.ts'

/** The room under the stone along d, down to the floor: what is blocked out. */
export interface Room {
  readonly cubicMillimetres: number
  /** Columns that no sound shell makes, of those with stone: holes, or a shell that is inside out. */
  readonly oddShare: number
  /** Columns whose first face looks down: of an inside-out scan nearly all. */
  readonly insideOutShare: number
}

/** With more odd columns than this a scan has holes, and its volumes are a guess (choice). */
export const HOLES_SHARE = 0.005

const MOST_FACES = 64

/**
 * The room by columns: faces from above, +1 where one looks up, -1 where it looks down; what lies below the first face and counts 0 is
 * room, down to the floor. Overlapping shells are one body.
 * @param painted per triangle, 1 where it counts: a gap counts when its upper or its lower face does; left out: all
 * @param perColumn filled with the room of every column, mm high
 */
export function roomUnder(view: CastView, painted?: Uint8Array, perColumn?: Float32Array): Room {
  const { columns, rows, head, next, faceHeight, face, cell } = view
  const heights = new Float64Array(MOST_FACES)
  const order = new Int32Array(MOST_FACES)
  let sum = 0
  let odd = 0
  let upsideDown = 0
  let counted = 0
  const counts = (of: number) => painted === undefined || painted[Math.abs(of) - 1] === 1
  for (let row = 0, at = 0; row < rows; row++)
    for (let column = 0; column < columns; column++, at++) {
      const first = head[at]!
      if (first === -1) continue
      counted++
      if (next[first] === -1) {
        // One face, looking up: nothing is under it.
        if (face[first]! < 0) {
          odd++
          upsideDown++
        }
        continue
      }
      let n = 0
      for (let f = first; f !== -1 && n < MOST_FACES; f = next[f]!) {
        const height = faceHeight[f]!
        const up = face[f]! > 0
        let k = n++
        // From above; of two as high the one that looks up comes first.
        while (
          k > 0 &&
          (heights[k - 1]! < height || (heights[k - 1] === height && up && order[k - 1]! < 0))
        ) {
          heights[k] = heights[k - 1]!
          order[k] = order[k - 1]!
          k--
        }
        heights[k] = height
        order[k] = face[f]!
      }
      const before = sum
      let winding = 0
      let wrong = order[0]! < 0
      if (wrong) upsideDown++
      for (let k = 0; k < n; k++) {
        winding += order[k]! > 0 ? 1 : -1
        if (winding < 0) {
          wrong = true
          winding = 0
        }
        if (winding > 0) continue
        const foot = k + 1 < n ? heights[k + 1]! : view.floorAt(column, row)
        if (counts(order[k]!) || (k + 1 < n && counts(order[k + 1]!))) sum += heights[k]! - foot
      }
      if (perColumn) perColumn[at] = sum - before
      if (wrong) odd++
    }
  return {
    cubicMillimetres: sum * cell * cell,
    oddShare: counted === 0 ? 0 : odd / counted,
    insideOutShare: counted === 0 ? 0 : upsideDown / counted,
  }
}

/** A body of block-out that hangs together: how much, and where its middle is. */
export interface RoomBody {
  readonly cubicMillimetres: number
  readonly middle: Vector
}

/** Columns with less room are no body (choice), mm. */
const LEAST_ROOM = 0.2
/** Smaller bodies are not worth a line (choice), mm³. */
const LEAST_BODY = 0.5

/** What is blocked out, body by body, the largest first: room that hangs together in the view. */
export function roomBodies(view: CastView, painted?: Uint8Array): RoomBody[] {
  const { columns, rows, cell } = view
  const room = new Float32Array(columns * rows)
  roomUnder(view, painted, room)
  const bodies: RoomBody[] = []
  const seen = new Uint8Array(room.length)
  const open: number[] = []
  for (let start = 0; start < room.length; start++) {
    if (seen[start] === 1 || room[start]! < LEAST_ROOM) continue
    let [sum, column, row, height] = [0, 0, 0, 0]
    open.push(start)
    seen[start] = 1
    for (let at = open.pop(); at !== undefined; at = open.pop()) {
      const [x, y] = [at % columns, Math.floor(at / columns)]
      const here = room[at]!
      sum += here
      column += here * x
      row += here * y
      height += here * view.top[at]!
      for (const next of [x > 0 ? at - 1 : -1, x < columns - 1 ? at + 1 : -1, at - columns, at + columns])
        if (next >= 0 && next < room.length && seen[next] === 0 && room[next]! >= LEAST_ROOM) {
          seen[next] = 1
          open.push(next)
        }
    }
    const cubicMillimetres = sum * cell * cell
    if (cubicMillimetres >= LEAST_BODY)
      bodies.push({ cubicMillimetres, middle: view.pointAt(column / sum, row / sum, height / sum) })
  }
  return bodies.sort((a, b) => b.cubicMillimetres - a.cubicMillimetres)
}

/** Tapers that a trimming knife leaves, degrees (common practice). */
export const TAPERS = [0, 2, 6] as const
const MOST_TAPER_DEGREES = 20

/**
 * What a tapered wall adds to the room: from every wall of the view the wax falls away by θ, T(x') - |x - x'| cot θ. The tangent places
 * above the line are left out, so a wall stands r (1/cos θ - 1) too far in.
 * @throws {DomainError} `taper-out-of-range`
 */
export function taperAdds(view: CastView, edge: FreeEdge, degrees: number): number {
  if (!(degrees >= 0 && degrees <= MOST_TAPER_DEGREES))
    throw new DomainError(
      'taper-out-of-range',
      `No knife leaves a taper of ${degrees} degrees.`,
      `Enter 0 to ${MOST_TAPER_DEGREES} degrees.`,
      'taperDegrees',
    )
  if (degrees === 0) return 0
  const { columns, rows, top, cell } = view
  const slope = cell / Math.tan(toRadians(degrees))
  const cone = new Float32Array(columns * rows).fill(NO_STONE)
  edge.wallSegments(
    (x0, y0, x1, y1, height) => {
      const low = view.floorAt((x0 + x1) / 2, (y0 + y1) / 2)
      const reach = (height - low) / slope
      const dx = x1 - x0
      const dy = y1 - y0
      const long = dx * dx + dy * dy
      for (
        let y = Math.max(0, Math.ceil(Math.min(y0, y1) - reach));
        y <= Math.min(rows - 1, Math.max(y0, y1) + reach);
        y++
      )
        for (
          let x = Math.max(0, Math.ceil(Math.min(x0, x1) - reach));
          x <= Math.min(columns - 1, Math.max(x0, x1) + reach);
          x++
        ) {
          const t = long === 0 ? 0 : Math.max(0, Math.min(1, ((x - x0) * dx + (y - y0) * dy) / long))
          const ex = x - x0 - t * dx
          const ey = y - y0 - t * dy
          const reached = height - Math.sqrt(ex * ex + ey * ey) * slope
          if (reached > cone[y * columns + x]!) cone[y * columns + x] = reached
        }
    },
    (column, row) => view.floorAt(column, row),
  )
  let sum = 0
  for (let row = 0, at = 0; row < rows; row++)
    for (let column = 0; column < columns; column++, at++) {
      const under = Math.max(top[at]!, view.floorAt(column, row))
      if (cone[at]! > under) sum += cone[at]! - under
    }
  return sum * cell * cell
}
