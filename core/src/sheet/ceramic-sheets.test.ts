import { describe, expect, it } from '@jest/globals'
import { mattOf, type StainPlan } from '../colour/index.ts'
import { routeTemplates } from '../jobs/index.ts'
import { shelf } from '../testing/stain-shelf.ts'
import { metric, refused } from '../testing/words.ts'
import {
  checkSheet,
  type DataOfKind,
  goodSheet,
  judgeSheet,
  type SheetData,
  type SheetKind,
  type SheetOfKind,
  type StepSheet,
  sheetWords,
} from './index.ts'

/** The sheet of a kind as a route of ceramics asks for it. */
function asked<K extends SheetKind>(kind: K, templateId = 'milled-ceramic', which = 0): SheetOfKind<K> {
  const all = routeTemplates
    .get(templateId)!
    .steps.flatMap(({ sheets = [] }) => sheets.filter((sheet) => sheet.kind === kind))
  return all[which] as unknown as SheetOfKind<K>
}
const judged = (sheet: StepSheet, data: SheetData, plan?: SheetData) => {
  checkSheet(sheet, data)
  const { faults, outcome } = judgeSheet(sheet, data, () => plan)
  return {
    faults: faults.map(metric),
    verdict: outcome.verdict,
    say: 'say' in outcome ? metric(outcome.say) : '',
    to: 'toStepId' in outcome ? outcome.toStepId : undefined,
  }
}
const words = (sheet: StepSheet, data: SheetData) => metric(sheetWords(sheet, data, { lotNumber: String }))

const block = { L: 84, a: 1, b: 13 }
const coats = (ochre: number, brown: number) => [ochre, brown, 0, 0, 0, 0, 0]
const pots = shelf as StainPlan['pots']
/** Body and neck of the model: 0.85 and, in three coats, 0.89 from their targets. */
const plan: DataOfKind<'stainPlan'> = {
  kind: 'stainPlan',
  firings: 'two',
  specular: 'excluded',
  pots,
  zones: [
    { zone: 'body', block, target: { L: 80.5, a: 2, b: 17 }, coats: coats(1, 0.25) },
    { zone: 'neck', block, target: { L: 76.5, a: 4, b: 22 }, coats: coats(2, 1) },
  ],
}

describe('a stain plan on record', () => {
  const sheet = asked('stainPlan')
  it('passes where every zone is within 1.8, and is said in coats', () => {
    expect(judged(sheet, plan).verdict).toBe('pass')
    expect(words(sheet, plan)).toMatch(
      /^body 1 ochre body \+ 0.25 brown body; neck 2 ochre body \+ 1 brown body; 0.89 from the target at most, in two firings$/,
    )
  })
  it('out of reach is no plan: the dentist is asked', () => {
    const two = { ...plan, zones: [{ ...plan.zones[1]!, coats: coats(1, 1) }] }
    expect(judged(sheet, two)).toMatchObject({
      verdict: 'askDentist',
      faults: ['neck: 2.4 from its target, nobody accepts more than 1.8'],
    })
    const dark = { ...plan, zones: [{ ...plan.zones[0]!, block: { L: 68, a: 4, b: 20 }, coats: [0] }] }
    expect(judged(sheet, dark).faults[0]).toContain('a dark block cannot be lifted')
  })
})

