import type { FinishedModel, FinishedPair } from './finished-pair.ts'
import { type ModelEntry, type PairEntry, planPair } from './pair-plan.ts'
import type { Point } from './plane-geometry.ts'
import type { TrimPlan } from './trim-plan.ts'

const P = (x: number, y: number): Point => ({ x, y })
const outline = [P(-40, -8), P(-42, 12), P(-24, 48), P(0, 58), P(24, 48), P(42, 12), P(40, -8)]
const heights: ModelEntry<unknown>['heights'] = [
  { at: P(0, 43), heightMillimetres: 39 },
  { at: P(-24, 5), heightMillimetres: 38 },
  { at: P(24, 5), heightMillimetres: 37 },
]

/** An invented pair of models of ordinary size, as somebody with a caliper would enter it. */
export const inventedPair: PairEntry = {
  upper: {
    landmarks: {
      midline: [P(0, 5), P(0, 30)],
      notches: { right: P(-21, 1), left: P(21.5, 1.6) },
      canines: { right: P(-16, 31), left: P(16.4, 30.6) },
      buccal: {
        right: [P(-20, 26), P(-23, 19.5), P(-26, 13)],
        left: [P(20.4, 26), P(23, 19.6), P(26.8, 13.2)],
      },
      vestibule: {
        right: [P(-25, 27), P(-28, 20), P(-31, 12.5)],
        left: [P(25.5, 27), P(28.8, 20), P(31.6, 12.5)],
      },
      anterior: [P(-14.5, 39), P(-7.5, 44.5), P(0, 46.5), P(7.5, 44.5), P(14.5, 39)],
      incisorFront: P(0, 42.5),
    },
    outline,
    heights,
    deepestMillimetres: 22,
  },
  lower: {
    landmarks: {
      backEdge: [P(-20, 0), P(20, 0)],
      mark: P(0, 0),
      canines: { right: P(-13, 33), left: P(13, 33) },
      buccal: { right: [P(-18, 27), P(-22, 19), P(-26, 11)], left: [P(18.2, 27), P(22, 19), P(26, 11)] },
      vestibule: {
        right: [P(-21, 28), P(-26, 19), P(-29.5, 10.5)],
        left: [P(21, 28), P(25.8, 19), P(29.2, 10.5)],
      },
      anterior: [P(-13, 39), P(-6, 43), P(0, 44), P(6, 43), P(13, 39)],
      incisorFront: P(0, 40),
    },
    outline,
    heights,
    deepestMillimetres: 18,
  },
  choices: {},
}

function trimmedTo({ sideAngleDegrees, front, heel, corner }: TrimPlan): FinishedModel {
  const both = (value: number, digits = 1): [number, number] => {
    const read = Number(value.toFixed(digits))
    return [read, read]
  }
  return {
    backToMidlineDegrees: 90,
    backToBaseDegrees: 90,
    sideDegrees: both(sideAngleDegrees),
    ...(front.kind === 'planes' ? { frontDegrees: both(front.angleDegrees) } : {}),
    heelMillimetres: both(heel.lengthMillimetres),
    heelDegrees: both(180 - heel.betaDegrees),
    canineCornerMillimetres: both(corner.x),
    heelCornerMillimetres: both(heel.atSide.x),
  }
}

/** The same pair, trimmed as a careful technician does, to what calipers and protractor show. */
export const inventedFinishedPair: FinishedPair = (() => {
  const { upper, lower } = planPair(inventedPair)
  return {
    upper: trimmedTo(upper.plan),
    lower: trimmedTo(lower.plan),
    totalHeightsMillimetres: [69.8, 70, 69.9],
    planeFromMiddleMillimetres: 0.5,
    basesTiltDegrees: 0.3,
    upperBaseToPlaneDegrees: 1,
    backStepMillimetres: 0.2,
  }
})()
