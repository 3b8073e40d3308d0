import { otherSide, type Side, seenFrom } from './landmarks.ts'
import { type CutLine, cutOff, distance, type Point, standsOut } from './plane-geometry.ts'
import type { TrimPlan } from './trim-plan.ts'

/** One cut on the trimmer, in the order in which it is made. */
export interface TrimCut {
  readonly name: string
  /** Angle of the cut to the back line, set on the table, 0 to 90. */
  readonly tableDegrees: number
  /** The angle opens the other way: it is above 90 between side and back. */
  readonly opensOtherWay: boolean
  /** Stone to take off at the deepest, mm; not above 0 when none reaches the cut; left out while no outline is marked. */
  readonly depthMillimetres?: number
  readonly noStone: boolean
}

/** Leave about this on the first pass: you cannot put it back (common practice), mm. */
export const FIRST_PASS_LEAVES = 1

/** Mirrors a line of a half-plane onto its side. */
function onSide(side: Side, line: CutLine): CutLine {
  return { normal: seenFrom(side, line.normal), offset: line.offset }
}

/**
 * The cuts in their order with the angle to set and the depth to take off. Each depth is measured on what the cuts
 * before it have left of the present outline. The base itself is cut by height, see `planHeights`.
 *
 * @param outline of the present base, as a polygon in the frame of the landmarks; empty: the depths stay unknown
 */
export function trimCuts(plan: TrimPlan, outline: readonly Point[]): TrimCut[] {
  let left = outline.map(plan.framed.toModel)
  const cuts: TrimCut[] = []
  const depthOf = (measure: () => number): Pick<TrimCut, 'depthMillimetres' | 'noStone'> => {
    if (left.length === 0) return { noStone: false }
    const depthMillimetres = measure()
    return { depthMillimetres, noStone: depthMillimetres <= 0 }
  }
  const cut = (name: string, degreesToBack: number, line: CutLine) => {
    cuts.push({ name, ...tableAngle(degreesToBack), ...depthOf(() => standsOut(left, line)) })
    left = cutOff(left, line)
  }
  const order: readonly Side[] = [plan.better, otherSide(plan.better)]
  cut('back', 0, { normal: { x: 0, y: -1 }, offset: 0 })
  for (const side of order) cut(`${side} side`, plan.sideAngleDegrees, onSide(side, plan.sideLine))
  const { front } = plan
  if (front.kind === 'planes')
    for (const side of order) cut(`${side} front`, front.angleDegrees, onSide(side, front.line))
  else {
    const ahead = cutOff(left, { normal: { x: 0, y: -1 }, offset: -plan.corner.y })
    const farthest = () => Math.max(...ahead.map((p) => distance(p, front.centre)))
    cuts.push({
      name: 'front arc',
      tableDegrees: 0,
      opensOtherWay: false,
      ...depthOf(() => farthest() - front.radiusMillimetres),
    })
  }
  for (const side of order) cut(`${side} heel`, plan.heel.betaDegrees, onSide(side, plan.heel.line))
  return cuts
}

function tableAngle(degreesToBack: number): { tableDegrees: number; opensOtherWay: boolean } {
  return degreesToBack > 90
    ? { tableDegrees: 180 - degreesToBack, opensOtherWay: true }
    : { tableDegrees: degreesToBack, opensOtherWay: false }
}

/** The finished base from above, in the model frame: seven corners of the upper, the lower with its arc as points. */
export function plannedOutline(plan: TrimPlan): Point[] {
  const { heel, corner, apex, front } = plan
  const half = [heel.atBack, heel.atSide, corner]
  const mirrored = (p: Point): Point => ({ x: -p.x, y: p.y })
  const arc =
    front.kind === 'arc'
      ? [1, 2, 3, 4, 5, 6, 7].map((n) => {
          const angle = (front.halfAngleDegrees * (1 - n / 8) * Math.PI) / 180
          return {
            x: front.radiusMillimetres * Math.sin(angle),
            y: front.centre.y + front.radiusMillimetres * Math.cos(angle),
          }
        })
      : []
  return [...half, ...arc, apex, ...[...half, ...arc].reverse().map(mirrored)]
}