describe('a colour that was read', () => {
  const [matt, glazed] = [asked('shadeReading'), asked('shadeReading', 'milled-ceramic', 1)]
  const read = (
    of: readonly (readonly ['body' | 'neck', { L: number; a: number; b: number }])[],
    change: object = {},
  ) =>
    ({
      kind: 'shadeReading',
      specular: 'excluded',
      from: 'hand',
      zones: of.map(([zone, colour]) => ({ zone, readings: [colour] })),
      ...change,
    }) as DataOfKind<'shadeReading'>
  const [body, neck] = [
    { L: 80.6, a: 2, b: 17 },
    { L: 76.8, a: 4, b: 21.6 },
  ]
  it('passes near its target, and is held against the plan zone by zone', () => {
    expect(
      judged(
        glazed,
        read([
          ['body', body],
          ['neck', neck],
        ]),
        plan,
      ).verdict,
    ).toBe('pass')
    expect(judged(glazed, read([['body', body]]), plan)).toMatchObject({
      faults: ['neck: not read'],
      verdict: 'adjust',
    })
  })
  it('before the glaze it is taken as it will be seen: a matt reading that looks light is right', () => {
    const mattBody = mattOf(body)
    const data = read([
      ['body', mattBody],
      ['neck', mattOf(neck)],
    ])
    expect(mattBody.L).toBeGreaterThan(body.L + 1.5)
    expect(judged(matt, data, plan).verdict).toBe('pass')
    expect(judged(glazed, data, plan).verdict).not.toBe('pass')
  })
  it('too light: so much is added; too dark: stripped', () => {
    expect(
      judged(
        glazed,
        read([
          ['body', block],
          ['neck', neck],
        ]),
        plan,
      ),
    ).toMatchObject({
      verdict: 'goBack',
      to: 'stain',
      say: 'Add, and fire once more: body 1 ochre body + 0.25 brown body.',
    })
    expect(
      judged(
        glazed,
        read([
          ['body', { L: 72, a: 3, b: 20 }],
          ['neck', neck],
        ]),
        plan,
      ),
    ).toMatchObject({
      verdict: 'goBack',
      say: expect.stringContaining('Strip it and start again'),
    })
  })
  it('with another setting of the gloss nothing is compared', () =>
    expect(
      judged(
        glazed,
        read(
          [
            ['body', body],
            ['neck', neck],
          ],
          { specular: 'included' },
        ),
        plan,
      ),
    ).toMatchObject({
      verdict: 'adjust',
      faults: expect.arrayContaining(['read with another specular setting than the plan has']),
    }))
  it('by the instrument three of each; one that lies apart is read again', () => {
    const zone = (readings: readonly object[]) =>
      read([], { from: 'instrument', zones: [{ zone: 'body', readings }] })
    expect(refused(() => checkSheet(glazed, zone([body, body])))?.code).toBe('too-few-readings')
    expect(refused(() => checkSheet(glazed, zone([body, body, { ...body, L: 77 }])))?.code).toBe(
      'reading-apart',
    )
    expect(refused(() => checkSheet(glazed, zone([body, body, body])))).toBeUndefined()
  })
})

describe('a firing on record', () => {
  const sheet = asked('firing', 'green-zirconia', 3)
  const good = goodSheet(sheet) as DataOfKind<'firing'>
  it('is of the step and of the class of its case', () => {
    expect(sheet.firing).toBe('sinter')
    expect(judged(sheet, good).verdict).toBe('pass')
    const other = asked('firing', 'green-zirconia', 0)
    expect(refused(() => checkSheet(other, good))?.code).toBe('other-firing')
    const otherClass = asked('firing', 'green-zirconia', 4)
    expect(judged(otherClass, good).faults).toContain('fired as another class than the case is of')
  })
  it('one that is to be looked at passes once what was seen is on record, and never before', () => {
    const hot = { ...good, run: { ...good.run, openedCelsius: 400 } }
    expect(judged(sheet, hot)).toMatchObject({
      verdict: 'adjust',
      say: expect.stringContaining('with what you saw'),
    })
    expect(judged(sheet, { ...hot, looked: '  ' }).verdict).toBe('adjust')
    expect(judged(sheet, { ...hot, looked: 'No crack' }).verdict).toBe('pass')
    expect(words(sheet, { ...hot, looked: 'No crack' })).toMatch(
      /opened at 400 °C, above 200 °C; looked at: No crack$/,
    )
  })
  it('is said with its number where it is one of several, and by hand where nobody else read it', () => {
    expect(words(sheet, good)).toMatch(
      /^Sintering furnace, sintering, \d+ °C at most, .* near it, by hand, good$/,
    )
    const glaze = { ...sheet, firing: 'glaze' as const, ceramic: 'zirconia4y' as const }
    expect(words(glaze, goodSheet(glaze))).toMatch(/^Ceramic furnace, glaze firing 1, /)
    const drying = { ...glaze, firing: 'dry' as const }
    expect(words(drying, goodSheet(drying))).toMatch(/^Ceramic furnace, drying, /)
    expect(words(sheet, { ...good, run: { ...good.run, from: 'machine' } })).not.toContain('by hand')
  })
  it('one that is lost is milled again, whatever was seen', () => {
    const wet = { ...good, looked: 'Looks whole', run: { ...good.run, dried: false } }
    expect(judged(sheet, wet)).toMatchObject({ verdict: 'remake', to: 'class-and-block' })
  })
})

