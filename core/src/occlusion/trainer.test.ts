import { describe, expect, it } from '@jest/globals'
import { metric } from '../testing/words.ts'
import {
  type ContactMark,
  expertWords,
  grindingRule,
  isSupportingTip,
  type Lesson,
  lessons,
  remountTrainer,
  type Trained,
  toothMarks,
} from './index.ts'

const trainer = remountTrainer(0.3)
const begin = (lesson: Lesson, seed = 4): Trained => ({ lesson, seed, strokes: [] })
const look = (trained: Trained) => trainer.look(trained, 'centric', 0)

const looked = [
  ['centric', 0],
  ...(['right', 'left', 'protrusive'] as const).flatMap((bite) =>
    [0.25, 0.5, 1, 1.5].map((advance) => [bite, advance] as const),
  ),
] as const

/** So near to a supporting tip no stone goes, mm. */
const SPARED = 0.45
type Side = 'upper' | 'lower'

/** Where a stone may go on one of the two sides, and how large: never onto a supporting tip. */
function stoneOn(side: Side, { upper, lower, below, x, y }: ContactMark) {
  const at = side === 'upper' ? { x, y } : below
  const tips = toothMarks((side === 'upper' ? upper : lower).tooth).supporting
  const room = Math.min(9, ...tips.map((tip) => Math.hypot(tip.x - at.x, tip.y - at.y))) - SPARED
  return room < 0.2 ? [] : [{ arch: side, ...at, radius: Math.min(0.6, room), depth: 0.03 }]
}

/** A hand that cuts a little where foil is held, by the rules and beside the tips, until pin and movements are free. */
function grindIn(start: Trained): Trained {
  let trained = start
  for (let round = 0; round < 2; round++)
    for (const [bite, advance] of looked)
      for (let n = 0; n < 150; n++) {
        const { pinMillimetres, liftMillimetres, marks } = trainer.look(trained, bite, advance, 8)
        if ((bite === 'centric' ? pinMillimetres : liftMillimetres) <= 0.04) break
        const strokes = marks.flatMap((mark) => {
          const { grind } = grindingRule(bite, mark.upper.region, mark.lower.region)
          if (grind === 'none') return []
          return [...stoneOn(grind, mark), ...stoneOn(grind === 'upper' ? 'lower' : 'upper', mark)].slice(
            0,
            1,
          )
        })
        if (strokes.length === 0) break
        trained = { ...trained, strokes: [...trained.strokes, ...strokes] }
      }
  return trained
}

describe('the trainer', () => {
  it.each(lessons)('%s: the same seed is the same mouth, and wants something ground', (lesson) => {
    const first = look(begin(lesson))
    expect(remountTrainer(0.3).look(begin(lesson), 'centric', 0).pinMillimetres).toBe(first.pinMillimetres)
    if (lesson === 'laterals') {
      expect(first.pinMillimetres).toBeLessThan(0.05)
      const lifts = (['right', 'left', 'protrusive'] as const).map(
        (bite) => trainer.look(begin(lesson), bite, 1).liftMillimetres,
      )
      expect(Math.max(...lifts)).toBeGreaterThan(0.05)
    } else expect(first.pinMillimetres).toBeGreaterThan(0.2)
  })
  it('one high tooth, ground in by a scripted hand, scores above 90', () => {
    const trained = grindIn(begin('one-high', 2))
    expect(look(trained).pinMillimetres).toBeLessThanOrEqual(0.05)
    const score = trainer.score(trained)
    expect(score.total).toBeGreaterThan(90)
    expect(score.tipLostMillimetres).toBe(0)
  })
  it('who cuts a supporting tip is capped at 50', () => {
    const trained = grindIn(begin('one-high', 2))
    const [mark] = look(trained).marks.filter(
      ({ lower }) => lower.region === 'buccalTip' || lower.region === 'buccalInner',
    )
    // Deep strokes over all of a lower cheek cusp.
    const strokes = [-1.5, 0, 1.5].flatMap((dx) =>
      [-1.5, 0, 1.5].map((dy) => ({
        arch: 'lower' as const,
        x: mark!.below.x + dx,
        y: mark!.below.y + dy,
        radius: 2,
        depth: 0.3,
      })),
    )
    const score = trainer.score({ ...trained, strokes: [...trained.strokes, ...strokes] })
    expect(score.tipLostMillimetres).toBeGreaterThan(0.1)
    expect(score.total).toBeLessThanOrEqual(50)
    expect(score.cap).toBeDefined()
  })
  it('a stroke back is as if it had never been', () => {
    const start = begin('everything', 9)
    const cut = { arch: 'upper' as const, x: 54.7, y: 25, radius: 1, depth: 0.2 }
    const before = look(start)
    expect(look({ ...start, strokes: [cut, cut] }).volume).toBeGreaterThan(0)
    expect(look(start)).toEqual(before)
  })
  it('the expert is shown round by round, and scores on the same mouth', () => {
    const { rounds, score, blocked } = trainer.expert('everything', 9)
    expect(rounds.length).toBeGreaterThan(5)
    expect(rounds[0]!.bite).toBe('centric')
    for (const { liftBefore, liftAfter } of rounds) expect(liftAfter).toBeLessThanOrEqual(liftBefore)
    let before = 0
    for (const round of rounds) {
      const { ground, volume } = round
      // What it tells of is part of what it took in this round, the most first, and never a supporting tip.
      const told = ground.reduce((sum, each) => sum + each.volume, 0)
      expect(told).toBeLessThanOrEqual(volume - before + 1e-9)
      expect(ground.map((each) => each.volume)).toEqual(
        ground.map((each) => each.volume).sort((one, other) => other - one),
      )
      for (const { tooth, region } of ground)
        expect(isSupportingTip(tooth < 30 ? 'upper' : 'lower', region)).toBe(false)
      if (ground.length > 0) expect(metric(expertWords(round))).toMatch(/^Most at \d\d, .+: .+\.$/)
      before = volume
    }
    expect(rounds[0]!.ground.length).toBeGreaterThan(0)
    expect(expertWords({ bite: 'centric', ground: [] })).toBe('Nothing gave way.')
    expect(blocked).toEqual([])
    expect(score.total).toBeGreaterThan(90)
    expect(score.total).toBeGreaterThan(trainer.score(begin('everything', 9)).total)
  })
  it('a cut shows both surfaces, the lower never above the upper by more than a cell', () => {
    const { across, upper, lower } = trainer.section(begin('everything', 9), 'centric', 0, { x: 54.7, y: 25 })
    const both = across.flatMap((_, n) =>
      upper[n] == null || lower[n] == null ? [] : [upper[n]! - lower[n]!],
    )
    expect(both.length).toBeGreaterThan(20)
    expect(Math.min(...both)).toBeGreaterThan(-0.3)
  })
})
