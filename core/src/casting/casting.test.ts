import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { type Binder, materials } from '../materials/index.ts'
import {
  programCelsius,
  programMinutes,
  readyAfter,
  startFor,
  type TemperatureProgram,
} from '../program/index.ts'
import { inMetric } from '../testing/words.ts'
import { traceElement } from './casting-metal.ts'
import { speedFor, speedRatio } from './centrifugal-arm.ts'
import { expansionAt } from './expansion-budget.ts'
import {
  type AlloyPiece,
  alloyGrams,
  availableExpansion,
  bareMouldCelsius,
  burnoutProgram,
  centrifugalKilopascals,
  checkArrangement,
  checkProgram,
  choosePieces,
  concentrationFor,
  type ExpansionBudget,
  feedCheck,
  fitAt,
  gaugeAtLeast,
  inflowMetresPerSecond,
  meanMelts,
  mostRemelt,
  neededExpansion,
  newMetal,
  nextCharge,
  overnight,
  phosphateOut,
  ringMix,
  ringPowderGrams,
  turnsForEqualPressure,
} from './index.ts'
import { erfc } from './transfer.ts'

describe('metal for a casting', () => {
  it('0.40 g of wax at 0.95 in gold of 15.5 g/cm3 is 6.53 g and the button (exact)', () => {
    expect(alloyGrams([{ grams: 0.4, gramsPerCm3: 0.95 }], 15.5, 0)).toBeCloseTo(6.526, 3)
    expect(alloyGrams([{ grams: 0.4, gramsPerCm3: 0.95 }], 15.5, 6)).toBeCloseTo(12.526, 3)
  })
  it('wax and resin in one ring: 1.25165 cm3, 10.514 g at 8.4 (by hand)', () => {
    const parts = [
      { grams: 0.4, gramsPerCm3: 0.95 },
      { grams: 0.62, gramsPerCm3: 0.95 },
      { grams: 0.21, gramsPerCm3: 1.18 },
    ]
    expect(alloyGrams(parts, 8.4, 0)).toBeCloseTo(10.514, 3)
  })
  it('a ring of R 32.5, H 55 less 8.6 cm3 takes 301.21 g of powder at 0.20 mL/g (by hand)', () => {
    const ring = { radiusMillimetres: 32.5, heightMillimetres: 55, formerCm3: 7.4, patternCm3: 1.2 }
    expect(ringPowderGrams({ ...ring, powderGramsPerCm3: 2.65, millilitresPerGram: 0.2 })).toBeCloseTo(
      301.21,
      2,
    )
    expect(() =>
      ringPowderGrams({ ...ring, formerCm3: 200, powderGramsPerCm3: 2.65, millilitresPerGram: 0.2 }),
    ).toThrow(expect.objectContaining({ code: 'ring-too-small' }))
  })
  it.each([
    [[], 'no-wax'],
    [[{ grams: 0, gramsPerCm3: 1 }], 'not-a-positive-number'],
    [[{ grams: 1, gramsPerCm3: Number.NaN }], 'not-a-positive-number'],
  ])('refuses what was not weighed: %j', (parts, code) => {
    expect(() => alloyGrams(parts, 15.5)).toThrow(expect.objectContaining({ code }))
  })

  const stock = [6.02, 5.97, 6.05, 3.1, 2.48, 1.22, 12.1].map((grams, index) => ({
    id: String(index),
    grams,
    lots: [{ lotId: index % 2 ? 'B' : 'A', share: 1 }],
    history: newMetal,
  }))
  it('makes 18.53 g up from the shelf with the least left over: 18.79 of five pieces (worked by hand)', () => {
    const { choice } = choosePieces(18.53, stock)
    expect(choice!.grams).toBeCloseTo(18.79, 9)
    expect(choice!.pieces.map(({ grams }) => grams).sort()).toEqual([1.22, 2.48, 3.1, 5.97, 6.02])
  })
  it('a piece that is lighter than the need by half a hundredth is not enough', () => {
    const two = [10, 10.01].map((grams, n) => ({ id: String(n), grams, lots: [], history: newMetal }))
    expect(choosePieces(10.004, two).choice?.grams).toBe(10.01)
    expect(choosePieces(10, two).choice?.grams).toBe(10)
  })
  it('of two ways with as much left over takes fewer pieces, then fewer lots', () => {
    const of = (grams: number, lotId: string) => ({
      id: `${grams} ${lotId}`,
      grams,
      lots: [{ lotId, share: 1 }],
      history: newMetal,
    })
    const ids = (need: number, shelf: readonly AlloyPiece[]) =>
      choosePieces(need, shelf).choice!.pieces.map(({ id }) => id)
    expect(ids(9, [of(4, 'A'), of(5, 'A'), of(9, 'B')])).toEqual(['9 B'])
    // 4 + 5 or 3 + 6: the first of two lots, the second of one; in either order on the shelf.
    const shelf = [of(4, 'A'), of(5, 'B'), of(3, 'C'), of(6, 'C')]
    expect(ids(9, shelf).sort()).toEqual(['3 C', '6 C'])
    expect(ids(9, [...shelf].reverse()).sort()).toEqual(['3 C', '6 C'])
  })
  it('says how much is missing', () => {
    expect(choosePieces(40, stock).shortGrams).toBeCloseTo(40 - 36.94, 9)
  })
  it('never finds more left over than trying every set of pieces', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 20, max: 900 }), { minLength: 1, maxLength: 9 }),
        fc.integer({ min: 1, max: 3000 }),
        (centi, need) => {
          const pieces = centi.map((each, n) => ({
            id: String(n),
            grams: each / 100,
            lots: [],
            history: newMetal,
          }))
          const sums = Array.from({ length: 2 ** centi.length }, (_, bits) =>
            centi.reduce((sum, each, n) => sum + (bits & (1 << n) ? each : 0), 0),
          ).filter((sum) => sum >= need)
          const { choice } = choosePieces(need / 100, pieces)
          if (sums.length === 0) expect(choice).toBeUndefined()
          else expect(choice!.grams).toBeCloseTo(Math.min(...sums) / 100, 9)
        },
      ),
    )
  })
  it('four charges at 0.4 from returns: f and mean as worked in the model notes', () => {
    let history = newMetal
    let trace = 1
    for (let charge = 0; charge < 4; charge++) {
      history = nextCharge(history, 0.4)
      trace = traceElement(trace, 0.4, 0.1)
    }
    const expected = [0.6, 0.24, 0.096, 0.0384, 0.0256]
    history.shares.forEach((share, n) => {
      expect(share).toBeCloseTo(expected[n]!, 9)
    })
    expect(meanMelts(history)).toBeCloseTo(0.6496, 9)
    expect(trace).toBeCloseTo(0.93855, 5)
  })
  it('shares add up to one; a mean settles at x/(1 - x)', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { maxLength: 20 }), (shares) => {
        const { shares: after } = shares.reduce(nextCharge, newMetal)
        expect(after.reduce((sum, each) => sum + each, 0)).toBeCloseTo(1, 9)
      }),
    )
    let history = newMetal
    for (let charge = 0; charge < 60; charge++) history = nextCharge(history, 0.4)
    expect(meanMelts(history)).toBeCloseTo(0.4 / 0.6, 9)
    expect(mostRemelt(4, 10)).toBe(0.4)
    expect(() => nextCharge(newMetal, 1.2)).toThrow(expect.objectContaining({ code: 'remelt-share' }))
  })
})

