import { type CaseEvent, type Check, displayUnit, type EventReader, eventWords, stepIn } from '@yentrik/core'
import { type Faults, useEntryForm } from '../form/entry-form.ts'
import { FormNumber, FormSelect, FormText } from '../form/fields.tsx'
import { Message } from '../parts/Message.tsx'
import { readNumber } from '../parts/read-number.ts'
import { Sheet } from '../parts/Sheet.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { Said } from '../preferences/words.tsx'
import type { OpenCase } from '../record/open-case.ts'

const fresh = { value: '', liquid: '', answer: '', reason: '' }
type Typed = typeof fresh

/** The right value of an entry; the wrong one stays on record beside it. */
export function CorrectSheet({
  event,
  openCase,
  reader,
  onClose,
}: {
  event: CaseEvent
  openCase: OpenCase
  reader: EventReader
  onClose: () => void
}) {
  const units = usePreferences((preferences) => preferences.units)
  const check: Check | undefined =
    event.type === 'checkRecorded'
      ? stepIn(reader, event.jobId, event.stepId)?.checks?.find((c) => c.id === event.checkId)
      : undefined
  const shown = check?.kind === 'measure' ? displayUnit(check.quantity, units) : undefined
  const unit = shown?.unit ?? 'g'
  const wants = check?.kind === 'observe' ? 'answer' : event.type === 'mixRecorded' ? 'mix' : 'value'
  const form = useEntryForm<Typed>({
    draftKey: `${openCase.caseId} correct ${event.sequence}`,
    start: () => fresh,
    check: ({ value, liquid, answer, reason }): Faults<Typed> => ({
      answer: wants === 'answer' && answer === '' ? 'Choose the right answer.' : undefined,
      value: wants === 'answer' ? undefined : readNumber(value, unit).fault,
      liquid: wants === 'mix' ? readNumber(liquid, 'mL').fault : undefined,
      reason: reason.trim() === '' ? 'Say why it is corrected.' : undefined,
    }),
    store: async ({ value, liquid, answer, reason }) => {
      const read = readNumber(value, unit).value ?? 0
      const right =
        wants === 'answer'
          ? { answer }
          : wants === 'mix'
            ? { powderGrams: read, liquidMillilitres: readNumber(liquid, 'mL').value }
            : { value: shown?.toStored(read) }
      const corrects = event.sequence
      if (!(await openCase.give({ type: 'correct', corrects, reason: reason.trim(), ...right }))) return false
      onClose()
    },
  })
  return (
    <Sheet title="Correct an entry" onClose={onClose}>
      <form noValidate className="grid gap-3" onSubmit={form.submit}>
        <p>
          It says:{' '}
          <b>
            <Said words={eventWords(event, reader)} />
          </b>
          . It stays on record; the right value stands beside it.
        </p>
        {check?.kind === 'observe' ? (
          <FormSelect
            form={form}
            name="answer"
            label="Right answer"
            options={[['', 'Choose'], ...check.answers.map((each) => [each.answer, each.answer] as const)]}
          />
        ) : (
          <div className="grid grid-cols-2 gap-3">
            <FormNumber
              form={form}
              name="value"
              label={wants === 'mix' ? 'Powder' : 'Right value'}
              unit={unit}
              autoFocus
            />
            {wants === 'mix' && <FormNumber form={form} name="liquid" label="Liquid" unit="mL" />}
          </div>
        )}
        <FormText form={form} name="reason" label="Why" lines={2} />
        {openCase.refusal && <Message tone="error" words={openCase.refusal.said} />}
        <button type="submit" className="act-main justify-self-start" disabled={form.busy}>
          Correct
        </button>
      </form>
    </Sheet>
  )
}
