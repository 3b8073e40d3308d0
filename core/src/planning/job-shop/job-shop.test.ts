import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { seededRandom } from '../../random/index.ts'
import { published } from '../published/job-shops.ts'
import { jobShopBound } from './bound.ts'
import { Graph, type JobShop } from './graph.ts'
import { JobShopSearch } from './search.ts'

interface Known {
  readonly name: string
  readonly machines: number
  readonly best: number
  readonly lbPreemptive: number
  readonly ops: JobShop['jobs']
}
/** Sources of data and best values stand in the file. */
const known = published as readonly Known[]
const shopOf = ({ machines, ops }: Known): JobShop => ({ machines, jobs: ops })
const instance = (name: string) => known.find((each) => each.name === name)!

/** Every operation on its machine alone, after the one before it in its job. */
function breaks({ jobs, machines }: JobShop, starts: readonly (readonly number[])[]): string[] {
  const faults: string[] = []
  const onMachine: [number, number][][] = Array.from({ length: machines }, () => [])
  for (const [job, operations] of jobs.entries()) {
    let ready = 0
    for (const [k, [machine, minutes]] of operations.entries()) {
      const start = starts[job]![k]!
      if (start < ready) faults.push(`job ${job} operation ${k} too soon`)
      ready = start + minutes
      onMachine[machine]!.push([start, ready])
    }
  }
  for (const [machine, taken] of onMachine.entries()) {
    taken.sort((a, b) => a[0] - b[0])
    for (const [n, [, end]] of taken.entries())
      if (taken[n + 1] && taken[n + 1]![0] < end) faults.push(`machine ${machine} twice`)
  }
  return faults
}

describe('job shops', () => {
  it('of the bound: that of every instance is the published one', () => {
    expect(known.map((each) => [each.name, jobShopBound(shopOf(each))])).toEqual(
      known.map(({ name, lbPreemptive }) => [name, lbPreemptive]),
    )
  })
  it.each([
    ['FT06', 6],
    ['LA01', 6],
    ['LA02', 40],
    ['LA05', 6],
    ['LA06', 6],
    ['LA16', 40],
    ['LA31', 6],
  ])('%s: the optimum in %d runs', (name, runs) => {
    const shop = shopOf(instance(name))
    const search = new JobShopSearch(shop, 1)
    search.run(() => search.best.makespan === instance(name).best, runs)
    expect(search.best.makespan).toBe(instance(name).best)
    expect(breaks(shop, search.best.starts)).toEqual([])
  })
  it('FT10 is 930', () => {
    const shop = shopOf(instance('FT10'))
    // A seed that comes there soon; most need some seconds.
    const search = new JobShopSearch(shop, 25)
    search.run(() => search.best.makespan === 930, 25)
    expect(search.best.makespan).toBe(930)
    expect(breaks(shop, search.best.starts)).toEqual([])
  })
  it('is the same for the same seed and steps, and never under its bound', () => {
    const shop = shopOf(instance('LA21'))
    const found = (seed: number) => {
      const search = new JobShopSearch(shop, seed)
      search.run(() => false, 4)
      return search.best
    }
    expect(found(3)).toEqual(found(3))
    expect(found(3).makespan).toBeGreaterThanOrEqual(1033)
  })
  it.each([
    [{ machines: 1, jobs: [] }],
    [{ machines: 1, jobs: [[]] }],
    [{ machines: 1, jobs: [[[1, 3]]] }],
    [{ machines: 1, jobs: [[[0, 0]]] }],
    [{ machines: 1, jobs: [[[0, 1.5]]] }],
  ])('refuses what is no job shop: %j', (shop) =>
    expect(() => new JobShopSearch(shop as unknown as JobShop, 1)).toThrow(
      expect.objectContaining({ code: 'job-shop', field: 'jobs' }),
    ),
  )
})

describe('the graph after moves', () => {
  const shops = fc.record({
    jobs: fc.integer({ min: 2, max: 6 }),
    machines: fc.integer({ min: 2, max: 4 }),
    seed: fc.integer({ min: 1, max: 10_000 }),
  })
  it('has the heads and tails that working all of it out again gives', () => {
    fc.assert(
      fc.property(shops, ({ jobs, machines, seed }) => {
        const random = seededRandom(seed)
        const shop: JobShop = {
          machines,
          jobs: Array.from({ length: jobs }, () =>
            Array.from({ length: machines }, (_, k) => k)
              .sort(() => random() - 0.5)
              .map((machine) => [machine, 1 + Math.floor(random() * 20)] as const),
          ),
        }
        const graph = new Graph(shop)
        const key = Float64Array.from({ length: graph.count }, (_, n) => n)
        graph.orderBy(key)
        for (let n = 0; n < 20; n++) {
          const operation = Math.floor(random() * graph.count)
          const other = graph.machineAfter[operation]!
          if (other < 0) continue
          // Neighbours whose job goes no other way between them may always change places.
          const next = graph.jobAfter[operation]!
          const isSafe =
            next < 0 || graph.tail[other]! + graph.minutes[other]! >= graph.tail[next]! + graph.minutes[next]!
          if (!isSafe) continue
          if (random() < 0.5) graph.moveBehind(operation, other)
          else graph.moveBefore(other, operation)
        }
        const [heads, tails, makespan] = [graph.head.slice(), graph.tail.slice(), graph.makespan]
        const again = new Graph(shop)
        again.orderBy(Float64Array.from(graph.order.length ? placesOf(graph.order) : []))
        expect([again.head, again.tail, again.makespan]).toEqual([heads, tails, makespan])
      }),
      { numRuns: 60 },
    )
  })
})

function placesOf(order: Int32Array): Float64Array {
  const places = new Float64Array(order.length)
  for (const [n, operation] of order.entries()) places[operation] = n
  return places
}
