import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { materials } from '../materials/index.ts'
import { inMetric } from '../testing/words.ts'
import { dentureBaseCm3 } from './denture-base.ts'
import {
  changedSetMinutes,
  correctMix,
  dilutedLiquid,
  hitRatio,
  mixClock,
  mixForVolume,
  mixMillilitres,
  rememberedMix,
  settingChangers,
  spaceCm3,
  stretchAt,
  usualJobs,
  usualPowderGrams,
} from './index.ts'

const stone = materials.get('high-strength-stone')!
const MINUTE = 60_000

describe('a denture base', () => {
  // By hand: 22.96 cm2 · 2.5 mm / 10 + 115 mm · 50 mm2 / 1000.
  it('is its bearing area by its thickness, and the body on the ridge', () => {
    expect(spaceCm3({ shape: 'base', arch: 'upper', thicknessMillimetres: 2.5 })).toBeCloseTo(11.49, 9)
    expect(spaceCm3({ shape: 'base', arch: 'lower', thicknessMillimetres: 2 })).toBeCloseTo(7.7, 9)
  })
  it('grows with thickness and area, and an upper takes more than a lower', () => {
    const thickness = fc.double({ min: 1, max: 5.9, noNaN: true })
    const area = fc.double({ min: 3, max: 59, noNaN: true })
    fc.assert(
      fc.property(thickness, area, fc.constantFrom('upper' as const, 'lower' as const), (mm, cm2, arch) => {
        const at = (thicknessMillimetres: number, areaCm2: number) =>
          dentureBaseCm3({ shape: 'base', arch, thicknessMillimetres, areaCm2 })
        expect(at(mm + 0.1, cm2)).toBeGreaterThan(at(mm, cm2))
        expect(at(mm, cm2 + 1)).toBeGreaterThan(at(mm, cm2))
        const usual = (of: 'upper' | 'lower') =>
          dentureBaseCm3({ shape: 'base', arch: of, thicknessMillimetres: mm })
        expect(usual('upper')).toBeGreaterThan(usual('lower'))
      }),
    )
  })
  it.each([
    { thicknessMillimetres: 0.5 },
    { thicknessMillimetres: 25 },
    { thicknessMillimetres: Number.NaN },
    { thicknessMillimetres: 2, areaCm2: 200 },
  ])('refuses %j', (wrong) =>
    expect(() => dentureBaseCm3({ shape: 'base', arch: 'upper', ...wrong })).toThrow(
      expect.objectContaining({ code: 'reading-not-plausible' }),
    ),
  )
})

describe('how much, by volume', () => {
  // Worked from the densities 2.75 and 1.00 (Phillips, recalled): 60 mL at 0.24; 150 mL at 0.30 with 1 % air.
  it('60 mL at 0.24 is 99.398 g and 23.855 mL', () => {
    const mix = mixForVolume(stone, { cm3: 60, millilitresPerGram: 0.24 })
    expect(mix.powderGrams).toBeCloseTo(99.398, 3)
    expect(mix.liquidMillilitres).toBeCloseTo(23.855, 3)
  })
  it('150 mL at 0.30 with 1 % air is 223.77 g', () =>
    expect(
      mixForVolume(stone, { cm3: 150, millilitresPerGram: 0.3, airFraction: 0.01 }).powderGrams,
    ).toBeCloseTo(223.77, 2))
  it('volume and powder undo each other, and double for double', () => {
    const cm3 = fc.double({ min: 1, max: 2000, noNaN: true })
    fc.assert(
      fc.property(cm3, fc.double({ min: 0.15, max: 0.8, noNaN: true }), (wanted, W) => {
        const mix = mixForVolume(stone, { cm3: wanted, millilitresPerGram: W, airFraction: 0.02 })
        expect(mixMillilitres(stone, mix, 0.02) / wanted).toBeCloseTo(1, 9)
        const twice = mixForVolume(stone, { cm3: 2 * wanted, millilitresPerGram: W, airFraction: 0.02 })
        expect(twice.powderGrams / mix.powderGrams).toBeCloseTo(2, 9)
      }),
    )
  })
  it('a tenth of waste is a tenth more', () => {
    const without = mixForVolume(stone, { cm3: 60, millilitresPerGram: 0.24 }).powderGrams
    const more = mixForVolume(stone, { cm3: 60, millilitresPerGram: 0.24, wasteFraction: 0.1 }).powderGrams
    expect(more).toBeCloseTo(1.1 * without, 9)
  })
  it.each([
    ['not-a-positive-number', { cm3: 0, millilitresPerGram: 0.24 }],
    ['not-a-positive-number', { cm3: 60, millilitresPerGram: Number.NaN }],
    ['air-out-of-range', { cm3: 60, millilitresPerGram: 0.24, airFraction: 0.3 }],
    ['waste-out-of-range', { cm3: 60, millilitresPerGram: 0.24, wasteFraction: -0.1 }],
  ])('refuses: %s', (code, wanted) =>
    expect(() => mixForVolume(stone, wanted)).toThrow(expect.objectContaining({ code })),
  )
  it('says so where no density is known', () =>
    expect(() => mixForVolume(materials.get('alginate')!, { cm3: 60, millilitresPerGram: 1 })).toThrow(
      expect.objectContaining({ code: 'no-density' }),
    ))
})