describe('the expansion budget', () => {
  // Example tables of the model notes: generic, made up inside recalled ranges.
  const table = [
    [0, 0.2, 0.95],
    [25, 0.38, 1.02],
    [50, 0.58, 1.1],
    [75, 0.8, 1.18],
    [100, 1.05, 1.25],
  ].map(([percent, setting, thermal]) => ({
    specialLiquidPercent: percent!,
    settingFraction: setting! / 100,
    thermalFraction: thermal! / 100,
  }))
  const budget: ExpansionBudget = {
    shrinkageFraction: 0.0142,
    waxContractionFraction: 0,
    hygroscopicFraction: 0,
    restraint: 1,
    thermalShare: 1,
    table,
  }
  const die = { dieMillimetres: 8, spacerMillimetres: 0.03 }

  it('needed is s/(1 - s): 1.4405 % for type 3 gold of 1.42 % (Phillips, recalled)', () => {
    expect(100 * neededExpansion(0.0142)).toBeCloseTo(1.4405, 4)
    expect(100 * neededExpansion(0.023)).toBeCloseTo(2.3541, 4)
    expect(100 * availableExpansion(budget, 50)).toBeCloseTo(1.6864, 4)
  })
  // By hand at 50 %: (1 + 0.5 · 0.0058)(1 + 0.5 · 0.012)(1 + 0.8 · 0.011) = 1.0029 · 1.006 · 1.0088.
  it('ring and liner hold the setting and the water bath back, and the furnace gives its share', () => {
    const held = { ...budget, restraint: 0.5, hygroscopicFraction: 0.012, thermalShare: 0.8 }
    expect(availableExpansion(held, 50)).toBeCloseTo(1.0029 * 1.006 * 1.0088 - 1, 12)
    expect(availableExpansion({ ...held, waxContractionFraction: 0.003 }, 50)).toBeCloseTo(
      0.997 * 1.0029 * 1.006 * 1.0088 - 1,
      12,
    )
  })
  it('gap at 50 % and 60 %: 39.770 and 44.584 µm (worked two ways)', () => {
    expect(1000 * fitAt(budget, die, 50).gapMillimetres).toBeCloseTo(39.77, 3)
    expect(1000 * fitAt(budget, die, 60).gapMillimetres).toBeCloseTo(44.584, 3)
    expect(fitAt(budget, die, 50).verdict).toBe('loose')
  })
  it('30 µm wants 28.239 %, with wax contraction of 0.35 % 59.107 %', () => {
    expect(concentrationFor(budget, die, 0.03)).toMatchObject({
      reachable: true,
      specialLiquidPercent: expect.closeTo(28.239, 3),
      roundedPercent: 28,
      several: false,
    })
    const waxed = concentrationFor({ ...budget, waxContractionFraction: 0.0035 }, die, 0.03)
    expect(waxed).toMatchObject({ specialLiquidPercent: expect.closeTo(59.107, 3) })
  })
  it('2.3 % alloy is out of reach by 0.041 %, and still seats at 28.385 µm', () => {
    expect(concentrationFor({ ...budget, shrinkageFraction: 0.023 }, die, 0.03)).toMatchObject({
      reachable: false,
      side: 'tooSmall',
      bestPercent: 100,
      best: { gapMillimetres: expect.closeTo(0.028385, 6), verdict: 'asSpaced' },
      shortFraction: expect.closeTo(0.0004102, 6),
    })
  })
  it('more special liquid never makes it smaller where the table rises; the answer gives the gap asked for', () => {
    const percent = fc.double({ min: 0, max: 100, noNaN: true })
    fc.assert(
      fc.property(percent, percent, (a, b) => {
        const [low, high] = [Math.min(a, b), Math.max(a, b)]
        expect(fitAt(budget, die, high).gapMillimetres).toBeGreaterThanOrEqual(
          fitAt(budget, die, low).gapMillimetres - 1e-12,
        )
        const wanted = fitAt(budget, die, a).gapMillimetres
        const answer = concentrationFor(budget, die, wanted)
        expect(answer.reachable && Math.abs(answer.specialLiquidPercent - a)).toBeLessThan(1e-6)
      }),
    )
  })
  it('of several answers on a table that turns it gives the lowest, and says so', () => {
    const turning = [...table.slice(0, 4), { ...table[1]!, specialLiquidPercent: 100 }]
    expect(concentrationFor({ ...budget, table: turning }, die, 0.036)).toMatchObject({ several: true })
  })
  it.each([
    [() => expansionAt(table, 101), 'outside-table'],
    [() => expansionAt([...table].reverse(), 50), 'table'],
    [() => expansionAt([], 50), 'table'],
    [() => expansionAt([{ ...table[0]!, thermalFraction: Number.NaN }, ...table.slice(1)], 50), 'table'],
    [() => fitAt({ ...budget, shrinkageFraction: 1 }, die, 50), 'fraction'],
    [() => fitAt(budget, { ...die, dieMillimetres: -8 }, 50), 'not-a-positive-number'],
  ])('refuses what makes no sense (%#)', (ask, code) => {
    expect(ask).toThrow(expect.objectContaining({ code, remedy: expect.stringMatching(/\S/) }))
  })
})

