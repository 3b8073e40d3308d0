/** Minutes of a calendar counted without its closed ones: nights vanish, and a step that pauses over them is one stretch. */
export class OpenTime {
  /** Open minutes before a clock minute. */
  private readonly before: Int32Array
  /** The clock minute of an open minute. */
  private readonly clock: Int32Array
  /** The open minute at which the window of an open minute ends. */
  private readonly closes: Int32Array
  readonly total: number

  constructor(
    readonly windows: readonly (readonly [number, number])[],
    readonly horizon: number,
  ) {
    this.before = new Int32Array(horizon + 1)
    let total = 0
    for (const [opens, ends] of windows) total += Math.max(0, Math.min(ends, horizon) - opens)
    this.clock = new Int32Array(total + 1)
    this.closes = new Int32Array(total + 1)
    let open = 0
    let reached = 0
    for (const [opens, ends] of windows) {
      const last = Math.min(ends, horizon)
      if (last <= opens) continue
      this.before.fill(open, reached, opens + 1)
      const closing = open + last - opens
      for (let t = opens; t < last; t++) {
        this.before[t] = open
        this.clock[open] = t
        this.closes[open] = closing
        open++
      }
      reached = last
    }
    this.before.fill(open, reached, horizon + 1)
    this.clock[total] = horizon
    this.closes[total] = total
    this.total = total
  }

  /** Open minutes before an instant. */
  at(clock: number): number {
    return clock <= 0 ? 0 : this.before[Math.min(clock, this.horizon)]!
  }
  /** When an open minute begins. */
  starts(open: number): number {
    return this.clock[open]!
  }
  /** When a stretch of open minutes has ended that ends before this one. */
  ends(open: number): number {
    return open === 0 ? 0 : this.clock[open - 1]! + 1
  }
  /** The open minute with which the window of an open minute ends. */
  windowEnd(open: number): number {
    return this.closes[open]!
  }
  isOpen(clock: number): boolean {
    return clock < this.horizon && this.before[clock + 1]! > this.before[clock]!
  }
}

/** The first time from `start` at which one window holds so many minutes; undefined: none does. */
export function windowFor(
  windows: readonly (readonly [number, number])[],
  start: number,
  span: number,
): number | undefined {
  // Few windows lie before it: machines are out of order seldom, and their windows are days.
  for (const [opens, closes] of windows) {
    const begin = Math.max(start, opens)
    if (begin + span <= closes) return begin
  }
  return undefined
}

/** From one time to another, in minutes or ms. */
export type Stretch = readonly [from: number, until: number]

/** What is left of stretches without others; all sorted and disjoint. */
export function without(stretches: readonly Stretch[], gone: readonly Stretch[]): Stretch[] {
  return gone.reduce<Stretch[]>(
    (left, [from, until]) =>
      left.flatMap(([opens, closes]): Stretch[] =>
        until <= opens || from >= closes
          ? [[opens, closes]]
          : [
              ...(from > opens ? [[opens, from] as Stretch] : []),
              ...(until < closes ? [[until, closes] as Stretch] : []),
            ],
      ),
    [...stretches],
  )
}
