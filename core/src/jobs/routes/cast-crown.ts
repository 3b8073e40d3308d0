import type { RouteTemplate, TemplateStep } from '../../route/index.ts'
import { castHere, investmentMatter, kindMatter, metalMatter } from '../casting-matters.ts'
import { castingSteps } from '../casting-steps.ts'
import { arrives, dieCast } from '../die-cast.ts'
import { disinfectArrival, readAuthorisation } from '../door.ts'
import { diePictures, shows } from '../pictures.ts'
import { mixingMatter } from '../pour-steps.ts'
import { occlusalSteps, sentOut } from '../wax-chewing-steps.ts'
import { dieSteps, layerSteps, patternMatter } from '../wax-pattern-steps.ts'

/** One crown, from the impression or its trimmed die to the casting that fits it, or to its pattern (common practice throughout). */
export const castCrown: RouteTemplate = {
  id: 'cast-crown',
  version: 8,
  name: 'Cast crown',
  usualDays: 3,
  teeth: { least: 1, say: 'Enter the tooth that is crowned.' },
  pictures: diePictures('crown', shows('crown', ['metal'])),
  matters: [arrives, mixingMatter, castHere, kindMatter, metalMatter, investmentMatter, patternMatter('wax')],
  steps: eachTooth([
    readAuthorisation,
    disinfectArrival('Impression, casts, dies, bite record.'),
    ...dieCast,
    ...dieSteps,
    ...layerSteps([
      { name: 'Functional cusp', place: 'functionalCusp' },
      { name: 'Other cusp', place: 'otherCusp' },
      { name: 'Fossa', place: 'fossa' },
      { name: 'Buccal wall', place: 'axial' },
    ]),
    ...occlusalSteps,
    // One crown is no framework: the alloy decides how much of it may be melted again.
    ...castingSteps(100),
    ...sentOut,
  ]),
}

/** Single crowns have no pontic between them: what a bridge looks at on its retainers is looked at on each. */
function eachTooth(steps: readonly TemplateStep[]): readonly TemplateStep[] {
  return steps.map((step) =>
    step.checks
      ? {
          ...step,
          checks: step.checks.map((check) => (check.perTooth ? { ...check, perTooth: 'each' } : check)),
        }
      : step,
  )
}
