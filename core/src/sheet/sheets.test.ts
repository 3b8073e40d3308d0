import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { routeTemplates } from '../jobs/index.ts'
import { metric, refused } from '../testing/words.ts'
import {
  checkSheet,
  type DataOfKind,
  goodSheet,
  heldAgainst,
  isGrowing,
  judgeSheet,
  type SheetData,
  type SheetKind,
  type SheetOfKind,
  type StepSheet,
  sheetKinds,
  sheetLeadsTo,
  sheetPeakCelsius,
  sheetWords,
} from './index.ts'

/** Judged by a model that takes its time, and always in the same way: one of each is enough. */
const slow: readonly string[] = ['cure', 'burnout']
/** Every sheet that a route asks for, under any choices. */
const everySheet = [...routeTemplates.values()].flatMap((template) =>
  template.steps.flatMap((step) =>
    (step.sheets ?? []).map(
      (sheet) => [`${template.id}/${step.id}/${sheet.id}`, sheet as StepSheet] as const,
    ),
  ),
)
const asked = everySheet.filter(
  ([, { kind }], index) =>
    !slow.includes(kind) || everySheet.findIndex(([, sheet]) => sheet.kind === kind) === index,
)
const askedOf = <K extends SheetKind>(kind: K): SheetOfKind<K> => {
  const found = asked.find(([, sheet]) => sheet.kind === kind)
  if (!found) throw new Error(`no route asks for ${kind}`)
  return found[1] as SheetOfKind<K>
}
const noRecord = () => undefined
const words = (sheet: StepSheet, data: SheetData) =>
  metric(sheetWords(sheet, data, { lotNumber: (lotId) => `lot of ${lotId}` }))
const judged = (
  sheet: StepSheet,
  data: SheetData,
  recorded: (stepId: string) => SheetData | undefined = noRecord,
) => {
  const { faults, outcome } = judgeSheet(sheet, data, ({ stepId }) => recorded(stepId))
  return { faults: faults.map(metric), outcome, say: 'say' in outcome ? metric(outcome.say) : '' }
}
const refusal = (act: () => void) => refused(act)?.code

