import { backupRoutes } from './backups.ts'
import { benchRoutes } from './bench.ts'
import { caseRoutes } from './cases.ts'
import { labRoutes } from './lab.ts'
import { machineRoutes } from './machines.ts'
import { networkRoutes } from './network.ts'
import { peopleRoutes } from './people.ts'
import { planningRoutes } from './planning.ts'
import { practiceRoutes } from './practice.ts'
import { problemRoutes } from './problem.ts'
import { qualityRoutes } from './quality.ts'
import type { AnswerOf, BodyOf, Declared, QueryOf } from './route.ts'
import { shelfRoutes } from './shelf.ts'

/**
 * Everything that goes over HTTP but the calculators, which declare themselves in the core, and the live stream. By method and
 * address under /api.
 */
export const routes = {
  ...peopleRoutes,
  ...networkRoutes,
  ...caseRoutes,
  ...benchRoutes,
  ...shelfRoutes,
  ...machineRoutes,
  ...labRoutes,
  ...planningRoutes,
  ...practiceRoutes,
  ...qualityRoutes,
  ...backupRoutes,
  ...problemRoutes,
}
type Routes = typeof routes
export type RouteKey = keyof Routes
export type Answer<K extends RouteKey> = AnswerOf<Routes[K]>
export type Body<K extends RouteKey> = BodyOf<Routes[K]>
export type Query<K extends RouteKey> = QueryOf<Routes[K]>
/** Whether a route answers without a session. */
export type IsOpen<K extends RouteKey> =
  Routes[K] extends Declared<infer _B, infer _Q, infer _A, infer O> ? O : never

/** The names in an address that stand for something: `/cases/:caseId` has `caseId`. */
export type PathNames<K extends string> = K extends `${string}:${infer Name}/${infer Rest}`
  ? Name | PathNames<Rest>
  : K extends `${string}:${infer Name}`
    ? Name
    : never
export type PathOf<K extends string> = Readonly<Record<PathNames<K>, string>>

export type { BackupState } from './backups.ts'
export type { Bench, InstrumentUse } from './bench.ts'
export {
  type CaseDocument,
  type CaseRecord,
  type Chain,
  caseDocumentShape,
  MOST_DOCUMENT_EVENTS,
} from './cases.ts'
export type { LabSettings } from './lab.ts'
export type { LiveChange, LiveEvents } from './live.ts'
export type {
  ClockJump,
  ClockReading,
  DevicesState,
  MachineLoad,
  MachineRunShown,
  MixClock,
} from './machines.ts'
export type { NetworkState } from './network.ts'
export type { Person, PersonOnList, Session, SessionOnList } from './people.ts'
export type {
  CasePlan,
  PlanAdvice,
  PlanBar,
  PlanBlocker,
  PlanCase,
  PlanCause,
  PlanChainLink,
  PlanDocument,
  PlanFeed,
  PlanLate,
  PlanLoad,
  PlanRow,
  PlanShown,
  PlanTonight,
  Promised,
} from './planning.ts'
export type {
  DrillDone,
  DrillStanding,
  MetShown,
  PracticeCase,
  PracticeDebrief,
  PracticeRoom,
  PracticeShort,
  PracticeStanding,
  PracticeStep,
} from './practice.ts'
export type { ExplainedRefusal, Problem } from './problem.ts'
export type { ChartShown, FaultFindings, QualityShown } from './quality.ts'
export { type Declared, USUAL_MOST } from './route.ts'
export type { AlloyPieceOnShelf, CaseOfLot, Lot, LotOnShelf, ProductOnShelf } from './shelf.ts'
