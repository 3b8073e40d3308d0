import { type CaseCommand, type CaseEvent, type EventReader, eventWords, refusalOf } from '@yentrik/core'
import { Undo2 } from 'lucide-react'
import { useNow } from '../live/lab-clock.ts'
import { useWords } from '../preferences/words.tsx'
import { type OpenCase, withdrawContext } from '../record/open-case.ts'
import { useSession } from '../session/session.ts'

/** For so long after a tap it is offered to take it back, s (choice). */
const OFFERED_SECONDS = 10

/** For a few seconds after a tap of one's own, the way to take it back. */
export function UndoLast({
  openCase,
  reader,
}: {
  readonly openCase: OpenCase
  readonly reader: EventReader
}) {
  const now = useNow()
  const say = useWords()
  const { person } = useSession()
  const last = openCase.events.at(-1)
  if (!last || last.by !== person?.name || !isFresh(last, now) || !mayUndo(openCase, last)) return null
  const touched = openCase.lastTouch.filter(({ by }) => by === person.name)
  const all = touched.includes(last) ? touched : [last]
  return (
    <button
      type="button"
      className="act"
      title={all.map((event) => say(eventWords(event, reader))).join('. ')}
      onClick={() => void openCase.giveAll(all.toReversed().map(undo))}
    >
      <Undo2 className="size-5" aria-hidden /> <span className="sr-only">Undo</span>
    </button>
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

/** What was written, as a note, is no slip of the hand. */
function mayUndo({ state, events }: OpenCase, event: CaseEvent): boolean {
  return (
    event.type !== 'noted' &&
    state !== undefined &&
    refusalOf(state, undo(event), withdrawContext(events)) === undefined
  )
}
