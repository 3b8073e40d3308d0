export {
  type BenchContents,
  type BenchEntry,
  type BenchList,
  type BenchWork,
  benchContents,
  benchList,
  benchWithCase,
  type MachineEnd,
} from './bench-list.ts'
export { type BenchItem, type CaseStatus, type CaseSummary, caseSummary } from './case-summary.ts'
