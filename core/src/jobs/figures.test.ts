import { describe, expect, it } from '@jest/globals'
import { materials } from '../materials/index.ts'
import { kilopascalsFromPsi } from '../quantity/index.ts'
import { buildRoute, type CheckOf, type RouteStep, readingOutcome } from '../route/index.ts'
import { judgeSheet, type SheetOfKind } from '../sheet/index.ts'
import { routeTemplates } from './index.ts'

/**
 * The figures of every route against those of the trade (common practice, where nothing else is named), so that none can
 * change unnoticed. Minutes, mm, °C, kPa, %.
 */
type Choices = Readonly<Record<string, string>>
const step = (templateId: string, stepId: string, choices: Choices = {}): RouteStep => {
  const found = buildRoute(routeTemplates.get(templateId)!, choices).steps.find(({ id }) => id === stepId)
  if (!found) throw new Error(`${templateId} has no step ${stepId} with ${JSON.stringify(choices)}`)
  return found
}
const measure = (templateId: string, stepId: string, checkId: string, choices: Choices = {}) => {
  const check = step(templateId, stepId, choices).checks?.find(({ id }) => id === checkId)
  if (check?.kind !== 'measure') throw new Error(`${stepId} has no measure ${checkId}`)
  return check
}
const routeSteps = (templateId: string, choices: Choices) =>
  buildRoute(routeTemplates.get(templateId)!, choices).steps.map(({ id }) => id)
const dentures = ['complete-denture', 'wire-clasp-partial', 'immediate-denture'] as const
const casts = ['cast-crown', 'cast-bridge'] as const

describe('what a step waits for', () => {
  it.each([
    // template, step, choices, earliest
    ['study-cast', 'set', {}, 45],
    ['study-cast', 'base-set', {}, 45],
    ['study-model-pair', 'rebase', {}, 45],
    ['study-model-pair', 'soak', { casts: 'dry' }, 5],
    ['implant-verification', 'tissue-sets', {}, 5],
    ['implant-verification', 'wetting-agent', {}, 2],
    ['implant-verification', 'cast-sets', {}, 45],
    ['implant-verification', 'jig-rests', {}, 24 * 60],
    ['cast-crown', 'wetting-agent', { arrives: 'impression' }, 2],
    ['cast-crown', 'die-sets', { arrives: 'impression' }, 45],
    ['cast-crown', 'bench-set', {}, 45],
    ['cast-bridge', 'bench-set', {}, 45],
    ['cast-posts', 'ultrasonic-ammonia', {}, 3],
    ['cast-posts', 'ultrasonic-water', {}, 3],
    ['complete-denture', 'master-set', {}, 45],
    ['immediate-denture', 'putty-sets', {}, 10],
    ['immediate-denture', 'copy-pot', {}, 10],
    ['clear-clasp', 'dry-strips', {}, 2 * 60],
    ['clear-clasp', 'putty-sets', {}, 10],
    ['clear-clasp', 'copy-sets', {}, 45],
    ['clear-clasp', 'pot-join', {}, 10],
  ] as const)('%s, %s %j: not before %d min', (templateId, stepId, choices, earliest) =>
    expect(step(templateId, stepId, choices).wait?.earliestMinutes).toBe(earliest),
  )
  it.each(dentures.flatMap((id) => [['tap'], ['saw']].map(([deflasking]) => [id, deflasking] as const)))(
    '%s, %s: the cap sets 45 min, bench rest 30 to 60, ultrasonic bath 10',
    (id, deflasking) => {
      const choices = { deflasking: deflasking! }
      expect(step(id, 'cap-set', choices).wait?.earliestMinutes).toBe(45)
      expect(step(id, 'bench-rest', choices).wait).toMatchObject({ earliestMinutes: 30, bestMinutes: 60 })
      expect(step(id, 'ultrasonic', choices).wait?.earliestMinutes).toBe(10)
    },
  )
  it.each(dentures)('%s: about 5 min in boiling water soften the wax', (id) => {
    const { earliestMinutes, latestMinutes } = step(id, 'soften-wax').wait!
    expect(earliestMinutes).toBeLessThan(5)
    expect(latestMinutes).toBeGreaterThan(5)
    expect(latestMinutes! - earliestMinutes).toBeLessThanOrEqual(6)
  })
  // 74 °C 8 to 12 h, or 8 h and then 1 h at 100 °C, or about 2 h and then 1 h; the rise takes its hour.
  it.each([
    ['long', 12, 14],
    ['long-boil', 9, 11],
    ['short-boil', 3, 5],
  ])('the %s cure lasts %d to %d h with its rise', (cure, least, most) => {
    const { earliestMinutes } = step('complete-denture', `cure-${cure}`, { cure }).wait!
    expect(earliestMinutes).toBeGreaterThanOrEqual(least * 60)
    expect(earliestMinutes).toBeLessThanOrEqual(most * 60)
  })
  it('resin over wax is cured for 2 min at most: longer melts the wax', () =>
    expect(step('implant-verification', 'tray-cure').wait).toMatchObject({
      bestMinutes: 2,
      latestMinutes: 2,
    }))
  it('dry models soak 5 to 15 min, the pair dries several days', () => {
    expect(step('study-model-pair', 'soak', { casts: 'dry' }).wait?.bestMinutes).toBe(15)
    expect(step('study-model-pair', 'dry').wait!.earliestMinutes).toBeGreaterThanOrEqual(2 * 24 * 60)
  })
  it('soft-tissue silicone sets in 5 to 6 min, putty in 10 to 15', () => {
    expect(step('implant-verification', 'tissue-sets').wait!.earliestMinutes).toBeLessThanOrEqual(6)
    expect(step('immediate-denture', 'putty-sets').wait).toMatchObject({
      earliestMinutes: 10,
      bestMinutes: 15,
    })
  })
})

