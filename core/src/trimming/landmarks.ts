import { qty, saying, toDegrees } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { list, type Of, record, sidesOf, two } from '../shape/index.ts'
import { distance, dot, fitLine, mean, minus, type Point, pointShape } from './plane-geometry.ts'

export type Side = 'right' | 'left'
export const sides: readonly Side[] = ['right', 'left']
export type PerSide<T> = Readonly<Record<Side, T>>
export const otherSide = (side: Side): Side => (side === 'right' ? 'left' : 'right')

/** More points of one kind than anybody marks (choice). */
export const MANY_POINTS = 200

/** Landmarks of one model, mm, in any plane frame, turned, shifted, of either hand. Sides are the patient's. */
const archLandmarks = {
  canines: sidesOf(pointShape),
  /** Points along the buccal surfaces, 2 or more a side: they give the side cut its direction. */
  buccal: sidesOf(list(pointShape, MANY_POINTS)),
  /** Deepest points of the vestibule, 1 or more a side, and any in front. */
  vestibule: sidesOf(list(pointShape, MANY_POINTS)),
  anterior: list(pointShape, MANY_POINTS),
  incisorFront: pointShape,
}
const archLandmarksShape = record(archLandmarks)
export type ArchLandmarks = Of<typeof archLandmarksShape>
export const upperLandmarksShape = record({
  ...archLandmarks,
  /** Points along the mid-palatal suture, 2 or more, at least 5 mm apart. */
  midline: list(pointShape, MANY_POINTS),
  notches: sidesOf(pointShape),
})
export type UpperLandmarks = Of<typeof upperLandmarksShape>
export const lowerLandmarksShape = record({
  ...archLandmarks,
  /** Two points on the back edge, flush with the upper's in the wax bite. */
  backEdge: two(pointShape),
  /** The midline carried down onto that edge. */
  mark: pointShape,
})
export type LowerLandmarks = Of<typeof lowerLandmarksShape>

/** An arch in the model frame: x to the patient's left, y forwards, the back cut at y = 0, the midline at x = 0. */
export interface FramedArch {
  readonly canines: PerSide<Point>
  readonly buccal: PerSide<readonly Point[]>
  /** Everything no cut may pass inside of. */
  readonly protected: readonly Point[]
  /** From the frame of the landmarks into the model frame. */
  readonly toModel: (p: Point) => Point
  /** How far a protected point lies behind the back, mm; 0 when none does. */
  readonly behindBackMillimetres: number
}

/** Midline points nearer than this give no direction, mm (choice). */
const LEAST_MIDLINE = 5

/**
 * The upper arch in the model frame. The back lies just clear of the hamular notches.
 * @throws {DomainError} `not-a-number`, `midline-points-coincide`, `too-few-points`, `sides-swapped`
 */
export function frameUpper(upper: UpperLandmarks, backClearanceMillimetres: number): FramedArch {
  checkArch(upper)
  const { midline, notches } = upper
  if (midline.length < 2) throw tooFew('The midline', 2, 'midline')
  checkNumbers('midline', midline)
  checkNumbers('notches', [notches.right, notches.left])
  for (const [index, p] of midline.entries())
    for (const q of midline.slice(index + 1))
      if (distance(p, q) < LEAST_MIDLINE)
        throw new DomainError(
          'midline-points-coincide',
          saying`Two midline points are ${qty.mm(distance(p, q), 1)} apart.`,
          'Mark the suture at two places at least 5 mm apart.',
          'midline',
        )
  const line = fitLine(midline)
  const forwards = dot(minus(upper.incisorFront, mean([notches.right, notches.left])), line.direction)
  const d = forwards < 0 ? { x: -line.direction.x, y: -line.direction.y } : line.direction
  const rough = frameBy(d, line.through, upper)
  const others = protectedOf(upper).map((p) => rough(p).y)
  const notchY = Math.min(rough(notches.right).y, rough(notches.left).y)
  const back = Math.min(notchY - backClearanceMillimetres, ...others)
  const toModel = (p: Point): Point => {
    const { x, y } = rough(p)
    return { x, y: y - back }
  }
  checkSides('notch', toModel(notches.right), toModel(notches.left), 'notches')
  return framed(upper, [...protectedOf(upper), notches.right, notches.left], toModel)
}

/**
 * The lower arch in the model frame: its back is flush with the upper's already.
 * @throws {DomainError} as `frameUpper`
 */
export function frameLower(lower: LowerLandmarks): FramedArch {
  checkArch(lower)
  const [a, b] = lower.backEdge
  checkNumbers('backEdge', [a, b])
  checkNumbers('mark', [lower.mark])
  if (distance(a, b) < LEAST_MIDLINE)
    throw new DomainError(
      'midline-points-coincide',
      'The two points on the back edge are too near each other.',
      'Mark the back edge at two places at least 5 mm apart.',
      'backEdge',
    )
  const edge = minus(b, a)
  const length = Math.hypot(edge.x, edge.y)
  const across = { x: -edge.y / length, y: edge.x / length }
  const forwards = dot(minus(lower.incisorFront, a), across)
  const d = forwards < 0 ? { x: -across.x, y: -across.y } : across
  // The mark fixes x; the edge fixes y.
  const onEdge = dot(minus(lower.mark, a), d)
  const origin = { x: lower.mark.x - onEdge * d.x, y: lower.mark.y - onEdge * d.y }
  return framed(lower, protectedOf(lower), frameBy(d, origin, lower))
}

