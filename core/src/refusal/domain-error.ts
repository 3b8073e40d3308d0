import { type Quantity, type QuantityKind, type Saying, saying, spoken } from '../quantity/index.ts'

/**
 * A refusal by the core: what is wrong, and what to do next, in words a technician can act on.
 * `code` is stable (tests and other programs rely on it); `field` names the entry at fault, where there is one.
 * `said` and `advice` keep their quantities, for whoever shows them in the units of a lab; `message` and `remedy` are the same
 * in metric units.
 */
export class DomainError extends Error {
  override readonly name = 'DomainError'
  readonly remedy: string
  constructor(
    readonly code: string,
    readonly said: Saying,
    readonly advice: Saying,
    readonly field?: string,
  ) {
    super(spoken(said, 'metric'))
    this.remedy = spoken(advice, 'metric')
  }
}

/**
 * Refuses a reading that nobody can have read.
 * @throws {DomainError} `reading-not-plausible`, or another code
 */
export function requireWithin(
  value: number,
  limits: {
    readonly least: number
    readonly most: number
    readonly what: string
    readonly field: string
    readonly kind?: QuantityKind
    readonly code?: string
  },
): void {
  const { least, most, what, field, kind = 'count', code = 'reading-not-plausible' } = limits
  const shown = (number: number): Quantity => ({ value: number, kind })
  if (!(value >= least && value <= most))
    throw new DomainError(
      code,
      saying`${what}: ${shown(value)} cannot be right.`,
      saying`Measure again and enter a number from ${shown(least)} to ${shown(most)}.`,
      field,
    )
}

/**
 * Refuses what is not a finite number above 0 (or, with `orZero`, at least 0).
 * @throws {DomainError} `not-a-positive-number`
 */
export function requirePositive(
  value: number,
  field: string,
  what: string,
  options: { readonly orZero?: boolean } = {},
): number {
  const ok = Number.isFinite(value) && (options.orZero ? value >= 0 : value > 0)
  if (!ok)
    throw new DomainError(
      'not-a-positive-number',
      `${what} is ${Number.isNaN(value) ? 'not a number' : value}.`,
      `Enter ${what.toLowerCase()} as a number ${options.orZero ? 'of 0 or more' : 'above 0'}.`,
      field,
    )
  return value
}

/**
 * Refuses a measure of a thing that is not above 0 and at most so much.
 * @throws {DomainError} `equipment`
 */
export function requireMeasure(field: string, value: number, most: number): void {
  if (!(value > 0 && value <= most))
    throw new DomainError(
      'equipment',
      `${value} cannot be right here.`,
      `Enter a number above 0 and at most ${most}.`,
      field,
    )
}