describe('what must be begun in time', () => {
  it.each([
    ['cast-crown', 'invest', 'margin-check', 60],
    ['cast-bridge', 'invest', 'margin-check', 60],
  ])('%s: %s, counted from %s, within %d min', (templateId, stepId, afterStepId, minutes) => {
    const window = step(templateId, stepId).startWindow!
    expect(window).toMatchObject({ afterStepId, latestMinutes: minutes })
  })
  it.each(casts)('%s: about a minute from the furnace to the casting', (id) => {
    const { bestMinutes, latestMinutes, afterStepId } = step(id, 'cast', { casting: 'here' }).startWindow!
    expect(afterStepId).toBe('burnout')
    expect(bestMinutes).toBe(1)
    expect(latestMinutes).toBe(2)
  })
})

describe('the limits of what is measured', () => {
  it.each([
    // template, step, check, choices, least, most
    ['study-cast', 'trim', 'back-angle', {}, 89, 91],
    ['study-model-pair', 'upper-base', 'base-tilt', {}, 0, 5],
    ['cast-crown', 'pattern-resin', 'resin-short', { pattern: 'resin' }, 0.5, undefined],
    ['cast-crown', 'sprue', 'end-clearance-phosphate', { investment: 'phosphate' }, 3, 4],
    ['cast-crown', 'cast', 'arm-turns', { casting: 'here' }, 2, 5],
    ['cast-bridge', 'sprue', 'end-clearance-phosphate', { investment: 'phosphate' }, 3, 4],
    ['cast-bridge', 'cast', 'arm-turns', { casting: 'here' }, 2, 5],
    ['cast-bridge', 'pontic-clearance', 'pontic-sheets', {}, 3, undefined],
    ['clear-clasp', 'warm-oven', 'oven', {}, 93, 121],
    ['complete-denture', 'pin-opening', 'pin-open', {}, 0, 2],
    ['wire-clasp-partial', 'pin-opening', 'pin-open', {}, 0, 2],
    ['immediate-denture', 'pin-opening', 'pin-open', {}, 0, 2],
  ] as const)('%s, %s: %s %j from %d to %d', (templateId, stepId, checkId, choices, least, most) => {
    const { min, max } = measure(templateId, stepId, checkId, choices)
    expect([min, max]).toEqual([least, most])
  })
  it('of a gypsum-bonded ring about 6 mm are left at the end', () => {
    const { min, max } = measure('cast-crown', 'sprue', 'end-clearance-gypsum', { investment: 'gypsum' })
    expect(min).toBeLessThanOrEqual(6)
    expect(max).toBeGreaterThanOrEqual(6)
    expect(max! - min!).toBeLessThanOrEqual(2)
  })
  it('die spacer is 20-40 µm in all (common practice)', () =>
    expect(measure('cast-crown', 'die-spacer', 'spacer-microns')).toMatchObject({
      quantity: 'micrometres',
      min: 20,
      max: 40,
    }))
  it('die spacer stops about 1 mm short of the margin, to half a millimetre', () =>
    expect(measure('cast-crown', 'die-spacer', 'spacer-short')).toMatchObject({ min: 0.5, max: 1.5 }))
  // ASTM B258: gauge 10 is the thickest that is used, 14 the thinnest; a higher gauge is a thinner wire.
  it('sprues are of gauge 14 or thicker', () =>
    expect(measure('cast-crown', 'sprue', 'sprue-gauge').max).toBe(14))
  it.each(dentures)('%s: a border keeps 3 mm; so much polishing takes', (id) => {
    const before = measure(id, 'borders', 'border-thickness').min!
    const after = measure(id, 'border-after', 'border-final').min!
    expect(after).toBe(3)
    // Model of finishing: rubber to shine take 2 x 26.35 µm with their overrun; a caliper reads to 0.05.
    expect(before - after).toBeGreaterThanOrEqual(0.0527)
    expect(before - after).toBeLessThanOrEqual(0.11)
  })
  it.each(['complete-denture', 'immediate-denture'])(
    '%s: in wax a border wants 3.4654 mm by the model of finishing, as a caliper reads it',
    (id) => expect(measure(id, 'wax-check', 'border-wax').min).toBe(3.5),
  )
  it.each([
    ['immediate-denture', 'copy-pot'],
    ['clear-clasp', 'pot-join'],
  ])('%s: the pot stands at about 20 psi', (id, stepId) => {
    const { min, max } = measure(id, stepId, 'pot-pressure')
    expect((min! + max!) / 2).toBeCloseTo(kilopascalsFromPsi(20), -0.5)
    expect(min).toBeGreaterThan(kilopascalsFromPsi(15))
    expect(max).toBeLessThan(kilopascalsFromPsi(25))
  })
  it.each(dentures)('%s: nothing warm is opened, nothing goes into hot water', (id) => {
    expect(measure(id, 'cool-flask', 'flask-temperature').max).toBe(30)
    for (const cure of ['long', 'long-boil', 'short-boil'])
      expect(measure(id, `cure-${cure}`, 'bath-start', { cure }).max).toBe(30)
  })
  it('an average pin is at zero after mounting, to a tenth', () => {
    for (const id of ['articulator-mounting', 'cast-crown', 'complete-denture', 'immediate-denture'])
      expect(measure(id, 'mounting-check', 'pin-reading')).toMatchObject({ min: -0.1, max: 0.1 })
  })
  it('at most half of what posts are cast of was melted before, and none where the lab never does', () => {
    expect(measure('cast-posts', 'metal-record', 'remelt-posts', { remelt: 'posts' }).max).toBe(50)
    const never = step('cast-posts', 'metal-record', { remelt: 'never' }).checks ?? []
    const share = never.find((check): check is CheckOf<'measure'> => check.kind === 'measure')
    expect(share?.max ?? 0).toBe(0)
  })
  it('neighbouring ridges are level to half a millimetre', () => {
    for (const id of ['cast-crown', 'cast-bridge', 'tooth-wax-up'])
      expect(measure(id, id === 'tooth-wax-up' ? 'carve-occlusal' : 'wax-occlusal', 'ridge-step').max).toBe(
        0.5,
      )
  })
})

