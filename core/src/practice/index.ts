export { act as practise, playedOn } from './act.ts'
export { beginPractice, knownKinds } from './begin.ts'
export {
  actsBefore,
  type Debrief,
  type DebriefBar,
  type DebriefStep,
  debriefOf,
  hintOf,
} from './debrief.ts'
export { type Defect, type Origin, origins, type ShownAt } from './defect.ts'
export {
  type BathTask,
  bestCharge,
  bestNight,
  type ChargeTask,
  type DrillAnswer,
  type DrillId,
  type DrillResult,
  type DrillTask,
  drillAnswerShape,
  drillIds,
  drills,
  LATERAL_HIGHER_MILLIMETRES,
  MOST_OLD_SHARE,
  type NightTask,
  nightOf,
  type PourTask,
  pouredGrams,
  type ReadTask,
  type ScratchTask,
  type SetTask,
  type ShadeTask,
  type SprueTask,
  scoreDrill,
  setWays,
  shadeOf,
  sprueGauges,
  type TrimTask,
} from './drills/index.ts'
export { expert as practiceExpert, type Player, parOf, playOut } from './expert.ts'
export { type Fault, faultsOf, gravity } from './faults.ts'
export { betaDraw, chanceToFind, kindsToPractise, type MetKind } from './focus.ts'
export { isThere } from './judge-entry.ts'
export {
  ADJUST_MINUTES,
  type Level,
  levelNames,
  levelRules,
  levels as practiceLevels,
  type Means,
  means as lookMeans,
  meansCards,
} from './levels.ts'
export { flaskCelsius, ridgeMillimetres } from './model-readings.ts'
export { type InstrumentToRead, passingRange, type Scale, scaleOf, trueValue } from './readings.ts'
export {
  type Dealt,
  dealt,
  SCORE_WEIGHTS,
  type Score,
  type ScoreParts,
  scoreOf,
  type Tally,
  tallyOf,
} from './score.ts'
export type { Seen, SeenByLook, SeenForSheet, SeenOnScale, Spot } from './seen.ts'
export { sentenceOf, show as showCheck, showAll } from './show.ts'
export { type Sensitivity, sensitivity } from './signal.ts'
export { type CheckSigns, type Sign, signsOf } from './signs/index.ts'
export {
  type Decision,
  LARGEST_SEED,
  minuteOf,
  PRACTICE_JOB,
  PRACTICE_VERSION,
  type PracticeAct,
  type PracticeSetup,
  practiceActShape,
  practiceSetupShape,
  type World,
} from './truth.ts'
