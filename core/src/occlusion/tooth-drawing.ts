import {
  type ArchName,
  cusps,
  edges,
  heightOf,
  primitivesOf,
  regionOf,
  ridge,
  type ToothPlace,
  teethOfArch,
} from './mouth-shape.ts'
import { archOf, isFrontTooth, placeOf, type Slope, supportingSide, type ToothRegion } from './regions.ts'

/** A point on the plane of the occlusal surface, mm: forwards, to the patient's left. */
export interface PlanPoint {
  readonly x: number
  readonly y: number
}

const arches = { upper: teethOfArch('upper'), lower: teethOfArch('lower') } as const
const toothAt = (fdi: number): ToothPlace => arches[archOf(fdi)].find((tooth) => tooth.fdi === fdi)!
const sizeOf = (arch: ArchName, tooth: ToothPlace) => (tooth.place <= 3 ? edges[arch] : cusps[arch])

const toPlan = ({ x, y, distal, buccal }: ToothPlace, a: number, b: number): PlanPoint => ({
  x: x + a * distal[0] + b * buccal[0],
  y: y + a * distal[1] + b * buccal[1],
})

/** The outline of a tooth of the drawn arches, as a closed line. @param steps points of it */
export function toothOutline(fdi: number, steps = 48): readonly PlanPoint[] {
  const tooth = toothAt(fdi)
  const { depth, centre } = sizeOf(archOf(fdi), tooth)
  return Array.from({ length: steps }, (_, n) => {
    const turn = (2 * Math.PI * n) / steps
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
    // On |a / (w / 2)|⁶ + |b / (d / 2)|⁴ = 1.
    const a = Math.sign(cos) * Math.abs(cos) ** (1 / 3) * (tooth.width / 2)
    const b = Math.sign(sin) * Math.abs(sin) ** (1 / 2) * (depth / 2) + centre
    return toPlan(tooth, a, b)
  })
}

/** What lies at a point of a drawn arch: the tooth, its region and slope; undefined beside the teeth. */
export function placeAt(
  arch: ArchName,
  { x, y }: PlanPoint,
): { readonly tooth: number; readonly region: ToothRegion; readonly slope: Slope } | undefined {
  for (const tooth of arches[arch]) {
    const [dx, dy] = [x - tooth.x, y - tooth.y]
    const a = dx * tooth.distal[0] + dy * tooth.distal[1]
    const b = dx * tooth.buccal[0] + dy * tooth.buccal[1]
    const { depth, centre } = sizeOf(arch, tooth)
    if ((Math.abs(a) / (tooth.width / 2)) ** 6 + (Math.abs(b - centre) / (depth / 2)) ** 4 > 1) continue
    const [top] = [...primitivesOf(arch, tooth)].sort(
      (one, other) => heightOf(other, a, b) - heightOf(one, a, b),
    )
    return {
      tooth: tooth.fdi,
      region: regionOf(arch, tooth, top!, a, b),
      slope: a > top!.a ? 'distal' : 'mesial',
    }
  }
  return undefined
}

/** Along the tooth a slope is drawn so far from its cusp, mm. */
const BESIDE_CUSP = 0.7

/** Of a front tooth the lip face is drawn so far beyond its edge, mm: beyond the tip of a canine too. */
const BEYOND_EDGE = 0.93

/** Where a region is drawn; on the side of its slope, where that is known. */
export function spotOf(fdi: number, region: ToothRegion, slope?: Slope): PlanPoint {
  const tooth = toothAt(fdi)
  const arch = archOf(fdi)
  if (isFrontTooth(fdi)) {
    const { b } = edges[arch]
    const off = region === 'incisalEdge' ? 0 : region === 'lingualFace' ? -1.5 : BEYOND_EDGE
    return toPlan(tooth, 0, b + off)
  }
  const { groove, depth, centre, ...sides } = cusps[arch]
  if (region === 'fossa') return toPlan(tooth, 0, groove)
  if (region === 'marginalRidge')
    return toPlan(tooth, (slope === 'distal' ? 1 : -1) * (tooth.width / 2 - 2 * ridge.in), groove)
  const side = region.startsWith('buccal') ? 'buccal' : 'lingual'
  const which = placeOf(fdi) <= 5 ? 0 : placeOf(fdi) - 5
  const places: readonly number[] = sides[side].a[which]!
  const tip = slope === 'distal' ? places.at(-1)! : places[0]!
  const outwards = side === 'buccal' ? 1 : -1
  const rim = centre + outwards * (depth / 2)
  const b = sides[side].b
  if (region.endsWith('Tip')) return toPlan(tooth, tip, b)
  const a = tip + (slope === undefined ? 0 : slope === 'distal' ? BESIDE_CUSP : -BESIDE_CUSP)
  return toPlan(tooth, a, region.endsWith('Inner') ? (b + groove) / 2 : (b + rim) / 2)
}

/** The tips of the cusps of a back tooth, the supporting ones apart, and the ends of its groove. */
export function toothMarks(fdi: number): {
  readonly supporting: readonly PlanPoint[]
  readonly others: readonly PlanPoint[]
  readonly groove: readonly PlanPoint[]
} {
  const tooth = toothAt(fdi)
  const arch = archOf(fdi)
  if (isFrontTooth(fdi)) {
    const { b } = edges[arch]
    const half = tooth.width / 2 - 0.9
    return { supporting: [], others: [], groove: [toPlan(tooth, -half, b), toPlan(tooth, half, b)] }
  }
  const { groove, ...sides } = cusps[arch]
  const which = placeOf(fdi) <= 5 ? 0 : placeOf(fdi) - 5
  const tips = (side: 'buccal' | 'lingual') =>
    sides[side].a[which]!.map((a) => toPlan(tooth, a, sides[side].b))
  const carrying = supportingSide(arch)
  const other = carrying === 'buccal' ? 'lingual' : 'buccal'
  const half = tooth.width / 2 - 1
  return {
    supporting: tips(carrying),
    others: tips(other),
    groove: [toPlan(tooth, -half, groove), toPlan(tooth, half, groove)],
  }
}

/** A cut through a tooth, across the arch: heights over the occlusal surface, mm, and the region of each place. */
export function toothSection(
  fdi: number,
  slope?: Slope,
): readonly { readonly b: number; readonly z: number; readonly region: ToothRegion }[] {
  const tooth = toothAt(fdi)
  const arch = archOf(fdi)
  const primitives = primitivesOf(arch, tooth)
  const { depth, centre } = sizeOf(arch, tooth)
  const tips = primitives.filter(({ side }) => side === supportingSide(arch)).map(({ a }) => a)
  const a = (slope === 'distal' ? tips.at(-1) : tips[0]) ?? 0
  const steps = 80
  return Array.from({ length: steps + 1 }, (_, n) => {
    const b = centre - depth / 2 + (depth * n) / steps
    const [top] = [...primitives].sort((one, other) => heightOf(other, a, b) - heightOf(one, a, b))
    return { b, z: heightOf(top!, a, b), region: regionOf(arch, tooth, top!, a, b) }
  })
}
