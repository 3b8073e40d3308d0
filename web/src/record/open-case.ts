import type { CaseRecord } from '@yentrik/contract'
import {
  type CaseCommand,
  type CaseEvent,
  type CaseState,
  refusalOf,
  routeTemplates,
  type Saying,
  saying,
  workingCase,
} from '@yentrik/core'
import { useMemo, useRef, useState } from 'react'
import { catchUp, recordWith } from '../live/changes.ts'
import { labNow } from '../live/lab-clock.ts'
import { changeHeld, freshen, heldAnswer, useAnswer } from '../live/queries.ts'
import { Refusal, refusedHere, request } from '../live/request.ts'

/** A command that came too late, with what others did since it was decided on. */
interface StaleCommand {
  readonly command: CaseCommand
  readonly since: readonly CaseEvent[]
}

/** A case as a screen has it open: as it stands, and the way to give it commands. */
export interface OpenCase {
  readonly caseId: string
  readonly record?: CaseRecord
  readonly state?: CaseState
  readonly error?: Refusal
  /** The last refusal, until the next command. */
  readonly refusal?: Refusal
  /** The command that was refused. */
  readonly refused?: CaseCommand
  readonly stale?: StaleCommand
  readonly busy: boolean
  /** @returns whether it was stored */
  readonly give: (command: CaseCommand) => Promise<boolean>
  /** Gives the stale command again, on top of what others did. */
  readonly giveAgain: () => Promise<boolean>
  readonly dropStale: () => void
  readonly clearRefusal: () => void
}

/** Opens a case: it stands as the core works it out from its events, and follows what others do on it. */
export function useOpenCase(caseId: string): OpenCase {
  const path = { caseId }
  const { data: record, error } = useAnswer('GET /cases/:caseId', { path })
  const state = useMemo(() => record && stateOf(record), [record])
  /** As it stands now, which may be an event further than what is on the screen. */
  const current = () => {
    const held = heldAnswer('GET /cases/:caseId', { path })
    return held === record ? state : held && stateOf(held)
  }
  const [wrong, setWrong] = useState<{ readonly refusal: Refusal; readonly refused: CaseCommand }>()
  const [stale, setStale] = useState<StaleCommand>()
  const [busy, setBusy] = useState(false)
  /** What this person has really seen: a command is judged by that, even when the screen is fetching already. */
  const seen = useRef(0)
  seen.current = Math.max(seen.current, state?.sequence ?? 0)

  const queue = useRef<Promise<unknown>>(Promise.resolve())
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
    setBusy(true)
    const words = JSON.stringify(command)
    const key = unanswered.current.get(words) ?? newKey()
    unanswered.current.set(words, key)
    try {
      const event = await request('POST /cases/:caseId/events', {
        path,
        body: { seen: seenSequence, command, key },
      })
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
      if (!(thrown instanceof Refusal)) throw thrown
      // Status 0: no answer came, and nobody knows whether it was done.
      if (thrown.problem.status !== 0) unanswered.current.delete(words)
      if (thrown.problem.code === 'stale') setStale({ command, since: thrown.problem.since as CaseEvent[] })
      else setWrong({ refusal: thrown, refused: command })
      return false
    } finally {
      setBusy(false)
    }
  }
  return {
    caseId,
    record,
    state,
    error: error ?? undefined,
    ...wrong,
    stale,
    busy,
    give: (command) => {
      // One after the other: a quick second tap must see what the first has done.
      const given = queue.current.then(() => send(command, seen.current))
      queue.current = given.catch(() => false)
      return given
    },
    giveAgain: () =>
      stale ? send(stale.command, stale.since.at(-1)?.sequence ?? seen.current) : Promise.resolve(false),
    dropStale: () => {
      setStale(undefined)
      void freshen('GET /cases/:caseId')
    },
    clearRefusal: () => setWrong(undefined),
  }
}

/** A key that nobody else gives; `randomUUID` is there over TLS alone. */
const newKey = () =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join(
    '',
  )

const stateOf = ({ events, routes }: CaseRecord) =>
  workingCase(events, new Map(Object.entries(routes)), routeTemplates).state

/** What cannot be is refused here already, in the words of the core; whatever depends on others is for the server to say. */
const isEntry = ({ type }: CaseCommand) =>
  type === 'recordCheck' || type === 'recordMix' || type === 'recordSheet'
const context = () => ({ now: labNow(), templates: routeTemplates, routeIdOf: () => 'tried only' })

/** Whether a command still holds on the case as others have left it: the refusal in words, or undefined. */
export function refusalNow(state: CaseState, command: CaseCommand): Saying | undefined {
  const refusal = refusalOf(state, command, context())
  return refusal && saying`${refusal.said} ${refusal.advice}`
}
