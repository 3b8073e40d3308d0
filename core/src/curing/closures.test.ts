import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { kilopascalsFromPsi } from '../quantity/index.ts'
import { type Closure, checkClosures, judgeClosures } from './index.ts'

// 1500 psi, common practice; 200 psi either way is the choice of the route.
const trial = {
  leastKilopascals: kilopascalsFromPsi(1300),
  mostKilopascals: kilopascalsFromPsi(1700),
}
const closed = (psi: number, flash = false, gap = false): Closure => ({
  kilopascals: kilopascalsFromPsi(psi),
  flash,
  gap,
  from: 'press',
})

describe('trial closures', () => {
  it('goes on until one at the trial pressure shows neither flash nor a gap', () => {
    const done: Closure[] = []
    const after = (closure: Closure) => {
      done.push(closure)
      return judgeClosures(done, trial)
    }
    expect(judgeClosures(done, trial)).toMatchObject({
      clean: false,
      next: expect.stringContaining('gentle'),
    })
    const first = after(closed(600, true, true))
    expect(first.clean).toBe(false)
    expect(first.next).toBe(
      'Cut the flash back to the border. Lay trimmings into the gap. Sheet in, close again slowly.',
    )
    expect(after(closed(1500, true)).faults).toEqual(['Flash at the last closure'])
    expect(after(closed(1450, false, true)).next).toContain('trimmings')
    const last = after(closed(1520))
    expect(last).toMatchObject({ clean: true, faults: [], remarks: [] })
    expect(last.next).toContain('without the sheet')
  })
  it('takes a clean look after a gentle closing for nothing yet', () => {
    const { clean, next } = judgeClosures([closed(700)], trial)
    expect(clean).toBe(false)
    expect(next).toContain('pressure of a trial closure')
  })
  it('sends one that was closed too hard to the mould, and passes the next within the limits', () => {
    const hard = judgeClosures([closed(600, true), closed(2400)], trial)
    expect(hard.faults).toEqual(['The last one was closed too hard'])
    expect(hard.next).toContain('cracks')
    expect(judgeClosures([closed(600, true), closed(2400), closed(1500)], trial).clean).toBe(true)
  })
  it('remarks on a first closing that was not gentle', () => {
    expect(judgeClosures([closed(1500)], trial).remarks).toHaveLength(1)
    expect(judgeClosures([closed(800)], trial).remarks).toHaveLength(1)
    expect(judgeClosures([closed(400), closed(1500)], trial).remarks).toEqual([])
  })
  it('is clean by its last closure alone, never with flash or a gap, whatever came before', () => {
    const closure = fc.record({
      kilopascals: fc.double({ min: 0, max: 20_000, noNaN: true }),
      flash: fc.boolean(),
      gap: fc.boolean(),
      from: fc.constantFrom('press' as const, 'hand' as const),
    })
    fc.assert(
      fc.property(fc.array(closure, { minLength: 1, maxLength: 20 }), (closures) => {
        const { clean, faults } = judgeClosures(closures, trial)
        const last = closures.at(-1)!
        expect(clean).toBe(judgeClosures([last], trial).clean)
        expect(clean).toBe(faults.length === 0)
        if (last.flash || last.gap) expect(clean).toBe(false)
      }),
    )
  })
  it.each<[string, readonly Closure[], string]>([
    ['none at all', [], 'too-few-closures'],
    ['a gauge below zero', [closed(-1)], 'reading-not-plausible'],
    ['a slip of a digit', [closed(15_000)], 'reading-not-plausible'],
    ['no number', [closed(Number.NaN)], 'reading-not-plausible'],
    ['more than a dough lasts', Array.from({ length: 21 }, () => closed(1500, true)), 'too-many-closures'],
  ])('refuses %s', (_, closures, code) =>
    expect(() => checkClosures(closures)).toThrow(expect.objectContaining({ code })),
  )
})

describe('at the very limits of the press', () => {
  const { leastKilopascals, mostKilopascals } = trial
  it.each([
    [leastKilopascals, []],
    [mostKilopascals, []],
    [leastKilopascals - 1, ['The last one was a gentle closing']],
    [mostKilopascals + 1, ['The last one was closed too hard']],
  ])('%d kPa', (kilopascals, faults) => {
    const { faults: found, clean } = judgeClosures(
      [{ kilopascals, flash: false, gap: false, from: 'press' }],
      trial,
    )
    expect(found).toEqual(faults)
    expect(clean).toBe(faults.length === 0)
  })
})
