import { DomainError } from '../refusal/index.ts'

/** How often something was, of how many. */
export interface Counted {
  readonly count: number
  readonly of: number
}

/** @throws {DomainError} `value-not-finite`, `counts-not-whole`, `nothing-counted`, `count-above-total` */
export function mustBeCounted({ count, of }: Counted, field = 'count'): void {
  mustBeFinite([count, of], field)
  mustBeCounts([count, of], field)
  if (count > of)
    throw new DomainError(
      'count-above-total',
      `${count} of ${of}: more than there are.`,
      'Enter a count of at most the total.',
      field,
    )
  if (of === 0)
    throw new DomainError(
      'nothing-counted',
      'Nothing was counted: 0 of 0 is no share.',
      'Enter of how many.',
      field,
    )
}

/** @throws {DomainError} `value-not-finite` */
export function mustBeFinite(values: readonly number[], field: string): void {
  if (!values.every(Number.isFinite))
    throw new DomainError('value-not-finite', 'A value is no number.', 'Enter numbers.', field)
}

/** @throws {DomainError} `counts-not-whole` */
export function mustBeCounts(values: readonly number[], field: string): void {
  if (!values.every((value) => Number.isInteger(value) && value >= 0))
    throw new DomainError(
      'counts-not-whole',
      'A count is no whole number from 0.',
      'Enter whole numbers.',
      field,
    )
}

/** @throws {DomainError} `lengths-differ` */
export function mustBeAsLong(one: readonly unknown[], other: readonly unknown[], field: string): void {
  if (one.length !== other.length)
    throw new DomainError(
      'lengths-differ',
      `The lists do not belong together: ${one.length} and ${other.length}.`,
      'Enter one of each.',
      field,
    )
}

/** @throws {DomainError} with the code given */
export function mustBeChances(
  values: readonly number[],
  code: 'p-out-of-range' | 'chance-out-of-range',
  field: string,
): void {
  if (!values.every((value) => value >= 0 && value <= 1))
    throw new DomainError(code, 'A chance lies outside 0 to 1.', 'Enter chances from 0 to 1.', field)
}
