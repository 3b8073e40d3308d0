import { type Rolled, rolledYield, type Share, shareOf, sumOf } from '../statistics/index.ts'
import {
  type CaseRef,
  type CountedJob,
  type CountedRecord,
  groupedBy,
  newestFirst,
  type Period,
  refTo,
  within,
} from './counted-record.ts'
import { type FlowPart, flowParts } from './digest.ts'

/** A step in the jobs of one kind. */
export interface StepYield {
  readonly step: string
  /** Passed the first time, of the delivered jobs that did it. */
  readonly firstPass: Share
  /** Hands in all attempts, and of those thrown away by going back to it, min. */
  readonly handsMinutes: number
  readonly lostMinutes: number
  /** From where it was sent back to this step, and how often. */
  readonly sentFrom: readonly { readonly step: string | null; readonly count: number }[]
  readonly cases: readonly CaseRef[]
}
export interface JobYield {
  readonly template: string
  readonly rolled: Rolled
  readonly steps: readonly StepYield[]
  /** Mean minutes of a delivered job; each minute is in exactly one part. */
  readonly flow: Readonly<Record<FlowPart, number>>
  /** Hands by all that was open for it. */
  readonly touchShare: number
  /** Entries whose verdict was not recorded, and of how many jobs: "not recorded is not good". */
  readonly notRecorded: number
}

/** Whether nothing of a job had to be done again, and every check passed the first time. */
export function isClean({ job }: CountedJob): boolean {
  return (
    !job.backs.some(({ side }) => side === 'lab') &&
    !job.attempts.some(({ attempt, failed }) => attempt === 1 && failed)
  )
}

/** First pass and flow of every kind of job that was delivered in a period. */
export function jobYields({ jobs, backs }: CountedRecord, period: Period): readonly JobYield[] {
  const delivered = jobs.filter(({ job }) => within(period, job.deliveredAt))
  return [...groupedBy(delivered, ({ job }) => job.template)]
    .sort(([one], [other]) => (one < other ? -1 : 1))
    .map(([template, own]) => {
      const counted = new Set(own.map(({ job }) => job))
      const sentBack = backs.filter(({ job }) => counted.has(job))
      const ids = [...new Set(own.flatMap(({ job }) => job.attempts.map(({ step }) => step)))]
      const steps = ids.flatMap((step) => stepYield(step, own, sentBack))
      const clean = own.filter(isClean).length
      const flow = Object.fromEntries(
        flowParts.map((part) => [part, sumOf(own.map(({ job }) => job.flow[part])) / own.length]),
      ) as Record<FlowPart, number>
      const open = flow.hands + flow.byItself + flow.queue
      return {
        template,
        rolled: rolledYield(
          { count: clean, of: own.length },
          steps.map(({ firstPass }) => firstPass),
        ),
        steps,
        flow,
        touchShare: open > 0 ? flow.hands / open : 0,
        notRecorded: sumOf(own.map(({ job }) => job.notRecorded)),
      }
    })
}

function stepYield(
  step: string,
  own: readonly CountedJob[],
  backs: CountedRecord['backs'],
): readonly StepYield[] {
  const done = own.flatMap((counted) => {
    const first = counted.job.attempts.find((each) => each.step === step && each.attempt === 1)
    return first && first.state !== 'skipped' ? [{ counted, first }] : []
  })
  if (done.length === 0) return []
  const sent = backs.filter(({ to }) => to === step)
  const passed = done.filter(
    ({ counted, first }) =>
      !first.failed && !counted.job.backs.some(({ to, side }) => to === step && side === 'lab'),
  )
  const hands = own.flatMap(({ job, hands: minutes }) =>
    job.attempts.flatMap((attempt, n) => (attempt.step === step ? [minutes[n]!] : [])),
  )
  return [
    {
      step,
      firstPass: shareOf({ count: passed.length, of: done.length }),
      handsMinutes: sumOf(hands),
      lostMinutes: sumOf(sent.map(({ handsMinutes }) => handsMinutes)),
      sentFrom: [...groupedBy(sent, ({ foundAt }) => foundAt ?? null)].map(([from, list]) => ({
        step: from,
        count: list.length,
      })),
      cases: newestFirst(sent.map(({ of, at, sequence }) => refTo(of, at, sequence))),
    },
  ]
}
