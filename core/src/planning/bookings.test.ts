import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { Batches, Diary, Places } from './bookings.ts'
import { OpenTime, windowFor, without } from './open-time.ts'

const HORIZON = 60
/** Minutes in which it is open, as windows. */
const windows = fc
  .array(fc.boolean(), { minLength: HORIZON, maxLength: HORIZON })
  .map((open) =>
    open.flatMap((is, n): [number, number][] => {
      if (!is || (n > 0 && open[n - 1])) return []
      const ends = open.findIndex((each, k) => k > n && !each)
      return [[n, ends < 0 ? HORIZON : ends]]
    }),
  )
  .filter((all) => all.length > 0)
const holds = fc.array(
  fc.record({
    from: fc.integer({ min: 0, max: 50 }),
    span: fc.integer({ min: 1, max: 9 }),
    size: fc.integer({ min: 1, max: 3 }),
  }),
  { maxLength: 8 },
)
const takenAt = (list: readonly { from: number; span: number; size: number }[], minute: number) =>
  list.reduce((sum, { from, span, size }) => sum + (from <= minute && minute < from + span ? size : 0), 0)

describe('the places of a machine', () => {
  it('fit first where a look at every minute says so, and never where there is no room', () => {
    fc.assert(
      fc.property(
        holds,
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 4 }),
        (list, start, span, size) => {
          const places = new Places(4)
          for (const { from, span: for_, size: takes } of list) places.take(from, from + for_, takes)
          const fits = (at: number) =>
            Array.from({ length: span }, (_, n) => takenAt(list, at + n) + size <= 4).every(Boolean)
          let at = start
          while (!fits(at)) at++
          expect(places.firstFit(start, span, size)).toBe(at)
          expect(places.firstFit(start, span, 5)).toBe(Number.POSITIVE_INFINITY)
        },
      ),
    )
  })
  it('are free of what is given back, in whatever order, and idle when nothing is in them', () => {
    fc.assert(
      fc.property(
        holds,
        fc.integer({ min: 0, max: 30 }),
        fc.integer({ min: 0, max: 40 }),
        (list, from, span) => {
          const places = new Places(99)
          for (const each of list) places.take(each.from, each.from + each.span, each.size)
          const idle = Array.from({ length: span }, (_, n) => takenAt(list, from + n) === 0).filter(
            Boolean,
          ).length
          expect(places.idle(from, from + span)).toBe(idle)
          expect(places.lastUse()).toBe(Math.max(0, ...list.map((each) => each.from + each.span)))
          for (const each of [...list].reverse()) places.take(each.from, each.from + each.span, -each.size)
          expect(places.idle(from, from + span)).toBe(span)
          expect(places.lastUse()).toBe(0)
        },
      ),
    )
  })
  it('keep to one window where the machine is not always there', () => {
    const open: [number, number][] = [
      [0, 10],
      [20, 50],
    ]
    const places = new Places(1, open)
    expect([places.firstFit(0, 10, 1), places.firstFit(1, 10, 1), places.firstFit(0, 31, 1)]).toEqual([
      0,
      20,
      Number.POSITIVE_INFINITY,
    ])
    places.take(22, 30, 1)
    expect([places.firstFit(0, 11, 1), places.firstFit(20, 2, 1), places.firstFit(20, 3, 1)]).toEqual([
      30, 20, 30,
    ])
    expect(windowFor(open, 45, 5)).toBe(45)
    expect(windowFor(open, 46, 5)).toBeUndefined()
  })
})

