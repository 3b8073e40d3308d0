export { BOUND_WATER_GRAMS_PER_GRAM } from './gypsum-water.ts'

import { alloyMaterials } from './alloy-cards.ts'
import { benchCards, investmentCards } from './bench-cards.ts'
import { ceramicCards } from './ceramic-cards.ts'
import { gypsumCards } from './gypsum-cards.ts'
import { materialShelf } from './material-card.ts'
import { otherCards } from './other-cards.ts'

/** Every shipped material card by its id, checked when the core is loaded. */
export const materials = materialShelf([
  ...gypsumCards,
  ...investmentCards,
  ...alloyMaterials,
  ...otherCards,
  ...benchCards,
  ...ceramicCards,
])

export { blockOf } from './ceramic-cards.ts'
export { type CeramicClass, type CeramicFigures, ceramicClasses, ceramicFigures } from './ceramic-class.ts'
export {
  agentNames,
  type DisinfectingAgent,
  disinfectantFaults,
  disinfectingAgents,
  LONGEST_CONTACT_MINUTES,
} from './disinfectant.ts'
export { type LabProduct, productCard, productFaults, productFlags, productShape } from './lab-product.ts'
export {
  type AlloyFigures,
  type Binder,
  binders,
  COMMON_PRACTICE,
  type ExpansionPoint,
  type MassMeasure,
  type MaterialCard,
  type MaterialClock,
  type MaterialFamily,
  type PartsMeasure,
  type Source,
  type ThermalPoint,
} from './material-card.ts'
export {
  LOOSE_POLYMER_GRAMS_PER_ML,
  MONOMER_GRAMS_PER_CM3,
  POLYMER_GRAMS_PER_CM3,
  USUAL_WAX_GRAMS_PER_CM3,
} from './other-cards.ts'
export { gaugeMillimetres } from './wire-gauge.ts'
