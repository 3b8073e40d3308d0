import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import {
  type GaugeSample,
  gaugeLine,
  pourGuide,
  pressWord,
  readBalanceLine,
  readDispenserLine,
  readGaugeLine,
  readThermometerLine,
  type WeightSample,
  weightLine,
} from './index.ts'
import { STOP_LAG_MILLIS } from './pour-guide.ts'
import { FASTEST_KILOPASCALS_PER_SECOND } from './press-guide.ts'

const target = { targetGrams: 100, toleranceFraction: 0.02 }
/** A steady pour at g/s that has come to `grams`, read ten times a second. */
const pouring = (grams: number, flow: number): WeightSample[] =>
  Array.from({ length: 12 }, (_, n) => ({
    at: 100 * n,
    grams: grams - ((11 - n) * flow) / 10,
    settled: false,
  }))
const settled = (grams: number): WeightSample[] => [{ at: 0, grams, settled: true }]

describe('lines of the balance', () => {
  it('reads what it writes', () => {
    fc.assert(
      fc.property(fc.integer({ min: -5000, max: 99_999 }), fc.boolean(), (hundredths, still) => {
        const grams = hundredths / 100
        expect(readBalanceLine(weightLine(grams, still))).toEqual({
          kind: 'weight',
          grams: grams + 0,
          settled: still,
        })
      }),
    )
  })
  it.each([
    '',
    'WEIGHT',
    'WEIGHT 12 kg SETTLED',
    'WEIGHT 1e3 g SETTLED',
    'WEIGHT 100.0 g',
    'weight 1 g SETTLED',
  ])('never takes "%s" for a weight', (line) => expect(readBalanceLine(line).kind).toBe('notUnderstood'))
  it('reads the rest', () => {
    expect(readBalanceLine('OVERLOAD\r').kind).toBe('overload')
    expect(readBalanceLine('FAULT pan is off')).toEqual({ kind: 'fault', words: 'pan is off' })
    expect(readDispenserLine('GIVEN 23.0 mL')).toEqual({ kind: 'given', millilitres: 23 })
    expect(readDispenserLine('GIVING 23 litres').kind).toBe('notUnderstood')
  })
})

describe('what it says to whoever pours', () => {
  it('reads the flow off the weights', () =>
    expect(pourGuide(pouring(40, 8), target)?.flowGramsPerSecond).toBeCloseTo(8, 9))
  // At 10 g/s half a second is 5 g: 94 g is early, 95.1 g is the moment.
  it('says stop early by what falls meanwhile', () => {
    expect(STOP_LAG_MILLIS).toBe(500)
    expect(pourGuide(pouring(94, 10), target)?.word).toBe('slowly')
    expect(pourGuide(pouring(95.1, 10), target)?.word).toBe('stop')
  })
  it('obeyed at once it lands in the band, at any flow', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 20, noNaN: true }), (flow) => {
        let grams = 0
        while (pourGuide(pouring(grams, flow), target)?.word !== 'stop') grams += flow / 10
        const landed = grams + (flow * STOP_LAG_MILLIS) / 1000
        // Between two readings a tenth of a second may pass.
        expect(Math.abs(landed - 100)).toBeLessThanOrEqual(2 + flow / 10)
      }),
    )
  })
  it('only a settled weight is right, short or too much', () => {
    expect(pourGuide(settled(101.9), target)?.word).toBe('right')
    expect(pourGuide(settled(97), target)?.word).toBe('more')
    expect(pourGuide(settled(103), target)).toMatchObject({ word: 'tooMuch', missingGrams: -3 })
    expect(pourGuide(settled(0), target)?.word).toBe('pour')
    expect(pourGuide([{ at: 0, grams: 100, settled: false }], target)?.word).toBe('wait')
  })
  it('has nothing to say without a reading, and refuses a target of nothing', () => {
    expect(pourGuide([], target)).toBeUndefined()
    expect(() => pourGuide(settled(1), { ...target, targetGrams: 0 })).toThrow(
      expect.objectContaining({ code: 'not-a-positive-number' }),
    )
  })
})

describe('the press', () => {
  const limits = { leastKilopascals: 9000, mostKilopascals: 11_700 }
  /** A gauge that has come to a reading at kPa/s, read ten times a second. */
  const closing = (kilopascals: number, rate: number, held = false): GaugeSample[] =>
    Array.from({ length: 16 }, (_, n) => ({
      at: 100 * n,
      kilopascals: kilopascals - ((15 - n) * rate) / 10,
      held,
    }))
  it('reads the lines it writes, and takes nothing else for a reading', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 69_000 }), fc.boolean(), (kilopascals, held) =>
        expect(readGaugeLine(gaugeLine(kilopascals, held))).toEqual({ kind: 'gauge', kilopascals, held }),
      ),
    )
    // Lines end as they do on the wire.
    expect(readGaugeLine('  GAUGE 10342 kPa HELD\r')).toEqual({
      kind: 'gauge',
      kilopascals: 10_342,
      held: true,
    })
    expect(readGaugeLine('FAULT hose off')).toEqual({ kind: 'fault', words: 'hose off' })
    for (const line of [
      'GAUGE -5 kPa HELD',
      'GAUGE 10 psi HELD',
      'GAUGE 10342 kPa',
      'WEIGHT 5 g SETTLED',
      '',
    ])
      expect(readGaugeLine(line).kind).toBe('notUnderstood')
  })
  it.each([
    ['nothing yet', [], undefined],
    ['only touching', closing(50, 0, true), 'close'],
    ['closing at a good pace', closing(5000, FASTEST_KILOPASCALS_PER_SECOND - 20), 'close'],
    ['closing too fast', closing(5000, FASTEST_KILOPASCALS_PER_SECOND + 20), 'slower'],
    ['in the band, still sinking', closing(10_000, -80), 'hold'],
    ['in the band, holding', closing(9500, 0, true), 'right'],
    ['given way below the band', closing(8200, 0, true), 'more'],
    ['above the band', closing(12_000, 100), 'letOff'],
    ['above the band though it holds', closing(12_000, 0, true), 'letOff'],
  ] as const)('%s', (_, samples, word) => expect(pressWord(samples, limits)).toBe(word))
  it('never calls a moving gauge right', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 30_000, noNaN: true }),
        fc.double({ min: -500, max: 500, noNaN: true }),
        (kilopascals, rate) => expect(pressWord(closing(kilopascals, rate), limits)).not.toBe('right'),
      ),
    )
  })
})

describe('lines of a thermometer', () => {
  it('reads a temperature, a fault, and nothing else', () => {
    expect(readThermometerLine('TEMPERATURE 73.4 C')).toEqual({ kind: 'temperature', celsius: 73.4 })
    expect(readThermometerLine(' TEMPERATURE -5 C\r')).toEqual({ kind: 'temperature', celsius: -5 })
    expect(readThermometerLine('FAULT sensor open')).toEqual({ kind: 'fault', words: 'sensor open' })
    for (const line of ['TEMPERATURE 73.4 F', 'TEMPERATURE C', 'TEMPERATURE 7e1 C', '73.4', ''])
      expect(readThermometerLine(line).kind).toBe('notUnderstood')
  })
})
