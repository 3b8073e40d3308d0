import { describe, expect, it } from '@jest/globals'
import { symmetryFigure, touchUp } from './finished-pair.ts'
import { checkFinishedPair, type FinishedModel, type FinishedPair, type Point } from './index.ts'

const P = (x: number, y: number): Point => ({ x, y })

/** Every reading in the middle of what passes. */
const middle: FinishedModel = {
  backToMidlineDegrees: 90,
  backToBaseDegrees: 90,
  sideDegrees: [65, 65],
  frontDegrees: [31, 31],
  heelMillimetres: [12.7, 12.7],
  heelDegrees: [122, 122],
}
const middlePair: FinishedPair = {
  upper: middle,
  lower: { ...middle, frontDegrees: undefined },
  totalHeightsMillimetres: [69.85, 69.85, 69.85],
  planeFromMiddleMillimetres: 0,
  basesTiltDegrees: 0,
  upperBaseToPlaneDegrees: 0,
  backStepMillimetres: 0,
}
describe('the finished pair', () => {
  const model = {
    ...middle,
    sideDegrees: [65, 65.5],
    frontDegrees: [31, 30.5],
    heelMillimetres: [12.7, 13],
    heelDegrees: [122, 123],
  } as const
  const pair: FinishedPair = {
    upper: model,
    lower: { ...model, frontDegrees: undefined, sideDegrees: [63, 63.5] },
    totalHeightsMillimetres: [69.5, 70, 70],
    planeFromMiddleMillimetres: 1,
    basesTiltDegrees: 0.5,
    upperBaseToPlaneDegrees: 2,
    backStepMillimetres: 0.5,
  }
  const plans = [
    { sideDegrees: 65.2, frontDegrees: 30.8, heelDegrees: 122.6 },
    { sideDegrees: 63.4, heelDegrees: 122.6 },
  ] as const
  it('passes line by line at its limits and names what fails', () => {
    expect(checkFinishedPair(pair, ...plans).every((l) => l.pass)).toBe(true)
    const bad = {
      ...pair,
      backStepMillimetres: 0.6,
      upper: { ...model, heelMillimetres: [9.4, 12.7] as const },
    }
    const failing = checkFinishedPair(bad, ...plans)
      .filter((l) => !l.pass)
      .map((l) => l.name)
    expect(failing).toEqual(['Upper: right heel', 'Upper: heels differ by', 'Backs flush within'])
    expect(() => checkFinishedPair({ ...pair, backStepMillimetres: Number.NaN }, ...plans)).toThrow(
      expect.objectContaining({ code: 'not-a-number' }),
    )
  })
  // By hand: (-20, 10) mirrored is (20, 10), 0.5 from (20.3, 10.4); the apex 0.2 off counts 0.4; rms √((0.25 + 0.16)/2).
  it('has a symmetry figure', () => {
    const figure = symmetryFigure({ pairs: [{ right: P(-20, 10), left: P(20.3, 10.4) }], apex: P(0.2, 50) })
    expect(figure.largest).toBeCloseTo(0.5, 9)
    expect(figure.rootMeanSquare).toBeCloseTo(Math.sqrt(0.205), 9)
  })
  it('touches a cut again without breaking its mirror', () => {
    expect(touchUp([0.4, 1.1], [0, 0])).toEqual({ action: 'take', millimetres: [0.4, 1.1] })
    expect(touchUp([-0.3, 0.5], [0.5, 0.4])).toEqual({ action: 'moveBoth', millimetres: 0.3 })
    expect(touchUp([-0.6, 0.5], [0.5, 0.4])).toEqual({ action: 'leave', overcutMillimetres: 0.6 })
  })
})