describe('every sheet of every route', () => {
  it.each(asked)('%s: what a careful technician enters is taken, passes and can be said', (_, sheet) => {
    const data = goodSheet(sheet)
    checkSheet(sheet, data)
    expect(judged(sheet, data)).toMatchObject({ faults: [], outcome: { verdict: 'pass' } })
    expect(words(sheet, data)).toMatch(/^[^[\]]*\w[^[\]]*$/)
    expect(words(sheet, data)).not.toMatch(/undefined|NaN|\[object/)
  })
  it.each(asked)('%s: what fails is taken, does not pass, and says what to do', (_, sheet) => {
    const example = sheetKinds[sheet.kind].failingExample as ((of: StepSheet) => object) | undefined
    if (!example)
      return expect(sheet.kind).toMatch(
        /parts|trimPlan|prescription|setUpPlan|grooves|dispatch|release|sawPlan/,
      )
    const data = { kind: sheet.kind, ...example(sheet) } as SheetData
    checkSheet(sheet, data)
    const against = heldAgainst(sheet)
    const earlier = () => goodSheet(asked.find(([, { id }]) => id === against?.sheetId)?.[1] ?? sheet)
    const { faults, outcome, say } = judged(sheet, data, earlier)
    expect(faults).not.toEqual([])
    for (const fault of faults) expect(fault).not.toMatch(/undefined|NaN|\[object|\.$/)
    expect(outcome.verdict).not.toBe('pass')
    expect(say).toMatch(/\w/)
    return undefined
  })
  it.each(asked)('%s: nonsense is refused in words', (_, sheet) => {
    const example = sheetKinds[sheet.kind].refusedExample as ((of: StepSheet) => object) | undefined
    if (!example) return expect(['finishedPair']).toContain(sheet.kind)
    expect(() => checkSheet(sheet, { kind: sheet.kind, ...example(sheet) } as SheetData)).toThrow(
      expect.objectContaining({ code: expect.stringMatching(/^[a-z-]+$/), remedy: expect.anything() }),
    )
    return undefined
  })
  it('an entry of another kind is refused, whatever it says', () => {
    const button = askedOf('button')
    expect(refusal(() => checkSheet(button, goodSheet(askedOf('grooves'))))).toBe('sheet-kind')
    expect(judged(button, goodSheet(askedOf('grooves'))).outcome.verdict).toBe('pass')
  })
  it('every kind is asked for by a route, but for none', () => {
    const kinds = new Set(asked.map(([, { kind }]) => kind))
    expect(Object.keys(sheetKinds).filter((kind) => !kinds.has(kind as SheetKind))).toEqual([])
  })
  it('leads only where its own outcomes lead', () => {
    for (const [name, sheet] of asked)
      for (const stepId of sheetLeadsTo(sheet)) expect(`${name} -> ${stepId}`).toMatch(/ -> [a-z-]+$/)
    const { failing } = askedOf('regions')
    expect(
      sheetLeadsTo({ ...askedOf('regions'), failing: { verdict: 'goBack', toStepId: 'wax', say: '' } }),
    ).toContain('wax')
    expect(failing.verdict).toMatch(/adjust|goBack|remake|askDentist/)
  })
  it('what is missing on a growing sheet is work still to do', () => {
    const growing = Object.keys(sheetKinds).filter((kind) =>
      isGrowing(askedOf(kind as SheetKind) as StepSheet),
    )
    expect(growing.sort()).toEqual(['closures', 'remount', 'teethSet'])
  })
})

describe('parts', () => {
  const sheet = askedOf('parts')
  const back: StepSheet = { ...sheet, returnOf: { stepId: 'parts-in', sheetId: 'parts-list' } }
  const parts = (...counts: readonly (readonly [string, number])[]): DataOfKind<'parts'> => ({
    kind: 'parts',
    parts: counts.map(([name, count]) => ({ name, count })),
  })
  const came = parts(['Screws', 4], ['Tray', 1])
  const against = (now: DataOfKind<'parts'>) => judged(back, now, () => came).faults
  it('all back in their number pass, in any order', () =>
    expect(against(parts(['Tray', 1], ['Screws', 4]))).toEqual([]))
  it('too few, too many and none at all are each named with both counts', () => {
    expect(against(parts(['Screws', 3], ['Tray', 1]))).toEqual(['Screws: 3 of 4'])
    expect(against(parts(['Screws', 5], ['Tray', 1]))).toEqual(['Screws: 5 of 4'])
    expect(against(parts(['Screws', 4]))).toEqual(['Tray: 0 of 1'])
  })
  it('what went along beside them is no fault', () =>
    expect(against(parts(['Screws', 4], ['Tray', 1], ['Note', 1]))).toEqual([]))
  it('a dispatch counts as what came', () =>
    expect(
      judged(back, parts(['Denture', 0]), () => ({
        kind: 'dispatch',
        parts: [{ name: 'Denture', count: 1 }],
        dueBackAt: '2026-03-04T12:00:00Z',
      })).faults,
    ).toEqual(['Denture: 0 of 1']))
  it.each([
    ['an empty list', parts(), 'words-missing'],
    ['a part without a name', parts([' ', 1]), 'words-missing'],
    ['half a screw', parts(['Screw', 0.5]), 'count-out-of-range'],
    ['fewer than none', parts(['Screw', -1]), 'count-out-of-range'],
    ['more than a hundred', parts(['Screw', 101]), 'count-out-of-range'],
  ] as const)('%s is refused', (_, data, code) => expect(refusal(() => checkSheet(sheet, data))).toBe(code))
  it('none and a hundred are counts', () => {
    checkSheet(sheet, parts(['Screw', 0], ['Bead', 100]))
    expect(words(sheet, parts(['Screw', 0], ['Bead', 100]))).toBe('0 Screw, 100 Bead')
  })
})

describe('places', () => {
  const sheet: SheetOfKind<'places'> = {
    ...askedOf('places'),
    leastPlaces: 2,
    min: 3.5,
    max: 8,
    plausible: { min: 0, max: 30 },
  }
  const at = (...values: readonly number[]): DataOfKind<'places'> => ({
    kind: 'places',
    places: values.map((value, n) => ({ place: `place ${n + 1}`, value })),
  })
  it('both limits belong to what passes', () => expect(judged(sheet, at(3.5, 8)).faults).toEqual([]))
  it('each place outside is named', () =>
    expect(judged(sheet, at(3.4, 5, 8.1)).faults).toEqual(['place 1', 'place 3']))
  it('one limit alone holds on its own side', () => {
    const { max: _max, ...open } = sheet
    expect(judged(open, at(29, 3.4)).faults).toEqual(['place 2'])
    const { min: _min, ...low } = sheet
    expect(judged(low, at(0, 8.1)).faults).toEqual(['place 2'])
  })
  it('too few places and a slip are refused', () => {
    expect(refusal(() => checkSheet(sheet, at(4)))).toBe('too-few-places')
    expect(refusal(() => checkSheet(sheet, at(4, 30.1)))).toBe('reading-not-plausible')
    expect(refusal(() => checkSheet(sheet, at(-0.1, 4)))).toBe('reading-not-plausible')
    expect(refusal(() => checkSheet(sheet, at(0, 30)))).toBeUndefined()
    expect(
      refusal(() =>
        checkSheet(sheet, {
          kind: 'places',
          places: [
            { place: ' ', value: 4 },
            { place: 'b', value: 4 },
          ],
        }),
      ),
    ).toBe('reading-not-plausible')
  })
})

describe('the metal', () => {
  const sheet = { ...askedOf('charge'), mostRemeltPercent: 50 }
  const piece = (id: string, grams: number, timesMelted: number) => ({
    id,
    grams,
    lots: [],
    history: [{ timesMelted, share: 1 }],
  })
  const good = goodSheet(sheet) as DataOfKind<'charge'>
  const [first, second] = good.pieces
  it('is refused when a piece goes in twice, or the alloy is none', () => {
    expect(refusal(() => checkSheet(sheet, { ...good, pieces: [first!, first!] }))).toBe('piece')
    expect(refusal(() => checkSheet(sheet, { ...good, alloyId: 'model-plaster' }))).toBe('no-such-alloy')
    expect(refusal(() => checkSheet(sheet, { ...good, pieces: [first!, second!] }))).toBeUndefined()
    expect(piece('x', 1, 0).grams).toBe(1)
  })
  it('may be short by what a balance does not show, not by more', () => {
    const grams = first!.grams + second!.grams
    expect(judged(sheet, { ...good, needGrams: grams + 0.004 }).faults).toEqual([])
    expect(judged(sheet, { ...good, needGrams: grams + 0.006 }).faults).toHaveLength(1)
  })
  it('names its lots, or that none was noted', () => {
    expect(words(sheet, good)).toContain('no lot noted')
    const lots = [{ lotId: 'l-7', grams: 10 }]
    const noted = { ...good, pieces: [{ ...first!, lots }, second!] } as unknown as DataOfKind<'charge'>
    expect(words(sheet, noted)).toContain('lot lot of l-7')
  })
  it('a button weighs from nothing to 500 g, and never more than what was melted', () => {
    const button = askedOf('button')
    const grams = (value: number): DataOfKind<'button'> => ({ kind: 'button', grams: value })
    expect(refusal(() => checkSheet(button, grams(-0.1)))).toBe('reading-not-plausible')
    expect(refusal(() => checkSheet(button, grams(500.1)))).toBe('reading-not-plausible')
    expect(refusal(() => checkSheet(button, grams(Number.NaN)))).toBe('reading-not-plausible')
    for (const value of [0, 500]) expect(refusal(() => checkSheet(button, grams(value)))).toBeUndefined()
    expect(words(button, grams(0))).toBe('scrapped')
    const all = first!.grams + second!.grams
    expect(judged(button, grams(all), () => good).faults).toEqual([])
    expect(judged(button, grams(all + 0.1), () => good).faults).toHaveLength(1)
    expect(judged(button, grams(all + 0.1)).faults).toEqual([])
  })
})

describe('the articulator', () => {
  const sheet = askedOf('mounting')
  const at = (pinMillimetres: number) => ({ ...(goodSheet(sheet) as DataOfKind<'mounting'>), pinMillimetres })
  it('stands at zero to a tenth either way', () => {
    for (const pin of [-0.1, 0, 0.1]) expect(judged(sheet, at(pin)).faults).toEqual([])
    for (const pin of [-0.11, 0.11]) expect(judged(sheet, at(pin)).faults).toHaveLength(1)
  })
  it('has a pin of 20 mm either way', () => {
    for (const pin of [-20, 20]) expect(refusal(() => checkSheet(sheet, at(pin)))).toBeUndefined()
    for (const pin of [-20.1, 20.1, Number.NaN])
      expect(refusal(() => checkSheet(sheet, at(pin)))).toBe('reading-not-plausible')
  })
  it('keeps a JPEG of at most 80 kB, and nothing else', () => {
    const jpeg = 'data:image/jpeg;base64,'
    const photo = (text: string) => ({ ...at(0), photo: text })
    expect(refusal(() => checkSheet(sheet, photo(jpeg.padEnd(110_000, 'A'))))).toBeUndefined()
    expect(refusal(() => checkSheet(sheet, photo(jpeg.padEnd(110_001, 'A'))))).toBe('photo-too-large')
    expect(refusal(() => checkSheet(sheet, photo('data:image/png;base64,AAAA')))).toBe('photo-too-large')
    expect(words(sheet, photo(`${jpeg}AAAA`))).toMatch(/with a picture$/)
    expect(words(sheet, { ...at(0), facebow: true })).toMatch(/by facebow$/)
  })
})

describe('the room for a pattern', () => {
  const sheet = askedOf('room')
  const site = (roomMillimetres: number) => ({
    kind: 'room' as const,
    sites: [
      {
        name: 'Cusp',
        place: 'functionalCusp' as const,
        roomMillimetres,
        greenMillimetres: 0.2,
        resinMillimetres: 0.3,
      },
    ],
  })
  it('asks the dentist where no layer can help, and adjusts where thinner layers can', () => {
    expect(judged(sheet, site(0.4)).outcome.verdict).toBe('askDentist')
    expect(judged(sheet, site(2.5)).faults).toEqual([])
    // More room never turns a verdict to the worse.
    const rank = { pass: 0, adjust: 1, askDentist: 2 } as Record<string, number>
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 2, noNaN: true }),
        (room, more) => {
          const [less, after] = [judged(sheet, site(room)), judged(sheet, site(room + more))]
          expect(rank[after.outcome.verdict]!).toBeLessThanOrEqual(rank[less.outcome.verdict]!)
        },
      ),
    )
  })
  it('wants one place or more', () =>
    expect(refusal(() => checkSheet(sheet, { kind: 'room', sites: [] }))).toBe('too-few-places'))
})

