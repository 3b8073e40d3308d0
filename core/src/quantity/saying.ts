import { formatQuantity, type QuantityKind, type UnitSystem } from './display-quantity.ts'

/** A number with what it measures, as it stands in a sentence. */
export interface Quantity {
  readonly value: number
  readonly kind: QuantityKind
  /** In the metric unit; left out: as it is, for what somebody typed. */
  readonly decimals?: number
}

/** An instant as it stands in a sentence, ms since 1970. */
interface Moment {
  readonly moment: number
}
/** A tooth as it stands in a sentence, ISO 3950. */
interface Tooth {
  readonly tooth: number
}
type Part = string | Quantity | Moment | Tooth

/**
 * A sentence that still holds its numbers as quantities, its times as instants and its teeth: the edge, which knows the units,
 * the clock and the tooth numbers of the lab, turns it into words. Plain text where there is none in it. It is JSON as it stands.
 */
export type Saying = string | readonly Part[]

/** What was typed is repeated as it was, not rounded to what an instrument shows. */
const AS_TYPED_DECIMALS = 6

const quantityOf =
  (kind: QuantityKind) =>
  (value: number, decimals?: number): Quantity =>
    decimals === undefined ? { value, kind } : { value, kind, decimals }

/** Quantities as they stand in a sentence. @example saying`Raise it by ${qty.mm(0.62, 1)}.` */
export const qty = {
  mm: quantityOf('millimetres'),
  micrometres: quantityOf('micrometres'),
  degrees: quantityOf('degrees'),
  celsius: quantityOf('celsius'),
  celsiusApart: quantityOf('celsiusApart'),
  celsiusPerMinute: quantityOf('celsiusPerMinute'),
  kilopascals: quantityOf('kilopascals'),
  grams: quantityOf('grams'),
  millilitres: quantityOf('millilitres'),
  millilitresPerGram: quantityOf('millilitresPerGram'),
  cubicCentimetres: quantityOf('cubicCentimetres'),
  minutes: quantityOf('minutes'),
  percent: quantityOf('percent'),
  count: quantityOf('count'),
} as const

/** A sentence with quantities and other sayings in it. @example saying`Raise it by ${qty.mm(0.62, 1)}.` */
export function saying(words: TemplateStringsArray, ...parts: readonly (Saying | Part | number)[]): Saying {
  const flat: Part[] = []
  const add = (part: Saying | Part | number | undefined) => {
    if (part === undefined || part === '') return
    if (isList(part)) part.forEach(add)
    else if (typeof part === 'object') flat.push(part)
    else if (typeof flat.at(-1) === 'string') flat.push(`${flat.pop()}${part}`)
    else flat.push(String(part))
  }
  for (const [index, word] of words.entries()) {
    add(word)
    add(parts[index])
  }
  return flat.every((part) => typeof part === 'string') ? flat.join('') : flat
}
const isList = (part: unknown): part is readonly Part[] => Array.isArray(part)

/** Sayings one after the other. */
export function joined(sayings: readonly Saying[], between = ', '): Saying {
  return sayings.reduce<Saying>((all, each) => (all === '' ? each : saying`${all}${between}${each}`), '')
}

/** Without the full stop at its end: to go on with something else. */
export function unfinished(words: Saying): Saying {
  if (typeof words === 'string') return words.replace(/\.$/, '')
  const last = words.at(-1)
  return typeof last === 'string' ? [...words.slice(0, -1), last.replace(/\.$/, '')] : words
}

/** The saying with a capital at its beginning. */
export function capital(words: Saying): Saying {
  const [first, ...rest] = typeof words === 'string' ? [words] : words
  if (typeof first !== 'string') return words
  const raised = first.charAt(0).toUpperCase() + first.slice(1)
  return typeof words === 'string' ? raised : [raised, ...rest]
}

/**
 * The saying as text, its quantities in the units of a lab and its instants by its clock.
 * @example spoken(saying`${qty.mm(25.4)} off`, 'us') // '1 in off'
 */
export function spoken(
  words: Saying,
  units: UnitSystem,
  clock: (at: number) => string = (at) => new Date(at).toISOString(),
  toothName: (fdi: number) => string = String,
): string {
  if (typeof words === 'string') return words
  return words
    .map((part) => {
      if (typeof part === 'string') return part
      if ('moment' in part) return clock(part.moment)
      if ('tooth' in part) return toothName(part.tooth)
      return formatQuantity(part.value, part.kind, units, part.decimals ?? AS_TYPED_DECIMALS)
    })
    .join('')
}
