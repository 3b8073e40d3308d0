import { saying } from '../../quantity/index.ts'
import { instant, list, record, text } from '../../shape/index.ts'
import { instantMillis } from '../../time/index.ts'
import { sheetKind } from '../sheet-kind.ts'
import { checkParts, partsData, partsWords } from './parts.ts'

/** What leaves for the clinic, and when it is due back. */
export const dispatchSheet = sheetKind({
  kind: 'dispatch',
  data: record({ ...partsData, dueBackAt: instant({ example: '2026-03-04T12:00:00Z' }) }),
  wants: record({ suggested: list(text(120), 60) }),
  check: ({ parts, dueBackAt }) => {
    checkParts(parts)
    instantMillis(dueBackAt, 'dueBackAt')
  },
  words: ({ parts, dueBackAt }) =>
    saying`${partsWords(parts)}; due back ${{ moment: instantMillis(dueBackAt) }}`,
  good: ({ suggested }) => ({
    parts: suggested.map((name) => ({ name, count: 1 })),
    dueBackAt: '2026-03-04T12:00:00.000Z',
  }),
  refusedExample: () => ({ parts: [{ name: 'Denture', count: 1 }], dueBackAt: '2026-02-31T12:00:00Z' }),
})
