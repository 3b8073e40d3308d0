import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { seededRandom } from '../random/index.ts'
import { inventedLab } from '../testing/plan-lab.ts'
import { hands, tinyLab } from '../testing/tiny-plan.ts'
import { network, PlanSearch } from './index.ts'
import { alone, blockKeys, replayOrder } from './lay.ts'
import { Neighbourhoods } from './neighbourhoods.ts'
import { PROGRAM } from './network.ts'
import { scheduleOf } from './stored-plan.ts'
import { Worth } from './worth.ts'

/** A lab with its plan, and how the search would choose in it. */
function chooserIn(seed: number, random: () => number) {
  const net = network(inventedLab(8, 3, seed))
  const search = new PlanSearch(net, { seed: 1 })
  const schedule = scheduleOf(net, search.best.plan)
  const times = alone(net)
  const worth = new Worth(net)
  const value = Float64Array.from(net.cases, (_, one) => worth.scalarOf(schedule, one))
  const near = new Neighbourhoods(net, schedule, random, blockKeys(net, times)[1]!)
  return { net, schedule, plan: search.best.plan, choose: () => near.choose(value, times.end) }
}
/** Given numbers first, then those of a seed. */
const drawn = (...first: readonly number[]) => {
  const rest = seededRandom(5)
  let n = 0
  return () => first[n++] ?? rest()
}

describe('what is taken out to be laid again', () => {
  it('is two to seven cases, each once, from some block of theirs on, and goes back in an order that can be', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), (seed) => {
        const { net, choose } = chooserIn(seed, seededRandom(seed))
        for (let n = 0; n < 25; n++) {
          const { cases, byCase, blocks, order } = choose()
          expect(new Set(cases).size).toBe(cases.length)
          expect([cases.length >= 1, cases.length <= 7]).toEqual([true, true])
          for (const [k, one] of cases.entries()) {
            const all = net.caseBlocks[one]!
            expect(byCase[k]).toEqual(all.slice(all.length - byCase[k]!.length))
            expect(byCase[k]!.length).toBeGreaterThan(0)
          }
          expect(blocks).toEqual(byCase.flat())
          expect([...order].sort((a, b) => a - b)).toEqual([...blocks].sort((a, b) => a - b))
          for (const [k, block] of order.entries())
            for (const before of net.blocksBefore[block]!) expect(order.indexOf(before)).toBeLessThan(k)
        }
      }),
      { numRuns: 8 },
    )
  })
  it('by a batch: cases with the same program within a day of each other', () => {
    let met = 0
    for (let seed = 1; seed < 12; seed++) {
      const { net, schedule, choose } = chooserIn(seed, drawn(0.99, 0.7))
      const { cases } = choose()
      const programs = (one: number) => net.caseSteps[one]!.filter((step) => net.kind[step] === PROGRAM)
      const shared = cases.every((one) =>
        programs(one).some((step) =>
          cases.every((other) =>
            programs(other).some(
              (each) =>
                net.program[each] === net.program[step] &&
                Math.abs(schedule.start[each]! - schedule.start[step]!) <= 2 * 1440,
            ),
          ),
        ),
      )
      if (cases.length > 2) {
        met++
        expect(shared).toBe(true)
      }
    }
    expect(met).toBeGreaterThan(2)
  })
})

describe('a plan laid again', () => {
  it('in the order of its starts, what was begun first', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), (seed) => {
        const { net, plan } = chooserIn(seed, seededRandom(seed))
        const start = new Map(plan.steps.map(({ id, startMinute }) => [id, startMinute]))
        const first = (block: number) =>
          Math.min(...net.blocks[block]!.map((step) => start.get(net.ids[step]!)!))
        const order = replayOrder(net, plan)
        expect([...order].sort((a, b) => a - b)).toEqual(net.blocks.map((_, block) => block))
        const free = order.filter((block) => !net.begun[block])
        expect(order.slice(order.length - free.length)).toEqual(free)
        const starts = free.map(first)
        expect(starts).toEqual([...starts].sort((a, b) => a - b))
      }),
      { numRuns: 8 },
    )
  })
})

describe('what has no place before the horizon', () => {
  it('is named, and nothing is searched for then', () => {
    const lab = tinyLab({ horizonMinute: 1020, steps: [hands('A.1', 60), hands('B.1', 600)] })
    const search = new PlanSearch(network(lab), { seed: 1 })
    expect(search.unplaced).toEqual(['B'])
    expect(search.run(50)).toBe(false)
    expect(search.rounds).toBe(0)
  })
})