describe('what is mixed', () => {
  const materialsOf = (templateId: string, stepId: string, choices: Choices = {}) =>
    (step(templateId, stepId, choices).amounts ?? []).map(({ materialId }) => materialId)
  it.each([
    ['study-cast', 'base', {}, 'dental-stone'],
    ['articulator-mounting', 'mount-upper', {}, 'model-plaster'],
    ['implant-verification', 'pour-cast', {}, 'high-strength-stone'],
    ['complete-denture', 'pour-master', {}, 'high-strength-stone'],
    ['complete-denture', 'first-pour', {}, 'model-plaster'],
    ['complete-denture', 'second-pour', { 'second-pour': 'half-and-half' }, 'half-and-half'],
    ['complete-denture', 'second-pour', { 'second-pour': 'stone' }, 'dental-stone'],
    ['complete-denture', 'third-pour', {}, 'dental-stone'],
    ['complete-denture', 'mix-dough', {}, 'heat-cure-acrylic'],
    ['cast-crown', 'invest', { investment: 'gypsum' }, 'gypsum-investment'],
    ['cast-crown', 'invest', { investment: 'phosphate' }, 'phosphate-investment'],
    ['immediate-denture', 'fill-copies', {}, 'cold-cure-acrylic'],
    ['clear-clasp', 'pour-copy', {}, 'dental-stone'],
  ] as const)('%s, %s %j: %s', (templateId, stepId, choices, material) =>
    expect(materialsOf(templateId, stepId, choices)).toContain(material),
  )
  const grams = (templateId: string, stepId: string, choices: Choices = {}) => {
    const amount = step(templateId, stepId, choices).amounts?.[0]
    if (amount?.kind !== 'mix') throw new Error(`${stepId} mixes nothing`)
    return amount.powderGrams
  }
  it('an arch takes 100 to 150 g, a mounting 150 to 250, a flask half 200 to 300', () => {
    for (const amount of [grams('study-cast', 'pour-anatomy'), grams('complete-denture', 'pour-master')]) {
      expect(amount).toBeGreaterThanOrEqual(100)
      expect(amount).toBeLessThanOrEqual(150)
    }
    for (const id of ['articulator-mounting', 'cast-crown', 'complete-denture'])
      for (const half of ['mount-upper', 'mount-lower']) {
        expect(grams(id, half)).toBeGreaterThanOrEqual(150)
        expect(grams(id, half)).toBeLessThanOrEqual(250)
      }
    for (const id of dentures) {
      // The upper half is filled in two pours.
      const halves = [grams(id, 'first-pour'), grams(id, 'second-pour') + grams(id, 'third-pour')]
      for (const half of halves) {
        expect(half).toBeGreaterThanOrEqual(200)
        expect(half).toBeLessThanOrEqual(300)
      }
    }
  })
  it('the base is mixed a little thicker than its stone usually is', () => {
    const amount = step('study-cast', 'base').amounts?.[0]
    if (amount?.kind !== 'mix') throw new Error('a mix')
    expect(amount.millilitresPerGram ?? 0.3).toBeLessThan(0.3)
    expect(amount.millilitresPerGram ?? 0.3).toBeGreaterThanOrEqual(0.28)
  })
})

