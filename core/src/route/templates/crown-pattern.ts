import type { RouteTemplate } from '../route-template.ts'
import { disinfectArrival, readAuthorisation } from './door.ts'
import { dieSteps, layerSteps, occlusalSteps } from './wax-pattern-steps.ts'

/** The wax pattern of one crown, from its trimmed die to investing (common practice throughout). */
export const crownPattern: RouteTemplate = {
  id: 'crown-pattern',
  version: 1,
  name: 'Crown pattern',
  matters: [],
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
  ],
}
