import { joined, type Saying, saying } from '../../quantity/index.ts'
import { DomainError } from '../../refusal/index.ts'
import { figure, list, maybe, type Of, record, text, whole, yesNo } from '../../shape/index.ts'
import { sheetKind, sheetOfShape } from '../sheet-kind.ts'

const partShape = record({
  name: text(120, { least: 0, example: 'Coping screws' }),
  count: figure(-1000, 1000, { example: 4 }),
})
/** A part that came along and must go back: copings, screws, a tray. */
export type PartCount = Of<typeof partShape>
export const partsData = { parts: list(partShape, 60) }

/** Refuses a list that nobody can count by. @throws {DomainError} `words-missing`, `count-out-of-range` */
export function checkParts(parts: readonly PartCount[]): void {
  if (parts.length === 0)
    throw new DomainError('words-missing', 'No part is on the list.', 'Enter what goes along.', 'parts')
  for (const { name, count } of parts) {
    if (name.trim() === '')
      throw new DomainError(
        'words-missing',
        'A part has no name.',
        'Name it, or take the line away.',
        'parts',
      )
    if (!(Number.isInteger(count) && count >= 0 && count <= 100))
      throw new DomainError(
        'count-out-of-range',
        `"${name}" cannot be there ${count} times.`,
        'Enter a whole number from 0 to 100.',
        'parts',
      )
  }
}

export const partsWords = (parts: readonly PartCount[]): Saying =>
  joined(parts.map(({ count, name }) => saying`${count} ${name}`))

/** Parts by name and number; counted again against an earlier list when they go back. */
export const partsSheet = sheetKind({
  kind: 'parts',
  data: record(partsData),
  wants: record({
    suggested: list(text(120), 60),
    /** What the order makes certain: so many of each must be there. */
    expected: maybe(list(record({ name: text(120), count: whole(0, 100) }), 20)),
    /** What came along, as typed at intake, belongs on it. */
    withEnclosures: maybe(yesNo()),
    /** Counted out again: every part of that sheet must be here in its number. */
    returnOf: maybe(sheetOfShape),
  }),
  check: ({ parts }) => checkParts(parts),
  faults: ({ parts }, { returnOf, expected = [] }, recorded) => {
    // A dispatch lists parts as well.
    const came = returnOf && recorded(returnOf, { kind: ['parts', 'dispatch'], data: record(partsData) })
    return (came?.parts ?? expected).flatMap(({ name, count }) => {
      const found = parts.find((part) => part.name === name)?.count ?? 0
      return found === count ? [] : [`${name}: ${found} of ${count}`]
    })
  },
  heldAgainst: ({ returnOf }) => returnOf,
  words: ({ parts }) => partsWords(parts),
  good: ({ suggested, expected = [] }) => ({
    parts: suggested.map((name) => ({
      name,
      count: expected.find((each) => each.name === name)?.count ?? 1,
    })),
  }),
  refusedExample: () => ({ parts: [{ name: 'Screw', count: 1.5 }] }),
})
