export {
  type BenchContents,
  type BenchEntry,
  type BenchList,
  benchContents,
  benchList,
  benchWithCase,
  isPlannedTooLate,
  type MachineEnd,
  type PlannedWork,
  type PlannedWorkOf,
} from './bench-list.ts'
export { type CaseStatus, type CaseSummary, caseSummary } from './case-summary.ts'
