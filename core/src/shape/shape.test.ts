import { describe, expect, it } from '@jest/globals'
import { Ajv, type ValidateFunction } from 'ajv'
import fc from 'fast-check'
import {
  byTag,
  changesOf,
  choice,
  day,
  figure,
  id,
  instant,
  list,
  maybe,
  named,
  partsOf,
  record,
  type Shape,
  sidesOf,
  text,
  three,
  two,
  typedAs,
  whole,
  words,
  yesNo,
} from './index.ts'

/** A shape is a JSON Schema: what it takes and refuses is asked of a validator that is not ours. */
const ajv = new Ajv({ strict: false, discriminator: true, formats: { 'date-time': true, date: true } })
const compiled = new Map<Shape, ValidateFunction>()
const takes = (shape: Shape, value: unknown): boolean => {
  const validate = compiled.get(shape) ?? ajv.compile(JSON.parse(JSON.stringify(shape)))
  compiled.set(shape, validate)
  return validate(value)
}

describe('numbers', () => {
  const grams = figure(0, 10)
  it.each([0, 10, 0.001, 9.999])('%d lies within its bounds', (value) =>
    expect(takes(grams, value)).toBe(true),
  )
  it.each([-0.001, 10.001, '5', null, true, [5]])('%j does not', (value) =>
    expect(takes(grams, value)).toBe(false),
  )
  it('whole ones have no fraction', () => {
    expect(takes(whole(1, 3), 3)).toBe(true)
    expect(takes(whole(1, 3), 2.5)).toBe(false)
    expect(takes(whole(1, 3), 0)).toBe(false)
    expect(takes(whole(1, 3), 4)).toBe(false)
  })
  it('every one is taken exactly between its ends', () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (value) =>
        expect(takes(grams, value)).toBe(value >= 0 && value <= 10),
      ),
    )
  })
})

describe('texts', () => {
  it('a text has at least a character and at most so many', () => {
    const name = text(5)
    expect(['', 'a', 'abcde', 'abcdef'].map((value) => takes(name, value))).toEqual([
      false,
      true,
      true,
      false,
    ])
  })
  it('words may be empty: the rule that wants them says so', () => {
    expect(takes(words(3), '')).toBe(true)
    expect(takes(words(3), 'abcd')).toBe(false)
    expect(takes(words(), 'x'.repeat(2000))).toBe(true)
    expect(takes(words(), 'x'.repeat(2001))).toBe(false)
  })
  it('a pattern holds', () => {
    const code = text(10, { pattern: '^[A-Z]+$' })
    expect(takes(code, 'ABC')).toBe(true)
    expect(takes(code, 'abc')).toBe(false)
  })
  it('a name of a thing is short', () => {
    expect(takes(id(), 'x'.repeat(80))).toBe(true)
    expect(takes(id(), 'x'.repeat(81))).toBe(false)
    expect(id('stone')).toMatchObject({ example: 'stone' })
    expect(id()).not.toHaveProperty('example')
  })
  it('a choice is one of its words, or of its numbers', () => {
    expect(takes(choice(['a', 'b']), 'b')).toBe(true)
    expect(takes(choice(['a', 'b']), 'c')).toBe(false)
    expect(choice(['a'])).toMatchObject({ type: 'string' })
    expect(choice([1, 2])).toMatchObject({ type: 'integer' })
    expect(takes(choice([1, 2]), '1')).toBe(false)
  })
  it('yes and no are no words', () => {
    expect(takes(yesNo(), false)).toBe(true)
    expect(takes(yesNo(), 'false')).toBe(false)
  })
})

describe('dates', () => {
  it.each(['2026-12-09', '2026-01-31', '2028-02-29'])('%s is a day', (value) =>
    expect(takes(day(), value)).toBe(true),
  )
  it.each(['20261209', '2026-13-01', '2026-00-10', '2026-12-32', '2026-W50-3', '2026-12-9', ' 2026-12-09'])(
    '"%s" is none',
    (value) => expect(takes(day(), value)).toBe(false),
  )
  it.each([
    '2026-12-09T11:00Z',
    '2026-12-09T11:00:05Z',
    '2026-12-09T11:00:05.123456789+01:00',
    '2026-12-09T11:00-05:30',
  ])('%s is an instant', (value) => expect(takes(instant(), value)).toBe(true))
  it.each([
    '2026-12-09',
    '2026-12-09T11:00',
    '2026-12-09 11:00Z',
    '2026-12-09T11Z',
    '2026-12-09T11:00+0100',
    '2026-12-09T11:00:05.Z',
  ])('"%s" is none', (value) => expect(takes(instant(), value)).toBe(false))
})

