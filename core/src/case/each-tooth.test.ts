import { describe, expect, it } from '@jest/globals'
import { spoken } from '../quantity/index.ts'
import { teethOf } from '../route/index.ts'
import { teethNotRead } from '../sheet/index.ts'
import { Bench, J, MINUTE } from '../testing/case-bench.ts'
import { eventWords, stepOf, stepWindow } from './index.ts'

const teeth = [11, 12, 21]
/** At the exchange of stone teeth for copies, of these teeth. */
function atExchange(): Bench {
  const bench = new Bench('immediate-denture')
  bench.do({ type: 'amend', changes: { teeth }, reason: 'left out' })
  return bench.upTo('replace-teeth')
}
const read = (bench: Bench, ...places: string[]) =>
  bench.sheet('replace-teeth', 'pin-each', {
    kind: 'places',
    places: places.map((place) => ({ place, value: 0 })),
  })
const finish = { type: 'finishStep', jobId: J, stepId: 'replace-teeth' } as const

describe('what is read tooth by tooth', () => {
  it('one copied tooth of three is not the whole exchange', () => {
    const bench = atExchange()
    for (const command of bench.carefully('replace-teeth')) bench.do(command)
    read(bench, '11')
    expect(bench.refusal(finish)).toBe('teeth-not-read')
    read(bench, '11', '12', '21')
    expect(bench.refusal(finish)).toBeUndefined()
  })
  it('names the teeth that are still to come', () => {
    const bench = atExchange()
    read(bench, '12')
    expect(() => bench.do(finish)).toThrow('11, 21 are still to come')
    read(bench, '12', '21')
    expect(() => bench.do(finish)).toThrow('11 is still to come')
  })
  it('takes them by the numbers of the bench, FDI or universal', () => {
    // FDI 11, 12, 21 are universal 8, 7, 9 (ISO 3950; ADA, recalled).
    const places = ['8', ' 7', '21'].map((place) => ({ place }))
    expect(teethNotRead({ suggestTeeth: true }, places, teeth)).toEqual([])
    expect(teethNotRead({ suggestTeeth: true }, places.slice(1), teeth)).toEqual([11])
  })
  it('asks nothing of a sheet by places, nor where no tooth is named', () => {
    expect(teethNotRead({}, [], teeth)).toEqual([])
    expect(teethNotRead({ suggestTeeth: true }, [], [])).toEqual([])
  })
})

describe('a check that is read tooth by tooth', () => {
  const bridge = () => new Bench('cast-bridge').upTo('inspect-dies')
  const sound = (tooth?: number, answer = 'Sound, margin clear') =>
    ({ type: 'recordCheck', jobId: J, stepId: 'inspect-dies', checkId: 'dies-sound', answer, tooth }) as const
  const finish = { type: 'finishStep', jobId: J, stepId: 'inspect-dies' } as const
  it('is read at both retainers of a bridge, not at its pontic, and the step waits for the other one', () => {
    const bench = bridge()
    bench.check('inspect-dies', 'dies-home', 'Home, pin down')
    for (const tooth of [undefined, 36, 11]) expect(bench.refusal(sound(tooth))).toBe('not-read-there')
    bench.do(sound(35))
    expect(bench.refusal(finish)).toBe('check-missing')
    bench.do(sound(37))
    expect(bench.refusal(finish)).toBeUndefined()
  })
  it('what is good at one is not good for the other', () => {
    const bench = bridge()
    bench.check('inspect-dies', 'dies-home', 'Home, pin down')
    bench.do(sound(37, 'A chip or bubble off the margin'))
    bench.do(sound(35))
    expect(bench.refusal(finish)).toBe('check-failing')
    expect(
      bench.refusal({
        type: 'recordCheck',
        jobId: J,
        stepId: 'inspect-dies',
        checkId: 'dies-home',
        answer: 'Home, pin down',
        tooth: 35,
      }),
    ).toBe('not-read-there')
    bench.do(sound(37))
    expect(bench.refusal(finish)).toBeUndefined()
    const last = bench.working.events.findLast(({ type }) => type === 'checkRecorded')!
    const words = eventWords(last, { jobs: bench.working.state.jobs, lotNumber: String })
    expect(spoken(words, 'metric')).toBe('Dies, 37: Sound, margin clear')
    expect(spoken(words, 'metric', String, (fdi) => `#${fdi - 19}`)).toContain('#18')
  })
  it('single crowns are each looked at, the middle of three too', () => {
    const bench = new Bench('cast-crown').upTo('inspect-dies')
    const places = stepOf(bench.job, 'inspect-dies').checks!.map((check) => teethOf(check, [37, 35, 36]))
    expect(places).toContainEqual([37, 35, 36])
    expect(places).toContainEqual([undefined])
  })
  it('the ends of a bridge across the midline are its retainers', () => {
    const check = stepOf(bridge().job, 'inspect-dies').checks!.find(({ id }) => id === 'dies-sound')!
    expect(teethOf(check, [21, 12, 11])).toEqual([21, 12])
    expect(teethOf(check, [32, 42, 41, 31])).toEqual([32, 42, 41, 31])
    expect(teethOf(check, [])).toEqual([undefined])
  })
})

describe('copies that are filled one after the other', () => {
  it('each counts its minutes to the pot from its own powder: the first closes the window', () => {
    const bench = new Bench('immediate-denture')
    bench.do({ type: 'amend', changes: { teeth }, reason: 'left out' })
    bench.upTo('fill-copies')
    const filled = (tooth: number) =>
      bench.do({
        type: 'recordCheck',
        jobId: J,
        stepId: 'fill-copies',
        checkId: 'filled',
        answer: 'Stands',
        tooth,
      })
    for (const command of bench.carefully('fill-copies')) if (command.type === 'recordMix') bench.do(command)
    bench.check('fill-copies', 'level', 'Level')
    const first = bench.now
    for (const tooth of teeth) {
      filled(tooth)
      bench.now += MINUTE
    }
    bench.finish('fill-copies')
    const window = () => stepWindow(bench.job, stepOf(bench.job, 'copy-pot'))!
    // Common practice: sets in about 5 min.
    expect(window().pastFrom).toBe(first + 5 * MINUTE)
    bench.now = first + 6 * MINUTE
    expect(bench.refusal({ type: 'startStep', jobId: J, stepId: 'copy-pot' })).toBe('window-missed')
  })
  it('one that is filled again begins again', () => {
    const bench = new Bench('immediate-denture')
    bench.do({ type: 'amend', changes: { teeth: [11] }, reason: 'left out' })
    bench.upTo('fill-copies')
    for (const command of bench.carefully('fill-copies')) bench.do(command)
    bench.now += 4 * MINUTE
    bench.do({
      type: 'recordCheck',
      jobId: J,
      stepId: 'fill-copies',
      checkId: 'filled',
      answer: 'Stands',
      tooth: 11,
    })
    const again = bench.now
    bench.finish('fill-copies')
    expect(stepWindow(bench.job, stepOf(bench.job, 'copy-pot'))?.pastFrom).toBe(again + 5 * MINUTE)
  })
})