describe('what the dentist wants changed', () => {
  const sheet = askedOf('tryInAnswer')
  const answer = (...changes: readonly (readonly [string, string])[]): DataOfKind<'tryInAnswer'> => ({
    kind: 'tryInAnswer',
    changes: changes.map(([change, text]) => ({ change, words: text })),
  })
  const [early, late] = [sheet.changes[0]!, sheet.changes.at(-1)!]
  it('goes back to the earliest step that one of them needs', () => {
    expect(judged(sheet, answer([late.id, 'x'])).outcome).toMatchObject({ toStepId: late.toStepId })
    expect(judged(sheet, answer([late.id, 'x'], [early.id, 'y'])).outcome).toMatchObject({
      verdict: 'goBack',
      toStepId: early.toStepId,
    })
  })
  it('is said with the name of each change', () => {
    expect(words(sheet, answer())).toBe('accepted')
    expect(words(sheet, answer([early.id, 'longer'], [late.id, 'wider']))).toBe(
      `${early.name}, longer; ${late.name}, wider`,
    )
  })
  it('says what is wanted', () => {
    expect(refusal(() => checkSheet(sheet, answer([early.id, '  '])))).toBe('words-missing')
    expect(refusal(() => checkSheet(sheet, answer(['nothing', 'x'])))).toBe('no-such-change')
  })
})

