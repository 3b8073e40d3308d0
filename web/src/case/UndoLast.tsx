import {
  type CaseCommand,
  type CaseEvent,
  type EventReader,
  eventWords,
  refusalOf,
  saying,
} from '@yentrik/core'
import { Undo2 } from 'lucide-react'
import { useNow } from '../live/lab-clock.ts'
import { Said } from '../preferences/words.tsx'
import { type OpenCase, withdrawContext } from '../record/open-case.ts'
import { useSession } from '../session/session.ts'

/** For so long after a tap it is offered to take it back, s. */
const OFFERED_SECONDS = 10

/** For a few seconds after a tap: what it was, and the way to take it back. */
export function UndoLast({
  openCase,
  reader,
}: {
  readonly openCase: OpenCase
  readonly reader: EventReader
}) {
  const now = useNow()
  const { person } = useSession()
  const last = openCase.events.at(-1)
  if (!last || last.by !== person?.name || !isFresh(last, now) || !mayUndo(openCase, last)) return null
  return (
    <div
      className="bg-base-content text-base-100 fixed bottom-20 left-1/2 z-30 flex max-w-[92vw] -translate-x-1/2 items-center gap-4 rounded-2xl py-2 pr-2 pl-5 sm:bottom-6"
      role="status"
      aria-label="Just done"
    >
      <span className="truncate">
        <Said words={saying`${eventWords(last, reader)}`} />
      </span>
      <button
        type="button"
        className="bg-base-100 text-base-content flex min-h-11 items-center gap-2 rounded-xl px-4 font-semibold"
        onClick={() => void openCase.give(undo(last))}
      >
        <Undo2 className="size-5" aria-hidden /> Undo
      </button>
    </div>
  )
}

const undo = ({ sequence }: CaseEvent): CaseCommand => ({
  type: 'withdraw',
  withdraws: sequence,
  reason: 'Undone at once',
})

function isFresh(event: CaseEvent, now: number): boolean {
  const since = now - Date.parse(event.kept?.doneAt ?? event.at)
  return since >= -1000 && since < OFFERED_SECONDS * 1000
}

function mayUndo({ state, events }: OpenCase, event: CaseEvent): boolean {
  return state !== undefined && refusalOf(state, undo(event), withdrawContext(events)) === undefined
}
