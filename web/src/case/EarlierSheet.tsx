import { labNow } from '../live/lab-clock.ts'
import { dateText, instantOf, timeText } from '../parts/date-entry.ts'
import { useDraft } from '../parts/draft.ts'
import { Sheet } from '../parts/Sheet.tsx'
import { TextField } from '../parts/TextField.tsx'

/** When something really was that nobody tapped in time: what is tapped next counts from then. */
export function EarlierSheet({
  what,
  draftKey,
  onClose,
  onTime,
}: {
  /** What will count from then, as "Start". */
  readonly what: string
  /** Under which what is typed is kept. */
  readonly draftKey: string
  readonly onClose: () => void
  readonly onTime: (instant: number) => void
}) {
  const [{ day, time }, keep, forget] = useDraft(draftKey, () => ({
    day: dateText(labNow()),
    time: timeText(labNow()),
  }))
  const at = instantOf(day, time)
  return (
    <Sheet title="When was it?" onClose={onClose}>
      <form
        noValidate
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          if (at === undefined) return
          forget()
          onTime(at)
        }}
      >
        <p>
          Say when it really was, then tap <b>{what}</b>. The record tells that it was entered later.
        </p>
        <div className="grid grid-cols-2 gap-3">
          <TextField
            label="At"
            type="time"
            text={time}
            onText={(text) => keep({ day, time: text })}
            autoFocus
            fault={at === undefined ? 'Enter a day and a time of the clock.' : undefined}
          />
          <TextField label="On" type="date" text={day} onText={(text) => keep({ day: text, time })} />
        </div>
        <button type="submit" className="act-main justify-self-start" disabled={at === undefined}>
          It was then
        </button>
      </form>
    </Sheet>
  )
}
