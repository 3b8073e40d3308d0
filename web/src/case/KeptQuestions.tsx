import { attemptOf, type CaseState, commandWords, type EventReader } from '@yentrik/core'
import { useState } from 'react'
import type { KeptEntry } from '../away/bench-store.ts'
import { takeOut, useOutbox } from '../away/kept.ts'
import { keepInstead } from '../away/outbox.ts'
import { clockTime } from '../format/format.ts'
import { newKey } from '../live/new-key.ts'
import { Message } from '../parts/Message.tsx'
import { useWords } from '../preferences/words.tsx'

/** What was done at this bench while the server was away, and does not fit what others did meanwhile: somebody decides. */
export function KeptQuestions({
  caseId,
  state,
  reader,
}: {
  caseId: string
  state: CaseState
  reader: EventReader
}) {
  const kept = useOutbox((outbox) => outbox.kept)
  return kept
    .filter((entry) => entry.caseId === caseId && entry.unfit)
    .map((entry) => <KeptQuestion key={entry.id} entry={entry} state={state} reader={reader} />)
}

function KeptQuestion({ entry, state, reader }: { entry: KeptEntry; state: CaseState; reader: EventReader }) {
  const say = useWords()
  const [leaving, setLeaving] = useState(false)
  const words = commandWords(entry.command, reader)
  const at = clockTime(entry.doneAt)
  const now = attemptOf(state, entry.command)
  // What it becomes is another thing than what was refused under the old key.
  const become = (change: Partial<KeptEntry>) =>
    void keepInstead({ ...entry, unfit: undefined, key: newKey(), ...change })
  const asNote = () => {
    const text = `Done at ${at} while the server was away: ${say(words)}`
    become({ command: { type: 'note', text: text.slice(0, LONGEST_NOTE) }, attempt: undefined })
  }
  return (
    <section
      aria-label="Kept here and not sent"
      className="card-flat border-warning flex flex-wrap items-center justify-between gap-3 border-2 p-4"
    >
      <div>
        <Message tone="warning">
          {entry.by} did this here at <time className="figures">{at}</time>, and it does not fit any more.
        </Message>
        <p className="mt-1 text-xl font-semibold">{say(words)}</p>
        {entry.unfit && <p>{say(entry.unfit.said)}</p>}
      </div>
      <div className="flex flex-wrap gap-2">
        {entry.unfit?.code === 'begun-again' && now !== undefined && (
          <button type="button" className="act" onClick={() => become({ attempt: now })}>
            It holds for this attempt too
          </button>
        )}
        <button type="button" className="act-main" onClick={asNote}>
          Put it down as a note
        </button>
        {leaving ? (
          <button type="button" className="act" onClick={() => void takeOut(entry.id)}>
            Yes, leave it out for good
          </button>
        ) : (
          <button type="button" className="act" onClick={() => setLeaving(true)}>
            Leave it out
          </button>
        )}
      </div>
    </section>
  )
}

const LONGEST_NOTE = 2000
