import { describe, expect, it } from '@jest/globals'
import type { SheetData } from '../sheet/index.ts'
import { Bench, J } from '../testing/case-bench.ts'
import { inventedPair, type PairEntry, planPair, rebasesOf } from '../trimming/index.ts'
import { recordedSheet, stepOf, stepOfSheet } from './job.ts'
import { amountsIn, leavingOut, rebasesIn, whyNotLeftOut } from './planned.ts'

const pair: PairEntry = inventedPair
const flat = (heightMillimetres: number) => [
  { at: { x: 0, y: 44 }, heightMillimetres },
  { at: { x: -24, y: 6 }, heightMillimetres },
  { at: { x: 24, y: 6 }, heightMillimetres },
]
const square = [
  { x: -30, y: -5 },
  { x: 30, y: -5 },
  { x: 30, y: 55 },
  { x: -30, y: 55 },
]
/** Both bases level; the upper of this height, the lower thick enough. */
const entry = (upper: number): PairEntry => ({
  ...pair,
  upper: { ...pair.upper, outline: square, heights: flat(upper) },
  lower: { ...pair.lower, outline: square, heights: flat(45) },
})
const plan = (upper: number): SheetData => ({ kind: 'trimPlan', entry: entry(upper) })

/** At the rebase, with the upper base of this height. */
function atRebase(upper: number): Bench {
  const bench = new Bench('study-model-pair').upTo('measure')
  bench.sheet('measure', 'trim-plan', plan(upper))
  bench.finish('measure')
  return bench
}
const leaveOut = (stepId: string) => ({ type: 'skipStep', jobId: J, stepId, reason: 'none' }) as const

describe('a base that is too thin', () => {
  // Half of 69.85 mm is 34.925: a level base of 32.925 is 2 mm short, and gets 2 mm more to be trimmed flat.
  it('gets what the plan says over its whole marked outline: 36 cm2 by 4 mm', () => {
    const [only, ...others] = rebasesOf(entry(32.925))
    expect(others).toEqual([])
    expect(only).toMatchObject({ arch: 'upper' })
    expect(only!.millimetres).toBeCloseTo(4, 9)
    expect(only!.cm3).toBeCloseTo(14.4, 9)
  })
  it('without a marked outline gets it over the planned base, which is smaller', () => {
    const unmarked = { ...entry(32.925), upper: { ...entry(32.925).upper, outline: [] } }
    const cm3 = rebasesOf(unmarked)[0]!.cm3
    expect(cm3).toBeGreaterThan(5)
    expect(cm3).toBeLessThan(14.4)
  })
  it('that is just thick enough gets nothing', () => {
    expect(rebasesOf(entry(34.925))).toEqual([])
    expect(planPair(entry(34.925)).upper.heights?.rebaseMillimetres).toBe(0)
  })
})

describe('the rebase of a case', () => {
  it('cannot be left out where the plan wants it, and says which base and by how much', () => {
    const bench = atRebase(32.925)
    const step = stepOf(bench.job, 'rebase')
    expect(whyNotLeftOut(bench.job, step)).toBeDefined()
    expect(bench.refusal(leaveOut('rebase'))).toBe('step-wanted')
    expect(rebasesIn(bench.job, step).map(({ arch }) => arch)).toEqual(['upper'])
  })
  it('can be left out where it does not', () => {
    const bench = atRebase(36)
    expect(whyNotLeftOut(bench.job, stepOf(bench.job, 'rebase'))).toBeUndefined()
    expect(bench.refusal(leaveOut('rebase'))).toBeUndefined()
  })
  it('weighs what fills it: type 3, 2.75 g/cm3 at its ratio, a tenth for the bowl', () => {
    const [stone] = amountsIn(atRebase(32.925).job, stepOf(atRebase(32.925).job, 'rebase'))
    // 14.4 cm3 x 1.1 / (1 / 2.75 + 0.30) = 23.9 g (exact, from the densities).
    expect(stone).toMatchObject({ kind: 'mix', powderGrams: 24, note: 'upper, by the plan' })
  })
  it('uses what its route says where no plan changes it', () => {
    const bench = atRebase(36)
    const step = stepOf(bench.job, 'rebase')
    expect(amountsIn(bench.job, step)).toEqual(step.amounts)
    expect(amountsIn(bench.job, stepOf(bench.job, 'upper-base'))).toEqual([])
  })
})

describe('a plan after a rebase', () => {
  const rebased = () => {
    const bench = atRebase(32.925)
    bench.do({ type: 'startStep', jobId: J, stepId: 'rebase' })
    for (const command of bench.carefully('rebase')) bench.do(command)
    bench.now += 60 * 60_000
    bench.finish('rebase')
    return bench
  }
  it('is read again: that step cannot be left out when stone was added', () => {
    const bench = rebased()
    expect(whyNotLeftOut(bench.job, stepOf(bench.job, 'measure-again'))).toBe(
      '"Rebase what is too thin" was done.',
    )
    expect(bench.refusal(leaveOut('measure-again'))).toBe('step-wanted')
  })
  it('counts from then on, for the cuts too', () => {
    const bench = rebased()
    const of = stepOf(bench.job, 'upper-base').plannedCuts!.of
    expect(stepOfSheet(bench.job, of)).toBe('measure')
    bench.do({ type: 'startStep', jobId: J, stepId: 'measure-again' })
    bench.sheet('measure-again', 'trim-plan', plan(37))
    expect(stepOfSheet(bench.job, of)).toBe('measure-again')
    expect(recordedSheet(bench.job, of)).toEqual(plan(37))
  })
  it('is left out with the rebase', () => {
    const bench = atRebase(36)
    for (const command of leavingOut(bench.job, stepOf(bench.job, 'rebase'), 'Thick enough'))
      bench.do(command)
    expect(bench.job.steps.rebase).toMatchObject({ status: 'skipped', skipReason: 'Thick enough' })
    expect(bench.job.steps['measure-again']).toMatchObject({ skipReason: 'No base was added to.' })
    expect(leavingOut(bench.job, stepOf(bench.job, 'soak'), 'x')).toHaveLength(1)
  })
})

describe('powder that was worked out', () => {
  it('the powder of the ring is what the mix is made of, once it is on record', () => {
    const bench = new Bench('cast-crown').upTo('sprue')
    const invest = stepOf(bench.job, 'invest')
    expect(amountsIn(bench.job, invest)[0]).toMatchObject({ powderGrams: 160 })
    bench.check('sprue', 'ring-powder', 93)
    expect(amountsIn(bench.job, invest)[0]).toMatchObject({ powderGrams: 93 })
  })
})