describe('teeth that are set', () => {
  const sheet = { ...askedOf('teethSet'), order: [11, 12, 13] }
  const set = (...teeth: number[]): DataOfKind<'teethSet'> => ({ kind: 'teethSet', teeth })
  it('may come out of turn, and are named while they are missing', () => {
    expect(judged(sheet, set(13, 11)).faults).toEqual(['Not set yet: 12'])
    expect(judged(sheet, set(13, 12, 11)).faults).toEqual([])
    expect(words(sheet, set())).toBe('none')
  })
  it('are none that the step does not set, and none twice', () => {
    expect(refusal(() => checkSheet(sheet, set(11, 11)))).toMatch(/[a-z]/)
    expect(refusal(() => checkSheet(sheet, set(21)))).toMatch(/[a-z]/)
  })
})

describe('a burnout', () => {
  const sheet = { ...askedOf('burnout'), binder: 'phosphate' as const }
  const good = goodSheet(sheet) as DataOfKind<'burnout'>
  it('belongs to the binder of the case', () =>
    expect(refusal(() => checkSheet({ ...sheet, binder: 'gypsum' }, good))).toBe('other-binder'))
  it('is said with its last reading', () =>
    expect(words(sheet, good)).toMatch(/^Furnace, final reading \d+ °C, by hand, hot through$/))
  it('sends the ring back to the step that makes it again', () =>
    expect(sheetLeadsTo({ ...sheet, remakeFrom: 'wax-up' })).toContain('wax-up'))
})

