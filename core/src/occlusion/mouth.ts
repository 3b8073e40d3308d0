import type { Articulator } from '../mounting/index.ts'
import { toRadians } from '../quantity/index.ts'
import { seededRandom } from '../random/index.ts'
import { clearAll, trainerArticulator } from './expert.ts'
import {
  type ArchField,
  asUntouched,
  cellAt,
  emptyArch,
  type Grid,
  gridOf,
  type Mouth,
} from './mouth-grid.ts'
import {
  type ArchName,
  shapeArch,
  type ToothPlace,
  teethOfArch,
  USUAL_OCCLUSAL_RADIUS,
} from './mouth-shape.ts'

// Looked up once: these loops run through every cell.
const { ceil, floor, max, min, sqrt } = Math

/** Cells of the computed mouth, mm (choice): a pass over it takes 2 to 3 ms. */
export const USUAL_SPACING = 0.15
/** Set up so high before it is ground in, and so short in front, mm (choice). */
const POSTERIORS_HIGH = 0.25
const CANINES_SHORT = 0.3
const INCISORS_SHORT = 0.4
const GROUND_IN_TIMES = 2

/** What processing does to a tooth: mean and spread (choice); lift is towards the opponent. */
const errors = {
  lift: [0.15, 0.12],
  frontLift: [0.045, 0.06],
  tiltDegrees: [0, 0.6],
  turnDegrees: [0, 0.8],
  shift: [0, 0.06],
} as const

export interface MouthOptions {
  readonly spacingMillimetres?: number
  readonly occlusalRadiusMillimetres?: number
  readonly articulator?: Articulator
}

/**
 * The teeth as they were set up in wax and ground in: pin down, four stops a side, right and left alike.
 * @throws {DomainError} `grid-spacing`
 */
export function waxSetUp({
  spacingMillimetres = USUAL_SPACING,
  occlusalRadiusMillimetres = USUAL_OCCLUSAL_RADIUS,
  articulator = trainerArticulator,
}: MouthOptions = {}): Mouth {
  const grid = gridOf(spacingMillimetres)
  const upper = shapeArch(grid, 'upper', occlusalRadiusMillimetres)
  const lower = shapeArch(grid, 'lower', occlusalRadiusMillimetres)
  const lowerTeeth = teethOfArch('lower')
  settle(upper, lower, lowerTeeth)
  const mouth = {
    grid,
    upper,
    lower,
    upperTeeth: teethOfArch('upper').map(({ fdi }) => fdi),
    lowerTeeth: lowerTeeth.map(({ fdi }) => fdi),
  }
  const allowances = [upper.allowance.slice(), lower.allowance.slice()] as const
  for (let n = 0; n < GROUND_IN_TIMES; n++) clearAll(mouth, articulator)
  upper.allowance.set(allowances[0])
  lower.allowance.set(allowances[1])
  return { ...mouth, upper: asUntouched(upper), lower: asUntouched(lower) }
}

/** Each lower tooth up or down until it touches, then the back ones a little high, the front ones short. */
function settle(upper: ArchField, lower: ArchField, teeth: readonly ToothPlace[]): void {
  const room = teeth.map(() => Number.POSITIVE_INFINITY)
  for (const cell of lower.cells) {
    if (upper.tooth[cell] === 0) continue
    const index = lower.tooth[cell]! - 1
    room[index] = min(room[index]!, upper.z[cell]! - lower.z[cell]!)
  }
  const short = (place: number) =>
    place > 3 ? -POSTERIORS_HIGH : place === 3 ? CANINES_SHORT : INCISORS_SHORT
  for (const cell of lower.cells) {
    const index = lower.tooth[cell]! - 1
    lower.z[cell] = lower.z[cell]! + room[index]! - short(teeth[index]!.place)
  }
}

/** How a tooth stands after processing, against the set-up. */
export interface ToothError {
  /** Towards the opponent, mm. */
  readonly lift: number
  /** About the axis along the arch, and the one across it. */
  readonly tiltDegrees: readonly [along: number, across: number]
  readonly turnDegrees: number
  readonly shift: readonly [x: number, y: number]
}
export const noError: ToothError = { lift: 0, tiltDegrees: [0, 0], turnDegrees: 0, shift: [0, 0] }

