import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { stepOf } from '../case/index.ts'
import { regionsOf } from '../inspection/index.ts'
import { Bench, inMetric } from '../testing/index.ts'
import { type CastingRecord, castingCauses } from './index.ts'

const careful: CastingRecord = {
  wettingAgent: 'dry film',
  ratio: { millilitresPerGram: 0.2, standing: 'usual' },
  marginToInvestMinutes: 12,
  benchSetMinutes: 50,
  burnoutMinutes: 300,
  furnaceCelsius: 850,
  transferMinutes: 0.6,
  alloyGrams: 14,
  patternGrams: 0.9,
  turns: 4,
  sprueGauge: 10,
  endClearanceMillimetres: 3.5,
  binder: 'phosphate',
}
const first = (place: string, fault: string, change: Partial<CastingRecord>) =>
  castingCauses(place, fault, { ...careful, ...change })[0]!

describe('causes of a fault, by the evidence of the case', () => {
  it.each<[string, string, Partial<CastingRecord>, string, string]>([
    ['margin', 'Short', { transferMinutes: 3.2 }, 'cooled on its way', '3.2 min from oven to arm.'],
    ['margin', 'Short', { furnaceCelsius: 720 }, 'not hot enough', '720 °C'],
    // 0.9 g of wax at 0.95 are 0.947 cm3, and 7.9 g of the lightest alloy.
    ['margin', 'Short', { alloyGrams: 6 }, 'Too little metal', 'want at least 7.9 g'],
    ['margin', 'Short', { alloyId: 'cobalt-chromium', turns: 2 }, 'Too little pressure', '2 turns'],
    ['margin', 'Short', { endClearanceMillimetres: 9 }, 'Gas could not leave', '9 mm to the end'],
    ['margin', 'Fins', { benchSetMinutes: 20 }, 'out of its time', '20 min of bench set.'],
    ['margin', 'Fins', { ratio: { millilitresPerGram: 0.3, standing: 'thin' } }, 'too thin', '0.30 mL/g'],
    ['inside', 'Nodules', { wettingAgent: 'none' }, 'No wetting agent', 'none'],
    ['walls', 'Rough', { wettingAgent: 'pools' }, 'pooled', 'pools'],
    ['walls', 'Rough', { binder: 'gypsum', furnaceCelsius: 715 }, 'broke down', '715 °C'],
    ['sprue', 'Shrinkage porosity', { sprueGauge: 16 }, 'sprue froze', 'Gauge 16, 1.29 mm'],
    ['walls', 'Bent', { marginToInvestMinutes: 50 }, 'wax moved', '50 min'],
    ['walls', 'Pinholes', { burnoutMinutes: 170 }, 'carbon', '170 min'],
    ['margin', 'Fins', { throughInversionsCelsiusPerMinute: 24 }, 'Heated too fast', '24 °C/min'],
    ['seats', 'Will not seat', { coreFellToCelsius: 612 }, 'cooled in the furnace', '612 °C'],
    // 0.9 g of wax are 14.7 g of gold of 15.5 g/cm3.
    ['chewing', 'Not filled', { alloyId: 'gold-type-3', turns: 3 }, 'Too little metal', '14.7 g'],
  ])('%s %s with %j: first comes %s', (place, fault, change, name, words) => {
    const cause = first(place, fault, change)
    expect(cause.standing).toBe('supported')
    expect(cause.name).toContain(name)
    expect(inMetric(cause.words)).toContain(words)
    expect(cause.change).toMatch(/\S/)
  })
  it('an empty record speaks neither for nor against anything', () => {
    const said = regionsOf.casting.flatMap(({ id, faults }) =>
      faults.flatMap(({ fault }) =>
        castingCauses(id, fault, {}).map(({ name, standing }) => `${name}: ${standing}`),
      ),
    )
    expect(said.length).toBeGreaterThan(20)
    expect([...new Set(said)].filter((each) => !each.endsWith(': unknown'))).toEqual([])
  })
  it('what is not on record stands between what speaks for and what speaks against', () => {
    const { transferMinutes: _late, ...rest } = careful
    const standings = castingCauses('margin', 'Short', { ...rest, alloyId: 'nickel-chromium', turns: 2 }).map(
      ({ standing }) => standing,
    )
    expect(standings).toEqual(['supported', 'unknown', 'unknown', 'against', 'against', 'against'])
  })
  it('evidence never changes which causes there are, only their order', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(
          ['margin', 'Short'],
          ['margin', 'Fins'],
          ['walls', 'Rough'],
          ['seats', 'Will not seat'],
        ),
        fc.record({
          transferMinutes: fc.double({ min: 0, max: 9, noNaN: true }),
          turns: fc.integer({ min: 0, max: 9 }),
        }),
        ([place = '', fault = ''], change) => {
          const names = (record: CastingRecord) =>
            castingCauses(place, fault, record)
              .map(({ name }) => name)
              .sort()
          expect(names({ ...careful, ...change })).toEqual(names({}))
        },
      ),
    )
  })
  it('every fault of the inspection has its causes, a whole casting none', () => {
    for (const { id, faults } of regionsOf.casting) {
      for (const { fault } of faults)
        expect([fault, castingCauses(id, fault, {}).length > 1]).toEqual([fault, true])
      expect(castingCauses(id, 'Whole', {})).toEqual([])
    }
    const check = stepOf(new Bench('cast-crown').job, 'fit-die').checks![0]!
    const answers = check.kind === 'observe' ? check.answers : []
    for (const { answer, outcome } of answers)
      expect([answer, castingCauses(check.id, answer, {}).length > 0]).toEqual([
        answer,
        outcome.verdict !== 'pass',
      ])
  })
})

