import { describe, expect, it } from '@jest/globals'
import { Ajv } from 'ajv'
import { buildRoute, type Route, routeShape } from '../route/index.ts'
import { routeTemplates } from './index.ts'

const ajv = new Ajv({ strict: false, discriminator: true })
const isRoute = ajv.compile(JSON.parse(JSON.stringify(routeShape)))
type Choices = Readonly<Record<string, string>>

/** Every template as usual, and with each single choice made otherwise. */
const built = [...routeTemplates.values()].flatMap((template) =>
  [
    {},
    ...template.matters.flatMap(({ id, choices, usual }) =>
      choices.flatMap((choice) => (choice.id === usual ? [] : [{ [id]: choice.id }])),
    ),
  ].map((choices: Choices) => [template.id, choices, buildRoute(template, choices)] as const),
)
const routeOf = (templateId: string, choices: Choices = {}): Route =>
  buildRoute(routeTemplates.get(templateId)!, choices)

describe('every route, with every choice', () => {
  it.each(built)('%s %j is one by its own description, nothing blank in it', (_, _choices, made) => {
    const route = JSON.parse(JSON.stringify(made))
    expect({ taken: isRoute(route), errors: isRoute.errors }).toEqual({ taken: true, errors: null })
    for (const step of route.steps as Route['steps'])
      for (const text of [step.name, step.why, ...step.how]) expect(text).toMatch(/^[A-Z0-9"(].*\S$/)
  })
  it.each(built)('%s %j comes in at the door and goes out by it', (_, _choices, { steps }) => {
    expect(steps[0]!.stage).toBe('receive')
    expect(steps.at(-1)!.stage).toBe('deliver')
    // Whatever is done leads to the last step.
    const leads = new Set([steps.at(-1)!.id])
    for (const step of [...steps].reverse())
      if (leads.has(step.id)) for (const id of step.after) leads.add(id)
    expect(steps.filter(({ id }) => !leads.has(id)).map(({ id }) => id)).toEqual([])
  })
  it.each(built)(
    '%s %j: a look can be good or not, a limit lies within what can be real',
    (_, _choices, { steps }) => {
      for (const step of steps)
        for (const check of step.checks ?? [])
          if (check.kind === 'observe') {
            const verdicts = check.answers.map(({ outcome }) => outcome.verdict)
            expect([step.id, check.id, verdicts]).toEqual([
              step.id,
              check.id,
              expect.arrayContaining(['pass']),
            ])
            expect([step.id, check.id, verdicts.some((each) => each !== 'pass')]).toEqual([
              step.id,
              check.id,
              true,
            ])
            expect(new Set(check.answers.map(({ answer }) => answer)).size).toBe(check.answers.length)
          } else {
            const { min = check.plausible.min, max = check.plausible.max } = check
            expect(min).toBeGreaterThanOrEqual(check.plausible.min)
            expect(max).toBeLessThanOrEqual(check.plausible.max)
            expect(min).toBeLessThanOrEqual(max)
          }
    },
  )
  it.each(built)('%s %j: what waits by itself says from when and until when', (_, _choices, { steps }) => {
    for (const step of steps) {
      if (step.kind === 'unattended') expect([step.id, step.wait !== undefined]).toEqual([step.id, true])
      if (step.kind === 'machine')
        expect([step.id, step.wait !== undefined || step.machine !== undefined]).toEqual([step.id, true])
      if (step.kind === 'attended') expect([step.id, step.handsOnMinutes > 0]).toEqual([step.id, true])
    }
  })
})

/** Where the work is looked at or measured before it goes on (common practice). */
const gates: readonly (readonly [string, Choices, readonly string[]])[] = [
  ['study-cast', {}, ['inspect-impression', 'set', 'trim', 'final-check']],
  [
    'study-model-pair',
    {},
    ['inspect-casts', 'measure', 'upper-base', 'upper-back', 'lower-back', 'verify', 'fill'],
  ],
  [
    'implant-verification',
    {},
    [
      'inspect-impression',
      'parts-in',
      'seat-replicas',
      'screws-out',
      'tissue-trim',
      'jig-thickness',
      'section',
      'tray-sheet',
      'tray-borders',
      'try-over',
      'deliver',
    ],
  ],
  ['articulator-mounting', {}, ['inspect-casts', 'set-articulator', 'mounting-check']],
  [
    'cast-crown',
    { casting: 'here', pattern: 'resin' },
    [
      'die-spacer',
      'pattern-resin',
      'room-budget',
      'take-off',
      'margin-wax',
      'wax-occlusal',
      'margin-check',
      'sprue',
      'burnout',
      'cast',
      'inspect-casting',
      'fit-die',
    ],
  ],
  [
    'cast-bridge',
    { casting: 'here' },
    [
      'pontic-clearance',
      'set-pontic',
      'join-pontic',
      'take-off',
      'margin-check',
      'inspect-casting',
      'fit-die',
    ],
  ],
  [
    'cast-posts',
    {},
    ['list-posts', 'metal-record', 'smooth-post', 'dry-pack', 'papers', 'disinfect-leave', 'hand-over'],
  ],
  ['tooth-wax-up', {}, ['study-teeth', 'carve-occlusal', 'every-side']],
  [
    'complete-denture',
    {},
    [
      'inspect-impression',
      'set-articulator',
      'mounting-check',
      'transfer',
      'plan-set-up',
      'set-anteriors',
      'set-posteriors',
      're-measure',
      'seat-base',
      'wax-check',
      'send-try-in',
      'try-in',
      'boil-out',
      'dough',
      'trial-closures',
      'final-closure',
      'cure-long-boil',
      'cool-flask',
      'mould-tells',
      'pin-opening',
      'grind-centric',
      'grind-right',
      'grind-left',
      'grind-protrusive',
      'borders',
      'fitting-surface',
      'high-shine',
      'border-after',
      'last-look',
    ],
  ],
  ['wire-clasp-partial', {}, ['inspect-clasps', 'wax-check', 'trial-closures', 'pin-opening', 'last-look']],
  ['immediate-denture', {}, ['copy-pot', 'replace-teeth', 'wax-check', 'pin-opening', 'last-look']],
  [
    'clear-clasp',
    {},
    ['warm-oven', 'form-strip', 'cut-clasp', 'protect', 'clear', 'polish-clasp', 'last-look', 'bag'],
  ],
]
describe('the gates of the work', () => {
  it.each(gates.flatMap(([id, choices, steps]) => steps.map((step) => [id, step, choices] as const)))(
    '%s: nothing passes %s unseen',
    (templateId, stepId, choices) => {
      const step = routeOf(templateId, choices).steps.find(({ id }) => id === stepId)
      expect([stepId, (step?.checks ?? []).length + (step?.sheets ?? []).length > 0]).toEqual([stepId, true])
    },
  )
})

/** Minutes of hands (common practice, for planning). */
const hands: readonly (readonly [string, Choices, number, readonly string[]])[] = [
  ['study-cast', {}, 8, ['disinfect-impression', 'inspect-impression', 'wrap']],
  ['study-cast', {}, 10, ['pour-anatomy']],
  ['study-cast', {}, 10, ['base']],
  ['study-cast', {}, 8, ['label', 'deliver']],
  ['study-model-pair', {}, 15, ['measure']],
  ['study-model-pair', {}, 15, ['fill']],
  ['implant-verification', {}, 12, ['seat-replicas', 'tissue-silicone']],
  ['implant-verification', {}, 12, ['pour-cast']],
  ['articulator-mounting', {}, 9, ['score-base', 'set-articulator']],
  ['articulator-mounting', {}, 15, ['mount-upper']],
  ['articulator-mounting', {}, 15, ['mount-lower']],
  ['cast-crown', { arrives: 'impression' }, 12, ['pour-die']],
  ['cast-crown', { casting: 'here' }, 20, ['sprue', 'invest']],
  ['cast-crown', { casting: 'here' }, 5, ['cast']],
  ['complete-denture', {}, 100, ['transfer', 'plan-set-up', 'set-anteriors', 'set-posteriors']],
  ['immediate-denture', {}, 5, ['copy-putty']],
  ['immediate-denture', {}, 10, ['fill-copies']],
  ['immediate-denture', {}, 15, ['finish-copies']],
  ['immediate-denture', {}, 40, ['replace-teeth']],
  ['clear-clasp', {}, 8, ['join-existing']],
]
describe('the hands that a step takes', () => {
  it.each(hands)('%s %j: %d min for %j', (templateId, choices, minutes, stepIds) => {
    const steps = routeOf(templateId, choices).steps.filter(({ id }) => stepIds.includes(id))
    expect(steps.map(({ id }) => id)).toEqual(stepIds)
    expect(steps.reduce((sum, { handsOnMinutes }) => sum + handsOnMinutes, 0)).toBe(minutes)
  })
})