describe('what is counted and closed', () => {
  it.each(dentures)('%s: trial closures count about 1500 psi, the last one about 3000', (id) => {
    const sheet = step(id, 'trial-closures').sheets?.[0]
    if (sheet?.kind !== 'closures') throw new Error('closures')
    expect(sheet.leastKilopascals).toBeLessThan(kilopascalsFromPsi(1500))
    expect(sheet.mostKilopascals).toBeGreaterThan(kilopascalsFromPsi(1500))
    expect(sheet.mostKilopascals - sheet.leastKilopascals).toBeCloseTo(kilopascalsFromPsi(400), 6)
    const last = measure(id, 'final-closure', 'final-pressure')
    expect((last.min! + last.max!) / 2).toBeCloseTo(kilopascalsFromPsi(3000), 6)
    expect(last.readBy).toBe('press')
  })
  it('a jig is about 4 mm thick at four places or more', () => {
    const sheet = step('implant-verification', 'jig-thickness').sheets?.[0]
    if (sheet?.kind !== 'places') throw new Error('places')
    expect(sheet).toMatchObject({ leastPlaces: 4, quantity: 'millimetres' })
    expect(sheet.min).toBeLessThanOrEqual(4)
    expect(sheet.min).toBeGreaterThanOrEqual(3.5)
  })
  const chargeWanted = (id: string, choices: Record<string, string>) =>
    step(id, 'weigh-metal', { casting: 'here', ...choices }).sheets!.find(({ kind }) => kind === 'charge')!
  it('frameworks take new metal only, of one crown the alloy decides', () => {
    expect(chargeWanted('cast-bridge', {})).toMatchObject({ mostRemeltPercent: 0 })
    expect(chargeWanted('cast-crown', {})).toMatchObject({ mostRemeltPercent: 100 })
  })
  it('what is melted is held against the metal that was ordered', () => {
    const ordered = (choices: Record<string, string>) =>
      (chargeWanted('cast-crown', choices) as SheetOfKind<'charge'>).ordered
    expect(ordered({ metal: 'cobalt-chromium' })).toEqual(['cobalt-chromium'])
    expect(ordered({ metal: 'gold', investment: 'gypsum' })).toEqual(
      [1, 2, 3, 4].map((n) => `gold-type-${n}`),
    )
    expect(ordered({ metal: 'gold', kind: 'ceramic' })).toEqual(['gold-palladium'])
    expect(ordered({ metal: 'open', kind: 'ceramic' })).not.toContain('gold-type-3')
  })
  it('gypsum-bonded investment goes with all-metal gold only', () => {
    const others: readonly Choices[] = [{ metal: 'cobalt-chromium' }, { metal: 'gold', kind: 'ceramic' }]
    for (const choices of others)
      expect(() => step('cast-crown', 'invest', { ...choices, investment: 'gypsum' })).toThrow(
        expect.objectContaining({ code: 'choice-does-not-fit', remedy: 'Choose: Phosphate-bonded.' }),
      )
  })
  it('the arm is wound by the metal in hand: 2-3 turns for dense, 4-5 for light alloys', () => {
    const turns = (metal: string) => measure('cast-crown', 'cast', 'arm-turns', { casting: 'here', metal })
    expect(turns('cobalt-chromium')).toMatchObject({ min: 4, max: 5 })
    expect(turns('gold').min).toBe(2)
  })
  it('metal under ceramic is 0.3 to 0.5 mm, and only metal that carries it is oxidised', () => {
    for (const [stepId, checkId] of [
      ['cut-back', 'coping-wax'],
      ['grind-coping', 'coping-thickness'],
    ] as const)
      expect(measure('cast-crown', stepId, checkId, { kind: 'ceramic' })).toMatchObject({
        min: 0.3,
        max: 0.5,
      })
    expect(routeSteps('cast-crown', {})).not.toContain('oxidise')
    expect(routeSteps('cast-bridge', { kind: 'ceramic' })).toContain('oxidise')
  })
  it('the pontic is made as ordered: clear of the ridge, touching it, or 2 mm and more above it', () => {
    expect(routeSteps('cast-bridge', {})).toContain('pontic-clearance')
    expect(routeSteps('cast-bridge', { design: 'hygienic' })).not.toContain('pontic-clearance')
    expect(measure('cast-bridge', 'join-pontic', 'ridge-free', { design: 'hygienic' }).min).toBe(2)
    const lap = step('cast-bridge', 'join-pontic', { design: 'ridge-lap' }).checks!
    const under = lap.find(({ id }) => id === 'ridge-free')!
    expect(readingOutcome(under, { answer: 'Touches, lets it go' }).verdict).toBe('pass')
    expect(readingOutcome(under, { answer: 'Stands off' }).verdict).toBe('adjust')
  })
  it('a crown is waxed in inlay wax as usual, a bridge over resin', () => {
    expect(routeSteps('cast-crown', {})).not.toContain('pattern-resin')
    expect(routeSteps('cast-crown', { pattern: 'resin' })).toContain('pattern-resin')
    expect(routeSteps('cast-bridge', {})).toContain('pattern-resin')
    const how = (choices: Record<string, string>) => step('cast-crown', 'burnout', choices).how.join(' ')
    expect(how({ pattern: 'resin' })).toContain('slower')
    expect(how({})).not.toContain('slower')
  })
  it('so many copings and screws came as there are implants, else the dentist is asked', () => {
    const [sheet] = step('implant-verification', 'parts-in', { implants: '4' })
      .sheets as SheetOfKind<'parts'>[]
    const parts = (copings: number, screws: number) =>
      judgeSheet(
        sheet!,
        {
          kind: 'parts',
          parts: [
            { name: 'Impression copings', count: copings },
            { name: 'Coping screws', count: screws },
          ],
        },
        () => undefined,
      ).outcome.verdict
    expect([parts(4, 4), parts(3, 4), parts(4, 5)]).toEqual(['pass', 'askDentist', 'askDentist'])
  })
  it('a tray spacer is two baseplate sheets, 2-3 mm together (common practice)', () => {
    const { amounts, checks } = step('implant-verification', 'spacer')
    const wax = amounts?.find(({ kind }) => kind === 'use')
    expect(wax).toMatchObject({ materialId: 'baseplate-wax', count: 2 })
    expect(checks![0]).toMatchObject({ quantity: 'millimetres', min: 2, max: 3 })
    expect(
      readingOutcome(checks![0]!, { value: 2 * materials.get('baseplate-wax')!.thickness!.millimetres }),
    ).toEqual({
      verdict: 'pass',
    })
  })
})

