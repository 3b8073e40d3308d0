import type { RouteTemplate } from '../route-template.ts'
import { castHere, castingSteps, investmentMatter } from './casting-steps.ts'
import { disinfectArrival, readAuthorisation } from './door.ts'
import { dieSteps, layerSteps, occlusalSteps, sentOut } from './wax-pattern-steps.ts'

/** One crown, from its trimmed die to the casting that fits it, or to its pattern (common practice throughout). */
export const castCrown: RouteTemplate = {
  id: 'cast-crown',
  version: 2,
  name: 'Cast crown',
  matters: [castHere, investmentMatter],
  steps: [
    readAuthorisation,
    disinfectArrival('Casts, dies, bite record.'),
    ...dieSteps,
    ...layerSteps([
      { name: 'Functional cusp', place: 'functionalCusp' },
      { name: 'Other cusp', place: 'otherCusp' },
      { name: 'Fossa', place: 'fossa' },
      { name: 'Buccal wall', place: 'axial' },
    ]),
    ...occlusalSteps,
    ...castingSteps,
    ...sentOut,
  ],
}