describe('sizes against the factor', () => {
  const [green, sintered] = [
    asked('enlargement', 'green-zirconia'),
    asked('enlargement', 'green-zirconia', 1),
  ]
  const size = (measuredMillimetres: number, change: object = {}): DataOfKind<'enlargement'> => ({
    kind: 'enlargement',
    lot: 'ZR-1',
    lotFactor: 1.25,
    usedFactor: 1.25,
    sizes: [{ place: 'across', finalMillimetres: 8, measuredMillimetres }],
    ...change,
  })
  it('as chalk final size times the factor, sintered the final size: 0.3 % passes, more does not', () => {
    expect([10.03, 9.97].map((mm) => judged(green, size(mm)).verdict)).toEqual(['pass', 'pass'])
    expect(judged(green, size(10.04))).toMatchObject({
      verdict: 'remake',
      faults: ['across: 10.04 mm, 10 mm wanted, 0.4 % too large'],
    })
    expect(judged(sintered, size(8)).verdict).toBe('pass')
    expect(judged(sintered, size(7.95)).faults[0]).toContain('0.6 % too small')
  })
  it("another lot's factor is refused or reasoned, its size told for what it was milled with", () => {
    const other = size(10.016, { usedFactor: 1.252 })
    expect(judged(green, other).faults).toEqual([
      'milled with 1.252, the lot of this blank has 1.25: over 10 mm it ends 16 µm too large',
    ])
    expect(judged(green, { ...other, reason: ' ' }).verdict).toBe('remake')
    expect(judged(green, { ...other, reason: 'Seats' }).verdict).toBe('pass')
    expect(words(green, { ...other, reason: 'Seats' })).toContain('milled with 1.252 (16 µm on 10 mm)')
  })
  it.each([
    [{ lot: ' ' }, 'words-missing'],
    [{ usedFactor: 2 }, 'enlargement-not-plausible'],
    [{ sizes: [] }, 'too-few-places'],
    [{ sizes: [{ place: 'x', finalMillimetres: 0.1, measuredMillimetres: 10 }] }, 'reading-not-plausible'],
  ])('refuses %j', (change, code) =>
    expect(refused(() => checkSheet(green, size(10, change)))?.code).toBe(code),
  )
})

describe('density', () => {
  const sheet = asked('density', 'green-zirconia', 1)
  it('below 99 % of full it has pores and is milled again', () => {
    expect(sheet.ceramic).toBe('zirconia4y')
    // 1.2 g dry: full density 6.08 loses 1.2 · 0.99821/6.08 = 0.19702 g in water; 99 % loses 0.19901.
    const weighed = (lost: number): DataOfKind<'density'> => ({
      kind: 'density',
      dryGrams: 1.2,
      inWaterGrams: 1.2 - lost,
      waterCelsius: 20,
    })
    expect(judged(sheet, weighed(0.1989)).verdict).toBe('pass')
    expect(judged(sheet, weighed(0.1992))).toMatchObject({
      verdict: 'remake',
      to: 'class-and-block',
      faults: [expect.stringMatching(/^98.9 % of its full density/)],
    })
  })
})
