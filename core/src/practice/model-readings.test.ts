import { describe, expect, it } from '@jest/globals'
import { closuresNeeded, ridgeMillimetres, thickestPartMillimetres } from './model-readings.ts'

describe('what a practice case is like', () => {
  const seeds = Array.from({ length: 300 }, (_, n) => n + 1)
  const range = (of: (seed: number) => number) => {
    const values = seeds.map(of)
    return [Math.min(...values), Math.max(...values)]
  }
  it('its ridge is 7 to 12 mm thick, by halves, each of them met', () => {
    expect(range(ridgeMillimetres)).toEqual([7, 12])
    expect(new Set(seeds.map(ridgeMillimetres)).size).toBe(11)
  })
  it('its pattern is 1.2 to 2.4 mm at the thickest', () =>
    expect(range(thickestPartMillimetres)).toEqual([1.2, 2.4]))
  it('its flask shows no flash after three closures or after four', () =>
    expect(new Set(seeds.map(closuresNeeded))).toEqual(new Set([3, 4])))
})
