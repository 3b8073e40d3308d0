import { toDegrees, toRadians } from '../quantity/index.ts'
import { LEVEL, pathOf, type TableTilt, tiltOf } from './table.ts'
import { unit, type Vector } from './vector.ts'

/** How far from level the search goes, and how far apart its first directions are, degrees (choices). */
export const SEARCH_DEGREES = 25
const FIRST_STEP_DEGREES = 5
/** The first step halved so often is the last: 0.3°. */
const HALVINGS = 4
/** Of the first directions so many are followed up, when they are at least so many steps apart (choice). */
const FOLLOWED = 3
const APART_STEPS = 1.9

/** One direction that was tried: its tangents, tan λ and tan α, and what it came to. */
export interface TriedTilt {
  readonly lateral: number
  readonly anteroposterior: number
  readonly value: number
}

/**
 * Searches the tilt with the least value: a hexagonal lattice in the tangents within 25°, the best three that are apart, each walked to
 * the best of its six neighbours, the step halved to 0.3°. Nothing is tried twice, and there are no random numbers: the same cast
 * gives the same answer. Ties: the smaller tilt, then the smaller λ.
 * @returns every direction that was tried, the best first
 */
export function searchTilt(
  worth: (lateral: number, anteroposterior: number) => number,
  onProgress: (tried: number) => void = () => undefined,
): readonly TriedTilt[] {
  const finest = 2 ** HALVINGS
  const step = Math.tan(toRadians(FIRST_STEP_DEGREES)) / finest
  const most = Math.tan(toRadians(SEARCH_DEGREES))
  const tried = new Map<string, TriedTilt | undefined>()
  // Axial places of the finest lattice.
  const tangents = (i: number, j: number) => [step * (i + j / 2), step * j * Math.sqrt(0.75)] as const
  const tryAt = (i: number, j: number): TriedTilt | undefined => {
    const key = `${i} ${j}`
    if (tried.has(key)) return tried.get(key)
    const [lateral, anteroposterior] = tangents(i, j)
    const found =
      Math.hypot(lateral, anteroposterior) > most
        ? undefined
        : { lateral, anteroposterior, value: worth(lateral, anteroposterior) }
    tried.set(key, found)
    if (found) onProgress([...tried.values()].filter(Boolean).length)
    return found
  }
  const first: { readonly i: number; readonly j: number; readonly tilt: TriedTilt }[] = []
  const reach = Math.ceil(most / (step * finest)) + 1
  for (let j = -reach; j <= reach; j++)
    for (let i = -2 * reach; i <= 2 * reach; i++) {
      const tilt = tryAt(i * finest, j * finest)
      if (tilt) first.push({ i: i * finest, j: j * finest, tilt })
    }
  first.sort((a, b) => better(a.tilt, b.tilt))
  const starts: typeof first = []
  for (const each of first)
    if (
      starts.length < FOLLOWED &&
      starts.every(({ tilt }) => apart(tilt, each.tilt) > APART_STEPS * step * finest)
    )
      starts.push(each)
  for (const start of starts) {
    let best = start
    for (let by = finest / 2; by >= 1; by /= 2)
      for (let moved = true; moved; ) {
        moved = false
        const { i, j } = best
        for (const [di, dj] of [
          [1, 0],
          [0, 1],
          [-1, 1],
          [-1, 0],
          [0, -1],
          [1, -1],
        ] as const) {
          const tilt = tryAt(i + di * by, j + dj * by)
          if (tilt && better(tilt, best.tilt) < 0) {
            best = { i: i + di * by, j: j + dj * by, tilt }
            moved = true
          }
        }
      }
  }
  return [...tried.values()].filter((tilt) => tilt !== undefined).sort(better)
}

const apart = (a: TriedTilt, b: TriedTilt) =>
  Math.hypot(a.lateral - b.lateral, a.anteroposterior - b.anteroposterior)
function better(a: TriedTilt, b: TriedTilt): number {
  if (a.value !== b.value) return a.value - b.value
  const by = Math.hypot(a.lateral, a.anteroposterior) - Math.hypot(b.lateral, b.anteroposterior)
  return Math.abs(by) > 1e-12 ? by : a.lateral - b.lateral
}

/** The tilt of two tangents. */
export const tiltOfTangents = (lateral: number, anteroposterior: number): TableTilt => ({
  lateralDegrees: toDegrees(Math.atan(lateral)),
  anteroposteriorDegrees: toDegrees(Math.atan(anteroposterior)),
})

/** The valley is flat: directions whose figures differ by less than this are as good as each other (choice). */
export const AS_GOOD = 0.02

