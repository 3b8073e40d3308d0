export { castingCauses, type RankedCause, type Standing } from './casting-faults.ts'
export { type CastingRecord, castingRecord } from './casting-record.ts'
export { type MeltedCharge, meltedCharges } from './melted-charges.ts'
