import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { checkMix, goodMix } from './amounts.ts'
import {
  type Amount,
  buildRoute,
  type Check,
  drawings,
  goodReading,
  type Route,
  type RouteTemplate,
  readingOutcome,
  readRoute,
  routeFaults,
  routeShelf,
  type TemplateStep,
  takeReading,
} from './index.ts'
import { pictureFor } from './pictures.ts'

/** A small route of the tests' own: a pair or one arch, washed or not. */
const plain = (id: string, more: Partial<TemplateStep> = {}): TemplateStep => ({
  id,
  name: id,
  stage: 'pour',
  kind: 'attended',
  how: [`do ${id}`],
  why: 'because',
  handsOnMinutes: 1,
  ...more,
})
const count: Check = {
  id: 'count',
  name: 'Count',
  how: 'Count them.',
  source: 'common practice',
  kind: 'measure',
  quantity: 'count',
  min: 2,
  max: 4,
  below: { verdict: 'adjust', say: 'Find the others.' },
  above: { verdict: 'askDentist', say: 'Too many came.' },
  plausible: { min: 0, max: 50 },
}
const look: Check = {
  id: 'look',
  name: 'Look',
  how: 'Look at it.',
  source: 'common practice',
  kind: 'observe',
  answers: [
    { answer: 'Whole', outcome: { verdict: 'pass' } },
    { answer: 'Torn', outcome: { verdict: 'remake', toStepId: 'a', say: 'Make it again.' } },
  ],
}
const stone: Amount = {
  id: 'stone',
  kind: 'mix',
  materialId: 'dental-stone',
  powderGrams: 100,
  source: 'common practice',
}
const template: RouteTemplate = {
  id: 'small',
  version: 3,
  name: 'Small',
  usualDays: 2,
  matters: [
    {
      id: 'arch',
      name: 'Arch',
      usual: 'upper',
      why: 'it is so',
      choices: ['upper', 'lower', 'pair'].map((id) => ({ id, name: id[0]!.toUpperCase() + id.slice(1) })),
    },
    {
      id: 'wash',
      name: 'Wash',
      usual: 'yes',
      why: 'it is so',
      choices: ['yes', 'no'].map((id) => ({ id, name: id })),
    },
  ],
  pictures: { pour: { drawing: 'cast', shows: ['impression'], due: ['stone'] } },
  steps: [
    plain('a'),
    plain('wash', { when: { wash: ['yes'] } }),
    plain('pour', {
      howWhen: [{ when: { wash: ['no'] }, say: 'It is dry already.' }],
      checks: [
        { ...count, perArch: true },
        { ...look, when: { arch: ['upper', 'pair'] } },
      ],
      amounts: [{ ...stone, perArch: true, note: 'for the teeth' }],
    }),
    plain('aside', { after: ['a'], stage: 'trim' }),
    plain('end', { after: ['pour', 'aside'], stage: 'check' }),
  ],
}
const built = (choices = {}) => buildRoute(template, choices)
const stepOf = (route: Route, id: string) => route.steps.find((step) => step.id === id)!

