export { type BenchEntry, type BenchList, benchList, type MachineEnd } from './bench-list.ts'
export { type BenchItem, type CaseStatus, type CaseSummary, caseSummary } from './case-summary.ts'
