import {
  Array as ArrayOf,
  Boolean as BooleanOf,
  Integer,
  Number as NumberOf,
  Object as ObjectOf,
  Optional,
  type Static,
  String as StringOf,
  type TSchema,
  Unsafe,
} from 'typebox'

/**
 * The vocabulary in which a shape is declared once. A shape is a JSON Schema (draft 7, in the words that OpenAPI 3.0 has
 * too), so it is the description of an entry, of a stored event and of the case document as it stands; the type follows
 * from it by `Of`, and the server makes its class-validator class from it. Every number has bounds, every text and list
 * a most: nothing is taken in that cannot be. The bounds are the ends of what can be real at all, wider than any rule of
 * the trade; those refuse in their own words.
 */
export type Shape = TSchema
type Properties = Readonly<Record<string, TSchema>>

/** The value that a shape describes; never changed in place. */
export type Of<S extends TSchema> = Fixed<Static<S>>
type Fixed<T> = T extends string | number | boolean | null | undefined
  ? T
  : { readonly [K in keyof T]: Fixed<T[K]> }

/** What a reader of the published description is given along. */
interface Notes {
  readonly description?: string
  readonly example?: unknown
}

/** A thing of named parts; others are refused. */
export const record = <const P extends Properties>(properties: P, notes: Notes = {}) =>
  ObjectOf(properties as { [K in keyof P]: P[K] }, { additionalProperties: false, ...notes })

/** A part that may be left out. It is left out, never null. */
export const maybe = <S extends TSchema>(part: S) => Optional(part)

/** Every part of a record, each of which may be left out: what is changed. */
export function changesOf<P extends Properties>(whole: { readonly properties: P }) {
  const parts = Object.fromEntries(
    Object.entries(whole.properties).map(([key, part]) => [key, Optional(part)]),
  )
  return Unsafe<Partial<{ [K in keyof P]: Static<P[K]> }>>(
    ObjectOf(parts, { additionalProperties: false }) as TSchema,
  )
}

/** Text of at least one character and at most so many. */
export const text = (
  most: number,
  notes: Notes & { readonly pattern?: string; readonly least?: number } = {},
) => {
  const { least = 1, ...rest } = notes
  return StringOf({ minLength: least, maxLength: most, ...rest })
}
/** Names a thing that the lab or the program keeps. */
export const id = (example?: string) => text(80, example === undefined ? {} : { example })
/** What somebody wrote. Blank is refused where words are wanted, by the rule that wants them. */
export const words = (most = 2000) => text(most, { least: 0 })

/** A number within bounds, both inclusive. */
export const figure = (minimum: number, maximum: number, notes: Notes = {}) =>
  NumberOf({ minimum, maximum, ...notes })
/** A whole number within bounds. */
export const whole = (minimum: number, maximum: number, notes: Notes = {}) =>
  Integer({ minimum, maximum, ...notes })
export const yesNo = (notes: Notes = {}) => BooleanOf({ ...notes })

/** One of a few words or numbers. */
export const choice = <const V extends readonly (string | number)[]>(values: V, notes: Notes = {}) =>
  Unsafe<V[number]>({
    type: typeof values[0] === 'number' ? 'integer' : 'string',
    enum: [...values],
    ...notes,
  })

export const list = <S extends TSchema>(items: S, most: number, least = 0, notes: Notes = {}) =>
  ArrayOf(items, { maxItems: most, ...(least > 0 ? { minItems: least } : {}), ...notes })

/** So many of the same, in an order that has a meaning: right, then left. */
export const two = <S extends TSchema>(items: S) => fixed<[Static<S>, Static<S>]>(items, 2)
export const three = <S extends TSchema>(items: S) => fixed<[Static<S>, Static<S>, Static<S>]>(items, 3)
const fixed = <T>(items: TSchema, count: number) =>
  Unsafe<T>({ type: 'array', items, minItems: count, maxItems: count })

/** Right and left of the patient. */
export const sidesOf = <S extends TSchema>(part: S) => record({ right: part, left: part })

/** Values under names that only the data know; at most so many. */
export const named = <S extends TSchema>(value: S, most: number, notes: Notes = {}) =>
  Unsafe<{ [name: string]: Static<S> }>({
    type: 'object',
    additionalProperties: value,
    maxProperties: most,
    ...notes,
  })

/** An instant as text: ISO 8601 with Z or an offset. Kept in UTC. */
export const INSTANT_PATTERN =
  '^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}(:\\d{2}(\\.\\d{1,9})?)?(Z|[+-]\\d{2}:\\d{2})$'
export const instant = (notes: Notes = {}) =>
  StringOf({ pattern: INSTANT_PATTERN, maxLength: 40, format: 'date-time', ...notes })

/** A calendar day, YYYY-MM-DD. */
export const day = (notes: Notes = {}) =>
  StringOf({
    pattern: '^\\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\\d|3[01])$',
    maxLength: 10,
    format: 'date',
    ...notes,
  })

/** One of several records, told apart by the word under `tag`. */
export function byTag<
  const T extends string,
  const V extends Readonly<Record<string, { properties: Properties }>>,
>(tag: T, variants: V, notes: Notes = {}) {
  const oneOf = Object.entries(variants).map(([word, { properties }]) =>
    record({ [tag]: choice([word]), ...properties }),
  )
  return Unsafe<{ [K in keyof V]: { [P in T]: K } & StaticOf<V[K]> }[keyof V]>({
    type: 'object',
    required: [tag],
    discriminator: { propertyName: tag },
    oneOf,
    ...notes,
  })
}
type StaticOf<S> = S extends TSchema ? Static<S> : never

/** A shape whose type is known better than TypeScript can follow it. */
export const typedAs = <T>(shape: object) => Unsafe<T>(shape as TSchema)

/** The properties of a record, to be taken into another one. */
export const partsOf = <P extends Properties>(shape: { readonly properties: P }): P => shape.properties