// Common practice: where each figure begins to speak for its cause, and the last one that does not.
describe('a figure speaks for its cause only past its limit', () => {
  const standing = (place: string, fault: string, words: string, change: Partial<CastingRecord>) =>
    castingCauses(place, fault, { ...careful, ...change }).find(({ name }) => name.includes(words))?.standing
  it.each<[string, string, string, Partial<CastingRecord>, Partial<CastingRecord>]>([
    ['margin', 'Fins', 'out of its time', { benchSetMinutes: 45 }, { benchSetMinutes: 44.9 }],
    [
      'margin',
      'Fins',
      'Heated too fast',
      { throughInversionsCelsiusPerMinute: 10 },
      { throughInversionsCelsiusPerMinute: 10.1 },
    ],
    ['margin', 'Fins', 'Heated too fast', { burnoutMinutes: 149 }, { burnoutMinutes: 148.9 }],
    ['walls', 'Pinholes', 'carbon', { burnoutMinutes: 179 }, { burnoutMinutes: 178.9 }],
    ['walls', 'Bent', 'wax moved', { marginToInvestMinutes: 30 }, { marginToInvestMinutes: 30.1 }],
    ['sprue', 'Shrinkage porosity', 'sprue froze', { sprueGauge: 10 }, { sprueGauge: 15 }],
    ['walls', 'Rough', 'broke down', { furnaceCelsius: 930 }, { furnaceCelsius: 931 }],
    [
      'walls',
      'Rough',
      'broke down',
      { binder: 'gypsum', furnaceCelsius: 700 },
      { binder: 'gypsum', furnaceCelsius: 701 },
    ],
    ['margin', 'Short', 'Too little pressure', { turns: 2 }, { turns: 1 }],
  ])('%s %s, %s: not at %j, at %j', (place, fault, words, before, past) => {
    expect(standing(place, fault, words, before)).toBe('against')
    expect(standing(place, fault, words, past)).toBe('supported')
  })
})

// Common practice: what the pack and the program of this ring say is no fault of it.
describe('a ring that was run as its product wants', () => {
  const standing = (place: string, fault: string, words: string, change: Partial<CastingRecord>) =>
    castingCauses(place, fault, { ...careful, ...change }).find(({ name }) => name.includes(words))?.standing
  it('a low program of 480 °C for hygroscopic investment is not cold, nor is it when it is 60 °C short', () => {
    const low = { binder: 'gypsum', furnaceCelsius: 480, usualPeakCelsius: 480 } as const
    expect(standing('margin', 'Short', 'mould was not hot', low)).toBe('against')
    expect(standing('margin', 'Short', 'mould was not hot', { ...low, furnaceCelsius: 420 })).toBe(
      'supported',
    )
  })
  it('a fast burnout of 50 minutes, marked for it, is neither short nor too fast nor full of carbon', () => {
    const fast = { burnoutMinutes: 50, programMinutes: 50, hotEntry: true } as const
    for (const [place, fault, words] of [
      ['margin', 'Short', 'mould was not hot'],
      ['margin', 'Fins', 'Heated too fast'],
      ['walls', 'Pinholes', 'carbon'],
    ] as const)
      expect([words, standing(place, fault, words, fast)]).toEqual([words, 'against'])
    expect(standing('walls', 'Pinholes', 'carbon', { ...fast, burnoutMinutes: 40 })).toBe('supported')
  })
  it('straight into a hot furnace it goes through its inversions fast, and that is what it is made for', () => {
    const steep = { throughInversionsCelsiusPerMinute: 60 }
    expect(standing('margin', 'Fins', 'Heated too fast', steep)).toBe('supported')
    expect(standing('margin', 'Fins', 'Heated too fast', { ...steep, hotEntry: true })).toBe('against')
  })
  it('its minutes to the furnace have two sides, and bench set by the hour is no longer asked for', () => {
    const at = (contactToFurnaceMinutes: number) =>
      standing('margin', 'Fins', 'out of its time', {
        benchSetMinutes: 16,
        furnaceMinutes: { from: 15, to: 20 },
        contactToFurnaceMinutes,
      })
    expect([14.9, 15, 20, 20.1].map(at)).toEqual(['supported', 'against', 'against', 'supported'])
  })
  it('a sprue of a usual gauge speaks neither for nor against: the thickest part decides', () =>
    expect(
      [11, 12, 14].map((sprueGauge) => standing('sprue', 'Sucked in', 'sprue froze', { sprueGauge })),
    ).toEqual(Array(3).fill('unknown')))
  it('a phosphate-bonded one that its sheet holds at 950 °C did not break down there', () => {
    const hot = { furnaceCelsius: 960, usualPeakCelsius: 950 }
    expect(standing('walls', 'Rough', 'broke down', hot)).toBe('against')
    expect(standing('walls', 'Rough', 'broke down', { ...hot, furnaceCelsius: 981 })).toBe('supported')
    expect(standing('walls', 'Rough', 'broke down', { ...hot, binder: 'gypsum' })).toBe('supported')
  })
})
