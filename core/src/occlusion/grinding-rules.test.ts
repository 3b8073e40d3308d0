import { describe, expect, it } from '@jest/globals'
import { bites, grindingRule, isSupportingTip, type ToothRegion, toothRegions } from './index.ts'
import { crossed } from './regions.ts'

const pairs = bites.flatMap((bite) =>
  toothRegions.flatMap((upper) => toothRegions.map((lower) => ({ bite, upper, lower }))),
)

describe('what is ground where an upper and a lower region meet', () => {
  // Rows of the table in the model notes (Schuyler; common practice): bite, upper, lower, rule, what is ground.
  it.each([
    ['centric', 'incisalEdge', 'incisalEdge', 'A3', 'lower'],
    ['right', 'incisalEdge', 'fossa', 'A3', 'lower'],
    ['protrusive', 'incisalEdge', 'buccalTip', 'A3a', 'none'],
    ['protrusive', 'lingualFace', 'labialFace', 'A2', 'lower'],
    ['left', 'lingualFace', 'incisalEdge', 'A1', 'upper'],
    ['centric', 'labialFace', 'buccalTip', 'A1', 'upper'],
    ['right', 'fossa', 'incisalEdge', 'A4', 'upper'],
    ['right', 'lingualTip', 'incisalEdge', 'A4', 'lower'],
    ['right', 'buccalInner', 'lingualFace', 'A4', 'lower'],
    ['centric', 'lingualTip', 'buccalTip', 'R5a', 'none'],
    ['left', 'lingualTip', 'buccalTip', 'R5a', 'none'],
    ['centric', 'buccalTip', 'buccalOuter', 'R6', 'none'],
    ['centric', 'fossa', 'lingualTip', 'R6', 'none'],
    ['right', 'buccalTip', 'buccalOuter', 'R3', 'upper'],
    ['right', 'lingualOuter', 'lingualTip', 'R4', 'lower'],
    ['centric', 'lingualInner', 'buccalTip', 'R5b', 'upper'],
    ['left', 'lingualTip', 'buccalInner', 'R5c', 'lower'],
    ['centric', 'fossa', 'buccalTip', 'R1', 'upper'],
    ['centric', 'marginalRidge', 'buccalOuter', 'R1', 'upper'],
    ['right', 'buccalInner', 'buccalTip', 'R3', 'upper'],
    ['centric', 'lingualTip', 'fossa', 'R2', 'lower'],
    ['protrusive', 'lingualInner', 'marginalRidge', 'R2', 'lower'],
    ['right', 'lingualInner', 'lingualInner', 'R4', 'lower'],
    ['centric', 'buccalInner', 'fossa', 'R7', 'upper'],
    ['right', 'buccalOuter', 'lingualInner', 'R7', 'upper'],
    ['centric', 'fossa', 'lingualInner', 'R7', 'lower'],
    ['centric', 'marginalRidge', 'marginalRidge', 'R8', 'lower'],
    ['protrusive', 'marginalRidge', 'marginalRidge', 'R8', 'upper'],
  ] as const)('%s, upper %s on lower %s: %s, %s', (bite, upper, lower, rule, grind) => {
    expect(grindingRule(bite, upper, lower)).toMatchObject({ rule, grind })
  })
  it('has one answer with its reason and source for every pair', () => {
    expect(pairs).toHaveLength(4 * 11 * 11)
    for (const { bite, upper, lower } of pairs) {
      const { rule, why, source } = grindingRule(bite, upper, lower)
      expect([rule, why, source].every((words) => words.length > 0)).toBe(true)
    }
  })
  it.each([false, true])('never names a supporting tip or the upper edge, crossbite %s', (crossbite) => {
    for (const { bite, upper, lower } of pairs) {
      const { grind } = grindingRule(bite, upper, lower, crossbite)
      if (grind === 'upper')
        expect(isSupportingTip('upper', upper, crossbite) || upper === 'incisalEdge').toBe(false)
      if (grind === 'lower') expect(isSupportingTip('lower', lower, crossbite)).toBe(false)
    }
  })
  it('in a crossbite is the same table with cheek and tongue changed, and twice that is none', () => {
    const turned = (region: ToothRegion) => crossed(crossed(region))
    for (const { bite, upper, lower } of pairs) {
      expect(turned(upper)).toBe(upper)
      expect(grindingRule(bite, crossed(upper), crossed(lower), true)).toMatchObject({
        rule: grindingRule(bite, upper, lower).rule,
        grind: grindingRule(bite, upper, lower).grind,
      })
    }
  })
  it('says its reason in the words of the crossbite', () => {
    expect(grindingRule('right', 'buccalInner', 'buccalTip').why).toMatch(/^Buccal of the upper/)
    expect(grindingRule('right', 'lingualInner', 'lingualTip', true).why).toMatch(/^Lingual of the upper/)
    expect(grindingRule('centric', 'fossa', 'lingualTip', true).why).toMatch(/lower tongue cusp is kept/)
  })
})