describe('what may be done side by side, and what is done differently', () => {
  it('a clear clasp is blocked out and copied while its strips dry (common practice)', () => {
    const steps = buildRoute(routeTemplates.get('clear-clasp')!).steps
    const after = (id: string) => steps.find((each) => each.id === id)!.after
    expect(after('block-out')).not.toContain('dry-strips')
    expect(after('dry-strips')).toEqual(after('block-out'))
    expect(after('form-strip')).toEqual(expect.arrayContaining(['dry-strips', 'copy-sets']))
  })
  it('gypsum-bonded gold is quenched when the red has gone, about 1-3 min; phosphate cools on the bench', () => {
    const cooled = (investment: string) =>
      buildRoute(routeTemplates.get('cast-crown')!, { casting: 'here', investment }).steps.filter(({ id }) =>
        ['quench', 'cool-casting'].includes(id),
      )
    expect(cooled('gypsum').map(({ id, wait }) => [id, wait?.earliestMinutes, wait?.bestMinutes])).toEqual([
      ['quench', 1, 3],
    ])
    expect(cooled('phosphate').map(({ id }) => id)).toEqual(['cool-casting'])
    expect(cooled('phosphate')[0]!.how.join(' ')).toContain('no water')
  })
  it('a remount is over when the pin is down: 0.2 mm may be read there, more is ground on (common practice; our reading)', () => {
    const [check] = step('complete-denture', 'pin-closed', {}).checks!
    const outcome = (value: number) => readingOutcome(check!, { value })
    expect([0, 0.2].map((value) => outcome(value).verdict)).toEqual(['pass', 'pass'])
    expect(outcome(0.3)).toMatchObject({ verdict: 'goBack', toStepId: 'grind-centric' })
    expect(outcome(-0.1).verdict).toBe('adjust')
  })
  it('a denture against natural teeth never tells to grind them; against a denture both are ground (common practice)', () => {
    const ground = (opponent: string) =>
      buildRoute(routeTemplates.get('complete-denture')!, { arch: 'upper', opponent }).steps.flatMap(
        ({ id, how }) => (id.startsWith('grind-') ? [how.join(' ')] : []),
      )
    expect(ground('natural')).toHaveLength(4)
    for (const how of ground('natural')) {
      expect(how).not.toMatch(/of lower|lower front/i)
      expect(how).toContain('a natural tooth is never ground')
    }
    expect(ground('denture').join(' ')).toMatch(/lingual of lower.*Lower front: labio-incisal/)
    expect(ground('denture').join(' ')).not.toContain('natural')
  })
  it('a burnout is not ready after an hour: 240 min, unless its own curve says so (common practice)', () => {
    for (const id of casts) expect(step(id, 'burnout', { casting: 'here' }).wait?.earliestMinutes).toBe(240)
  })
})

describe('the schools of pouring', () => {
  // Every job in which a cast is poured offers the schools of the study cast (common practice).
  const ids = (templateId: string) => routeTemplates.get(templateId)!.matters.map(({ id }) => id)
  it.each(['study-cast', 'complete-denture', 'immediate-denture', 'implant-verification'])(
    '%s: base and mixing',
    (id) => {
      expect(ids(id)).toEqual(expect.arrayContaining(['base', 'mixing']))
      expect(routeSteps(id, {})).toContain('base')
      expect(routeSteps(id, { base: 'one-pour' })).not.toContain('base')
    },
  )
  it.each([
    ['cast-crown', 'pour-die'],
    ['clear-clasp', 'pour-copy'],
    ['complete-denture', 'pour-master'],
  ])('%s: under vacuum or by hand, and the words say which', (id, stepId) => {
    const how = (mixing: string) => step(id, stepId, { mixing }).how.join(' ')
    expect(how('vacuum')).toContain('under vacuum')
    expect(how('hand')).toContain('by hand against the wall')
    expect(how('hand')).not.toContain('under vacuum')
  })
})
