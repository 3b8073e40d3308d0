import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { calculators } from '../calculators/index.ts'
import { spoken } from '../quantity/index.ts'
import type { BurnoutRun } from './index.ts'
import {
  burnoutProgram,
  coreReady,
  HOT_ENTRY_FROM_CELSIUS,
  judgeBurnout,
  judgeCut,
  mustMayGoInHot,
  programWarnings,
} from './index.ts'

/*
 * Straight into a hot furnace only where the maker has marked the product for it, never gypsum-bonded (common practice): the water
 * of a wet ring becomes steam at once and bursts it.
 */
const ring = { radiusMillimetres: 32.5, heightMillimetres: 55 }
const hot = { startCelsius: 850, segments: [{ rampCelsiusPerMinute: 1, toCelsius: 850, holdMinutes: 90 }] }
const refused = expect.objectContaining({ code: 'not-marked-for-hot-entry', field: 'startCelsius' })

describe('straight into a hot furnace', () => {
  it('is refused by the calculator, but for a marked phosphate-bonded product', () => {
    expect(() => coreReady(ring, 'phosphate', hot)).toThrow(refused)
    expect(() => coreReady(ring, 'phosphate', hot, { hotEntry: true })).not.toThrow()
    const burnout = calculators.find(({ name }) => name === 'burnout')!
    const asked = { ...hot, binder: 'phosphate', ring } as never
    expect(() => burnout.answer(asked)).toThrow(refused)
    expect(() => burnout.answer({ ...(asked as object), hotEntry: true } as never)).not.toThrow()
  })
  it('is never for gypsum-bonded, marked or not', () => {
    const low = { ...hot, startCelsius: 680, segments: [{ ...hot.segments[0]!, toCelsius: 680 }] }
    expect(() => coreReady(ring, 'gypsum', low, { hotEntry: true })).toThrow(refused)
    const wish = {
      binder: 'gypsum',
      radiusMillimetres: 32.5,
      rings: 1,
      pattern: 'wax',
      peakCelsius: 680,
    } as const
    expect(() => burnoutProgram({ ...wish, fast: true })).toThrow(refused)
    expect(() => burnoutProgram({ ...wish, fast: false })).not.toThrow()
  })
  it('is refused when it is asked after a power cut too', () =>
    expect(() =>
      judgeCut(ring, 'phosphate', hot, { afterMinutes: 20, minutes: 2, timeConstantMinutes: 60 }),
    ).toThrow(refused))
  it('a cold furnace is for every ring: what starts below its first inversion, 200 °C (Phillips, recalled)', () => {
    expect(HOT_ENTRY_FROM_CELSIUS).toBe(200)
    expect(() => mustMayGoInHot(200, 'gypsum', false)).not.toThrow()
    expect(() => mustMayGoInHot(200.1, 'phosphate', false)).toThrow(refused)
  })

  const run = (more: Partial<BurnoutRun> = {}): BurnoutRun => ({
    binder: 'phosphate',
    ring,
    program: hot,
    from: 'hand',
    measured: [{ minutes: 90, celsius: 850 }],
    showsTooMuchCelsius: 0,
    ...more,
  })
  const judged = (more: Partial<BurnoutRun> = {}) => judgeBurnout(run(more))
  it('a wet conventional ring that went into 850 °C is not judged go on', () => {
    const { verdict, say } = judged()
    expect(verdict).toBe('discard')
    expect(spoken(say, 'metric')).toMatch(/not marked for it does not go into 850 °C.*invest again/)
    expect(judged({ hotEntry: true }).verdict).toBe('goOn')
  })
  it('by what the furnace showed when the ring went in, whatever the program says', () => {
    const cold = { ...hot, startCelsius: 20 }
    const measured = [
      { minutes: 0, celsius: 840 },
      { minutes: 60, celsius: 850 },
      { minutes: 500, celsius: 850 },
    ]
    expect(judged({ program: cold, measured, from: 'machine' }).verdict).toBe('discard')
    // A thermocouple that shows too much stood in a furnace that was colder.
    const lukewarm = [{ minutes: 0, celsius: 210 }, ...measured.slice(1)]
    const words = (showsTooMuchCelsius: number) =>
      spoken(judged({ program: cold, measured: lukewarm, showsTooMuchCelsius }).say, 'metric')
    expect(words(0)).toContain('steam')
    expect(words(15)).not.toContain('steam')
  })
  it('gypsum-bonded went in hot: never go on', () =>
    fc.assert(
      fc.property(fc.integer({ min: 201, max: 690 }), fc.boolean(), (celsius, hotEntry) => {
        const program = { startCelsius: celsius, segments: [{ ...hot.segments[0]!, toCelsius: 690 }] }
        const measured = [{ minutes: 300, celsius: 690 }]
        expect(judged({ binder: 'gypsum', program, measured, hotEntry }).verdict).toBe('discard')
      }),
      { numRuns: 5 },
    ))
})

describe('a program whose last stretch falls', () => {
  const to = (toCelsius: number) => ({ rampCelsiusPerMinute: 5, toCelsius, holdMinutes: 30 })
  const words = (...temperatures: number[]) =>
    programWarnings({ startCelsius: 20, segments: temperatures.map(to) }).map((each) =>
      spoken(each, 'metric'),
    )
  it('is warned of, with both temperatures', () =>
    expect(words(250, 850, 700)).toEqual([
      'The last stretch falls from 850 °C to 700 °C: the mould shrinks before it is cast.',
    ]))
  it('not one that rises or stays, nor one that falls and rises again', () => {
    expect(words(250, 850)).toEqual([])
    expect(words(850, 850)).toEqual([])
    expect(words(850, 700, 850)).toEqual([])
  })
})
