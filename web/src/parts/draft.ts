import { useCallback, useRef, useState } from 'react'

const PREFIX = 'yentrik draft '

/** What was being entered under a key, where something was. */
export function storedDraft<T>(key: string): T | undefined {
  const text = sessionStorage.getItem(PREFIX + key)
  return text === null ? undefined : (JSON.parse(text) as T)
}

export function storeDraft(key: string, value: unknown): void {
  sessionStorage.setItem(PREFIX + key, JSON.stringify(value))
}

export function dropDraft(key: string): void {
  sessionStorage.removeItem(PREFIX + key)
}

type Change<T> = T | ((before: T) => T)

/**
 * What is being entered, kept over a visit to another screen and a reload, until it is forgotten: every entry, sheet, form and
 * question keeps its draft by this.
 * @returns the draft; a way to change it; a way to forget it once it is stored, which leaves it on the screen; and a way to begin
 * again
 */
export function useDraft<T extends object | string>(
  key: string,
  start: () => T,
): readonly [draft: T, keep: (change: Change<T>) => void, forget: () => void, begin: () => void] {
  const [value, setValue] = useState<T>(() => storedDraft<T>(key) ?? start())
  const latest = useRef(value)
  latest.current = value
  const keep = useCallback(
    (change: Change<T>) => {
      const next = typeof change === 'function' ? change(latest.current) : change
      latest.current = next
      setValue(next)
      storeDraft(key, next)
    },
    [key],
  )
  const forget = () => dropDraft(key)
  const begin = () => {
    dropDraft(key)
    setValue(start())
  }
  return [value, keep, forget, begin]
}

/** What was typed is forgotten once it is stored. */
export async function forgetting(forget: () => void, stored: Promise<boolean>): Promise<boolean> {
  const done = await stored
  if (done) forget()
  return done
}
