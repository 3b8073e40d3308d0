import { describe, expect, it } from '@jest/globals'
import { isDelivered, stepWindow } from '../case/index.ts'
import { customMadeStatement, delivered } from '../document/index.ts'
import type { DataOfKind } from '../sheet/index.ts'
import { Bench, J, MINUTE, metric } from '../testing/index.ts'
import { instructionsOf, routeTemplates } from './index.ts'

const HOUR = 60 * MINUTE
const disinfection = (change: Partial<DataOfKind<'disinfection'>> = {}): DataOfKind<'disinfection'> => ({
  kind: 'disinfection',
  product: 'Ours',
  agent: 'peroxide',
  contactMinutes: 7,
  ...change,
})
const finish = (stepId: string) => ({ type: 'finishStep', jobId: J, stepId }) as const
const ids = (templateId: string, choices = {}) =>
  new Bench(templateId, choices).job.route.steps.map(({ id }) => id)

describe('how a device leaves (common practice)', () => {
  it.each([
    ['cast-crown', { casting: 'here' }],
    ['cast-bridge', { casting: 'here' }],
    ['cast-posts', {}],
    ['complete-denture', {}],
    ['wire-clasp-partial', {}],
    ['clear-clasp', {}],
    ['immediate-denture', {}],
  ])('%s ends in one and the same way', (templateId, choices) => {
    const steps = ids(templateId, choices)
    const tail = ['last-look', 'papers', 'disinfect-leave', 'hand-over']
    expect(steps.filter((id) => tail.includes(id))).toEqual(tail)
    expect(steps.at(-1)).toBe('hand-over')
    const moist = ['water', 'ultrasonic', 'bag']
    expect(steps.filter((id) => moist.includes(id))).toEqual(templateId.startsWith('cast') ? [] : moist)
  })
  it('every device has instructions for its patient and its clinic', () => {
    for (const { id, noDevice } of routeTemplates.values())
      if (!noDevice) {
        expect([id, instructionsOf[id]?.forPatient.length ?? 0]).not.toEqual([id, 0])
        expect([id, instructionsOf[id]?.forClinic.length ?? 0]).not.toEqual([id, 0])
      }
  })
})

describe('water before delivery', () => {
  const water = () => new Bench('complete-denture').upTo('water')
  it('24 h at least (Vallittu, Jorge, recalled)', () => {
    const bench = water()
    bench.now += 24 * HOUR - MINUTE
    expect(bench.refusal(finish('water'))).toBe('too-soon')
    bench.now += MINUTE
    bench.finish('water')
    expect(delivered(bench.job).water).toEqual({ minutes: 1440 })
  })
  it('taken out early says why', () => {
    const bench = water()
    bench.now += HOUR
    bench.do({ ...finish('water'), outOfTimeReason: 'asked for by noon' })
    expect(delivered(bench.job).water).toEqual({ minutes: 60, early: 'asked for by noon' })
  })
  it('may be waived, with a reason that goes on record', () => {
    const bench = new Bench('complete-denture').before('water')
    const skip = { type: 'skipStep', jobId: J, stepId: 'water' } as const
    expect(bench.refusal({ ...skip, reason: ' ' })).toBeDefined()
    bench.do({ ...skip, reason: 'Dr. Orla needs it today' })
    expect(delivered(bench.job).water).toEqual({ leftOut: 'Dr. Orla needs it today' })
  })
  it('nothing is said of it before it is over', () => expect(delivered(water().job)).toEqual({}))
})

describe('disinfection', () => {
  it('runs as long as its label says, from when it was put on', () => {
    const bench = new Bench('complete-denture').upTo('disinfect-leave')
    const step = bench.job.route.steps.find(({ id }) => id === 'disinfect-leave')!
    expect(stepWindow(bench.job, step)).toBeUndefined()
    bench.now += 3 * MINUTE
    bench.sheet('disinfect-leave', 'disinfection', disinfection())
    expect(stepWindow(bench.job, step)).toMatchObject({ from: bench.now, goodFrom: bench.now + 7 * MINUTE })
    bench.now += 7 * MINUTE - 1
    expect(bench.refusal(finish('disinfect-leave'))).toBe('too-soon')
    // Not over, it proves nothing.
    expect(delivered(bench.job).disinfected).toBeUndefined()
    bench.now += 1
    bench.finish('disinfect-leave')
    expect(delivered(bench.job).disinfected).toMatchObject({ product: 'Ours', by: 'Ada' })
  })
  it('with bleach on clasps is not over: another is put on', () => {
    const bench = new Bench('wire-clasp-partial').upTo('disinfect-leave')
    bench.sheet('disinfect-leave', 'disinfection', disinfection({ agent: 'hypochlorite', contactMinutes: 5 }))
    bench.now += 5 * MINUTE
    expect(bench.refusal(finish('disinfect-leave'))).toBe('sheet-failing')
    bench.sheet('disinfect-leave', 'disinfection', disinfection())
    bench.now += 7 * MINUTE
    bench.finish('disinfect-leave')
  })
  it.each([0, -5, 121])('a contact time of %d min is refused', (contactMinutes) => {
    const bench = new Bench('cast-posts').upTo('disinfect-leave')
    expect(
      bench.refusal({
        type: 'recordSheet',
        jobId: J,
        stepId: 'disinfect-leave',
        sheetId: 'disinfection',
        sheet: disinfection({ contactMinutes }),
      }),
    ).toBe('contact-not-plausible')
  })
})

