import { qty, saying, unfinished } from '../../quantity/index.ts'
import {
  checkSetUpReading,
  compareSetUp,
  inventedSetUpReading,
  setUpReadingShape,
  setUpTolerancesShape,
  usualTolerances,
} from '../../setup/index.ts'
import { type Of, record } from '../../shape/index.ts'
import { type Recorded, sheetKind, sheetOfShape } from '../sheet-kind.ts'
import { prescriptionSheet } from './prescription.ts'

const data = record({ reading: setUpReadingShape, tolerances: setUpTolerancesShape })
const wants = record({ prescriptionOf: sheetOfShape })

/** The measures of a set-up against the prescription that it was made by; none while that is not on record. */
function setUpLines(
  { reading, tolerances }: Of<typeof data>,
  { prescriptionOf }: Of<typeof wants>,
  recorded: Recorded,
) {
  const wanted = recorded(prescriptionOf, prescriptionSheet)
  return wanted ? compareSetUp(wanted.prescription, reading, tolerances) : []
}

/** The set-up measured again, held against the prescription. */
export const setUpSheet = sheetKind({
  kind: 'setUp',
  data,
  wants,
  check: ({ reading }) => checkSetUpReading(reading),
  faults: (entered, sheet, recorded) =>
    setUpLines(entered, sheet, recorded).flatMap(({ verdict, name, say }) =>
      verdict === 'pass' ? [] : [unfinished(saying`${name}: ${say}`)],
    ),
  failing: (entered, sheet, recorded) =>
    setUpLines(entered, sheet, recorded).some(({ verdict }) => verdict === 'ask')
      ? { verdict: 'askDentist', say: 'The set-up cannot be brought to the prescription. How shall it be?' }
      : undefined,
  heldAgainst: ({ prescriptionOf }) => prescriptionOf,
  words: ({ reading }) => {
    const { incisalLevelMillimetres, centreLineMillimetres, pinMillimetres } = reading
    const { right, left } = incisalLevelMillimetres
    return saying`incisal level ${qty.mm(right, 2)} and ${qty.mm(left, 2)}, centre line off the mark ${qty.mm(centreLineMillimetres, 2)}, pin ${qty.mm(pinMillimetres, 2)}`
  },
  good: () => ({ reading: inventedSetUpReading, tolerances: usualTolerances }),
  failingExample: () => ({
    reading: { ...inventedSetUpReading, incisalLevelMillimetres: { right: 20.4, left: 21.4 } },
    tolerances: usualTolerances,
  }),
  refusedExample: () => ({
    reading: { ...inventedSetUpReading, pinMillimetres: 50 },
    tolerances: usualTolerances,
  }),
})