describe('how much, by size and by job', () => {
  // π/4 · 50² · 20 mm = 39.270 cm3; 80 · 60 · 15 mm = 72 cm3.
  it('a round space of 50 x 20 mm, a block of 80 x 60 x 15', () => {
    expect(spaceCm3({ shape: 'cylinder', diameterMillimetres: 50, heightMillimetres: 20 })).toBeCloseTo(
      39.27,
      3,
    )
    const block = {
      shape: 'block',
      lengthMillimetres: 80,
      widthMillimetres: 60,
      heightMillimetres: 15,
    } as const
    expect(spaceCm3(block)).toBe(72)
    expect(spaceCm3({ ...block, insideCm3: 22 })).toBe(50)
    expect(() => spaceCm3({ ...block, insideCm3: 72 })).toThrow(
      expect.objectContaining({ code: 'inside-too-large' }),
    )
  })
  // Common practice: one arch 100-150 g, one mounting 150-250, a flask half 200-300.
  it.each([
    ['arch', 100, 150],
    ['mounting', 150, 250],
    ['flask-half', 200, 300],
  ])('%s takes %d to %d g', (job, small, large) => {
    expect([usualPowderGrams(job, 'small'), usualPowderGrams(job, 'large')]).toEqual([small, large])
  })
  it('every usual job rises from small to large and has a source', () => {
    for (const { powderGrams: g, source } of usualJobs) {
      expect(g.small < g.medium && g.medium < g.large).toBe(true)
      expect(source).toMatch(/common practice/)
    }
    expect(usualPowderGrams('die', 'medium', 4)).toBe(4 * usualPowderGrams('die', 'medium'))
    expect(() => usualPowderGrams('die', 'medium', 1.5)).toThrow(
      expect.objectContaining({ code: 'count-out-of-range' }),
    )
    expect(() => usualPowderGrams('bridge', 'medium')).toThrow(
      expect.objectContaining({ code: 'no-such-job' }),
    )
  })
  it('remembers the middle one of what was used, and how many there were', () => {
    expect(rememberedMix([])).toBeUndefined()
    expect(rememberedMix([120, 90, 400, Number.NaN])).toEqual({
      medianPowderGrams: 120,
      count: 3,
      leastPowderGrams: 90,
      mostPowderGrams: 400,
    })
    expect(rememberedMix([100, 110])?.medianPowderGrams).toBe(105)
  })
})

describe('dilution and what is in the water', () => {
  it('20 mL at 60 % is 12 and 8', () => {
    expect(dilutedLiquid(20, 60)).toEqual({ specialMillilitres: 12, waterMillilitres: 8 })
    expect(() => dilutedLiquid(20, 101)).toThrow(expect.objectContaining({ code: 'share-out-of-range' }))
  })
  it('nothing is lost in diluting', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 500, noNaN: true }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        (v, c) => {
          const { specialMillilitres, waterMillilitres } = dilutedLiquid(v, c)
          expect(specialMillilitres + waterMillilitres).toBeCloseTo(v, 9)
        },
      ),
    )
  })
  // Phillips, recalled: 2 % potassium sulfate brings model plaster from about 10 to about 4 min.
  it('potassium sulfate takes 10 min to about 4', () => {
    const { least, most } = changedSetMinutes(10, ['potassium-sulfate'])
    expect(least).toBeLessThanOrEqual(4)
    expect(most).toBeGreaterThanOrEqual(4)
  })
  it('changes nothing when nothing is in it; every estimate has a source and a rising range', () => {
    expect(changedSetMinutes(12, [])).toEqual({ least: 12, most: 12 })
    for (const { factorMin, factorMax, source } of settingChangers) {
      expect(factorMin).toBeLessThan(factorMax)
      expect(source).toMatch(/recalled|common practice/)
    }
  })
})

