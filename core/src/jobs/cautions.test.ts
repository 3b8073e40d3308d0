import { describe, expect, it } from '@jest/globals'
import { type CautionId, cautions, cautionsOf, type TemplateStep } from '../route/index.ts'
import { routeTemplates } from './index.ts'

/**
 * What the words of a step say of its danger, and the cautions that must then stand there (common practice; pumice pan: CDC 2003,
 * recalled). Each row is a rule of the trade, not of how the cautions are derived.
 */
const rules: readonly (readonly [RegExp, readonly CautionId[]])[] = [
  [/boiling water|\bsteam(er)?\b(?! hole)/i, ['boilingWater']],
  [/pressure pot/i, ['pressurePot']],
  [/\bclosing\b|slowly to about/i, ['press']],
  [/alloy melted|\btorch\b/i, ['moltenMetal', 'flame', 'hotRing']],
  [/\bflame\b/i, ['flame']],
  [/\bsaw\b|scalpel|\bknife\b/i, ['blades']],
  [/shell blast|\bblast\b/i, ['blaster']],
  [/alumina/i, ['blaster', 'aluminaDust']],
  [/\blathe\b|felt cone|(?:felt|rag|rubber|brush) wheel/i, ['lathe']],
  [/(?<!seen )\bpumice\b/i, ['lathe', 'pumicePan']],
  [/light box/i, ['uvLight']],
  [/\bpickl/i, ['acid', 'chlorine']],
  [/^disinfect|disinfect (?:the|for|everything|all)/i, ['disinfectant', 'chlorine']],
  [/thin adhesive|cyanoacrylate|drops of glue/i, ['adhesive']],
  [/warm the oven|two hours\.$/im, ['warmOven']],
  [/ring (?:out of|from) the (?:furnace|oven)|ring into the cradle|quench/i, ['hotRing']],
  [/ammonia/i, ['ammonia']],
  [/molten wax|flow (?:the )?wax|wax flowed/i, ['hotWax']],
]
/** By what is mixed, ground or used in a step. */
const ofMaterial: readonly (readonly [RegExp, CautionId])[] = [
  [/acrylic|light-cure|pattern-resin/, 'monomer'],
  [/stone|plaster|investment|half-and-half/, 'silicaDust'],
]

const steps = [...routeTemplates.values()].flatMap((template) =>
  template.steps.map((step) => [`${template.id}/${step.id}`, step] as const),
)
const shown = (step: TemplateStep) => cautionsOf(step.uses ?? [], step)
const wordsOf = (step: TemplateStep) =>
  [step.name, ...step.how, ...(step.howWhen ?? []).map(({ say }) => say), ...adjustments(step)].join('\n')
const adjustments = ({ checks = [] }: TemplateStep) =>
  checks.flatMap((check) =>
    check.kind === 'observe'
      ? check.answers.flatMap(({ outcome }) => (outcome.verdict === 'adjust' ? [outcome.say] : []))
      : [],
  )
/** The steps that lack a caution where a rule wants it. */
const silent = (wants: (step: TemplateStep) => readonly CautionId[]) =>
  steps.flatMap(([name, step]) => {
    const missing = wants(step).filter((caution) => !shown(step).includes(caution))
    return missing.length > 0 ? [`${name}: ${missing.join(', ')}`] : []
  })

describe('a step that can hurt says so', () => {
  it('by what is mixed or used in it', () => {
    expect(
      silent(({ amounts = [] }) =>
        amounts.flatMap(({ materialId }) =>
          ofMaterial.flatMap(([material, caution]) => (material.test(materialId) ? [caution] : [])),
        ),
      ),
    ).toEqual([])
  })
  it.each(rules)('by what its words tell the hands to do: %s', (danger, wanted) => {
    expect(steps.some(([, step]) => danger.test(wordsOf(step)))).toBe(true)
    expect(silent((step) => (danger.test(wordsOf(step)) ? wanted : []))).toEqual([])
  })
  it('where something comes from a mouth', () => {
    expect(
      silent((step) =>
        /^disinfect (the impression|everything|on return)|^inspect the .*impression|^inspect casts and bite/i.test(
          step.name,
        )
          ? ['infection']
          : [],
      ),
    ).toEqual([])
  })
  it('by its machine', () => {
    expect(silent(({ machine }) => (machine === 'furnace' ? ['hotRing'] : []))).toEqual([])
    expect(silent(({ machine }) => (machine === 'bath' ? ['hotFlask'] : []))).toEqual([])
    expect(cautionsOf([], { machine: 'bath' })).toEqual(['hotFlask'])
    expect(cautionsOf([], { machine: 'furnace' })).toEqual(['hotRing'])
    for (const machine of ['kiln', 'sinter'] as const)
      expect(cautionsOf([], { machine })).toEqual(['hotKiln'])
    expect(cautionsOf([], {})).toEqual([])
  })
  it('where resin is ground', () => {
    const ground = /\bbur\b|carbide|\bgrind\b|rubber points|resin nodule/i
    expect(
      silent((step) =>
        ['finish', 'remount'].includes(step.stage) &&
        ground.test(wordsOf(step)) &&
        !shown(step).some((caution) => ['metalDust', 'ceramicDust', 'greenDust'].includes(caution))
          ? ['resinDust']
          : [],
      ),
    ).toEqual([])
  })
  it('every caution is shown somewhere, each is a sentence that says what to do', () => {
    const all = new Set(steps.flatMap(([, step]) => shown(step)))
    for (const [id, sentence] of Object.entries(cautions)) {
      expect(all.has(id as CautionId) ? '' : id).toBe('')
      expect(sentence).toMatch(/^[A-Z].*[:;,].*\.$/)
    }
  })
  it('each once, however many things bring it', () => {
    for (const [, step] of steps) expect(new Set(shown(step)).size).toBe(shown(step).length)
    expect(cautionsOf(['torch', 'flame', 'pumice', 'lathe'], {})).toEqual([
      'moltenMetal',
      'flame',
      'lathe',
      'pumicePan',
    ])
  })
})
