import { describe, expect, it } from '@jest/globals'
import { armSpeed } from '../casting/arm-card.ts'
import { speedRatio } from '../casting/centrifugal-arm.ts'
import { programWarnings, ringHeat, ringMaterials } from '../casting/index.ts'
import { checkArticulator } from '../mounting/articulator.ts'
import { articulatorCards } from '../mounting/index.ts'
import { spoken } from '../quantity/index.ts'
import type { DomainError } from '../refusal/index.ts'
import { inventedPair } from '../trimming/index.ts'
import { usualTrimChoices } from '../trimming/trim-choices.ts'
import { planUpper } from '../trimming/trim-plan.ts'

/* The models reckoned again from outside, where the code had them otherwise. */

const refusal = (work: () => unknown): DomainError | undefined => {
  try {
    work()
    return undefined
  } catch (error) {
    return error as DomainError
  }
}

describe('the outward shift of a trim plan', () => {
  it('is of the sides alone, however far a steep front moves them (model notes: h0 - H of the better side)', () => {
    const { landmarks } = inventedPair.upper
    const usual = planUpper(landmarks)
    // The front may stand at 10° at most: it is kept there, and the sides move out.
    const kept = planUpper(landmarks, { ...usualTrimChoices, frontMaxDegrees: 10 })
    expect(kept.warnings.map(({ code }) => code)).toContain('front-steep')
    expect(kept.sideLine.offset).toBeGreaterThan(usual.sideLine.offset + 1)
    expect(kept.outwardShiftMillimetres).toBeCloseTo(usual.outwardShiftMillimetres, 9)
    expect([0, kept.asymmetryMillimetres]).toContainEqual(expect.closeTo(kept.outwardShiftMillimetres, 9))
  })
})

describe('the arm with a spring of large preload', () => {
  it('goes with the root of the turns, exactly (model notes: large n0, ω ~ √n)', () => {
    expect(speedRatio(4, 3, Number.POSITIVE_INFINITY)).toBe(Math.sqrt(4 / 3))
    const card = { measuredRpm: 400, measuredTurns: 3 } as never
    expect(armSpeed(card, 4)).toEqual([400 * Math.sqrt(4 / 3), expect.closeTo(400 * (4 / 3), 9)])
  })
  it('lies beyond every finite preload', () => {
    const limit = speedRatio(4, 3, Number.POSITIVE_INFINITY)
    for (const preload of [0, 1, 3, 1000]) expect(speedRatio(4, 3, preload)).toBeGreaterThan(limit)
    expect(speedRatio(4, 3, 1e9)).toBeCloseTo(limit, 6)
  })
})

describe('a ring into a hot furnace', () => {
  it('is followed in steps of 10 s, as the model notes want', () => {
    const ring = { radiusMillimetres: 32.5, heightMillimetres: 55 }
    const hot = () => 850
    const ready = (stepSeconds?: number) =>
      ringHeat(
        ring,
        ringMaterials.phosphate.typical,
        hot,
        60,
        ...(stepSeconds === undefined ? [] : [{ across: 16, along: 12, stepSeconds }]),
      ).coreReadyMinutes!
    expect(ready()).toBe(ready(10))
    expect(ready()).not.toBe(ready(30))
    const cold = (minutes: number) => Math.min(850, 20 + 15 * minutes)
    const slow = (...grid: { across: number; along: number; stepSeconds: number }[]) =>
      ringHeat(ring, ringMaterials.phosphate.typical, cold, 60, ...grid).curve.at(-1)!.coreCelsius
    expect(slow()).toBe(slow({ across: 16, along: 12, stepSeconds: 30 }))
  })
  it('begins at the temperature of its room', () => {
    const at = (room: number) =>
      ringHeat(
        { radiusMillimetres: 30, heightMillimetres: 50 },
        ringMaterials.phosphate.typical,
        { startCelsius: room, segments: [{ rampCelsiusPerMinute: 5, toCelsius: 850, holdMinutes: 10 }] },
        60,
        { across: 8, along: 6, stepSeconds: 30 },
      ).curve
    expect(at(31)[0]).toMatchObject({ wallCelsius: 31, coreCelsius: 31 })
    expect(at(31)[30]!.coreCelsius).toBeGreaterThan(at(15)[30]!.coreCelsius)
  })
  it('a furnace that is warm but not hot is warned of', () => {
    const words = (startCelsius: number) =>
      programWarnings({
        startCelsius,
        segments: [{ rampCelsiusPerMinute: 5, toCelsius: 850, holdMinutes: 60 }],
      }).map((each) => spoken(each, 'metric'))
    expect(words(120)).toEqual(['The furnace is at 120 °C when the ring goes in: it wants to be cold.'])
    expect(words(23)).toEqual([])
  })
})

describe('a figure that is none is named', () => {
  it.each([
    ['condylarDegrees.left', { condylarDegrees: { right: 30, left: Number.NaN } }],
    ['pinTip.z', { pinTip: { x: 100, z: Number.NaN } }],
    ['intercondylarMillimetres', { intercondylarMillimetres: Number.POSITIVE_INFINITY }],
  ])('%s of an articulator', (field, change) => {
    const { articulator } = articulatorCards[0]!
    const refused = refusal(() => checkArticulator({ ...articulator, ...change }))
    expect(refused).toMatchObject({ code: 'not-a-number', field })
    expect(refused!.message).toContain(field)
  })
  it.each([
    [
      'canines.1',
      (upper: Upper) => ({ ...upper, canines: { ...upper.canines, left: { x: Number.NaN, y: 1 } } }),
    ],
    [
      'notches.0',
      (upper: Upper) => ({ ...upper, notches: { ...upper.notches, right: { x: 1, y: Number.NaN } } }),
    ],
    [
      'vestibule.right.2',
      (upper: Upper) => ({
        ...upper,
        vestibule: {
          ...upper.vestibule,
          right: upper.vestibule.right.map((p, n) => (n === 2 ? { ...p, x: Number.NaN } : p)),
        },
      }),
    ],
  ])('landmark %s', (field, change) => {
    const refused = refusal(() => planUpper(change(inventedPair.upper.landmarks)))
    expect(refused).toMatchObject({ code: 'not-a-number', field })
  })
})
type Upper = typeof inventedPair.upper.landmarks
