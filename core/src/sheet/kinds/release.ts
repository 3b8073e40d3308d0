import { joined, saying } from '../../quantity/index.ts'
import { DomainError } from '../../refusal/index.ts'
import { choice, list, record, text } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

/** Whoever records it lets the work leave: where it was made, and whether its statement goes along. */
export const releaseSheet = sheetKind({
  kind: 'release',
  data: record({
    /** Every place of manufacture, with its address. */
    places: list(text(200, { least: 0, example: 'Harbour Lab, 3 Quay' }), 12),
    statement: choice(['goesAlong', 'notAskedFor']),
  }),
  wants: record({}),
  check: ({ places }) => {
    if (places.length === 0 || places.some((place) => place.trim() === ''))
      throw new DomainError(
        'words-missing',
        'A place of manufacture is missing.',
        'Enter every place where it was made, with its address; take empty lines away.',
        'places',
      )
  },
  words: ({ places, statement }) =>
    saying`made at ${joined(places, '; ')}; statement ${statement === 'goesAlong' ? 'goes along' : 'not asked for here'}`,
  good: () => ({ places: ['Harbour Lab, 3 Quay'], statement: 'goesAlong' as const }),
  refusedExample: () => ({ places: [' '], statement: 'goesAlong' as const }),
})
