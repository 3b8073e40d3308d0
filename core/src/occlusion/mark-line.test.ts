import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { refused } from '../testing/words.ts'
import { type Bite, bites, parseMarkLine, regionName } from './index.ts'
import { posteriorRegions } from './regions.ts'
import type { Strength } from './remount-data.ts'

const usual = { bite: 'centric', strength: 'medium' } as const
const mark = (line: string, notation: 'fdi' | 'universal' = 'fdi') => parseMarkLine(line, notation, usual)
const refusal = (line: string) => refused(() => mark(line))?.code

describe('a mark in one line of keys', () => {
  it('is read by its words, or by two letters of each', () => {
    const whole = { tooth: 16, region: 'lingualInner', bite: 'right', strength: 'heavy' }
    expect(mark('16 palatal inner right heavy')).toEqual(whole)
    expect(mark(' 16  PAL in ri he ')).toEqual(whole)
    expect(mark('16 tongue inner he ri')).toEqual(whole)
  })
  it('what is not typed is as it was', () => {
    expect(mark('36 fossa')).toEqual({ tooth: 36, region: 'fossa', bite: 'centric', strength: 'medium' })
    expect(mark('36 ma le')).toMatchObject({ region: 'marginalRidge', bite: 'left', strength: 'medium' })
    expect(mark('36 ri li')).toMatchObject({ region: 'marginalRidge', bite: 'centric', strength: 'light' })
    expect(mark('36 ridge right')).toMatchObject({ region: 'marginalRidge', bite: 'right' })
  })
  it('front teeth have regions of their own', () => {
    expect(mark('11 ed pr')).toMatchObject({ region: 'incisalEdge', bite: 'protrusive' })
    expect(mark('31 lip fo')).toMatchObject({ region: 'labialFace', bite: 'protrusive' })
    expect(mark('11 pal')).toMatchObject({ region: 'lingualFace' })
    for (const line of ['11 fossa', '16 lip', '16 palatal']) expect(refusal(line)).toBe('mark-line')
  })
  it('teeth are named as the bench does: universal 3 is FDI 16 (ISO 3950; ADA, recalled)', () =>
    expect(mark('3 fo', 'universal').tooth).toBe(16))
  it.each(['', '16', '16 f', '16 fo x', '16 fo up', 'x fo'])('"%s" is refused', (line) =>
    expect(refusal(line)).toMatch(/[a-z]/),
  )
  it('every region, movement and strength can be typed', () => {
    const words = [
      'cheek tip',
      'cheek inner',
      'cheek outer',
      'fossa',
      'marginal',
      'tongue inner',
      'tongue tip',
      'tongue outer',
    ]
    fc.assert(
      fc.property(
        fc.constantFrom(14, 15, 16, 17, 24, 36, 47),
        fc.nat({ max: 7 }),
        fc.constantFrom<Bite>(...bites),
        fc.constantFrom<Strength>('heavy', 'medium', 'light'),
        (tooth, n, bite, strength) => {
          const read = parseMarkLine(`${tooth} ${words[n]} ${bite} ${strength}`, 'fdi', usual)
          expect(read).toEqual({ tooth, region: posteriorRegions[n], bite, strength })
          expect(regionName(read.region, tooth)).toMatch(/\w/)
        },
      ),
    )
  })
})
