import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { type CeramicClass, ceramicClasses, ceramicFigures } from '../materials/index.ts'
import { programMinutes, type TemperatureProgram } from '../program/index.ts'
import { refused } from '../testing/words.ts'
import {
  burstsWet,
  coolingMinutes,
  dryingMinutes,
  type Firing,
  fireAt,
  firingProgram,
  mustMayFire,
  setFor,
  silverOffset,
  sinterRate,
  withCooling,
} from './index.ts'

const refusal = (act: () => unknown) => refused(act)?.code
const peak = ({ segments }: TemperatureProgram) => Math.max(...segments.map(({ toCelsius }) => toCelsius))
const load = (ceramic: CeramicClass, firing: Firing, change = {}) => ({
  ceramic,
  firing,
  wallMillimetres: 1.5,
  units: 1,
  ...change,
})

/** The example of the ceramic programs: 20 -> 900 at 10, -> 1200 at 5, -> 1500 at 3, 120 min. */
const upwards: TemperatureProgram = {
  startCelsius: 20,
  segments: [
    { rampCelsiusPerMinute: 10, toCelsius: 900, holdMinutes: 0 },
    { rampCelsiusPerMinute: 5, toCelsius: 1200, holdMinutes: 0 },
    { rampCelsiusPerMinute: 3, toCelsius: 1500, holdMinutes: 120 },
  ],
}

describe('cooling (a body that loses heat in proportion; worked by hand)', () => {
  it('10 K/min while it can, T* = 25 + 10 · 100 = 1025, then by itself to 300: 47.5 + 100 ln(1000/275) min', () => {
    expect(programMinutes(upwards)).toBeCloseTo(368, 9)
    expect(coolingMinutes(1500, 300, 10, 100, 25)).toBeCloseTo(47.5 + 129.098, 2)
    const whole = withCooling(upwards, { rate: 10, tau: 100, to: 300 })
    expect(programMinutes(whole)).toBeCloseTo(544.598, 2)
    expect(whole.segments.at(-1)!.toCelsius).toBe(300)
  })
  it('all by itself where the furnace never cools so fast, all at the rate where it always does', () => {
    expect(coolingMinutes(500, 300, 10, 100, 25)).toBeCloseTo(100 * Math.log(475 / 275), 9)
    expect(coolingMinutes(1500, 1100, 10, 100, 25)).toBeCloseTo(40, 9)
    expect(withCooling(upwards, { rate: 10, tau: 100, to: 1100 }).segments).toHaveLength(4)
  })
  it('never gets as cold as its room', () => {
    expect(refusal(() => coolingMinutes(500, 25, 10, 100, 25))).toBe('never-so-cold')
    expect(refusal(() => coolingMinutes(500, 20, 10, 100, 25))).toBe('never-so-cold')
  })
  it('takes longer the colder it must get', () =>
    fc.assert(
      fc.property(fc.integer({ min: 40, max: 900 }), fc.integer({ min: 1, max: 300 }), (to, less) => {
        const from = 1000
        expect(coolingMinutes(from, to, 10, 80, 25)).toBeGreaterThanOrEqual(
          coolingMinutes(from, Math.min(from, to + less), 10, 80, 25) - 1e-9,
        )
      }),
    ))
})

describe('drying', () => {
  it('warms without a hold to 80 °C at 5 K/min, then to 120 °C at 4, for as long as the wall wants', () => {
    const { segments } = firingProgram(load('zirconia4y', 'dry'))
    expect(segments.map((each) => [each.rampCelsiusPerMinute, each.toCelsius, each.holdMinutes])).toEqual([
      [5, 80, 0],
      [4, 120, dryingMinutes(1.5, undefined as never)],
    ])
  })
})

describe('sintering by the thickest wall (example table, editable)', () => {
  it.each([
    [1, 10],
    [3, 10],
    [3.1, 8],
    [6, 8],
    [10, 5],
    [10.5, 3],
    [15, 3],
  ])('%d mm: %d K/min', (wall, rate) => expect(sinterRate(wall)).toBe(rate))
  it('a bridge goes slower, a thicker wall is asked of the maker', () => {
    expect(sinterRate(3, true)).toBe(5)
    expect(sinterRate(12, true)).toBe(3)
    expect(refusal(() => sinterRate(15.1))).toBe('wall-too-thick')
  })
  it('1450 to 1550 °C, two hours, 5Y lower, opened at 200 °C (recalled); 7 to 12 hours', () => {
    const peaks = (['zirconia3y', 'zirconia4y', 'zirconia5y'] as const).map((ceramic) => {
      const program = firingProgram(load(ceramic, 'sinter', { wallMillimetres: 3 }))
      const hold = program.segments.find(({ toCelsius }) => toCelsius === peak(program))!.holdMinutes
      expect([hold, program.segments.at(-1)!.toCelsius]).toEqual([120, 200])
      expect(programMinutes(program) / 60).toBeGreaterThan(7)
      expect(programMinutes(program) / 60).toBeLessThan(12)
      return peak(program)
    })
    for (const each of peaks) expect([each >= 1450, each <= 1550]).toEqual([true, true])
    expect(peaks[2]).toBeLessThan(peaks[0]!)
  })
})

