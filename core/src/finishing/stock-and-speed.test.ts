import { describe, expect, it } from '@jest/globals'
import { spoken } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { borderStock, borderToStart } from './border-stock.ts'
import { resinLadder } from './default-ladders.ts'
import {
  checkToolSpeed,
  heatFlux,
  heatWord,
  heldStillRise,
  longestStill,
  rpmFor,
  surfaceSpeed,
} from './wheel-speed.ts'
import { contaminated, contaminatedTimes, wheelFor } from './wheels.ts'

const [, , rubber, coarse, fine, tripoli, shine] = resinLadder.stages
const RUBBER = 2

describe('the border', () => {
  it('is waxed to 3.4654 mm, so that 3 stay with one repeat from rubber', () => {
    expect(borderToStart(resinLadder, RUBBER)).toBeCloseTo(3.4654, 4)
  })
  it('has after the bur what the ladder leaves', () => {
    // The whole ladder takes 2 x 0.05635 mm; a repeat from rubber 2 x 0.02635.
    const stock = borderStock(resinLadder, 3.2, 1, RUBBER)
    expect(stock.leftMillimetres).toBeCloseTo(3.2 - 0.1127, 6)
    expect(stock).toMatchObject({ enough: true, repeats: 1 })
    expect(borderStock(resinLadder, 3.12, 1, RUBBER)).toMatchObject({ enough: true, repeats: 0 })
  })
  it('that would end below 3 mm is asked about, not polished', () => {
    const thin = borderStock(resinLadder, 3.1, 1, RUBBER)
    expect(thin).toMatchObject({ enough: false, repeats: 0 })
    expect(spoken(thin.say, 'metric')).toContain('ask the dentist, do not polish')
    expect(borderStock(resinLadder, 3, resinLadder.stages.length, RUBBER).enough).toBe(true)
  })
  it.each([
    ['an overrun below 1', () => borderToStart(resinLadder, RUBBER, { overrun: 0.9 }), 'overrun'],
    ['no thickness', () => borderStock(resinLadder, 0, 1, RUBBER), 'not-a-positive-number'],
    ['a contour below 0', () => borderToStart(resinLadder, RUBBER, { contour: -1 }), 'not-a-positive-number'],
  ])('refuses %s', (_, ask, code) => expect(ask).toThrow(expect.objectContaining({ code })))
})

describe('wheels', () => {
  it('have one compound for life', () => {
    expect(wheelFor(undefined, coarse!)).toBe('mark')
    expect(wheelFor(coarse, coarse!)).toBe('use')
    expect(wheelFor(fine, coarse!, true)).toBe('remark')
    expect(() => wheelFor(fine, coarse!)).toThrow(expect.objectContaining({ code: 'wheel-coarser' }))
    expect(() => wheelFor(coarse, shine!, true)).toThrow(expect.objectContaining({ code: 'wheel-coarser' }))
    expect(() => wheelFor(coarse, shine!)).toThrow('This wheel has had coarse pumice')
  })
  it('says what has been on it, and what to do', () => {
    const against = (written: typeof coarse, wanted: typeof coarse, remark = false) => {
      try {
        wheelFor(written!, wanted!, remark)
        return undefined
      } catch (error) {
        return error instanceof DomainError ? [error.message, error.remedy] : undefined
      }
    }
    expect(against(coarse, shine)).toEqual([
      expect.stringMatching(/^This wheel has had coarse pumice: its grains scratch through /),
      expect.stringMatching(/^Take a wheel marked .*, or a new one\.$/),
    ])
    expect(against(fine, coarse)).toEqual([
      'This wheel is marked fine pumice.',
      'Take another wheel, or mark this one coarse pumice for good.',
    ])
    // What leaves no grain is coarser than nothing, and never marked anew with itself.
    const bare = { ...shine!, id: 'bare', grainMicrometres: undefined }
    expect(against(bare as never, shine)![0]).toMatch(/^This wheel is marked/)
    expect(contaminated(shine!, bare as never)).toBe(0)
  })
  it('with coarse pumice on the shine wheel scratch 2.70 µm, 90 times its mark; fine pumice 0.9, 30 times', () => {
    expect(contaminated(shine!, coarse!)).toBeCloseTo(2.7, 9)
    expect(contaminatedTimes(shine!, coarse!)).toBeCloseTo(90, 6)
    expect(contaminated(shine!, fine!)).toBeCloseTo(0.9, 9)
    expect(contaminatedTimes(shine!, fine!)).toBeCloseTo(30, 6)
    expect(contaminated(tripoli!, rubber!)).toBeGreaterThan(contaminated(tripoli!, fine!))
  })
})

describe('speed and heat', () => {
  it.each([
    [100, 1500, 7.854],
    [100, 3000, 15.708],
    [6, 20_000, 6.2832],
    [14, 10_000, 7.3304],
    [4, 10_000, 2.0944],
  ])('a wheel of %d mm at %d turns runs at %d m/s', (diameter, rpm, speed) => {
    expect(surfaceSpeed(diameter, rpm)).toBeCloseTo(speed, 4)
    expect(rpmFor(diameter, surfaceSpeed(diameter, rpm))).toBeCloseTo(rpm, 6)
  })
  it('5 m/s on 100 mm are 954.93 turns', () => expect(rpmFor(100, 5)).toBeCloseTo(954.93, 2))
  const held = (wet: boolean, rpm: number) => ({
    metresPerSecond: surfaceSpeed(100, rpm),
    newtons: 3,
    contactSquareMillimetres: 300,
    wet,
  })
  it('held still dry warms by 23 K in a second, and burns after 3', () => {
    expect(heatFlux(held(false, 1500))).toBeCloseTo(11_781, 0)
    expect(heldStillRise(held(false, 1500), 1)).toBeCloseTo(23.06, 2)
    expect(longestStill(held(false, 1500))).toBeCloseTo(3.009, 3)
    expect(heldStillRise(held(true, 1500), 10)).toBeCloseTo(14.58, 2)
    expect(longestStill(held(true, 1500))).toBeCloseTo(75.23, 1)
    expect(longestStill(held(false, 3000))).toBeCloseTo(0.7523, 4)
  })
  it('has three words for it', () => {
    expect(heatWord(held(true, 1500))).toBe('moving and wet')
    expect(heatWord(held(false, 1500))).toBe('seconds')
    expect(heatWord(held(false, 3000))).toBe('stop')
  })
  it('is never above what the maker allows', () => {
    expect(() => checkToolSpeed(30_000, 30_000)).not.toThrow()
    expect(() => checkToolSpeed(30_001, 30_000)).toThrow(expect.objectContaining({ code: 'tool-speed' }))
    expect(() => surfaceSpeed(0, 1500)).toThrow(expect.objectContaining({ code: 'not-a-positive-number' }))
  })
})
