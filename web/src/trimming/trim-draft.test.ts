import { describe, expect, it } from '@jest/globals'
import { inventedPair, planPair } from '@yentrik/core'
import { draftOf, emptyDraft, entryOf, landmarkSpecs, type PairDraft } from './trim-draft.ts'

describe('a trim plan as it is marked', () => {
  it('a stored plan, opened and kept again, is the same plan', () => {
    const { entry, missing } = entryOf(draftOf(inventedPair))
    expect(missing).toEqual([])
    expect(entry).toEqual({
      ...inventedPair,
      choices: { heelMillimetres: 12.7, ...inventedPair.choices },
    })
    expect(planPair(entry!).upper.plan.sideAngleDegrees).toBe(
      planPair(inventedPair).upper.plan.sideAngleDegrees,
    )
  })
  it('an empty one asks for everything that must be there, the upper before the lower', () => {
    const { entry, missing } = entryOf(emptyDraft)
    expect(entry).toBeUndefined()
    const wanted = (['upper', 'lower'] as const).flatMap((arch) => [
      ...landmarkSpecs[arch]
        .filter(({ least }) => least > 0)
        .map(({ name }) => `${arch}: ${name.toLowerCase()}`),
      `${arch}: height at three places`,
    ])
    expect(missing).toEqual(wanted)
  })
  it('asks for one thing where one is missing, and for nothing that may be left out', () => {
    const full = draftOf(inventedPair)
    for (const arch of ['upper', 'lower'] as const)
      for (const { key, name, least } of landmarkSpecs[arch]) {
        const points = { ...full[arch].points, [key]: [] }
        const draft: PairDraft = { ...full, [arch]: { ...full[arch], points } }
        expect(entryOf(draft).missing).toEqual(least > 0 ? [`${arch}: ${name.toLowerCase()}`] : [])
      }
  })
  it.each([
    [{ heel: 'x' }, 'Heel'],
    [{ heel: '' }, 'Heel'],
    [{ planeOff: 'far' }, 'Plane off the middle'],
  ])('says what is wrong with %j', (change, words) => {
    const { entry, missing } = entryOf({ ...draftOf(inventedPair), ...change })
    expect(entry).toBeUndefined()
    expect(missing[0]).toContain(words)
  })
  it('wants three heights that are numbers', () => {
    const full = draftOf(inventedPair)
    const heights = full.upper.heights.map((each, n) => (n === 1 ? { ...each, text: '3x' } : each))
    expect(entryOf({ ...full, upper: { ...full.upper, heights } }).missing).toEqual([
      'upper: height at three places',
    ])
    const two = full.upper.heights.slice(0, 2)
    expect(entryOf({ ...full, upper: { ...full.upper, heights: two } }).missing).toHaveLength(1)
  })
})
