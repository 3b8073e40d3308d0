import { type LabCalendar, openingsBetween } from '../planning/index.ts'

const MINUTE = 60_000

/** When hands are at the benches of a lab. */
export interface LabHours {
  readonly calendar: LabCalendar
  /** Calendar days, YYYY-MM-DD. */
  readonly holidays?: readonly string[]
}

/** The open minutes of a stretch of time, counted once. */
export class OpenHours {
  private readonly opens: number[] = []
  private readonly closes: number[] = []
  /** Open ms before each opening. */
  private readonly before: number[] = []

  /** @throws {DomainError} `calendar-closed` */
  constructor({ calendar, holidays = [] }: LabHours, from: number, until: number) {
    let total = 0
    for (const { opens, closes } of openingsBetween(calendar, from, until, new Set(holidays))) {
      this.opens.push(opens)
      this.closes.push(closes)
      this.before.push(total)
      total += closes - opens
    }
  }

  /** Open minutes from one instant to a later one, both within the stretch; ms since 1970. */
  minutes(from: number, until: number): number {
    return (this.upTo(until) - this.upTo(from)) / MINUTE
  }

  /** What of a stretch is open. */
  within(from: number, until: number): (readonly [number, number])[] {
    const found: (readonly [number, number])[] = []
    for (let n = this.firstAfter(from) - 1; n < this.opens.length; n++) {
      if (n < 0) continue
      if (this.opens[n]! >= until) break
      const begins = Math.max(from, this.opens[n]!)
      const ends = Math.min(until, this.closes[n]!)
      if (ends > begins) found.push([begins, ends])
    }
    return found
  }

  /** Open ms before an instant. */
  upTo(instant: number): number {
    const last = this.firstAfter(instant) - 1
    if (last < 0) return 0
    return this.before[last]! + Math.min(instant, this.closes[last]!) - this.opens[last]!
  }

  /** The first opening that begins after an instant. */
  private firstAfter(instant: number): number {
    let low = 0
    let high = this.opens.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (this.opens[middle]! <= instant) low = middle + 1
      else high = middle
    }
    return low
  }
}
