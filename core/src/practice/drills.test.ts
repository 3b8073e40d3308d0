import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { fastestSafe } from '../curing/index.ts'
import { goingBack, resinLadder, scratchWords } from '../finishing/index.ts'
import { metric } from '../testing/words.ts'
import { fastestBathMinutes } from './drills/bath.ts'
import {
  bestCharge,
  bestNight,
  type DrillAnswer,
  drillIds,
  drills,
  nightOf,
  pouredGrams,
  scoreDrill,
  shadeOf,
} from './index.ts'

const seeds = fc.integer({ min: 0, max: 999_999 })
const points = (seed: number, answer: DrillAnswer) => scoreDrill(seed, answer).points

describe('every drill', () => {
  it('is the same task for the same seed, and another for another', () => {
    for (const id of drillIds) {
      const all = [1, 1, 2, 3, 4, 5].map((seed) => JSON.stringify(drills[id].task(seed)))
      expect(all[0]).toBe(all[1])
      expect(new Set(all).size).toBeGreaterThan(id === 'bath' ? 1 : 3)
      expect(drills[id].does).toMatch(/^[a-z]/)
    }
    expect(drillIds).toHaveLength(11)
  })
})

describe('pour', () => {
  it('is worth all on the target and nothing fifteen hundredths off it', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const task = drills.pour.task(seed)
        const secondsFor = (grams: number) => grams / task.gramsPerSecond - task.afterSeconds
        const at = (share: number) =>
          points(seed, { drill: 'pour', pours: [{ seconds: secondsFor(share * task.targetGrams) }] })
        expect(at(1)).toBe(100)
        expect(at(1.15)).toBeLessThan(1)
        expect(at(0.925)).toBeCloseTo(50, 0)
      }),
    )
  })
  it('adds up: two pours let fall what is on the way twice', () => {
    const task = { targetGrams: 50, gramsPerSecond: 10, afterSeconds: 0.35 }
    expect(pouredGrams(task, [1, 2])).toBeCloseTo(37, 9)
    expect(pouredGrams(task, [])).toBe(0)
  })
})

describe('read', () => {
  it('is worth all when every pointer is read, and less with each step and each minute', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const { readings } = drills.read.task(seed)
        const off = (steps: number, seconds: number) =>
          points(seed, {
            drill: 'read',
            values: readings.map(({ pointer, scale }) => pointer + steps * scale.step),
            seconds,
          })
        expect([off(0, 60), off(0.5, 120), off(0, 300)]).toEqual([100, 100, 90])
        expect(off(2, 60)).toBeCloseTo(50, 5)
        expect(off(4, 60)).toBe(0)
      }),
    )
  })
})

describe('trim', () => {
  it('is worth all on the landmarks, and loses by their distance', () => {
    const { at, wanted } = drills.trim.task(7)
    const shifted = (x: number) =>
      points(7, { drill: 'trim', places: wanted.map(({ id }) => ({ x: at[id]!.x + x, y: at[id]!.y })) })
    expect([shifted(0), shifted(3), shifted(9)]).toEqual([100, 0, 0])
    expect(shifted(1.5)).toBeCloseTo(50, 5)
  })
  it('has its teeth in order along the arch, right to left, and the notches behind them', () => {
    for (let seed = 0; seed < 20; seed++) {
      const { teeth, at } = drills.trim.task(seed)
      expect(teeth).toHaveLength(14)
      expect(at['canine-right']!.x).toBeLessThan(at.midline!.x)
      expect(at['canine-left']!.x).toBeGreaterThan(at.midline!.x)
      expect(at['tuber-right']!.y).toBeLessThan(teeth[0]!.y)
      expect(at['tuber-left']!.y).toBeLessThan(teeth[13]!.y)
    }
  })
})

describe('set', () => {
  it('has one tooth off by 1.2 mm, far more than any other, and tells it', () => {
    for (let seed = 0; seed < 30; seed++) {
      const { prescribed, measured } = drills.set.task(seed)
      const offs = measured.flatMap(({ tooth, levelMillimetres, fullnessMillimetres }) => {
        const lateral = tooth === '12' || tooth === '22' ? 0.5 : 0
        const level = levelMillimetres + lateral - prescribed.levelMillimetres
        const fullness = fullnessMillimetres - prescribed.fullnessMillimetres
        return [
          { tooth, way: level > 0 ? 'low' : 'high', off: Math.abs(level) },
          { tooth, way: fullness > 0 ? 'forward' : 'back', off: Math.abs(fullness) },
        ] as const
      })
      const [worst, next] = [...offs].sort((a, b) => b.off - a.off)
      expect(worst!.off - next!.off).toBeGreaterThan(0.5)
      const answer = { drill: 'set', tooth: worst!.tooth as '11', way: worst!.way } as const
      expect(points(seed, answer)).toBe(100)
      expect(points(seed, { ...answer, way: worst!.way === 'low' ? 'high' : 'low' })).toBe(50)
      expect(points(seed, { ...answer, tooth: worst!.tooth === '11' ? '21' : '11' })).toBe(0)
    }
  })
})

