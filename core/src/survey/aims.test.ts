import { describe, expect, it } from '@jest/globals'
import { moved, post } from '../testing/shapes.ts'
import { bestTiltFor, CastSurvey, LEVEL, levelFloor, type SurveyMesh, surveyPlace, tiltOf } from './index.ts'
import { nearestCorner } from './place.ts'

const ROUNDS = 48
/** A post whose level sections go sideways as they rise: it is free of undercut along (tangent, 0, 1) alone. */
const leaning = (tangent: number, top = 4): SurveyMesh =>
  moved(post(4, 7, { top, rounds: ROUNDS }), (x, y, z) => [x + tangent * z, y, z])
const surveyOf = (mesh: SurveyMesh) => new CastSurvey(mesh, levelFloor(0.05))
/** On its wall, on four sides, half way up. */
const corners = (mesh: SurveyMesh, tangent: number, radius = 4, height = 3.5) =>
  (
    [
      [radius, 0],
      [-radius, 0],
      [0, radius],
      [0, -radius],
    ] as const
  ).map(([x, y]) => nearestCorner(mesh, [x + tangent * height, y, height]).corner)
const present = { lateralDegrees: 4, anteroposteriorDegrees: 0 }
const atan = (tangent: number) => (Math.atan(tangent) * 180) / Math.PI

describe('the best tilt by guiding faces', () => {
  const found = (tangent: number) => {
    const mesh = leaning(tangent)
    const places = corners(mesh, tangent).map((corner) => ({ corner, gaugeMillimetres: 0.25 }))
    return bestTiltFor(surveyOf(mesh), 'guiding', { present, places })
  }
  it('is along the walls that were chosen, and says what level and the present tilt would be', () => {
    const { chosen, level, present: shown, levelIsAsGood, tried } = found(0.2)
    expect(levelIsAsGood).toBe(false)
    expect(tried).toBe(1)
    expect(chosen.tilt.lateralDegrees).toBeCloseTo(atan(0.2), 1)
    expect(chosen.tilt.anteroposteriorDegrees).toBeCloseTo(0, 1)
    expect(chosen.value).toBeLessThan(1e-6)
    // The mean over a whole round of (n·z)², n = (cos θ, sin θ, -t cos θ)/√(1 + t² cos² θ): about t²/2.
    expect(level.value).toBeGreaterThan(0.015)
    expect(level.value).toBeLessThan(0.025)
    expect(shown.tilt).toEqual(present)
    expect(shown.value).toBeLessThan(level.value)
    expect(shown.value).toBeGreaterThan(chosen.value)
    // In wax, level: r H² t (exact for level sections).
    expect(Math.abs(level.cubicMillimetres! / (4 * 7 ** 2 * 0.2) - 1)).toBeLessThan(0.05)
    expect(chosen.cubicMillimetres!).toBeLessThan(1)
  })
  it.each([
    // Less than a degree, root mean square, is as good: t/√2 below tan 1° for t below 0.0247.
    [0.02, true],
    [0.03, false],
  ])('walls that lean by %d: level is as good %s', (tangent, asGood) => {
    const { chosen, levelIsAsGood } = found(tangent)
    expect(levelIsAsGood).toBe(asGood)
    expect(tiltOf([Math.tan((chosen.tilt.lateralDegrees * Math.PI) / 180), 0, 1]).totalDegrees).toBeCloseTo(
      asGood ? 0 : atan(tangent),
      1,
    )
  })
})

