import { DomainError } from '../refusal/index.ts'
import type { AttemptDigest, BackDigest, CaseDigest, JobDigest } from './digest.ts'
import type { LabEvent } from './lab-event.ts'
import { type LabHours, OpenHours } from './open-hours.ts'

/** A stretch of time, ms since 1970: from, and up to but not with. */
export interface Period {
  readonly from: number
  readonly until: number
}

export interface QualityInput {
  readonly digests: readonly CaseDigest[]
  readonly hours?: LabHours
  /** ms since 1970. */
  readonly now: number
  readonly said?: readonly LabEvent[]
  /** The lab is a demo itself: its cases are all it has. */
  readonly isDemo?: boolean
  /** Cases whose record could not be read. */
  readonly damaged?: readonly string[]
}

/** Where a figure comes from: a case, and where in it. */
export interface CaseRef {
  readonly caseId: string
  readonly docket: string
  readonly at: number
  readonly sequence?: number
}

/** A job with its case, and what hands were lost each time that it went back, min. */
export interface CountedJob {
  readonly of: CaseDigest
  readonly job: JobDigest
  /** By the sequence of the going back. */
  readonly lost: ReadonlyMap<number, number>
  /** Of every attempt, in its order, min. */
  readonly hands: readonly number[]
}
export interface CountedBack extends BackDigest {
  readonly of: CaseDigest
  readonly job: JobDigest
  readonly handsMinutes: number
  readonly machineMinutes: number
  readonly grams: number
}

/** The record of a lab as it is counted: sorted, without practice, with everybody's minutes shared out. */
export interface CountedRecord {
  readonly input: QualityInput
  readonly cases: readonly CaseDigest[]
  readonly jobs: readonly CountedJob[]
  readonly backs: readonly CountedBack[]
  readonly said: readonly LabEvent[]
  readonly leftOut: {
    readonly practice: number
    readonly demo: number
    readonly fastClock: number
    readonly elsewhere: number
    readonly damaged: readonly string[]
  }
}

/** @throws {DomainError} `calendar-missing` */
export function countedRecord(input: QualityInput): CountedRecord {
  const { hours, isDemo = false, damaged = [], said = [] } = input
  if (!hours)
    throw new DomainError(
      'calendar-missing',
      'When the lab is open is not known.',
      'Set its opening hours.',
      'hours',
    )
  const sorted = [...input.digests].sort((one, other) => (one.caseId < other.caseId ? -1 : 1))
  const why = (digest: CaseDigest) => {
    if (digest.mark === 'practice') return 'practice'
    if (digest.mark === 'demo' && !isDemo) return 'demo'
    if (digest.elsewhere) return 'elsewhere'
    return digest.fast ? 'fastClock' : undefined
  }
  const count = (reason: string) => sorted.filter((digest) => why(digest) === reason).length
  const cases = sorted.filter((digest) => why(digest) === undefined)
  const jobs = withHands(cases, hours)
  return {
    input,
    cases,
    jobs,
    backs: jobs.flatMap(backsOf),
    said: [...said].sort((one, other) => one.sequence - other.sequence),
    leftOut: {
      practice: count('practice'),
      demo: count('demo'),
      fastClock: count('fastClock'),
      elsewhere: count('elsewhere'),
      damaged,
    },
  }
}

function backsOf({ of, job, lost }: CountedJob): CountedBack[] {
  return job.backs.map((back) => {
    const thrown = job.attempts.filter(({ thrownBy }) => thrownBy === back.sequence)
    const sum = (what: (attempt: AttemptDigest) => number) =>
      thrown.reduce((total, attempt) => total + what(attempt), 0)
    return {
      ...back,
      of,
      job,
      handsMinutes: lost.get(back.sequence) ?? 0,
      machineMinutes: sum(({ machineMinutes = 0 }) => machineMinutes),
      grams: sum(({ grams = 0 }) => grams),
    }
  })
}

