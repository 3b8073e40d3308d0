/** Work of one machine or one person: not before its release, to be ended by its due time. */
export interface OneMachineWork {
  readonly release: number
  readonly minutes: number
  readonly due: number
}

/**
 * The least that the greatest lateness can be when work may be interrupted: always what is due first (recalled: Jackson 1955, Horn 1974).
 * Without interruption it is no less, so it is a bound there.
 * @returns minutes, below 0 when all is early
 */
export function leastLateness(work: readonly OneMachineWork[]): number {
  return preempted(work, (a, b) => a.due - b.due).reduce(
    (most, end, n) => Math.max(most, end - work[n]!.due),
    Number.NEGATIVE_INFINITY,
  )
}

/**
 * When each is ended where what has least left goes first and may interrupt: the k-th end is then as early as any plan
 * can make it (recalled: Schrage 1968).
 * @returns ends in the order of the work given
 */
export function shortestLeftFirst(work: readonly Omit<OneMachineWork, 'due'>[]): readonly number[] {
  return preempted(work, (a, b) => a.left - b.left)
}

function preempted<T extends { readonly release: number; readonly minutes: number }>(
  work: readonly T[],
  before: (a: T & { left: number }, b: T & { left: number }) => number,
): number[] {
  const all = work.map((each, n) => ({ ...each, left: each.minutes, n }))
  const coming = [...all].sort((a, b) => a.release - b.release || a.n - b.n)
  const here: typeof all = []
  const ends = new Array<number>(work.length).fill(0)
  let now = 0
  let next = 0
  while (next < coming.length || here.length > 0) {
    if (here.length === 0) now = Math.max(now, coming[next]!.release)
    while (next < coming.length && coming[next]!.release <= now) here.push(coming[next++]!)
    const first = here.reduce((a, b) => (before(b, a) < 0 || (before(b, a) === 0 && b.n < a.n) ? b : a))
    const until = coming[next]?.release ?? Number.POSITIVE_INFINITY
    const works = Math.min(first.left, until - now)
    first.left -= works
    now += works
    if (first.left > 0) continue
    ends[first.n] = now
    here.splice(here.indexOf(first), 1)
  }
  return ends
}
