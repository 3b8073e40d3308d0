import { describe, expect, it } from '@jest/globals'
import { inMetric } from '../testing/words.ts'
import {
  type CureWish,
  cure,
  curePresets,
  cureVerdict,
  fastestSafe,
  isSafe,
  quotedFineness,
  type ResinSection,
  safeBy,
  twoStage,
} from './index.ts'

const sheet = (millimetres: number): ResinSection => ({ shape: 'sheet', millimetres })
const ridge = (millimetres: number): ResinSection => ({ shape: 'ridge', millimetres })
/** The laws of the search hold on any grid; what it says of a bath is looked at on the one that ships. */
const coarse = { cells: { resin: 6, stone: 10 }, longestSeconds: 90, rise: 0.01 }
describe('the shortest safe bath', () => {
  it('cannot be shortened: five minutes less of either hold are no longer safe', () => {
    const wish: CureWish = { sections: [ridge(12)], mostResidualPercent: 1.5 }
    const { program } = fastestSafe(wish, coarse)!
    expect(program.segments).toHaveLength(2)
    for (const shorter of [0, 1]) {
      const segments = program.segments.map((segment, n) =>
        n === shorter ? { ...segment, holdMinutes: segment.holdMinutes - 5 } : segment,
      )
      const outcomes = wish.sections.map((section) =>
        cure({ section, program: { ...program, segments } }, coarse),
      )
      expect(isSafe(outcomes, 1.5)).toBe(false)
    }
  })
  it.each<CureWish>([{ sections: [sheet(3), ridge(12)] }, { sections: [sheet(8)], mostResidualPercent: 1 }])(
    'never comes near the boiling point in the finer computation: %j',
    (wish) => {
      const { program } = fastestSafe(wish)!
      for (const section of wish.sections) {
        const outcome = cure({ section, program }, quotedFineness)
        expect(outcome.risk).toBe('low')
        expect(outcome.marginCelsius).toBeGreaterThan(9)
        expect(outcome.residualPercent).toBeLessThan(wish.mostResidualPercent ?? 2.2)
      }
    },
  )
  it('in the time there is: the spare time goes to the first hold, and leaves no more monomer', () => {
    const wish = { sections: [sheet(3), ridge(12)] }
    const fastest = fastestSafe(wish, coarse)!
    const night = safeBy(wish, 14 * 60, coarse)
    expect(night.kind).toBe('inTime')
    if (night.kind !== 'inTime') return
    expect(night.proposal.bathMinutes).toBeGreaterThan(14 * 60 - 6)
    expect(night.proposal.bathMinutes).toBeLessThanOrEqual(14 * 60)
    night.proposal.outcomes.forEach((outcome, n) => {
      expect(outcome.residualPercent).toBeLessThanOrEqual(fastest.outcomes[n]!.residualPercent)
    })
    expect(safeBy(wish, 45, coarse)).toMatchObject({
      kind: 'tooSoon',
      proposal: { bathMinutes: fastest.bathMinutes },
    })
  })
  it('says never to a block that boils in any bath, and refuses no time at all', () => {
    expect(safeBy({ sections: [ridge(40)] }, 900, coarse).kind).toBe('never')
    expect(() => safeBy({ sections: [sheet(3)] }, 0)).toThrow(
      expect.objectContaining({ code: 'not-a-positive-number' }),
    )
  })
})

describe('what a bath does, in words', () => {
  const follow = (id: string, sections: readonly ResinSection[]) => {
    const { program } = curePresets.find((preset) => preset.id === id)!
    return sections.map((section) => ({ section, outcome: cure({ section, program }) }))
  }
  it('straight into the boil: the ridge, its peak and why it is bad', () => {
    const { standing, say } = cureVerdict(
      follow('straight', [sheet(3), ridge(12)]),
      (minutes) => `at minute ${Math.round(minutes)}`,
    )
    expect(standing).toBe('bad')
    expect(inMetric(say)).toMatch(
      /^The 12 mm ridge peaks at 127 °C at minute 2[67]: monomer boils at 100.8 °C/,
    )
  })
  it('long, then boil: good for a usual base, with what stays', () => {
    const { standing, say } = cureVerdict(follow('long-boil', [sheet(3), ridge(12)]))
    expect(standing).toBe('good')
    expect(inMetric(say)).toContain('about 0.4 % monomer stays')
  })
  it('too short a bath leaves more than ISO 20795-1 allows', () => {
    const program = twoStage({ toCelsius: 74, rampMinutes: 30, holdMinutes: 120 })
    const { standing, say } = cureVerdict([
      { section: sheet(3), outcome: cure({ section: sheet(3), program }) },
    ])
    expect(standing).toBe('bad')
    // The model notes: 4.8 % after 2 h at 74 °C.
    expect(inMetric(say)).toContain('About 4.8 % monomer stays in the 3 mm sheet, above 2.2 %')
  })
})