/** What one person was at: parallel lists of stretches and the attempts that they are of. */
interface AtWork {
  readonly from: number[]
  readonly until: number[]
  readonly attempt: number[]
}

/** One person on k things at once gives a minute's k-th part to each; only open minutes count. */
function withHands(cases: readonly CaseDigest[], hours: LabHours): CountedJob[] {
  const people = new Map<string, AtWork>()
  let attempts = 0
  let first = Number.POSITIVE_INFINITY
  let last = Number.NEGATIVE_INFINITY
  for (const { jobs } of cases)
    for (const job of jobs)
      for (const { by = '', hands } of job.attempts) {
        if (hands) {
          let own = people.get(by)
          if (!own) {
            own = { from: [], until: [], attempt: [] }
            people.set(by, own)
          }
          for (const [from, until] of hands) {
            own.from.push(from)
            own.until.push(until)
            own.attempt.push(attempts)
            if (from < first) first = from
            if (until > last) last = until
          }
        }
        attempts++
      }
  const minutes = new Float64Array(attempts)
  if (last > first) {
    const open = new OpenHours(hours, first, last + 1)
    for (const own of people.values()) shareOut(own, open, minutes)
  }
  let offset = 0
  return cases.flatMap((of) =>
    of.jobs.map((job): CountedJob => {
      const hands = Array.from(minutes.subarray(offset, offset + job.attempts.length))
      offset += job.attempts.length
      const lost = new Map<number, number>()
      if (job.backs.length > 0)
        for (const [n, { thrownBy }] of job.attempts.entries())
          if (thrownBy !== undefined) lost.set(thrownBy, (lost.get(thrownBy) ?? 0) + hands[n]!)
      return { of, job, hands, lost }
    }),
  )
}

function shareOut({ from, until, attempt }: AtWork, open: OpenHours, minutes: Float64Array): void {
  const begins = from.map((_, n) => n).sort((one, other) => from[one]! - from[other]!)
  const ends = until.map((_, n) => n).sort((one, other) => until[one]! - until[other]!)
  const running: number[] = []
  let since = 0
  let next = 0
  for (const ending of ends) {
    const over = open.upTo(until[ending]!)
    while (next < begins.length && from[begins[next]!]! <= until[ending]!) {
      const starting = begins[next++]!
      const now = open.upTo(from[starting]!)
      give(now - since)
      since = now
      running.push(starting)
    }
    give(over - since)
    since = over
    running.splice(running.indexOf(ending), 1)
  }

  function give(openMillis: number): void {
    if (openMillis <= 0 || running.length === 0) return
    const each = openMillis / 60_000 / running.length
    for (const one of running) minutes[attempt[one]!]! += each
  }
}

/** @throws {DomainError} `period-empty` */
export function mustBePeriod({ from, until }: Period): void {
  if (!(until > from))
    throw new DomainError(
      'period-empty',
      'The period ends before it begins.',
      'Choose an end that comes after the beginning.',
      'until',
    )
}

export const within = ({ from, until }: Period, at: number | undefined): boolean =>
  at !== undefined && at >= from && at < until

/** The period of the same length just before. */
export const periodBefore = ({ from, until }: Period): Period => ({
  from: from - (until - from),
  until: from,
})

export const refTo = ({ caseId, docket }: CaseDigest, at: number, sequence?: number): CaseRef => ({
  caseId,
  docket,
  at,
  ...(sequence === undefined ? {} : { sequence }),
})
/** The newest first. */
export const newestFirst = (refs: readonly CaseRef[]): readonly CaseRef[] =>
  [...refs].sort((one, other) => other.at - one.at || (one.docket < other.docket ? -1 : 1))

/** What has the same key, together; in the order of the first of each. */
export function groupedBy<T, K>(list: readonly T[], keyOf: (each: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>()
  for (const each of list) {
    const key = keyOf(each)
    const own = groups.get(key)
    if (own) own.push(each)
    else groups.set(key, [each])
  }
  return groups
}
