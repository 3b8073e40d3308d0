import { describe, expect, it } from '@jest/globals'
import { buildRoute } from '../route/index.ts'
import { routeTemplates } from './index.ts'
import { scratchLooks } from './scratches.ts'

describe('scratches on a denture', () => {
  // Model notes, usual resin ladder: nail 20 µm, wet 5, lens 1, haze 0.3; seen at high shine.
  const [withTripoli, without] = scratchLooks('shine', 'Gloss', 'Look', 'None', 'high-shine')
  const outcome = (check: typeof withTripoli, says: string) =>
    check!.answers.find(({ answer }) => answer.endsWith(says))?.outcome
  it.each([
    ['catches a nail', 'rubber'],
    ['seen wet', 'pumice'],
    ['only dry, with a lens', 'tripoli'],
  ])('%s goes back to %s', (says, step) => {
    expect(outcome(withTripoli, says)).toMatchObject({ verdict: 'goBack', toStepId: step })
  })
  it('as haze is gone over once more', () => {
    expect(outcome(withTripoli, 'as haze against a lamp')).toMatchObject({ verdict: 'adjust' })
  })
  it('without tripoli in the ladder goes back elsewhere, and never to it', () => {
    expect(without!.when).toEqual({ tripoli: ['leave-out'] })
    expect(outcome(without, 'only dry, with a lens')).toMatchObject({ verdict: 'adjust' })
    expect(JSON.stringify(without)).not.toContain('"toStepId":"tripoli"')
    expect(outcome(without, 'seen wet')).toMatchObject({ toStepId: 'pumice' })
  })
  it('names every stage from there on', () => {
    expect(outcome(withTripoli, 'seen wet')).toMatchObject({
      say: 'Back to coarse pumice, then fine pumice, tripoli, high shine: none left out.',
    })
  })
  it("no deeper than the stage's own mark is no scratch", () => {
    const [pumice] = scratchLooks('pumice', 'Scratches', 'Look', 'None', 'fine-pumice')
    expect(outcome(pumice, 'as haze against a lamp')).toBeUndefined()
    expect(pumice!.answers[0]).toEqual({ answer: 'None', outcome: { verdict: 'pass' } })
  })
})

describe('tripoli left out', () => {
  it('is a variant on record, and high shine is worked 375 s instead of 100 (worked value of the ladder)', () => {
    const shine = (tripoli: string) =>
      buildRoute(routeTemplates.get('complete-denture')!, { tripoli }).steps.find(
        ({ id }) => id === 'high-shine',
      )!.how
    expect(shine('leave-out').join(' ')).toContain('about 375 s of contact instead of 100')
    expect(shine('use').join(' ')).not.toContain('Tripoli was left out')
  })
})
