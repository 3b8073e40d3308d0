import { describe, expect, it } from '@jest/globals'
import { ceramicFigures } from '../materials/index.ts'
import { programMinutes } from '../program/index.ts'
import { metric, refused } from '../testing/words.ts'
import { ceramicCalculators, enlargementWarnings, type FiringRun, judgeFiring, mustMayFire } from './index.ts'

const [enlargement, program] = ceramicCalculators

describe('what other programs may ask of ceramics', () => {
  it('how much larger it is milled: 3.10 and 6.05 g/cm3, 9 mm (worked in the notes)', () => {
    const answer = enlargement.answer(enlargement.example)
    expect(answer.factor).toBeCloseTo(1.24968, 5)
    expect(answer.shrinkagePercent).toBeCloseTo(19.979, 3)
    expect(answer.greenMillimetres).toBeCloseTo(11.247, 3)
    // 9 mm · (1.2476 - 1.24968)/1.24968.
    expect(answer.tooLargeMicrometres).toBeCloseTo((1000 * 9 * (1.2476 - 1.24968)) / 1.24968, 0)
    const { usedFactor: _used, ...without } = enlargement.example
    expect(enlargement.answer(without)).not.toHaveProperty('tooLargeMicrometres')
  })
  it('a program with its minutes', () => {
    const answer = program.answer(program.example)
    expect(answer.minutes).toBeCloseTo(programMinutes(answer.program), 9)
    expect(answer.minutes).toBeGreaterThan(240)
  })
})

describe('what on a label does not go together', () => {
  const warned = (label: Parameters<typeof enlargementWarnings>[0]) => enlargementWarnings(label).length
  it('is told from densities only where both stand there, and rise', () => {
    expect(warned({ factor: 1.24, greenGramsPerCm3: 3.1 })).toBe(0)
    expect(warned({ factor: 1.24, sinteredGramsPerCm3: 6.05 })).toBe(0)
    expect(warned({ factor: 1.24, greenGramsPerCm3: 6.05, sinteredGramsPerCm3: 3.1 })).toBe(0)
    expect(warned({ factor: 1.24, greenGramsPerCm3: 3.1, sinteredGramsPerCm3: 6.05 })).toBe(1)
  })
  it('agrees within 1 % of the volume, a third of that along an axis', () => {
    expect(warned({ factor: 1.25, axes: [1.25, 1.25, 1.25 * 1.0099] })).toBe(0)
    expect(warned({ factor: 1.25, axes: [1.25, 1.25, 1.25 * 1.0102] })).toBe(1)
  })
})

describe('a firing, by hand', () => {
  const flat = (celsius: number, minutes: number, change: Partial<FiringRun> = {}): FiringRun => {
    const peakCelsius = 800
    const hold = 10
    return {
      ceramic: 'disilicate',
      firing: 'glaze',
      program: {
        startCelsius: 400,
        segments: [{ rampCelsiusPerMinute: 40, toCelsius: peakCelsius, holdMinutes: hold }],
      },
      from: 'machine',
      measured: [
        { minutes: 0, celsius: 400 },
        { minutes: 10, celsius },
        { minutes: 10 + minutes, celsius },
        { minutes: 12 + minutes, celsius: 500 },
      ],
      endMinutes: 20,
      showsTooMuchCelsius: 0,
      peakCelsius,
      wallMillimetres: 1.5,
      units: 1,
      dried: true,
      firingNumber: 1,
      ...change,
    }
  }
  const said = (run: FiringRun) => {
    const { verdict, found, say } = judgeFiring(run)
    return [verdict, found.map(metric).join('; '), metric(say)]
  }
  // Tolerances are choices: 10 K for a glaze, eight tenths to one and a half of the hold and three minutes more.
  it.each([
    [790, 10, 'good'],
    [789, 10, 'again'],
    [810, 10, 'good'],
    [811, 10, 'look'],
    [800, 7, 'again'],
    [800, 9, 'good'],
    [800, 17, 'good'],
    [800, 20, 'look'],
  ])('%d °C for %d min: %s', (celsius, minutes, verdict) =>
    expect(said(flat(celsius, minutes))[0]).toBe(verdict),
  )
  it('a glaze that is under-fired is fired once more, a sintering is weighed', () => {
    expect(said(flat(770, 10))).toEqual([
      'again',
      '770 °C at most, 800 °C were wanted: under-fired',
      'Fire it once more; it counts as a firing.',
    ])
    expect(said(flat(800, 6, { endMinutes: 16 }))[1]).toMatch(
      /^[\d.]+ min near its peak, 10 min were wanted: under-fired$/,
    )
    const sintered = said(flat(770, 10, { firing: 'sinter', ceramic: 'zirconia4y' }))
    expect(sintered[0]).toBe('look')
    expect(sintered[2]).toContain('Weigh it for its density')
  })
  it('zirconia sintered too hot is grey; any other is looked at by its edges', () => {
    expect(said(flat(840, 10, { firing: 'sinter', ceramic: 'zirconia4y' }))[2]).toContain('looks grey')
    expect(said(flat(840, 10, { ceramic: 'zirconia4y' }))[2]).toContain('edges round off')
    expect(ceramicFigures.disilicate.zirconia).toBeFalsy()
  })
  it('taken out early is told as that, of a glaze to be fired again', () => {
    const run = flat(760, 1, { endMinutes: 60 })
    expect(said(run)).toEqual([
      'again',
      'it was taken out before its program had run through, 760 °C at most',
      'Fire it once more; it counts as a firing.',
    ])
  })
  it('the worst of all that was found counts', () => {
    const both = flat(840, 10, { firingNumber: 99 })
    expect(said(both)[0]).toBe('look')
    expect(said(flat(770, 10, { firingNumber: 99 }))[0]).not.toBe('good')
  })
})

describe('wet work', () => {
  const fast = { startCelsius: 20, segments: [{ rampCelsiusPerMinute: 80, toCelsius: 900, holdMinutes: 1 }] }
  const remedy = (firing: 'sinter' | 'glaze') => {
    const against = refused(() => mustMayFire(fast, { ceramic: 'zirconia4y', firing, dried: false }))
    return [against?.code, against && metric(against.remedy)]
  }
  it('is dried first, by what it is for', () => {
    expect(remedy('sinter')).toEqual([
      'wet-fast-ramp',
      'Dry it first, by wall and colour liquid, then sinter.',
    ])
    expect(remedy('glaze')).toEqual(['wet-fast-ramp', 'Dry it first, and look: matt all over, no dark spot.'])
  })
  it('is not sintered fast unless its blank is marked for it; a glaze may be', () => {
    const code = (firing: 'sinter' | 'glaze', fastMarked?: boolean) =>
      refused(() =>
        mustMayFire(fast, {
          ceramic: 'zirconia4y',
          firing,
          dried: true,
          ...(fastMarked ? { fastMarked } : {}),
        }),
      )?.code
    expect([code('sinter'), code('sinter', true), code('glaze')]).toEqual([
      'fast-sintering-not-marked',
      undefined,
      undefined,
    ])
  })
})
