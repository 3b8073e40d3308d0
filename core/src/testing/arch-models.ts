import type { Point } from '../trimming/index.ts'
import type { LowerLandmarks, UpperLandmarks } from '../trimming/landmarks.ts'

export const P = (x: number, y: number): Point => ({ x, y })

/** The model of the notes; every figure below was computed there in two ways (closed form; line search and linear programs). */
export const upper: UpperLandmarks = {
  midline: [P(0, 5), P(0, 30)],
  notches: { right: P(-21, 1), left: P(21.5, 1.6) },
  canines: { right: P(-16, 31), left: P(16.4, 30.6) },
  buccal: { right: [P(-20, 26), P(-23, 19.5), P(-26, 13)], left: [P(20.4, 26), P(23, 19.6), P(26.8, 13.2)] },
  vestibule: {
    right: [P(-25, 27), P(-28, 20), P(-31, 12.5)],
    left: [P(25.5, 27), P(28.8, 20), P(31.6, 12.5)],
  },
  anterior: [P(-14.5, 39), P(14.5, 39), P(-7.5, 44.5), P(7.5, 44.5), P(0, 46.5)],
  incisorFront: P(0, 42.5),
}
export const lower: LowerLandmarks = {
  backEdge: [P(-20, 0), P(20, 0)],
  mark: P(0, 0),
  canines: { right: P(-13, 33), left: P(13, 33) },
  buccal: { right: [P(-18, 27), P(-22, 19), P(-26, 11)], left: [P(18.2, 27), P(22, 19), P(26, 11)] },
  vestibule: {
    right: [P(-21, 28), P(-26, 19), P(-29.5, 10.5)],
    left: [P(21, 28), P(25.8, 19), P(29.2, 10.5)],
  },
  anterior: [P(-13, 39), P(13, 39), P(-6, 43), P(6, 43), P(0, 44)],
  incisorFront: P(0, 40),
}
export const outline = [P(-40, -8), P(-42, 12), P(-24, 48), P(0, 58), P(24, 48), P(42, 12), P(40, -8)]

/** Moves every landmark by a map of the plane. */
export function moved(model: UpperLandmarks, map: (p: Point) => Point): UpperLandmarks {
  const each = (points: readonly Point[]) => points.map(map)
  const both = <T, U>(sided: { readonly right: T; readonly left: T }, change: (t: T) => U) => ({
    right: change(sided.right),
    left: change(sided.left),
  })
  return {
    midline: each(model.midline),
    notches: both(model.notches, map),
    canines: both(model.canines, map),
    buccal: both(model.buccal, each),
    vestibule: both(model.vestibule, each),
    anterior: each(model.anterior),
    incisorFront: map(model.incisorFront),
  }
}
/** The mirrored patient: x turned, and right becomes left. */
export function mirrored(model: UpperLandmarks): UpperLandmarks {
  const flipped = moved(model, (p) => P(-p.x, p.y))
  const swap = <T>({ right, left }: { readonly right: T; readonly left: T }) => ({ right: left, left: right })
  return {
    ...flipped,
    notches: swap(flipped.notches),
    canines: swap(flipped.canines),
    buccal: swap(flipped.buccal),
    vestibule: swap(flipped.vestibule),
  }
}
