export { type BoardBar, type PlanBoard, type PlannedStepTime, planBoard, stepKey } from './board.ts'
export { caseToCome, NOT_YET } from './case-to-come.ts'
export { labHours, personHours } from './lab-hours.ts'
export {
  type LabInstance,
  type LabToPlan,
  type LiveCase,
  labInstance,
  type RunningWork,
  type TaskOfCase,
} from './lab-instance.ts'
export { type DeskAnswer, type DeskAsk, type DeskPlan, PlanDesk } from './plan-desk.ts'
export {
  checkPlanPerson,
  type Holidays,
  holidaysShape,
  noPlanSettings,
  ownMinutesListShape,
  type Pin,
  type PlanPerson,
  type PlanSettings,
  type Priority,
  pinShape,
  planPersonShape,
  priorities,
  priorityNames,
  usualPerson,
  type WeekHours,
} from './settings.ts'
export { type RunningIn, type Task, type TaskPart, taskName } from './task.ts'
export { type EndThen, supposed, type TriedOut, tryOut, type WhatIf } from './what-if.ts'