describe('the arm', () => {
  const radii = { innerMetres: 0.22, outerMetres: 0.25 }
  it('pressure p = ρ ω² (r2² - r1²)/2: gold 191.73 kPa, 8.3 g/cm3 102.67 kPa at 400 rpm (exact)', () => {
    expect(centrifugalKilopascals(15.5, 400, radii)).toBeCloseTo(191.73, 2)
    expect(centrifugalKilopascals(8.3, 400, radii)).toBeCloseTo(102.67, 2)
    expect(inflowMetresPerSecond(400, radii)).toBeCloseTo(4.974, 3)
    expect(speedFor(150, 8.3, radii)).toBeCloseTo(483.5, 1)
  })
  it('speed and pressure are inverses', () => {
    fc.assert(
      fc.property(fc.double({ min: 50, max: 1200, noNaN: true }), (rpm) => {
        expect(speedFor(centrifugalKilopascals(9, rpm, radii), 9, radii)).toBeCloseTo(rpm, 6)
      }),
    )
  })
  it('3 turns for gold become 4.10 for a light alloy; 3 to 4 turns give 1.3333, 1.2649, 1.2172', () => {
    expect(turnsForEqualPressure(3, 15.5, 8.3)).toBeCloseTo(4.1, 2)
    expect([0, 1, 3].map((preload) => speedRatio(4, 3, preload))).toEqual([
      expect.closeTo(1.3333, 4),
      expect.closeTo(1.2649, 4),
      expect.closeTo(1.2172, 4),
    ])
  })
  it('refuses a mould nearer to the axis than its metal', () => {
    expect(() => centrifugalKilopascals(9, 400, { innerMetres: 0.3, outerMetres: 0.2 })).toThrow(
      expect.objectContaining({ code: 'radii' }),
    )
  })
})