describe('what is made of them', () => {
  const part = record({ name: text(5), count: whole(0, 9), note: maybe(text(5)) })
  it('a record has its parts and no others', () => {
    expect(takes(part, { name: 'a', count: 1 })).toBe(true)
    expect(takes(part, { name: 'a', count: 1, note: 'n' })).toBe(true)
    expect(takes(part, { name: 'a' })).toBe(false)
    expect(takes(part, { name: 'a', count: 1, more: 1 })).toBe(false)
    expect(takes(part, [])).toBe(false)
  })
  it('a part that may be left out is left out, never null', () =>
    expect(takes(part, { name: 'a', count: 1, note: null })).toBe(false))
  it('changes are any parts of the whole', () => {
    const changes = changesOf(part)
    expect(takes(changes, {})).toBe(true)
    expect(takes(changes, { count: 2 })).toBe(true)
    expect(takes(changes, { count: 20 })).toBe(false)
    expect(takes(changes, { count: null })).toBe(false)
    expect(takes(changes, { more: 1 })).toBe(false)
    // The whole is what it was.
    expect(takes(part, {})).toBe(false)
  })
  it('a list has at least and at most so many', () => {
    const some = list(whole(0, 9), 3, 1)
    expect([[], [1], [1, 2, 3], [1, 2, 3, 4]].map((value) => takes(some, value))).toEqual([
      false,
      true,
      true,
      false,
    ])
    expect(takes(list(whole(0, 9), 3), [])).toBe(true)
    expect(takes(some, [10])).toBe(false)
  })
  it('two and three are so many, not fewer or more', () => {
    const counts = [[1], [1, 2], [1, 2, 3], [1, 2, 3, 4]]
    expect(counts.map((value) => takes(two(whole(0, 9)), value))).toEqual([false, true, false, false])
    expect(counts.map((value) => takes(three(whole(0, 9)), value))).toEqual([false, false, true, false])
  })
  it('both sides of the patient are wanted', () => {
    const sides = sidesOf(figure(0, 5))
    expect(takes(sides, { right: 1, left: 2 })).toBe(true)
    expect(takes(sides, { right: 1 })).toBe(false)
  })
  it('names that only the data know are at most so many', () => {
    const choices = named(text(3), 2)
    expect(takes(choices, { a: 'x', b: 'y' })).toBe(true)
    expect(takes(choices, { a: 'x', b: 'y', c: 'z' })).toBe(false)
    expect(takes(choices, { a: 'long' })).toBe(false)
  })
  it('a tag tells which record it is', () => {
    const shape = byTag('kind', {
      circle: record({ radius: figure(0, 9) }),
      square: record({ side: figure(0, 9) }),
    })
    expect(takes(shape, { kind: 'circle', radius: 1 })).toBe(true)
    expect(takes(shape, { kind: 'square', radius: 1 })).toBe(false)
    expect(takes(shape, { kind: 'ring', radius: 1 })).toBe(false)
    expect(takes(shape, { radius: 1 })).toBe(false)
  })
  it('the parts of a record go into another one', () => {
    const longer = record({ ...partsOf(part), weight: figure(0, 9) })
    expect(takes(longer, { name: 'a', count: 1, weight: 2 })).toBe(true)
    expect(takes(longer, { name: 'a', count: 1 })).toBe(false)
  })
  it('a shape whose type is known better stays what it is', () =>
    expect(typedAs<number>({ type: 'number' })).toEqual({ type: 'number' }))
  it('what is said to a reader goes along', () => {
    const told = { description: 'Of the flask', example: 3 }
    for (const shape of [
      figure(0, 9, told),
      whole(0, 9, told),
      yesNo(told),
      instant(told),
      day(told),
      text(9, told),
    ])
      expect(shape).toMatchObject(told)
  })
})
