import { describe, expect, it } from '@jest/globals'
import { spoken } from '../quantity/index.ts'
import { goodSheet, type SheetData } from '../sheet/index.ts'
import { Bench, J } from '../testing/index.ts'
import { type CaseCommand, eventWords, standingMixes, stepOf } from './index.ts'

describe('an entry that is corrected', () => {
  it('changes that reading alone, and takes back what the dentist accepted of it alone', () => {
    const bench = new Bench('complete-denture').upTo('pin-opening')
    const read = (value: number) => {
      bench.check('pin-opening', 'pin-open', value)
      return bench.working.state.sequence
    }
    const first = read(2.6)
    bench.do({ type: 'dentistAnswered', jobId: J, answer: 'Grind it in', decision: 'proceed' })
    const second = read(3.1)
    bench.do({ type: 'dentistAnswered', jobId: J, answer: 'Grind that in too', decision: 'proceed' })
    const step = () => bench.job.steps['pin-opening']!
    const accepted = step().accepted
    expect(accepted).toContain(second)
    bench.do({ type: 'correct', corrects: second, value: 1.4, reason: 'read wrong' })
    expect(step().readings.map(({ value }) => value)).toEqual([2.6, 1.4])
    expect(step().readings[0]!.corrected).toBeUndefined()
    expect(step().accepted).toEqual(accepted.filter((sequence) => sequence !== second))
    expect(step().accepted.includes(first)).toBe(accepted.includes(first))
  })
  it('changes that mix alone, and of it only what is given', () => {
    const bench = new Bench().upTo('pour-anatomy')
    const mix = bench.carefully('pour-anatomy').find(({ type }) => type === 'recordMix')!
    bench.do(mix)
    const first = bench.working.state.sequence
    bench.do(mix)
    const second = bench.working.state.sequence
    const [, before] = bench.job.steps['pour-anatomy']!.mixes
    bench.do({ type: 'correct', corrects: second, powderGrams: 101.5, reason: 'read wrong' })
    const mixes = bench.job.steps['pour-anatomy']!.mixes
    expect(mixes.map(({ sequence }) => sequence)).toEqual([first, second])
    expect(mixes[0]!.corrected).toBeUndefined()
    expect(mixes[1]).toMatchObject({
      powderGrams: 101.5,
      liquidMillilitres: before!.liquidMillilitres,
      corrected: { powderGrams: before!.powderGrams, liquidMillilitres: before!.liquidMillilitres },
    })
    bench.do({ type: 'correct', corrects: first, liquidMillilitres: 31, reason: 'spilt' })
    expect(bench.job.steps['pour-anatomy']!.mixes[0]).toMatchObject({ liquidMillilitres: 31 })
  })
  it('going back opens what was done; what nobody touched stays the first attempt', () => {
    const bench = new Bench().upTo('set')
    bench.do({ type: 'goBack', jobId: J, toStepId: 'pour-anatomy', remake: false, reason: 'bubbles' })
    const attempts = Object.fromEntries(
      bench.job.route.steps.map(({ id }) => [id, bench.job.steps[id]!.attempt]),
    )
    expect(attempts).toMatchObject({ 'pour-anatomy': 2, set: 2 })
    const after = bench.job.route.steps.slice(bench.job.route.steps.findIndex(({ id }) => id === 'set') + 1)
    expect(after.length).toBeGreaterThan(0)
    for (const { id } of after) expect(bench.job.steps[id]).toMatchObject({ attempt: 1, past: [] })
  })
  it('changes a sheet of a step that is over; what it said first stays beside it', () => {
    const bench = new Bench('implant-verification', { implants: '3' }).upTo('parts-in')
    const parts = (screws: number): SheetData => ({
      kind: 'parts',
      parts: [
        { name: 'Impression copings', count: 3 },
        { name: 'Coping screws', count: screws },
        { name: 'Impression tray', count: screws },
      ],
    })
    bench.sheet('parts-in', 'parts-list', parts(3))
    const sequence = bench.working.state.sequence
    bench.finish('parts-in')
    const correct = (more: object) => ({
      type: 'correct' as const,
      corrects: sequence,
      reason: 'one tray',
      ...more,
    })
    expect(bench.refusal(correct({}))).toBe('sheet-missing')
    expect(
      bench.refusal(
        correct({ sheet: goodSheet(stepOf(new Bench('cast-crown').job, 'wax-occlusal').sheets![0]!) }),
      ),
    ).toBe('sheet-missing')
    expect(bench.refusal(correct({ sheet: { kind: 'parts', parts: [] } }))).toBe('words-missing')
    const right: SheetData = {
      kind: 'parts',
      parts: [
        { name: 'Impression copings', count: 3 },
        { name: 'Coping screws', count: 3 },
        { name: 'Impression tray', count: 1 },
      ],
    }
    bench.do(correct({ sheet: right }))
    const [stored] = bench.job.steps['parts-in']!.sheets
    expect(stored).toMatchObject({ sheet: right, corrected: { sheet: parts(3), reason: 'one tray' } })
    const words = eventWords(bench.working.events.at(-1)!, {
      jobs: bench.working.state.jobs,
      lotNumber: String,
    })
    expect(spoken(words, 'metric')).toContain('1 Impression tray')
  })
  it('pieces of the stock are not moved by a correction', () => {
    const bench = new Bench('cast-crown').upTo('weigh-metal')
    for (const command of bench.carefully('weigh-metal')) bench.do(command)
    const [charge] = bench.job.steps['weigh-metal']!.sheets
    const { sheet, sequence } = charge!
    expect(bench.refusal({ type: 'correct', corrects: sequence, sheet, reason: 'x' })).toBe('sheet-of-stock')
  })
  it('changes the lot of a mix, and the first one is still known to the case', () => {
    const bench = new Bench().upTo('pour-anatomy')
    const [mix] = bench.carefully('pour-anatomy').filter(({ type }) => type === 'recordMix')
    bench.do({ ...mix!, lots: ['L1'] } as CaseCommand)
    bench.do({
      type: 'correct',
      corrects: bench.working.state.sequence,
      lots: ['L2'],
      reason: 'the other bag',
    })
    const [stored] = bench.job.steps['pour-anatomy']!.mixes
    expect(stored).toMatchObject({ lots: ['L2'], corrected: { lots: ['L1'] } })
    expect(stored!.powderGrams).toBeGreaterThan(0)
    expect(standingMixes(bench.working.events)[0]!.lots).toEqual(['L2'])
    expect(bench.working.state.lots).toEqual(['L1', 'L2'])
    const words = eventWords(bench.working.events.at(-1)!, {
      jobs: bench.working.state.jobs,
      lotNumber: (id) => `no. ${id}`,
    })
    expect(spoken(words, 'metric')).toMatch(/to lot no\. L2/)
  })
})
