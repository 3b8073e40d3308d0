import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { metric, refused } from '../testing/words.ts'
import { HELD_UNDERCUT_MILLIMETRES, type StoneHeights, sawPlaceName, sawPlan } from './index.ts'

const heights: StoneHeights = { middle: 11, canines: 15, ends: 13, labialUndercut: 0 }
const plan = (change: Partial<StoneHeights> = {}, arch: 'upper' | 'lower' = 'upper') =>
  sawPlan(arch, { ...heights, ...change })
const order = (change: Partial<StoneHeights> = {}, arch: 'upper' | 'lower' = 'upper') =>
  plan(change, arch).order.map(metric)
const refusal = (change: Partial<StoneHeights>) => {
  const against = refused(() => plan(change))
  return against && [against.code, against.field]
}

describe('how a cast is sawn off a denture (common practice)', () => {
  it('middle first, then the canines, then the ends; 3 mm of stone stay before the denture (choice)', () => {
    expect(plan().cuts.map(({ at, depthMillimetres }) => [at, depthMillimetres])).toEqual([
      ['middle', 8],
      ['canines', 12],
      ['ends', 10],
    ])
    expect(order()[1]).toBe('The palate block first: split it by its own cut, never prise it out whole.')
    expect(order({}, 'lower')[1]).toContain('tongue block')
    expect(sawPlaceName('lower', 'middle')).toBe('Tongue side')
  })
  it('pieces come inwards first, wedged stone against stone, never one way only; the rest by chisel, shell, citrate', () => {
    const lines = order()
    const at = (words: string) => lines.findIndex((line) => line.includes(words))
    expect(at('wedge stone against stone')).toBeGreaterThan(at('block first'))
    expect(at('inwards first, then down')).toBeGreaterThan(at('wedge'))
    expect(lines.at(-1)).toBe('What is left: chisel, shell, citrate.')
  })
  it('a flange that stone holds by more than 0.5 mm (choice): the front is cut too, and nothing bears on it', () => {
    expect(HELD_UNDERCUT_MILLIMETRES).toBe(0.5)
    expect(plan({ labialUndercut: 0.5 }).flangeHeld).toBe(false)
    expect(refusal({ labialUndercut: 0.6 })).toEqual(['midline-missing', 'midline'])
    const held = { labialUndercut: 1.5, midline: 14 }
    expect(plan(held).cuts.map(({ at }) => at)).toEqual(['middle', 'canines', 'midline', 'ends'])
    expect(order(held)).toContain(
      'Nothing bears on the outer flange: the stone holds it. Never lever outwards.',
    )
    expect(order().join(' ')).not.toContain('Never lever outwards')
    // A front that comes whole is not cut, measured or not.
    expect(plan({ midline: 14 }).cuts.map(({ at }) => at)).not.toContain('midline')
  })
  it('where stone is too thin no saw goes: chisel', () => {
    expect(order({ ends: 3 })).toContain('Both tuberosities: too thin to saw. Leave it to the chisel.')
    expect(order({ middle: 2 })[1]).toContain('chip it away from its middle')
  })
  it.each([
    [{ middle: 61 }, 'middle'],
    [{ canines: -1 }, 'canines'],
    [{ ends: Number.NaN }, 'ends'],
    [{ labialUndercut: 11 }, 'labialUndercut'],
    [{ labialUndercut: 1, midline: 90 }, 'midline'],
  ])('%j is refused by its entry', (change, field) =>
    expect(refusal(change)).toEqual(['reading-not-plausible', field]),
  )
  it('no cut ever meets the denture', () => {
    const mm = fc.double({ min: 0, max: 60, noNaN: true })
    fc.assert(
      fc.property(
        mm,
        mm,
        mm,
        mm,
        fc.double({ min: 0, max: 10, noNaN: true }),
        (a, b, c, d, labialUndercut) => {
          const { cuts } = plan({ middle: a, canines: b, ends: c, midline: d, labialUndercut })
          for (const { stoneMillimetres, depthMillimetres } of cuts) {
            expect(depthMillimetres).toBeGreaterThanOrEqual(0)
            if (depthMillimetres > 0) expect(stoneMillimetres - depthMillimetres).toBeCloseTo(3, 9)
          }
        },
      ),
    )
  })
})
