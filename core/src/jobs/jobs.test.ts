import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { kilopascalsFromPsi } from '../quantity/index.ts'
import { buildRoute, type CheckOf, fittingChoices, type RouteTemplate, routeFaults } from '../route/index.ts'
import { usualTolerances } from '../setup/index.ts'
import { routeTemplates } from './index.ts'

const studyCast = routeTemplates.get('study-cast')!
const denture = routeTemplates.get('complete-denture')!

/** Every choice of a template, drawn at random. */
const choicesOf = (template: RouteTemplate) =>
  fc.record(
    Object.fromEntries(template.matters.map((m) => [m.id, fc.constantFrom(...m.choices.map((c) => c.id))])),
  )

describe('templates', () => {
  it.each([...routeTemplates.values()])('$name is sound under any choice of variants', (template) => {
    fc.assert(
      fc.property(choicesOf(template), (choices) => {
        expect(routeFaults(buildRoute(template, fittingChoices(template, choices)))).toEqual([])
      }),
    )
  })
  it.each([...routeTemplates.values()])(
    '$name: every choice of every matter changes the route',
    (template) => {
      for (const matter of template.matters) {
        const built = matter.choices.map((c) =>
          JSON.stringify(buildRoute(template, { [matter.id]: c.id }).steps),
        )
        // One arch may be worked like the other; only a pair must differ.
        const fewest = matter.id === 'arch' ? matter.choices.length - 1 : matter.choices.length
        expect({ matter: matter.id, enough: new Set(built).size >= fewest }).toEqual({
          matter: matter.id,
          enough: true,
        })
      }
    },
  )
  it('leaves out what another school does, and joins the steps around it', () => {
    const oneArch = buildRoute(studyCast, { base: 'one-pour' })
    const ids = oneArch.steps.map((s) => s.id)
    expect(ids).toContain('build-up')
    expect(ids).not.toContain('base-set')
    expect(oneArch.steps.find((s) => s.id === 'trim')?.after).toEqual(['separate'])
  })
  it('asks a pair twice where each arch counts', () => {
    const pair = buildRoute(denture, { arch: 'pair' })
    const checks = pair.steps.find((s) => s.id === 'borders')?.checks?.map((c) => c.name)
    expect(checks).toEqual([
      'Border thickness before polishing, upper',
      'Border thickness before polishing, lower',
    ])
    expect(pair.name).toBe('Complete denture, pair')
    expect(pair.steps.find((s) => s.id === 'mix-dough')?.amounts).toHaveLength(2)
  })
  it('refuses a choice that does not exist', () => {
    expect(() => buildRoute(studyCast, { base: 'three-pour' })).toThrow(
      expect.objectContaining({ code: 'no-such-choice' }),
    )
    expect(() => buildRoute(studyCast, { colour: 'red' })).toThrow(
      expect.objectContaining({ code: 'no-such-matter' }),
    )
  })
})

describe('figures of the trade (common practice)', () => {
  const measure = (stepId: string, checkId: string) =>
    buildRoute(denture)
      .steps.find((s) => s.id === stepId)
      ?.checks?.find((c) => c.id === checkId) as CheckOf<'measure'>
  const step = (template: RouteTemplate, id: string, choices = {}) =>
    buildRoute(template, choices).steps.find((s) => s.id === id)!
  it('stone sets 45 min', () => expect(step(studyCast, 'set').wait?.earliestMinutes).toBe(45))
  it('the pin may open up to 2 mm', () => expect(measure('pin-opening', 'pin-open').max).toBe(2))
  it('trial closures at 1500 psi, the final one at 3000', () => {
    const trial = step(denture, 'trial-closures').sheets?.[0]
    const final = measure('final-closure', 'final-pressure')
    if (trial?.kind !== 'closures') throw new Error('closures')
    expect((trial.leastKilopascals + trial.mostKilopascals) / 2).toBeCloseTo(kilopascalsFromPsi(1500), 6)
    expect((final.min! + final.max!) / 2).toBeCloseTo(kilopascalsFromPsi(3000), 6)
  })
  it('the long cure lasts 12 h, the bench rest 30-60 min, the ultrasonic bath 10', () => {
    expect(step(denture, 'cure-long', { cure: 'long' }).wait?.earliestMinutes).toBe(720)
    expect(step(denture, 'bench-rest').wait).toMatchObject({ earliestMinutes: 30, bestMinutes: 60 })
    expect(step(denture, 'ultrasonic').wait?.earliestMinutes).toBe(10)
  })
  it('a set-up may be off by 0.5 mm in level and centre line, 1 mm in fullness', () => {
    expect(usualTolerances).toMatchObject({
      levelMillimetres: 0.5,
      centreLineMillimetres: 0.5,
      fullnessMillimetres: 1,
    })
  })
})

