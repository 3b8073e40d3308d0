import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { spoken } from '../quantity/index.ts'
import { Bench, MINUTE, routes, START } from '../testing/index.ts'
import { chained, hasLinks, looseLink } from './chain.ts'
import { eventWords, personOn } from './event-words.ts'
import { stepMinutes } from './job.ts'
import { stampAfter } from './working-case.ts'

const { eventHash } = routes
const worked = new Bench().upTo('trim').working.events
/** As a record of before there were links. */
const unlinked = worked.map(({ previous: _, ...event }) => event)

describe('the links of a record', () => {
  it('are made with every event, and all fit', () => {
    expect(worked.length).toBeGreaterThan(20)
    expect(worked[0]).not.toHaveProperty('previous')
    for (const [index, { previous }] of worked.slice(1).entries())
      expect(previous).toBe(eventHash(worked[index]!))
    expect(looseLink(worked, eventHash)).toBeUndefined()
  })
  it('can be made afterwards, and are the same', () => {
    expect(hasLinks(unlinked)).toBe(false)
    expect(hasLinks(unlinked.slice(0, 1))).toBe(false)
    expect(chained(unlinked, eventHash)).toEqual(worked)
    expect(chained([], eventHash)).toEqual([])
    expect(looseLink(unlinked, eventHash)).toBe(2)
  })
  it('show any change of any event but the last, wherever it is made', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: worked.length - 2 }),
        fc.constantFrom('by', 'at', 'type'),
        (n, what) => {
          const changed = worked.map((event, index) => (index === n ? { ...event, [what]: 'x' } : event))
          expect(looseLink(changed, eventHash)).toBe(n + 2)
        },
      ),
    )
  })
  it('show an event that was taken out, put in or moved', () => {
    const at = 5
    expect(
      looseLink(
        worked.filter((_, n) => n !== at),
        eventHash,
      ),
    ).toBe(at + 2)
    expect(looseLink(worked.slice(1), eventHash)).toBe(2)
    const twice = [...worked.slice(0, at), worked[at - 1]!, ...worked.slice(at)]
    expect(looseLink(twice, eventHash)).toBe(at)
    const [a, b] = worked.slice(at, at + 2)
    expect(looseLink([...worked.slice(0, at), b!, a!, ...worked.slice(at + 2)], eventHash)).toBe(at + 2)
  })
  it('show a first event that claims to follow something', () => {
    const [first, ...rest] = worked
    expect(looseLink([{ ...first!, previous: 'x' }, ...rest], eventHash)).toBe(1)
  })
})

describe('the time of an event', () => {
  const bench = new Bench()
  const [received] = bench.working.events
  it('is that of the clock, to the millisecond', () => {
    expect(stampAfter([received!], START + 1, 'Ben', eventHash)).toEqual({
      sequence: 2,
      at: '2026-03-02T08:00:00.001Z',
      by: 'Ben',
      previous: eventHash(received!),
    })
  })
  it('never runs back: it is that of the event before, and the first one says what the clock said', () => {
    const back = new Bench()
    back.now = START + 30 * MINUTE
    back.do({ type: 'note', text: 'one' })
    back.now = START - 60 * MINUTE
    back.do({ type: 'note', text: 'two' })
    back.now = START - 50 * MINUTE
    back.do({ type: 'note', text: 'three' })
    back.now = START + 31 * MINUTE
    back.do({ type: 'note', text: 'four' })
    const stamps = back.working.events
      .slice(1)
      .map(({ at, clockAt }) => [at.slice(11, 16), clockAt?.slice(11, 16)])
    expect(stamps).toEqual([
      ['08:30', undefined],
      ['08:30', '07:00'],
      ['08:30', undefined],
      ['08:31', undefined],
    ])
    const reader = { jobs: back.working.state.jobs, lotNumber: (id: string) => id }
    expect(spoken(eventWords(back.working.events[2]!, reader), 'metric', () => '07:00')).toBe(
      'Note: two (the clock had run back: it said 07:00)',
    )
  })
  it('a clock set back by a second takes no word, by more it does', () => {
    expect(stampAfter([received!], START - 1000, 'Ada', eventHash)).not.toHaveProperty('clockAt')
    expect(stampAfter([received!], START - 1001, 'Ada', eventHash)).toMatchObject({
      at: new Date(START).toISOString(),
      clockAt: '2026-03-02T07:59:58.999Z',
    })
  })
  it('after a jump a window is judged by the time of the record, not by the clock that ran back', () => {
    const finish = { type: 'finishStep', jobId: 'job-1', stepId: 'wrap' } as const
    const wrapped = new Bench().upTo('wrap')
    const stood = wrapped.now
    wrapped.now += 5 * MINUTE
    wrapped.do({ type: 'note', text: 'looked' })
    wrapped.now = stood - 45 * MINUTE
    wrapped.do(finish)
    const step = wrapped.job.steps.wrap!
    expect(stepMinutes(step)).toBe(5)
  })
})

describe('a case from elsewhere', () => {
  it('names whose its entries are, up to the one by which it came', () => {
    const imported = { sequence: 5, lab: 'Kiln Street' }
    expect(personOn({ imported }, { sequence: 4, by: 'Ben' })).toBe('Ben (Kiln Street)')
    expect(personOn({ imported }, { sequence: 5, by: 'Ada' })).toBe('Ada')
    expect(personOn({ imported: { sequence: 5 } }, { sequence: 1, by: 'Ben' })).toBe('Ben (elsewhere)')
    expect(personOn({}, { sequence: 1, by: 'Ben' })).toBe('Ben')
  })
})
