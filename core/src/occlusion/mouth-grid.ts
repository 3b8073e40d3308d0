import { requireWithin } from '../refusal/index.ts'
import { type ToothRegion, toothRegions } from './regions.ts'

// Looked up once: these loops run through every cell.
const { floor, round } = Math

/** The field over which both arches are known, mm in the frame of the articulator. y = 0 is a line of the grid, else mirror symmetry is lost. */
const FROM_X = 28
const TO_X = 92
const HALF_Y = 36

/** A grid over the arches: lines along x, then along y. */
export interface Grid {
  readonly h: number
  readonly nx: number
  readonly ny: number
  readonly x0: number
  readonly y0: number
}

/** Cells, mm apart (choice). @throws {DomainError} `grid-spacing`: not 0.1 to 0.3 */
export function gridOf(h: number): Grid {
  requireWithin(h, {
    least: 0.1,
    most: 0.3,
    what: 'The spacing of the grid',
    field: 'spacingMillimetres',
    kind: 'millimetres',
    code: 'grid-spacing',
  })
  const half = floor(HALF_Y / h + 1e-9)
  return { h, nx: floor((TO_X - FROM_X) / h + 1e-9) + 1, ny: 2 * half + 1, x0: FROM_X, y0: -half * h }
}

/**
 * One arch: the lowest surface of the upper, in its own frame, or the highest of the lower, in its own. What is ground changes the
 * heights and what may still be taken; the untouched heights stay for depth, volume and undo.
 */
export interface ArchField {
  readonly z: Float64Array
  readonly untouched: Float64Array
  /** Index of the tooth plus 1; 0: no tooth. */
  readonly tooth: Uint8Array
  /** Index of the region in `toothRegions`. */
  readonly region: Uint8Array
  /** 1: the distal slope of its cusp. */
  readonly distal: Uint8Array
  /** What may still be taken off, mm. */
  readonly allowance: Float64Array
  /** The cells that bear a tooth. */
  readonly cells: Int32Array
  /** Height of resin that ran onto the tooth, mm; 0: none. Left out where the mouth has no flash. */
  readonly flash?: Float64Array
}

export interface Mouth {
  readonly grid: Grid
  readonly upper: ArchField
  readonly lower: ArchField
  /** ISO 3950, by the index in the fields. */
  readonly upperTeeth: readonly number[]
  readonly lowerTeeth: readonly number[]
}

export const xOf = ({ x0, h, nx }: Grid, cell: number) => x0 + h * (cell % nx)
export const yOf = ({ y0, h, nx }: Grid, cell: number) => y0 + h * floor(cell / nx)
export const regionAt = ({ region }: ArchField, cell: number): ToothRegion => toothRegions[region[cell]!]!
export const regionIndex = (region: ToothRegion) => toothRegions.indexOf(region)

/** The cell nearest to a point; -1 outside of the grid. */
export function cellAt({ x0, y0, h, nx, ny }: Grid, x: number, y: number): number {
  const i = round((x - x0) / h)
  const j = round((y - y0) / h)
  return i < 0 || j < 0 || i >= nx || j >= ny ? -1 : j * nx + i
}

/** An empty arch. */
export function emptyArch({ nx, ny }: Grid): Omit<ArchField, 'cells' | 'untouched'> {
  const size = nx * ny
  return {
    z: new Float64Array(size),
    tooth: new Uint8Array(size),
    region: new Uint8Array(size),
    distal: new Uint8Array(size),
    allowance: new Float64Array(size),
  }
}

/** The arch with the list of its covered cells, as it is now taken for untouched. */
export function asUntouched(arch: Omit<ArchField, 'cells' | 'untouched'>): ArchField {
  const cells: number[] = []
  for (let cell = 0; cell < arch.tooth.length; cell++) if (arch.tooth[cell] !== 0) cells.push(cell)
  return { ...arch, untouched: Float64Array.from(arch.z), cells: Int32Array.from(cells) }
}

/** A mouth of its own, to be ground. */
export function copyOf(mouth: Mouth): Mouth {
  const arch = (field: ArchField): ArchField => ({
    ...field,
    z: Float64Array.from(field.z),
    allowance: Float64Array.from(field.allowance),
    // Picking flash off bares the tooth: what it was is known anew.
    ...(field.flash ? { flash: field.flash.slice(), untouched: field.untouched.slice() } : {}),
  })
  return { ...mouth, upper: arch(mouth.upper), lower: arch(mouth.lower) }
}

/** Right and left changed: for the law that a mirrored mouth is ground in mirror image. */
export function mirrored(mouth: Mouth): Mouth {
  const { grid } = mouth
  const other = (fdi: number) => [0, 2, 1, 4, 3][floor(fdi / 10)]! * 10 + (fdi % 10)
  const across = <A extends Float64Array | Uint8Array>(values: A): A => {
    const turned = values.slice() as A
    for (let j = 0; j < grid.ny; j++)
      for (let i = 0; i < grid.nx; i++) turned[(grid.ny - 1 - j) * grid.nx + i] = values[j * grid.nx + i]!
    return turned
  }
  const arch = (field: ArchField): ArchField => ({
    ...asUntouched({
      z: across(field.z),
      tooth: across(field.tooth),
      region: across(field.region),
      distal: across(field.distal),
      allowance: across(field.allowance),
    }),
    untouched: across(field.untouched),
  })
  return {
    grid,
    upper: arch(mouth.upper),
    lower: arch(mouth.lower),
    upperTeeth: mouth.upperTeeth.map(other),
    lowerTeeth: mouth.lowerTeeth.map(other),
  }
}
