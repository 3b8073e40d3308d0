import { describe, expect, it } from '@jest/globals'
import { at, DAY, record, said, sentBack, smooth } from '../testing/made-cases.ts'
import { inventedRecord, madeHours } from '../testing/made-record.ts'
import { seriesCharts } from './chart-room.ts'
import { qualityFigures } from './figures.ts'
import type { LabDeed } from './index.ts'
import { qualityTable, qualityTables } from './tables.ts'

const period = { from: at(-1), until: at(30 * DAY) }
const tableOf = (
  which: (typeof qualityTables)[number],
  cases: Parameters<typeof record>[0],
  events: readonly (LabDeed & { readonly minutes: number })[] = [],
) => {
  const more = { said: said(...events) }
  const counted = record(cases, more)
  const figures = qualityFigures(
    { digests: cases.map((made) => made.digest()), hours: madeHours, now: at(20 * DAY), ...more },
    period,
    () => 10,
  )
  const { head, rows } = qualityTable(which, counted, figures, seriesCharts(counted), (id) => `lot of ${id}`)
  return { head, rows, as: rows.map((row) => Object.fromEntries(head.map((name, n) => [name, row[n]]))) }
}

describe('rows for other programs', () => {
  it.each(qualityTables)('%s: every row has as many columns as its head, each named once', (which) => {
    const { head, rows } = tableOf(which, inventedRecord(5, 40))
    expect(new Set(head).size).toBe(head.length)
    expect(rows.every(({ length }) => length === head.length)).toBe(true)
  })
  it('goings back: where to, where it was found, what it cost, and why', () => {
    const back = sentBack('b', 0, { remake: true })
    const sequence = back.events.find(({ type }) => type === 'wentBack')!.sequence
    back.add('causeFound', 70, { wentBack: sequence, cause: 'other', said: 'A draught', how: 'seen' })
    const { as } = tableOf('goingsBack', [back, smooth('s', 500)])
    expect(as).toEqual([
      expect.objectContaining({
        docket: 'K-b',
        job: 'pqr',
        step_back_to: 'p',
        step_found_at: 'r',
        side: 'lab',
        remake: 'yes',
        at_utc: new Date(at(30)).toISOString(),
        // P, Q and R again after ten minutes on R: 10 + 10 + 10 min of hands.
        hands_lost_min: 30,
        cause: 'A draught',
        cause_how: 'seen',
      }),
    ])
    const plain = tableOf('goingsBack', [sentBack('c')]).as[0]!
    expect([plain.remake, plain.cause, plain.cause_how]).toEqual(['no', undefined, undefined])
  })
  it('goings back are those of the period alone', () => {
    const late = sentBack('late', 40 * DAY)
    expect(tableOf('goingsBack', [late]).rows).toEqual([])
  })
  it('steps: how often it passed at once, of how many, and what hands it took and lost', () => {
    const { as } = tableOf('steps', [sentBack('b'), smooth('s', 200), smooth('t', 300)])
    const p = as.find(({ step }) => step === 'p')
    expect(p).toMatchObject({ job: 'pqr', first_pass_count: 2, first_pass_of: 3, share: 2 / 3 })
    expect(as.map(({ step }) => step)).toEqual(['p', 'q', 'r'])
  })
  it('values: one reading a row, with the limits of its series, and why one was left out', () => {
    const cases = Array.from({ length: 21 }, (_, n) => smooth(`c${10 + n}`, n * 60, n % 2 === 0 ? 1.4 : 1.6))
    const { series, caseId, sequence } = (() => {
      const [chart] = seriesCharts(record(cases))
      return { series: chart!.series, ...chart!.points()[0]! }
    })()
    const { as } = tableOf('values', cases, [
      { type: 'valueLeftOut', series, caseId, entry: sequence, reason: 'upside down', minutes: 1 },
    ])
    expect(as).toHaveLength(21)
    expect(as[0]).toMatchObject({
      series,
      name: 'Length',
      unit: 'millimetres',
      docket: 'K-c10',
      at_utc: new Date(at(12)).toISOString(),
      value: 1.4,
      repeat: 'no',
      left_out: 'upside down',
      state: 'frozen',
    })
    expect(as[1]).toMatchObject({ left_out: undefined, value: 1.6 })
    // Without the first: ten of 1.6 and ten of 1.4.
    expect(as[1]!.mean).toBeCloseTo(1.5, 9)
  })
})

describe('a series', () => {
  it('is in the order of time, of two at once by their case', () => {
    const cases = ['b', 'a', 'c'].map((id, n) => smooth(id, 0, 1 + n / 10))
    const order = seriesCharts(record(cases))[0]!
      .points()
      .map(({ caseId }) => caseId)
    expect(order).toEqual(['a', 'b', 'c'])
    const turned = seriesCharts(record([...cases].reverse()))[0]!
      .points()
      .map(({ caseId }) => caseId)
    expect(turned).toEqual(order)
  })
})
