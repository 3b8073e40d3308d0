import { describe, expect, it } from '@jest/globals'
import { Ajv } from 'ajv'
import { DomainError } from '../refusal/index.ts'
import { inMetric } from '../testing/words.ts'
import { calculators } from './index.ts'

const ajv = new Ajv({ strict: false, discriminator: true, formats: { 'date-time': true, date: true } })
const asJson = (value: unknown) => JSON.parse(JSON.stringify(value))

/** The ways to every number in a value. */
function numbersIn(value: unknown, way: readonly (string | number)[] = []): (readonly (string | number)[])[] {
  if (typeof value === 'number') return [way]
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, part]) =>
    numbersIn(part, [...way, Array.isArray(value) ? Number(key) : key]),
  )
}
function withNumber(value: unknown, [key, ...rest]: readonly (string | number)[], number: number): unknown {
  if (key === undefined) return number
  const copy = asJson(value)
  copy[key] = withNumber(copy[key], rest, number)
  return copy
}
/** The names of all entries of a description. */
function namesIn(schema: unknown): string[] {
  if (typeof schema !== 'object' || schema === null) return []
  return Object.entries(schema).flatMap(([key, part]) => [
    ...(key === 'properties' ? Object.keys(part as object) : []),
    ...namesIn(part),
  ])
}
/** JSON has no word for it: where it comes out of an answer, the answer is none. */
function notNumbers(value: unknown, way = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [way]
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, part]) => notNumbers(part, `${way}/${key}`))
}

describe.each([...calculators])(
  'the calculator $name',
  ({ name, summary, input, example, heavy, answer }) => {
    const takes = ajv.compile(asJson(input))
    it('says what it answers, and takes its own example', () => {
      expect(name).toMatch(/^[a-z]+(-[a-z]+)*$/)
      expect(summary).toMatch(/^[A-Z]/)
      expect({ taken: takes(asJson(example)), errors: takes.errors }).toEqual({ taken: true, errors: null })
    })
    it('answers it with numbers and words only', () => {
      const found = answer(example)
      expect(notNumbers(found)).toEqual([])
      expect(JSON.stringify(inMetric(found))).not.toMatch(/undefined|NaN|\[object/)
      expect(asJson(found)).toEqual(asJson(answer(asJson(example))))
    })
    it('leaves what it was asked as it was', () => {
      const asked = asJson(example)
      answer(asked)
      expect(asked).toEqual(asJson(example))
    })
    it('takes nothing beside what it asks, and no number too large for anything', () => {
      expect(takes({ ...asJson(example), more: 1 })).toBe(false)
      for (const way of numbersIn(example).slice(0, 30))
        expect({ way, taken: takes(withNumber(example, way, 1e300)) }).toEqual({ way, taken: false })
    })
    it('answers or refuses in words, whatever number stands in its example', () => {
      const odd = heavy ? [0] : [0, -1, 1e-9, 1000]
      for (const way of numbersIn(example).slice(0, 14))
        for (const number of odd) {
          const asked = withNumber(example, way, number)
          if (!takes(asJson(asked))) continue
          try {
            expect({ way, number, not: notNumbers(answer(asked as never)) }).toEqual({ way, number, not: [] })
          } catch (error) {
            if (!(error instanceof DomainError)) throw error
            expect(error.code).toMatch(/^[a-z]+(-[a-z]+)*$/)
            expect(JSON.stringify([error.message, error.remedy])).not.toMatch(/undefined|NaN|\[object/)
            for (const words of [error.message, error.remedy]) expect(words).toMatch(/^["A-Z0-9-].*[.?]$/)
            // It names an entry that was asked for, so that a form can say it there.
            if (error.field !== undefined)
              expect(namesIn(input)).toContain(
                error.field.split(/[.[]/).findLast((part) => /^[a-z]/i.test(part)),
              )
          }
        }
    })
  },
)

describe('all calculators', () => {
  it('have names of their own', () => {
    const names = calculators.map(({ name }) => name)
    expect(new Set(names).size).toBe(names.length)
  })
})
