import { stillToSet } from '../../setup/index.ts'
import { list, record, whole } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

const tooth = whole(11, 85, { example: 21 })

/** Teeth that are set, ISO 3950, in the order in which they were. */
export const teethSetSheet = sheetKind({
  kind: 'teethSet',
  data: record({ teeth: list(tooth, 32) }),
  wants: record({ order: list(tooth, 32) }),
  check: ({ teeth }, { order }) => {
    stillToSet(order, teeth)
  },
  faults: ({ teeth }, { order }) => {
    const left = stillToSet(order, teeth)
    return left.length > 0 ? [`Not set yet: ${left.join(', ')}`] : []
  },
  growing: true,
  words: ({ teeth }) => teeth.join(', ') || 'none',
  good: ({ order }) => ({ teeth: order }),
  failingExample: ({ order }) => ({ teeth: order.slice(1) }),
  refusedExample: ({ order }) => ({ teeth: [...order, order[0]!] }),
})
