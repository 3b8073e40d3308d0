import { LEAST_TIMES, type Learned, learnedTime, movedTime, ownTau } from '../statistics/index.ts'
import type { CountedRecord } from './counted-record.ts'

const WEEK = 7 * 86_400_000

interface Times {
  readonly minutes: number[]
  /** When each was over, ms. */
  readonly ends: number[]
}

/** A step with hands on it, as a lab times it. */
export interface StepTime {
  readonly template: string
  readonly step: string
  readonly planMinutes: number
  readonly learned: Learned
  /** What the planner takes now; undefined: the plan's figure. */
  readonly takenMinutes?: number
  /** Why the lab keeps the plan's figure. */
  readonly refused?: string
}

/**
 * What a lab's own times say of its steps: first attempts by one person, without nights, holds and questions.
 * @param planOf hands of a step by its route, min; undefined: it has no hands, or is no more
 */
export function learnedTimes(
  { jobs, said, input: { now } }: CountedRecord,
  planOf: (template: string, step: string) => number | undefined,
): readonly StepTime[] {
  const templates = new Map<string, Map<string, Times>>()
  for (const { job, hands } of jobs) {
    let steps = templates.get(job.template)
    if (!steps) {
      steps = new Map()
      templates.set(job.template, steps)
    }
    for (let n = 0; n < hands.length; n++) {
      const { step, attempt, state, until, hands: spans } = job.attempts[n]!
      if (attempt !== 1 || state !== 'done' || !spans || until === undefined || !(hands[n]! > 0)) continue
      let times = steps.get(step)
      if (!times) {
        times = { minutes: [], ends: [] }
        steps.set(step, times)
      }
      times.minutes.push(hands[n]!)
      times.ends.push(until)
    }
  }
  const steps = [...templates].flatMap(([template, of]) =>
    [...of].flatMap(([step, times]) => {
      const planMinutes = planOf(template, step)
      return planMinutes && planMinutes > 0 ? [{ template, step, planMinutes, ...times }] : []
    }),
  )
  const tau = ownTau(steps)
  return steps
    .map(({ template, step, planMinutes, minutes, ends }): StepTime => {
      const learned = learnedTime(planMinutes, minutes, tau)
      const last = said.findLast(
        (event) => event.type === 'learnedTimeRefused' && event.template === template && event.step === step,
      )
      const refused = last?.type === 'learnedTimeRefused' && last.refused ? last.reason : undefined
      const about = { template, step, planMinutes, learned, ...(refused ? { refused } : {}) }
      if (learned.state !== 'learned' || refused) return about
      // It has moved towards them since the tenth was known.
      const tenth = ends.sort((one, other) => one - other)[LEAST_TIMES - 1]!
      const weeks = Math.max(0, Math.floor((now - tenth) / WEEK))
      return { ...about, takenMinutes: movedTime(planMinutes, learned.meanMinutes, weeks) }
    })
    .sort((one, other) => (`${one.template}/${one.step}` < `${other.template}/${other.step}` ? -1 : 1))
}
