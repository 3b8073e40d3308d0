export {
  type BalanceLine,
  type DispenserLine,
  type GaugeLine,
  gaugeLine,
  readBalanceLine,
  readDispenserLine,
  readGaugeLine,
  readThermometerLine,
  type ThermometerLine,
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
export {
  FASTEST_KILOPASCALS_PER_SECOND,
  type GaugeSample,
  type PressLimits,
  type PressWord,
  pressWord,
  TOUCHING_KILOPASCALS,
} from './press-guide.ts'
