import { describe, expect, it } from '@jest/globals'
import { always, at, DAY, record, said, sentBack, smooth } from '../testing/made-cases.ts'
import { length, type MadeCase, madeRoute, pqr } from '../testing/made-record.ts'
import { refused } from '../testing/words.ts'
import { castingCauses } from './casting-faults.ts'
import { causeTable, finderHits, findingsOf, noClearOrder } from './cause-table.ts'
import { seriesCharts, signalsToLookAt, stepOfValues } from './chart-room.ts'
import { comparisons, mustNotBePeople } from './comparisons.ts'
import { losses } from './five-lines.ts'
import { checkLabDeed, type LabEvent } from './lab-event.ts'
import { CLINIC_CAUSE, mustBeKnownCause } from './seen-faults.ts'

describe('charts', () => {
  const steady = (n: number) => (n % 2 === 0 ? 1.4 : 1.6)
  const twenty = Array.from({ length: 20 }, (_, n) => smooth(`c${10 + n}`, n * 60, steady(n)))
  const high = smooth('late', 21 * 60, 3.4)
  const of = (cases: readonly MadeCase[], events: LabEvent[] = []) =>
    seriesCharts(record(cases, { said: events }))[0]!
  it('has limits from the first twenty jobs in the order of their readings, and says which value is beyond', () => {
    const chart = of([high, ...twenty])
    expect(chart).toMatchObject({ state: 'frozen', name: 'Length', min: 1, max: 2, step: 'q' })
    expect(chart.mean).toBeCloseTo(1.5, 9)
    expect(chart.signals).toMatchObject([{ docket: 'K-late', rule: 1, value: 3.4 }])
    expect(chart.points()).toHaveLength(21)
  })
  it('a signal is quiet once somebody has said what was different', () => {
    const { series, caseId, sequence } = of([...twenty, high]).signals[0]!
    const chart = of(
      [...twenty, high],
      said({ type: 'signalSeen', series, caseId, entry: sequence, words: 'another gauge', minutes: 3000 }),
    )
    expect(chart.signals[0]!.seen).toMatchObject({ words: 'another gauge', by: 'Ada' })
    // Of another reading, or of another case, it was something else that was looked at.
    for (const other of [{ entry: sequence + 1 }, { caseId: 'elsewhere' }]) {
      const about = {
        type: 'signalSeen' as const,
        series,
        caseId,
        entry: sequence,
        words: 'so',
        minutes: 3000,
      }
      expect(of([...twenty, high], said({ ...about, ...other })).signals[0]!.seen).toBeUndefined()
    }
    const now = at(21 * 60 + 12)
    expect(signalsToLookAt([of([...twenty, high])], now)).toHaveLength(1)
    expect(signalsToLookAt([chart], now)).toEqual([])
  })
  it('stands on the list for seven days', () => {
    const chart = of([...twenty, high])
    const when = 21 * 60 + 12
    expect(signalsToLookAt([chart], at(when + 7 * DAY - 1))).toHaveLength(1)
    expect(signalsToLookAt([chart], at(when + 7 * DAY))).toEqual([])
  })
  it('limits begin anew with a reason; a value leaves them by hand', () => {
    const series = of(twenty).series
    const anew = of(
      [...twenty, high],
      said({ type: 'limitsSet', series, reason: 'new gauge', minutes: 21 * 60 }),
    )
    expect(anew).toMatchObject({ state: 'dots', from: 1, signals: [], since: { reason: 'new gauge' } })
    const { caseId, sequence } = of(twenty).points()[0]!
    const without = of(
      [...twenty, high],
      said({ type: 'valueLeftOut', series, caseId, entry: sequence, reason: 'read upside down', minutes: 1 }),
    )
    expect(without.points()[0]).toMatchObject({ leftOut: 'read upside down' })
    expect(without.mean).toBeCloseTo((1.4 * 9 + 1.6 * 10 + 3.4) / 20, 9)
  })
  it('a run is one signal, however long it goes on', () => {
    const run = Array.from({ length: 10 }, (_, n) => smooth(`d${n}`, (30 + n) * 60, 1.55))
    expect(of([...twenty, ...run]).signals.map(({ rule }) => rule)).toEqual([4])
  })
  it('of another target it is another series', () => {
    const wide = madeRoute('pqr', [{ id: 'p' }, { id: 'q', checks: [{ ...length, max: 3 }] }, { id: 'r' }])
    expect(
      seriesCharts(record([smooth('a'), smooth('b', 0, 1.5, wide)])).map(({ series }) => series),
    ).toEqual(['pqr/q/length@1..2', 'pqr/q/length@1..3'])
  })
  it('what an instrument reads to is the smallest difference that was ever read', () => {
    const read = (...few: readonly number[]) => stepOfValues([...few, ...few, ...few, ...few])
    expect(read(1, 2, 4)).toBe(1)
    expect(read(0.5, 2)).toBe(1.5)
    expect(read(0.1 + 0.2, 0.3, 0.4)).toBeCloseTo(0.1, 9)
    expect(read(3, 3)).toBeUndefined()
    expect(stepOfValues([1, 2])).toBeUndefined()
  })
})

