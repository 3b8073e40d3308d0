import { describe, expect, it } from '@jest/globals'
import { articulatorCards, pinAtRotation } from '../mounting/index.ts'
import { toDegrees } from '../quantity/index.ts'
import { close, frameOf, inLower, inUpper } from './closing.ts'
import { asUntouched, emptyArch, gridOf, type Mouth, xOf, yOf } from './mouth-grid.ts'
import type { Bite } from './regions.ts'

const average = articulatorCards[0]!.articulator
const articulator = {
  ...average,
  condylarDegrees: { right: 30, left: 30 },
  incisalDegrees: 10,
  wingDegrees: { right: 5, left: 5 },
}
type Surface = (x: number, y: number) => number | undefined
/** A mouth of two surfaces, each the highest or lowest of several. */
function mouthOf(uppers: readonly Surface[], lowers: readonly Surface[], h = 0.15): Mouth {
  const grid = gridOf(h)
  const arch = (surfaces: readonly Surface[], best: (...z: number[]) => number) => {
    const made = emptyArch(grid)
    for (let cell = 0; cell < made.z.length; cell++) {
      const heights = surfaces.flatMap((surface) => surface(xOf(grid, cell), yOf(grid, cell)) ?? [])
      if (heights.length === 0) continue
      made.z[cell] = best(...heights)
      made.tooth[cell] = 1
    }
    return asUntouched(made)
  }
  return {
    grid,
    upper: arch(uppers, Math.min),
    lower: arch(lowers, Math.max),
    upperTeeth: [26],
    lowerTeeth: [36],
  }
}
const SHARE = 0.9
/** The top of a ball, to where it becomes steep. */
const ballTop =
  (cx: number, cy: number, cz: number, R: number): Surface =>
  (x, y) => {
    const r2 = (x - cx) ** 2 + (y - cy) ** 2
    return r2 < (SHARE * R) ** 2 ? cz + Math.sqrt(R * R - r2) : undefined
  }
const ballFoot =
  (cx: number, cy: number, cz: number, R: number): Surface =>
  (x, y) => {
    const r2 = (x - cx) ** 2 + (y - cy) ** 2
    return r2 < (SHARE * R) ** 2 ? cz - Math.sqrt(R * R - r2) : undefined
  }
const bowl =
  (cx: number, cy: number, cz: number, R: number): Surface =>
  (x, y) => {
    const r2 = (x - cx) ** 2 + (y - cy) ** 2
    return r2 < (SHARE * R) ** 2 ? cz + Math.sqrt(R * R - r2) : undefined
  }
/** A roof through a place, rising by so much for a millimetre forwards and to the left. */
const roof =
  (cx: number, cy: number, cz: number, forwards = 0, left = 0): Surface =>
  (x, y) =>
    Math.hypot(x - cx, y - cy) < 4 ? cz + (x - cx) * forwards + (y - cy) * left : undefined

const closed = (mouth: Mouth, bite: Bite = 'centric', advance = 0) =>
  close(mouth, frameOf(articulator, bite, advance))
const pinOf = (mouth: Mouth) => pinAtRotation(articulator, closed(mouth).opening)
/** On the grid openings come out 0 to 0.010 mm low at the tooth: as much again at the pin, and a hair. */
const low = (found: number, exact: number, within: number) => {
  expect(found).toBeLessThanOrEqual(exact + 0.0005)
  expect(found).toBeGreaterThanOrEqual(exact - within)
}
const AT_PIN = 0.022
const DEGREES = 0.0115
const tan = (degrees: number) => Math.tan((degrees * Math.PI) / 180)