describe('a route out of its template', () => {
  it('is copied with its usual choices, and says which', () => {
    expect(built()).toMatchObject({
      templateId: 'small',
      templateVersion: 3,
      name: 'Small, upper',
      choices: { arch: 'upper', wash: 'yes' },
    })
    expect(built({ arch: 'pair' }).name).toBe('Small, pair')
  })
  it('comes after what stands above it, but where it says otherwise', () => {
    const after = Object.fromEntries(built().steps.map((step) => [step.id, step.after]))
    expect(after).toEqual({ a: [], wash: ['a'], pour: ['wash'], aside: ['a'], end: ['pour', 'aside'] })
  })
  it('closes up where a step is left out', () => {
    const route = built({ wash: 'no' })
    expect(route.steps.map(({ id }) => id)).toEqual(['a', 'pour', 'aside', 'end'])
    expect(stepOf(route, 'pour').after).toEqual(['a'])
    expect(stepOf(route, 'pour').how).toEqual(['do pour', 'It is dry already.'])
    expect(stepOf(built(), 'pour').how).toEqual(['do pour'])
  })
  it('asks once for each arch of a pair, and says which', () => {
    const { checks, amounts } = stepOf(built({ arch: 'pair' }), 'pour')
    expect(checks?.map(({ id, name }) => [id, name])).toEqual([
      ['count-upper', 'Count, upper'],
      ['count-lower', 'Count, lower'],
      ['look', 'Look'],
    ])
    expect(amounts?.map(({ id, note }) => [id, note])).toEqual([
      ['stone-upper', 'upper: for the teeth'],
      ['stone-lower', 'lower: for the teeth'],
    ])
  })
  it('asks once for one arch, and leaves out what is not for it', () => {
    expect(stepOf(built(), 'pour').checks?.map(({ id }) => id)).toEqual(['count', 'look'])
    expect(stepOf(built({ arch: 'lower' }), 'pour').checks?.map(({ id }) => id)).toEqual(['count'])
  })
  it('carries nothing that only the template needs', () => {
    const text = JSON.stringify(built({ arch: 'pair' }))
    for (const word of ['"when"', 'howWhen', 'perArch']) expect(text).not.toContain(word)
  })
  it('shows the picture of its stage, where it has one', () => {
    expect(stepOf(built(), 'pour').picture?.drawing).toBe('cast')
    expect(stepOf(built(), 'aside')).not.toHaveProperty('picture')
  })
  it('is sound under every choice', () => {
    fc.assert(
      fc.property(fc.constantFrom('upper', 'lower', 'pair'), fc.constantFrom('yes', 'no'), (arch, wash) =>
        expect(routeFaults(built({ arch, wash }))).toEqual([]),
      ),
    )
  })
  it('refuses a choice of nothing, and names what there is', () => {
    expect(() => built({ arch: 'both' })).toThrow(
      expect.objectContaining({ code: 'no-such-choice', remedy: 'Choose one of: upper, lower, pair.' }),
    )
    expect(() => built({ colour: 'red' })).toThrow(
      expect.objectContaining({ code: 'no-such-matter', remedy: 'Choose among: arch, wash.' }),
    )
    expect(() => buildRoute({ ...template, matters: [] }, { arch: 'upper' })).toThrow(
      expect.objectContaining({ remedy: 'Choose among: none.' }),
    )
  })
})

