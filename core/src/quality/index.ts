export { qualityCalculator } from './calculators.ts'
export { castingCauses } from './casting-faults.ts'
export { type CastingRecord, castingRecord } from './casting-record.ts'
export { type CauseRow, type CauseTable, causeTable, findingsOf, noClearOrder } from './cause-table.ts'
export type { Findings, RankedCause, Standing } from './causes.ts'
export {
  type ChartPoint,
  type ChartSignal,
  type SeriesChart,
  SIGNAL_DAYS,
  seriesCharts,
} from './chart-room.ts'
export {
  type ComparedKind,
  type Comparison,
  comparedKinds,
  comparisons,
  isWorse,
  looksBadByMix,
  mustNotBePeople,
} from './comparisons.ts'
export {
  type CaseRef,
  type CountedRecord,
  countedRecord,
  groupedBy,
  mustBePeriod,
  type Period,
  type QualityInput,
  within,
} from './counted-record.ts'
export { type CaseDigest, DIGEST_VERSION, type FlowPart, flowParts } from './digest.ts'
export {
  hasLimits,
  type Promises,
  type QualityFigures,
  qualityFigures,
  type Remakes,
  type Unknown,
  unknownsOf,
} from './figures.ts'
export { type HandsLost, type LateNow, type Line, type Loss, losses } from './five-lines.ts'
export { checkLabDeed, type LabDeed, type LabEvent, labDeedShape } from './lab-event.ts'
export { learnedTimes, type StepTime } from './learned-times.ts'
export { digestCase } from './make-digest.ts'
export { meltedCharges } from './melted-charges.ts'
export type { LabHours } from './open-hours.ts'
export { processingCauses, processingRecord } from './processing-faults.ts'
export {
  CLINIC_CAUSE,
  faultsWithCauses,
  lastBegun,
  mustBeKnownCause,
  type SeenFault,
  usualCauses,
} from './seen-faults.ts'
export { type QualityTable, qualityTable, qualityTables, type Table } from './tables.ts'
export { type UsedMaterial, usedMaterials } from './used-materials.ts'
export { type JobYield, jobYields, type StepYield } from './yields.ts'
