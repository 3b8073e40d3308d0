import { describe, expect, it } from '@jest/globals'
import { materials } from '../materials/index.ts'
import { type CautionId, cautions, type TemplateStep } from '../route/index.ts'
import { routeTemplates } from './index.ts'

/** What a material can do to the hand that mixes it (common practice). */
function cautionOf(materialId: string): CautionId | undefined {
  const card = materials.get(materialId)
  if (!card) return undefined
  if (/acrylic|light-cure|pattern-resin/.test(materialId)) return 'monomer'
  if (card.blend || card.investment || /stone|plaster|investment/.test(materialId)) return 'silicaDust'
  return undefined
}
/** What the words of a step say of its danger, and the cautions of which one must then stand there. */
const words: readonly (readonly [RegExp, readonly CautionId[]])[] = [
  [/boiling water/i, ['boilingWater']],
  [/pressure pot/i, ['pressurePot']],
  [/\bclosing\b|slowly to about/i, ['press']],
  [/\btorch\b/i, ['moltenMetal']],
  [/\bflame\b/i, ['hotWax', 'hotResin', 'moltenMetal']],
  [/scalpel|knife|\bsaw\b/i, ['blades', 'chisel']],
  [/\bblast\b|alumina/i, ['blaster']],
  [/\blathe\b|coarse wheel|\bpumice\b/i, ['lathe']],
  [/light box/i, ['uvLight']],
  [/\bpickl/i, ['acid']],
]

const steps = [...routeTemplates.values()].flatMap((template) =>
  template.steps.map((step) => [`${template.id}/${step.id}`, step] as const),
)
const has = ({ cautions: shown = [] }: TemplateStep, any: readonly CautionId[]) =>
  any.some((caution) => shown.includes(caution))

describe('a step that can hurt says so', () => {
  it('by what is mixed or used in it', () => {
    const silent = steps.flatMap(([name, step]) =>
      (step.amounts ?? []).flatMap(({ materialId }) => {
        const caution = cautionOf(materialId)
        return caution && !has(step, [caution]) ? [`${name}: ${materialId} without ${caution}`] : []
      }),
    )
    expect(silent).toEqual([])
  })
  it('by what its words tell the hands to do', () => {
    const silent = steps.flatMap(([name, step]) => {
      const how = [step.name, ...step.how].join(' ')
      return words.flatMap(([danger, wanted]) =>
        danger.test(how) && !has(step, wanted) ? [`${name}: ${danger} without ${wanted.join(' or ')}`] : [],
      )
    })
    expect(silent).toEqual([])
  })
  it('every caution is shown somewhere, each is a sentence that says what to do', () => {
    const shown = new Set(steps.flatMap(([, step]) => step.cautions ?? []))
    for (const [id, sentence] of Object.entries(cautions)) {
      expect(shown.has(id as CautionId) ? '' : id).toBe('')
      expect(sentence).toMatch(/^[A-Z].*[:;,].*\.$/)
    }
  })
})
