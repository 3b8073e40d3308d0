import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { seededRandom } from '../random/index.ts'
import {
  checkMeasured,
  checkProgramLength,
  insideCelsius,
  keptReadings,
  type MachineNature,
  type MachineTrouble,
  programCelsius,
  programMinutes,
  programStretches,
  runMachine,
  type TemperatureProgram,
} from './index.ts'
import type { MeasuredRun } from './measured-curve.ts'

const program: TemperatureProgram = {
  startCelsius: 20,
  segments: [
    { rampCelsiusPerMinute: 5, toCelsius: 250, holdMinutes: 60 },
    { rampCelsiusPerMinute: 7, toCelsius: 845, holdMinutes: 60 },
  ],
}
const furnace: MachineNature = {
  roomCelsius: 20,
  timeConstantMinutes: 60,
  fullPowerCelsius: 1300,
  sensorLagMinutes: 1.5,
  noiseCelsius: 0,
}
const run = (troubles: readonly MachineTrouble[] = [], minutes = 400, nature = furnace) =>
  runMachine(program, nature, troubles, minutes, seededRandom(4))
const at = (minutes: number, of = run()) => of.moments[minutes]!

describe('a temperature program', () => {
  it('lies out in time: 46 + 60 min, then 85 + 60 (by hand)', () => {
    expect(programMinutes(program)).toBeCloseTo(251, 9)
    expect(
      programStretches(program).map(({ startMinutes, rampMinutes }) => [startMinutes, rampMinutes]),
    ).toEqual([
      [0, 46],
      [106, 85],
    ])
    expect(programCelsius(program, 23)).toBeCloseTo(135, 9)
    expect(programCelsius(program, 116)).toBeCloseTo(320, 9)
    expect(programCelsius({ startCelsius: 73, segments: [] }, 5)).toBe(73)
  })
})

describe('a machine that is not there', () => {
  it('follows its program within a few degrees once a hold has settled, and ends when it has run through', () => {
    expect(at(100).measuredCelsius).toBeCloseTo(250, -0.3)
    expect(Math.abs(at(245).chamberCelsius - 845)).toBeLessThan(4)
    const { endMinutes } = run()
    expect(endMinutes).toBeGreaterThanOrEqual(251)
    expect(endMinutes).toBeLessThan(262)
  })
  it('without power it cools as a body that loses heat in proportion (exact: T = 20 + (T0 - 20) e^(-t/60))', () => {
    const cut = run([{ kind: 'powerCut', fromMinutes: 240, minutes: 30 }])
    const before = at(240, cut).chamberCelsius
    expect(at(270, cut).chamberCelsius).toBeCloseTo(20 + (before - 20) * Math.exp(-0.5), -0.3)
    expect(cut.endMinutes! - run().endMinutes!).toBeGreaterThan(30)
  })
  it('its clock stands still in the dark, however short that is', () => {
    const cut = run([{ kind: 'powerCut', fromMinutes: 240, minutes: 2 }])
    expect(cut.endMinutes! - run().endMinutes!).toBeGreaterThanOrEqual(2)
    expect(run([{ kind: 'powerCut', fromMinutes: 399, minutes: 1 }]).endMinutes).toBe(run().endMinutes)
  })
  it('too weak for its ramp it waits: the set point is never far ahead, and the program takes longer', () => {
    const weak = { ...furnace, fullPowerCelsius: 950 }
    const { moments, endMinutes } = run([], 600, weak)
    // 25 °C behind it waits, and goes on by a step at most before it sees that.
    for (const { setCelsius, measuredCelsius } of moments)
      expect(setCelsius - measuredCelsius).toBeLessThan(25 + 7)
    expect(endMinutes).toBeGreaterThan(run().endMinutes! + 20)
  })
  it('never gets hotter than its water boils', () => {
    const bath = { ...furnace, mostCelsius: 100 }
    expect(Math.max(...run([], 300, bath).moments.map(({ chamberCelsius }) => chamberCelsius))).toBe(100)
  })
  it('begins where its program begins, and is read once a minute', () => {
    const { moments } = run([], 10)
    expect(moments.map(({ minutes }) => minutes)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10])
    expect(moments[0]).toEqual({ minutes: 0, setCelsius: 20, measuredCelsius: 20, chamberCelsius: 20 })
    expect(moments[5]!.setCelsius).toBeCloseTo(20 + 5 * 5, 9)
    expect(run([], 10).endMinutes).toBeUndefined()
  })
  it('refuses to be followed backwards', () =>
    expect(() => run([], -1)).toThrow(expect.objectContaining({ code: 'not-a-positive-number' })))
  it('a drift begins when it begins and grows by the hour', () => {
    const drift = run([{ kind: 'drift', fromMinutes: 60, celsiusPerHour: 30 }])
    expect(at(59, drift)).toEqual(at(59))
    const shown = at(100, drift).measuredCelsius - at(100, drift).chamberCelsius
    const without = at(100).measuredCelsius - at(100).chamberCelsius
    // 40 min at 30 °C an hour.
    expect(shown - without).toBeCloseTo(20, -0.3)
  })
  it('an open door lets it fall; a thermocouple that drifts up leaves the chamber cold and shows it not', () => {
    const open = run([{ kind: 'doorOpen', fromMinutes: 240, minutes: 5 }])
    expect(at(245, open).chamberCelsius).toBeLessThan(at(245).chamberCelsius - 60)
    const drift = run([{ kind: 'drift', fromMinutes: 0, celsiusPerHour: 15 }])
    expect(at(248, drift).measuredCelsius).toBeCloseTo(845, -1)
    // After 248 min it reads 62 °C too much.
    expect(at(248, drift).chamberCelsius).toBeCloseTo(845 - 62, -1)
  })
  it('is the same for the same seed, however far it is followed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 1, max: 60 }), (minutes, further) => {
        const noisy = { ...furnace, noiseCelsius: 1 }
        const short = run([], minutes, noisy).moments
        expect(run([], minutes + further, noisy).moments.slice(0, short.length)).toEqual(short)
      }),
      { numRuns: 20 },
    )
  })
})

