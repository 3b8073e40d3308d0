import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { type CeramicClass, ceramicFigures } from '../materials/index.ts'
import { type MachineNature, type MachineTrouble, programMinutes, runMachine } from '../program/index.ts'
import { seededRandom } from '../random/index.ts'
import { metric, refused } from '../testing/words.ts'
import { type Firing, type FiringRun, firingProgram, judgeFiring } from './index.ts'

const natures: Readonly<Record<'kiln' | 'sinter', MachineNature>> = {
  kiln: {
    roomCelsius: 25,
    timeConstantMinutes: 15,
    fullPowerCelsius: 2200,
    sensorLagMinutes: 0.1,
    noiseCelsius: 0,
    readingsPerMinute: 6,
  },
  sinter: {
    roomCelsius: 25,
    timeConstantMinutes: 100,
    fullPowerCelsius: 3200,
    sensorLagMinutes: 1,
    noiseCelsius: 0,
  },
}

/** A firing in a furnace that is not there, as it is measured. */
function fired(
  ceramic: CeramicClass,
  firing: Firing,
  {
    troubles = [],
    offset = 0,
    takenOutMinutes,
    ...change
  }: Partial<FiringRun> & {
    troubles?: readonly MachineTrouble[]
    offset?: number
    takenOutMinutes?: number
  } = {},
): FiringRun {
  const program = firingProgram({ ceramic, firing, wallMillimetres: 1.5, units: 1 })
  const nature = natures[firing === 'sinter' ? 'sinter' : 'kiln']
  const { moments, endMinutes } = runMachine(
    program,
    { ...nature, readsTooMuchCelsius: offset },
    troubles,
    takenOutMinutes ?? programMinutes(program) + 400,
    seededRandom(4),
  )
  const until = takenOutMinutes ?? endMinutes ?? Number.POSITIVE_INFINITY
  return {
    ceramic,
    firing,
    program,
    from: 'machine',
    measured: moments
      .filter(({ minutes }) => minutes <= until)
      .filter((_, n, all) => n % Math.ceil(all.length / 800) === 0)
      .map(({ minutes, measuredCelsius, kilopascals }) => ({
        minutes,
        celsius: measuredCelsius,
        ...(kilopascals === undefined ? {} : { kilopascals }),
      })),
    ...(endMinutes === undefined ? {} : { endMinutes }),
    showsTooMuchCelsius: 0,
    peakCelsius: Math.max(...program.segments.map(({ toCelsius }) => toCelsius)),
    wallMillimetres: 1.5,
    units: 1,
    dried: true,
    firingNumber: 1,
    ...change,
  }
}
const said = (run: FiringRun) => {
  const { verdict, found, say } = judgeFiring(run)
  return { verdict, found: found.map(metric).join('; '), say: metric(say) }
}

describe('a firing that went well', () => {
  it.each([
    ['zirconia4y', 'dry'],
    ['zirconia4y', 'sinter'],
    ['disilicate-blue', 'crystallise'],
    ['disilicate', 'stain'],
    ['feldspar', 'glaze'],
    ['zirconia3y', 'glaze'],
  ] as const)('%s, %s', (ceramic, firing) => {
    expect(said(fired(ceramic, firing))).toMatchObject({ verdict: 'good', found: '' })
  })
})

describe('a furnace that reads wrong', () => {
  it('shows 770 and has 750: under-fired, once its offset is known', () => {
    const run = fired('disilicate', 'stain', { offset: 20 })
    expect(said(run).verdict).toBe('good')
    expect(said({ ...run, showsTooMuchCelsius: 20 })).toMatchObject({
      verdict: 'again',
      found: expect.stringMatching(/^75\d °C at most, 770 °C were wanted: under-fired$/),
      say: expect.stringContaining('counts as a firing'),
    })
  })
  it('reads too low: over-fired, and its edges are looked at', () => {
    const run = { ...fired('disilicate', 'glaze'), showsTooMuchCelsius: -20 }
    expect(said(run)).toMatchObject({
      verdict: 'look',
      found: expect.stringContaining('above its peak: over-fired'),
      say: expect.stringContaining('edges round off'),
    })
  })
})

