import { compareBlocks, type Lab, planCrown, schools, type ZonePlan } from '@yentrik/core'
import { expose } from 'comlink'
import { type Attempt, attempt } from '../parts/attempt.ts'
import type { PlanQuestion, ZoneAsked } from './plan-draft.ts'

export interface PlannedZones {
  readonly zones: readonly ZonePlan[]
  /** Which question it answers: a plan is shown beside its own colours alone. */
  readonly of: PlanQuestion
}

export interface BlockQuestion extends PlanQuestion {
  readonly blocks: readonly { readonly name: string; readonly block: Lab }[]
}
/** A block with what the worst of the zones would be on it. */
export interface BlockFound {
  readonly name: string
  readonly block: Lab
  readonly difference: number
  readonly verdict: ZonePlan['verdict']
}

const named = (zones: readonly ZoneAsked[]) =>
  zones.map(({ tooth, zone, block, target }) => ({ name: `${tooth ?? ''} ${zone}`, block, target }))
const options = ({ maxCoats, specular }: PlanQuestion) => ({ maxCoats, specular })

const ceramicWork = {
  plan: (question: PlanQuestion): Attempt<PlannedZones> =>
    attempt(() => ({
      zones: planCrown(named(question.zones), question.pots, options(question)).zones,
      of: question,
    })),

  /** The zone that is furthest off, on every block: the better ones first. */
  blocks: (question: BlockQuestion): Attempt<readonly BlockFound[]> =>
    attempt(() => {
      const worst = question.zones[0]!
      return compareBlocks(question.blocks, worst.target, question.pots, options(question)).map((plan) => ({
        name: plan.zone,
        block: question.blocks.find(({ name }) => name === plan.zone)!.block,
        difference: plan.difference,
        verdict: plan.verdict,
      }))
    }),

  /** What one firing and two may end at, over all zones. */
  schools: ({ zones, plan, pots, specular }: PlanQuestion & { readonly plan: readonly ZonePlan[] }) =>
    attempt(() =>
      zones
        .map((zone, n) => schools({ ...zone, coats: plan[n]?.coats ?? [] }, pots, specular))
        .reduce((most, { one, two }) => ({ one: Math.max(most.one, one), two: Math.max(most.two, two) }), {
          one: 0,
          two: 0,
        }),
    ),
}
export type CeramicWork = typeof ceramicWork
expose(ceramicWork)