describe('implant cast, jig and tray (common practice)', () => {
  const template = routeTemplates.get('implant-verification')!
  const step = (id: string, implants = '4') =>
    buildRoute(template, { implants }).steps.find((s) => s.id === id)!
  const limit = (stepId: string, checkId: string, implants: string) =>
    step(stepId, implants).checks?.find((c) => c.id === checkId)
  it('counts replicas, screws and holes as prescribed, and one cut fewer', () => {
    for (const implants of ['2', '4', '10']) {
      const n = Number(implants)
      expect(limit('seat-replicas', 'replicas', implants)).toMatchObject({ min: n, max: n })
      expect(limit('screws-out', 'screws-out', implants)).toMatchObject({ min: n, max: n })
      expect(limit('tray-sheet', 'tray-holes', implants)).toMatchObject({ min: n, max: n })
      expect(limit('section', 'cuts', implants)).toMatchObject({ min: n - 1, max: n - 1 })
    }
  })
  it('soft tissue 5-6 min, jig about 4 mm, rest 24 h, tray 2 min at most', () => {
    expect(step('tissue-sets').wait?.earliestMinutes).toBe(5)
    expect(step('jig-thickness').sheets?.[0]).toMatchObject({ kind: 'places', leastPlaces: 4 })
    expect(step('jig-rests').wait?.earliestMinutes).toBe(24 * 60)
    expect(step('tray-cure').wait).toMatchObject({ latestMinutes: 2 })
  })
  it('makes the tray while the jig rests', () => {
    expect(step('spacer').after).toEqual(['jig-thickness'])
    expect(step('try-over').after).toEqual(['section', 'tray-borders'])
  })
})

describe('the fault finder for routes', () => {
  const base = buildRoute(studyCast)
  const broken = (change: object) =>
    routeFaults({ ...base, steps: base.steps.map((s) => (s.id === 'set' ? { ...s, ...change } : s)) }).join()
  it('names what is wrong', () => {
    expect(broken({ after: ['nowhere'] })).toContain('comes after "nowhere"')
    expect(broken({ after: [] })).toContain('nothing comes before it')
    expect(broken({ why: '' })).toContain('says no why')
    expect(broken({ id: 'wrap' })).toContain('used twice')
    expect(
      broken({ wait: { earliestMinutes: 9, bestMinutes: 5, early: '', late: '', source: '' } }),
    ).toContain('does not rise')
    expect(
      broken({ amounts: [{ id: 'x', kind: 'use', materialId: 'gold', count: 1, unit: 'g', source: 'x' }] }),
    ).toContain('gold')
    expect(
      broken({
        checks: [
          {
            id: 'c',
            name: 'C',
            how: 'h',
            source: '',
            kind: 'observe',
            answers: [{ answer: 'a', outcome: { verdict: 'goBack', toStepId: 'deliver', say: '' } }],
          },
        ],
      }),
    ).toMatch(/no source.*cannot be passed.*not before it/)
  })
})
