export { type Advice, advice, type Change, changed } from './advice.ts'
export { type LatestLoad, latestLoad } from './backward.ts'
export { costBound } from './bounds.ts'
export { planCalculators } from './calculators.ts'
export { checkInstance } from './check-instance.ts'
export { checkPlan, type PlanFault, planFaultCodes, planWorth } from './check-plan.ts'
export { chanceBy, type Doubt, endAt, type Spread, simulate, usualSpread } from './doubt.ts'
export { type Blocker, type ChainLink, explain, type GapCause } from './explain.ts'
export type { JobShop } from './job-shop/graph.ts'
export { type JobShopPlan, JobShopSearch } from './job-shop/search.ts'
export {
  type LabCalendar,
  latestStart,
  localClock,
  localDay,
  mondayBefore,
  openingsBetween,
  startOfMonth,
  usualCalendar,
  type WorkStretch,
} from './lab-calendar.ts'
export { type Network, network } from './network.ts'
export { type Stretch, without } from './open-time.ts'
export { nightLoads, type OvernightLoad } from './overnight.ts'
export {
  isBetter,
  type Plan,
  type PlanHold,
  type PlanInstance,
  type PlanLink,
  type PlannedStep,
  type PlanStep,
  type PlanWorth,
  planInstanceShape,
} from './plan-shape.ts'
export { PlanSearch, type SearchOptions } from './search.ts'
export { afterWorkingDays } from './working-days.ts'
export { type Skill, type Station, skillNames, skills, stationNames, stations } from './workshop.ts'
