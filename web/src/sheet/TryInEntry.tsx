import { firstChange, reopenedSteps, stepOf, type WantedChange } from '@yentrik/core'
import { useState } from 'react'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { TextField } from '../parts/TextField.tsx'
import type { SheetEntryProps } from '../record/sheet-entry.ts'

/** What came back with the set-up: accepted, or a list of changes, each with the step that opens for it. */
export function TryInEntry({
  sheet,
  job,
  last,
  draftKey,
  refusal,
  open,
  onRecord,
}: SheetEntryProps<'tryInAnswer'>) {
  const [changes, setChanges, forget] = useDraft<readonly WantedChange[]>(draftKey, () => last?.changes ?? [])
  const [tried, setTried] = useState(false)
  const first = firstChange(sheet.changes, changes)
  const again = first
    ? reopenedSteps(job.route, first.toStepId, false).filter(({ id }) => job.steps[id]?.status !== 'waiting')
    : []
  const toggle = (change: string) =>
    setChanges(
      changes.some((each) => each.change === change)
        ? changes.filter((each) => each.change !== change)
        : [...changes, { change, words: '' }],
    )
  const record = () => {
    setTried(true)
    if (changes.length > 0 && changes.every(({ words }) => words.trim() !== ''))
      void onRecord({ kind: 'tryInAnswer', changes }).then((kept) => kept && forget())
  }
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className={`act ${last?.changes.length === 0 ? 'btn-success' : ''}`}
          aria-pressed={last?.changes.length === 0}
          disabled={!open}
          onClick={() => {
            setChanges([])
            void onRecord({ kind: 'tryInAnswer', changes: [] }).then((kept) => kept && forget())
          }}
        >
          Accepted
        </button>
      </div>
      <p className="font-semibold">Or changes wanted to</p>
      <div className="flex flex-wrap gap-2">
        {sheet.changes.map(({ id, name }) => (
          <button
            key={id}
            type="button"
            className={`act ${changes.some(({ change }) => change === id) ? 'btn-primary' : ''}`}
            aria-pressed={changes.some(({ change }) => change === id)}
            disabled={!open}
            onClick={() => toggle(id)}
          >
            {name}
          </button>
        ))}
      </div>
      {sheet.changes.map(({ id, name, toStepId }) => {
        const wanted = changes.find(({ change }) => change === id)
        return (
          wanted && (
            <TextField
              key={id}
              label={`${name}: what the note says`}
              text={wanted.words}
              onText={(words) =>
                setChanges(changes.map((each) => (each.change === id ? { ...each, words } : each)))
              }
              fault={tried && wanted.words.trim() === '' ? 'Write down what the note says of it.' : undefined}
              hint={`opens "${stepOf(job, toStepId).name}" again`}
            />
          )
        )
      })}
      {first && (
        <p>
          To be done again: <b>{again.map(({ name }) => name).join(', ')}</b>.
        </p>
      )}
      {refusal && <Message tone="error" words={refusal} />}
      {changes.length > 0 && (
        <button type="button" className="act justify-self-start" disabled={!open} onClick={record}>
          Record the changes
        </button>
      )}
    </div>
  )
}
