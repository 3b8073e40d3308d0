import { describe, expect, it } from '@jest/globals'
import { close, frameOf } from './closing.ts'
import { contactMap, isStop } from './contact-map.ts'
import { trainerArticulator } from './expert.ts'
import { stoneRadius, stroke, volumeTaken } from './grinding.ts'
import { processedMouth } from './mouth.ts'
import { asUntouched, emptyArch, gridOf, type Mouth, xOf, yOf } from './mouth-grid.ts'

const grid = gridOf(0.1)
/** A ball of R under a level roof that it just touches. */
function ballUnderRoof(R: number): Mouth {
  const [cx, cy] = [52, 24]
  const arch = (height: (r2: number) => number | undefined) => {
    const made = emptyArch(grid)
    for (let cell = 0; cell < made.z.length; cell++) {
      const z = height((xOf(grid, cell) - cx) ** 2 + (yOf(grid, cell) - cy) ** 2)
      if (z === undefined) continue
      made.z[cell] = z
      made.tooth[cell] = 1
      made.allowance[cell] = 1.5
    }
    return asUntouched(made)
  }
  return {
    grid,
    upper: arch((r2) => (r2 < 9 ? -35 : undefined)),
    lower: arch((r2) => (r2 < 0.8 * R * R ? -35 - R + Math.sqrt(R * R - r2) : undefined)),
    upperTeeth: [26],
    lowerTeeth: [36],
  }
}
const small = ballUnderRoof(1)
const centric = frameOf(trainerArticulator, 'centric', 0)

describe('a mark', () => {
  // Ball on a plane: a = √(2Rt - t²); model notes: R 2, t 40: 0.4976 mm², R 1, t 20: 0.1244 mm².
  it.each([
    [2, 40, 0.4976],
    [1, 20, 0.1244],
  ])('of a ball of %d mm in paper of %d µm is %d mm²', (R, paper, area) => {
    const [mark, ...others] = contactMap(ballUnderRoof(R), { frame: centric, opening: 0 }, paper)
    expect(others).toEqual([])
    expect(Math.abs(mark!.area - area)).toBeLessThan(Math.max(0.12 * area, 0.03))
    expect(mark).toMatchObject({ strength: 'heavy', upper: { tooth: 26 }, lower: { tooth: 36 } })
    expect(mark!.x).toBeCloseTo(52, 1)
  })
  it('is heavy within 8 µm, medium to half the paper, then light', () => {
    const mouth = ballUnderRoof(2)
    const strengthAt = (gap: number) => {
      const lowered = { ...mouth, lower: { ...mouth.lower, z: mouth.lower.z.map((z) => z - gap / 1000) } }
      return contactMap(lowered, { frame: centric, opening: 0 }, 40)[0]?.strength
    }
    expect([0, 7.9, 8.1, 19.9, 20.1, 39, 41].map(strengthAt)).toEqual([
      'heavy',
      'heavy',
      'medium',
      'medium',
      'light',
      'light',
      undefined,
    ])
  })
  it('in thicker paper holds all of a thinner one', () => {
    const mouth = processedMouth(5, { spacingMillimetres: 0.3 })
    const closed = close(mouth, centric)
    const cells = (paper: number) => new Set(contactMap(mouth, closed, paper).flatMap((mark) => mark.cells))
    const [thin, usual, thick] = [cells(8), cells(40), cells(200)]
    expect(thick.size).toBeGreaterThan(usual.size)
    for (const cell of thin) expect(usual.has(cell)).toBe(true)
    for (const cell of usual) expect(thick.has(cell)).toBe(true)
  })
  it('carries where one of the two is a supporting side', () => {
    const side = (tooth: number, region: Parameters<typeof isStop>[0]['upper']['region']) => ({
      tooth,
      region,
      slope: 'mesial' as const,
    })
    expect(isStop({ upper: side(26, 'lingualTip'), lower: side(36, 'fossa') })).toBe(true)
    expect(isStop({ upper: side(26, 'fossa'), lower: side(36, 'buccalInner') })).toBe(true)
    expect(isStop({ upper: side(26, 'lingualInner'), lower: side(36, 'buccalInner') })).toBe(false)
    expect(isStop({ upper: side(26, 'buccalInner'), lower: side(36, 'fossa') })).toBe(false)
  })
  it.each([7, 201, Number.NaN])('wants paper of 8 to 200 µm, not %d', (paper) => {
    expect(() => contactMap(small, { frame: centric, opening: 0 }, paper)).toThrow(
      expect.objectContaining({ code: 'paper-thickness' }),
    )
  })
})

describe('a hand tool', () => {
  // Model notes: a bowl of a 0.8, d 0.15 on a flat takes 0.1508 mm³; a ball of 1 sunk by 0.2 leaves a rim of 0.6.
  it('takes π a² d / 2 off a flat, and never adds', () => {
    const mouth = ballUnderRoof(1)
    const taken = stroke(mouth, { arch: 'upper', x: 52, y: 24, radius: 0.8, depth: 0.15 })
    expect(Math.abs(taken - 0.1508)).toBeLessThan(0.003)
    expect(volumeTaken(mouth)).toBeCloseTo(taken, 9)
    expect(mouth.upper.cells.every((cell) => mouth.upper.z[cell]! >= mouth.upper.untouched[cell]!)).toBe(true)
  })
  it('pressed in as a round stone has the rim of its cap', () => {
    expect(stoneRadius(1, 0.2)).toBeCloseTo(0.6, 10)
  })
  it('beside the teeth takes nothing', () => {
    const away = { arch: 'lower', x: 52, y: -24, radius: 1, depth: 0.1 } as const
    expect(stroke(small, away)).toBe(0)
    expect(stroke(small, { ...away, x: 500 })).toBe(0)
  })
  it.each([0, -0.1, 0.51, Number.NaN])('refuses a stroke of %d mm', (depth) => {
    expect(() => stroke(small, { arch: 'lower', x: 52, y: 24, radius: 1, depth })).toThrow(
      expect.objectContaining({ code: 'grind-depth' }),
    )
  })
})
