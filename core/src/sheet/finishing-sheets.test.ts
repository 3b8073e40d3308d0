import { describe, expect, it } from '@jest/globals'
import { routeTemplates } from '../jobs/index.ts'
import { metric } from '../testing/words.ts'
import { goodSheet, judgeSheet, type SheetData, type StepSheet, sheetWords } from './index.ts'

/** The sheets that the finishing of a denture asks for. */
const asked = [...routeTemplates.values()].flatMap(({ steps }) =>
  steps.flatMap(({ sheets = [] }) => sheets.map((sheet) => sheet as StepSheet)),
)
const judged = (sheet: StepSheet, data: SheetData) => {
  const { faults, outcome } = judgeSheet(sheet, data, () => undefined)
  return { faults: faults.map(metric), outcome, say: 'say' in outcome ? metric(outcome.say) : '' }
}
const words = (sheet: StepSheet, data: SheetData) =>
  metric(sheetWords(sheet, data, { lotNumber: (id) => id }))

describe('regions', () => {
  const fitting = asked.find((sheet) => sheet.kind === 'regions' && sheet.drawing === 'upperFitting')!
  const seen = (...faults: readonly (readonly [string, string])[]): SheetData => {
    const good = goodSheet(fitting)
    if (good.kind !== 'regions') throw new Error('regions')
    return {
      kind: 'regions',
      regions: good.regions.map(({ region }) => {
        const fault = faults.find(([at]) => at === region)?.[1]
        return fault ? { region, fault } : { region }
      }),
    }
  }
  it("a nodule is taken off; a fitting surface that was ground is the dentist's, whatever else there is", () => {
    expect(judged(fitting, seen(['vault', 'A nodule'])).outcome.verdict).toBe('adjust')
    const { outcome, faults, say } = judged(
      fitting,
      seen(['ridge', 'Stone left'], ['vault', 'Ground or polished']),
    )
    expect(outcome.verdict).toBe('askDentist')
    expect(say).toContain('Accept, or process again?')
    expect(faults).toHaveLength(2)
  })
})

describe('a wheel', () => {
  const wheelFor = (...stages: readonly string[]): StepSheet =>
    ({ ...asked.find(({ kind }) => kind === 'wheel')!, stages: [...stages] }) as StepSheet
  const taken = (sheet: StepSheet, written: string, remark?: boolean) =>
    judged(sheet, { kind: 'wheel', label: 'x', written, ...(remark ? { remark } : {}) }).faults
  const shine = wheelFor('high-shine')
  const pumice = wheelFor('coarse-pumice', 'fine-pumice')
  it('has one compound for life: coarser scratches through, finer is spoilt unless it is marked anew (the ladder of finishing)', () => {
    expect(taken(shine, 'high-shine')).toEqual([])
    expect(taken(shine, 'coarse-pumice')[0]).toContain('its grains scratch through high shine')
    expect(taken(shine, 'coarse-pumice', true)).toHaveLength(1)
    expect(taken(pumice, 'tripoli')[0]).toContain('marked tripoli')
    expect(taken(pumice, 'tripoli', true)).toEqual([])
    for (const written of ['coarse-pumice', 'fine-pumice', 'none']) expect(taken(pumice, written)).toEqual([])
  })
  it('without a mark gets the one of its stage', () =>
    expect(words(shine, { kind: 'wheel', label: '', written: 'none' })).toBe(
      'no mark on it: marked high shine now',
    ))
})
