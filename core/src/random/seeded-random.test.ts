import { describe, expect, it } from '@jest/globals'
import { seededRandom, textHash } from './index.ts'

const drawn = (seed: number, count: number) => {
  const random = seededRandom(seed)
  return Array.from({ length: count }, random)
}

describe('the hash of a text', () => {
  // Vectors of FNV-1a, 32 bit, published by Fowler, Noll and Vo.
  it.each([
    ['', 0x811c9dc5],
    ['a', 0xe40c292c],
    ['b', 0xe70c2de5],
    ['foobar', 0xbf9cf968],
  ])('"%s"', (text, hash) => expect(textHash(text)).toBe(hash))
})

describe('numbers that only look random', () => {
  // mulberry32 (public domain): its first numbers of seed 1, as its author's listing gives them; recalled.
  it('are those of the published generator', () =>
    expect(drawn(1, 3)).toEqual([0.6270739405881613, 0.002735721180215478, 0.5274470399599522]))
  it('are the same for the same seed, and others for another', () => {
    expect(drawn(7, 20)).toEqual(drawn(7, 20))
    expect(drawn(7, 20)).not.toEqual(drawn(8, 20))
  })
  it('lie from 0 to 1, half of them below a half', () => {
    const many = drawn(3, 10_000)
    expect(Math.min(...many)).toBeGreaterThanOrEqual(0)
    expect(Math.max(...many)).toBeLessThan(1)
    // Five standard deviations of the mean of so many even numbers: 5 / sqrt(12 * 10 000).
    const mean = many.reduce((sum, value) => sum + value, 0) / many.length
    expect(Math.abs(mean - 0.5)).toBeLessThan(5 / Math.sqrt(12 * 10_000))
  })
})
