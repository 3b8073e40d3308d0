import type { RouteTemplate } from '../route-template.ts'
import { articulatorMounting } from './articulator-mounting.ts'
import { completeDenture } from './complete-denture.ts'
import { implantVerification } from './implant-verification.ts'
import { studyCast } from './study-cast.ts'
import { studyModelPair } from './study-model-pair.ts'

/** Every shipped route template by its id. A new job is a new file here. */
export const routeTemplates: ReadonlyMap<string, RouteTemplate> = new Map(
  [studyCast, studyModelPair, implantVerification, articulatorMounting, completeDenture].map((template) => [
    template.id,
    template,
  ]),
)
