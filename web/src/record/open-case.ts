import type { Session } from '@yentrik/contract'
import {
  attemptOf,
  type CaseCommand,
  type CaseEvent,
  type CaseState,
  DomainError,
  mayDo,
  refusalOf,
  rightOfCommand,
  rightRefused,
  type Saying,
  saying,
} from '@yentrik/core'
import { useMemo, useRef, useState } from 'react'
import type { KeptEntry } from '../away/bench-store.ts'
import { useOutbox } from '../away/kept.ts'
import { onTopOf, source, workingOf } from '../away/on-top.ts'
import { keep } from '../away/outbox.ts'
import { catchUp, recordWith, useReached } from '../live/changes.ts'
import { labNow } from '../live/lab-clock.ts'
import { newKey } from '../live/new-key.ts'
import { changeHeld, freshen, heldAnswer, useAnswer } from '../live/queries.ts'
import { Refusal, refusedHere, request } from '../live/request.ts'
import { useSession } from '../session/session.ts'
import type { OpenCase, StaleCommand } from './opened.ts'
import { isPractice, usePracticeCase } from './practice-case.ts'

export type { OpenCase } from './opened.ts'

/** Opens a case of the lab or of practice, by its id. */
export const useOpenCase = (caseId: string): OpenCase =>
  // What a case is never changes while it is open.
  isPractice(caseId) ? usePracticeCase(caseId) : useLabCase(caseId)

/** Opens a case of the lab: it stands as the core works it out from its events, and follows what others do on it. */
function useLabCase(caseId: string): OpenCase {
  const path = { caseId }
  const { data: record, error } = useAnswer('GET /cases/:caseId', { path })
  const { person } = useSession()
  const kept = useOutbox((outbox) => outbox.kept)
  const onTop = useMemo(() => record && onTopOf(record, kept).working, [record, kept])
  const state = onTop?.state
  /** As it stands now, which may be an event further than what is on the screen. */
  const current = () => {
    const held = heldAnswer('GET /cases/:caseId', { path })
    return held && onTopOf(held, useOutbox.getState().kept).working.state
  }
  const [wrong, setWrong] = useState<{ readonly refusal: Refusal; readonly refused: CaseCommand }>()
  const [stale, setStale] = useState<StaleCommand>()
  const [busy, setBusy] = useState(false)
  /** What this person has really seen: a command is judged by that, even when the screen is fetching already. */
  const seen = useRef(0)
  seen.current = Math.max(seen.current, record?.events.at(-1)?.sequence ?? 0)

  const queue = useRef<Promise<unknown>>(Promise.resolve())
  const [touchedAfter, setTouchedAfter] = useState<number>()
  /** Commands whose answer never came, by what they say: sent again under the same key, they are done once. */
  const unanswered = useRef(new Map<string, string>())

  const send = async (command: CaseCommand, seenSequence: number): Promise<boolean> => {
    setWrong(undefined)
    const stands = isEntry(command) ? current() : undefined
    const refused = stands && refusalOf(stands, command, context())
    if (refused) {
      setWrong({ refusal: refusedHere(refused), refused: command })
      return false
    }
    const words = JSON.stringify(command)
    const key = unanswered.current.get(words) ?? newKey()
    unanswered.current.set(words, key)
    const keepHere = async () => {
      const away = await keptHere(caseId, command, key, seenSequence, person)
      if (!away) unanswered.current.delete(words)
      return away
    }
    const signal = useReached.getState().reached ? undefined : AbortSignal.timeout(WAIT_WHEN_AWAY_MILLIS)
    try {
      // What was done before it is not on record yet: it waits behind that.
      if (useOutbox.getState().kept.some((each) => each.caseId === caseId)) {
        const refused = await keepHere()
        if (refused) setWrong({ refusal: refused, refused: command })
        return !refused
      }
      const body = { seen: seenSequence, command, key }
      const event = await request('POST /cases/:caseId/events', { path, body }, signal)
      unanswered.current.delete(words)
      seen.current = Math.max(seen.current, event.sequence)
      setStale(undefined)
      const last = heldAnswer('GET /cases/:caseId', { path })?.events.at(-1)?.sequence ?? 0
      // What others did meanwhile may not be held yet; a new way of a job comes with a route that only the server can name.
      if (event.type === 'variantSwapped' || event.sequence !== last + 1) await catchUp(caseId)
      else
        changeHeld('GET /cases/:caseId', { path }, (held) =>
          recordWith(held, { events: [event], routes: {} }),
        )
      return true
    } catch (thrown) {
      const noAnswer = signal?.aborted || (thrown instanceof Refusal && thrown.problem.status === 0)
      if (noAnswer) {
        // Nobody knows whether it was done; under its key it is done once all the same.
        const refused = await keepHere().catch(() =>
          thrown instanceof Refusal ? thrown : refusedHere(notKept()),
        )
        if (refused) setWrong({ refusal: refused, refused: command })
        return !refused
      }
      if (!(thrown instanceof Refusal)) throw thrown
      unanswered.current.delete(words)
      if (thrown.problem.code === 'stale') setStale({ command, since: thrown.problem.since as CaseEvent[] })
      else setWrong({ refusal: thrown, refused: command })
      return false
    }
  }
  const busily = async (run: () => Promise<boolean>) => {
    setBusy(true)
    try {
      return await run()
    } finally {
      setBusy(false)
    }
  }
  const giveAll = (commands: readonly CaseCommand[]): Promise<boolean> => {
    // One after the other: a quick second tap must see what the first has done.
    const given = queue.current.then(() =>
      busily(async () => {
        setTouchedAfter(current()?.sequence)
        for (const command of commands) if (!(await send(command, seen.current))) return false
        return true
      }),
    )
    queue.current = given.catch(() => false)
    return given
  }
  const events = onTop?.events ?? []
  return {
    caseId,
    record,
    state,
    events,
    error: error ?? undefined,
    ...wrong,
    stale,
    busy,
    give: (command) => giveAll([command]),
    giveAll,
    lastTouch: events.filter(({ sequence }) => touchedAfter !== undefined && sequence > touchedAfter),
    giveAgain: () =>
      stale
        ? busily(() => send(stale.command, stale.since.at(-1)?.sequence ?? seen.current))
        : Promise.resolve(false),
    dropStale: () => {
      setStale(undefined)
      void freshen('GET /cases/:caseId')
    },
    clearRefusal: () => setWrong(undefined),
  }
}

