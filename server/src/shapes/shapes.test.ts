import 'reflect-metadata'
import { describe, expect, it } from '@jest/globals'
import { routes } from '@yentrik/contract'
import {
  buildRoute,
  type CaseCommand,
  calculators,
  carefulWork,
  commandShape,
  instantMillis,
  routeTemplates,
  type Shape,
  seededRandom,
  sheetKinds,
} from '@yentrik/core'
import { Ajv } from 'ajv'
import fc from 'fast-check'
import { Refusal } from '../errors/problem.filter.ts'
import { checked } from './checked.ts'

/**
 * A shape is declared once. Two readers of it, the class-validator class that HTTP is held to and a JSON Schema validator that
 * holds documents to it, must take and refuse the same.
 */
const ajv = new Ajv({
  discriminator: true,
  strict: false,
  formats: {
    'date-time': (text) => {
      try {
        return instantMillis(text) > 0
      } catch {
        return false
      }
    },
    date: true,
  },
})

type Json = null | string | number | boolean | Json[] | { [key: string]: Json }
const copy = <T>(value: T) => JSON.parse(JSON.stringify(value)) as Json

/** Every place in a value, as the keys that lead there. */
function places(value: Json, at: (string | number)[] = []): (string | number)[][] {
  if (typeof value !== 'object' || value === null) return [at]
  return [at, ...Object.entries(value).flatMap(([key, part]) => places(part, [...at, key]))]
}

const oddities = fc.constantFrom<Json>(
  null,
  '',
  'x',
  'y'.repeat(5000),
  -1e308,
  1e308,
  0.5,
  -1,
  true,
  [],
  {},
  [null],
  { kind: 'nothing' },
  '2026-02-31T10:00:00Z',
  '2026-12-09T11:00:00',
)
const change = fc.record({ where: fc.nat(), what: fc.constantFrom('replace', 'drop', 'add'), by: oddities })
type Change = { readonly where: number; readonly what: string; readonly by: Json }

function changed(value: Json, { where, what, by }: Change): Json {
  const whole = copy(value) as { [key: string]: Json }
  const all = places(whole).filter((at) => at.length > 0)
  const at = all[where % Math.max(1, all.length)] ?? []
  const holder = at.slice(0, -1).reduce<Json>((part, key) => (part as { [k: string]: Json })[key]!, whole)
  const key = at.at(-1)
  if (key === undefined || typeof holder !== 'object' || holder === null) return by
  const parts = holder as { [k: string]: Json }
  if (what === 'replace') parts[key] = by
  else if (what === 'drop') Array.isArray(holder) ? holder.splice(Number(key), 1) : delete parts[key]
  else if (!Array.isArray(holder)) parts.unheardOf = by
  return whole
}

/** Whether the class-validator class takes it; the reason where it does not. */
function taken(shape: Shape, value: Json): true | string {
  try {
    checked(shape, value)
    return true
  } catch (error) {
    if (error instanceof Refusal) return error.detail
    throw error
  }
}

function bothAgree(shape: Shape, examples: readonly Json[]) {
  const isShape = ajv.compile(shape)
  for (const example of examples) {
    expect(taken(shape, example)).toBe(true)
    expect(isShape(example)).toBe(true)
  }
  fc.assert(
    fc.property(fc.nat(), fc.array(change, { minLength: 1, maxLength: 2 }), (n, changes) => {
      const value = changes.reduce(changed, examples[n % examples.length]!)
      if (typeof value !== 'object' || value === null || Array.isArray(value)) return
      expect([taken(shape, value) === true, value]).toEqual([isShape(value), value])
    }),
    { numRuns: 150 },
  )
}

/** Everything that a careful technician gives on the routes of the house. */
const commands = [...routeTemplates.values()].flatMap((template) =>
  buildRoute(template).steps.flatMap((step) => carefulWork('job-1', step, seededRandom(5))),
)
const others: CaseCommand[] = [
  { type: 'startStep', jobId: 'job-1', stepId: 'set', outOfTimeReason: 'early' },
  { type: 'goBack', jobId: 'job-1', toStepId: 'set', remake: true, reason: 'chipped' },
  { type: 'correct', corrects: 4, value: 2, reason: 'read again' },
  { type: 'amend', changes: { dueAt: '2031-06-02T11:00:00+02:00', teeth: [11] }, reason: 'rang' },
  { type: 'dentistAnswered', jobId: 'job-1', answer: 'yes', decision: 'proceed' },
  { type: 'release' },
]

describe('a shape, declared once', () => {
  it.each(calculators.map((each) => [each.name, each] as const))(
    'is read alike by both validators: what the calculator %s is asked',
    (_, { input, example }) => bothAgree(input, [copy(example)]),
  )
  it('is read alike by both: the commands of a case, with every kind of sheet', () => {
    const kinds = new Set(commands.flatMap((each) => (each.type === 'recordSheet' ? [each.sheet.kind] : [])))
    expect([...kinds].sort()).toEqual(Object.keys(sheetKinds).sort())
    bothAgree(commandShape, [...commands, ...others].map(copy))
  })
  it('is read alike by both: what is stored of equipment and products', () => {
    bothAgree(routes['PUT /equipment/:name'].body, [
      copy({ kind: 'bath', timeConstantMinutes: 150, mostFlasks: 4, source: 'measured here' }),
    ])
    bothAgree(routes['POST /products'].body, [
      copy({
        materialId: 'dental-stone',
        name: 'Yellow stone',
        clock: { pourByMinutes: 4 },
        settingExpansion: [{ specialLiquidPercent: 50, expansionPercent: 1 }],
        source: 'the pack',
      }),
    ])
  })
  it('has bounds on every number, text and list that HTTP takes in', () => {
    const unbounded: string[] = []
    const look = (words: Record<string, unknown>, at: string) => {
      if (words.type === 'number' || (words.type === 'integer' && !words.enum))
        if (words.minimum === undefined || words.maximum === undefined) unbounded.push(at)
      if (words.type === 'string' && !words.enum && words.maxLength === undefined) unbounded.push(at)
      if (words.type === 'array' && words.maxItems === undefined) unbounded.push(at)
      for (const [key, part] of Object.entries(words))
        if (typeof part === 'object' && part !== null && !['example', 'enum'].includes(key))
          look(part as Record<string, unknown>, `${at}/${key}`)
    }
    for (const { name, input } of calculators) look(copy(input) as Record<string, unknown>, name)
    for (const [key, { body, query, unchecked }] of Object.entries(routes))
      if (!unchecked)
        for (const shape of [body, query]) if (shape) look(copy(shape) as Record<string, unknown>, key)
    expect(unbounded).toEqual([])
  })
})
