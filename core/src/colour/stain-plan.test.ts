import { describe, expect, it } from '@jest/globals'
import { shelf } from '../testing/stain-shelf.ts'
import { metric, refused } from '../testing/words.ts'
import {
  afterFiring,
  areNear,
  checkStainPlan,
  colourDifference,
  colourOf,
  firedFactor,
  glazed,
  halfway,
  type Lab,
  mattOf,
  meanReading,
  offeredFactor,
  outlierOf,
  planZone,
  readingRows,
  readReadings,
  type StainPlan,
  schools,
  stainedColour,
  stainWarnings,
} from './index.ts'

const block: Lab = { L: 84, a: 1, b: 13 }
const pots = shelf as StainPlan['pots']
const amounts = (of: Readonly<Record<string, number>>) => pots.map(({ name }) => of[name] ?? 0)
const plan = (zones: StainPlan['zones']): StainPlan => ({ zones, pots, specular: 'excluded' })
const zone = (change: Partial<StainPlan['zones'][number]> = {}): StainPlan['zones'][number] => ({
  zone: 'body',
  block,
  target: { L: 80.5, a: 2, b: 17 },
  coats: amounts({ 'ochre body': 1, 'brown body': 0.25 }),
  ...change,
})
const refusal = (act: () => unknown) => refused(act)?.code

describe('a plan on record', () => {
  it('holds the recipe of the model: body, ΔE00 0.8494, Lab 81.663, 1.941, 17.490', () => {
    checkStainPlan(plan([zone()]))
    const colour = colourOf(zone(), pots, 'excluded')
    expect([colour.L, colour.a, colour.b].map((each) => Number(each.toFixed(3)))).toEqual([
      81.663, 1.941, 17.49,
    ])
  })
  it.each<[string, StainPlan, string]>([
    ['no zone', plan([]), 'no-zone'],
    ['a zone twice', plan([zone(), zone()]), 'zone-twice'],
    [
      'more than three coats',
      plan([zone({ coats: amounts({ grey: 2, blue: 1.25 }) })]),
      'coats-out-of-range',
    ],
    ['coats of a pot that is not there', { ...plan([zone()]), pots: pots.slice(0, 1) }, 'coats-out-of-range'],
    ['no colour', plan([zone({ block: { L: 120, a: 0, b: 0 } })]), 'lightness-out-of-range'],
  ])('refuses %s', (_, given, code) => expect(refusal(() => checkStainPlan(given))).toBe(code))
  it('the same zone of two teeth is no zone twice', () =>
    expect(() => checkStainPlan(plan([zone({ tooth: 11 }), zone({ tooth: 21 })]))).not.toThrow())
})

describe('halfway between two zones', () => {
  it('is the colour of half of each: ochre 1 and nothing give ochre 0.5', () => {
    const half = halfway(
      { block, coats: amounts({ 'ochre body': 1 }) },
      { block, coats: [] },
      pots,
      'excluded',
    )
    expect(half).toEqual(stainedColour(block, [{ pot: pots[0]!, coats: 0.5 }]))
    const graded = halfway(
      { block, coats: [] },
      { block: { L: 80, a: 3, b: 15 }, coats: [] },
      pots,
      'excluded',
    )
    expect([graded.L, graded.a, graded.b].map((each) => Number(each.toFixed(6)))).toEqual([82, 2, 14])
  })
})

