import { useRef, useState } from 'react'

/** A list with some of its members tapped: what was in it goes out, what was not comes in behind. */
function toggled<T>(list: readonly T[], taps: readonly T[]): readonly T[] {
  const all = [...list]
  for (const tap of taps) {
    const at = all.indexOf(tap)
    if (at < 0) all.push(tap)
    else all.splice(at, 1)
  }
  return all
}

/**
 * A list of which each tap is stored at once. Taps that are on their way count already: a quick hand loses none of them to a list
 * that was drawn before.
 * @param stored as it is on record
 * @param store the whole list after a tap; false: it was not stored, and the tap is taken back
 */
export function useToggles<T>(
  stored: readonly T[],
  store: (next: readonly T[]) => Promise<boolean>,
): readonly [shown: readonly T[], tap: (one: T) => void] {
  const [pending, setPending] = useState<readonly T[]>([])
  const latest = useRef({ stored, pending })
  latest.current = { stored, pending }
  const keep = (next: readonly T[]) => {
    latest.current.pending = next
    setPending(next)
  }
  const tap = (one: T) => {
    keep([...latest.current.pending, one])
    const arrived = () => {
      const { pending: now } = latest.current
      keep(now.filter((_, index) => index !== now.indexOf(one)))
    }
    void store(toggled(latest.current.stored, latest.current.pending)).then(arrived, arrived)
  }
  return [toggled(stored, pending), tap]
}