// The table of tolerances of the model notes, section 8; figures in the middle of each, then each alone at and past its limit.
describe('each tolerance of a finished pair, at its limit and a hundredth past it', () => {
  const plans = [
    { sideDegrees: 65, frontDegrees: 31, heelDegrees: 122 },
    { sideDegrees: 65, heelDegrees: 122 },
  ] as const
  const failing = (change: Partial<FinishedPair>) =>
    checkFinishedPair({ ...middlePair, ...change }, ...plans)
      .filter(({ pass }) => !pass)
      .map(({ name }) => name)
  const upper = (change: Partial<FinishedModel>) => ({ upper: { ...middle, ...change } })
  type Case = readonly [string, (reading: number) => Partial<FinishedPair>, number, number, string]
  const cases: readonly Case[] = [
    ['back to midline', (x) => upper({ backToMidlineDegrees: x }), 91, 1, 'Upper: back to midline'],
    ['back to midline', (x) => upper({ backToMidlineDegrees: x }), 89, -1, 'Upper: back to midline'],
    ['back to base', (x) => upper({ backToBaseDegrees: x }), 90.5, 1, 'Upper: back to base'],
    ['back to base', (x) => upper({ backToBaseDegrees: x }), 89.5, -1, 'Upper: back to base'],
    ['mean height', (x) => ({ totalHeightsMillimetres: [x, x, x] }), 70.85, 1, 'Mean total height'],
    ['mean height', (x) => ({ totalHeightsMillimetres: [x, x, x] }), 68.85, -1, 'Mean total height'],
    ['occlusal plane', (x) => ({ planeFromMiddleMillimetres: x }), 3, 1, 'Occlusal plane from the middle'],
    ['occlusal plane', (x) => ({ planeFromMiddleMillimetres: x }), -3, -1, 'Occlusal plane from the middle'],
    ['tilt', (x) => ({ basesTiltDegrees: x }), 1, 1, 'Bases parallel within'],
    ['base to plane', (x) => ({ upperBaseToPlaneDegrees: x }), 5, 1, 'Upper base to occlusal plane'],
    ['base to plane', (x) => ({ upperBaseToPlaneDegrees: x }), 0, -1, 'Upper base to occlusal plane'],
    ['backs', (x) => ({ backStepMillimetres: x }), 0.5, 1, 'Backs flush within'],
    ['backs', (x) => ({ backStepMillimetres: x }), -0.5, -1, 'Backs flush within'],
  ]
  it('in the middle all pass', () => expect(failing({})).toEqual([]))
  it.each(cases)('%s', (_, of, limit, sign, name) => {
    expect(failing(of(limit))).toEqual([])
    expect(failing(of(limit + 0.01 * sign))).toEqual([name])
  })
  it('sides and fronts: 2° from the plan, 1° from each other', () => {
    expect(failing(upper({ sideDegrees: [67, 66] }))).toEqual([])
    expect(failing(upper({ sideDegrees: [67, 65.9] }))).toEqual(['Upper: sides differ by'])
    expect(failing(upper({ sideDegrees: [67.1, 66.5] }))).toEqual(['Upper: side right'])
    expect(failing(upper({ sideDegrees: [63.5, 62.9] }))).toEqual(['Upper: side left'])
    expect(failing(upper({ frontDegrees: [29, 30] }))).toEqual([])
    expect(failing(upper({ frontDegrees: [28.9, 29.5] }))).toEqual(['Upper: front right'])
    expect(failing(upper({ frontDegrees: [30, 31.1] }))).toEqual(['Upper: fronts differ by'])
  })
  it('heels: 3/8 to 5/8 in, 0.8 mm from each other, 2° from the plan and between the arches', () => {
    expect(failing(upper({ heelMillimetres: [9.525, 10.3] }))).toEqual([])
    expect(failing(upper({ heelMillimetres: [15.875, 15.1] }))).toEqual([])
    expect(failing(upper({ heelMillimetres: [9.5, 10.1] }))).toEqual(['Upper: right heel'])
    expect(failing(upper({ heelMillimetres: [15.2, 15.9] }))).toEqual(['Upper: left heel'])
    expect(failing(upper({ heelMillimetres: [12, 12.81] }))).toEqual(['Upper: heels differ by'])
    expect(failing(upper({ heelDegrees: [124, 120] }))).toEqual([])
    expect(failing(upper({ heelDegrees: [124.1, 122] }))).toEqual([
      'Upper: right heel at the back',
      'Lower to upper heel, right',
    ])
  })
})
