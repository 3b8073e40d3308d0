import { castingCalculators } from '../casting/index.ts'
import { ceramicCalculators } from '../ceramic/index.ts'
import { colourCalculators } from '../colour/index.ts'
import { cureCalculator } from '../curing/index.ts'
import { mixingCalculators } from '../mixing/index.ts'
import { articulatorCalculator } from '../mounting/index.ts'
import { planCalculators } from '../planning/index.ts'
import { qualityCalculator } from '../quality/index.ts'
import { setUpCalculator } from '../setup/index.ts'
import type { Calculator } from '../shape/index.ts'
import { surveyCalculators } from '../survey/index.ts'
import { trimCalculator } from '../trimming/index.ts'

/** Every calculator that other programs may ask as well. */
export const calculators = [
  ...mixingCalculators,
  trimCalculator,
  articulatorCalculator,
  setUpCalculator,
  ...castingCalculators,
  cureCalculator,
  ...surveyCalculators,
  ...colourCalculators,
  ...ceramicCalculators,
  ...planCalculators,
  qualityCalculator,
] as unknown as readonly Calculator[]
