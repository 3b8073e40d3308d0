import {
  type CauseHits,
  causeHits,
  type LostHours,
  lostHours,
  type Share,
  shareOf,
  sumOf,
} from '../statistics/index.ts'
import type { Findings } from './causes.ts'
import {
  type CaseRef,
  type CountedRecord,
  groupedBy,
  newestFirst,
  type Period,
  within,
} from './counted-record.ts'
import { type Loss, losses } from './five-lines.ts'

/** What was lost to one cause. */
export interface CauseRow {
  readonly cause: string
  readonly count: number
  readonly handsHours: number
  readonly clockHours: number
  readonly machineHours: number
  readonly grams: number
  /** Of how many times it was only assumed. */
  readonly assumed: number
  /** At most so much would be saved; from three times on. */
  readonly interval?: LostHours
  readonly share: Share
  readonly cases: readonly CaseRef[]
}
export interface CauseTable {
  /** With two or more, by hours. */
  readonly rows: readonly CauseRow[]
  /** Causes that were found once each. */
  readonly single: readonly CauseRow[]
  readonly notFound?: CauseRow
  /** Nobody has said why. */
  readonly notSaid?: CauseRow
  readonly count: number
}

/** Causes by what they cost: those that came again, single ones apart, and what was not found. */
export function causeTable(record: CountedRecord, period: Period): CauseTable {
  const lost = losses(record, period)
  const groups = groupedBy(lost, ({ cause }) => cause)
  const row = (cause: string, own: readonly Loss[]): CauseRow => {
    const hours = own.map(({ handsMinutes }) => handsMinutes / 60).filter((each) => each > 0)
    const interval = hours.length > 0 ? lostHours(hours) : undefined
    const sum = (of: (loss: Loss) => number) => sumOf(own.map(of))
    return {
      cause,
      count: own.length,
      handsHours: sumOf(hours),
      clockHours: sum(({ clockMinutes }) => clockMinutes) / 60,
      machineHours: sum(({ machineMinutes }) => machineMinutes) / 60,
      grams: sum(({ grams }) => grams),
      assumed: own.filter(({ how }) => how === 'assumed').length,
      ...(interval?.state === 'told' ? { interval } : {}),
      share: shareOf({ count: own.length, of: lost.length }),
      cases: newestFirst(own.map(({ ref }) => ref)),
    }
  }
  const named = [...groups].flatMap(([cause, own]) =>
    cause === undefined || cause === 'notFound' ? [] : [row(cause, own)],
  )
  const byHours = named.sort(
    (one, other) => other.handsHours - one.handsHours || (one.cause < other.cause ? -1 : 1),
  )
  const notFound = groups.get('notFound')
  const notSaid = groups.get(undefined)
  return {
    rows: byHours.filter(({ count }) => count > 1),
    single: byHours.filter(({ count }) => count === 1),
    ...(notFound ? { notFound: row('notFound', notFound) } : {}),
    ...(notSaid ? { notSaid: row('', notSaid) } : {}),
    count: lost.length,
  }
}

/** How often each cause of a fault was measured or seen since its findings were last set back: what was assumed counts nowhere. */
export function findingsOf(
  { backs, said }: Pick<CountedRecord, 'backs' | 'said'>,
  place: string,
  fault: string,
): Findings {
  const reset = said.findLast(
    (event) => event.type === 'causeWeightsReset' && event.place === place && event.fault === fault,
  )
  const since = reset ? Date.parse(reset.at) : 0
  const found: Record<string, number> = {}
  for (const { place: where, fault: what, cause, how, at } of backs)
    if (where === place && what === fault && cause && cause !== 'notFound' && isKnown(how) && at >= since)
      found[cause] = (found[cause] ?? 0) + 1
  return found
}
const isKnown = (how: string | undefined) => how === 'measured' || how === 'seen'

/** How high the finders had the causes that were measured or seen; undefined without any. */
export function finderHits({ backs }: CountedRecord, period: Period): CauseHits | undefined {
  const ranks = backs.flatMap(({ rank, how, at }) =>
    rank !== undefined && isKnown(how) && within(period, at) ? [rank] : [],
  )
  return ranks.length > 0 ? causeHits(ranks) : undefined
}

/** Whether each might have cost as much as the one before it: then nothing is said of their order. */
export function noClearOrder(rows: readonly Pick<CauseRow, 'handsHours' | 'interval'>[]): boolean {
  return (
    rows.length > 1 &&
    rows.every(({ interval, handsHours }, n) => {
      const before = rows[n - 1]
      return !before || (interval?.high ?? handsHours) >= (before.interval?.low ?? before.handsHours)
    })
  )
}
