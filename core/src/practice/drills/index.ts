import { byTag, type Of, type Shape } from '../../shape/index.ts'
import { bath } from './bath.ts'
import { charge } from './charge.ts'
import type { DrillModule, DrillResult } from './drill.ts'
import { grind } from './grind.ts'
import { night } from './night.ts'
import { pour } from './pour.ts'
import { read } from './read.ts'
import { scratch } from './scratch.ts'
import { set } from './set.ts'
import { shade } from './shade.ts'
import { sprue } from './sprue.ts'
import { trim } from './trim.ts'

export type { BathTask } from './bath.ts'
export { bestCharge, type ChargeTask, MOST_OLD_SHARE } from './charge.ts'
export type { DrillResult } from './drill.ts'
export { bestNight, type NightTask, nightOf } from './night.ts'
export { type PourTask, pouredGrams } from './pour.ts'
export type { ReadTask } from './read.ts'
export type { ScratchTask } from './scratch.ts'
export { LATERAL_HIGHER_MILLIMETRES, type SetTask, setWays } from './set.ts'
export { type ShadeTask, shadeOf } from './shade.ts'
export { type SprueTask, sprueGauges } from './sprue.ts'
export type { TrimTask } from './trim.ts'

/** Every drill, in the order of the work. */
export const drills = { pour, read, trim, set, sprue, charge, bath, grind, scratch, shade, night }
type Drills = typeof drills
export type DrillId = keyof Drills
export const drillIds = Object.keys(drills) as readonly DrillId[]

export type DrillTask<D extends DrillId> = ReturnType<Drills[D]['task']>
export type DrillAnswer = { [D in DrillId]: { readonly drill: D } & Of<Drills[D]['answer']> }[DrillId]
/** What HTTP takes for an answer. */
export const drillAnswerShape = byTag(
  'drill',
  Object.fromEntries(drillIds.map((id) => [id, drills[id].answer])) as {
    [D in DrillId]: Drills[D]['answer']
  },
)

/** What an answer to the task of a seed is worth. */
export function scoreDrill(seed: number, answer: DrillAnswer): DrillResult {
  const { task, score } = drills[answer.drill] as unknown as DrillModule<unknown, Shape>
  return score(task(seed), answer as never, seed)
}
