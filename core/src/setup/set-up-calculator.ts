import { calculator } from '../shape/index.ts'
import { inventedSetUp } from './invented-set-up.ts'
import { planSetUp, setUpEntryShape } from './set-up-plan.ts'

export const setUpCalculator = calculator({
  name: 'set-up',
  summary: 'Where every tooth goes, from the rim, the ridge and a set of teeth',
  input: setUpEntryShape,
  example: inventedSetUp,
  answer: planSetUp,
})
