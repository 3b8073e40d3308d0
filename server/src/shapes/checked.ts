import type { Of, Shape } from '@yentrik/core'
import { plainToInstance } from 'class-transformer'
import { type ValidationError, validateSync } from 'class-validator'
import { Refusal } from '../errors/problem.filter.ts'
import { plain } from './plain.ts'
import { classFor } from './shape-class.ts'

/** Deeper than this nothing is nested that the house knows. */
const DEEPEST = 24
/** More values than this no bench enters at once. */
const MOST_VALUES = 30_000

/**
 * What was sent, as the shape wants it: every part there and within its bounds, unknown parts refused, dates in UTC.
 * @throws {Refusal} `too-deep`, `too-much`; `entry-not-valid`, with every entry at fault and why
 */
export function checked<S extends Shape>(shape: S, sent: unknown): Of<S> {
  mustBeSmall(sent)
  const given = isObject(sent) ? sent : {}
  const odd = oddPlace(given)
  if (odd) throw notValid([odd])
  const instance = plainToInstance(classFor(shape, given), given)
  const errors = validateSync(instance, {
    whitelist: true,
    forbidNonWhitelisted: true,
    forbidUnknownValues: false,
  })
  if (errors.length > 0) throw notValid(errors.flatMap((error) => entriesAtFault(error, '')))
  return plain(instance) as Of<S>
}

const isObject = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Looked at before anything else walks through it: what is nested without end or holds too much costs nothing here. */
function mustBeSmall(sent: unknown): void {
  let values = 0
  let level: unknown[] = [sent]
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > DEEPEST)
      throw new Refusal(422, 'too-deep', 'That is nested too deep.', 'Send what the description asks for.')
    const next: unknown[] = []
    for (const value of level) {
      if (typeof value !== 'object' || value === null) continue
      const parts = Array.isArray(value) ? value : Object.values(value)
      values += parts.length
      if (values > MOST_VALUES)
        throw new Refusal(
          413,
          'too-much',
          `More than ${MOST_VALUES} values were sent at once.`,
          'Send less at a time.',
        )
      for (const part of parts) if (typeof part === 'object') next.push(part)
    }
    level = next
  }
}

/**
 * What the library that makes classes of what was sent would fall over: null in a list, which no list may hold, and names
 * that every object has of its own, which are nobody's entries.
 */
function oddPlace(value: object, path = ''): EntryAtFault | undefined {
  for (const [key, part] of Object.entries(value)) {
    const field = path ? `${path}.${key}` : key
    if (key in Object.prototype) return { field, reason: NOT_KNOWN }
    if (part === null && Array.isArray(value)) return { field, reason: 'is null; leave it out' }
    const deeper = typeof part === 'object' && part !== null ? oddPlace(part, field) : undefined
    if (deeper !== undefined) return deeper
  }
  return undefined
}

const NOT_KNOWN = 'is not known here; leave it out'

interface EntryAtFault {
  readonly field: string
  readonly reason: string
}

function notValid(fields: readonly EntryAtFault[]): Refusal {
  const [first] = fields
  return new Refusal(
    422,
    'entry-not-valid',
    first ? `${first.field}: ${first.reason}.` : 'An entry is not valid.',
    'Correct the entries named and send again.',
    { field: first?.field, fields },
  )
}

function entriesAtFault({ property, constraints, children }: ValidationError, path: string): EntryAtFault[] {
  const field = path ? `${path}.${property}` : property
  const own = constraints ? [{ field, reason: reasonOf(constraints) }] : []
  return [...own, ...(children ?? []).flatMap((child) => entriesAtFault(child, field))]
}

/** One reason for each entry: the first that it broke. */
function reasonOf(constraints: Readonly<Record<string, string>>): string {
  if ('whitelistValidation' in constraints) return NOT_KNOWN
  return Object.values(constraints).at(-1)!
}
