import { describe, expect, it } from '@jest/globals'
import { sheetOfOrder } from '../case/index.ts'
import { regionsOf } from '../inspection/index.ts'
import { routeTemplates } from '../jobs/index.ts'
import { seededRandom } from '../random/index.ts'
import { checkSheet, judgeSheet, type SheetKind, type SheetOfKind, type StepSheet } from '../sheet/index.ts'
import { metric } from '../testing/words.ts'
import { beginPractice } from './index.ts'
import { seenOnSheet, sheetTruth } from './sheet-truth.ts'

const order = { teeth: [35, 36, 37], enclosures: ['Tray'] }
const sheets = [...routeTemplates.values()].flatMap(({ steps }) =>
  steps.flatMap(({ sheets: all = [] }) => all.map((sheet) => sheet as StepSheet)),
)
const ofKind = <K extends SheetKind>(kind: K) =>
  sheets.filter((sheet) => sheet.kind === kind) as unknown as SheetOfKind<K>[]
const verdict = (sheet: StepSheet, data: ReturnType<typeof sheetTruth>) =>
  judgeSheet(sheet, data, () => undefined).outcome.verdict

describe('what really lies there', () => {
  it.each(['regions', 'places', 'room'] as const)(
    '%s: as a careful hand leaves it passes, with a fault it does not',
    (kind) => {
      for (const sheet of ofKind(kind) as unknown as StepSheet[])
        for (let seed = 0; seed < 12; seed++) {
          const random = seededRandom(seed)
          expect(sheetTruth(sheet, order, random)).toEqual(sheetOfOrder(sheet, order))
          const wrong = sheetTruth(sheet, order, random, true)
          checkSheet(sheet, wrong)
          expect([sheet.id, verdict(sheet, wrong)]).not.toEqual([sheet.id, 'pass'])
        }
    },
  )
  it('one region has a fault that it can have, the others none', () => {
    for (const sheet of ofKind('regions')) {
      const data = sheetTruth(sheet as StepSheet, order, seededRandom(3), true)
      if (data.kind !== 'regions') throw new Error('regions')
      const faulty = data.regions.filter(({ fault }) => fault !== undefined)
      expect(faulty).toHaveLength(1)
      const region = regionsOf[sheet.drawing].find(({ id }) => id === faulty[0]!.region)!
      expect(region.faults.map(({ fault }) => fault)).toContain(faulty[0]!.fault)
    }
  })
  it('one place is beyond its limit by a twentieth of what can be', () => {
    for (const sheet of ofKind('places')) {
      const { min, max, plausible } = sheet
      const data = sheetTruth(sheet as StepSheet, order, seededRandom(3), true)
      const good = sheetOfOrder(sheet as StepSheet, order)
      if (data.kind !== 'places' || good.kind !== 'places') throw new Error('places')
      const wrong = data.places.filter((each, n) => each.value !== good.places[n]!.value)
      expect(wrong).toHaveLength(1)
      const more = 0.05 * (plausible.max - plausible.min)
      const wanted =
        min === undefined
          ? Math.min(plausible.max, (max ?? plausible.max) + more)
          : Math.max(plausible.min, min - more)
      expect(wrong[0]!.value).toBeCloseTo(wanted, 2)
      expect(wrong[0]!.value).toBe(Number(wrong[0]!.value.toFixed(2)))
    }
  })
  it('is said place by place: what is good, and what a fault looks like, never by its name', () => {
    for (const sheet of ofKind('regions')) {
      const good = metric(
        seenOnSheet(sheet as StepSheet, sheetTruth(sheet as StepSheet, order, seededRandom(1))),
      )
      for (const { name, good: sound } of regionsOf[sheet.drawing])
        expect(good).toContain(`${name}: ${sound}`)
      const wrong = sheetTruth(sheet as StepSheet, order, seededRandom(1), true)
      const said = metric(seenOnSheet(sheet as StepSheet, wrong))
      expect(said).not.toBe(good)
      expect(said).not.toContain('undefined')
    }
    const [room] = ofKind('room')
    const said = metric(
      seenOnSheet(
        room as unknown as StepSheet,
        sheetTruth(room as unknown as StepSheet, order, seededRandom(1)),
      ),
    )
    expect(said).toMatch(/: room [\d.]+ mm, green wax [\d.]+ mm, resin [\d.]+ mm\./)
  })
})

describe('how a fault came to be', () => {
  const begun = (templateId: string, kind: string) => {
    const choices: Record<string, string> = routeTemplates
      .get(templateId)!
      .matters.some(({ id }) => id === 'arch')
      ? { arch: 'upper' }
      : {}
    const { planned, defects } = beginPractice(
      { templateId, choices, level: 'guided', seed: 1, focus: [kind] },
      Date.parse('2026-03-02T08:00:00Z'),
      'P-1',
      'Ada',
    )
    return [...planned, ...defects].find((each) => each.kind === kind)!
  }
  it.each([
    ['complete-denture', 'dough-stage: Sandy or stringy', 'material', /^Old liquid/],
    ['cast-crown', 'seats: Held up inside', 'material', /^The lot of investment expanded less/],
    ['study-cast', 'no-holes: A bleb on a tooth', 'hand', /at "/],
  ] as const)('%s, %s: by %s', (templateId, kind, by, why) => {
    const defect = begun(templateId, kind)
    expect(defect.bornBy).toBe(by)
    expect(metric(defect.why)).toMatch(why)
  })
  it('of a hand names the step in which it happened', () => {
    const { bornStep, why } = begun('study-cast', 'no-holes: A bleb on a tooth')
    const { name } = routeTemplates.get('study-cast')!.steps.find(({ id }) => id === bornStep)!
    expect(metric(why)).toContain(`"${name}"`)
  })
  it('has the size that a measure shows', () => {
    const defect = begun('study-cast', 'back-angle: above')
    expect(Number.parseFloat(metric(defect.size!))).toBeGreaterThan(91)
    expect(defect.shows[0]).toMatchObject({ kind: 'measure', side: 'above', by: 'instrument' })
  })
})