describe('what is wrong with a route', () => {
  const faults = (id: string, change: object) =>
    routeFaults({ ...built(), steps: built().steps.map((s) => (s.id === id ? { ...s, ...change } : s)) })
  const wait = { earliestMinutes: 5, bestMinutes: 10, latestMinutes: 20, early: 'e', late: 'l', source: 's' }
  const start = { afterStepId: 'a', bestMinutes: 10, late: 'l', source: 's' }
  it.each<[string, string, object, RegExp]>([
    ['no how', 'pour', { how: [] }, /says no how/],
    ['a blank why', 'pour', { why: '  ' }, /says no why/],
    ['a wait that falls at its end', 'pour', { wait: { ...wait, latestMinutes: 9 } }, /does not rise/],
    ['a wait that falls at once', 'pour', { wait: { ...wait, earliestMinutes: 11 } }, /does not rise/],
    ['a wait before its beginning', 'pour', { wait: { ...wait, earliestMinutes: -1 } }, /does not rise/],
    ['a wait from nowhere', 'pour', { wait: { ...wait, source: '' } }, /no source/],
    ['a start that falls', 'pour', { startWindow: { ...start, earliestMinutes: 11 } }, /does not rise/],
    [
      'a start after what comes later',
      'pour',
      { startWindow: { ...start, afterStepId: 'end' } },
      /counts from "end"/,
    ],
    [
      'an amount from nowhere',
      'pour',
      { amounts: [{ ...stone, source: ' ' }] },
      /amount stone has no source/,
    ],
    ['two of one name', 'pour', { checks: [count, { ...look, id: 'count' }] }, /share an id/],
    [
      'a check that leads on',
      'pour',
      { checks: [{ ...count, below: { verdict: 'goBack', toStepId: 'end', say: 'x' } }] },
      /leads to "end"/,
    ],
    [
      'a check that does not say what to do',
      'pour',
      { checks: [{ ...count, below: undefined }] },
      /below its limits/,
    ],
    ['and above', 'pour', { checks: [{ ...count, above: undefined }] }, /above its limits/],
    [
      'a drawing that has no such part',
      'pour',
      { picture: { drawing: 'cast', shows: ['crown'], due: [] } },
      /cast shows no crown/,
    ],
    [
      'no drawing at all',
      'pour',
      { picture: { drawing: 'castle', shows: [], due: [] } },
      /no drawing castle/,
    ],
  ])('%s is named', (_, id, change, sentence) => {
    const found = faults(id, change)
    expect(found.join()).toMatch(sentence)
    expect(found[0]).toMatch(/^small\/pour: /)
  })
  it('a wait whose times are the same rises', () => {
    expect(faults('pour', { wait: { ...wait, earliestMinutes: 10, latestMinutes: 10 } })).toEqual([])
    expect(faults('pour', { startWindow: { ...start, earliestMinutes: 10, latestMinutes: 10 } })).toEqual([])
  })
  it('a check may send back to its own step', () =>
    expect(
      faults('pour', { checks: [{ ...count, below: { verdict: 'remake', toStepId: 'pour', say: 'x' } }] }),
    ).toEqual([]))
})

describe('the shelf of templates', () => {
  const loaded = (change: Partial<TemplateStep>) => () =>
    routeShelf([{ ...template, steps: [...template.steps, plain('more', change)] }])
  it('gives each by its id', () => expect([...routeShelf([template]).keys()]).toEqual(['small']))
  it.each<[string, object, string]>([
    [
      'an unknown material',
      { amounts: [{ ...stone, materialId: 'moon-rock' }] },
      'more needs an unknown material moon-rock',
    ],
    [
      'an unknown sheet',
      { sheets: [{ id: 's', kind: 'horoscope' }] },
      'sheet s is of an unknown kind horoscope',
    ],
    ['an unknown instrument', { instrument: { opens: 'guess' } }, 'opens an unknown instrument guess'],
    ['an unknown machine', { machine: 'oven' }, 'lies in an unknown machine oven'],
    ['an unknown stage', { stage: 'dream' }, 'belongs to an unknown stage dream'],
    [
      'an unknown drawing',
      { picture: { drawing: 'castle', shows: [], due: [] } },
      'there is no drawing castle',
    ],
  ])('does not take one with %s', (_, change, sentence) =>
    expect(loaded(change as Partial<TemplateStep>)).toThrow(
      expect.objectContaining({ code: 'route-templates-faulty', message: expect.stringContaining(sentence) }),
    ),
  )
  it('does not take two of one name, or a stage with a drawing that is none', () => {
    expect(() => routeShelf([template, template])).toThrow('two templates share an id')
    expect(() =>
      routeShelf([{ ...template, pictures: { pour: { drawing: 'cast', shows: ['roof'], due: [] } } }]),
    ).toThrow('small: cast shows no roof')
  })
})

