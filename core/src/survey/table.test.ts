import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { metric, refused } from '../testing/words.ts'
import { baseLifts, handWords, LEVEL, pathOf, type Tripod, tiltOf, tripodOf, usualCorners } from './index.ts'
import { pathOfTripod } from './tripod.ts'

const tilt = (lateralDegrees: number, anteroposteriorDegrees: number) => ({
  lateralDegrees,
  anteroposteriorDegrees,
})
const corners = [
  { x: -30, y: 0 },
  { x: 30, y: 0 },
  { x: 24, y: 48 },
  { x: -24, y: 48 },
]

// Figures: closed form, worked out twice outside the project.
describe('the surveying table', () => {
  it('leans by 12.706763 in all at 10 and -8', () => {
    const path = pathOf(tilt(10, -8))
    expect(tiltOf(path).totalDegrees).toBeCloseTo(12.706763, 6)
    expect(tiltOf(path).lateralDegrees).toBeCloseTo(10, 9)
    expect(tiltOf(path).anteroposteriorDegrees).toBeCloseTo(-8, 9)
  })
  it('raises the corners of the base at 5 and -3', () => {
    const lifts = baseLifts('upper', tilt(5, -3), corners).map(({ liftMillimetres }) => liftMillimetres)
    const wanted = [1.980369, 7.202602, 4.177786, 0]
    expect(lifts.map((lift, n) => Math.abs(lift - wanted[n]!) < 1e-6)).toEqual(wanted.map(() => true))
    expect(tiltOf(pathOf(tilt(5, -3))).totalDegrees).toBeCloseTo(5.82315, 6)
  })
  it('says it for the hand: x is the left on an upper, the right on a lower', () => {
    const say = (arch: 'upper' | 'lower') =>
      metric(handWords(arch, tilt(5, -3), baseLifts(arch, tilt(5, -3), corners)))
    expect(say('upper')).toBe(
      'Raise left back 7.2 mm, left front 4.2 mm, right back 2 mm, with wedges or the ball joint: front down 3°, left side up 5°.',
    )
    expect(say('lower')).toContain('Raise right back 7.2 mm')
    expect(say('lower')).toContain('right side up 5°')
    expect(metric(handWords('upper', LEVEL, baseLifts('upper', LEVEL, corners)))).toBe(
      'Leave the table level.',
    )
    // Above 0 the front is raised.
    expect(metric(handWords('upper', tilt(0, 4), baseLifts('upper', tilt(0, 4), corners)))).toContain(
      'front up 4°',
    )
    expect(metric(handWords('upper', tilt(0, 3.46), baseLifts('upper', tilt(0, 3.46), corners)))).toContain(
      'front up 3.5°',
    )
  })
  it.each([
    [tilt(46, 0), 'tilt-out-of-range', 'lateralDegrees'],
    [tilt(0, -46), 'tilt-out-of-range', 'anteroposteriorDegrees'],
    [tilt(40, 40), 'tilt-out-of-range', 'lateralDegrees'],
    [tilt(135, 0), 'tilt-out-of-range', 'lateralDegrees'],
    [tilt(Number.NaN, 0), 'not-a-number', 'lateralDegrees'],
  ])('%j is refused', (asked, code, field) => {
    const against = refused(() => pathOf(asked))
    expect([against?.code, against?.field]).toEqual([code, field])
  })
  it('a base is narrower in front', () =>
    expect(usualCorners([-32, 0, 0], [32, 48, 20])).toEqual([
      { x: -32, y: 0 },
      { x: 32, y: 0 },
      { x: 24, y: 48 },
      { x: -24, y: 48 },
    ]))
  it('wants three corners', () => {
    const three = corners.slice(0, 3)
    expect(baseLifts('upper', LEVEL, three).map(({ liftMillimetres }) => liftMillimetres)).toEqual([0, 0, 0])
    expect(refused(() => baseLifts('upper', LEVEL, three.slice(1)))?.code).toBe('too-few-places')
  })
  it('there and back, the tilt is the same; turned about itself, the lifts are', () =>
    fc.assert(
      fc.property(
        fc.double({ min: -30, max: 30, noNaN: true }),
        fc.double({ min: -30, max: 30, noNaN: true }),
        (a, b) => {
          const back = tiltOf(pathOf(tilt(a, b)))
          const lifts = baseLifts('upper', tilt(a, b), corners).map((lift) => lift.liftMillimetres)
          expect(
            [Math.abs(back.lateralDegrees - a), Math.abs(back.anteroposteriorDegrees - b)].every(
              (x) => x < 1e-9,
            ),
          ).toBe(true)
          expect(Math.min(...lifts)).toBe(0)
        },
      ),
    ))
})

