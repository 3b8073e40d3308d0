import { describe, expect, it } from '@jest/globals'
import { checkBath } from '../curing/cure.ts'
import { cure } from '../curing/index.ts'
import { spoken } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { inventedPair } from '../trimming/index.ts'
import { usualTrimChoices } from '../trimming/trim-choices.ts'
import { planUpper } from '../trimming/trim-plan.ts'
import { calculators } from './index.ts'

/** Changes one entry of a calculator's example, by its path. */
function asked(name: string, path: string, value: unknown): DomainError | undefined {
  const { example, answer } = calculators.find((each) => each.name === name)! as unknown as {
    readonly example: object
    readonly answer: (input: object) => unknown
  }
  const input = JSON.parse(JSON.stringify(example)) as Record<string, unknown>
  const keys = path.split('.')
  const last = keys.pop()!
  let at: Record<string, unknown> = input
  for (const key of keys) {
    at[key] ??= {}
    at = at[key] as Record<string, unknown>
  }
  at[last] = value
  try {
    answer(input)
    return undefined
  } catch (error) {
    if (error instanceof DomainError) return error
    throw error
  }
}

describe('an entry that is absurd is refused by its name', () => {
  it.each([
    ['burnout', 'segments.0.rampCelsiusPerMinute', Number.POSITIVE_INFINITY, 'segments'],
    ['burnout', 'segments.0.rampCelsiusPerMinute', Number.NaN, 'segments'],
    ['burnout', 'startCelsius', Number.NaN, 'startCelsius'],
    ['burnout', 'ring.liningMillimetres', -1, 'liningMillimetres'],
    ['burnout', 'ring.metalMillimetres', -0.1, 'metalMillimetres'],
    ['cure', 'program.startCelsius', Number.NaN, 'startCelsius'],
    ['cure', 'program.startCelsius', 131, 'startCelsius'],
    [
      'cure',
      'program.segments.1.rampCelsiusPerMinute',
      Number.POSITIVE_INFINITY,
      'segments.1.rampCelsiusPerMinute',
    ],
    ['cure', 'program.segments.0.rampCelsiusPerMinute', 0, 'segments.0.rampCelsiusPerMinute'],
    ['cure', 'program.segments.1.toCelsius', 131, 'segments.1.toCelsius'],
    ['cure', 'program.segments.0.holdMinutes', -1, 'segments.0.holdMinutes'],
    ['cure', 'program.segments.0.holdMinutes', 1441, 'segments.0.holdMinutes'],
    ['cure', 'program.segments', [], 'segments'],
    ['trim', 'choices.backClearanceMillimetres', -0.1, 'choices.backClearanceMillimetres'],
    ['trim', 'choices.vestibuleAllowanceMillimetres', -1, 'choices.vestibuleAllowanceMillimetres'],
    ['trim', 'choices.vestibuleAllowanceMillimetres', 10.1, 'choices.vestibuleAllowanceMillimetres'],
    ['trim', 'choices.canineRayDegrees', 91, 'choices.canineRayDegrees'],
    ['trim', 'choices.frontMaxDegrees', 360, 'choices.frontMaxDegrees'],
  ])('%s: %s of %s', (name, path, value, field) => expect(asked(name, path, value)?.field).toBe(field))

  it.each([
    ['cure', 'program.startCelsius', 130],
    ['cure', 'program.segments.0.holdMinutes', 1440],
    ['burnout', 'ring.liningMillimetres', 0],
  ])('%s: %s may be %s', (name, path, value) => expect(asked(name, path, value)).toBeUndefined())

  it('each fault of a bath has its own sentence, in the units of the bench', () => {
    const line = { rampCelsiusPerMinute: 1, toCelsius: 74, holdMinutes: 60 }
    const words = (startCelsius: number, ...segments: (typeof line)[]) => {
      try {
        checkBath({ startCelsius, segments })
        return ''
      } catch (error) {
        const { said, advice } = error as DomainError
        return `${spoken(said, 'us')} ${spoken(advice, 'us')}`
      }
    }
    expect(words(20, line)).toBe('')
    expect(words(-1, line)).toBe('A bath does not start at 30 °F. Enter 32 °F to 266 °F.')
    expect(words(20, line, { ...line, toCelsius: 140 })).toBe('Line 2 goes to 284 °F. Enter 32 °F to 266 °F.')
    expect(words(20, { ...line, rampCelsiusPerMinute: -1 })).toContain('Line 1 heats at')
    expect(words(20, ...Array.from({ length: 13 }, () => line))).toContain('13 lines')
    expect(words(74, { ...line, holdMinutes: 0 })).toContain('takes no time')
    expect(words(20, { ...line, holdMinutes: 1440 }, { ...line, holdMinutes: 800 })).toContain(
      'day and a half',
    )
  })
  it('a flask goes in at a temperature, 200 °C at most', () => {
    const question = {
      section: { shape: 'sheet', millimetres: 3 },
      program: { startCelsius: 20, segments: [{ rampCelsiusPerMinute: 1, toCelsius: 74, holdMinutes: 60 }] },
    } as const
    const refusal = expect.objectContaining({ code: 'flask-start', field: 'startCelsius' })
    for (const startCelsius of [Number.NaN, -1, 201])
      expect(() => cure({ ...question, startCelsius })).toThrow(refusal)
    expect(() => cure({ ...question, startCelsius: 30 })).not.toThrow()
  })
  it('the usual choices of a trim plan are taken', () => {
    const { landmarks } = inventedPair.upper
    expect(() => planUpper(landmarks, usualTrimChoices)).not.toThrow()
    expect(() => planUpper(landmarks, { ...usualTrimChoices, backClearanceMillimetres: 0 })).not.toThrow()
  })
})
