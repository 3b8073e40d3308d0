import { seededRandom } from '../random/index.ts'
import { type ArchField, cellAt, type Mouth, regionIndex, xOf, yOf } from './mouth-grid.ts'
import { type ArchName, type ToothPlace, teethOfArch } from './mouth-shape.ts'

// Looked up once: these loops run through every cell.
const { abs, ceil, floor, max, min } = Math

/** Ridges of resin that ran between tooth and mould: how wide, how high and how long, mm (choice). */
const WIDE = [0.3, 1] as const
const HIGH = [0.1, 0.4] as const
const LONG = 2
const RIDGES = 3
/** In a groove, or along a neck. */
const places = ['fossa', 'buccalOuter', 'lingualOuter'] as const

/** A mouth with flash on some of its back teeth, by its seed; every cell of it is flagged with its height. */
export function withFlash(mouth: Mouth, seed: number): Mouth {
  const random = seededRandom(seed + 1)
  const between = ([from, to]: readonly [number, number]) => from + (to - from) * random()
  const made = { upper: flagged(mouth.upper), lower: flagged(mouth.lower) }
  for (let n = 0; n < RIDGES; n++) {
    const arch: ArchName = random() < 0.5 ? 'upper' : 'lower'
    const teeth = teethOfArch(arch)
    const back = teeth.flatMap(({ place }, index) => (place > 3 ? [index] : []))
    const index = back[floor(random() * back.length)]!
    const field = made[arch]
    const region = regionIndex(places[floor(random() * places.length)]!)
    const own = field.cells.filter((cell) => field.tooth[cell] === index + 1 && field.region[cell] === region)
    const middle = own[floor(random() * own.length)]
    const [wide, high] = [between(WIDE), between(HIGH)]
    if (middle !== undefined) raise(mouth, field, arch, { index, tooth: teeth[index]!, middle, wide, high })
  }
  return { ...mouth, ...made }
}

const flagged = (field: ArchField): ArchField & { readonly flash: Float64Array } => ({
  ...field,
  z: field.z.slice(),
  untouched: field.untouched.slice(),
  flash: new Float64Array(field.z.length),
})

interface Ridge {
  readonly index: number
  readonly tooth: ToothPlace
  readonly middle: number
  readonly wide: number
  readonly high: number
}

/** A ridge along the arch, highest in its middle: on this tooth alone. */
function raise(
  { grid }: Mouth,
  field: ArchField & { readonly flash: Float64Array },
  arch: ArchName,
  { index, tooth, middle, wide, high }: Ridge,
): void {
  const towards = arch === 'upper' ? -1 : 1
  const [x, y] = [xOf(grid, middle), yOf(grid, middle)]
  const reach = ceil((LONG + wide) / grid.h)
  for (let dj = -reach; dj <= reach; dj++)
    for (let di = -reach; di <= reach; di++) {
      const cell = cellAt(grid, x + di * grid.h, y + dj * grid.h)
      if (cell < 0 || field.tooth[cell] !== index + 1) continue
      const [dx, dy] = [xOf(grid, cell) - x, yOf(grid, cell) - y]
      const along = abs(dx * tooth.distal[0] + dy * tooth.distal[1]) / (LONG / 2)
      const across = abs(dx * tooth.buccal[0] + dy * tooth.buccal[1]) / (wide / 2)
      if (along >= 1 || across >= 1) continue
      const height = max(high * (1 - across * across) * (1 - along * along), field.flash[cell]!)
      const more = height - field.flash[cell]!
      field.flash[cell] = height
      field.z[cell] = field.z[cell]! + towards * more
      field.untouched[cell] = field.untouched[cell]! + towards * more
    }
}

/** Where flash is still on a tooth: its cells, by arch. */
export const flashCells = ({ flash, cells }: ArchField): readonly number[] =>
  flash ? [...cells].filter((cell) => flash[cell]! > 0) : []

/**
 * Picks flash off round a place: down to the tooth and no further; what was already ground of the tooth stays ground.
 * @param radius mm; left out: all of it
 */
export function pick(
  mouth: Mouth,
  arch: ArchName,
  at?: { readonly x: number; readonly y: number; readonly radius: number },
): void {
  const field = mouth[arch]
  const { flash } = field
  if (!flash) return
  const towards = arch === 'upper' ? -1 : 1
  for (const cell of flashCells(field)) {
    if (at && (xOf(mouth.grid, cell) - at.x) ** 2 + (yOf(mouth.grid, cell) - at.y) ** 2 > at.radius ** 2)
      continue
    const tooth = field.untouched[cell]! - towards * flash[cell]!
    field.untouched[cell] = tooth
    field.z[cell] = towards * min(towards * field.z[cell]!, towards * tooth)
    flash[cell] = 0
  }
}

/** The teeth that flash is still on, ISO 3950. */
export function teethWithFlash(mouth: Mouth): readonly number[] {
  const of = (field: ArchField, teeth: readonly number[]) =>
    flashCells(field).map((cell) => teeth[field.tooth[cell]! - 1]!)
  return [...new Set([...of(mouth.upper, mouth.upperTeeth), ...of(mouth.lower, mouth.lowerTeeth)])]
}
