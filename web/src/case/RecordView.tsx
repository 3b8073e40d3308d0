import type { CaseEvent, CaseState, Check } from '@yentrik/core'
import { displayUnit } from '@yentrik/core'
import { useState } from 'react'
import { usePreferences } from '../app/preferences.ts'
import { clockTime, shortDate } from '../format/format.ts'
import { SelectField } from '../parts/Choices.tsx'
import { NumberField, readNumber } from '../parts/NumberField.tsx'
import { Sheet } from '../parts/Sheet.tsx'
import { TextField } from '../parts/TextField.tsx'
import { Told } from '../parts/Told.tsx'
import type { CaseHand } from './case-hand.ts'
import { type EventReader, eventWords, stepIn } from './event-words.ts'

/** Everything that was done, the newest first. A wrong entry is corrected by a new one; both stay. */
export function RecordView({
  hand,
  state,
  reader,
}: {
  hand: CaseHand
  state: CaseState
  reader: EventReader
}) {
  const [correcting, setCorrecting] = useState<CaseEvent>()
  const live = new Set(
    state.jobs.flatMap((job) =>
      Object.values(job.steps).flatMap((step) =>
        [...step.readings, ...step.mixes].map((entry) => entry.sequence),
      ),
    ),
  )
  const events = [...(hand.record?.events ?? [])].reverse()
  return (
    <section className="card-flat min-h-0 grow overflow-y-auto p-5" aria-label="Record">
      <a
        className="small-act float-right"
        href={`/api/cases/${hand.record?.caseId}/document`}
        download={`${state.docket}.json`}
      >
        Export as a file
      </a>
      <ol>
        {events.map((event, index) => {
          const at = Date.parse(event.at)
          const newDay = index === 0 || shortDate(Date.parse(events[index - 1]!.at)) !== shortDate(at)
          return (
            <li key={event.sequence}>
              {newDay && <p className="pt-3 pb-1 font-semibold opacity-80">{shortDate(at)}</p>}
              <div className="border-base-300 flex min-h-11 items-center gap-4 border-b py-1">
                <span className="figures w-14 shrink-0 font-mono">{clockTime(at)}</span>
                <span className="w-20 shrink-0 truncate">{event.by}</span>
                <span className="min-w-0 grow">{eventWords(event, reader)}</span>
                {live.has(event.sequence) &&
                  (event.type === 'checkRecorded' ||
                    (event.type === 'mixRecorded' && event.powderGrams !== undefined)) && (
                    <button
                      type="button"
                      className="small-act"
                      onClick={() => setCorrecting(event)}
                      aria-label={`Correct: ${eventWords(event, reader)}`}
                    >
                      Correct
                    </button>
                  )}
              </div>
            </li>
          )
        })}
      </ol>
      {correcting && (
        <CorrectSheet
          event={correcting}
          hand={hand}
          reader={reader}
          onClose={() => setCorrecting(undefined)}
        />
      )}
    </section>
  )
}

function CorrectSheet({
  event,
  hand,
  reader,
  onClose,
}: {
  event: CaseEvent
  hand: CaseHand
  reader: EventReader
  onClose: () => void
}) {
  const units = usePreferences((preferences) => preferences.units)
  const check: Check | undefined =
    event.type === 'checkRecorded'
      ? stepIn(reader, event.jobId, event.stepId)?.checks?.find((c) => c.id === event.checkId)
      : undefined
  const unit = check?.kind === 'measure' ? displayUnit(check.quantity, units) : undefined
  const [first, setFirst] = useState('')
  const [second, setSecond] = useState('')
  const [answer, setAnswer] = useState('')
  const [reason, setReason] = useState('')
  const [fault, setFault] = useState<string>()
  const mix = event.type === 'mixRecorded'
  const give = async () => {
    const a = readNumber(first, unit?.unit ?? 'g')
    const b = readNumber(second, 'mL')
    const wrong =
      check?.kind === 'observe'
        ? answer === ''
          ? 'Choose the right answer.'
          : undefined
        : (a.fault ?? (mix ? b.fault : undefined))
    const missing = reason.trim() === '' ? 'Say why it is corrected.' : undefined
    setFault(wrong ?? missing)
    if (wrong ?? missing) return
    const right =
      check?.kind === 'observe'
        ? { answer }
        : mix
          ? { powderGrams: a.value, liquidMillilitres: b.value }
          : { value: unit?.toStored(a.value ?? 0) }
    if (await hand.give({ type: 'correct', corrects: event.sequence, reason: reason.trim(), ...right }))
      onClose()
  }
  return (
    <Sheet title="Correct an entry" onClose={onClose}>
      <form
        noValidate
        className="grid gap-3"
        onSubmit={(submitted) => {
          submitted.preventDefault()
          void give()
        }}
      >
        <p>
          It says: <b>{eventWords(event, reader)}</b>. It stays on record; the right value stands beside it.
        </p>
        {check?.kind === 'observe' ? (
          <SelectField
            label="Right answer"
            options={[['', 'Choose'], ...check.answers.map((each) => [each.answer, each.answer] as const)]}
            value={answer}
            onChoose={setAnswer}
          />
        ) : (
          <div className="grid grid-cols-2 gap-3">
            <NumberField
              label={mix ? 'Powder' : 'Right value'}
              unit={unit?.unit ?? 'g'}
              text={first}
              onText={setFirst}
              autoFocus
            />
            {mix && <NumberField label="Liquid" unit="mL" text={second} onText={setSecond} />}
          </div>
        )}
        <TextField label="Why" text={reason} onText={setReason} lines={2} />
        {(fault ?? hand.refusal) && <Told tone="error">{fault ?? hand.refusal?.message}</Told>}
        <button type="submit" className="act-main justify-self-start">
          Correct
        </button>
      </form>
    </Sheet>
  )
}
