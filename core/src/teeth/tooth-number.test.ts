import { describe, expect, it } from '@jest/globals'
import { fdiFromUniversal, fdiInUniversalOrder, parseTeeth, showTooth, universalFromFdi } from './index.ts'

describe('tooth numbers', () => {
  // ISO 3950 against the American Dental Association universal system, recalled: upper right third molar is 1,
  // on to upper left 16, down to lower left 17, on to lower right 32.
  it.each([
    [18, 1],
    [11, 8],
    [21, 9],
    [27, 15],
    [28, 16],
    [38, 17],
    [31, 24],
    [41, 25],
    [48, 32],
  ])('FDI %d is universal %d', (fdi, universal) => {
    expect(universalFromFdi(fdi)).toBe(universal)
    expect(fdiFromUniversal(universal)).toBe(fdi)
  })
  it('maps all 32 both ways', () => {
    expect(new Set(fdiInUniversalOrder).size).toBe(32)
    for (let universal = 1; universal <= 32; universal++)
      expect(universalFromFdi(fdiFromUniversal(universal))).toBe(universal)
  })
  it.each([0, 10, 19, 51, 49, 1.5, Number.NaN])('refuses FDI %d', (fdi) => {
    expect(() => universalFromFdi(fdi)).toThrow(expect.objectContaining({ code: 'no-such-tooth' }))
  })
  it('reads a typed list in either notation, each tooth once', () => {
    expect(parseTeeth('11, 21;22 11', 'fdi')).toEqual([11, 21, 22])
    expect(parseTeeth('8 9', 'universal')).toEqual([11, 21])
    expect(parseTeeth('', 'fdi')).toEqual([])
    expect(showTooth(31, 'universal')).toBe('24')
  })
  it('names the word that is no tooth', () => {
    expect(() => parseTeeth('11, 99', 'fdi')).toThrow('There is no tooth 99.')
    expect(() => parseTeeth('upper', 'fdi')).toThrow('"upper" is not a tooth number.')
  })
})
