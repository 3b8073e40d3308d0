import { inUtc, type Shape } from '@yentrik/core'
import { Transform, Type } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsString,
  Length,
  Matches,
  Max,
  Min,
  ValidateBy,
  ValidateIf,
  ValidateNested,
} from 'class-validator'

/** The words of JSON Schema that the core's shapes are made of. */
interface Words {
  readonly type?: string
  readonly format?: string
  readonly enum?: readonly (string | number)[]
  readonly properties?: Readonly<Record<string, Words>>
  readonly required?: readonly string[]
  readonly additionalProperties?: false | Words
  readonly maxProperties?: number
  readonly items?: Words
  readonly minItems?: number
  readonly maxItems?: number
  readonly minimum?: number
  readonly maximum?: number
  readonly minLength?: number
  readonly maxLength?: number
  readonly pattern?: string
  readonly discriminator?: { readonly propertyName: string }
  readonly oneOf?: readonly Words[]
}
type ShapeClass = new () => object

const classes = new WeakMap<object, ShapeClass>()

/**
 * The class-validator class of a shape: what is declared once in the core, as the validator of HTTP understands it. Made once
 * for each shape. A part that may be left out is left out: null is no value.
 */
export function classOf(shape: Shape): ShapeClass {
  return classOfWords(shape as Words)
}

/** The class that something sent must be of: of a choice of shapes the one that its tag names. */
export function classFor(shape: Shape, sent: object): ShapeClass {
  const { discriminator, oneOf = [] } = shape as Words
  const tag = discriminator?.propertyName
  const named = tag && (sent as Readonly<Record<string, unknown>>)[tag]
  const variant = tag && oneOf.find((each) => tagOf(each, tag) === named)
  return variant ? classOfWords(variant) : classOf(shape)
}

function classOfWords(words: Words): ShapeClass {
  const known = classes.get(words)
  if (known) return known
  const made = words.discriminator ? tagged(words, words.discriminator.propertyName) : named(words)
  classes.set(words, made)
  return made
}

function named({ properties = {}, required = [] }: Words): ShapeClass {
  class Shaped {}
  for (const [key, part] of Object.entries(properties)) {
    if (!required.includes(key))
      decorate(
        ValidateIf((_, value) => value !== undefined),
        Shaped,
        key,
      )
    for (const decorator of decoratorsOf(part)) decorate(decorator, Shaped, key)
  }
  return Shaped
}

/** Of a choice of shapes: the class of its tag alone; class-transformer takes the right one by it. */
function tagged({ oneOf = [] }: Words, tag: string): ShapeClass {
  class Tagged {}
  const known = oneOf.map((each) => tagOf(each, tag))
  decorate(IsIn(known, { message: say(`choose one of: ${known.join(', ')}`) }), Tagged, tag)
  return Tagged
}
const tagOf = ({ properties }: Words, tag: string) => String(properties![tag]!.enum![0])

const decorate = (decorator: PropertyDecorator, { prototype }: ShapeClass, key: string) =>
  decorator(prototype as object, key)

const say = (reason: string) => () => reason
const withEach = (each: boolean, reason: string) => ({ each, message: say(reason) })

/** The decorators of a part; `each`: of every entry of a list. */
function decoratorsOf(part: Words, each = false): PropertyDecorator[] {
  if (part.enum) return [IsIn([...part.enum], withEach(each, `choose one of: ${part.enum.join(', ')}`))]
  switch (part.type) {
    case 'string':
      return textDecorators(part, each)
    case 'number':
    case 'integer':
      return numberDecorators(part, each)
    case 'boolean':
      return [IsBoolean(withEach(each, 'enter true or false'))]
    case 'array':
      return each ? [IsListOfPlain(part)] : listDecorators(part)
    case 'object':
      return objectDecorators(part, each)
    default:
      return []
  }
}

function textDecorators(part: Words, each: boolean): PropertyDecorator[] {
  const { minLength = 0, maxLength, pattern, format } = part
  const length = maxLength === undefined ? '' : `${minLength} to ${maxLength} characters`
  return [
    IsString(withEach(each, 'enter text')),
    Length(minLength, maxLength, withEach(each, `enter ${length}`)),
    ...(pattern ? [Matches(new RegExp(pattern), withEach(each, patternWords(format)))] : []),
    ...(format === 'date-time' ? [IsInstant(each), KeptInUtc()] : []),
  ]
}

function patternWords(format: string | undefined): string {
  if (format === 'date-time') return INSTANT_WORDS
  return format === 'date' ? 'write the day as YYYY-MM-DD' : 'is not written as it must be'
}
const INSTANT_WORDS = 'write the date with its time and its zone, as 2026-12-09T11:00:00Z'