describe('what the lab says', () => {
  it('is said in words, at its own field', () => {
    const against = (deed: object) => refused(() => checkLabDeed(deed as never))
    const seen = against({ type: 'signalSeen', series: 's', caseId: 'c', entry: 1, words: ' ' })
    expect([seen?.code, seen?.field]).toEqual(['words-missing', 'words'])
    const set = against({ type: 'limitsSet', series: 's', reason: '' })
    expect([set?.code, set?.field]).toEqual(['limits-without-reason', 'reason'])
  })
})

describe('comparisons', () => {
  /** So many jobs of a kind with a lot, of which so many went back. */
  const withLot = (template: string, lot: string, of: number, back: number): MadeCase[] => {
    const route = madeRoute(template, [{ id: 'p' }, { id: 'q' }, { id: 'r' }])
    return Array.from({ length: of }, (_, n) => {
      const id = `${template}-${lot}-${n}`
      const made = n < back ? sentBack(id, n * 100, { route }) : smooth(id, n * 100, 1.5, route)
      const [receipt, begun, ...rest] = made.events
      // Its mix, once P has begun.
      const mix = {
        ...begun!,
        sequence: 3,
        type: 'mixRecorded',
        amountId: 'x',
        materialId: 'stone',
        lots: [lot],
      }
      const later = rest
        .filter(({ type }) => type !== 'checkRecorded')
        .map((event, index) => ({ ...event, sequence: index + 4 }))
      made.events.splice(0, made.events.length, receipt!, begun!, mix as never, ...(later as never[]))
      return made
    })
  }
  it('tell a bad lot from one that only had the hard jobs', () => {
    const cases = [
      // Easy jobs go back once in twenty, hard ones in every second; the bad lot in half of the easy ones too.
      ...withLot('easy', 'good', 40, 2),
      ...withLot('hard', 'good', 10, 5),
      ...withLot('easy', 'bad', 20, 10),
      ...withLot('hard', 'unlucky', 30, 15),
      ...withLot('easy', 'unlucky', 4, 0),
    ]
    const found = comparisons(record(cases), always, ['lot'])
    const of = (name: string) => found.find((each) => each.name === name)!
    expect(of('bad')).toMatchObject({
      first: { count: 10, of: 20 },
      second: { count: 22, of: 84 },
      word: 'strong sign',
    })
    expect(of('bad').compared.common!.difference.low).toBeGreaterThan(0)
    expect(of('bad').cases).toHaveLength(10)
    expect(of('unlucky')).toMatchObject({ word: 'no sign of a difference' })
    expect(of('unlucky').compared.mixMisleads).toBe(true)
    expect(of('unlucky').compared.crude.difference).toBeGreaterThan(0.15)
    // By the exact test at n of three, each against the others, the q of the worst is three times its p.
    expect(of('bad').q).toBeCloseTo(3 * of('bad').compared.exact.midP, 12)
  })
  it('too few to tell leaves the family, and has no word', () => {
    const found = comparisons(
      record([...withLot('easy', 'a', 9, 1), ...withLot('easy', 'b', 7, 2)]),
      always,
      ['lot'],
    )
    // Of two the second says the same as the first.
    expect(found).toHaveLength(1)
    expect(found[0]).toMatchObject({ name: 'a', compared: { state: 'tooFew' } })
    expect(found[0]).not.toHaveProperty('word')
  })
  it('compare variants within their own route', () => {
    const choose = (choice: string, n: number) =>
      Array.from({ length: n }, (_, index) =>
        smooth(`${choice}${index}`, 0, 1.5, { ...pqr, choices: { school: choice } }),
      )
    const found = comparisons(record([...choose('wet', 3), ...choose('dry', 2)]), always)
    expect(found).toMatchObject([
      { kind: 'variant', of: 'pqr/school', name: 'dry', first: { of: 2 }, second: { of: 3 } },
    ])
  })
  it('never people', () => {
    for (const kind of ['person', 'people'])
      expect(() => mustNotBePeople(kind)).toThrow(expect.objectContaining({ code: 'persons-not-compared' }))
    expect(() => comparisons(record([]), always, ['person' as never])).toThrow(/not compared/)
  })
})

