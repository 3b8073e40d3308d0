import { LEAST_TIMES, type Learned, learnedTime, movedTime, ownTau } from '../statistics/index.ts'
import type { CountedRecord } from './counted-record.ts'

const WEEK = 7 * 86_400_000

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
  const timed = new Map<
    string,
    { template: string; step: string; times: { minutes: number; at: number }[] }
  >()
  for (const { job, hands } of jobs)
    for (const [n, { step, attempt, state, until, hands: spans }] of job.attempts.entries()) {
      if (attempt !== 1 || state !== 'done' || !spans || until === undefined || !(hands[n]! > 0)) continue
      const key = `${job.template}/${step}`
      const known = timed.get(key) ?? { template: job.template, step, times: [] }
      timed.set(key, known)
      known.times.push({ minutes: hands[n]!, at: until })
    }
  const steps = [...timed.values()].flatMap(({ template, step, times }) => {
    const planMinutes = planOf(template, step)
    return planMinutes && planMinutes > 0 ? [{ template, step, planMinutes, times }] : []
  })
  const tau = ownTau(
    steps.map(({ planMinutes, times }) => ({ planMinutes, minutes: times.map(({ minutes }) => minutes) })),
  )
  return steps
    .map(({ template, step, planMinutes, times }): StepTime => {
      const learned = learnedTime(
        planMinutes,
        times.map(({ minutes }) => minutes),
        tau,
      )
      const last = said.findLast(
        (event) => event.type === 'learnedTimeRefused' && event.template === template && event.step === step,
      )
      const refused = last?.type === 'learnedTimeRefused' && last.refused ? last.reason : undefined
      const about = { template, step, planMinutes, learned, ...(refused ? { refused } : {}) }
      if (learned.state !== 'learned' || refused) return about
      // It has moved towards them since the tenth was known.
      const tenth = times.map(({ at }) => at).sort((one, other) => one - other)[LEAST_TIMES - 1]!
      const weeks = Math.max(0, Math.floor((now - tenth) / WEEK))
      return { ...about, takenMinutes: movedTime(planMinutes, learned.meanMinutes, weeks) }
    })
    .sort((one, other) => (`${one.template}/${one.step}` < `${other.template}/${other.step}` ? -1 : 1))
}
