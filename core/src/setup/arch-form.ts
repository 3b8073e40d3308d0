import { qty, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import type { Point } from '../trimming/index.ts'

/**
 * An arch as a conic that is symmetric about the centre line x = 0:
 *
 *     x² = k d + γ d²,  d = front - y, the distance behind the front
 *
 * γ < 0 is an ellipse, 0 a parabola, > 0 a hyperbola. Points are x to the patient's left, y forwards, mm.
 */
export interface ArchForm {
  /** y of the foremost point, mm. */
  readonly frontMillimetres: number
  /** k, mm: twice the radius of curvature at the front. */
  readonly openness: number
  /** γ, without unit. */
  readonly closing: number
}

export interface FittedArch extends ArchForm {
  /** Root mean square of the distances of the points, mm. */
  readonly rmsMillimetres: number
  /** Distance of each point, in their order, mm; outside the arch is above 0. */
  readonly offMillimetres: readonly number[]
}

/** Fewer places than this do not tell an arch from a slip of the ruler (choice). */
const LEAST_ARCH_POINTS = 5
const SWEEPS = 8

/**
 * The smooth arch nearest to places measured along a rim or a ridge.
 *
 * Least squares of x² - α - β u - γ u², u = -y, each place weighed by 1 / gradient² of the sweep before (Sampson's
 * first-order distance), so that the distances of the places count, and not the square of x.
 * Exact for places on an ellipse, a parabola or a hyperbola that is symmetric about the centre line.
 *
 * @param points at least 5, on both sides, x to the left of the centre line, y forwards, mm
 * @throws {DomainError} `too-few-places`, `not-a-number`, `one-sided`, `not-an-arch`
 * Source: conics as arch forms, Currier 1969 (recalled); Sampson 1982 (recalled).
 */
export function fitArch(points: readonly Point[], field = 'rim'): FittedArch {
  checkPlaces(points, field)
  const size = Math.max(...points.map(({ x, y }) => Math.max(Math.abs(x), Math.abs(y))))
  const scaled = points.map(({ x, y }) => ({ x: x / size, u: -y / size }))
  let weights = scaled.map(() => 1)
  let [alpha, beta, gamma] = [0, 0, 0]
  for (let sweep = 0; sweep < SWEEPS; sweep++) {
    ;[alpha, beta, gamma] = leastSquares(scaled, weights)
    weights = scaled.map(({ x, u }) => 1 / Math.max(1e-6, 4 * x * x + (beta + 2 * gamma * u) ** 2))
  }
  const discriminant = beta * beta - 4 * alpha * gamma
  const opens = beta + Math.sqrt(Math.max(0, discriminant))
  if (!(discriminant > 0 && opens > 1e-9))
    throw new DomainError(
      'not-an-arch',
      'These places do not lie on an arch that opens backwards.',
      'Check that y is forwards and that x is left of the centre line.',
      field,
    )
  const front = (-2 * alpha) / opens
  const form: ArchForm = {
    frontMillimetres: -front * size,
    openness: Math.sqrt(discriminant) * size,
    closing: gamma,
  }
  const offMillimetres = points.map((point) => nearestOnArch(form, point).offMillimetres)
  return {
    ...form,
    offMillimetres,
    rmsMillimetres: Math.sqrt(offMillimetres.reduce((sum, off) => sum + off * off, 0) / points.length),
  }
}

function checkPlaces(points: readonly Point[], field: string): void {
  if (points.length < LEAST_ARCH_POINTS)
    throw new DomainError(
      'too-few-places',
      `An arch wants at least ${LEAST_ARCH_POINTS} places; there are ${points.length}.`,
      'Measure at the centre line and at two places or more on each side.',
      field,
    )
  for (const { x, y } of points)
    if (!Number.isFinite(x) || !Number.isFinite(y) || Math.hypot(x, y) > 200)
      throw new DomainError(
        'not-a-number',
        `A place at ${x}, ${y} cannot be right.`,
        'Measure it again.',
        field,
      )
  if (points.filter(({ x }) => x > 1).length < 2 || points.filter(({ x }) => x < -1).length < 2)
    throw new DomainError(
      'one-sided',
      'The places lie on one side only.',
      'Measure at two places or more on each side of the centre line.',
      field,
    )
}

/** Normal equations of x² = α + β u + γ u², by Cramer's rule. */
function leastSquares(
  places: readonly { readonly x: number; readonly u: number }[],
  weights: readonly number[],
): [number, number, number] {
  const s = [0, 0, 0, 0, 0]
  const t = [0, 0, 0]
  places.forEach(({ x, u }, index) => {
    const w = weights[index]!
    for (let power = 0; power < 5; power++) s[power]! += w * u ** power
    for (let power = 0; power < 3; power++) t[power]! += w * x * x * u ** power
  })
  const [s0, s1, s2, s3, s4] = s as [number, number, number, number, number]
  const [t0, t1, t2] = t as [number, number, number]
  const det = (a: readonly number[]) =>
    a[0]! * (a[4]! * a[8]! - a[5]! * a[7]!) -
    a[1]! * (a[3]! * a[8]! - a[5]! * a[6]!) +
    a[2]! * (a[3]! * a[7]! - a[4]! * a[6]!)
  const whole = det([s0, s1, s2, s1, s2, s3, s2, s3, s4])
  if (!(Math.abs(whole) > 1e-14 * s0 ** 3))
    throw new DomainError(
      'not-an-arch',
      'These places lie too close together to make an arch.',
      'Measure further back on each side.',
      'rim',
    )
  return [
    det([t0, s1, s2, t1, s2, s3, t2, s3, s4]) / whole,
    det([s0, t0, s2, s1, t1, s3, s2, t2, s4]) / whole,
    det([s0, s1, t0, s1, s2, t1, s2, s3, t2]) / whole,
  ]
}

/**
 * The point of an arch for t = √d with the sign of its side (left above 0): x = t √(k + γ t²), y = front - t².
 * Smooth through the front, where x as a function of d is not.
 */
export function archPoint({ frontMillimetres, openness, closing }: ArchForm, t: number): Point {
  return { x: t * Math.sqrt(Math.max(0, openness + closing * t * t)), y: frontMillimetres - t * t }
}

/** Half the width of an arch at a height y of the plan, mm; undefined in front of it or behind its end. */
export function halfWidthAt(
  { frontMillimetres, openness, closing }: ArchForm,
  y: number,
): number | undefined {
  const behind = frontMillimetres - y
  const square = behind * (openness + closing * behind)
  return behind >= 0 && square >= 0 ? Math.sqrt(square) : undefined
}

/** How far t may go: an ellipse is followed to where it all but closes, the others for 100 mm. */
function farthest({ openness, closing }: ArchForm): number {
  return closing < 0 ? Math.min(10, 0.97 * Math.sqrt(openness / -closing)) : 10
}

/** Speed |dP/dt|: dx/dt = (k + 2 γ t²)/√(k + γ t²), dy/dt = -2 t. */
function speed({ openness, closing }: ArchForm, t: number): number {
  return Math.hypot((openness + 2 * closing * t * t) / Math.sqrt(openness + closing * t * t), 2 * t)
}

/** Length along the arch from its front to t, mm, with the sign of t. Simpson's rule on 128 strips. */
export function archLength(form: ArchForm, t: number): number {
  const strips = 128
  const h = t / strips
  let sum = speed(form, 0) + speed(form, t)
  for (let n = 1; n < strips; n++) sum += (n % 2 === 0 ? 2 : 4) * speed(form, n * h)
  return (sum * h) / 3
}

/** A place along an arch. */
export interface ArchPlace {
  readonly at: Point
  /** Unit vector along the arch, from the right side to the left. */
  readonly along: Point
}

/**
 * The place so far along an arch from its front.
 * @param lengthMillimetres to the patient's left above 0, to the right below 0
 * @throws {DomainError} `beyond-arch`
 */
export function archAt(form: ArchForm, lengthMillimetres: number): ArchPlace {
  let t = lengthMillimetres / Math.sqrt(form.openness)
  const end = farthest(form)
  if (!(Math.abs(lengthMillimetres) <= Math.abs(archLength(form, end))))
    throw new DomainError(
      'beyond-arch',
      saying`The arch ends before ${qty.mm(Math.abs(lengthMillimetres), 1)} along it.`,
      'Measure the rim further back, or take a narrower set of teeth.',
      'rim',
    )
  t = Math.max(-end, Math.min(end, t))
  for (let step = 0; step < 50; step++) {
    const off = archLength(form, t) - lengthMillimetres
    if (Math.abs(off) < 1e-10) break
    t = Math.max(-end, Math.min(end, t - off / speed(form, t)))
  }
  const root = Math.sqrt(form.openness + form.closing * t * t)
  const dx = (form.openness + 2 * form.closing * t * t) / root
  const size = Math.hypot(dx, 2 * t)
  return { at: archPoint(form, t), along: { x: dx / size, y: (-2 * t) / size } }
}

/** The nearest place of an arch, how far along it is, and how far off the point lies (outside above 0). */
export function nearestOnArch(
  form: ArchForm,
  point: Point,
): { readonly lengthMillimetres: number; readonly offMillimetres: number } {
  const end = farthest(form)
  const square = (t: number) => {
    const { x, y } = archPoint(form, t)
    return (x - point.x) ** 2 + (y - point.y) ** 2
  }
  const steps = 200
  let best = 0
  for (let n = -steps; n <= steps; n++) if (square((n * end) / steps) < square(best)) best = (n * end) / steps
  let [low, high] = [Math.max(-end, best - end / steps), Math.min(end, best + end / steps)]
  const golden = (Math.sqrt(5) - 1) / 2
  while (high - low > 1e-9) {
    const [a, b] = [high - golden * (high - low), low + golden * (high - low)]
    if (square(a) < square(b)) high = b
    else low = a
  }
  const t = (low + high) / 2
  const { openness, closing, frontMillimetres } = form
  const behind = frontMillimetres - point.y
  const outside = point.x ** 2 - behind * (openness + closing * behind) > 0
  return {
    lengthMillimetres: archLength(form, t),
    offMillimetres: (outside ? 1 : -1) * Math.sqrt(square(t)),
  }
}