describe('the clock of a mix', () => {
  const clock = mixClock(stone.clock!, 0)
  it('runs through from the moment they meet without a gap', () => {
    expect(clock.stretches[0]!.from).toBe(0)
    for (const [n, stretch] of clock.stretches.slice(1).entries())
      expect(stretch.from).toBe(clock.stretches[n]!.to)
    expect(clock.stretches.map(({ id }) => id)).toEqual([
      ...['wet', 'machine', 'pour', 'leave', 'harden', 'heat', 'free'],
    ])
    expect(stretchAt(clock, 3 * MINUTE)?.id).toBe('pour')
    expect(stretchAt(clock, 1e12)).toBeUndefined()
  })
  // Common practice: stone 45 min, or until the heat has gone.
  it('separates from 45 min, never sooner for a quick set', () => {
    const separate = (factor: number) =>
      mixClock(stone.clock!, 0, factor).marks.find((m) => m.id === 'separate')!.at
    expect(separate(1)).toBe(45 * MINUTE)
    expect(separate(0.5)).toBe(45 * MINUTE)
    expect(separate(1.5)).toBe(67.5 * MINUTE)
  })
  it('of alginate says to pour within 15 min', () => {
    const alginate = mixClock(materials.get('alginate')!.clock!, 0)
    expect(alginate.marks.find((m) => m.id === 'use-by')?.at).toBe(15 * MINUTE)
  })
  it('of every card rises, at any pace of setting', () => {
    for (const { clock: each } of materials.values()) {
      if (!each) continue
      fc.assert(
        fc.property(fc.double({ min: 0.3, max: 3, noNaN: true }), (factor) => {
          const { stretches } = mixClock(each, 0, factor)
          for (const { from, to } of stretches) expect(to).toBeGreaterThan(from)
        }),
      )
    }
  })
})

describe('what cannot be measured so finely', () => {
  const bowl = {
    millilitresPerGram: 0.24,
    toleranceFraction: 0.02,
    thickening: false,
    liquidGramsPerMillilitre: 1,
  }
  it('says start again with the class range where a whole millilitre is too much', () => {
    const fix = correctMix({
      ...bowl,
      powderGrams: 8,
      liquidMillilitres: 1.5,
      readableMillilitres: 1,
      classRange: { min: 0.22, max: 0.24 },
    })
    expect(inMetric(fix)).toMatchObject({
      action: 'startAgain',
      reason: expect.stringContaining('beyond the class range'),
    })
  })
  it('any overshoot, read to 0.1 g and 0.5 mL, ends inside the tolerance or says start again', () => {
    const part = fc.double({ min: 0.5, max: 400, noNaN: true })
    fc.assert(
      fc.property(part, part, (powderGrams, liquidMillilitres) => {
        const fix = correctMix({
          ...bowl,
          powderGrams,
          liquidMillilitres,
          readableGrams: 0.1,
          readableMillilitres: 0.5,
        })
        if (fix.action === 'startAgain') return
        const powder = powderGrams + (fix.action === 'addPowder' ? fix.powderGrams : 0)
        const liquid = liquidMillilitres + (fix.action === 'addLiquid' ? fix.liquidMillilitres : 0)
        expect(Math.abs(liquid / powder - 0.24)).toBeLessThanOrEqual(0.02 * 0.24 + 1e-9)
      }),
    )
  })
  // 0.30 against 0.24: pores 0.22959 and 0.15301, from the same densities.
  it('names the pores of a thinner mix', () => {
    // What was hit says nothing of pores, strength or time.
    const same = hitRatio(stone, { powderGrams: 100, liquidMillilitres: 24 }, 0.24)
    expect([same.verdict, same.effects]).toEqual(['hit', []])
    const hit = hitRatio(stone, { powderGrams: 100, liquidMillilitres: 30 }, 0.24)
    expect(inMetric(hit.effects)).toContain('About 23 % pores instead of 15 % (within 2).')
  })
})

describe('at the edge of a stretch', () => {
  const clock = mixClock(materials.get('high-strength-stone')!.clock!, 0)
  it('the next one has begun, and each follows the one before without a gap', () => {
    for (const [index, { to }] of clock.stretches.entries()) {
      const next = clock.stretches[index + 1]
      if (next) expect(next.from).toBe(to)
      expect(stretchAt(clock, to)).toBe(next)
      expect(stretchAt(clock, to - 1)).toBe(clock.stretches[index])
    }
  })
  it('a material without a time for it has no mark of it', () => {
    const bare = { pourByMinutes: 5, setMinutes: 12, separateMinutes: 45, source: 'the pack' }
    expect(mixClock(bare, 0).marks).toEqual([
      { id: 'initial-set', name: 'initial set', at: 12 * 60_000 },
      { id: 'separate', name: 'separate from', at: 45 * 60_000 },
    ])
    const full = { ...bare, heatPeakMinutes: 20, trimFromMinutes: 60, useWithinMinutes: 90, dryMinutes: 1440 }
    expect(mixClock(full, 0).marks.map(({ id, at }) => [id, at / 60_000])).toEqual([
      ['initial-set', 12],
      ['heat-peak', 20],
      ['separate', 45],
      ['trim', 60],
      ['use-by', 90],
      ['dry', 1440],
    ])
  })
  it('mixes of nothing, and what is no number, are not remembered', () => {
    expect(rememberedMix([0, -5, Number.NaN, Number.POSITIVE_INFINITY])).toBeUndefined()
    expect(rememberedMix([0, 80])).toEqual({
      medianPowderGrams: 80,
      count: 1,
      leastPowderGrams: 80,
      mostPowderGrams: 80,
    })
  })
})
