import type { ClockJump } from '@yentrik/contract'
import { useEffect, useLayoutEffect, useState } from 'react'
import { create } from 'zustand'
import { request } from './request.ts'

interface LabClock {
  /** Lab time at a moment of this machine's steady clock, and how fast it runs. */
  readonly labMillis: number
  readonly steadyMillis: number
  readonly speed: number
  readonly mayBeMoved: boolean
  /** The last time that the clock of the server was set. */
  readonly jump?: ClockJump
}

export const useLabClock = create<LabClock>(() => ({
  labMillis: Date.now(),
  steadyMillis: performance.now(),
  speed: 1,
  mayBeMoved: false,
}))

/** Sets the clock by the server: this machine's own may be wrong. */
export async function readClock(): Promise<void> {
  const sent = performance.now()
  const { now, speed, mayBeMoved, jump } = await request('GET /clock')
  const answered = performance.now()
  useLabClock.setState({
    labMillis: now + ((answered - sent) / 2) * speed,
    steadyMillis: answered,
    speed,
    mayBeMoved,
    jump,
  })
}

/** Lab time as it runs, whatever clock a screen shows. */
export function runningNow(): number {
  const { labMillis, steadyMillis, speed } = useLabClock.getState()
  return labMillis + (performance.now() - steadyMillis) * speed
}

/** The clock of a practice case stands still while one works on it; ms since 1970. */
const useStanding = create<{ readonly at?: number }>(() => ({}))

/** Stands the clock of the screens at an instant for as long as the screen that asks for it is open. */
export function useStandingClock(at: number | undefined): void {
  useLayoutEffect(() => {
    useStanding.setState({ at })
    return () => useStanding.setState({ at: undefined })
  }, [at])
}

/** The time of the screens: of the lab, or of the practice case that is open. */
export function labNow(): number {
  return useStanding.getState().at ?? runningNow()
}

/** The time of the screens, once a second (more often when it runs fast). */
export function useNow(): number {
  const standing = useStanding(({ at }) => at)
  const running = useRunningNow()
  return standing ?? running
}

/** Lab time as it runs, once a second. */
export function useRunningNow(): number {
  const speed = useLabClock((clock) => clock.speed)
  const [now, setNow] = useState(runningNow)
  useEffect(() => {
    setNow(runningNow())
    const timer = setInterval(() => setNow(runningNow()), speed > 1 ? 200 : 1000)
    return () => clearInterval(timer)
  }, [speed])
  return now
}
