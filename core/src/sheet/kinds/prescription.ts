import { qty, saying } from '../../quantity/index.ts'
import { checkPrescription, inventedPrescription, prescriptionShape } from '../../setup/index.ts'
import { record } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

/** What the record block says, before a wax tooth is touched. */
export const prescriptionSheet = sheetKind({
  kind: 'prescription',
  data: record({ prescription: prescriptionShape }),
  wants: record({}),
  check: ({ prescription }) => checkPrescription(prescription),
  words: ({ prescription }) => {
    const { incisalLevelMillimetres, labialFullnessMillimetres, pinMillimetres } = prescription
    return saying`incisal level ${qty.mm(incisalLevelMillimetres, 2)}, fullness ${qty.mm(labialFullnessMillimetres, 2)}, pin ${qty.mm(pinMillimetres, 2)}`
  },
  good: () => ({ prescription: inventedPrescription }),
  refusedExample: () => ({ prescription: { ...inventedPrescription, incisalLevelMillimetres: 215 } }),
})
