import { type Rolled, rolledYield, type Share, shareOf, sumOf } from '../statistics/index.ts'
import {
  type CaseRef,
  type CountedBack,
  type CountedJob,
  type CountedRecord,
  groupedBy,
  newestFirst,
  type Period,
  refTo,
  within,
} from './counted-record.ts'
import { type FlowPart, flowParts } from './digest.ts'

/** Above this share of jobs a figure is grey (choice). */
const MOST_MISSING = 0.2

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
  /** So many of them that nothing should be read into its figures. */
  readonly tooMuchMissing: boolean
}

/** Whether nothing of a job had to be done again, and every check passed the first time. */
export function isClean({ job }: CountedJob): boolean {
  return (
    !job.backs.some(({ side }) => side === 'lab') &&
    !job.attempts.some(({ attempt, failed }) => attempt === 1 && failed)
  )
}

/** What the delivered jobs of one kind say of a step. */
interface StepCount {
  of: number
  passed: number
  hands: number
}

/** First pass and flow of every kind of job that was delivered in a period. */
export function jobYields({ jobs, backs }: CountedRecord, period: Period): readonly JobYield[] {
  const delivered = jobs.filter(({ job }) => within(period, job.deliveredAt))
  return [...groupedBy(delivered, ({ job }) => job.template)]
    .sort(([one], [other]) => (one < other ? -1 : 1))
    .map(([template, own]) => {
      const counted = new Set(own.map(({ job }) => job))
      const sentBack = groupedBy(
        backs.filter(({ job }) => counted.has(job)),
        ({ to }) => to,
      )
      const steps = [...stepCounts(own)].flatMap(([step, count]) =>
        count.of === 0 ? [] : [stepYield(step, count, sentBack.get(step) ?? [])],
      )
      const clean = own.filter(isClean).length
      const flow = Object.fromEntries(
        flowParts.map((part) => [part, sumOf(own.map(({ job }) => job.flow[part])) / own.length]),
      ) as Record<FlowPart, number>
      const open = flow.hands + flow.byItself + flow.queue
      const notRecorded = sumOf(own.map(({ job }) => job.notRecorded))
      return {
        template,
        rolled: rolledYield(
          { count: clean, of: own.length },
          steps.map(({ firstPass }) => firstPass),
        ),
        steps,
        flow,
        touchShare: open > 0 ? flow.hands / open : 0,
        notRecorded,
        tooMuchMissing: notRecorded > MOST_MISSING * own.length,
      }
    })
}

/** By step, in the order in which it was first met; all jobs gone through once. */
function stepCounts(own: readonly CountedJob[]): ReadonlyMap<string, StepCount> {
  const counts = new Map<string, StepCount>()
  for (const { job, hands } of own) {
    const again = new Set(job.backs.flatMap(({ side, to }) => (side === 'lab' ? [to] : [])))
    for (let n = 0; n < hands.length; n++) {
      const { step, attempt, state, failed } = job.attempts[n]!
      let count = counts.get(step)
      if (!count) {
        count = { of: 0, passed: 0, hands: 0 }
        counts.set(step, count)
      }
      count.hands += hands[n]!
      if (attempt !== 1 || state === 'skipped') continue
      count.of++
      if (!failed && !again.has(step)) count.passed++
    }
  }
  return counts
}

function stepYield(step: string, { of, passed, hands }: StepCount, sent: readonly CountedBack[]): StepYield {
  return {
    step,
    firstPass: shareOf({ count: passed, of }),
    handsMinutes: hands,
    lostMinutes: sumOf(sent.map(({ handsMinutes }) => handsMinutes)),
    sentFrom: [...groupedBy(sent, ({ foundAt }) => foundAt ?? null)].map(([from, list]) => ({
      step: from,
      count: list.length,
    })),
    cases: newestFirst(sent.map(({ of: digest, at, sequence }) => refTo(digest, at, sequence))),
  }
}
