import { qty, saying } from '../../quantity/index.ts'
import { record } from '../../shape/index.ts'
import { inventedPair, pairEntryShape, planPair } from '../../trimming/index.ts'
import { sheetKind } from '../sheet-kind.ts'

/** What was marked and measured on a pair of study models; the plan follows from it. */
export const trimPlanSheet = sheetKind({
  kind: 'trimPlan',
  data: record({ entry: pairEntryShape }),
  wants: record({}),
  check: ({ entry }) => {
    planPair(entry)
  },
  words: ({ entry }) => {
    const { upper, lower } = planPair(entry)
    const side = ({ plan }: typeof upper) => qty.degrees(plan.sideAngleDegrees, 1)
    return saying`sides upper ${side(upper)}, lower ${side(lower)}`
  },
  good: () => ({ entry: inventedPair }),
  refusedExample: () => ({
    entry: {
      ...inventedPair,
      upper: { ...inventedPair.upper, landmarks: { ...inventedPair.upper.landmarks, midline: [] } },
    },
  }),
})
