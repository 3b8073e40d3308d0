import { describe, expect, it } from '@jest/globals'
import { sawDepth } from './index.ts'

describe('how deep to saw', () => {
  it.each([
    [12, 9],
    [3, 0],
    [1, 0],
  ])('of %d mm of stone at most %d, by hand', (wall, depth) => expect(sawDepth(wall)).toBe(depth))
  it.each([-1, 80, Number.NaN])('refuses a wall of %d mm', (wall) =>
    expect(() => sawDepth(wall)).toThrow('cannot be right'),
  )
})
