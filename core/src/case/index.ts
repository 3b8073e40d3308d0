export { type Card, cardOf, doneOnCard, onTo, restOfCard } from './card.ts'
export { carefulWork, sheetOfOrder } from './careful-work.ts'
export { type CaseCommand, commandShape } from './case-command.ts'
export {
  type CaseEvent,
  type CaseEventData,
  type CaseMark,
  caseMarks,
  type DentistDecision,
  type EventOfType,
  eventShape,
} from './case-event.ts'
export {
  applyStanding,
  caseState,
  isDelivered,
  type RouteLookup,
  reopenedSteps,
  standing,
  withdrawals,
} from './case-state.ts'
export { goingsBack, isRemake, remakesToExplain, type SentBack } from './cause-found.ts'
export { chained, type EventHash, hasLinks, looseLink } from './chain.ts'
export { sheetsOfStock } from './correct.ts'
export { decide, refusalOf } from './decide.ts'
export {
  causeNames,
  causeWords,
  commandWords,
  decisionWords,
  type EventReader,
  eventWords,
  mixWords,
  personOn,
  readingWords,
  stepIn,
} from './event-words.ts'
export { impressionClocks, pouredBy } from './impressions.ts'
export {
  checksMeaning,
  currentStep,
  currentSteps,
  failingChecks,
  failingSheets,
  lastSheetOf,
  minutesBetween,
  openChecks,
  readingsMeaning,
  recordedSheet,
  sheetsWanted,
  stepMeaning,
  stepMinutes,
  stepOf,
  stepOfSheet,
} from './job.ts'
export { attemptOf, type KeptCommand, renumbered, withKept } from './kept-command.ts'
export { type Overruled, overruled, overruledWords } from './overruled.ts'
export {
  type CauseFound,
  type CauseHow,
  causeHow,
  deeds,
  rightOfCommand,
  type WorkAuthorisation,
} from './payloads.ts'
export { amountsIn, leavingOut, rebasesIn, whyNotLeftOut } from './planned.ts'
export {
  RETURN_USUAL_DAYS,
  type ReturnCause,
  returnCauseIds,
  returnCauses,
  usualReturnStep,
} from './return-causes.ts'
export { standingMixes } from './standing-mixes.ts'
export type { CaseState, JobState } from './state.ts'
export {
  finishedAt,
  freshStep,
  isSettled,
  metMillis,
  type Reading,
  type StepMix,
  type StepState,
  startedAt,
} from './step-state.ts'
export { stepWindow } from './step-window.ts'
export { type Returned, returnedSteps, returnParts, takeBack } from './take-back.ts'
export { wantedChanges } from './wanted-changes.ts'
export { type StepWindow, type WindowVerdict, windowByMachine, windowVerdict } from './window-verdict.ts'
export {
  follow,
  type Intake,
  intakeParts,
  namedRoutes,
  obey,
  type RouteSource,
  receiveCase,
  stampAfter,
  type WorkingCase,
  workingCase,
} from './working-case.ts'
