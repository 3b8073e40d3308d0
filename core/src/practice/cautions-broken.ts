import type { CaseEvent } from '../case/index.ts'
import { type Saying, saying } from '../quantity/index.ts'
import type { RouteStep } from '../route/index.ts'

/** What hurts when it is opened, taken or touched before its time. */
const notBeforeTime: Readonly<Partial<Record<NonNullable<RouteStep['cautions']>[number], string>>> = {
  pressurePot: 'the pot was opened under pressure',
  hotFlask: 'a hot flask was opened',
  hotRing: 'a hot ring was taken in hand',
  hotKiln: 'it was taken out of a hot kiln',
  boilingWater: 'hands went into boiling water',
  disinfectant: 'it was handled before it was disinfected',
}

/** A caution that an event has broken, in words; undefined: none. */
export function isBrokenCaution(step: RouteStep, event: CaseEvent): Saying | undefined {
  if (event.type !== 'stepFinished' || event.outOfTime !== 'tooSoon') return undefined
  const broken = step.cautions?.find((caution) => notBeforeTime[caution] !== undefined)
  return broken && saying`${step.name}: ${notBeforeTime[broken]!}.`
}
