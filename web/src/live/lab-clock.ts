import type { ClockJump } from '@yentrik/contract'
import { useEffect, useState } from 'react'
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

export function labNow(): number {
  const { labMillis, steadyMillis, speed } = useLabClock.getState()
  return labMillis + (performance.now() - steadyMillis) * speed
}

/** Lab time, once a second (more often when it runs fast). */
export function useNow(): number {
  const speed = useLabClock((clock) => clock.speed)
  const [now, setNow] = useState(labNow)
  useEffect(() => {
    setNow(labNow())
    const timer = setInterval(() => setNow(labNow()), speed > 1 ? 200 : 1000)
    return () => clearInterval(timer)
  }, [speed])
  return now
}
