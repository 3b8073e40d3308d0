import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { inventedLab } from '../testing/plan-lab.ts'
import { hands, holdOf, tinyLab } from '../testing/tiny-plan.ts'
import { network, type PlanInstance } from './index.ts'

const labs = fc
  .record({
    cases: fc.integer({ min: 2, max: 8 }),
    people: fc.integer({ min: 2, max: 4 }),
    seed: fc.integer({ min: 1, max: 100_000 }),
  })
  .map(({ cases, people, seed }) => inventedLab(cases, people, seed))

describe('a lab by numbers', () => {
  it('has its steps case by case, in an order in which links only lead on', () => {
    fc.assert(
      fc.property(labs, (lab) => {
        const net = network(lab)
        expect([...net.ids].sort()).toEqual(lab.steps.map(({ id }) => id).sort())
        expect([...net.caseOf]).toEqual([...net.caseOf].sort((a, b) => a - b))
        for (const { from, to } of net.links) expect(from).toBeLessThan(to)
        for (const { from, to, program } of net.holds) {
          expect(from).toBeLessThanOrEqual(to)
          if (program >= 0) expect([from <= program, program <= to]).toEqual([true, true])
        }
        expect(net.cases.flatMap((_, one) => net.caseSteps[one]!)).toEqual(net.ids.map((_, step) => step))
      }),
      { numRuns: 15 },
    )
  })
  it('has each step in one block, and what hangs together by a longest wait in the same', () => {
    fc.assert(
      fc.property(labs, (lab) => {
        const net = network(lab)
        expect(net.blocks.flat().sort((a, b) => a - b)).toEqual(net.ids.map((_, step) => step))
        for (const { from, to, max } of net.links)
          if (max >= 0) expect(net.blockOf[from]).toBe(net.blockOf[to])
        for (const [block, steps] of net.blocks.entries()) {
          for (const step of steps) expect(net.blockOf[step]).toBe(block)
          for (const before of net.blocksBefore[block]!) expect(before).not.toBe(block)
        }
        for (const blocks of net.caseBlocks)
          for (const [n, block] of blocks.entries())
            for (const before of net.blocksBefore[block]!) expect(blocks.indexOf(before)).toBeLessThan(n)
      }),
      { numRuns: 15 },
    )
  })
  it('of steps that nothing orders the first by its id comes first', () => {
    const lab: PlanInstance = tinyLab({
      steps: [hands('A.4', 5), hands('A.2', 5), hands('A.3', 5), hands('A.1', 5), hands('A.5', 5)],
      links: [{ from: 'A.4', to: 'A.1', minMinutes: 0 }],
    })
    expect(network(lab).ids).toEqual(['A.2', 'A.3', 'A.4', 'A.1', 'A.5'])
  })
  it('a wait of no minutes ties two steps, one without an end does not', () => {
    const of = (maxMinutes?: number) =>
      network(
        tinyLab({
          steps: [hands('A.1', 5), hands('A.2', 5)],
          links: [
            { from: 'A.1', to: 'A.2', minMinutes: 0, ...(maxMinutes === undefined ? {} : { maxMinutes }) },
          ],
        }),
      ).blocks
    expect([of(0), of(30), of()]).toEqual([[[0, 1]], [[0, 1]], [[0], [1]]])
  })
  it('a hold is never shorter than what lies in it: 10 + 60 + 5 min, of the waits between too', () => {
    const held = (minMinutes: number) => {
      const net = network(
        tinyLab({
          machines: [{ id: 'oven', type: 'batch', capacity: 1 }],
          steps: [
            hands('A.1', 10),
            { id: 'A.2', caseId: 'A', kind: 'program', stage: 'f', minutes: 60, program: 'glaze' },
            hands('A.3', 5),
          ],
          links: [
            { from: 'A.1', to: 'A.2', minMinutes },
            { from: 'A.2', to: 'A.3', minMinutes: 0 },
          ],
          holds: [holdOf('A')],
        }),
      )
      return net.holds[0]!.leastMinutes
    }
    expect([held(0), held(20)]).toEqual([75, 95])
  })
})