describe('what is melted', () => {
  const sheet = askedOf('charge')
  const charge = (alloyId: string, returned: number): SheetData => ({
    kind: 'charge',
    alloyId,
    pieces: [
      { id: 'new', grams: 10 * (1 - returned) + 0.001, lots: [], history: { shares: [1] } },
      { id: 'back', grams: 10 * returned + 0.001, lots: [], history: { shares: [0, 1] } },
    ],
  })
  const faultsOf = (wants: Partial<SheetOfKind<'charge'>>, data: SheetData) =>
    judged({ ...sheet, mostRemeltPercent: 100, ordered: undefined, binder: undefined, ...wants }, data).faults
  // Common practice: base metal new only, noble metal at least half new, whatever the job lets be.
  it('the alloy says how much of it may be returned, where the job does not say less', () => {
    expect(faultsOf({}, charge('cobalt-chromium', 0.1))).toEqual([expect.stringContaining('at most 0 %')])
    expect(faultsOf({}, charge('gold-type-3', 0.45))).toEqual([])
    expect(faultsOf({}, charge('gold-type-3', 0.6))).toEqual([expect.stringContaining('at most 50 %')])
    expect(faultsOf({ mostRemeltPercent: 0 }, charge('gold-type-3', 0.45))).toEqual([
      expect.stringContaining('at most 0 %'),
    ])
  })
  it('what was not ordered, or is too hot for its mould, does not pass', () => {
    const ordered = ['gold-type-3']
    expect(faultsOf({ ordered }, charge('gold-type-3', 0.1))).toEqual([])
    expect(faultsOf({ ordered }, charge('gold-palladium', 0.1))).toEqual([
      'Gold-palladium for ceramic is not what was ordered: Gold alloy, type 3',
    ])
    expect(faultsOf({ binder: 'gypsum' }, charge('gold-palladium', 0.1))).toEqual([
      expect.stringContaining('too hot for a gypsum-bonded mould'),
    ])
    expect(faultsOf({ binder: 'phosphate' }, charge('gold-palladium', 0.1))).toEqual([])
  })
})

describe('the hottest that a sheet tells', () => {
  it('of a burnout: the highest reading, less what the furnace shows too much', () => {
    const { burnout } = sheetKinds
    const wanted = {
      id: 'b',
      name: 'Burnout',
      how: '',
      source: '',
      binder: 'phosphate',
      remakeFrom: 'wax',
    } as const
    const failing = { verdict: 'adjust', say: 'again' } as const
    const good = burnout.good({ ...wanted, failing })
    const measured = [700, 850, 840].map((celsius, n) => ({ minutes: 60 * (n + 1), celsius }))
    const run = { ...good.run, measured, showsTooMuchCelsius: 12 }
    expect(sheetPeakCelsius({ kind: 'burnout', ...good, run })).toBe(838)
  })
  it('of what is not heated: nothing', () => {
    expect(sheetPeakCelsius({ kind: 'button', grams: 4 } as never)).toBeUndefined()
  })
})
