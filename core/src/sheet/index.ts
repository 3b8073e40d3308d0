export { type EnclosureWay, type EnclosureWent, wayWords } from './kinds/enclosures.ts'
export { pairLines } from './kinds/finished-pair.ts'
export { sheetKinds } from './kinds/index.ts'
export type { PartCount } from './kinds/parts.ts'
export { teethNotRead } from './kinds/places.ts'

export { firstChange, type WantedChange } from './kinds/try-in-answer.ts'
export { type FailingOutcome, type Outcome, outcomeShape } from './outcome.ts'
export {
  checkSheet,
  type DataOfKind,
  goodSheet,
  heldAgainst,
  isGrowing,
  type Judged,
  judgedShape,
  judgeSheet,
  type SheetData,
  type SheetJudgement,
  type SheetKind,
  type SheetOfKind,
  type StepSheet,
  sheetDataShape,
  sheetLeadsTo,
  sheetPeakCelsius,
  sheetWords,
  stepSheetShape,
} from './sheet.ts'
export { type SheetOf, type SheetReader, sheetOfShape } from './sheet-kind.ts'
