import { toRadians } from '../quantity/index.ts'
import type { ArchField } from './mouth-grid.ts'
import { asUntouched, emptyArch, type Grid, regionIndex } from './mouth-grid.ts'
import { supportingSide, type ToothRegion } from './regions.ts'

// Looked up once: these loops run through every cell.
const { abs, ceil, floor, hypot, max, min, sqrt } = Math

/** The shape of the computed mouth: our own, and every number in it a choice. It trains the eye and measures no patient. */

/** Distances along the arch from the midline at which teeth 1 to 7 begin and end, mm. */
const boundaries = {
  upper: [0, 7.6, 13.4, 20, 27, 34, 44, 53],
  lower: [0, 4.8, 10, 16.5, 23.5, 30.5, 41.5, 52],
} as const
export type ArchName = keyof typeof boundaries

/** Cusps of the back teeth: across from the arch line, high, and where along it; 4 and 5, then 6, then 7. */
export const cusps = {
  upper: {
    buccal: { b: 2.6, H: 1.95, a: [[0], [-2.4, 2.4], [-2.2, 2.2]] },
    lingual: { b: -2.8, H: 2, a: [[0], [-2.5, 2.7], [-2, 2.2]] },
    groove: 0,
    depth: 9.2,
    centre: -0.1,
  },
  lower: {
    buccal: { b: 0, H: 2, a: [[0], [-2.6, 2.7], [-2.6, 2.3]] },
    lingual: { b: -5.4, H: 1.8, a: [[0.3], [-2.5, 2.7], [-2.4, 2.4]] },
    groove: -2.7,
    depth: 9,
    centre: -2.7,
  },
} as const
export const edges = {
  upper: { b: 1.6, H: [2, 1.75, 2.15], lingualDegrees: 35, depth: 5.2, centre: 0 },
  lower: { b: 0, H: [0, 0, 0], lingualDegrees: 60, depth: 3.2, centre: -0.6 },
} as const
const INNER_DEGREES = 33
const OUTER_DEGREES = 55
const ALONG_DEGREES = 30
const TIP_RADIUS = 0.7
export const ridge = { in: 0.45, H: 1, alongDegrees: 32, acrossDegrees: 10, radius: 0.8 }
const edge = { labialDegrees: 72, alongDegrees: 3, canineDegrees: 26, w: 0.35, canineW: 0.5 }
const LOWEST_HEIGHT = -1.6
const TIP_WITHIN = 0.4
const FOSSA_WITHIN = 0.6
const EDGE_WITHIN = 0.35
const CANINE_TIP_WITHIN = 0.9
/** The occlusal surface: a sphere, lowest here (choice: with 33° cusps it leaves slopes on both sides). */
export const USUAL_OCCLUSAL_RADIUS = 200
const lowest = { x: 60, z: -37 }
/** What may be taken in all from a tooth, and how near to a supporting tip. */
const MOST_ALLOWANCE = 1.5
const TIP_SHOULDER = 0.4

/** A tooth in its place: its middle on the arch, which way is distal and which way is buccal. */
export interface ToothPlace {
  readonly fdi: number
  readonly place: number
  readonly width: number
  readonly x: number
  readonly y: number
  /** Unit vectors; distal along the arch, buccal away from it. */
  readonly distal: readonly [x: number, y: number]
  readonly buccal: readonly [x: number, y: number]
}

const archX = (y: number) => 80 - 0.0016 * abs(y) ** 3
const slopeOf = (y: number) => -0.0048 * y * y

/** Where the arch is at a length from the midline, on the left. */
function alongArch(length: number): number {
  let y = 0
  let gone = 0
  const step = 0.01
  while (gone < length) {
    gone += hypot(1, slopeOf(y + step / 2)) * step
    y += step
  }
  return y - (gone - length) / hypot(1, slopeOf(y))
}

/** The fourteen teeth of an arch: right 1 to 7, then left 1 to 7. */
export function teethOfArch(arch: ArchName): readonly ToothPlace[] {
  return (['right', 'left'] as const).flatMap((side) => {
    const quarter = arch === 'upper' ? (side === 'right' ? 1 : 2) : side === 'right' ? 4 : 3
    const sign = side === 'right' ? -1 : 1
    const ends = boundaries[arch]
    return ends.slice(1).map((to, index): ToothPlace => {
      const from = ends[index]!
      const y = alongArch((from + to) / 2)
      const s = slopeOf(y)
      const n = hypot(1, s)
      return {
        fdi: 10 * quarter + index + 1,
        place: index + 1,
        width: to - from,
        x: archX(y),
        y: sign * y,
        distal: [s / n, sign / n],
        buccal: [1 / n, (-sign * s) / n],
      }
    })
  })
}

/** z = H - (√((ta da)² + (tb db)² + w²) - w): a cusp, a ridge or an edge. */
export interface Primitive {
  readonly kind: 'cusp' | 'ridge' | 'edge'
  readonly a: number
  readonly b: number
  readonly H: number
  /** Tangents of its slopes: along, towards buccal, towards lingual. */
  readonly along: number
  readonly outward: number
  readonly inward: number
  readonly w: number
  readonly side?: 'buccal' | 'lingual'
}

const tan = (degrees: number) => Math.tan(toRadians(degrees))

