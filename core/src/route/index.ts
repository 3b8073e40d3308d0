export {
  type Amount,
  type AmountKind,
  type AmountOf,
  checkMix,
  goodMix,
  lotShares,
  type MixFigure,
  type RecordedMix,
  ratioVerdict,
  recordedMix,
  wantedFigures,
} from './amounts.ts'
export { ARCH_MATTER } from './arch-matter.ts'
export { buildRoute, choicesBeside, fittingChoices } from './build-route.ts'
export { CAUTION_RULE, type CautionId, cautions } from './cautions.ts'
export {
  type Check,
  type CheckKind,
  type CheckOf,
  type CheckReading,
  checkOutcomes,
  goodReading,
  type ReadBy,
  readingOutcome,
  takeReading,
  teethOf,
} from './checks.ts'
export { cautionsOf, type Hazard } from './hazards.ts'
export {
  type Impression,
  type ImpressionMaterial,
  impressionKeeping,
  impressionMaterials,
  impressionsShape,
  type PouredImpression,
} from './impressions.ts'
export type { CheckMeaning, StepMeaning } from './meanings.ts'
export { mustHaveTeeth } from './needed-teeth.ts'
export { type Drawing, drawings, type Picture } from './pictures.ts'
export type { PlanFacts } from './plan-facts.ts'
export { planFactsOf, stageFacts } from './planned-steps.ts'
export { readRoute } from './read-route.ts'
export { routeFaults, routeShelf } from './route-faults.ts'
export {
  type Conditional,
  type Instrument,
  instruments,
  type MachineKind,
  type Matter,
  machineKinds,
  type OfMix,
  type Route,
  type RouteStep,
  type RouteTemplate,
  routeShape,
  type Stage,
  type StepKind,
  stages,
  type TemplateStep,
  type WaitWindow,
} from './route-template.ts'
