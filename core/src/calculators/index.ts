import { alloyCalculator, burnoutCalculator, expansionCalculator, sprueCalculator } from '../casting/index.ts'
import { cureCalculator } from '../curing/index.ts'
import {
  amountCalculator,
  gypsumCalculator,
  mixCalculator,
  mixCorrectionCalculator,
} from '../mixing/index.ts'
import { articulatorCalculator } from '../mounting/index.ts'
import { setUpCalculator } from '../setup/index.ts'
import type { Calculator } from '../shape/index.ts'
import { trimCalculator } from '../trimming/index.ts'

/** Every calculator that other programs may ask as well. */
export const calculators = [
  mixCalculator,
  mixCorrectionCalculator,
  amountCalculator,
  gypsumCalculator,
  trimCalculator,
  articulatorCalculator,
  setUpCalculator,
  alloyCalculator,
  expansionCalculator,
  sprueCalculator,
  burnoutCalculator,
  cureCalculator,
] as unknown as readonly Calculator[]
