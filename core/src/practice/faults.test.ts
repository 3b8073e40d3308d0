import { describe, expect, it } from '@jest/globals'
import { routeTemplates } from '../jobs/index.ts'
import { buildRoute, type Check, type Route, type RouteStep } from '../route/index.ts'
import { chooseFaults } from './begin.ts'
import { type Fault, faultsOf, practiceLevels } from './index.ts'
import { LESSER_LOOK_CHANCE, levelRules, showsForSure } from './levels.ts'

const step = (id: string, stage: RouteStep['stage'], more: Partial<RouteStep> = {}): RouteStep =>
  ({ id, name: id, stage, kind: 'attended', handsOnMinutes: 5, how: '', why: '', ...more }) as RouteStep
const look = (id: string, outcome: object, more: object = {}): Check =>
  ({
    id,
    kind: 'observe',
    name: 'The Rim',
    how: '',
    source: '',
    answers: [
      { answer: 'Good', outcome: { verdict: 'pass' } },
      { answer: 'Bad', outcome },
    ],
    ...more,
  }) as Check
const measure = (more: object): Check =>
  ({
    id: 'gap',
    kind: 'measure',
    name: 'Gap',
    how: '',
    source: '',
    quantity: 'millimetres',
    plausible: { min: 0, max: 10 },
    below: { verdict: 'adjust', say: '' },
    above: { verdict: 'adjust', say: '' },
    ...more,
  }) as Check
const found = (steps: readonly RouteStep[], teeth: readonly number[] = []) =>
  faultsOf({ steps } as Pick<Route, 'steps'>, teeth)
const bornOf = ({ bornIn, arrives }: Fault) => [bornIn, arrives]

describe('what can be wrong on a route', () => {
  const mix = { kind: 'mix', id: 'stone', materialId: 'stone', powderGrams: 100 }
  const route = (check: Check, at: number): RouteStep[] =>
    ['door', 'pour', 'trim', 'look'].map((id, n) =>
      step(id, n === 0 ? 'receive' : 'pour', {
        ...(n === 1 ? { amounts: [mix] as never } : {}),
        ...(n === at ? { checks: [check] } : {}),
      }),
    )
  it.each([
    ['set right on the spot: there', { verdict: 'adjust', say: '' }, 3, ['look', false]],
    ['led back: where it leads to', { verdict: 'goBack', toStepId: 'trim', say: '' }, 3, ['trim', false]],
    ['made again: where that begins', { verdict: 'remake', toStepId: 'pour', say: '' }, 3, ['pour', false]],
    // A new impression is asked for, but it was the mix that failed.
    [
      'a new impression is asked for: the mix between',
      { verdict: 'remake', toStepId: 'door', say: '', awaits: 'An impression' },
      3,
      ['pour', false],
    ],
    [
      'the same with no mix between: where it leads to',
      { verdict: 'remake', toStepId: 'trim', say: '', awaits: 'An impression' },
      3,
      ['trim', false],
    ],
    ['asked about at the door: it arrived so', { verdict: 'askDentist', say: '' }, 0, ['door', true]],
    ['asked about in the lab: there', { verdict: 'askDentist', say: '' }, 2, ['trim', false]],
    ['set right at the door: there', { verdict: 'adjust', say: '' }, 0, ['door', false]],
    [
      'led on to what comes later: here',
      { verdict: 'goBack', toStepId: 'look', say: '' },
      1,
      ['pour', false],
    ],
  ] as const)('comes to be where it is %s', (_, outcome, at, born) =>
    expect(found(route(look('rim', outcome), at)).map(bornOf)).toEqual([born]),
  )

  it('of a new impression is no mix where something was only used up', () => {
    const used = [
      step('door', 'receive'),
      step('wax', 'pour', { amounts: [{ kind: 'use', id: 'w' }] as never }),
    ]
    const asks = look('rim', { verdict: 'remake', toStepId: 'door', say: '', awaits: 'An impression' })
    expect(found([...used, step('look', 'pour', { checks: [asks] })]).map(bornOf)).toEqual([['door', false]])
  })
  it('is each answer that does not pass, in a few words that say where', () => {
    const [fault, ...more] = found([
      step('a', 'pour', { checks: [look('rim', { verdict: 'adjust', say: '' })] }),
    ])
    expect(more).toEqual([])
    expect(fault).toMatchObject({
      kind: 'rim: Bad',
      named: 'Bad, the rim',
      by: 'eye',
      shows: { stepId: 'a', kind: 'look', checkId: 'rim', answer: 'Bad' },
    })
    const long = look(
      'rim',
      { verdict: 'adjust', say: '' },
      {
        answers: [{ answer: 'Bad all round', outcome: { verdict: 'adjust', say: '' } }],
      },
    )
    expect(found([step('a', 'pour', { checks: [long] })])[0]!.named).toBe('Bad all round')
    const two = look(
      'rim',
      { verdict: 'adjust', say: '' },
      {
        answers: [{ answer: 'Bad here', outcome: { verdict: 'adjust', say: '' } }],
      },
    )
    expect(found([step('a', 'pour', { checks: [two] })])[0]!.named).toBe('Bad here, the rim')
  })

  it('is at each tooth where the check is read tooth by tooth', () => {
    const at = (more: object) =>
      found(
        [step('a', 'pour', { checks: [look('rim', { verdict: 'adjust', say: '' }, more)] })],
        [14, 15],
      ).map(({ shows }) => shows.tooth)
    expect([at({}), at({ perTooth: 'each' })]).toEqual([[undefined], [14, 15]])
  })

  it.each([
    ['both sides', { min: 1, max: 2 }, ['gap: below', 'gap: above']],
    ['above alone', { max: 2 }, ['gap: above']],
    ['below alone', { min: 1 }, ['gap: below']],
    ['nothing, where no reading can be beyond', { min: 0, max: 10 }, []],
    ['nothing of a mere reference', {}, []],
    ['nothing where the side passes', { min: 1, max: 2, above: { verdict: 'pass' } }, ['gap: below']],
    ['nothing that a hand sets', { min: 1, max: 2, means: 'sprueGauge' }, []],
    ['what is read all the same', { min: 1, max: 2, means: 'endClearance' }, ['gap: below', 'gap: above']],
  ])('of a measure is %s', (_, more, kinds) =>
    expect(found([step('a', 'pour', { checks: [measure(more)] })]).map(({ kind }) => kind)).toEqual(kinds),
  )

  it('is one of a sheet on which one writes down what lies there, none of one that is worked out', () => {
    const sheets = (kind: string) =>
      found([
        step('a', 'pour', {
          sheets: [{ kind, id: 'list', name: 'The List', failing: { verdict: 'adjust', say: '' } }] as never,
        }),
      ])
    for (const kind of ['regions', 'places', 'room'])
      expect(sheets(kind)).toEqual([
        {
          kind: `${kind}: list`,
          shows: { stepId: 'a', kind: 'sheet', checkId: 'list' },
          outcome: { verdict: 'adjust', say: '' },
          ...{ bornIn: 'a', arrives: false, by: 'eye', named: 'A fault of "the list"' },
        },
      ])
    for (const kind of ['cure', 'burnout', 'parts', 'closures']) expect(sheets(kind)).toEqual([])
  })
  it('of a measure says too little or too much', () =>
    expect(
      found([step('a', 'pour', { checks: [measure({ min: 1, max: 2 })] })]).map(({ named, by }) => [
        named,
        by,
      ]),
    ).toEqual([
      ['Gap, too little', 'instrument'],
      ['Gap, too much', 'instrument'],
    ]))
})