describe('what is watched in a plan', () => {
  const warned = (zones: StainPlan['zones']) => stainWarnings({ zones, pots }).map(metric).join('; ')
  it('white over one coat, a film that pools, a hard stop between neighbours', () => {
    expect(warned([zone()])).toBe('')
    expect(warned([zone({ coats: amounts({ white: 1 }) })])).toBe('')
    expect(warned([zone({ coats: amounts({ white: 1.25 }) })])).toContain('hides translucency')
    expect(warned([zone({ coats: amounts({ grey: 1, blue: 1 }) })])).toBe('')
    expect(warned([zone({ coats: amounts({ grey: 1.25, blue: 1 }) })])).toContain('may pool')
    const neck = (ochre: number) => zone({ zone: 'neck', coats: amounts({ 'ochre body': ochre }) })
    const body = zone({ coats: amounts({ 'ochre body': 0.5 }) })
    expect(warned([neck(1.5), body])).toBe('')
    expect(warned([neck(1.75), body])).toContain('ochre body stops hard between neck and body: fade it')
    // Of two teeth they do not touch.
    expect(
      warned([
        { ...neck(1.75), tooth: 11 },
        { ...body, tooth: 21 },
      ]),
    ).toBe('')
  })
})

describe('after the firing', () => {
  const target = zone().target
  it('near enough is left', () =>
    expect(afterFiring({ L: 80.6, a: 2, b: 17 }, target, pots)).toMatchObject({ does: 'leave' }))
  it('too light gets what is missing: the reading is the new block', () => {
    const found = afterFiring(block, target, pots)
    expect(found.does).toBe('add')
    if (found.does !== 'add') return
    expect(found.plan.coats).toEqual(planZone({ name: 'x', block, target }, pots).coats)
  })
  it('too dark is stripped: a dark one cannot be lifted', () =>
    expect(afterFiring({ L: 72, a: 3, b: 19 }, target, pots).does).toBe('strip'))
  it('a matt reading is seen darker and deeper once it is glazed (82, 1, 13: 79.7832, 1.0466, 13.6924)', () => {
    const seen = glazed({ L: 82, a: 1, b: 13 })
    expect(seen.L).toBeCloseTo(79.7832, 3)
    expect(seen.b).toBeCloseTo(13.6924, 3)
    const back = mattOf({ L: 79.7832, a: 1.0466, b: 13.6924 })
    expect([back.L, back.a, back.b].map((each) => Number(each.toFixed(3)))).toEqual([82, 1, 13])
  })
})

describe('one firing or two', () => {
  it('the neck of the model in 3 coats: a fifth thinner ends further off in one, and is added to in two', () => {
    const neck = {
      block,
      target: { L: 76.5, a: 4, b: 22 },
      coats: amounts({ 'ochre body': 2, 'brown body': 1 }),
    }
    const { one, two } = schools(neck, pots)
    const thin = stainedColour(
      block,
      neck.coats.map((x, n) => ({ pot: pots[n]!, coats: 0.8 * x })),
    )
    expect(one).toBeGreaterThanOrEqual(colourDifference(thin, neck.target) - 1e-9)
    expect(two).toBeLessThanOrEqual(one)
    expect(two).toBeLessThan(1.8)
  })
})

describe('a pot that lies thicker than planned', () => {
  const ochre = pots.find(({ name }) => name === 'ochre body')!
  it('is found back from what was read, at any coats', () => {
    for (const factor of [0.6, 1, 1.4]) {
      const read = stainedColour(block, [{ pot: ochre, coats: 1.5 * factor }])
      expect(firedFactor({ block, coats: 1.5, read }, ochre)).toBeCloseTo(factor, 6)
    }
  })
  it('no amount of it makes a lighter one', () =>
    expect(firedFactor({ block, coats: 1, read: { L: 90, a: 1, b: 13 } }, ochre)).toBeUndefined())
  it('is offered once the last three agree, never before', () => {
    expect(offeredFactor([1.2, 1.2])).toBeUndefined()
    expect(offeredFactor([1.2, 1.25, 1.15])).toBeCloseTo(1.2, 9)
    expect(offeredFactor([0.5, 1.2, 1.25, 1.15])).toBeCloseTo(1.2, 9)
    expect(offeredFactor([0.8, 1.2, 1.25])).toBeUndefined()
  })
})

it('blocks nearer than 20 in L* tell a pot badly', () => {
  expect(areNear({ L: 88, a: 0, b: 8 }, { L: 68.1, a: 6, b: 20 })).toBe(true)
  expect(areNear({ L: 62, a: 6, b: 20 }, { L: 82, a: 0, b: 8 })).toBe(false)
})

