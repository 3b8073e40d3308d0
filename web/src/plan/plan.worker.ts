import { type Plan, type PlanInstance, type TriedOut, tryOut, type WhatIf } from '@yentrik/core'
import { expose } from 'comlink'
import { type Attempt, attempt } from '../parts/attempt.ts'

export interface WhatIfQuestion {
  readonly instance: PlanInstance
  readonly plan: Plan
  readonly what: WhatIf
}

const planWork = {
  tryOut: ({ instance, plan, what }: WhatIfQuestion): Attempt<TriedOut> =>
    attempt(() => tryOut(instance, plan, what)),
}
export type PlanWork = typeof planWork
expose(planWork)
