import { describe, expect, it } from '@jest/globals'
import { metric } from '../testing/words.ts'
import { surveyCalculators } from './calculators.ts'

const [table, tripod, arm, pull, piece] = surveyCalculators

// Values: the closed forms of the worked examples, held in the tests of each rule.
describe('what other programs may ask of a survey', () => {
  it('a table at 5 and -3: 5.82315 in all, the left back corner raised by 7.2 mm', () => {
    const answer = table.answer(table.example)
    expect(answer.totalDegrees).toBeCloseTo(5.82315, 5)
    const { x, y, z } = answer.path
    expect(Math.hypot(x, y, z)).toBeCloseTo(1, 12)
    expect(x / z).toBeCloseTo(Math.tan((5 * Math.PI) / 180), 12)
    expect(y / z).toBeCloseTo(-Math.tan((3 * Math.PI) / 180), 12)
    expect(answer.lifts[1]!.liftMillimetres).toBeCloseTo(7.202602, 6)
    expect(metric(answer.say)).toContain('Raise left back 7.2 mm')
  })
  it('three marks of that tilt give it back', () => {
    const answer = tripod.answer(tripod.example)
    expect(answer.lateralDegrees).toBeCloseTo(5, 4)
    expect(answer.anteroposteriorDegrees).toBeCloseTo(-3, 4)
    expect(answer.say.map(metric)).toEqual(['front down 3°', 'left side up 5°'])
    expect(answer.path.x / answer.path.z).toBeCloseTo(Math.tan((5 * Math.PI) / 180), 5)
  })
  it('an arm of 15 mm: 2.58 N at 540 MPa, and what makes it spring', () => {
    const answer = arm.answer(arm.example)
    expect(answer.newtons).toBeCloseTo(2.58, 2)
    expect(answer.stressMegapascals).toBeCloseTo(540, 0)
    expect(answer.longerMillimetres).toBeGreaterThanOrEqual(15)
    const short = { ...arm.example, run: { shape: 'arc' as const, radiusMillimetres: 3, degrees: 120 } }
    // Round a small tooth no length is enough: it is left out, not said as nothing.
    expect(Object.keys(arm.answer(short))).not.toContain('longerMillimetres')
    expect(arm.answer(short).thinnerMillimetres).toBeLessThan(0.9)
  })
  it('the pull on a ball and on a straight wall', () => {
    expect(pull.answer(pull.example).newtons).toBeCloseTo(0.901377, 6)
    const straight = pull.answer({ ...pull.example, wall: { is: 'straight', degrees: 20 } })
    expect(straight.newtons).toBeCloseTo(2.5 * 0.608247, 5)
  })
  it('a piece between walls of 30 and 10 is locked; by its faces it comes the way that they share', () => {
    const walls = piece.answer(piece.example) as unknown as Record<string, number>
    expect(JSON.stringify(walls)).toContain('1.38')
    const leaning = (x: number, y: number) => ({ normal: { x, y, z: 0.1 }, squareMillimetres: 10 })
    const faces = piece.answer({
      by: 'faces',
      faces: [
        leaning(1, 0),
        leaning(-1, 0),
        leaning(0, 1),
        leaning(0, -1),
        { normal: { x: 0, y: 0, z: 0 }, squareMillimetres: 9 },
      ],
    }) as { readonly way: { readonly x: number; readonly y: number; readonly z: number } }
    expect(faces.way.x).toBeCloseTo(0, 3)
    expect(faces.way.y).toBeCloseTo(0, 3)
    expect(Math.abs(faces.way.z)).toBeCloseTo(1, 3)
  })
})