describe('the sprue', () => {
  it('10 gauge on a 1.5 mm plate: ratio 0.8627, freezes first; ball of 5.40 mm or sprue of 3.60 mm (by hand)', () => {
    const check = feedCheck(2.5882, 1.5)
    expect(check.ratio).toBeCloseTo(0.8627, 4)
    expect(check.timeRatio).toBeCloseTo(0.7443, 4)
    expect(check).toMatchObject({
      feeds: false,
      reservoirMillimetres: expect.closeTo(5.4, 9),
      sprueMillimetres: expect.closeTo(3.6, 9),
    })
    expect(feedCheck(check.sprueMillimetres + 1e-9, 1.5).feeds).toBe(true)
  })
  it('at least 1.50 mm is 14 gauge (ASTM B258)', () => {
    expect(gaugeAtLeast(1.5)).toBe(14)
    expect(gaugeAtLeast(2.58)).toBe(10)
    expect(() => gaugeAtLeast(20)).toThrow(expect.objectContaining({ code: 'no-such-gauge' }))
  })
  const good = {
    binder: 'phosphate' as Binder,
    ringRadiusMillimetres: 20,
    ringHeightMillimetres: 50,
    formerMillimetres: 20,
    sprueLengthMillimetres: 16,
    patternHeightMillimetres: 10.5,
    patternReachMillimetres: 8,
  }
  it('a pattern 3.5 mm from the end of a phosphate ring passes every line; in gypsum it is too near', () => {
    expect(checkArrangement(good).every(({ pass }) => pass)).toBe(true)
    expect(inMetric(checkArrangement({ ...good, binder: 'gypsum' }).find(({ pass }) => !pass))).toMatchObject(
      {
        id: 'end',
        say: 'Shorten the sprue by 1.5 mm, or take a taller ring.',
      },
    )
  })
  it('says what to change so that it passes', () => {
    const low = checkArrangement({ ...good, sprueLengthMillimetres: 10 })
    expect(inMetric(low.find(({ id }) => id === 'end')!.say)).toContain('Lengthen the sprue by 5.5 mm')
    const wide = checkArrangement({ ...good, patternReachMillimetres: 16 })
    expect(inMetric(wide[1]!.say)).toBe('Take a ring 4 mm wider.')
    const deep = checkArrangement({ ...good, formerMillimetres: 5, sprueLengthMillimetres: 12 })
    expect(inMetric(deep[2]!.say)).toContain('Raise the pattern by 8 mm')
  })
})

