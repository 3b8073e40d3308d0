import { returnCauses } from '../case/index.ts'
import { type LostHours, lostHours, type Share, shareOf, sumOf } from '../statistics/index.ts'
import {
  type CaseRef,
  type CountedRecord,
  newestFirst,
  type Period,
  refTo,
  within,
} from './counted-record.ts'
import { isClean } from './yields.ts'

const MINUTES_IN_HOUR = 60

/** A share of a period, with the cases that it is not. Left out: nothing was counted. */
export interface Line {
  readonly share?: Share
  readonly cases: readonly CaseRef[]
}

/** Delivered by the due time, of all that were due in a period and did not end: what is late is in it. */
export function onTime({ cases, input: { now } }: CountedRecord, period: Period): Line {
  const due = cases.filter(
    ({ dueAt, endedAt, deliveredAt }) =>
      within(period, dueAt) && endedAt === undefined && (dueAt <= now || deliveredAt !== undefined),
  )
  const late = due.filter(({ dueAt, deliveredAt }) => !(deliveredAt !== undefined && deliveredAt <= dueAt))
  return {
    ...(due.length > 0 ? { share: shareOf({ count: due.length - late.length, of: due.length }) } : {}),
    cases: newestFirst(late.map((each) => refTo(each, each.dueAt))),
  }
}

/** Jobs that were delivered in a period and in which nothing went back, or failed at first. */
export function cleanJobs({ jobs }: CountedRecord, period: Period): Line {
  const delivered = jobs.filter(({ job }) => within(period, job.deliveredAt))
  const others = delivered.filter((each) => !isClean(each))
  return {
    ...(delivered.length > 0
      ? { share: shareOf({ count: delivered.length - others.length, of: delivered.length }) }
      : {}),
    cases: newestFirst(
      others.map(({ of, job }) =>
        refTo(of, job.backs.at(-1)?.at ?? job.deliveredAt!, job.backs.at(-1)?.sequence),
      ),
    ),
  }
}

/** Something that threw work away: a job was sent back, or a case came back. */
export interface Loss {
  readonly ref: CaseRef
  readonly handsMinutes: number
  readonly clockMinutes: number
  readonly machineMinutes: number
  readonly grams: number
  readonly remake: boolean
  /** As it is said of it; undefined: nobody has said. */
  readonly cause?: string
  readonly how?: string
  readonly template: string
  readonly place?: string
}

/** What was lost in a period. Of a case that came back all its hands are. */
export function losses({ backs, jobs }: CountedRecord, period: Period): readonly Loss[] {
  const sentBack = backs
    .filter(({ at, of }) => within(period, at) && !of.returnOf)
    .map((back): Loss => {
      const { of, at, sequence, handsMinutes, clockMinutes, machineMinutes, grams, remake } = back
      return {
        ref: refTo(of, at, sequence),
        ...{ handsMinutes, clockMinutes, machineMinutes, grams, remake },
        template: back.job.template,
        ...(back.cause === undefined ? {} : { cause: back.said ?? back.cause }),
        ...(back.how ? { how: back.how } : {}),
        ...(back.place ? { place: back.place } : {}),
      }
    })
  const cameBack = jobs
    .filter(({ of }) => of.returnOf && within(period, of.receivedAt))
    .map(
      ({ of, job, hands }): Loss => ({
        ref: refTo(of, of.receivedAt, 1),
        handsMinutes: sumOf(hands),
        clockMinutes: (job.deliveredAt ?? of.until) / 60_000 - of.receivedAt / 60_000,
        machineMinutes: sumOf(job.attempts.map(({ machineMinutes = 0 }) => machineMinutes)),
        grams: sumOf(job.attempts.map(({ grams = 0 }) => grams)),
        remake: false,
        cause: `Came back: ${returnCauses[of.returnOf!.cause].name.toLowerCase()}`,
        template: job.template,
      }),
    )
  return [...sentBack, ...cameBack]
}

export interface HandsLost {
  readonly hours: number
  readonly events: number
  /** All hands of the period, h. */
  readonly ofHours: number
  /** With three events or more. */
  readonly interval?: LostHours
  readonly cases: readonly CaseRef[]
}

export function handsLost(record: CountedRecord, period: Period): HandsLost {
  const lost = losses(record, period)
  const hours = lost.map(({ handsMinutes }) => handsMinutes / MINUTES_IN_HOUR).filter((each) => each > 0)
  let all = 0
  for (const { job, hands } of record.jobs)
    for (let n = 0; n < hands.length; n++) if (within(period, job.attempts[n]!.from)) all += hands[n]!
  const interval = hours.length > 0 ? lostHours(hours) : undefined
  return {
    hours: sumOf(hours),
    events: lost.length,
    ofHours: all / MINUTES_IN_HOUR,
    ...(interval?.state === 'told' ? { interval } : {}),
    cases: newestFirst(lost.map(({ ref }) => ref)),
  }
}

export interface LateNow {
  readonly late: number
  readonly open: number
  readonly cases: readonly CaseRef[]
}

export function lateNow({ cases, input: { now } }: CountedRecord): LateNow {
  const open = cases.filter(({ deliveredAt, endedAt }) => deliveredAt === undefined && endedAt === undefined)
  const late = open.filter(({ dueAt }) => dueAt < now)
  return {
    late: late.length,
    open: open.length,
    cases: newestFirst(late.map((each) => refTo(each, each.dueAt))),
  }
}
