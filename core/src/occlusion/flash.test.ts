import { beforeAll, describe, expect, it } from '@jest/globals'
import { metric } from '../testing/words.ts'
import { flashCells, pick, teethWithFlash, withFlash } from './flash.ts'
import { stroke, volumeTaken } from './grinding.ts'
import { type RemountTrainer, remountTrainer, type Trained, trainerTools } from './index.ts'
import { waxSetUp } from './mouth.ts'
import { type ArchField, copyOf, type Mouth, xOf, yOf } from './mouth-grid.ts'

const seeds = [1, 2, 3, 4, 5, 6, 7, 8]
let plain: Mouth
let trainer: RemountTrainer
beforeAll(() => {
  plain = waxSetUp({ spacingMillimetres: 0.3 })
  trainer = remountTrainer(0.3)
})
const archs = (mouth: Mouth): readonly (readonly [1 | -1, ArchField, ArchField])[] => [
  [-1, mouth.upper, plain.upper],
  [1, mouth.lower, plain.lower],
]

describe('flash on the computed teeth', () => {
  it('is a ridge of 0.1 to 0.4 mm (choice), flagged cell by cell; all else is as it was', () => {
    for (const seed of seeds) {
      const mouth = withFlash(plain, seed)
      for (const [towards, field, before] of archs(mouth)) {
        const heights = [...field.cells].map((cell) => towards * (field.z[cell]! - before.z[cell]!))
        const offFlag = heights.map((height, n) => Math.abs(height - field.flash![field.cells[n]!]!))
        expect(Math.max(...offFlag)).toBeLessThan(1e-9)
        expect(Math.max(...heights)).toBeLessThanOrEqual(0.4)
        expect(Math.min(...heights)).toBeCloseTo(0, 9)
      }
      expect(teethWithFlash(mouth).length).toBeGreaterThan(0)
      for (const tooth of teethWithFlash(mouth)) expect(tooth % 10).toBeGreaterThan(3)
    }
  })
  it('is the same for the same seed, and is nothing that was ground', () => {
    expect(withFlash(plain, 3).upper.z.join()).toBe(withFlash(plain, 3).upper.z.join())
    expect(teethWithFlash(withFlash(plain, 3))).not.toEqual(teethWithFlash(withFlash(plain, 4)))
    expect(volumeTaken(withFlash(plain, 3))).toBe(0)
    expect(plain.upper.flash).toBeUndefined()
  })
  it('is picked off down to the tooth and no further', () => {
    for (const seed of seeds) {
      const mouth = copyOf(withFlash(plain, seed))
      pick(mouth, 'upper')
      pick(mouth, 'lower')
      expect(teethWithFlash(mouth)).toEqual([])
      expect(volumeTaken(mouth)).toBe(0)
      for (const [, field, before] of archs(mouth))
        expect(
          Math.max(...[...field.cells].map((cell) => Math.abs(field.z[cell]! - before.z[cell]!))),
        ).toBeLessThan(1e-9)
    }
  })
  it('ground through instead, the tooth under it is ground: picking does not bring that back', () => {
    const mouth = copyOf(withFlash(plain, 3))
    const arch = flashCells(mouth.upper).length > 0 ? 'upper' : 'lower'
    const [cell] = flashCells(mouth[arch])
    const at = { x: xOf(mouth.grid, cell!), y: yOf(mouth.grid, cell!) }
    for (let n = 0; n < 3; n++) stroke(mouth, { arch, ...at, radius: 1, depth: 0.4 })
    pick(mouth, 'upper')
    pick(mouth, 'lower')
    expect(volumeTaken(mouth)).toBeGreaterThan(0.1)
    const towards = arch === 'upper' ? -1 : 1
    expect(towards * mouth[arch].z[cell!]!).toBeLessThan(towards * plain[arch].z[cell!]! - 0.5)
  })
})

describe('the lesson with flash', () => {
  const begin = (strokes: Trained['strokes'] = []): Trained => ({ lesson: 'flash', seed: 5, strokes })
  it('caps the score while flash is on the teeth, whatever was ground', () => {
    const { cap, total } = trainer.score(begin())
    expect(metric(cap!)).toMatch(/^Flash is still on \d\d.*No more than 60 points\.$/)
    expect(total).toBeLessThanOrEqual(60)
  })
  it('the pick takes it off where it is touched, and touches no tooth', () => {
    const before = trainer.look(begin(), 'centric', 0)
    expect(before.flash.length).toBeGreaterThan(0)
    const { radius, depth } = trainerTools.pick
    // A pick over the whole field.
    const strokes = (['upper', 'lower'] as const).flatMap((arch) =>
      Array.from({ length: 32 * 36 }, (_, n) => ({
        arch,
        x: 28 + 2 * (n % 32),
        y: -36 + 2 * Math.floor(n / 32),
        radius: 1.5 * radius,
        depth,
        picks: true,
      })),
    )
    const after = trainer.look(begin(strokes), 'centric', 0)
    expect(after.flash).toEqual([])
    expect(after.volume).toBe(0)
    expect(after.pinMillimetres).toBeLessThanOrEqual(before.pinMillimetres)
    expect(trainer.look(begin(), 'centric', 0)).toEqual(before)
  })
  it('the expert picks first, then grinds the same mouth as without', () => {
    const shown = trainer.expert('flash', 5)
    expect(shown.picked).toEqual(trainer.look(begin(), 'centric', 0).flash)
    expect(shown.rounds.length).toBe(trainer.expert('everything', 5).rounds.length)
    expect(shown.score.cap).toBeUndefined()
    expect(trainer.expert('everything', 5).picked).toEqual([])
  })
})