/** A moment that the calendar has, not only its look. */
const IsInstant = (each: boolean) =>
  ValidateBy(
    {
      name: 'isInstant',
      validator: { validate: (value) => typeof value === 'string' && utc(value) !== undefined },
    },
    withEach(each, INSTANT_WORDS),
  )
/** What is refused stays as it was sent. */
const KeptInUtc = () => Transform(({ value }) => (typeof value === 'string' ? (utc(value) ?? value) : value))
function utc(text: string): string | undefined {
  try {
    return inUtc(text)
  } catch {
    return undefined
  }
}

function numberDecorators(part: Words, each: boolean): PropertyDecorator[] {
  const { type, minimum: least, maximum: most } = part
  const whole = type === 'integer'
  const range = least === undefined || most === undefined ? '' : ` from ${least} to ${most}`
  const words = withEach(each, `enter a ${whole ? 'whole ' : ''}number${range}`)
  return [
    whole ? IsInt(words) : IsNumber({ allowNaN: false, allowInfinity: false }, words),
    ...(least === undefined ? [] : [Min(least, words)]),
    ...(most === undefined ? [] : [Max(most, words)]),
  ]
}

function listDecorators(part: Words): PropertyDecorator[] {
  const { items = {}, minItems = 0, maxItems } = part
  return [
    IsArray({ message: say('send a list') }),
    ...(minItems > 0 ? [ArrayMinSize(minItems, { message: say(`send at least ${minItems}`) })] : []),
    ...(maxItems === undefined ? [] : [ArrayMaxSize(maxItems, { message: say(`send at most ${maxItems}`) })]),
    ...decoratorsOf(items, true),
  ]
}

function objectDecorators(part: Words, each: boolean): PropertyDecorator[] {
  if (typeof part.additionalProperties === 'object') return [IsNamed(part, each)]
  const words = withEach(each, 'send its parts')
  return [IsPlainObject(each), ValidateNested(words), nestedType(part)]
}

/** An object with parts: no list, no null. */
const IsPlainObject = (each: boolean) =>
  ValidateBy(
    { name: 'isPlainObject', validator: { validate: (value) => isObject(value) } },
    withEach(each, 'send its parts'),
  )
const isObject = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

function nestedType(part: Words): PropertyDecorator {
  const tag = part.discriminator?.propertyName
  if (!tag) return Type(() => classOfWords(part))
  return Type(() => classOfWords(part), {
    discriminator: {
      property: tag,
      subTypes: (part.oneOf ?? []).map((each) => ({ name: tagOf(each, tag), value: classOfWords(each) })),
    },
    keepDiscriminatorProperty: true,
  })
}

/** Values under names that only the data know. Looked at here: a class has no place for such names. */
function IsNamed({ additionalProperties, maxProperties = 1000 }: Words, each: boolean): PropertyDecorator {
  const value = additionalProperties as Words
  const validate = (object: unknown): boolean =>
    isObject(object) &&
    Object.keys(object).length <= maxProperties &&
    Object.values(object).every((entry) => isValue(entry, value))
  return ValidateBy(
    { name: 'isNamed', validator: { validate } },
    withEach(each, `send at most ${maxProperties} names with their values`),
  )
}

/** A list within a list, as two ends of a stretch: looked at here, since a class has no place for it. */
const IsListOfPlain = (part: Words): PropertyDecorator =>
  ValidateBy(
    { name: 'isListOfPlain', validator: { validate: (value) => isValue(value, part) } },
    withEach(true, 'send lists of what is wanted there'),
  )

/** Of a value under a free name, or in a list within a list: text, a number, a list of them, or such names again. */
function isValue(value: unknown, words: Words): boolean {
  const { type, minLength = 0, maxLength = 1000, minItems = 0, maxItems = 1000, ...more } = words
  if (type === 'string')
    return typeof value === 'string' && value.length >= minLength && value.length <= maxLength
  if (type === 'number' || type === 'integer') {
    const { minimum = Number.NEGATIVE_INFINITY, maximum = Number.POSITIVE_INFINITY } = more
    const isNumber = type === 'integer' ? Number.isInteger(value) : Number.isFinite(value)
    return isNumber && (value as number) >= minimum && (value as number) <= maximum
  }
  if (type === 'array')
    return (
      Array.isArray(value) &&
      value.length >= minItems &&
      value.length <= maxItems &&
      value.every((entry) => isValue(entry, more.items ?? {}))
    )
  const inner = more.additionalProperties
  return (
    typeof inner === 'object' &&
    isObject(value) &&
    Object.keys(value).length <= (more.maxProperties ?? 1000) &&
    Object.values(value).every((entry) => isValue(entry, inner))
  )
}
