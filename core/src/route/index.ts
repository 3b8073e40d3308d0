export { buildRoute } from './build-route.ts'
export { type CaseAtHand, type Intake, obey, receiveCase } from './case-at-hand.ts'
export type { CaseCommand, CommandContext } from './case-command.ts'
export type {
  CaseEvent,
  CaseEventData,
  DentistDecision,
  EventStamp,
  ReceivedJob,
  RecordedMix,
  WorkAuthorisation,
} from './case-event.ts'
export {
  applyEvent,
  type CaseState,
  caseState,
  type DentistQuestion,
  failingChecks,
  failingSheets,
  isDelivered,
  isSettled,
  type JobState,
  openChecks,
  type Reading,
  type RecordedSheet,
  type RouteLookup,
  readingOutcome,
  recordedSheet,
  reopenedSteps,
  type StepMix,
  type StepState,
  type StepStatus,
  stepOf,
  stepsInHand,
} from './case-state.ts'
export { CAUTION_RULE, type CautionId, cautions } from './cautions.ts'
export { decide, refusalOf, stepInHand } from './decide.ts'
export { goodHand, seededRandom } from './good-hand.ts'
export { inventedPair, inventedPrescription, inventedSetUp } from './good-sheet.ts'
export { routeFaults } from './route-faults.ts'
export {
  type Amount,
  ARCH_MATTER,
  type Check,
  type Matter,
  type MeasureCheck,
  type ObserveCheck,
  type Outcome,
  type Route,
  type RouteStep,
  type RouteTemplate,
  type Stage,
  type StepKind,
  stages,
} from './route-template.ts'
export {
  checkSheet,
  firstChange,
  judgeSheet,
  pairLines,
  type SheetJudgement,
  setUpLines,
} from './sheet-rules.ts'
export type {
  ChangeOffer,
  DataOfKind,
  PartCount,
  PlaceReading,
  SheetData,
  SheetKind,
  SheetOf,
  SheetOfKind,
  StepSheet,
  WantedChange,
} from './step-sheet.ts'
export {
  type StepWindow,
  stepWindow,
  type WindowVerdict,
  windowByMachine,
  windowVerdict,
} from './step-window.ts'
export { routeTemplates } from './templates/index.ts'
export { wantedChanges } from './wanted-changes.ts'
