import {
  type Advice,
  advice,
  type ChainLink,
  chanceBy,
  endAt,
  explain,
  latestLoad,
  type Network,
  network,
  nightLoads,
  type OvernightLoad,
  type Plan,
  type PlanInstance,
  PlanSearch,
  type PlanWorth,
  simulate,
} from '../planning/index.ts'

/** Late cases whose reasons are told; and those for which a way out is tried. */
const MOST_EXPLAINED = 12
const MOST_ADVISED = 3
const RUNS = 100

/** What the desk is asked. It works in a thread or a worker of its own, so everything is plain data. */
export type DeskAsk =
  | {
      readonly kind: 'plan'
      readonly turn: number
      readonly instance: PlanInstance
      readonly from?: Plan
      readonly seed: number
      readonly rounds: number
      /** When the lab closes and opens again. */
      readonly night: readonly [number, number]
    }
  | {
      readonly kind: 'promise'
      readonly ask: number
      readonly instance: PlanInstance
      readonly caseId: string
      readonly dueMinute?: number
    }
  | {
      readonly kind: 'load'
      readonly ask: number
      readonly programStep: string
      readonly outByMinute: number
    }

type AskedPlan = Extract<DeskAsk, { kind: 'plan' }>

export interface DeskPlan {
  readonly kind: 'plan'
  readonly turn: number
  readonly plan: Plan
  readonly worth: PlanWorth
  readonly rounds: number
  readonly isSearching: boolean
  /** Cases for which there is no place. */
  readonly unplaced: readonly string[]
  readonly late: readonly {
    readonly caseId: string
    readonly chain: readonly ChainLink[]
    readonly advice: readonly Advice[]
  }[]
  readonly tonight: readonly OvernightLoad[]
  /** Of being ready when due, by case; none until the search is over. */
  readonly chances?: Readonly<Record<string, number>>
}
export type DeskAnswer =
  | DeskPlan
  | {
      readonly kind: 'promise'
      readonly ask: number
      readonly endMinute: number
      readonly by80: number
      readonly by95: number
      readonly chance?: number
      readonly pushes: readonly {
        readonly caseId: string
        readonly laterMinutes: number
        readonly isLate: boolean
      }[]
    }
  | {
      readonly kind: 'load'
      readonly ask: number
      readonly loadMinute: number
      readonly programMinute: number
      readonly outMinute: number
      readonly isTooLate?: true
    }
  | { readonly kind: 'none'; readonly ask: number }

/** The planner's desk: one plan that it goes on with, and questions to it. */
export class PlanDesk {
  private made: { readonly net: Network; readonly search: PlanSearch; readonly asked: AskedPlan } | undefined

  /** @returns what is known at once: of a plan the first; `work` goes on with it */
  answer(ask: DeskAsk): DeskAnswer {
    if (ask.kind === 'plan') return this.begin(ask)
    if (ask.kind === 'promise') return this.promise(ask)
    const { net, search } = this.made ?? {}
    if (!net || !search?.net.ids.includes(ask.programStep)) return { kind: 'none', ask: ask.ask }
    return {
      kind: 'load',
      ask: ask.ask,
      ...latestLoad(net, search.best.plan, ask.programStep, ask.outByMinute),
    }
  }

  private begin(asked: AskedPlan): DeskAnswer {
    const net = network(asked.instance)
    const { seed, from } = asked
    const search = new PlanSearch(net, { seed, ...(from ? { from, withoutRules: true } : {}) })
    this.made = { net, search, asked }
    return this.told(this.made, !this.isSearching)
  }

  get isSearching(): boolean {
    if (!this.made) return false
    const { search, asked } = this.made
    return search.unplaced.length === 0 && search.rounds < asked.rounds
  }

  /** Some rounds more. @returns the plan when all are done, with the chances */
  work(rounds: number, stop: () => boolean = () => false): DeskAnswer | undefined {
    if (!this.made || !this.isSearching) return undefined
    const { search, asked } = this.made
    search.run(Math.min(rounds, asked.rounds - search.rounds), stop)
    return this.isSearching ? undefined : this.told(this.made, true)
  }

  private told({ net, search, asked }: NonNullable<PlanDesk['made']>, isFinal: boolean): DeskPlan {
    const { plan, worth } = search.best
    const common = {
      kind: 'plan' as const,
      turn: asked.turn,
      plan,
      worth,
      rounds: search.rounds,
      isSearching: this.isSearching,
      unplaced: search.unplaced,
    }
    if (search.unplaced.length > 0) return { ...common, late: [], tonight: [] }
    const ends = endsOf(net, plan)
    const late = net.cases
      .map((caseId, one) => ({ caseId, over: ends[one]! - net.due[one]! }))
      .filter(({ over }) => over > 0)
      .sort((a, b) => b.over - a.over || (a.caseId < b.caseId ? -1 : 1))
      .slice(0, MOST_EXPLAINED)
    const doubt = isFinal ? simulate(net, plan, { runs: RUNS, seed: asked.seed }) : undefined
    return {
      ...common,
      late: late.map(({ caseId }, n) => {
        const chain = explain(net, plan, caseId)
        return {
          caseId,
          chain,
          advice: isFinal && n < MOST_ADVISED ? advice(asked.instance, plan, caseId, chain) : [],
        }
      }),
      tonight: nightLoads(net, plan, ...asked.night),
      ...(doubt
        ? {
            chances: Object.fromEntries(
              net.cases.map((caseId, one) => [caseId, chanceBy(doubt.ends[one]!, net.due[one]!)]),
            ),
          }
        : {}),
    }
  }

  private promise({ ask, instance, caseId, dueMinute }: Extract<DeskAsk, { kind: 'promise' }>): DeskAnswer {
    const old = this.made?.search.best.plan
    const net = network(instance)
    const search = new PlanSearch(net, { seed: 1, ...(old ? { from: old, withoutRules: true } : {}) })
    if (search.unplaced.length > 0) return { kind: 'none', ask }
    const { plan } = search.best
    const ends = endsOf(net, plan)
    const one = net.cases.indexOf(caseId)
    const doubt = simulate(net, plan, { runs: 2 * RUNS, seed: 1 })
    const before = new Map(old?.steps.map(({ id, endMinute }) => [id, endMinute]))
    const pushes = net.cases.flatMap((id, n) => {
      if (id === caseId) return []
      const was = Math.max(0, ...net.caseSteps[n]!.map((step) => before.get(net.ids[step]!) ?? 0))
      const laterMinutes = ends[n]! - was
      return was > 0 && laterMinutes > 0 ? [{ caseId: id, laterMinutes, isLate: ends[n]! > net.due[n]! }] : []
    })
    return {
      kind: 'promise',
      ask,
      endMinute: ends[one]!,
      by80: endAt(doubt.ends[one]!, 0.8),
      by95: endAt(doubt.ends[one]!, 0.95),
      ...(dueMinute === undefined ? {} : { chance: chanceBy(doubt.ends[one]!, dueMinute) }),
      pushes: pushes.sort((a, b) => b.laterMinutes - a.laterMinutes),
    }
  }
}

function endsOf(net: Network, plan: Plan): number[] {
  const ends = new Map(plan.steps.map(({ id, endMinute }) => [id, endMinute]))
  return net.caseSteps.map((steps) => Math.max(0, ...steps.map((step) => ends.get(net.ids[step]!)!)))
}