describe('a reading', () => {
  const outcome = (value: number) => readingOutcome(count, { value }).verdict
  it('passes on both its limits, and says what to do outside', () => {
    expect([2, 4].map(outcome)).toEqual(['pass', 'pass'])
    expect(outcome(1.99)).toBe('adjust')
    expect(outcome(4.01)).toBe('askDentist')
    expect(readingOutcome(count, {}).verdict).toBe('adjust')
  })
  it('without limits passes whatever it is; with one it has one side', () => {
    const { min: _min, max: _max, below: _below, above: _above, ...open } = count
    expect(readingOutcome(open, { value: 49 }).verdict).toBe('pass')
    expect(readingOutcome({ ...open, min: 2 }, { value: 1 })).toEqual({
      verdict: 'adjust',
      say: 'Count them.',
    })
    expect(readingOutcome({ ...open, max: 2 }, { value: 3 })).toEqual({
      verdict: 'adjust',
      say: 'Count them.',
    })
    expect(readingOutcome({ ...open, max: 2 }, { value: 1 }).verdict).toBe('pass')
  })
  it('of what cannot be is refused, with what can', () => {
    for (const value of [-0.1, 50.1, Number.NaN, Number.POSITIVE_INFINITY])
      expect(() => takeReading(count, { value })).toThrow(
        expect.objectContaining({ code: 'reading-not-plausible', field: 'value' }),
      )
    for (const value of [0, 50]) expect(takeReading(count, { value })).toMatchObject({ value })
    expect(() => takeReading(count, {})).toThrow('Nothing cannot be right for "Count".')
  })
  it('is one of its answers, and no other', () => {
    expect(takeReading(look, { answer: 'Torn' })).toMatchObject({ answer: 'Torn' })
    expect(readingOutcome(look, { answer: 'Torn' })).toMatchObject({ verdict: 'remake', toStepId: 'a' })
    expect(() => takeReading(look, { answer: 'torn' })).toThrow(
      expect.objectContaining({ code: 'no-such-answer', remedy: 'Choose: Whole; Torn.' }),
    )
    expect(() => takeReading(look, {})).toThrow('"" is no answer')
    expect(readingOutcome(look, { answer: 'Something' })).toMatchObject({ verdict: 'adjust' })
  })
  it('of a careful worker passes, whatever the limits', () => {
    const limits = fc.record({
      min: fc.option(fc.integer({ min: 1, max: 20 })),
      span: fc.integer({ min: 1, max: 20 }),
      both: fc.boolean(),
    })
    fc.assert(
      fc.property(limits, fc.double({ min: 0, max: 1, noNaN: true }), ({ min, span, both }, chance) => {
        const { min: _min, max: _max, ...open } = count
        const check: Check = {
          ...open,
          ...(min === null ? {} : { min }),
          ...(both || min === null ? { max: (min ?? 0) + span } : {}),
        }
        const { value } = goodReading(check, () => chance)
        expect({ check, value, verdict: readingOutcome(check, { value: value! }).verdict }).toMatchObject({
          verdict: 'pass',
        })
      }),
    )
    expect(goodReading(look, () => 0)).toEqual({ answer: 'Whole' })
  })
})

describe('what is mixed', () => {
  const mixed = (change: object) => () =>
    checkMix(stone, {
      amountId: 'stone',
      materialId: 'dental-stone',
      powderGrams: 100,
      liquidMillilitres: 30,
      ...change,
    })
  it('is more than nothing, and no more than a worker can hold', () => {
    expect(mixed({})).not.toThrow()
    expect(mixed({ powderGrams: 10_000, liquidMillilitres: 3000 })).not.toThrow()
    for (const powderGrams of [0, -1, 10_001, Number.NaN, undefined])
      expect(mixed({ powderGrams })).toThrow(
        expect.objectContaining({ code: 'amount-not-plausible', field: 'powderGrams' }),
      )
    expect(mixed({ liquidMillilitres: 0 })).toThrow(expect.objectContaining({ field: 'liquidMillilitres' }))
    expect(mixed({ materialId: 'moon-rock' })).toThrow(expect.objectContaining({ code: 'no-such-material' }))
  })
  it('of counted parts wants both numbers', () => {
    const scoops: Amount = {
      id: 'alginate',
      kind: 'parts',
      materialId: 'alginate',
      powderParts: 4,
      source: 'x',
    }
    const parts = (change: object) => () =>
      checkMix(scoops, { amountId: 'alginate', materialId: 'alginate', ...change })
    expect(parts({ powderParts: 4, liquidParts: 4 })).not.toThrow()
    expect(parts({ powderParts: 4 })).toThrow(expect.objectContaining({ field: 'liquidParts' }))
    // Alginate: one unit of water to a level scoop (common practice).
    expect(goodMix(scoops, () => 0)).toMatchObject({ powderParts: 4, liquidParts: 4 })
  })
  it('by a careful worker keeps to the ratio, its own or that of the card', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (chance) => {
        const usual = goodMix(stone, () => chance)
        expect(usual.liquidMillilitres! / usual.powderGrams!).toBeCloseTo(0.3, 2)
        const own = goodMix({ ...stone, millilitresPerGram: 0.28 }, () => chance)
        expect(own.liquidMillilitres! / own.powderGrams!).toBeCloseTo(0.28, 2)
        expect(Math.abs(usual.powderGrams! - 100)).toBeLessThanOrEqual(0.5)
      }),
    )
  })
  it('is refused in words that hold the figure', () =>
    expect(mixed({ powderGrams: 10_001 })).toThrow(/10.?001 g cannot be right/))
})

