import { describe, expect, it } from '@jest/globals'
import { buildRoute, type Route, type RouteStep, readingOutcome } from '../route/index.ts'
import { refused } from '../testing/words.ts'
import { routeTemplates } from './index.ts'

type Choices = Readonly<Record<string, string>>
const routeOf = (templateId: string, choices: Choices = {}): Route =>
  buildRoute(routeTemplates.get(templateId)!, choices)
const ids = (templateId: string, choices: Choices = {}) =>
  routeOf(templateId, choices).steps.map(({ id }) => id)
const stepOf = (templateId: string, stepId: string, choices: Choices = {}): RouteStep =>
  routeOf(templateId, choices).steps.find(({ id }) => id === stepId)!
const limits = (templateId: string, stepId: string, checkId: string, choices: Choices) => {
  const check = stepOf(templateId, stepId, choices).checks!.find(({ id }) => id === checkId)!
  return check.kind === 'measure' ? [check.min, check.max] : check.answers.map(({ answer }) => answer)
}
const before = (order: readonly string[], one: string, other: string) =>
  expect([one, other, order.indexOf(one) >= 0 && order.indexOf(one) < order.indexOf(other)]).toEqual([
    one,
    other,
    true,
  ])

describe('milled ceramic (textbooks and ISO 6872, recalled; else common practice)', () => {
  it.each([
    ['disilicate', 'crown', 1],
    ['disilicate', 'veneer', 0.3],
    ['disilicate-blue', 'veneer', 0.3],
    ['zirconia3y', 'crown', 0.5],
    ['zirconia4y', 'crown', 0.6],
    ['zirconia5y', 'crown', 1],
  ])('%s, %s: no wall under %d mm passes the gate, tooth by tooth', (ceramic, piece, least) => {
    const choices = { ceramic, piece }
    expect(limits('milled-ceramic', 'stub', 'thinnest-wall', choices)).toEqual([least, undefined])
    const check = stepOf('milled-ceramic', 'stub', choices).checks!.find(({ id }) => id === 'thinnest-wall')!
    expect(check.perTooth).toBe('each')
    expect(readingOutcome(check, { value: least - 0.05 }).verdict).toBe('askDentist')
    expect(readingOutcome(check, { value: least }).verdict).toBe('pass')
  })
  it('alumina: zirconia at most 200 kPa, disilicate 100, feldspar only where its maker allows it', () => {
    const most = (ceramic: string) => limits('milled-ceramic', 'blast', 'blast-pressure', { ceramic })
    expect(most('zirconia5y')).toEqual([undefined, 200])
    expect(most('disilicate')).toEqual([undefined, 100])
    expect(most('feldspar')).toEqual(['Not blasted, or allowed', 'Blasted, not allowed'])
  })
  it('a glaze shrinks 0.5 to 1 ppm/K less than its ceramic', () =>
    expect(limits('milled-ceramic', 'glaze', 'glaze-expansion', { ceramic: 'disilicate' })).toEqual([
      9.2, 9.7,
    ]))
  it('stains are mixed fresh each day: after twelve hours they are mixed again', () => {
    const { startWindow } = stepOf('milled-ceramic', 'stain')
    expect(startWindow).toMatchObject({
      afterStepId: 'mix-stains',
      latestMinutes: 12 * 60,
      ifPast: { toStepId: 'mix-stains' },
    })
  })
  it('two firings read the stain in between, one does not; both read the glazed colour', () => {
    const [two, one] = [ids('milled-ceramic', { firings: 'two' }), ids('milled-ceramic', { firings: 'one' })]
    expect(two).toEqual(expect.arrayContaining(['fire-stain', 'read-stain']))
    expect(one).not.toEqual(expect.arrayContaining(['fire-stain']))
    for (const order of [two, one]) {
      before(order, 'contacts', 'glaze')
      before(order, 'clean-dry', 'stain')
      before(order, 'support', 'stain')
      before(order, 'stain-plan', 'mix-stains')
      before(order, 'fire-glaze', 'read-colour')
      before(order, 'read-colour', 'satin')
    }
  })
  it('the blue one is crystallised, the others are not; a hybrid meets no furnace at all', () => {
    expect(ids('milled-ceramic', { ceramic: 'disilicate-blue' })).toContain('crystallise')
    expect(ids('milled-ceramic', { ceramic: 'disilicate' })).not.toContain('crystallise')
    const hybrid = routeOf('milled-ceramic', { ceramic: 'hybrid' }).steps
    expect(hybrid.filter(({ machine, stage }) => machine !== undefined || stage === 'fire')).toEqual([])
    expect(hybrid.map(({ id }) => id)).toContain('polish-hybrid')
  })
  it('every firing is held to the class of its case', () => {
    for (const ceramic of ['feldspar', 'disilicate', 'zirconia3y'])
      for (const stepId of ['fire-stain', 'fire-glaze'])
        expect(stepOf('milled-ceramic', stepId, { ceramic }).sheets).toMatchObject([
          { kind: 'firing', ceramic },
        ])
  })
})

describe('green zirconia (common practice)', () => {
  it('is dried before it is sintered, weighed and looked through after it, then finished as a milled one', () => {
    const order = ids('green-zirconia', { firings: 'two' })
    for (const [one, other] of [
      ['separate', 'green-size'],
      ['green-size', 'shape'],
      ['shape', 'lustre'],
      ['lustre', 'green-dry'],
      ['green-dry', 'sinter'],
      ['sinter', 'after-sintering'],
      ['after-sintering', 'contacts'],
      ['contacts', 'stain'],
    ] as const)
      before(order, one, other)
    expect(stepOf('green-zirconia', 'green-dry').machine).toBe('kiln')
    expect(stepOf('green-zirconia', 'sinter').machine).toBe('sinter')
  })
  it('lustre in chalk never where infiltration follows: a hard rule', () => {
    const choices = { infiltration: 'liquid', lustre: 'before' }
    expect(refused(() => routeOf('green-zirconia', choices))?.code).toBe('choice-does-not-fit')
    const infiltrated = ids('green-zirconia', { infiltration: 'liquid' })
    expect(infiltrated).not.toContain('lustre')
    before(infiltrated, 'infiltrate', 'green-dry')
    expect(ids('green-zirconia', { lustre: 'after' })).not.toContain('lustre')
  })
  it('what is touched at its margins as chalk is milled again', () => {
    const check = stepOf('green-zirconia', 'shape').checks!.find(({ id }) => id === 'margins-kept')!
    expect(readingOutcome(check, { answer: 'Touched' })).toMatchObject({
      verdict: 'goBack',
      toStepId: 'class-and-block',
    })
  })
})
