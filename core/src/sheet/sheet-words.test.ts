import { describe, expect, it } from '@jest/globals'
import { routeTemplates } from '../jobs/index.ts'
import { metric, refused } from '../testing/words.ts'
import {
  checkSheet,
  type DataOfKind,
  goodSheet,
  judgeSheet,
  type SheetData,
  type SheetKind,
  type StepSheet,
  sheetWords,
} from './index.ts'

const every = [...routeTemplates.values()].flatMap(({ steps }) =>
  steps.flatMap(({ sheets = [] }) => sheets.map((sheet) => sheet as StepSheet)),
)
const askedOf = (kind: SheetKind) => every.find((sheet) => sheet.kind === kind)!
const good = <K extends SheetKind>(kind: K) => goodSheet(askedOf(kind)) as unknown as DataOfKind<K>
const said = (data: SheetData, sheet = askedOf(data.kind)) =>
  metric(sheetWords(sheet, data, { lotNumber: String }))
const faults = (data: SheetData, recorded?: SheetData, sheet = askedOf(data.kind)) =>
  judgeSheet(sheet, data, () => recorded).faults.map(metric)
const against = (data: SheetData) => {
  const error = refused(() => checkSheet(askedOf(data.kind), data))
  return error && [error.code, error.field]
}

describe('what stands on the record of a sheet', () => {
  it('an articulator: its pin, its guides, and what came with it', () => {
    const mounting = good('mounting')
    expect(said(mounting)).toMatch(/^.+, pin 0 mm, condylar \d+° and \d+°, table \d+°$/)
    const photo = 'data:image/jpeg;base64,AAAA'
    expect(said({ ...mounting, facebow: true, photo })).toMatch(/°, by facebow, with a picture$/)
    expect(faults({ ...mounting, pinMillimetres: 0.1 })).toEqual([])
    expect(faults({ ...mounting, pinMillimetres: -0.11 })).toEqual(['Pin at -0.11 mm, not at zero'])
    expect(against({ ...mounting, pinMillimetres: -20 })).toBeUndefined()
    expect(against({ ...mounting, pinMillimetres: -20.1 })).toEqual([
      'reading-not-plausible',
      'pinMillimetres',
    ])
    expect(against({ ...mounting, photo: 'data:image/png;base64,AA' })).toEqual(['photo-too-large', 'photo'])
    expect(against({ ...mounting, photo: photo + 'A'.repeat(110_000) })).toEqual(['photo-too-large', 'photo'])
    expect(against({ ...mounting, photo })).toBeUndefined()
  })
  it('a button: its weight, or that it was scrapped; never more than was melted', () => {
    const button = (grams: number): DataOfKind<'button'> => ({ kind: 'button', grams })
    const charge: SheetData = {
      kind: 'charge',
      alloyId: 'gold-type-3',
      pieces: [{ id: 'a', grams: 12, lots: [], history: { shares: [1] } }],
    }
    expect([said(button(0)), said(button(5.81))]).toEqual(['scrapped', '5.81 g'])
    expect(faults(button(12), charge)).toEqual([])
    expect(faults(button(12.1), charge)).toEqual(['12.1 g are more than was melted'])
    expect(faults(button(400))).toEqual([])
    expect([against(button(0)), against(button(500))]).toEqual([undefined, undefined])
    expect(against(button(500.1))).toEqual(['reading-not-plausible', 'grams'])
  })
  it('a closing: its number, its pressure, what was seen, by hand or by gauge', () => {
    const closing = (change: object): DataOfKind<'closures'> => ({
      kind: 'closures',
      closures: [{ kilopascals: 10_342, flash: false, gap: false, from: 'device', ...change } as never],
    })
    expect(said(closing({}))).toBe('closure 1, 10342 kPa, clean')
    expect(said(closing({ flash: true, gap: true, from: 'hand' }))).toBe(
      'closure 1, 10342 kPa by hand, flash and a gap',
    )
    expect(said(closing({ gap: true }))).toBe('closure 1, 10342 kPa, a gap')
  })
  it('what came along: where each thing went, and what is missing', () => {
    const went = (
      ...lines: readonly (readonly [string, 'back' | 'usedUp' | 'kept' | 'missing'])[]
    ): SheetData => ({
      kind: 'enclosures',
      went: lines.map(([name, way]) => ({ name, way })),
    })
    expect(said(went())).toBe('nothing came along')
    expect(said(went(['Tray', 'back'], ['Bite', 'usedUp'], ['Old denture', 'kept']))).toBe(
      'Tray: in the bag, Bite: used up, Old denture: stays with the lab',
    )
    expect(faults(went(['Tray', 'back'], ['Bite', 'missing']))).toEqual(['Bite is missing'])
    expect(against(went([' ', 'back']))).toEqual(['words-missing', 'went'])
    expect(against(went(['Tray', 'back'], ['Tray', 'kept']))).toEqual(['line-twice', 'went'])
  })
  it('a release: every place, and its statement', () => {
    const release = (
      places: readonly string[],
      statement: 'goesAlong' | 'notAskedFor' = 'goesAlong',
    ): SheetData => ({
      kind: 'release',
      places,
      statement,
    })
    expect(said(release(['A, 1 Quay', 'B, 2 Quay']))).toBe(
      'made at A, 1 Quay; B, 2 Quay; statement goes along',
    )
    expect(said(release(['A'], 'notAskedFor'))).toBe('made at A; statement not asked for here')
    for (const places of [[], ['A', ' ']])
      expect(against(release(places))).toEqual(['words-missing', 'places'])
  })
  it('a disinfection: with what, and how long; a name that says nothing is none', () => {
    const wet = (change: object): SheetData => ({ ...good('disinfection'), ...change })
    expect(said(wet({ product: 'Spray', contactMinutes: 5 }))).toMatch(/^Spray, .+, contact 5 min$/)
    expect(against(wet({ product: '  ' }))).toEqual(['words-missing', 'product'])
    expect(against(wet({ contactMinutes: 0 }))).toEqual(['contact-not-plausible', 'contactMinutes'])
    expect(against(wet({ contactMinutes: 120 }))).toBeUndefined()
    expect(against(wet({ contactMinutes: 120.5 }))).toEqual(['contact-not-plausible', 'contactMinutes'])
  })
  it('a plan to saw: how deep each cut, what is held, and whether it was scanned', () => {
    const plan = good('sawPlan')
    const sheet = askedOf('sawPlan')
    const survey = { file: { name: 'c.stl', sha256: 'a'.repeat(64), triangles: 9 }, pieces: [] }
    expect(said(plan, sheet)).toMatch(/^saw .+ mm deep, .+ mm deep/)
    expect(said({ ...plan, survey }, sheet)).toMatch(/; by scan$/)
    const held = { ...plan, heights: { ...plan.heights, labialUndercut: 2.5, midline: 12 } }
    expect(said(held, sheet)).toContain('; the outer flange is held')
    expect(said(plan, sheet)).not.toContain('flange')
    const thin = { ...plan, heights: { ...plan.heights, middle: 1, canines: 1, ends: 1 } }
    expect(said(thin, sheet)).toContain('too thin to saw')
  })
  it('grooves, dispatch, prescription, set-up and pair: what was chosen and read', () => {
    expect(said(good('grooves'))).toMatch(/^46, .+/)
    expect(said({ kind: 'grooves', tooth: 46, patternId: 'gone' })).toBe('46, gone')
    expect(
      said({ kind: 'dispatch', parts: [{ name: 'Tray', count: 2 }], dueBackAt: '2026-03-04T12:00:00.000Z' }),
    ).toMatch(/Tray.*2.*; due back .*12:00|2.*Tray.*; due back .*12:00/)
    expect(said(good('prescription'))).toMatch(/^incisal level [\d.]+ mm, fullness [\d.]+ mm, pin [\d.]+ mm$/)
    const { reading } = good('setUp')
    expect(said(good('setUp'))).toBe(
      `incisal level ${reading.incisalLevelMillimetres.right} mm and ${reading.incisalLevelMillimetres.left} mm, centre line off the mark ${reading.centreLineMillimetres} mm, pin ${reading.pinMillimetres} mm`,
    )
    const { pair } = good('finishedPair')
    expect(said(good('finishedPair'))).toBe(
      `read, ${pair.totalHeightsMillimetres.map((each) => `${each} mm`).join(', ')} high`,
    )
    expect(said(good('trimPlan'))).toMatch(/^sides upper \d+(\.\d)?°, lower \d+(\.\d)?°$/)
  })
})

describe('a set-up held against its prescription', () => {
  const sheet = askedOf('setUp')
  const wanted = good('prescription')
  const { reading, tolerances } = good('setUp')
  const read = (change: object): SheetData => ({
    kind: 'setUp',
    reading: { ...reading, ...change },
    tolerances,
  })
  const outcome = (data: SheetData, recorded?: SheetData) =>
    judgeSheet(sheet, data, () => recorded).outcome.verdict
  it('passes within its tolerances, and while none is on record', () => {
    expect(outcome(read({}), wanted)).toBe('pass')
    expect(outcome(read({ pinMillimetres: 2 }))).toBe('pass')
  })
  it('names the measure that is off, and asks the dentist where it cannot be brought there', () => {
    const low = read({ incisalLevelMillimetres: { right: 22.6, left: 21.5 } })
    expect(faults(low, wanted)[0]).toMatch(/: Raise 11 by 1\.1 mm$/)
    expect(outcome(low, wanted)).toBe('adjust')
    expect(outcome(read({ centreLineMillimetres: 3.5 }), wanted)).toBe('askDentist')
  })
})
