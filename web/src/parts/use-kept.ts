import { useCallback, useState } from 'react'

const PREFIX = 'yentrik entry '

function stored<T>(key: string): T | undefined {
  const text = sessionStorage.getItem(PREFIX + key)
  return text === null ? undefined : (JSON.parse(text) as T)
}

/** What is being entered, kept over a visit to another screen and a reload, until it is forgotten. */
export function useKept<T>(key: string, start: () => T): readonly [T, (next: T) => void, () => void] {
  const [value, setValue] = useState<T>(() => stored<T>(key) ?? start())
  const keep = useCallback(
    (next: T) => {
      setValue(next)
      sessionStorage.setItem(PREFIX + key, JSON.stringify(next))
    },
    [key],
  )
  const forget = useCallback(() => sessionStorage.removeItem(PREFIX + key), [key])
  return [value, keep, forget]
}