/**
 * Keeps at this bench what cannot be sent now, as far as it holds on the case as it stands here.
 * @returns why it does not; undefined: it is kept
 */
async function keptHere(
  caseId: string,
  command: CaseCommand,
  key: string,
  seen: number,
  person: Session['person'],
): Promise<Refusal | undefined> {
  const record = heldAnswer('GET /cases/:caseId', { path: { caseId } })
  if (!record || !person) return refusedHere(notOpenHere())
  const right = rightOfCommand(command)
  if (!mayDo(person.role, right)) {
    const { sentence, remedy } = rightRefused(person.role, right)
    return refusedHere(new DomainError('right-missing', sentence, remedy))
  }
  const { kept } = useOutbox.getState()
  const before = onTopOf(record, kept)
  const attempt = attemptOf(before.working.state, command)
  const entry: Omit<KeptEntry, 'id'> = {
    key,
    caseId,
    docket: before.working.state.docket,
    command,
    seen,
    sequence: before.working.state.sequence + 1,
    doneAt: labNow(),
    personId: person.personId,
    by: person.name,
    ...(attempt === undefined ? {} : { attempt }),
  }
  const { unfit } = onTopOf(record, [...kept, { ...entry, id: Number.POSITIVE_INFINITY }])
  if (unfit) return refusedHere(unfit.refusal)
  await keep(entry)
  return undefined
}

/** A server that was away a moment ago may be back, but nobody waits long to find out. */
const WAIT_WHEN_AWAY_MILLIS = 2000

const notKept = () =>
  new DomainError(
    'not-kept',
    'The server does not answer, and this browser cannot keep what was entered.',
    'Leave it in the field and try again; it is not done twice.',
  )

const notOpenHere = () =>
  new DomainError(
    'not-open-here',
    'This case was not open at this bench when the server went away.',
    'Write it down, and enter it once the server is back.',
  )

const useLabRecord = (caseId: string) => {
  const { data: record, error } = useAnswer('GET /cases/:caseId', { path: { caseId } })
  return { record, error }
}
const usePracticeRecord = (practiceId: string) => {
  const { data, error } = useAnswer('GET /practice/:practiceId', { path: { practiceId } })
  return { record: data?.record, error }
}
const useRecord = (caseId: string) => (isPractice(caseId) ? usePracticeRecord(caseId) : useLabRecord(caseId))

/** A case as it is on record, for what is printed: what is kept at a bench is not on it. */
export function useStoredCase(caseId: string) {
  const { record, error } = useRecord(caseId)
  const waiting = useOutbox(({ kept }) => kept.filter((each) => each.caseId === caseId).length)
  const state = useMemo(() => record && workingOf(record).state, [record])
  return { record, state, waiting, error: error ?? undefined }
}

/** What cannot be is refused here already, in the words of the core; whatever depends on others is for the server to say. */
const isEntry = ({ type }: CaseCommand) =>
  type === 'recordCheck' || type === 'recordMix' || type === 'recordSheet'
const context = () => ({ ...source, now: labNow() })

/** To ask whether an entry may be withdrawn as the record stands. */
export const withdrawContext = (events: readonly CaseEvent[]) => ({ ...context(), events })

/** Whether a command still holds on the case as others have left it: the refusal in words, or undefined. */
export function refusalNow(state: CaseState, command: CaseCommand): Saying | undefined {
  const refusal = refusalOf(state, command, context())
  return refusal && saying`${refusal.said} ${refusal.advice}`
}