describe('the power goes', () => {
  const off = (fromMinutes: number, minutes: number) => [{ kind: 'powerCut', fromMinutes, minutes } as const]
  it('in the night, in the hold of a sintering: it goes on, is said, and cracks and density are looked at', () => {
    const run = fired('zirconia4y', 'sinter', { troubles: off(180, 30) })
    expect(said(run)).toMatchObject({
      verdict: 'look',
      found: expect.stringMatching(/^after 2\d\d min it had fallen by \d{3} °C, then went on$/),
      say: expect.stringMatching(/cracks against the light.*density: below 99 %/),
    })
  })
  it('for a minute: nothing is broken off by it', () =>
    expect(said(fired('zirconia4y', 'sinter', { troubles: off(60, 1) })).verdict).toBe('good'))
  it('and nobody waits for it to come on again: taken out before its end', () => {
    const run = fired('zirconia4y', 'sinter', { troubles: off(100, 400), takenOutMinutes: 300 })
    expect(said(run)).toMatchObject({
      verdict: 'look',
      found: expect.stringContaining('taken out before its program had run through'),
      say: expect.stringContaining('never sintered again'),
    })
  })
})

describe('what else a curve shows', () => {
  it('a vacuum that leaks', () => {
    const run = fired('disilicate', 'stain', { troubles: [{ kind: 'vacuumLeak', fromMinutes: 0 }] })
    expect(said(run)).toMatchObject({ verdict: 'look', found: expect.stringContaining('vacuum leaked') })
  })
  it('a door that was opened hot: sintering below 200 °C, thick glass below its transition', () => {
    const sintered = (openedCelsius: number) => said(fired('zirconia4y', 'sinter', { openedCelsius })).found
    expect(sintered(200)).toBe('')
    expect(sintered(350)).toBe('it was opened at 350 °C, above 200 °C')
    const glass = (wallMillimetres: number, openedCelsius: number) =>
      said(fired('disilicate', 'glaze', { wallMillimetres, openedCelsius })).found
    expect(glass(1.5, 700)).toBe('')
    expect(glass(2.5, 700)).toBe('it was opened at 700 °C, above 560 °C')
    expect(glass(2.5, 560)).toBe('')
  })
  it('once too often', () => {
    const { mostFirings } = ceramicFigures.disilicate
    const found = (firingNumber: number) => said(fired('disilicate', 'glaze', { firingNumber })).found
    expect(found(mostFirings)).toBe('')
    expect(found(mostFirings + 1)).toBe(`it was its firing ${mostFirings + 1}, ${mostFirings} are the most`)
  })
  it('wet on a fast ramp: lost', () =>
    expect(said(fired('disilicate', 'stain', { dried: false }))).toMatchObject({
      verdict: 'remake',
      found: 'it went in wet on a fast ramp',
    }))
  it('held on and on: over-fired', () => {
    const run = fired('disilicate', 'stain')
    const last = run.measured.at(-1)!.minutes
    const held = Array.from({ length: 30 }, (_, n) => ({ minutes: last + 1 + n, celsius: 770 }))
    expect(said({ ...run, measured: [...run.measured, ...held] })).toMatchObject({
      verdict: 'look',
      found: expect.stringMatching(/^3\d min near its peak, 1 min were wanted: over-fired$/),
    })
  })
})

describe('read by hand, once', () => {
  it('stands for its program, moved by what it was off', () => {
    const run = fired('zirconia4y', 'glaze')
    const once = (celsius: number): FiringRun => {
      const { endMinutes: _end, ...rest } = run
      return { ...rest, from: 'hand', measured: [{ minutes: 13, celsius }] }
    }
    const wanted = run.peakCelsius
    expect(said(once(wanted)).verdict).toBe('good')
    expect(said(once(wanted - 40)).verdict).toBe('again')
  })
})

describe('what cannot have been', () => {
  const run = fired('disilicate', 'stain')
  it.each<[Partial<FiringRun>, string]>([
    [{ ceramic: 'hybrid' }, 'hybrid-never-fired'],
    [{ measured: [] }, 'no-reading'],
    [{ peakCelsius: 20 }, 'reading-not-plausible'],
    [{ wallMillimetres: 0 }, 'reading-not-plausible'],
  ])('%j', (change, code) => expect(refused(() => judgeFiring({ ...run, ...change }))?.code).toBe(code))
  it('a hotter curve is never judged colder: under-fired, good, over-fired in this order', () =>
    fc.assert(
      fc.property(fc.integer({ min: -40, max: 40 }), (off) => {
        const { found } = said({
          ...run,
          measured: run.measured.map((each) => ({ ...each, celsius: each.celsius + off })),
        })
        if (off < -15) expect(found).toContain('under-fired')
        else if (off > 15) expect(found).toContain('over-fired')
        else if (Math.abs(off) < 5) expect(found).toBe('')
      }),
      { numRuns: 40 },
    ))
})