describe('causes', () => {
  const name = castingCauses('margin', 'Short', {})[2]!.name
  const found = (id: string, more: object, minutes = 0) => {
    const made = sentBack(id, minutes)
    made.add('causeFound', minutes + 70, { wentBack: 7, place: 'margin', fault: 'Short', ...more } as never)
    return made
  }
  const seen = (n: number) =>
    Array.from({ length: n }, (_, index) => found(`s${index}`, { cause: name, how: 'seen' }, index * DAY))
  it('move the order within what the record says alike, never across', () => {
    const findings = findingsOf(record(seen(5)), 'margin', 'Short')
    expect(findings).toEqual({ [name]: 5 })
    const learned = castingCauses('margin', 'Short', {}, findings)
    expect(learned[0]).toMatchObject({ name, found: { count: 5, of: 5 } })
    // Before, it stood third.
    expect(
      castingCauses('margin', 'Short', {})
        .map((cause) => cause.name)
        .indexOf(name),
    ).toBe(2)
    const against = castingCauses('margin', 'Short', { alloyGrams: 99, patternGrams: 1 }, findings)
    expect(against.at(-1)).toMatchObject({ standing: 'against' })
    expect(against.findIndex((cause) => cause.name === name)).toBe(against.length - 1)
  })
  it('what was only assumed counts nowhere, and a reset begins anew', () => {
    const assumed = found('x', { cause: name, how: 'assumed' }, 9 * DAY)
    expect(findingsOf(record([...seen(2), assumed]), 'margin', 'Short')).toEqual({ [name]: 2 })
    const reset = said({
      type: 'causeWeightsReset',
      place: 'margin',
      fault: 'Short',
      reason: 'new oven',
      minutes: DAY,
    })
    expect(findingsOf(record(seen(3), { said: reset }), 'margin', 'Short')).toEqual({ [name]: 2 })
    expect(findingsOf(record(seen(3), { said: reset }), 'margin', 'Rounded')).toEqual({})
  })
  it('below five findings no count is shown, but the order has moved', () => {
    const learned = castingCauses('margin', 'Short', {}, { [name]: 4 })
    expect(learned[0]).toMatchObject({ name })
    expect(learned[0]).not.toHaveProperty('found')
  })
  it('by what they cost: two or more in rows, single ones apart, not found and not said by themselves', () => {
    const table = causeTable(
      record([
        ...seen(3),
        found('one', { cause: 'A slip of the hand', how: 'assumed' }, 10 * DAY),
        found('none', { cause: 'notFound' }, 11 * DAY),
        sentBack('unsaid', 12 * DAY),
      ]),
      always,
    )
    expect(table).toMatchObject({
      rows: [{ cause: name, count: 3, handsHours: 1.5, assumed: 0, share: { count: 3, of: 6 } }],
      single: [{ cause: 'A slip of the hand', assumed: 1 }],
      notFound: { count: 1 },
      notSaid: { count: 1 },
      count: 6,
    })
    expect(table.rows[0]!.interval).toMatchObject({ hours: 1.5 })
    expect(table.single[0]).not.toHaveProperty('interval')
  })
  it('have no clear order while each might be as much as the one before it', () => {
    const row = (handsHours: number, low: number, high: number) => ({
      handsHours,
      interval: { low, high, hours: handsHours, events: 3, state: 'told' as const },
    })
    expect(noClearOrder([row(18, 5, 50), row(8, 3, 22)])).toBe(true)
    expect(noClearOrder([row(18, 15, 50), row(8, 3, 14)])).toBe(false)
    expect(noClearOrder([row(18, 15, 50)])).toBe(false)
  })
  it('what came twice is a row, without a range', () => {
    const { rows, single } = causeTable(record(seen(2)), always)
    expect(rows).toMatchObject([{ cause: name, count: 2 }])
    expect(rows[0]).not.toHaveProperty('interval')
    expect(single).toEqual([])
  })
  it('the last that is said of a going back counts; hits are of what was measured or seen', () => {
    const made = found('a', { cause: 'notFound' })
    made.add('causeFound', 80, { wentBack: 7, cause: 'other', said: 'a draught', how: 'measured' } as never)
    expect(losses(record([made]), always)).toMatchObject([{ cause: 'a draught' }])
    expect(finderHits(record([made]), always)).toBeUndefined()
  })
  it('a cause that no list names is refused', () => {
    for (const cause of [name, 'other', 'notFound', CLINIC_CAUSE, 'Opened warm'])
      expect(() => mustBeKnownCause({ cause })).not.toThrow()
    expect(() => mustBeKnownCause({ cause: 'Ravi' })).toThrow(
      expect.objectContaining({ code: 'cause-unknown' }),
    )
  })
})