describe('a route of an earlier version', () => {
  const picture = { drawing: 'cast', shows: [], due: [] } as const
  const today: RouteTemplate = {
    ...template,
    version: 4,
    formerMeanings: { gone: 'finalPressure' },
    steps: template.steps.map((step) =>
      step.id === 'pour'
        ? { ...step, instrument: { opens: 'mix' }, machine: 'bath', means: 'casting', picture }
        : step,
    ),
  }
  const shelf = new Map([[today.id, today]])
  it('is read with what its steps mean today, and stays what was given out', () => {
    const old = built()
    const read = readRoute(old, shelf)
    expect(stepOf(read, 'pour')).toMatchObject({
      instrument: { opens: 'mix' },
      machine: 'bath',
      means: 'casting',
    })
    expect(read.steps.map(({ id, how }) => [id, how])).toEqual(old.steps.map(({ id, how }) => [id, how]))
    expect(read.templateVersion).toBe(3)
  })
  it('keeps its own words where it has them', () => {
    const own = { drawing: 'pair', shows: [], due: [] } as const
    const old = built()
    const route = {
      ...old,
      steps: old.steps.map((step) => ({ ...step, picture: own, instrument: { opens: 'cure' as const } })),
    }
    expect(stepOf(readRoute(route, shelf), 'pour')).toMatchObject({
      picture: own,
      instrument: { opens: 'cure' },
    })
  })
  it('reads what a check once was, for either arch', () => {
    const old = built()
    const checks: Check[] = [
      { ...count, id: 'gone-upper' },
      { ...count, id: 'gone' },
      { ...count, id: 'other' },
    ]
    const route = {
      ...old,
      steps: old.steps.map((step) => (step.id === 'pour' ? { ...step, checks } : step)),
    }
    expect(stepOf(readRoute(route, shelf), 'pour').checks?.map(({ means }) => means)).toEqual([
      'finalPressure',
      'finalPressure',
      undefined,
    ])
  })
  it('of today, or of a template that is gone, is as it is', () => {
    const old = built()
    expect(readRoute(old, new Map())).toBe(old)
    expect(readRoute(old, new Map([[template.id, template]]))).toBe(old)
  })
  it('forgets a choice that is offered no more', () => {
    const route = { ...built(), choices: { arch: 'upper', wash: 'twice', colour: 'red' } }
    expect(readRoute(route, shelf).choices).toEqual(route.choices)
  })
})

describe('drawings', () => {
  it('of implants follow their number and arch, the others follow nothing', () => {
    const made = { implants: '4', arch: 'upper', wash: 'no' }
    for (const drawing of Object.keys(drawings) as (keyof typeof drawings)[]) {
      const { choices } = pictureFor({ drawing, shows: [], due: [] }, made)
      expect(choices).toEqual(drawing === 'implants' ? { implants: '4', arch: 'upper' } : undefined)
    }
    expect(pictureFor({ drawing: 'implants', shows: [], due: [] }, {})).not.toHaveProperty('choices')
  })
})