describe('closing, against closed forms of the model notes', () => {
  it('a ball under a roof: 0.4419°, 0.8414 at the pin', () => {
    const mouth = mouthOf([roof(52, 24, -35.2)], [ballTop(52, 24, -36.3, 1.5)])
    low(toDegrees(closed(mouth).teeth), 0.4419, DEGREES)
    low(pinOf(mouth), 0.8414, AT_PIN)
  })
  it('a ball under a ball: centric, and the movements at 1 mm', () => {
    const mouth = mouthOf([ballFoot(52.3, 24.2, -33, 2.2)], [ballTop(52, 24, -36.5, 1.5)])
    low(toDegrees(closed(mouth).teeth), 0.1882, DEGREES)
    low(pinOf(mouth), 0.3578, AT_PIN)
    const right = closed(mouth, 'right', 1)
    expect(toDegrees(right.frame.table)).toBeCloseTo(-0.0429, 3)
    low(toDegrees(right.teeth), -0.5164, DEGREES)
    expect(right.opening).toBe(right.frame.table)
    low(toDegrees(closed(mouth, 'left', 1).teeth), -0.038, DEGREES)
    const forwards = closed(mouth, 'protrusive', 1)
    expect(toDegrees(forwards.frame.table)).toBeCloseTo(-0.2134, 4)
    low(toDegrees(forwards.teeth), -0.5964, DEGREES)
  })
  it('a ball in a bowl: 0.2063°, 0.3922 at the pin', () => {
    const mouth = mouthOf([bowl(59.7, 22.8, -38.2, 3.2)], [ballTop(60, 23, -35.8, 1)])
    low(toDegrees(closed(mouth).teeth), 0.2063, DEGREES)
    low(pinOf(mouth), 0.3922, AT_PIN)
  })
  it.each([
    [0, 0.4548],
    [25, 0.7303],
    [-25, 0.3305],
  ])('0.2 high under a roof of %d° opens the pin by %d', (degrees, pin) => {
    const forwards = tan(degrees)
    // The ball touches the roof along its normal, and is then raised by 0.2.
    const touching = -37 - 1.5 * Math.sqrt(1 + forwards * forwards)
    const mouth = mouthOf([roof(48, 26, -37, forwards)], [ballTop(48, 26, touching + 0.2, 1.5)])
    low(pinOf(mouth), pin, 1.2 * AT_PIN)
  })
  it('to the right, on a wall that rises to the left: 0.0679°', () => {
    const mouth = mouthOf([roof(56, -24.2, -35.1, 0, tan(20))], [ballTop(56, -24, -36, 0.8)])
    low(toDegrees(closed(mouth, 'right', 1).teeth), 0.0679, DEGREES)
  })
  it('of two high spots the one that asks for more opening carries: 0.4746 at the pin', () => {
    const roofs = [roof(46, 27, -35.5), roof(69, 19, -35.5)]
    const mouth = mouthOf(roofs, [ballTop(46, 27, -36.8, 1.5), ballTop(69, 19, -36.75, 1.5)])
    const { teeth, carries } = closed(mouth)
    low(toDegrees(teeth), 0.2496, DEGREES)
    expect(xOf(mouth.grid, carries)).toBeCloseTo(46, 0)
    low(pinOf(mouth), 0.4746, AT_PIN)
  })
  it('a finer grid is nearer', () => {
    const off = (h: number) =>
      0.8414 -
      pinAtRotation(
        articulator,
        closed(mouthOf([roof(52, 24, -35.2)], [ballTop(52.04, 24.03, -36.3, 1.5)], h)).teeth,
      )
    expect(off(0.1)).toBeLessThan(off(0.3))
    expect(off(0.1)).toBeGreaterThanOrEqual(-0.0005)
  })
  it('leaves the pin on its table where no tooth reaches', () => {
    const mouth = mouthOf([roof(52, 24, -35.2)], [ballTop(52, 24, -38, 1.5)])
    const { opening, teeth, overlapping } = closed(mouth)
    expect(opening).toBe(0)
    // The lower's tip is 1.3 mm under the roof, 52 mm from the axis.
    expect(teeth).toBeLessThan(-0.02)
    expect(overlapping).toEqual([])
  })
  it('takes a square between two teeth of unlike height for a gap', () => {
    const step: Surface = (x) => (x < 52 ? -36 : -37)
    const near: Surface = (x, y) => (Math.hypot(x - 52, y - 24) < 2 ? step(x, y) : undefined)
    const mouth = mouthOf([roof(52, 24, -36.5)], [near])
    const { grid, lower } = mouth
    for (const cell of lower.cells) if (xOf(grid, cell) >= 52) lower.tooth[cell] = 2
    // Half a cell forwards: the vertices of the upper over the step then lie within its square.
    const over = (m: Mouth) =>
      closed(m, 'protrusive', 0.07).overlapping.filter((cell) => Math.abs(xOf(grid, cell) - 52) < 0.01)
    expect(over(mouth)).toHaveLength(0)
    for (const cell of lower.cells) lower.tooth[cell] = 1
    expect(over(mouth).length).toBeGreaterThan(0)
  })
})

describe('a pose', () => {
  it('of the lower, and back', () => {
    const frame = frameOf(articulator, 'left', 1.5)
    const point = { x: 50, y: -25, z: -36 }
    const back = inLower(frame, 0.01, inUpper(frame, 0.01, point))
    for (const axis of ['x', 'y', 'z'] as const) expect(back[axis]).toBeCloseTo(point[axis], 10)
  })
  it.each([
    [
      'a mouth without a partner',
      () => closed(mouthOf([roof(40, 24, -35)], [ballTop(60, -24, -36, 1)])),
      'no-contact',
    ],
    ['an advance below 0', () => frameOf(articulator, 'right', -0.1), 'advance'],
    ['an advance beyond 3 mm', () => frameOf(articulator, 'right', 3.1), 'advance'],
    ['too fine a grid', () => gridOf(0.09), 'grid-spacing'],
    ['too coarse a grid', () => gridOf(0.31), 'grid-spacing'],
  ])('refuses %s', (_, ask, code) => {
    expect(ask).toThrow(expect.objectContaining({ code }))
  })
})
