import type { Saying, WorkAuthorisation } from '@yentrik/core'
import { dateText, instantOf, timeText } from '../parts/date-entry.ts'
import { forgetting, useDraft } from '../parts/draft.ts'
import { TextField } from '../parts/TextField.tsx'
import { WordsSheet } from './WordsSheet.tsx'

/** Due date, shade and notes may change while the case is here; the former ones stay on record. */
export function AmendSheet({
  authorisation,
  draftKey,
  refusal,
  onClose,
  onGive,
}: {
  authorisation: WorkAuthorisation
  draftKey: string
  refusal?: Saying
  onClose: () => void
  onGive: (changes: Partial<WorkAuthorisation>, reason: string) => Promise<boolean>
}) {
  const due = Date.parse(authorisation.dueAt)
  const [typed, keep, forget] = useDraft(`${draftKey} entries`, () => ({
    day: dateText(due),
    time: timeText(due),
    materials: authorisation.materials ?? '',
    shade: authorisation.shade ?? '',
    notes: authorisation.notes ?? '',
  }))
  const { day, time, materials, shade, notes } = typed
  const dueAt = instantOf(day, time)
  const give = (reason: string) => {
    const changes: { -readonly [K in keyof WorkAuthorisation]?: WorkAuthorisation[K] } = {}
    if (dueAt !== undefined && dueAt !== due) changes.dueAt = new Date(dueAt).toISOString()
    if (materials !== (authorisation.materials ?? '')) changes.materials = materials
    if (shade !== (authorisation.shade ?? '')) changes.shade = shade
    if (notes !== (authorisation.notes ?? '')) changes.notes = notes
    return dueAt === undefined ? Promise.resolve(false) : forgetting(forget, onGive(changes, reason))
  }
  return (
    <WordsSheet
      title="Work authorisation"
      label="Why it is changed"
      button="Change it"
      draftKey={draftKey}
      refusal={refusal}
      onClose={onClose}
      onGive={give}
      intro={
        <>
          <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
            <dt className="opacity-80">Wanted</dt>
            <dd>{authorisation.wanted}</dd>
            <dt className="opacity-80">Prescriber</dt>
            <dd>
              {authorisation.prescriber}, {authorisation.clinic}
            </dd>
            <dt className="opacity-80">Came along</dt>
            <dd>{authorisation.enclosures.join(', ') || 'nothing noted'}</dd>
          </dl>
          <div className="grid grid-cols-2 gap-3">
            <TextField
              label="Due on"
              type="date"
              text={day}
              onText={(text) => keep({ ...typed, day: text })}
              fault={dueAt === undefined ? 'Enter the day and time.' : undefined}
            />
            <TextField label="at" type="time" text={time} onText={(text) => keep({ ...typed, time: text })} />
          </div>
          <TextField
            label="Materials"
            text={materials}
            onText={(text) => keep({ ...typed, materials: text })}
          />
          <TextField label="Shade" text={shade} onText={(text) => keep({ ...typed, shade: text })} />
          <TextField
            label="Notes"
            text={notes}
            onText={(text) => keep({ ...typed, notes: text })}
            lines={2}
          />
        </>
      }
    />
  )
}