describe('the diary of a person', () => {
  it('has a gap where a look at every open minute says so, in one window unless it may pause', () => {
    fc.assert(
      fc.property(
        windows,
        fc.array(fc.integer({ min: 0, max: 50 }), { maxLength: 4 }),
        fc.integer({ min: 0, max: 20 }),
        fc.integer({ min: 1, max: 8 }),
        fc.boolean(),
        (open, booked, start, minutes, mayPause) => {
          const time = new OpenTime(open, HORIZON)
          const diary = new Diary(time)
          const taken = new Set<number>()
          for (const from of booked) {
            // Two minutes each, where both are still free.
            if (from + 2 > time.total || taken.has(from) || taken.has(from + 1)) continue
            diary.book(from, from + 2)
            taken.add(from).add(from + 1)
          }
          const isFree = (at: number) =>
            at + minutes <= time.total &&
            Array.from({ length: minutes }, (_, n) => !taken.has(at + n)).every(Boolean) &&
            (mayPause || time.starts(at + minutes - 1) - time.starts(at) === minutes - 1)
          let at = start
          while (at < time.total && !isFree(at)) at++
          expect(diary.gap(start, minutes, mayPause)).toBe(at < time.total ? at : -1)
          for (const from of [...taken].filter((each) => taken.has(each + 1) && booked.includes(each))) {
            diary.free(from, from + 2)
            diary.book(from, from + 2)
          }
          expect(diary.gap(start, minutes, mayPause)).toBe(at < time.total ? at : -1)
        },
      ),
    )
  })
  it('counts its own minutes without the closed ones, there and back', () => {
    fc.assert(
      fc.property(windows, (open) => {
        const time = new OpenTime(open, HORIZON)
        const minutes = open.flatMap(([opens, closes]) =>
          Array.from({ length: closes - opens }, (_, n) => opens + n),
        )
        expect(time.total).toBe(minutes.length)
        for (const [n, minute] of minutes.entries()) {
          expect([time.starts(n), time.ends(n + 1), time.at(minute), time.isOpen(minute)]).toEqual([
            minute,
            minute + 1,
            n,
            true,
          ])
          const [, closes] = open.find(([opens, ends]) => opens <= minute && minute < ends)!
          expect(time.windowEnd(n) - n).toBe(closes - minute)
        }
        for (let minute = 0; minute <= HORIZON; minute++) {
          expect(time.at(minute)).toBe(minutes.filter((each) => each < minute).length)
          expect(time.isOpen(minute)).toBe(minutes.includes(minute))
        }
        expect([time.at(-5), time.at(HORIZON + 99), time.ends(0)]).toEqual([0, minutes.length, 0])
      }),
    )
  })
})

describe('stretches without others', () => {
  it('are what is left minute by minute', () => {
    fc.assert(
      fc.property(windows, windows, (open, gone) => {
        const has = (list: readonly (readonly [number, number])[], minute: number) =>
          list.some(([from, until]) => from <= minute && minute < until)
        const left = without(open, gone)
        for (let minute = 0; minute < HORIZON; minute++)
          expect(has(left, minute)).toBe(has(open, minute) && !has(gone, minute))
        expect(left.every(([from, until]) => from < until)).toBe(true)
      }),
    )
  })
})

describe('the batches of an oven', () => {
  const GLAZE = 1
  it('are in the order of time, one for each program and start, as long as all that is in them', () => {
    const oven = new Batches(3)
    const late = oven.add(0, 1, GLAZE, 100, 90, 160)
    const early = oven.add(1, 1, GLAZE, 10, 5, 70)
    expect(oven.list).toEqual([early, late])
    expect(oven.add(2, 2, GLAZE, 100, 80, 150)).toBe(late)
    expect(late).toMatchObject({ size: 3, from: 80, to: 160, members: [0, 2] })
    oven.add(3, 1, GLAZE, 100, 95, 170)
    expect([late.from, late.to]).toEqual([80, 170])
    const between = oven.add(4, 1, GLAZE, 72, 71, 79)
    expect(oven.list).toEqual([early, between, late])
    expect([5, 69, 70, 78, 79, 169, 170].map((at) => oven.firstAfter(at))).toEqual([0, 0, 1, 1, 2, 2, 3])
    // Empty for five minutes, for one, and for one.
    expect(oven.idle(0)).toBe(5 + 1 + 1)
    expect(oven.idle(60)).toBe(2)
  })
  it('shrink to what is left, and go when nothing is', () => {
    const oven = new Batches(3)
    const from = Int32Array.from([90, 80, 85])
    const to = Int32Array.from([160, 150, 170])
    for (let hold = 0; hold < 3; hold++) oven.add(hold, 1, GLAZE, 100, from[hold]!, to[hold]!)
    const [batch] = oven.list
    oven.remove(batch!, 1, 1, from, to)
    expect(batch).toMatchObject({ size: 2, from: 85, to: 170, members: [0, 2] })
    oven.remove(batch!, 2, 1, from, to)
    expect(batch).toMatchObject({ size: 1, from: 90, to: 160 })
    oven.remove(batch!, 0, 1, from, to)
    expect(oven.list).toEqual([])
  })
})