describe('burnout programs', () => {
  it('the normal phosphate program is 270 min: 46 + 30 + 64 + 30 + 40 + 60 (by hand)', () => {
    const program: TemperatureProgram = {
      startCelsius: 20,
      segments: [
        { rampCelsiusPerMinute: 5, toCelsius: 250, holdMinutes: 30 },
        { rampCelsiusPerMinute: 5, toCelsius: 570, holdMinutes: 30 },
        { rampCelsiusPerMinute: 7, toCelsius: 850, holdMinutes: 60 },
      ],
    }
    expect(programMinutes(program)).toBeCloseTo(270, 9)
    expect(programCelsius(program, 23)).toBeCloseTo(135, 9)
    expect(programCelsius(program, 60)).toBe(250)
    expect(programCelsius(program, 500)).toBe(850)
  })
  // Rates and added minutes are our choice: 2 min for each mm of radius above 32.5, 5 and 10 for each ring more, 30 for resin.
  it.each<[string, object, readonly (readonly number[])[]]>([
    [
      'of wax',
      {},
      [
        [5, 250, 60],
        [5, 570, 30],
        [7, 850, 60],
      ],
    ],
    [
      'of resin',
      { pattern: 'resin' },
      [
        [3, 250, 90],
        [5, 570, 30],
        [7, 850, 90],
      ],
    ],
    [
      'of a ring 10 mm wider',
      { radiusMillimetres: 42.5 },
      [
        [5, 250, 80],
        [5, 570, 30],
        [7, 850, 80],
      ],
    ],
    [
      'of a narrow ring',
      { radiusMillimetres: 20 },
      [
        [5, 250, 60],
        [5, 570, 30],
        [7, 850, 60],
      ],
    ],
    [
      'of three rings',
      { rings: 3 },
      [
        [5, 250, 70],
        [5, 570, 40],
        [7, 850, 80],
      ],
    ],
    [
      'gypsum-bonded',
      { binder: 'gypsum', peakCelsius: 680 },
      [
        [5, 250, 60],
        [5, 680, 60],
      ],
    ],
  ])('%s: each stretch with its rate, end and hold', (_, change, stretches) => {
    const { startCelsius, segments } = burnoutProgram({
      ...{ binder: 'phosphate', radiusMillimetres: 32.5, rings: 1, pattern: 'wax', fast: false },
      peakCelsius: 850,
      ...change,
    } as Parameters<typeof burnoutProgram>[0])
    expect(startCelsius).toBe(20)
    expect(segments.map((each) => [each.rampCelsiusPerMinute, each.toCelsius, each.holdMinutes])).toEqual(
      stretches,
    )
  })
  it('through the night the first hold is what is left over, and the end comes on the minute', () => {
    const usual = burnoutProgram({
      binder: 'phosphate',
      radiusMillimetres: 32.5,
      rings: 1,
      pattern: 'wax',
      fast: false,
      peakCelsius: 850,
    })
    // 300 min as worked above with a first hold of 60; from 18:00 to 08:30 are 870.
    const night = overnight(usual, 870)
    expect(night.segments[0]!.holdMinutes).toBeCloseTo(60 + 570, 6)
    expect(programMinutes(night)).toBeCloseTo(870, 6)
    expect(() => overnight(usual, 200)).toThrow(expect.objectContaining({ code: 'night-too-short' }))
  })
  it('ready-by and start-at are inverses, whatever the ring', () => {
    const wish = fc.record({
      binder: fc.constantFrom<Binder>('gypsum', 'phosphate'),
      radiusMillimetres: fc.double({ min: 15, max: 50, noNaN: true }),
      rings: fc.integer({ min: 1, max: 6 }),
      pattern: fc.constantFrom('wax' as const, 'resin' as const),
      fast: fc.boolean(),
    })
    fc.assert(
      fc.property(wish, fc.integer({ min: 0, max: 2e12 }), (drawn, instant) => {
        // Gypsum-bonded never goes in hot.
        const asked = { ...drawn, fast: drawn.fast && drawn.binder === 'phosphate' }
        const program = burnoutProgram({ ...asked, peakCelsius: asked.binder === 'gypsum' ? 680 : 850 })
        expect(readyAfter(startFor(instant, program, 20), program, 20)).toBeCloseTo(instant, 3)
        const resin = burnoutProgram({ ...asked, pattern: 'resin', peakCelsius: 680 })
        const wax = burnoutProgram({ ...asked, pattern: 'wax', peakCelsius: 680 })
        expect(programMinutes(resin)).toBeGreaterThan(programMinutes(wax))
      }),
    )
  })
  it('no gypsum above 700 °C, at 700 it may (Phillips, recalled); nothing that cannot be run', () => {
    const to = (toCelsius: number, rampCelsiusPerMinute = 5) => ({
      startCelsius: 20,
      segments: [{ rampCelsiusPerMinute, toCelsius, holdMinutes: 30 }],
    })
    expect(() => checkProgram(to(701), 'gypsum')).toThrow(expect.objectContaining({ code: 'gypsum-too-hot' }))
    checkProgram(to(700), 'gypsum')
    checkProgram(to(850), 'phosphate')
    expect(() => checkProgram(to(700, 0), 'gypsum')).toThrow(expect.objectContaining({ code: 'segment' }))
    expect(() => checkProgram({ startCelsius: 20, segments: [] }, 'gypsum')).toThrow(
      expect.objectContaining({ code: 'no-segment' }),
    )
  })
})

