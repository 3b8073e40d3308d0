import { figure, type Of, record } from '../shape/index.ts'

/** How a front tooth stands. */
const stanceShape = record({
  /** Neck towards the distal of the edge, degrees from upright. */
  mesiodistalDegrees: figure(-360, 360, { example: 2 }),
  /** Neck towards the ridge from the edge, degrees from upright. */
  labialDegrees: figure(-360, 360, { example: 8 }),
  /** Edge short of the incisal level, mm; beyond it below 0. */
  shortMillimetres: figure(-100, 100, { example: 0 }),
})
export type AnteriorStance = Of<typeof stanceShape>
export const stancesShape = record({ central: stanceShape, lateral: stanceShape, canine: stanceShape })
export type Stances = Of<typeof stancesShape>

/**
 * Central: at the level, neck nearer the ridge than the edge; lateral: neck further in, more slanted; canine: upright.
 * Source: common practice; the figures our choice, all editable.
 */
export const usualStances: Stances = {
  central: { mesiodistalDegrees: 2, labialDegrees: 8, shortMillimetres: 0 },
  lateral: { mesiodistalDegrees: 6, labialDegrees: 12, shortMillimetres: 0.5 },
  canine: { mesiodistalDegrees: 3, labialDegrees: 0, shortMillimetres: 0 },
}
/** Against natural lowers, edge to edge, the canine's tip comes a little lower (common practice; figure our choice). */
export const CANINE_BEYOND_MILLIMETRES = 0.5