/** Errors of processing for every tooth, by its ISO number; the same seed gives the same. @param scale of their size; 1 is usual */
export function processingErrors(seed: number, scale = 1): ReadonlyMap<number, ToothError> {
  const random = seededRandom(seed)
  const normal = () => sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
  const drawn = ([mean, spread]: readonly [number, number]) => scale * (mean + spread * normal())
  const all = [...teethOfArch('upper'), ...teethOfArch('lower')]
  return new Map(
    all.map(({ fdi, place }): [number, ToothError] => [
      fdi,
      {
        lift: drawn(place <= 3 ? errors.frontLift : errors.lift),
        tiltDegrees: [drawn(errors.tiltDegrees), drawn(errors.tiltDegrees)],
        turnDegrees: drawn(errors.turnDegrees),
        shift: [drawn(errors.shift), drawn(errors.shift)],
      },
    ]),
  )
}

/** The mouth with its teeth moved: each surface read again between its cells, labels from the nearest. */
export function withErrors(mouth: Mouth, moved: ReadonlyMap<number, ToothError>): Mouth {
  return {
    ...mouth,
    upper: moveTeeth(mouth.grid, mouth.upper, 'upper', moved),
    lower: moveTeeth(mouth.grid, mouth.lower, 'lower', moved),
  }
}

function moveTeeth(
  grid: Grid,
  field: ArchField,
  arch: ArchName,
  moved: ReadonlyMap<number, ToothError>,
): ArchField {
  const made = emptyArch(grid)
  const towards = arch === 'upper' ? -1 : 1
  for (const [index, tooth] of teethOfArch(arch).entries()) {
    const { lift, tiltDegrees, turnDegrees, shift } = moved.get(tooth.fdi) ?? noError
    const [cos, sin] = [Math.cos(toRadians(turnDegrees)), Math.sin(toRadians(turnDegrees))]
    const [tiltA, tiltB] = tiltDegrees.map((degrees) => Math.tan(toRadians(degrees))) as [number, number]
    const reach = 9
    const iFrom = max(0, ceil((tooth.x - reach - grid.x0) / grid.h))
    const iTo = min(grid.nx - 1, floor((tooth.x + reach - grid.x0) / grid.h))
    const jFrom = max(0, ceil((tooth.y - reach - grid.y0) / grid.h))
    const jTo = min(grid.ny - 1, floor((tooth.y + reach - grid.y0) / grid.h))
    for (let j = jFrom; j <= jTo; j++)
      for (let i = iFrom; i <= iTo; i++) {
        const dx = grid.x0 + grid.h * i - tooth.x - shift[0]
        const dy = grid.y0 + grid.h * j - tooth.y - shift[1]
        // Back to where it stood in the set-up.
        const ox = cos * dx + sin * dy
        const oy = cos * dy - sin * dx
        const from = cellAt(grid, tooth.x + ox, tooth.y + oy)
        if (from < 0 || field.tooth[from] !== index + 1) continue
        const z = surfaceOf(grid, field, index + 1, tooth.x + ox, tooth.y + oy) ?? field.z[from]!
        const a = ox * tooth.distal[0] + oy * tooth.distal[1]
        const b = ox * tooth.buccal[0] + oy * tooth.buccal[1]
        const height = z + towards * lift + tiltA * b + tiltB * a
        const cell = j * grid.nx + i
        if (made.tooth[cell] !== 0 && towards * (height - made.z[cell]!) <= 0) continue
        made.z[cell] = height
        made.tooth[cell] = index + 1
        made.region[cell] = field.region[from]!
        made.distal[cell] = field.distal[from]!
        made.allowance[cell] = field.allowance[from]!
      }
  }
  return asUntouched(made)
}

/** The height of one tooth between its cells; undefined at its rim. */
function surfaceOf(
  { x0, y0, h, nx, ny }: Grid,
  { z, tooth }: ArchField,
  index: number,
  x: number,
  y: number,
): number | undefined {
  const fx = (x - x0) / h
  const fy = (y - y0) / h
  const [i, j] = [floor(fx), floor(fy)]
  if (i < 0 || j < 0 || i >= nx - 1 || j >= ny - 1) return undefined
  const c = j * nx + i
  for (const corner of [c, c + 1, c + nx, c + nx + 1]) if (tooth[corner] !== index) return undefined
  const [u, v] = [fx - i, fy - j]
  const low = z[c]! + (z[c + 1]! - z[c]!) * u
  const high = z[c + nx]! + (z[c + nx + 1]! - z[c + nx]!) * u
  return low + (high - low) * v
}

/** A mouth as it comes out of the flask: set up in wax, then processed with the errors of a seed. */
export const processedMouth = (seed: number, options: MouthOptions = {}) =>
  withErrors(waxSetUp(options), processingErrors(seed))