describe('from the oven to the arm', () => {
  it.each([Number.NaN, -1e308, -1, 1301])('a furnace does not start at %d °C', (startCelsius) => {
    const program = { startCelsius, segments: [{ rampCelsiusPerMinute: 5, toCelsius: 850, holdMinutes: 60 }] }
    expect(() => checkProgram(program, 'phosphate')).toThrow(
      expect.objectContaining({ code: 'segment', field: 'startCelsius' }),
    )
  })
  it('takes two days and nights and not a minute more, however it comes to that', () => {
    const over = (rampCelsiusPerMinute: number, holdMinutes: number) => () =>
      checkProgram(
        { startCelsius: 0, segments: [{ rampCelsiusPerMinute, toCelsius: 700, holdMinutes }] },
        'gypsum',
      )
    // 700 °C at 1 °C/min are 700 min; 2880 - 700 = 2180.
    over(1, 2180)()
    expect(over(1, 2181)).toThrow(expect.objectContaining({ code: 'program-too-long' }))
    expect(over(0.01, 0)).toThrow(expect.objectContaining({ code: 'program-too-long' }))
  })
  it('erfc: 0.157299 at 1, 0.004678 at 2, 1 at 0 (Abramowitz & Stegun, recalled)', () => {
    expect(erfc(1)).toBeCloseTo(0.157299, 6)
    expect(erfc(2)).toBeCloseTo(0.004678, 6)
    expect(erfc(0)).toBeCloseTo(1, 6)
    expect(erfc(-1)).toBeCloseTo(2 - 0.157299, 6)
  })
  it.each([
    [0, 540.2],
    [3, 673.13],
    [6, 761.48],
    [10, 821.87],
  ])('after 60 s a bared phosphate mould is at %d mm depth %d °C (Carslaw & Jaeger)', (depth, celsius) => {
    expect(bareMouldCelsius(phosphateOut, 60, depth)).toBeCloseTo(celsius, 1)
    // The moment it leaves the oven it is as hot as the oven, at its face too.
    expect(bareMouldCelsius(phosphateOut, 0, depth)).toBe(phosphateOut.startCelsius)
    expect(bareMouldCelsius(phosphateOut, 0, 0)).toBe(phosphateOut.startCelsius)
  })
  it('cools on and on, the face first', () => {
    const seconds = fc.double({ min: 1, max: 600, noNaN: true })
    fc.assert(
      fc.property(seconds, seconds, fc.double({ min: 0, max: 20, noNaN: true }), (a, b, depth) => {
        const at = (time: number, mm: number) => bareMouldCelsius(phosphateOut, time, mm)
        expect(at(Math.max(a, b), depth)).toBeLessThanOrEqual(at(Math.min(a, b), depth) + 1e-3)
        expect(at(a, depth)).toBeLessThanOrEqual(at(a, depth + 1) + 1e-3)
      }),
    )
  })
})

describe('the mix of a ring', () => {
  it('fills it less the cone of its former', () => {
    const ring = { ringRadiusMillimetres: 20, ringHeightMillimetres: 50, formerMillimetres: 20 }
    const mix = ringMix({ binder: 'phosphate', ...ring })!
    // By hand: π 2² 5 = 62.83 cm3, less π 1.4² 2 / 3 = 4.10 cm3; powder and liquid together fill the rest.
    const { density, measure } = materials.get('phosphate-investment')!
    if (measure?.by !== 'mass') throw new Error('no ratio')
    const filled = mix.grams / density!.gramsPerCm3 + mix.grams * measure.usualMillilitresPerGram
    expect(Math.abs(filled - 58.73)).toBeLessThan(0.4)
    expect(mix.millilitres).toBe(Math.round(mix.grams * measure.usualMillilitresPerGram))
  })
})