describe('drying (10 to 40 min by thickness, 80 to 150 °C, longer when infiltrated; recalled)', () => {
  it('rises with the wall, and by half with the liquid', () => {
    const walls = [0.5, 1, 1.5, 2, 3, 4, 6].map((wall) => dryingMinutes(wall))
    expect(walls).toEqual([10, 10, 20, 20, 30, 30, 40])
    expect(dryingMinutes(1.5, true)).toBe(30)
    const program = firingProgram(load('zirconia4y', 'dry'))
    expect([peak(program) >= 80, peak(program) <= 150]).toEqual([true, true])
  })
})

describe('a firing (recalled)', () => {
  it('crystallises from 840 to 850 °C, the blue one alone', () => {
    const program = firingProgram(load('disilicate-blue', 'crystallise'))
    expect([peak(program) >= 840, peak(program) <= 850]).toEqual([true, true])
    expect(refusal(() => firingProgram(load('disilicate', 'crystallise')))).toBe('firing-not-of-class')
  })
  it('pre-dries 2 to 6 min, ramps 30 to 60 K/min, holds 1 to 2, with its vacuum on the way up', () => {
    for (const units of [1, 8, 20]) {
      const { segments } = firingProgram(load('disilicate', 'stain', { units }))
      expect([segments[0]!.holdMinutes >= 2, segments[0]!.holdMinutes <= 6]).toEqual([true, true])
      const up = segments.find(({ vacuum }) => vacuum)!
      expect(up.rampCelsiusPerMinute).toBeGreaterThanOrEqual(30)
      expect(up.rampCelsiusPerMinute).toBeLessThanOrEqual(60)
      expect([up.holdMinutes >= 1, up.holdMinutes <= 2]).toEqual([true, true])
    }
  })
  it('a glaze lies 10 to 20 K below the firing before it', () => {
    const stain = peak(firingProgram(load('disilicate', 'stain')))
    const glaze = peak(firingProgram(load('disilicate', 'glaze', { peakBefore: stain })))
    expect(stain - glaze).toBeGreaterThanOrEqual(10)
    expect(stain - glaze).toBeLessThanOrEqual(20)
    expect(peak(firingProgram(load('disilicate', 'glaze', { peakBefore: 700 })))).toBe(685)
  })
  it('thick glass cools slowly to its transition, thin glass and zirconia need not', () => {
    const slowly = (ceramic: CeramicClass, wallMillimetres: number) =>
      firingProgram(load(ceramic, 'glaze', { wallMillimetres })).segments.some(
        ({ rampCelsiusPerMinute, toCelsius }) =>
          rampCelsiusPerMinute <= 20 && toCelsius === ceramicFigures.disilicate.glassTransitionCelsius,
      )
    expect([slowly('disilicate', 2.1), slowly('disilicate', 2), slowly('zirconia3y', 3)]).toEqual([
      true,
      false,
      false,
    ])
  })
  it('never a hybrid, no sintering of glass, no wall or load that cannot be', () => {
    expect(refusal(() => firingProgram(load('hybrid', 'glaze')))).toBe('hybrid-never-fired')
    expect(refusal(() => firingProgram(load('feldspar', 'sinter')))).toBe('firing-not-of-class')
    expect(refusal(() => firingProgram(load('feldspar', 'stain', { wallMillimetres: 0 })))).toBe(
      'reading-not-plausible',
    )
    expect(refusal(() => firingProgram(load('feldspar', 'stain', { units: 61 })))).toBe(
      'reading-not-plausible',
    )
  })
  it('every class that fires has a stain and a glaze program that a furnace runs in 20 to 30 min (common practice)', () => {
    for (const ceramic of ceramicClasses.filter((each) => ceramicFigures[each].fires))
      for (const firing of ['stain', 'glaze'] as const) {
        const minutes = programMinutes(firingProgram(load(ceramic, firing)))
        expect([ceramic, minutes >= 20, minutes <= 30]).toEqual([ceramic, true, true])
      }
  })
})