/** Coordinates along d and across it, the left canine on the positive side. */
function frameBy(d: Point, origin: Point, { canines }: ArchLandmarks): (p: Point) => Point {
  const perpendicular = { x: d.y, y: -d.x }
  const leftwards = dot(minus(canines.left, canines.right), perpendicular)
  const across = leftwards < 0 ? { x: -d.y, y: d.x } : perpendicular
  return (p) => ({ x: dot(minus(p, origin), across), y: dot(minus(p, origin), d) })
}

function protectedOf(arch: ArchLandmarks): Point[] {
  const { buccal, vestibule, canines } = arch
  return [
    ...sides.flatMap((side) => [...buccal[side], ...vestibule[side], canines[side]]),
    ...arch.anterior,
    arch.incisorFront,
  ]
}

function framed(arch: ArchLandmarks, guarded: readonly Point[], toModel: (p: Point) => Point): FramedArch {
  const canines = { right: toModel(arch.canines.right), left: toModel(arch.canines.left) }
  checkSides('canine', canines.right, canines.left, 'canines')
  const buccal = { right: arch.buccal.right.map(toModel), left: arch.buccal.left.map(toModel) }
  checkSides('buccal line', mean(buccal.right), mean(buccal.left), 'buccal')
  const inModel = guarded.map(toModel)
  const behindBackMillimetres = Math.max(0, -Math.min(...inModel.map((p) => p.y)))
  return { canines, buccal, protected: inModel, toModel, behindBackMillimetres }
}

function checkArch(arch: ArchLandmarks): void {
  checkNumbers('canines', [arch.canines.right, arch.canines.left])
  for (const side of sides) {
    checkNumbers(`buccal.${side}`, arch.buccal[side])
    checkNumbers(`vestibule.${side}`, arch.vestibule[side])
  }
  checkNumbers('landmarks', protectedOf(arch))
  for (const side of sides) {
    const points = arch.buccal[side]
    if (points.length < 2) throw tooFew(`The ${side} buccal line`, 2, 'buccal')
    if (arch.vestibule[side].length < 1) throw tooFew(`The ${side} vestibule`, 1, 'vestibule')
    const { acrossSquares, alongSquares } = fitLine(points)
    if (!(acrossSquares <= 0.25 * alongSquares))
      throw new DomainError(
        'points-are-no-line',
        `The ${side} buccal points do not lie on a line.`,
        'Mark them along the buccal surfaces of premolars and molars.',
        'buccal',
      )
  }
}

function checkNumbers(field: string, points: readonly Point[]): void {
  const wrong = points.findIndex((p) => !(Number.isFinite(p.x) && Number.isFinite(p.y)))
  if (wrong >= 0)
    throw new DomainError(
      'not-a-number',
      `Landmark ${wrong + 1} of ${field} is not a number.`,
      'Mark it again.',
      `${field}.${wrong}`,
    )
}

function checkSides(what: string, right: Point, left: Point, field: string): void {
  if (!(left.x > 0 && right.x < 0 && left.x > right.x))
    throw new DomainError(
      'sides-swapped',
      `The left ${what} does not lie to the left of the midline and the right one to its right.`,
      "Left is the patient's left. Mark both again.",
      field,
    )
}

function tooFew(what: string, least: number, field: string): DomainError {
  return new DomainError('too-few-points', `${what} has too few points.`, `Mark at least ${least}.`, field)
}

/** A point seen in a side's half-plane: x outwards, whichever side it is. */
export function seenFrom(side: Side, p: Point): Point {
  return side === 'left' ? p : { x: -p.x, y: p.y }
}

/** The buccal line of a side: angle outwards to the back in radians, and how well the points lie on it. */
export function buccalLine(
  arch: FramedArch,
  side: Side,
): { readonly tau: number; readonly residual?: number } {
  const points = arch.buccal[side].map((p) => seenFrom(side, p))
  const { direction, acrossSquares } = fitLine(points)
  const d = direction.y < 0 ? { x: -direction.x, y: -direction.y } : direction
  const tau = Math.atan2(-d.x, d.y)
  if (Math.abs(toDegrees(tau)) > 45)
    throw new DomainError(
      'points-are-no-line',
      `The ${side} buccal points run across the arch.`,
      'Mark them from front to back along the buccal surfaces.',
      'buccal',
    )
  return { tau, ...(points.length >= 3 ? { residual: Math.sqrt(acrossSquares / (points.length - 2)) } : {}) }
}

/**
 * A point by two caliper distances, from the posterior and the anterior midline point: how far forward of the
 * posterior one, f = (d1² - d2² + L²) / 2L, and how far from the midline, √(d1² - f²) (exact).
 * @throws {DomainError} `negative-length`, `distances-do-not-meet`
 */
export function fromCalipers(
  fromPosterior: number,
  fromAnterior: number,
  betweenThem: number,
): { readonly forward: number; readonly fromMidline: number } {
  for (const length of [fromPosterior, fromAnterior, betweenThem])
    if (!(Number.isFinite(length) && length > 0))
      throw new DomainError(
        'negative-length',
        saying`A distance is ${qty.mm(length)}.`,
        'Enter distances above 0.',
        'caliper',
      )
  const forward = (fromPosterior ** 2 - fromAnterior ** 2 + betweenThem ** 2) / (2 * betweenThem)
  const square = fromPosterior ** 2 - forward ** 2
  if (square < 0)
    throw new DomainError(
      'distances-do-not-meet',
      'The two distances cannot meet in one point.',
      'Measure both again from the same midline points.',
      'caliper',
    )
  return { forward, fromMidline: Math.sqrt(square) }
}