/** A direction with what it comes to when it is worked out in full. */
export interface WorkedTilt {
  readonly tilt: TableTilt
  readonly value: number
  /** What it costs in block-out, mm³, where the aim is another. */
  readonly cubicMillimetres?: number
}
export interface BestTilt {
  /** To take: the smallest tilt among those that are as good as the least. */
  readonly chosen: WorkedTilt
  readonly level: WorkedTilt
  readonly present: WorkedTilt
  /** Level is as good: no tilt is needed. */
  readonly levelIsAsGood: boolean
  readonly tried: number
}

/**
 * The best tilt by one aim: searched on a coarse cast, then the winner, the smallest tilt that is as good, level and the present one
 * worked out in full, and those figures shown.
 * @param coarse and fine: what a direction comes to, the less the better
 * @param slack what two figures may differ by beyond 2 % and still be as good, in the unit of the figure
 */
export function bestTilt(asked: {
  readonly coarse: (path: Vector) => number
  readonly fine: (path: Vector) => number
  readonly present: TableTilt
  readonly slack?: number
  readonly onProgress?: (tried: number) => void
}): BestTilt {
  const { coarse, fine, present, slack = 0, onProgress } = asked
  const tried = searchTilt(
    (lateral, anteroposterior) => coarse(unit([lateral, anteroposterior, 1])),
    onProgress,
  )
  const within = (least: number) => least * (1 + AS_GOOD) + slack
  const [least] = tried
  const small = tried
    .filter(({ value }) => value <= within(least!.value))
    .sort((a, b) => Math.hypot(a.lateral, a.anteroposterior) - Math.hypot(b.lateral, b.anteroposterior))[0]!
  const work = (tilt: TableTilt): WorkedTilt => ({ tilt, value: fine(pathOf(tilt)) })
  const level = work(LEVEL)
  const shown = work(present)
  const full = [
    level,
    work(tiltOfTangents(least!.lateral, least!.anteroposterior)),
    work(tiltOfTangents(small.lateral, small.anteroposterior)),
  ]
  const good = within(Math.min(...full.map(({ value }) => value)))
  const size = ({ tilt }: WorkedTilt) => tiltOf(pathOf(tilt)).totalDegrees
  const chosen = full.filter(({ value }) => value <= good).sort((a, b) => size(a) - size(b))[0]!
  return {
    chosen,
    level,
    present: shown,
    levelIsAsGood: chosen === level,
    tried: tried.length,
  }
}

/**
 * The path that guiding faces lie along best: least Σ A (n·d)², the eigenvector of Σ A n nᵀ with the smallest eigenvalue that looks up.
 * @param faces unit normals with their areas
 * Source: linear algebra (exact), by Jacobi rotations.
 */
export function guidingPath(faces: readonly { readonly normal: Vector; readonly area: number }[]): {
  readonly path: Vector
  /** How far the faces still lean from it, root mean square. */
  readonly leftDegrees: number
} {
  const m = [0, 1, 2].map((r) =>
    [0, 1, 2].map((c) => faces.reduce((sum, { normal, area }) => sum + area * normal[r]! * normal[c]!, 0)),
  )
  const whole = m[0]![0]! + m[1]![1]! + m[2]![2]!
  const v: number[][] = [0, 1, 2].map((r) => [0, 1, 2].map((c) => (r === c ? 1 : 0)))
  for (let sweep = 0; sweep < 50; sweep++)
    for (const [p, q] of [
      [0, 1],
      [0, 2],
      [1, 2],
    ] as const) {
      const off = m[p]![q]!
      if (Math.abs(off) <= 1e-15 * whole) continue
      const theta = (m[q]![q]! - m[p]![p]!) / (2 * off)
      const t = Math.sign(theta || 1) / (Math.abs(theta) + Math.hypot(theta, 1))
      const c = 1 / Math.hypot(t, 1)
      const s = t * c
      for (let k = 0; k < 3; k++) {
        const [a, b] = [m[k]![p]!, m[k]![q]!]
        m[k]![p] = c * a - s * b
        m[k]![q] = s * a + c * b
      }
      for (let k = 0; k < 3; k++) {
        const [a, b] = [m[p]![k]!, m[q]![k]!]
        m[p]![k] = c * a - s * b
        m[q]![k] = s * a + c * b
        const [e, f] = [v[k]![p]!, v[k]![q]!]
        v[k]![p] = c * e - s * f
        v[k]![q] = s * e + c * f
      }
    }
  const least = [0, 1, 2].sort((a, b) => m[a]![a]! - m[b]![b]!)[0]!
  const found: Vector = [v[0]![least]!, v[1]![least]!, v[2]![least]!]
  const path: Vector = found[2] < 0 ? [-found[0], -found[1], -found[2]] : found
  return {
    path,
    leftDegrees: toDegrees(Math.asin(Math.sqrt(Math.max(0, m[least]![least]!) / whole))),
  }
}
