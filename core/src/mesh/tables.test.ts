import { describe, expect, it } from '@jest/globals'
import { CornerTable } from './corner-table.ts'
import { EdgeTable } from './edge-table.ts'

describe('corners by number', () => {
  it('are the same to the last bit, however many there are beyond what was reckoned with', () => {
    const corners = new CornerTable(4)
    const place = (n: number) => [n % 17, Math.floor(n / 17) / 8, n / 3] as const
    const ids = Array.from({ length: 5000 }, (_, n) => corners.idOf(...place(n)))
    expect(ids).toEqual(ids.map((_, n) => n))
    expect(Array.from({ length: 5000 }, (_, n) => corners.idOf(...place(n)))).toEqual(ids)
    expect(corners.positions()).toHaveLength(15_000)
    expect([...corners.positions().slice(3 * 40, 3 * 40 + 3)]).toEqual(place(40).map(Math.fround))
    // Below nothing nothing is nothing.
    expect(corners.idOf(-0, 0, 0)).toBe(corners.idOf(0, 0, 0))
  })
})

describe('edges by their two corners', () => {
  it('are counted apart however many there are: a fan has its rim open, its spokes shared', () => {
    const edges = new EdgeTable(4)
    const spokes = 3000
    for (let n = 1; n <= spokes; n++) {
      const next = n === spokes ? 1 : n + 1
      edges.add(0, n)
      edges.add(n, next)
      edges.add(next, 0)
    }
    expect(edges.faults()).toEqual({ openEdges: spokes, tangledEdges: 0 })
  })
})
