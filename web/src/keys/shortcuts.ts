import { useEffect, useRef } from 'react'

/** A key and what it does here, as the help sheet shows it. */
interface Shortcut {
  readonly key: string
  readonly does: string
  readonly run: () => void
}

/** Keys that act while a case or the bench is open. */
export const onSteps: readonly (readonly [key: string, does: string])[] = [
  ['space', 'Start, or done'],
  ['d', 'Done, and on to the next step'],
  ['m', 'Weigh and mix'],
  ['n', 'Not now, show the next'],
  ['g', 'Go back to a step'],
  ['f', 'Fault: ask the dentist'],
  ['t', 'Write a note'],
]

/** Runs one-key shortcuts while no entry has the focus and no sheet is open. */
export function useShortcuts(shortcuts: readonly Shortcut[]): void {
  const latest = useRef(shortcuts)
  latest.current = shortcuts
  useEffect(() => {
    let waiting: ReturnType<typeof setTimeout> | undefined
    let lastKey = 0
    const onKey = (event: KeyboardEvent) => {
      // A key that is one of a scanner's burst is no shortcut: wait a moment to see whether another follows.
      const inBurst = event.timeStamp - lastKey < 60
      if (event.key.length === 1) lastKey = event.timeStamp
      clearTimeout(waiting)
      // A key that is held down, or a shaky hand, does one thing once.
      if (event.repeat || inBurst || event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented)
        return
      const { target } = event
      if (target instanceof HTMLElement && target.closest('input, textarea, select, dialog[open]')) return
      const key = event.key === ' ' ? 'space' : event.key.toLowerCase()
      // Space and Enter belong to a button that has the focus.
      if (key === 'space' && target instanceof HTMLElement && target.closest('button, a, summary')) return
      const shortcut = latest.current.find((each) => each.key === key)
      if (!shortcut) return
      event.preventDefault()
      waiting = setTimeout(() => shortcut.run(), 70)
    }
    addEventListener('keydown', onKey)
    return () => {
      clearTimeout(waiting)
      removeEventListener('keydown', onKey)
    }
  }, [])
}
