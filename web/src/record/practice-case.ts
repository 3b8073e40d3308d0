import type { CaseCommand, PracticeAct } from '@yentrik/core'
import { createContext, use, useMemo, useRef, useState } from 'react'
import { workingOf } from '../away/on-top.ts'
import { recordWith } from '../live/changes.ts'
import { useStandingClock } from '../live/lab-clock.ts'
import { changeHeld, freshen, heldAnswer, useAnswer } from '../live/queries.ts'
import { Refusal, request } from '../live/request.ts'
import type { OpenCase, PracticeHand } from './opened.ts'

/** Practice cases bear it in their id: the same screens open both. */
export const isPractice = (caseId: string): boolean => caseId.startsWith('practice-')

/** What can be seen of the practice case on the screen; none: it is a case of the lab. */
export const PracticeContext = createContext<PracticeHand | undefined>(undefined)
export const usePractice = (): PracticeHand | undefined => use(PracticeContext)

/** Opens a practice case: nobody else works on it, its clock stands still, and nothing of it is kept at the bench. */
export function usePracticeCase(practiceId: string): OpenCase {
  const path = { practiceId }
  const { data, error } = useAnswer('GET /practice/:practiceId', { path })
  useStandingClock(data?.now)
  const state = useMemo(() => data && workingOf(data.record).state, [data])
  const [wrong, setWrong] = useState<{ readonly refusal: Refusal; readonly refused?: CaseCommand }>()
  const [busy, setBusy] = useState(false)
  const queue = useRef<Promise<unknown>>(Promise.resolve())

  const send = async (doing: PracticeAct): Promise<boolean> => {
    const held = heldAnswer('GET /practice/:practiceId', { path })
    if (!held) return false
    setWrong(undefined)
    try {
      const step = await request('POST /practice/:practiceId/acts', {
        path,
        body: { seen: held.acts, acts: [doing] },
      })
      changeHeld('GET /practice/:practiceId', { path }, (before) => ({
        ...before,
        ...step,
        hint: step.hint,
        record: recordWith(before.record, step.record),
      }))
      if (step.closed) await freshen('GET /practice')
      return true
    } catch (thrown) {
      if (!(thrown instanceof Refusal)) throw thrown
      setWrong({ refusal: thrown, ...(doing.act === 'command' ? { refused: doing.command } : {}) })
      if (thrown.problem.code === 'stale') await freshen('GET /practice/:practiceId')
      return false
    }
  }
  const sendAll = (all: readonly PracticeAct[]): Promise<boolean> => {
    const given = queue.current.then(async () => {
      setBusy(true)
      try {
        for (const doing of all) if (!(await send(doing))) return false
        return true
      } finally {
        setBusy(false)
      }
    })
    queue.current = given.catch(() => false)
    return given
  }
  const giveAll = (commands: readonly CaseCommand[]) =>
    sendAll(commands.map((command) => ({ act: 'command', command })))
  return {
    caseId: practiceId,
    record: data?.record,
    state,
    events: data?.record.events ?? [],
    error: error ?? undefined,
    ...wrong,
    busy,
    give: (command) => giveAll([command]),
    giveAll,
    // Taking back is a note on its record; nobody waits for it.
    lastTouch: [],
    giveAgain: () => Promise.resolve(false),
    dropStale: () => undefined,
    clearRefusal: () => setWrong(undefined),
    ...(data
      ? {
          practice: {
            level: data.short.level,
            seen: data.seen,
            hint: data.hint,
            closed: data.closed,
            handsMinutes: data.handsMinutes,
            act: (doing) => sendAll([doing]),
          },
        }
      : {}),
  }
}
