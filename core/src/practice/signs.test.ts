import { describe, expect, it } from '@jest/globals'
import { regionsOf } from '../inspection/index.ts'
import { routeTemplates } from '../jobs/index.ts'
import { lookMeans as means, signsOf } from './index.ts'
import { regionSign } from './signs/index.ts'

/** Little words that stand in any sentence. */
const small = new Set(
  'with from that this them than then over into what will does have back only open once none side still out one not the and its has for was are all one two'.split(
    ' ',
  ),
)
const wordsOf = (text: string): string[] =>
  (text.toLowerCase().match(/[a-z]+/g) ?? []).filter((word) => word.length >= 4 && !small.has(word))

const looks = [...routeTemplates.values()].flatMap(({ id, steps }) =>
  steps.flatMap(({ checks = [] }) =>
    checks.flatMap((check) => (check.kind === 'observe' ? [{ template: id, check }] : [])),
  ),
)
const each = [
  ...new Map(
    looks.map((look) => [`${look.check.id} ${look.check.answers.map((a) => a.answer).join()}`, look]),
  ).values(),
]

describe('what a defect looks like', () => {
  it('is written for every fault that a check of any route can find', () => {
    const missing = each.flatMap(({ template, check }) =>
      check.answers.flatMap(({ answer, outcome }) =>
        outcome.verdict !== 'pass' && !signsOf(check.id)?.signs[answer]
          ? [`${template} ${check.id}: ${answer}`]
          : [],
      ),
    )
    expect(missing).toEqual([])
    expect(each.length).toBeGreaterThan(100)
  })

  it('never says what it is: no word of an answer of its check', () => {
    const tells = each.flatMap(({ check }) => {
      const own = new Set(check.answers.flatMap(({ answer }) => wordsOf(answer)))
      const { signs = {} } = signsOf(check.id) ?? {}
      const shown = check.answers.flatMap(({ answer }) => (signs[answer] ? [signs[answer].say] : []))
      return shown.flatMap((say) =>
        wordsOf(say)
          .filter((word) => own.has(word))
          .map((word) => `${check.id}: "${say}" says ${word}`),
      )
    })
    expect(tells).toEqual([])
  })

  it('is a sentence, unlike that of any other answer there and unlike sound work', () => {
    for (const { check } of each) {
      const { signs, good, harmless = [] } = signsOf(check.id)!
      const said = [...Object.values(signs).map(({ say }) => say), good, ...harmless]
      expect(new Set(said).size).toBe(said.length)
      for (const say of said) expect(say).toMatch(/^[A-Z].*[.]$/)
      for (const { by } of Object.values(signs)) expect(means).toContain(by)
    }
  })

  it('is written for every fault of every region of a drawing, and does not name it', () => {
    for (const [drawing, regions] of Object.entries(regionsOf))
      for (const { id, faults } of regions)
        for (const { fault } of faults) {
          const sign = regionSign(id, fault)
          expect([drawing, id, fault, sign !== undefined]).toEqual([drawing, id, fault, true])
          expect(sign).toMatch(/^[A-Z].*[.]$/)
          expect(wordsOf(sign!).filter((word) => wordsOf(fault).includes(word) && word.length > 4)).toEqual(
            [],
          )
        }
  })
})
