import { useEffect, useState } from 'react'
import { create } from 'zustand'
import { ApiError, api } from './api.ts'

interface LiveStore {
  /** Goes up with every change that the server tells of. */
  readonly version: number
  /** Lab time at a moment of this machine's steady clock, and how fast it runs. */
  readonly clock: {
    readonly labMillis: number
    readonly steadyMillis: number
    readonly speed: number
    readonly mayBeMoved: boolean
  }
  readonly connected: boolean
}

export const useLive = create<LiveStore>(() => ({
  version: 0,
  clock: { labMillis: Date.now(), steadyMillis: performance.now(), speed: 1, mayBeMoved: false },
  connected: true,
}))

/** Sets the clock by the server: this machine's own may be wrong. */
export async function readClock(): Promise<void> {
  const asked = performance.now()
  const { now, speed, mayBeMoved } = await api<{ now: number; speed: number; mayBeMoved: boolean }>('/clock')
  const answered = performance.now()
  useLive.setState({
    clock: { labMillis: now + ((answered - asked) / 2) * speed, steadyMillis: answered, speed, mayBeMoved },
  })
}

/** Listens to the server for as long as the page lives. */
export function listen(): () => void {
  const source = new EventSource('/api/live')
  source.addEventListener('change', (message) => {
    const change = JSON.parse(message.data as string) as { kind: string }
    if (change.kind === 'clock') void readClock()
    useLive.setState(({ version }) => ({ version: version + 1 }))
  })
  source.onopen = () => {
    useLive.setState(({ version }) => ({ connected: true, version: version + 1 }))
    void readClock().catch(() => undefined)
  }
  source.onerror = () => useLive.setState({ connected: false })
  return () => source.close()
}

export function labNow(): number {
  const { labMillis, steadyMillis, speed } = useLive.getState().clock
  return labMillis + (performance.now() - steadyMillis) * speed
}

/** Lab time, once a second (more often when it runs fast). */
export function useNow(): number {
  const { speed } = useLive((live) => live.clock)
  const [now, setNow] = useState(labNow)
  useEffect(() => {
    setNow(labNow())
    const timer = setInterval(() => setNow(labNow()), speed > 1 ? 200 : 1000)
    return () => clearInterval(timer)
  }, [speed])
  return now
}

export interface Fetched<T> {
  readonly data?: T
  readonly error?: ApiError
  readonly reload: () => void
}

/** What the server holds at an address, fetched again with every change. The old data stays while the new is coming. */
export function useFetched<T>(path: string): Fetched<T> {
  const version = useLive((live) => live.version)
  const [again, setAgain] = useState(0)
  const [held, setHeld] = useState<{ path: string; data?: T; error?: ApiError }>({ path })
  useEffect(() => {
    let current = true
    api<T>(path)
      .then((data) => current && setHeld({ path, data }))
      .catch((error: unknown) => {
        if (current && error instanceof ApiError)
          setHeld((old) => ({ path, data: old.path === path ? old.data : undefined, error }))
      })
    return () => {
      current = false
    }
  }, [path, version, again])
  const shown = held.path === path ? held : { path }
  return { data: shown.data, error: shown.error, reload: () => setAgain((n) => n + 1) }
}