describe('what may be started', () => {
  const green = { ceramic: 'zirconia4y', firing: 'sinter', dried: true } as const
  const at = (rate: number): TemperatureProgram => ({
    startCelsius: 25,
    segments: [{ rampCelsiusPerMinute: rate, toCelsius: 1500, holdMinutes: 120 }],
  })
  it('a wet piece goes up slowly through the boiling of its water, or not at all', () => {
    // The ramp of drying itself; that of sintering is too fast already.
    expect(burstsWet(at(5), false)).toBe(false)
    expect(burstsWet(at(5.1), false)).toBe(true)
    expect(burstsWet(firingProgram(load('zirconia4y', 'sinter')), false)).toBe(true)
    expect(burstsWet(firingProgram(load('zirconia4y', 'dry')), false)).toBe(false)
    expect(burstsWet(at(60), true)).toBe(false)
    expect(refusal(() => mustMayFire(at(20), { ...green, dried: false, fastMarked: true }))).toBe(
      'wet-fast-ramp',
    )
    // Slowly to 150 °C, then fast: the water has gone.
    const slowly = {
      ...at(5),
      segments: [{ rampCelsiusPerMinute: 5, toCelsius: 160, holdMinutes: 5 }, ...at(60).segments],
    }
    expect(burstsWet(slowly, false)).toBe(false)
    // Into a furnace that is hot: at once.
    expect(burstsWet({ ...at(5), startCelsius: 400 }, false)).toBe(true)
  })
  it('fast sintering wants a blank that is marked for it; a hybrid is refused whatever else', () => {
    expect(refusal(() => mustMayFire(at(10), green))).toBeUndefined()
    expect(refusal(() => mustMayFire(at(11), green))).toBe('fast-sintering-not-marked')
    expect(refusal(() => mustMayFire(at(60), { ...green, fastMarked: true }))).toBeUndefined()
    expect(refusal(() => mustMayFire(at(1), { ceramic: 'hybrid', firing: 'glaze', dried: true }))).toBe(
      'hybrid-never-fired',
    )
  })
})

describe('the silver test (silver melts at 961.78 °C, ITS-90)', () => {
  it('says by how much the furnace reads wrong, and the program is set for it', () => {
    expect(silverOffset(967.78)).toBeCloseTo(6, 9)
    expect(silverOffset(955)).toBeCloseTo(-6.78, 9)
    expect(refusal(() => silverOffset(700))).toBe('reading-not-plausible')
    const set = setFor(upwards, 6)
    expect(set.segments.map(({ toCelsius }) => toCelsius)).toEqual([906, 1206, 1506])
    // A drying program is left alone: an offset at 962 says little of 120.
    expect(peak(setFor(firingProgram(load('zirconia4y', 'dry')), 6))).toBe(120)
  })
})

describe('when a firing can run', () => {
  const MINUTE = 60_000
  const program: TemperatureProgram = {
    startCelsius: 400,
    segments: [{ rampCelsiusPerMinute: 40, toCelsius: 800, holdMinutes: 10 }],
  }
  const taken = [{ from: 0, to: 30 * MINUTE, words: 'K-2156' }]
  it('at once, or after what lies in the furnace', () => {
    expect(fireAt(0, program, [])).toEqual({ from: 0, to: 20 * MINUTE, late: false })
    expect(fireAt(5 * MINUTE, program, taken)).toEqual({
      from: 30 * MINUTE,
      to: 50 * MINUTE,
      inTheWay: 'K-2156',
      late: false,
    })
  })
  it('ready by an hour: as late as that allows, and late is said', () => {
    expect(fireAt(0, program, taken, 90 * MINUTE)).toMatchObject({ from: 70 * MINUTE, late: false })
    expect(fireAt(0, program, taken, 40 * MINUTE)).toMatchObject({
      from: 30 * MINUTE,
      late: true,
      inTheWay: 'K-2156',
    })
    expect(fireAt(0, program, [], 10 * MINUTE)).toMatchObject({ from: 0, late: true })
  })
  it('never overlaps what lies in it', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 1, max: 60 })), {
          maxLength: 5,
        }),
        fc.option(fc.integer({ min: 0, max: 400 }), { nil: undefined }),
        (runs, ready) => {
          const busy = runs.map(([from, minutes]) => ({
            from: from * MINUTE,
            to: (from + minutes) * MINUTE,
            words: 'x',
          }))
          const { from, to } = fireAt(0, program, busy, ready === undefined ? undefined : ready * MINUTE)
          expect(to - from).toBe(20 * MINUTE)
          expect(busy.filter((each) => from < each.to && to > each.from)).toEqual([])
        },
      ),
    ))
})
