import { describe, expect, it } from '@jest/globals'
import { buildRoute } from '../route/index.ts'
import { routeTemplates } from './index.ts'

type Choices = Readonly<Record<string, string>>
const stepsOf = (templateId: string, choices: Choices) =>
  buildRoute(routeTemplates.get(templateId)!, choices).steps
const flasked = {
  'first-pour': ['model-plaster'],
  'second-pour': ['half-and-half'],
  'third-pour': ['dental-stone'],
  'mould-separator': ['separator'],
  'mix-dough': ['heat-cure-acrylic'],
}
const stainedAndGlazed = {
  support: ['firing-support'],
  'mix-stains': ['ceramic-stain'],
  glaze: ['ceramic-glaze'],
}
const mounted = { 'mount-upper': ['model-plaster'], 'mount-lower': ['model-plaster'] }

/**
 * What each step takes from the shelf, and no other step of the route (common practice: hard stone where it is worked on,
 * stone for bases and copies, plaster where it is broken away again).
 */
const used: readonly (readonly [string, Choices, Readonly<Record<string, readonly string[]>>])[] = [
  ['study-model-pair', {}, { rebase: ['dental-stone'], fill: ['model-plaster'] }],
  [
    'implant-verification',
    {},
    {
      'tissue-silicone': ['tissue-silicone'],
      'pour-cast': ['high-strength-stone'],
      base: ['dental-stone'],
      'mend-tooth': ['cyanoacrylate'],
      scaffold: ['waxed-floss'],
      'jig-resin': ['light-cure-gel'],
      spacer: ['baseplate-wax', 'petroleum-jelly'],
      'tray-sheet': ['light-cure-sheet'],
    },
  ],
  ['articulator-mounting', {}, mounted],
  [
    'cast-crown',
    { casting: 'here', arrives: 'impression', pattern: 'resin' },
    {
      'pour-die': ['high-strength-stone', 'dental-stone'],
      'pin-die': ['dental-stone'],
      ...mounted,
      'green-wax': ['inlay-wax'],
      'pattern-resin': ['pattern-resin'],
      invest: ['phosphate-investment'],
    },
  ],
  [
    'cast-bridge',
    { casting: 'here' },
    { 'green-wax': ['inlay-wax'], 'pattern-resin': ['pattern-resin'], invest: ['phosphate-investment'] },
  ],
  ['cast-posts', {}, { 'metal-record': ['casting-alloy'] }],
  ['tooth-wax-up', {}, { 'bulk-wax': ['inlay-wax'] }],
  [
    'complete-denture',
    {},
    {
      'pour-master': ['high-strength-stone'],
      base: ['dental-stone'],
      ...mounted,
      'set-anteriors': ['denture-teeth'],
      ...flasked,
    },
  ],
  [
    'wire-clasp-partial',
    {},
    {
      'inspect-clasps': ['clasp-wire'],
      'set-teeth': ['denture-teeth'],
      'wax-base': ['baseplate-wax'],
      ...flasked,
    },
  ],
  [
    'immediate-denture',
    {},
    {
      'pour-master': ['high-strength-stone'],
      base: ['dental-stone'],
      ...mounted,
      'copy-putty': ['two-part-putty'],
      'fill-copies': ['cold-cure-acrylic'],
      ...flasked,
    },
  ],
  [
    'clear-clasp',
    { onto: 'existing' },
    {
      duplicate: ['two-part-putty'],
      'pour-copy': ['dental-stone'],
      'form-strip': ['clear-strip'],
      'join-existing': ['cold-cure-acrylic'],
    },
  ],
  [
    'milled-ceramic',
    { ceramic: 'disilicate' },
    { 'class-and-block': ['block-disilicate'], ...stainedAndGlazed },
  ],
  // Never fired: nothing but its block.
  ['milled-ceramic', { ceramic: 'hybrid' }, { 'class-and-block': ['block-hybrid'] }],
  [
    'green-zirconia',
    { ceramic: 'zirconia5y', infiltration: 'liquid' },
    {
      'class-and-block': ['block-zirconia5y'],
      infiltrate: ['infiltration-liquid'],
      ...stainedAndGlazed,
    },
  ],
]
describe('what a route takes from the shelf', () => {
  it.each(used)('%s %j', (templateId, choices, wanted) => {
    const found = stepsOf(templateId, choices).flatMap(({ id, amounts = [] }) =>
      amounts.length === 0 ? [] : [[id, amounts.map(({ materialId }) => materialId)]],
    )
    expect(Object.fromEntries(found)).toEqual(wanted)
  })
  // Study casts are poured in either of two stones; the base is stone, a little thicker.
  it('study-cast: stone for both', () => {
    const taken = stepsOf('study-cast', {}).flatMap(({ id, amounts = [] }) =>
      amounts.map(({ materialId }) => [id, materialId]),
    )
    expect(taken).toEqual([
      ['pour-anatomy', expect.stringMatching(/^(dental|high-strength)-stone$/)],
      ['base', 'dental-stone'],
    ])
  })
  it('every route is among them', () => {
    const listed = [...new Set([...used.map(([id]) => id), 'study-cast'])].sort()
    expect(listed).toEqual([...routeTemplates.keys()].sort())
  })
})

/** What the prescription decides, and no technician: what is made, of what, and what came (common practice). */
const prescribed: readonly (readonly [string, readonly string[]])[] = [
  ['articulator-mounting', ['transfer']],
  ['implant-verification', ['implants']],
  ['cast-crown', ['arrives', 'casting']],
  ['cast-bridge', ['casting']],
  ['cast-posts', ['origin']],
  ['tooth-wax-up', ['purpose']],
  ['clear-clasp', ['onto']],
]
describe('what the prescription decides', () => {
  it.each(prescribed)('%s: %j', (templateId, matters) => {
    const decided = routeTemplates
      .get(templateId)!
      .matters.filter((matter) => matter.prescribed)
      .map(({ id }) => id)
    expect(decided).toEqual(expect.arrayContaining([...matters]))
  })
  it('a matter has two choices or more, each with a name of its own, and says why', () => {
    for (const { id, matters } of routeTemplates.values())
      for (const { id: matterId, name, choices, usual, why } of matters) {
        const of = `${id} ${matterId}`
        expect([of, choices.length > 1]).toEqual([of, true])
        expect([of, new Set(choices.map((choice) => choice.name)).size]).toEqual([of, choices.length])
        for (const choice of choices) {
          expect([of, choice.id]).toEqual([of, expect.stringMatching(/^[a-z0-9]+(-[a-z0-9]+)*$/)])
          expect([of, choice.name]).toEqual([of, expect.stringMatching(/^([A-Z].*\S|\d+)$/)])
        }
        expect([of, choices.some((choice) => choice.id === usual)]).toEqual([of, true])
        for (const words of [name, why])
          expect([of, words]).toEqual([of, expect.stringMatching(/^[A-Z].*\S$/)])
      }
  })
})
