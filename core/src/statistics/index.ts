export { type CauseHits, causeHits, causeWeights, LEAST_FINDINGS } from './cause-weights.ts'
export {
  CHANCE_ONE_IN,
  type Chart,
  type ChartRule,
  chartRules,
  controlChart,
  DOTS_BELOW,
  FROZEN_AT,
} from './control-chart.ts'
export { normalQuantile, sumOf } from './distributions.ts'
export type { Counted } from './entered.ts'
export {
  LEAST_TIMES,
  type Learned,
  learnedTime,
  movedTime,
  ownTau,
} from './learned-time.ts'
export { LEAST_FOR_HOURS, type LostHours, lostHours } from './lost-hours.ts'
export { type Calibration, calibration, LEAST_PROMISES } from './promises.ts'
export { chanceAtRate, gapLimit, LEAST_RARE_EVENTS, medianGap, type Rare, rareEvents } from './rare-events.ts'
export {
  type Difference,
  differenceOf,
  exactHigh,
  type Interval,
  LEAST_FOR_PERCENT,
  type Rolled,
  rolledYield,
  type Share,
  shareOf,
} from './rates.ts'
export {
  type Compared,
  compareGroups,
  falseDiscovery,
  type SignWord,
  type Stratum,
  signWord,
} from './same-or-different.ts'