describe('a machine that reads wrong, with a vacuum', () => {
  const pumped: TemperatureProgram = {
    startCelsius: 20,
    segments: [
      { rampCelsiusPerMinute: 5, toCelsius: 60, holdMinutes: 2 },
      { rampCelsiusPerMinute: 5, toCelsius: 250, holdMinutes: 60, vacuum: true },
    ],
  }
  const followed = (nature: object = {}, troubles: readonly MachineTrouble[] = []) =>
    runMachine(pumped, { ...furnace, ...nature }, troubles, 100, seededRandom(4)).moments
  it('shows the wanted heat and has less by what it reads too much', () => {
    const right = followed()[100]!
    const wrong = followed({ readsTooMuchCelsius: 12 })[100]!
    expect(wrong.measuredCelsius).toBeCloseTo(right.measuredCelsius, -0.3)
    expect(right.chamberCelsius - wrong.chamberCelsius).toBeCloseTo(12, -0.3)
  })
  it('is pumped only while its program says so; a leak never lets it get far', () => {
    const left = (moments: ReturnType<typeof followed>, minute: number) => moments[minute]!.kilopascals!
    const tight = followed()
    expect([left(tight, 5) > 95, left(tight, 30) < 5]).toEqual([true, true])
    expect(left(followed({}, [{ kind: 'vacuumLeak', fromMinutes: 0 }]), 30)).toBeGreaterThan(20)
    expect(run([], 10).moments[5]!.kilopascals).toBeUndefined()
  })
  it('is pumped down steadily, within two minutes, and let in as steadily', () => {
    const moments = followed({ readingsPerMinute: 6 })
    const pressures = moments.map(({ kilopascals }) => kilopascals!)
    const from = moments.findIndex(({ kilopascals }) => kilopascals! < 100.9)
    // Never below what the pump reaches, never above the air of the room.
    expect(Math.min(...pressures)).toBeGreaterThanOrEqual(3)
    expect(Math.max(...pressures)).toBeLessThanOrEqual(101)
    const falling = pressures.slice(from, from + 12)
    expect(falling).toEqual([...falling].sort((a, b) => b - a))
    expect(falling.at(-1)).toBeLessThan(10)
  })
  it('can be read more often than once a minute', () => {
    const often = followed({ readingsPerMinute: 6 })
    expect(often).toHaveLength(601)
    expect(often[6]!.minutes).toBe(1)
    expect(often[60]!.chamberCelsius).toBe(followed()[10]!.chamberCelsius)
  })
})

describe('what is known of a run', () => {
  const read: MeasuredRun = {
    program,
    from: 'machine',
    measured: [
      { minutes: 0, celsius: 20 },
      { minutes: 10, celsius: 60 },
    ],
    showsTooMuchCelsius: 5,
  }
  it('between readings a straight line, less what the machine shows too much; the last one stays', () => {
    const inside = insideCelsius(read)
    expect([0, 5, 10, 99].map(inside)).toEqual([15, 35, 55, 55])
  })
  it('with one reading by hand the program, moved by what it was off', () => {
    const inside = insideCelsius({ ...read, from: 'hand', measured: [{ minutes: 200, celsius: 830 }] })
    expect(inside(200)).toBeCloseTo(825, 9)
    expect(inside(23)).toBeCloseTo(135 - 15 - 5, 9)
  })
  it.each<[MeasuredRun['measured'], string]>([
    [[], 'no-reading'],
    [
      [
        { minutes: 5, celsius: 20 },
        { minutes: 5, celsius: 30 },
      ],
      'readings-not-in-order',
    ],
    [[{ minutes: 5, celsius: Number.NaN }], 'reading-not-plausible'],
    [[{ minutes: -1, celsius: 20 }], 'readings-not-in-order'],
  ])('refuses %j', (measured, code) =>
    expect(() => checkMeasured({ ...read, measured })).toThrow(expect.objectContaining({ code })),
  )
})

describe('the readings that a record keeps', () => {
  it('takes any run: never too many, the first and the last among them, in order', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9000 }), (count) => {
        const measured = Array.from({ length: count }, (_, minutes) => ({ minutes, celsius: 70 }))
        const kept = keptReadings(measured)
        expect(() =>
          checkMeasured({ program, from: 'machine', measured: kept, showsTooMuchCelsius: 0 }),
        ).not.toThrow()
        expect([kept[0], kept.at(-1)]).toEqual([measured[0], measured.at(-1)])
        if (count <= 900) expect(kept).toHaveLength(count)
      }),
    ))
})

describe('a day is the longest that a machine is left', () => {
  const of = (holdMinutes: number): TemperatureProgram => ({
    startCelsius: 20,
    segments: [{ rampCelsiusPerMinute: 1, toCelsius: 60, holdMinutes }],
  })
  it('40 min of ramp and 1400 of hold are 24 h, and are taken', () => {
    expect(() => checkProgramLength(of(1400))).not.toThrow()
  })
  it.each([
    ['a minute more', of(1401)],
    ['no stretch', { startCelsius: 20, segments: [] }],
    [
      'a ramp of nothing',
      { ...of(0), segments: [{ rampCelsiusPerMinute: 0, toCelsius: 60, holdMinutes: 0 }] },
    ],
  ])('%s is refused', (_, program) => {
    expect(() => checkProgramLength(program)).toThrow(
      expect.objectContaining({ code: 'segment', field: 'program' }),
    )
  })
})
