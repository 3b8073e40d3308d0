import { describe, expect, it } from '@jest/globals'
import type { CheckMeaning } from '../route/index.ts'
import type { SheetData } from '../sheet/index.ts'
import { Bench, MINUTE, metric } from '../testing/index.ts'
import { processingCauses, processingRecord } from './index.ts'
import type { ProcessingRecord } from './processing-faults.ts'

const careful: ProcessingRecord = {
  peakCelsius: 91,
  boiled: false,
  residualPercent: 0.4,
  doughMinutes: 10,
  benchRestMinutes: 45,
  gapAtLast: false,
  finalKilopascals: 20_700,
  greaseSeen: false,
  separatorRecorded: true,
  mouldCooledMinutes: 35,
  flaskCelsius: 23,
}

describe('a job that is not processed', () => {
  it('says nothing of it', () => {
    expect(processingRecord(new Bench('study-cast').job)).toEqual({})
    expect(processingRecord(new Bench('complete-denture').job)).toEqual({})
  })
})

describe('what the mould tells, by the evidence of the case', () => {
  it.each<[CheckMeaning, string, Partial<ProcessingRecord>, string, string]>([
    ['resinSurface', 'Bubbles inside', { boiled: true, peakCelsius: 127 }, 'boiled inside', '127 °C'],
    ['resinSurface', 'Bubbles inside', { gapAtLast: true }, 'Too little resin', 'A gap at the last'],
    ['resinSurface', 'Bubbles inside', { doughMinutes: 3 }, 'before the dough', '3 min'],
    ['resinSurface', 'Stone stuck to it', { separatorRecorded: false }, 'Separator missing', 'No separator'],
    ['resinSurface', 'Stone stuck to it', { greaseSeen: true }, 'Wax was left', 'Grease was seen'],
    ['seatOnCast', 'Wobbles', { flaskCelsius: 44 }, 'Opened warm', '44 °C'],
    ['resinSurface', 'Fractured', { doughMinutes: 30 }, 'rubbery', '30 min'],
  ])('%s, %s with %j: first comes %s', (check, fault, change, name, words) => {
    const [first] = processingCauses(check, fault, { ...careful, ...change })
    expect(first).toMatchObject({ standing: 'supported' })
    expect(first!.name).toContain(name)
    expect(metric(first!.words)).toContain(words)
  })
  it('a sound denture has no causes, a careful record speaks for none', () => {
    expect(processingCauses('resinSurface', 'Sound', careful)).toEqual([])
    const standings = processingCauses('resinSurface', 'Bubbles inside', careful).map(
      ({ standing }) => standing,
    )
    expect(new Set(standings)).toEqual(new Set(['against']))
  })
  it('is read from the case: the bath by its curve, times by the clock', () => {
    const bench = new Bench('complete-denture').upTo('cure-long-boil')
    const straight: SheetData = {
      kind: 'cure',
      machine: 'Bath',
      run: {
        sections: [{ shape: 'ridge', millimetres: 12 }],
        program: {
          startCelsius: 100,
          segments: [{ rampCelsiusPerMinute: 1, toCelsius: 100, holdMinutes: 45 }],
        },
        from: 'hand',
        measured: [{ minutes: 45, celsius: 100 }],
        showsTooMuchCelsius: 0,
      },
    }
    bench.sheet('cure-long-boil', 'cure', straight)
    bench.now += 50 * MINUTE
    const record = processingRecord(bench.job)
    // The model notes: a ridge of 12 mm straight into the boil peaks at 127.0 °C.
    expect(record.peakCelsius).toBeCloseTo(127, -0.3)
    expect(record).toMatchObject({
      boiled: true,
      separatorRecorded: true,
      gapAtLast: false,
      greaseSeen: false,
    })
    expect(processingCauses('resinSurface', 'Bubbles inside', record)[0]!.name).toBe(
      'The monomer boiled inside',
    )
  })
})
