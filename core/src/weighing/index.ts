export {
  type BalanceLine,
  type DispenserLine,
  readBalanceLine,
  readDispenserLine,
  weightLine,
} from './device-line.ts'
export {
  type PourGuide,
  type PourTarget,
  type PourWord,
  pourGuide,
  STOP_LAG_MILLIS,
  type WeightSample,
} from './pour-guide.ts'