describe('sprue', () => {
  it('can always be done right, and a sprue thinner than the part is worth nothing of its share', () => {
    for (let seed = 0; seed < 60; seed++) {
      const { rings } = drills.sprue.task(seed)
      let best = 0
      for (const gauge of [8, 10, 12, 14, 16])
        for (const ringMillimetres of rings)
          for (let lengthMillimetres = 6; lengthMillimetres <= 10; lengthMillimetres += 0.5)
            best = Math.max(best, points(seed, { drill: 'sprue', gauge, ringMillimetres, lengthMillimetres }))
      expect(best).toBeGreaterThan(95)
      // Of gauges that feed, the thinner costs less metal.
      const feeding = [8, 9, 10, 11, 12, 13, 14, 15, 16].flatMap((gauge) => {
        const { points: worth, say } = scoreDrill(seed, {
          drill: 'sprue',
          gauge,
          ringMillimetres: rings[1]!,
          lengthMillimetres: 8,
        })
        return metric(say).startsWith('It feeds;') ? [worth] : []
      })
      expect(feeding.length).toBeGreaterThan(0)
      expect(feeding).toEqual([...feeding].sort((a, b) => a - b))
      if (feeding.length > 1) expect(feeding[0]).toBeLessThan(feeding.at(-1)!)
      // Gauge 20 is 0.8 mm: it feeds none of them.
      expect(
        points(seed, { drill: 'sprue', gauge: 20, ringMillimetres: rings[1]!, lengthMillimetres: 8 }),
      ).toBeLessThanOrEqual(55)
    }
  })
})

describe('the best charge', () => {
  it('is the lightest of all choices that hold, by trying each', () => {
    for (let seed = 0; seed < 6; seed++) {
      const task = drills.charge.task(seed)
      const { pieces, needGrams } = task
      let least = Number.POSITIVE_INFINITY
      for (let set = 1; set < 2 ** pieces.length; set++) {
        const taken = pieces.filter((_, n) => Math.floor(set / 2 ** n) % 2 === 1)
        const grams = taken.reduce((sum, piece) => sum + piece.grams, 0)
        const old = taken.reduce((sum, piece) => sum + (piece.old ? piece.grams : 0), 0)
        if (grams >= needGrams - 1e-9 && old <= 0.5 * grams + 1e-9) least = Math.min(least, grams)
      }
      expect(bestCharge(task)!.grams).toBeCloseTo(least, 6)
    }
  })
})

describe('charge', () => {
  it('has a best, which is worth all; too little or too much of old metal is worth nothing', () => {
    for (let seed = 0; seed < 20; seed++) {
      const task = drills.charge.task(seed)
      const best = bestCharge(task)!
      expect(best.grams).toBeGreaterThanOrEqual(task.needGrams)
      expect(points(seed, { drill: 'charge', taken: [...best.taken] })).toBe(100)
      expect(points(seed, { drill: 'charge', taken: [0] })).toBe(0)
      expect(points(seed, { drill: 'charge', taken: [4, 5, 6, 7, 8] })).toBe(0)
      // Enough, but more than half of it was melted before.
      const old = task.pieces.flatMap(({ old: melted, grams }) => (melted ? [grams] : []))
      const whole = task.pieces.reduce((sum, { grams }) => sum + grams, 0)
      if (old.reduce((sum, grams) => sum + grams, 0) > 0.5 * whole + 0.01)
        expect(scoreDrill(seed, { drill: 'charge', taken: task.pieces.map((_, n) => n) }).say).toEqual(
          expect.arrayContaining([expect.stringContaining('was melted before')]),
        )
      const fresh = task.pieces.flatMap(({ old }, n) => (old ? [] : [n]))
      const left = fresh.reduce((sum, n) => sum + task.pieces[n]!.grams, 0) - best.grams
      expect(points(seed, { drill: 'charge', taken: fresh })).toBeCloseTo(
        Math.max(0, 100 * (1 - left / 3)),
        0,
      )
    }
  })
})