describe('levels', () => {
  // Choices of the product, to train judgement with: how many faults, and how often a hand slips.
  it('are harder from one to the next', () => {
    expect(practiceLevels.map((level) => levelRules[level].handChance)).toEqual([0.04, 0.08, 0.1])
    expect(practiceLevels.map((level) => levelRules[level].says)).toEqual([true, true, false])
    expect(practiceLevels.map((level) => levelRules[level].digits)).toEqual([true, false, false])
    expect(LESSER_LOOK_CHANCE).toBe(0.35)
  })
  it.each([
    ['eye', 'lens', true],
    ['eye', 'dry', true],
    ['eye', 'light', true],
    ['eye', 'instrument', true],
    // A finger and a foil do not look.
    ['eye', 'finger', false],
    ['eye', 'paper', false],
    ['lens', 'eye', false],
    ['lens', 'lens', true],
    ['finger', 'lens', false],
  ] as const)('a sign for the %s is seen for sure by the %s: %s', (sign, by, sure) =>
    expect(showsForSure(sign, by)).toBe(sure),
  )
})

describe('how many faults a case has', () => {
  it('is any number that its level allows, each about as often', () => {
    const all = faultsOf(buildRoute(routeTemplates.get('complete-denture')!), [])
    const counts = new Map<number, number>()
    const cases = 400
    for (let seed = 0; seed < cases; seed++) {
      const { length } = chooseFaults(all, {
        templateId: 'complete-denture',
        choices: {},
        level: 'bench',
        seed,
      })
      counts.set(length, (counts.get(length) ?? 0) + 1)
    }
    expect([...counts.keys()].sort()).toEqual([3, 4, 5])
    // A third each; a hand that slips often raises a few. Five standard errors of a third in 400 are 0.12.
    for (const count of counts.values()) expect(Math.abs(count / cases - 1 / 3)).toBeLessThan(0.2)
  })
})
