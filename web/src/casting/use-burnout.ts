import type { Binder, BurnoutProgram, CoreReading, RingSize } from '@yentrik/core'
import { type Remote, wrap } from 'comlink'
import { useEffect, useState } from 'react'
import type { CastingWork, FollowedBurnout } from './casting.worker.ts'

let shared: Remote<CastingWork> | undefined
function castingWorker(): Remote<CastingWork> {
  shared ??= wrap<CastingWork>(
    new Worker(new URL('./casting.worker.ts', import.meta.url), { type: 'module' }),
  )
  return shared
}

export interface BurnoutAsked {
  readonly size: RingSize
  readonly binder: Binder
  readonly program: BurnoutProgram
  readonly reading?: CoreReading
}

/** Follows a burnout in the worker; the answer to the last question counts, whatever comes late. */
export function useBurnout(asked: BurnoutAsked | undefined): FollowedBurnout | undefined {
  const [answer, setAnswer] = useState<{ readonly key: string; readonly followed: FollowedBurnout }>()
  const key = asked ? JSON.stringify(asked) : ''
  useEffect(() => {
    if (key === '') return
    let dropped = false
    const { size, binder, program, reading } = JSON.parse(key) as BurnoutAsked
    void castingWorker()
      .follow(size, binder, program, reading)
      .then((followed) => {
        if (!dropped) setAnswer({ key, followed })
      })
    return () => {
      dropped = true
    }
  }, [key])
  return answer?.key === key ? answer.followed : undefined
}
