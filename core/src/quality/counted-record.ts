import { DomainError } from '../refusal/index.ts'
import type { AttemptDigest, BackDigest, CaseDigest, JobDigest, Span } from './digest.ts'
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

/** One person on k things at once gives a minute's k-th part to each; only open minutes count. */
function withHands(cases: readonly CaseDigest[], hours: LabHours): CountedJob[] {
  const all = cases.flatMap((of) =>
    of.jobs.map((job) => ({ of, job, hands: new Array<number>(job.attempts.length).fill(0) })),
  )
  const people = new Map<string, { readonly span: Span; readonly add: (minutes: number) => void }[]>()
  let first = Number.POSITIVE_INFINITY
  let last = Number.NEGATIVE_INFINITY
  for (const { job, hands } of all)
    for (const [n, { by = '', hands: spans = [] }] of job.attempts.entries())
      for (const span of spans) {
        first = Math.min(first, span[0])
        last = Math.max(last, span[1])
        const own = people.get(by) ?? []
        people.set(by, own)
        own.push({
          span,
          add: (minutes) => {
            hands[n]! += minutes
          },
        })
      }
  if (last > first) {
    const open = new OpenHours(hours, first, last + 1)
    for (const own of people.values()) shareOut(own, open)
  }
  return all.map(({ of, job, hands }) => {
    const lost = new Map<number, number>()
    for (const [n, { thrownBy }] of job.attempts.entries())
      if (thrownBy !== undefined) lost.set(thrownBy, (lost.get(thrownBy) ?? 0) + hands[n]!)
    return { of, job, hands, lost }
  })
}

function shareOut(
  own: readonly { readonly span: Span; readonly add: (minutes: number) => void }[],
  open: OpenHours,
): void {
  const ends = own
    .flatMap((each) => [
      { at: each.span[0], each, begins: true },
      { at: each.span[1], each, begins: false },
    ])
    .sort((one, other) => one.at - other.at)
  const running = new Set<(typeof own)[number]>()
  let since = 0
  for (const { at, each, begins } of ends) {
    if (running.size > 0 && at > since) {
      const minutes = open.minutes(since, at) / running.size
      if (minutes > 0) for (const one of running) one.add(minutes)
    }
    since = at
    if (begins) running.add(each)
    else running.delete(each)
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