describe('the best tilt by equal retention', () => {
  // Wider above: an undercut of 0.6 mm all round at the foot.
  const mesh = (tangent: number) => leaning(tangent, 4.6)
  const found = (tangent: number, gauge: number | readonly [number, number]) => {
    const cast = mesh(tangent)
    const [right, left] = corners(cast, tangent, 4.3)
    const [first, second] = typeof gauge === 'number' ? [gauge, gauge] : gauge
    const places = [
      { corner: right!, gaugeMillimetres: first },
      { corner: left!, gaugeMillimetres: second },
    ]
    let tried = 0
    const best = bestTiltFor(surveyOf(cast), 'retention', {
      present,
      places,
      onProgress: (so) => {
        tried = so
      },
    })
    expect(tried).toBe(best.tried)
    return best
  }
  it('is level for a place on either side that are as deep as they should be', () => {
    const { chosen, levelIsAsGood, level } = found(0, 0.55)
    expect(levelIsAsGood).toBe(true)
    expect(chosen).toBe(level)
    expect(level.value).toBeLessThan(2 * 0.05 ** 2)
    // What the present tilt costs in wax is told beside it.
    expect(chosen.cubicMillimetres).toBeGreaterThan(0)
  })
  it('stands a leaning one upright again', () => {
    const { chosen, levelIsAsGood, level } = found(0.1, 0.55)
    expect(levelIsAsGood).toBe(false)
    expect(Math.abs(chosen.tilt.lateralDegrees - atan(0.1))).toBeLessThan(1.5)
    expect(chosen.value).toBeLessThan(level.value / 5)
  })
  it('leans towards the side that is to be deeper', () => {
    // Seen from above, tilting to the right (x) takes the undercut from the right and gives it to the left.
    const { chosen } = found(0, [0.3, 0.8])
    expect(chosen.tilt.lateralDegrees).toBeGreaterThan(1)
    expect(found(0, [0.8, 0.3]).chosen.tilt.lateralDegrees).toBeCloseTo(-chosen.tilt.lateralDegrees, 0)
  })
  it('deeper than a millimetre holds no better: (1 - g)² for each place', () => {
    const cast = leaning(0, 6)
    const places = corners(cast, 0, 5).map((corner) => ({ corner, gaugeMillimetres: 0.5 }))
    const { level } = bestTiltFor(surveyOf(cast), 'retention', { present, places })
    expect(level.value).toBeCloseTo(4 * 0.5 ** 2, 9)
  })
  it('its depth is that of the survey of the place', () => {
    const cast = mesh(0)
    const [right] = corners(cast, 0, 4.3)
    const survey = surveyOf(cast)
    const { deepestMillimetres } = surveyPlace({
      mesh: cast,
      normals: survey.normals,
      floor: levelFloor(0.05),
      tilt: LEVEL,
      tap: [4.3, 0, 3.5],
      gaugeMillimetres: 0.25,
    })
    const places = [{ corner: right!, gaugeMillimetres: 0 }]
    const { level } = bestTiltFor(survey, 'retention', { present, places })
    // All but a fiftieth of its corners, and in coarser cells.
    expect(Math.abs(Math.sqrt(level.value) - deepestMillimetres)).toBeLessThan(0.06)
  })
})

describe('where a tripod is scratched', () => {
  it('is on what the rod sees, lying across it, above the floor', () => {
    const cast = leaning(0, 3)
    const wide = moved(cast, (x, y, z) => [5 * x, 5 * y, z])
    const survey = new CastSurvey(wide, levelFloor(2))
    const marks = survey.tripod(survey.along(LEVEL))!
    for (const { place } of marks) expect(place.z).toBeGreaterThan(2)
    const heights = marks.map(({ place }) => place.z)
    expect(Math.max(...heights) - Math.min(...heights)).toBeLessThan(0.2)
    // An upright wall lies along the rod: there is nothing to scratch on.
    const upright = new CastSurvey(leaning(0), levelFloor(2))
    expect(upright.tripod(upright.along(LEVEL))).toBeUndefined()
  })
})

describe('the best tilt by room', () => {
  const upright = surveyOf(leaning(0))
  const gum = surveyOf(leaning(0.2))
  const of = (aim: 'room' | 'gum', on = upright, under?: CastSurvey) =>
    bestTiltFor(on, aim, { present: LEVEL, places: [], gum: under })
  it('is along a leaning post, and level for one that stands', () => {
    expect(of('room').chosen.tilt).toEqual(LEVEL)
    expect(Math.abs(of('room', gum).chosen.tilt.lateralDegrees - atan(0.2))).toBeLessThan(0.4)
  })
  it('goes by the gum alone where that is the aim, and by all where no gum was shown', () => {
    expect(Math.abs(of('gum', upright, gum).chosen.tilt.lateralDegrees - atan(0.2))).toBeLessThan(0.4)
    expect(of('room', upright, gum).chosen.tilt).toEqual(LEVEL)
    expect(of('gum').chosen.tilt).toEqual(LEVEL)
  })
})
