import type { Binder, BurnoutRun, CoreReading, PowerCut, RingSize, TemperatureProgram } from '@yentrik/core'
import { type Remote, wrap } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { CastingWork, FollowedBurnout, Judged } from './casting.worker.ts'

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
  readonly program: TemperatureProgram
  readonly reading?: CoreReading
}

/**
 * Asks the worker; the answer to the last question counts, whatever comes late.
 * @param keeps whether the answer before stays until the new one is there: for a curve that grows
 */
function useWorker<Q, A>(
  asked: Q | undefined,
  ask: (question: Q) => Promise<A>,
  keeps = false,
): A | undefined {
  const [told, setTold] = useState<{ readonly key: string; readonly answer: A }>()
  const key = asked === undefined ? '' : JSON.stringify(asked)
  const latest = useRef(ask)
  latest.current = ask
  useEffect(() => {
    if (key === '') return
    let dropped = false
    void latest.current(JSON.parse(key) as Q).then((answer) => {
      if (!dropped) setTold({ key, answer })
    })
    return () => {
      dropped = true
    }
  }, [key])
  return told?.key === key || (keeps && key !== '') ? told?.answer : undefined
}

/** Follows a burnout into the core of its ring. */
export function useBurnout(asked: BurnoutAsked | undefined): FollowedBurnout | undefined {
  return useWorker<BurnoutAsked, FollowedBurnout>(
    asked,
    async ({ size, binder, program, reading }) =>
      await castingWorker().follow(size, binder, program, reading),
  )
}

/** What a power cut did to a burnout. */
export function useCut(asked: (BurnoutAsked & { readonly cut: PowerCut }) | undefined): Judged | undefined {
  return useWorker<BurnoutAsked & { readonly cut: PowerCut }, Judged>(
    asked,
    async ({ size, binder, program, cut }) => await castingWorker().cut(size, binder, program, cut),
  )
}

/** What a measured burnout did to its ring. */
export function useJudged(run: BurnoutRun | undefined): Judged | undefined {
  return useWorker<BurnoutRun, Judged>(run, async (asked) => await castingWorker().judge(asked), true)
}
