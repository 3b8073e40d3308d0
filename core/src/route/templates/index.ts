import type { RouteTemplate } from '../route-template.ts'
import { completeDenture } from './complete-denture.ts'
import { studyCast } from './study-cast.ts'

/** Every shipped route template by its id. A new job is a new file here. */
export const routeTemplates: ReadonlyMap<string, RouteTemplate> = new Map(
  [studyCast, completeDenture].map((template) => [template.id, template]),
)
