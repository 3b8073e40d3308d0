import { qty, saying } from '../../quantity/index.ts'
import { inventedSetUp, planSetUp, setUpEntryShape } from '../../setup/index.ts'
import { record } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

/** The rim, the ridge and the teeth that a set-up is planned from. */
export const setUpPlanSheet = sheetKind({
  kind: 'setUpPlan',
  data: record({ setUpEntry: setUpEntryShape }),
  wants: record({}),
  check: ({ setUpEntry }) => {
    planSetUp(setUpEntry)
  },
  words: ({ setUpEntry }) => {
    const { spareMillimetres, rim } = planSetUp(setUpEntry)
    const spare = spareMillimetres.right + spareMillimetres.left
    return saying`${setUpEntry.toothSet.name}, ${qty.mm(spare, 2)} to spare, rim within ${qty.mm(rim.rmsMillimetres, 2)} of its arch`
  },
  good: () => ({ setUpEntry: inventedSetUp }),
  refusedExample: () => ({ setUpEntry: { ...inventedSetUp, rim: [] } }),
})
