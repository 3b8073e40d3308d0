import type { CureRun, JobState } from '@yentrik/core'
import { type Remote, wrap } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { FollowQuestion } from './cure-draft.ts'
import type { CuringWork, Followed, Judged } from './curing.worker.ts'

let shared: Remote<CuringWork> | undefined
export function curingWorker(): Remote<CuringWork> {
  shared ??= wrap<CuringWork>(new Worker(new URL('./curing.worker.ts', import.meta.url), { type: 'module' }))
  return shared
}

/**
 * Asks the worker. One question is under way at a time; when it is answered the newest is asked, so that dragging never
 * piles work up. The answer before stays until the new one is there.
 */
function useAsked<Q, A>(question: Q | undefined, ask: (question: Q) => Promise<A>): A | undefined {
  const [answer, setAnswer] = useState<A>()
  const key = question === undefined ? '' : JSON.stringify(question)
  const wanted = useRef(key)
  const busy = useRef(false)
  const latest = useRef(ask)
  wanted.current = key
  latest.current = ask
  useEffect(() => {
    let gone = false
    const askNext = async () => {
      if (busy.current || wanted.current === '') return
      busy.current = true
      const asked = wanted.current
      const got = await latest.current(JSON.parse(asked) as Q)
      busy.current = false
      setAnswer(got)
      if (!gone && wanted.current !== asked) void askNext()
    }
    if (key !== '') void askNext()
    return () => {
      gone = key === ''
    }
  }, [key])
  return key === '' ? undefined : answer
}

/** Follows a bath into the resin, a little coarser while a hand moves it. */
export function useFollowed(question: FollowQuestion | undefined, moves: boolean): Followed | undefined {
  return useAsked(question && { question, moves }, async ({ question: asked, moves: isMoving }) =>
    curingWorker().follow(asked, isMoving ? 'moves' : 'rests'),
  )
}

/** What a cure did, by its bath as it was read. */
export function useJudgedCure(run: CureRun | undefined): Judged | undefined {
  return useAsked(run, async (asked) => curingWorker().judge(asked))
}

/** The step of a job that cures, whatever its bath. */
export const cureStepId = (job: JobState): string | undefined =>
  job.route.steps.find(({ sheets }) => sheets?.some(({ kind }) => kind === 'cure'))?.id
