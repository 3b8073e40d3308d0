import { requireWithin } from '../refusal/index.ts'
import { bilinear, type Closing, inLower, type Under } from './closing.ts'
import { cellAt, type Mouth, regionAt, xOf, yOf } from './mouth-grid.ts'
import type { Slope, ToothRegion } from './regions.ts'
import type { Strength } from './remount-data.ts'

// Looked up once: these loops run through every cell.
const { max, sqrt } = Math

/** Paper as thick as this marks what comes nearer, µm (common practice); foil is 8. */
export const USUAL_PAPER_MICROMETRES = 40
export const FOIL_MICROMETRES = 8

export interface MarkSide {
  readonly tooth: number
  readonly region: ToothRegion
  readonly slope: Slope
}
/** A mark that paper leaves, where its gap is least. */
export interface ContactMark {
  readonly upper: MarkSide
  readonly lower: MarkSide
  readonly strength: Strength
  /** Occlusal projection, mm². */
  readonly area: number
  /** Of the least gap, in the frame of the upper, mm. */
  readonly x: number
  readonly y: number
  /** The same place in the frame of the lower. */
  readonly below: { readonly x: number; readonly y: number }
  readonly gapMicrometres: number
  /** Upper cells that are marked. */
  readonly cells: readonly number[]
}

/**
 * Every mark on both arches in a closing: cells whose gap along the normal is less than the paper, joined over their eight neighbours.
 * @param paperMicrometres 8 to 200
 * @throws {DomainError} `paper-thickness`
 * Limits: paper does not push or smear here; real paper marks wider and misses wet spots; under 20 µm the map is finer than the grid.
 */
export function contactMap(
  mouth: Mouth,
  { frame, opening }: Pick<Closing, 'frame' | 'opening'>,
  paperMicrometres = USUAL_PAPER_MICROMETRES,
): readonly ContactMark[] {
  requireWithin(paperMicrometres, {
    least: FOIL_MICROMETRES,
    most: 200,
    what: 'The paper',
    field: 'paperMicrometres',
    kind: 'micrometres',
    code: 'paper-thickness',
  })
  const paper = paperMicrometres / 1000
  const gaps = gapsBelow(mouth, frame, opening, paper)
  return joined(mouth, [...gaps.keys()]).map((cells): ContactMark => {
    const least = cells.reduce((best, cell) => (gaps.get(cell)! < gaps.get(best)! ? cell : best))
    const { grid, upper, lower, upperTeeth, lowerTeeth } = mouth
    const place = { x: xOf(grid, least), y: yOf(grid, least) }
    const q = inLower(frame, opening, { ...place, z: upper.z[least]! })
    const below = cellAt(grid, q.x, q.y)
    const gap = max(0, gaps.get(least)!)
    return {
      upper: sideOf(upperTeeth[upper.tooth[least]! - 1]!, regionAt(upper, least), upper.distal[least]!),
      lower: sideOf(lowerTeeth[lower.tooth[below]! - 1]!, regionAt(lower, below), lower.distal[below]!),
      strength: 1000 * gap <= FOIL_MICROMETRES ? 'heavy' : gap <= paper / 2 ? 'medium' : 'light',
      area: cells.length * grid.h * grid.h,
      ...place,
      below: { x: q.x, y: q.y },
      gapMicrometres: 1000 * gap,
      cells,
    }
  })
}

const sideOf = (tooth: number, region: ToothRegion, distal: number): MarkSide => ({
  tooth,
  region,
  slope: distal ? 'distal' : 'mesial',
})

/** The gap along the normal of every upper cell that is nearer than the paper. */
function gapsBelow(
  mouth: Mouth,
  frame: Closing['frame'],
  theta: number,
  paper: number,
): ReadonlyMap<number, number> {
  const { grid, upper, lower } = mouth
  const { x0, y0, h, nx } = grid
  const { origin: o, ahead: a, across: e, up: w } = frame
  const [cos, sin] = [Math.cos(theta), Math.sin(theta)]
  const under: Under = { z: 0, slopeX: 0, slopeY: 0 }
  const gaps = new Map<number, number>()
  const { cells } = upper
  for (let n = 0; n < cells.length; n++) {
    const cell = cells[n]!
    const dx = x0 + h * (cell % nx) - o.x
    const dy = y0 + h * ((cell / nx) | 0) - o.y
    const dz = upper.z[cell]! - o.z
    const vx = a.x * dx + a.y * dy + a.z * dz
    const vz = w.x * dx + w.y * dy + w.z * dz
    if (!bilinear(grid, lower, vx * cos - vz * sin, e.x * dx + e.y * dy + e.z * dz, under)) continue
    const gap = vx * sin + vz * cos - under.z
    // The normal gap is never more than the vertical one: most cells need no root.
    if (gap >= paper * 4) continue
    const normal = gap / sqrt(1 + under.slopeX * under.slopeX + under.slopeY * under.slopeY)
    if (normal < paper) gaps.set(cell, normal)
  }
  return gaps
}

/** Cells that hang together over their eight neighbours. */
function joined({ grid }: Mouth, cells: readonly number[]): readonly (readonly number[])[] {
  const open = new Set(cells)
  const groups: number[][] = []
  for (const first of cells) {
    if (!open.delete(first)) continue
    const group = [first]
    for (const cell of group)
      for (let dj = -1; dj <= 1; dj++)
        for (let di = -1; di <= 1; di++) {
          const next = cell + dj * grid.nx + di
          if (open.delete(next)) group.push(next)
        }
    groups.push(group)
  }
  return groups
}

/** A stop: exactly one of the two is on a supporting side, upper palatal or lower cheek. */
export function isStop({ upper, lower }: Pick<ContactMark, 'upper' | 'lower'>): boolean {
  const carries = (region: ToothRegion, side: 'lingual' | 'buccal') => region.startsWith(side)
  return carries(upper.region, 'lingual') !== carries(lower.region, 'buccal')
}
