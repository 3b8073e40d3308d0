export {
  type BalanceLine,
  colourLine,
  type GaugeLine,
  gaugeLine,
  readBalanceLine,
  readDispenserLine,
  readGaugeLine,
  readSpectrophotometerLine,
  readThermometerLine,
  weightLine,
} from './device-line.ts'
export { type PourGuide, type PourWord, pourGuide, type WeightSample } from './pour-guide.ts'
export {
  type GaugeSample,
  type PressLimits,
  type PressWord,
  pressWord,
  TOUCHING_KILOPASCALS,
} from './press-guide.ts'