const marks: Tripod = [
  { place: { x: 0, y: 28, z: 9 }, heightMillimetres: 2.601064 },
  { place: { x: -22, y: 3, z: 7 }, heightMillimetres: 0 },
  { place: { x: 22, y: 4, z: 8 }, heightMillimetres: 4.772339 },
]
const withHeights = (heights: readonly number[]): Tripod =>
  marks.map((mark, n) => ({ ...mark, heightMillimetres: heights[n]! })) as unknown as Tripod

describe('a tripod', () => {
  it('gives back the tilt of 5 and -3, whatever the zero of the table', () => {
    for (const zero of [0, 100]) {
      const found = tiltOf(
        pathOfTripod(withHeights(marks.map(({ heightMillimetres }) => heightMillimetres + zero))),
      )
      expect(found.lateralDegrees).toBeCloseTo(5, 5)
      expect(found.anteroposteriorDegrees).toBeCloseTo(-3, 5)
    }
  })
  it('refuses places on a line, and heights that no table reads', () => {
    const onLine = [0, 10, 20].map((x) => ({
      place: { x, y: 0.2 * (x === 10 ? 1 : 0), z: 0 },
      heightMillimetres: 0,
    }))
    expect(refused(() => pathOfTripod(onLine as unknown as Tripod))?.code).toBe('tripod-on-a-line')
    // 3° is the least: 1 mm aside over 20 is just under 6.
    const near = (aside: number) =>
      [0, 10, 20].map((x) => ({
        place: { x, y: x === 10 ? aside : 0, z: 0 },
        heightMillimetres: 0,
      })) as unknown as Tripod
    expect(refused(() => pathOfTripod(near(0.5)))?.code).toBe('tripod-on-a-line')
    expect(refused(() => pathOfTripod(near(0.6)))).toBeUndefined()
    expect(refused(() => pathOfTripod(withHeights([0, 50, 0])))?.code).toBe('tripod-heights-impossible')
    expect(refused(() => pathOfTripod(withHeights([0, Number.NaN, 0])))?.code).toBe('not-a-number')
  })
  it('any tilt comes back from the heights that it gives', () =>
    fc.assert(
      fc.property(
        fc.double({ min: -25, max: 25, noNaN: true }),
        fc.double({ min: -25, max: 25, noNaN: true }),
        (a, b) => {
          const d = pathOf(tilt(a, b))
          const heights = marks.map(({ place: { x, y, z } }) => x * d[0] + y * d[1] + z * d[2])
          const found = pathOfTripod(withHeights(heights))
          expect(Math.hypot(found[0] - d[0], found[1] - d[1], found[2] - d[2])).toBeLessThan(1e-6)
        },
      ),
    ))
  it('is proposed at three places of one height, 15 mm apart, on what the rod sees', () => {
    const places: number[] = []
    for (let x = -30; x <= 30; x += 1)
      for (let y = 0; y <= 40; y += 1) places.push(x, y, (x * x + y * y) / 200)
    const seen = new Uint8Array(places.length / 3).fill(1)
    // What is hidden is not proposed.
    for (let n = 0; n < seen.length; n++) if (places[3 * n]! > 20) seen[n] = 0
    const d = pathOf(tilt(4, 2))
    const found = tripodOf(Float32Array.from(places), seen, d)!
    const heights = found.map(({ place: { x, y, z } }) => x * d[0] + y * d[1] + z * d[2])
    expect(Math.max(...heights) - Math.min(...heights)).toBeLessThan(0.2)
    const apart = (a: number, b: number) =>
      Math.hypot(
        found[a]!.place.x - found[b]!.place.x,
        found[a]!.place.y - found[b]!.place.y,
        found[a]!.place.z - found[b]!.place.z,
      )
    expect(Math.min(apart(0, 1), apart(1, 2), apart(0, 2))).toBeGreaterThanOrEqual(15)
    expect(Math.max(...found.map(({ place }) => place.x))).toBeLessThanOrEqual(20)
    expect(
      tripodOf(Float32Array.from([0, 0, 0, 1, 0, 0, 0, 1, 0]), new Uint8Array(3).fill(1), d),
    ).toBeUndefined()
  })
})