describe('bath', () => {
  it('goes by the optimiser of the cure: its minutes are what the optimiser says', () => {
    for (const [ridge, minutes] of Object.entries(fastestBathMinutes))
      expect(
        fastestSafe({
          sections: [
            { shape: 'sheet', millimetres: 2.5 },
            { shape: 'ridge', millimetres: Number(ridge) },
          ],
        })?.bathMinutes,
      ).toBe(minutes)
  })
  it('is asked of ridges of 8 to 14 mm, by the evening: 13, 14 or 15 h and a half are left', () => {
    const tasks = Array.from({ length: 200 }, (_, seed) => drills.bath.task(seed))
    const found = (of: (task: (typeof tasks)[number]) => number) =>
      [...new Set(tasks.map(of))].sort((a, b) => a - b)
    expect(found(({ ridgeMillimetres }) => ridgeMillimetres)).toEqual([8, 10, 12, 14])
    expect(found(({ minutesLeft }) => minutesLeft)).toEqual([13.5 * 60, 14.5 * 60, 15.5 * 60])
  })
  it('a bath that boils the ridge is worth nothing, a slow safe one little, one that is out too late ten', () => {
    const seed = [...Array(40).keys()].find((each) => drills.bath.task(each).ridgeMillimetres === 10)!
    expect(points(seed, { drill: 'bath', celsius: 100, holdMinutes: 60, boilMinutes: 0 })).toBe(0)
    const slow = points(seed, { drill: 'bath', celsius: 70, holdMinutes: 300, boilMinutes: 60 })
    expect(slow).toBeCloseTo(100 * (1 - (30 + 300 + 30 + 60 - 130) / 360), 0)
    expect(points(seed, { drill: 'bath', celsius: 70, holdMinutes: 1300, boilMinutes: 60 })).toBe(10)
  })
})

describe('scratch', () => {
  it('goes by the ladder: the stage and its minutes', () => {
    for (let seed = 0; seed < 20; seed++) {
      const { seenAt, word } = drills.scratch.task(seed)
      const { to, seconds } = goingBack(resinLadder, scratchWords[word].micrometres, seenAt)
      expect(points(seed, { drill: 'scratch', stage: to!, minutes: seconds / 60 })).toBe(100)
      expect(points(seed, { drill: 'scratch', stage: to! + 1, minutes: seconds / 60 })).toBeCloseTo(30, 5)
      expect(points(seed, { drill: 'scratch', stage: to!, minutes: 600 })).toBe(70)
    }
  })
})

describe('shade', () => {
  it('is worth all where nobody sees the difference, and less the further off it is', () => {
    for (let seed = 0; seed < 6; seed++) {
      const { block, target } = drills.shade.task(seed)
      expect(shadeOf(block, [0, 0, 0, 0]).L).toBeCloseTo(block.L, 1)
      expect(points(seed, { drill: 'shade', coats: [2, 2, 2, 2] })).toBeLessThan(60)
      expect(target.L).toBeLessThan(block.L)
    }
  })
})

describe('night', () => {
  it('has no case due before a quarter of its furnace work, nor after nine tenths', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const { cases } = drills.night.task(seed)
      const whole = 30 + cases.reduce((sum, { furnaceMinutes }) => sum + furnaceMinutes, 0)
      const due = cases.map(({ dueMinutes }) => dueMinutes)
      // To five minutes.
      expect(Math.min(...due)).toBeGreaterThanOrEqual(0.25 * whole - 2.5)
      expect(Math.max(...due)).toBeLessThanOrEqual(0.9 * whole + 2.5)
    }
  })
  it('follows an order over two machines, without overtaking', () => {
    const two = {
      cases: [
        { name: 'a', benchMinutes: 30, furnaceMinutes: 60, dueMinutes: 80 },
        { name: 'b', benchMinutes: 10, furnaceMinutes: 20, dueMinutes: 30 },
      ],
    }
    // a first: bench to 30, furnace to 90, 10 late; b: bench to 40, furnace 90 to 110, 80 late.
    expect(nightOf(two, [0, 1])).toMatchObject({
      lateMinutes: 90,
      runs: [{ until: 90 }, { benchFrom: 30, furnaceFrom: 90, until: 110 }],
    })
    // b first: out at 30; a: bench to 40, furnace to 100, 20 late.
    expect(nightOf(two, [1, 0]).lateMinutes).toBe(20)
    expect(bestNight(two)).toEqual({ order: [1, 0], lateMinutes: 20 })
  })
  it('the best order is worth all, and one with a case missing nothing', () => {
    const best = bestNight(drills.night.task(3))
    expect(points(3, { drill: 'night', order: [...best.order] })).toBe(100)
    expect(points(3, { drill: 'night', order: [0, 1, 2, 3, 4, 4] })).toBe(0)
    expect(points(3, { drill: 'night', order: [...best.order].reverse() })).toBeLessThan(100)
  })
})

describe('grind', () => {
  it('keeps what the trainer says', () => expect(points(1, { drill: 'grind', total: 83.27 })).toBe(83.3))
})