describe('readings', () => {
  const read = [block, { L: 84.1, a: 1.1, b: 13 }, { L: 83.9, a: 0.9, b: 13.1 }]
  it('mean of three', () => {
    const mean = meanReading(read)
    expect([mean.L, mean.a, mean.b].map((each) => Number(each.toFixed(3)))).toEqual([84, 1, 13.033])
  })
  it('one that lies apart is read again, never averaged away', () => {
    expect(outlierOf(read)).toBe(-1)
    const apart = [read[0]!, { L: 81, a: 1, b: 13 }, read[2]!]
    expect(outlierOf(apart)).toBe(1)
    expect(refusal(() => meanReading(apart))).toBe('reading-apart')
    expect(refusal(() => meanReading([]))).toBe('no-reading')
    // Of two nobody knows which.
    expect(outlierOf(apart.slice(0, 2))).toBe(-1)
  })
})

describe('readings as a table', () => {
  it('go out and come back in', () => {
    const readings = [
      { name: 'tab 3, worn', colour: { L: 79.12, a: 1.5, b: 17.25 } },
      { name: 'tab 4', colour: { L: 74, a: -0.5, b: 20 } },
    ]
    expect(readReadings(readingRows(readings)).map(({ colour }) => colour)).toEqual(
      readings.map(({ colour }) => colour),
    )
  })
  it('with decimal commas and an empty row', () =>
    expect(
      readReadings([
        ['name', 'L*', 'a*', 'b*'],
        ['', '', '', ''],
        ['x', '79,5', '1', '17'],
      ])[0],
    ).toEqual({
      name: 'x',
      colour: { L: 79.5, a: 1, b: 17 },
    }))
  it('curves: a perfect reflector is exactly white, in percent too', () => {
    const nm = Array.from({ length: 41 }, (_, n) => 380 + 10 * n)
    const file = (head: (each: number) => string, value: number) => [
      ['name', ...nm.map(head)],
      ['white', ...nm.map(() => String(value))],
    ]
    for (const text of [file((each) => `${each} nm`, 1), file((each) => `${each} nm %`, 100)]) {
      const { colour, curve } = readReadings(text)[0]!
      expect(colour.L).toBeCloseTo(100, 9)
      expect(Math.abs(colour.a) + Math.abs(colour.b)).toBeLessThan(1e-9)
      expect(curve).toHaveLength(41)
    }
  })
  it('refuses curves of which one column is another wavelength, or has no unit', () => {
    const nm = Array.from({ length: 41 }, (_, n) => `${380 + 10 * n} nm`)
    const code = (head: readonly string[]) =>
      refused(() =>
        readReadings([
          ['name', ...head],
          ['white', ...nm.map(() => '1')],
        ]),
      )?.code
    expect(code(nm)).toBeUndefined()
    expect(code(nm.map((each, n) => (n === 7 ? '455 nm' : each)))).toBe('readings-not-understood')
    expect(code(nm.map((each, n) => (n === 7 ? '450' : each)))).toBe('readings-not-understood')
  })
  it.each([
    [
      [
        ['x', 'y'],
        ['1', '2'],
      ],
      /Head the columns/,
    ],
    [
      [
        ['name', 'L*', 'a*', 'b*'],
        ['x', '80', '1'],
      ],
      /Fill it in/,
    ],
    [
      [
        ['name', 'L*', 'a*', 'b*'],
        ['x', '80', '1', ''],
      ],
      /Fill it in/,
    ],
    [
      [
        ['name', 'L*', 'a*', 'b*'],
        ['x', '180', '1', '2'],
      ],
      /0 to 100/,
    ],
  ])('refuses %j', (text, advice) => {
    const error = refused(() => readReadings(text))
    expect(metric(error!.advice)).toMatch(advice)
  })
})