/** What the surface of a tooth is the highest of. */
export function primitivesOf(arch: ArchName, { place, width }: ToothPlace): readonly Primitive[] {
  if (place <= 3) {
    const { b, H, lingualDegrees } = edges[arch]
    const canine = place === 3
    return [
      {
        kind: 'edge',
        a: 0,
        b,
        H: H[place - 1]!,
        along: tan(canine ? edge.canineDegrees : edge.alongDegrees),
        outward: tan(edge.labialDegrees),
        inward: tan(lingualDegrees),
        w: canine ? edge.canineW : edge.w,
      },
    ]
  }
  const { groove, ...sides } = cusps[arch]
  const which = place <= 5 ? 0 : place - 5
  const inner = tan(INNER_DEGREES)
  const outer = tan(OUTER_DEGREES)
  const found: Primitive[] = (['buccal', 'lingual'] as const).flatMap((side) =>
    sides[side].a[which]!.map((a) => ({
      kind: 'cusp' as const,
      side,
      a,
      b: sides[side].b,
      H: sides[side].H,
      along: tan(ALONG_DEGREES),
      outward: side === 'buccal' ? outer : inner,
      inward: side === 'buccal' ? inner : outer,
      w: TIP_RADIUS * inner * inner,
    })),
  )
  const ridges = [-1, 1].map(
    (end): Primitive => ({
      kind: 'ridge',
      a: end * (width / 2 - ridge.in),
      b: groove,
      H: ridge.H,
      along: tan(ridge.alongDegrees),
      outward: tan(ridge.acrossDegrees),
      inward: tan(ridge.acrossDegrees),
      w: ridge.radius * tan(ridge.alongDegrees) ** 2,
    }),
  )
  return [...found, ...ridges]
}

export function heightOf(
  { a: a0, b: b0, H, along, outward, inward, w }: Primitive,
  a: number,
  b: number,
): number {
  const db = b - b0
  return H - (hypot(along * (a - a0), (db > 0 ? outward : inward) * db, w) - w)
}

/** The region of a place on a tooth, by the primitive that is highest there. */
export function regionOf(
  arch: ArchName,
  { place }: ToothPlace,
  top: Primitive,
  a: number,
  b: number,
): ToothRegion {
  if (top.kind === 'edge') {
    // A canine has a tip, not an edge: its slopes give way like a face.
    const isEdge =
      place === 3 ? hypot(a - top.a, b - top.b) < CANINE_TIP_WITHIN : abs(b - top.b) < EDGE_WITHIN
    if (isEdge) return 'incisalEdge'
    return b > top.b ? 'labialFace' : 'lingualFace'
  }
  if (top.kind === 'ridge') return 'marginalRidge'
  const { groove } = cusps[arch]
  const side = top.side!
  if (hypot(a - top.a, b - top.b) < TIP_WITHIN) return `${side}Tip`
  if (abs(b - groove) < FOSSA_WITHIN) return 'fossa'
  const inside = side === 'buccal' ? b < top.b : b > top.b
  return `${side}${inside ? 'Inner' : 'Outer'}`
}

/** The height of the occlusal surface. @param radius of its sphere, mm */
function occlusal(x: number, y: number, radius: number): number {
  return lowest.z + radius - sqrt(radius * radius - (x - lowest.x) ** 2 - y * y)
}

/** An arch as it is made, before it is set up against the other. */
export function shapeArch(grid: Grid, arch: ArchName, radius = USUAL_OCCLUSAL_RADIUS): ArchField {
  const made = emptyArch(grid)
  const best = new Float64Array(made.z.length).fill(Number.NEGATIVE_INFINITY)
  const hangs = arch === 'upper' ? -1 : 1
  for (const [index, tooth] of teethOfArch(arch).entries()) {
    const primitives = primitivesOf(arch, tooth)
    const tips = primitives.filter(({ side }) => side === supportingSide(arch))
    const { depth, centre } = tooth.place <= 3 ? edges[arch] : cusps[arch]
    const reach = max(tooth.width, depth) + abs(centre)
    const from = { i: max(0, ceil((tooth.x - reach - grid.x0) / grid.h)) }
    const to = { i: min(grid.nx - 1, floor((tooth.x + reach - grid.x0) / grid.h)) }
    const jFrom = max(0, ceil((tooth.y - reach - grid.y0) / grid.h))
    const jTo = min(grid.ny - 1, floor((tooth.y + reach - grid.y0) / grid.h))
    for (let j = jFrom; j <= jTo; j++)
      for (let i = from.i; i <= to.i; i++) {
        const x = grid.x0 + grid.h * i
        const y = grid.y0 + grid.h * j
        const [dx, dy] = [x - tooth.x, y - tooth.y]
        const a = dx * tooth.distal[0] + dy * tooth.distal[1]
        const b = dx * tooth.buccal[0] + dy * tooth.buccal[1]
        if ((abs(a) / (tooth.width / 2)) ** 6 + (abs(b - centre) / (depth / 2)) ** 4 > 1) continue
        let top = primitives[0]!
        let height = Number.NEGATIVE_INFINITY
        for (const each of primitives) {
          const z = heightOf(each, a, b)
          if (z > height) {
            height = z
            top = each
          }
        }
        const cell = j * grid.nx + i
        if (height < LOWEST_HEIGHT || height <= best[cell]!) continue
        best[cell] = height
        made.z[cell] = occlusal(x, y, radius) + hangs * height
        made.tooth[cell] = index + 1
        const region = regionOf(arch, tooth, top, a, b)
        made.region[cell] = regionIndex(region)
        made.distal[cell] = a > top.a ? 1 : 0
        made.allowance[cell] = allowanceOf(tooth, tips, a, b)
      }
  }
  return asUntouched(made)
}

/** What may be taken off a place in all: nothing of a supporting tip, little beside it, as far as a shoulder of 45° round the tip goes. */
function allowanceOf({ place }: ToothPlace, tips: readonly Primitive[], a: number, b: number): number {
  if (place <= 3) return MOST_ALLOWANCE
  const nearest = min(...tips.map((tip) => hypot(a - tip.a, b - tip.b)))
  return min(MOST_ALLOWANCE, max(0, nearest - TIP_SHOULDER))
}
