import { joined, saying } from '../../quantity/index.ts'
import { DomainError } from '../../refusal/index.ts'
import { choice, list, type Of, record, text } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

/** Where something went that came along. */
const ways = ['back', 'usedUp', 'kept', 'missing'] as const
export type EnclosureWay = (typeof ways)[number]
export const wayWords: Readonly<Record<EnclosureWay, string>> = {
  back: 'in the bag',
  usedUp: 'used up',
  kept: 'stays with the lab',
  missing: 'missing',
}
const wentShape = record({ name: text(200, { least: 0, example: 'Wax bite' }), way: choice(ways) })
export type EnclosureWent = Of<typeof wentShape>

/** Everything that came along, as typed at intake, and where it went; the case sees to it that nothing is left out. */
export const enclosuresSheet = sheetKind({
  kind: 'enclosures',
  data: record({ went: list(wentShape, 60) }),
  wants: record({}),
  check: ({ went }) => {
    if (went.some(({ name }) => name.trim() === ''))
      throw new DomainError('words-missing', 'A line has no name.', 'Name it, or take the line away.', 'went')
    const twice = went.find(({ name }, n) => went.findIndex((each) => each.name === name) !== n)
    if (twice)
      throw new DomainError(
        'line-twice',
        `"${twice.name}" stands on the list twice.`,
        'Say once where it went.',
        'went',
      )
  },
  faults: ({ went }) => went.flatMap(({ name, way }) => (way === 'missing' ? [`${name} is missing`] : [])),
  words: ({ went }) =>
    went.length === 0
      ? 'nothing came along'
      : joined(went.map(({ name, way }) => saying`${name}: ${wayWords[way]}`)),
  good: () => ({ went: [] }),
  failingExample: () => ({ went: [{ name: 'Wax bite', way: 'missing' as const }] }),
  refusedExample: () => ({ went: [{ name: ' ', way: 'back' as const }] }),
})
