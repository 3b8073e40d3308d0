import {
  type CaseCommand,
  type CaseEvent,
  type CaseState,
  caseState,
  type Route,
  refusalOf,
  routeTemplates,
} from '@yentrik/core'
import { useMemo, useRef, useState } from 'react'
import { ApiError, api } from '../live/api.ts'
import { type Fetched, labNow, useFetched } from '../live/live-store.ts'

export interface CaseRecord {
  readonly caseId: string
  readonly events: readonly CaseEvent[]
  readonly routes: Readonly<Record<string, Route>>
}

/** A command that came too late, with what others did since it was decided on. */
export interface StaleCommand {
  readonly command: CaseCommand
  readonly since: readonly CaseEvent[]
}

export interface CaseHand {
  readonly record?: CaseRecord
  readonly state?: CaseState
  readonly error?: ApiError
  /** The last refusal, in words, until the next command. */
  readonly refusal?: ApiError
  /** The command that it refused. */
  readonly refused?: CaseCommand
  readonly stale?: StaleCommand
  readonly busy: boolean
  /** @returns whether it was stored */
  readonly give: (command: CaseCommand) => Promise<boolean>
  /** Gives the stale command again, on top of what others did. */
  readonly giveAgain: () => Promise<boolean>
  readonly dropStale: () => void
  readonly clearRefusal: () => void
  readonly reload: () => void
}

/** A case as it stands, worked out from its events by the core, and the way to give it commands. */
export function useCaseHand(caseId: string): CaseHand {
  const { data: record, error, reload }: Fetched<CaseRecord> = useFetched<CaseRecord>(`/cases/${caseId}`)
  const state = useMemo(() => record && caseState(record.events, (id) => record.routes[id]!), [record])
  const [told, setTold] = useState<{ readonly refusal: ApiError; readonly refused: CaseCommand }>()
  const [stale, setStale] = useState<StaleCommand>()
  const [busy, setBusy] = useState(false)
  /** What this person has really seen: a command is judged by that, even when the screen is fetching already. */
  const seen = useRef(0)
  seen.current = Math.max(seen.current, state?.sequence ?? 0)

  const queue = useRef<Promise<unknown>>(Promise.resolve())

  const send = async (command: CaseCommand, seenSequence: number): Promise<boolean> => {
    setBusy(true)
    setTold(undefined)
    try {
      const event = await api<CaseEvent>(`/cases/${caseId}/events`, { body: { seen: seenSequence, command } })
      seen.current = event.sequence
      setStale(undefined)
      reload()
      return true
    } catch (thrown) {
      if (!(thrown instanceof ApiError)) throw thrown
      if (thrown.problem.code === 'stale') setStale({ command, since: thrown.problem.since as CaseEvent[] })
      else setTold({ refusal: thrown, refused: command })
      return false
    } finally {
      setBusy(false)
    }
  }
  return {
    record,
    state,
    error,
    ...told,
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
      reload()
    },
    clearRefusal: () => setTold(undefined),
    reload,
  }
}

/** Whether a command still holds on the case as others have left it: the refusal in words, or undefined. */
export function refusalNow(state: CaseState, command: CaseCommand): string | undefined {
  const refusal = refusalOf(state, command, {
    now: labNow(),
    templates: routeTemplates,
    routeIdOf: () => 'tried only',
  })
  return refusal && `${refusal.message} ${refusal.remedy}`
}