describe('the bag', () => {
  it('for a long way wants an antimicrobial in it', () => {
    const checks = (journey: string) =>
      new Bench('complete-denture', { journey }).job.route.steps
        .find(({ id }) => id === 'bag')!
        .checks!.map(({ id }) => id)
    expect(checks('near')).toEqual(['bag'])
    expect(checks('far')).toEqual(['bag', 'antimicrobial'])
  })
})

describe('what came along', () => {
  const bench = new Bench('cast-posts')
  bench.do({ type: 'amend', changes: { enclosures: ['Model', 'Wax bite'] }, reason: 'left out' })
  bench.upTo('hand-over')
  const went = (...lines: DataOfKind<'enclosures'>['went']) =>
    bench.sheet('hand-over', 'enclosures', { kind: 'enclosures', went: lines })
  it('is answered for line by line: left out, missing and twice are not taken', () => {
    went({ name: 'Model', way: 'back' })
    expect(bench.refusal(finish('hand-over'))).toBe('enclosure-left-out')
    went({ name: 'Model', way: 'back' }, { name: 'Wax bite', way: 'missing' })
    expect(bench.refusal(finish('hand-over'))).toBe('sheet-failing')
    const twice = { name: 'Model', way: 'back' } as const
    expect(() => went(twice, twice)).toThrow(expect.objectContaining({ code: 'line-twice' }))
    went({ name: 'Model', way: 'back' }, { name: 'Wax bite', way: 'usedUp' })
    expect(delivered(bench.job).handedOver).toBeUndefined()
    bench.finish('hand-over')
    expect(isDelivered(bench.working.state)).toBe(true)
    expect(delivered(bench.job)).toMatchObject({
      enclosures: { went: [{ way: 'back' }, { way: 'usedUp' }] },
      handedOver: { by: 'Ada' },
    })
  })
})

describe('one thing that came along', () => {
  it('is answered by its own line', () => {
    const bench = new Bench('cast-posts')
    bench.do({ type: 'amend', changes: { enclosures: ['Model'] }, reason: 'left out' })
    bench.upTo('hand-over')
    bench.sheet('hand-over', 'enclosures', { kind: 'enclosures', went: [{ name: 'Model', way: 'kept' }] })
    bench.finish('hand-over')
    expect(isDelivered(bench.working.state)).toBe(true)
  })
})

describe('the release', () => {
  const maker = { name: 'Kiln Street', address: '2 Kiln Street' }
  const stated = ({ working, job }: Bench) =>
    customMadeStatement(working.state, job, maker, (lot) => lot, { entries: 1, newest: '' })
  const release = (...places: readonly string[]) =>
    ({
      type: 'recordSheet',
      jobId: J,
      stepId: 'papers',
      sheetId: 'release',
      sheet: { kind: 'release', places, statement: 'goesAlong' },
    }) as const
  const bench = new Bench('clear-clasp').upTo('papers')
  it('wants every place of manufacture, and none without words', () => {
    expect(bench.refusal(release())).toBe('words-missing')
    expect(bench.refusal(release('Here', ' '))).toBe('words-missing')
  })
  it('the statement names the places and who released it, and says what is open until then', () => {
    expect(stated(bench)).toMatchObject({ places: ['Kiln Street, 2 Kiln Street'] })
    expect(stated(bench).open).toContain('The release.')
    bench.do(release('Kiln Street', 'Mill Hall, 9 Weir'))
    for (const command of bench.carefully('papers')) if (command.type === 'recordCheck') bench.do(command)
    bench.finish('papers')
    expect(stated(bench)).toMatchObject({
      places: ['Kiln Street', 'Mill Hall, 9 Weir'],
      released: { by: 'Ada' },
    })
    expect(stated(bench).open).not.toContain('The release.')
  })
  it('names wire and clear strip by what was used, resin by its grams; a mix thrown away counts no longer', () => {
    const amounts = (of: Bench) =>
      Object.fromEntries(stated(of).materials.map(({ name, amount }) => [name, amount && metric(amount)]))
    expect(amounts(bench)).toMatchObject({ 'Clear clasp strip': '1 strip' })
    const partial = new Bench('wire-clasp-partial').upTo('mix-dough')
    expect(amounts(partial)['Clasp wire']).toBe('1 set of clasps')
    const mix = (powderGrams: number) => {
      const [command] = partial.carefully('mix-dough')
      if (command?.type !== 'recordMix') throw new Error('no mix')
      partial.do({ ...command, powderGrams, liquidMillilitres: powderGrams * 0.4, ratioReason: 'test' })
    }
    mix(20)
    mix(30)
    expect(amounts(partial)['Heat-cure acrylic']).toBe('30 g')
  })
})
