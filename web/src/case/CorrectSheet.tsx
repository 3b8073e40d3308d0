import {
  type CaseEvent,
  type Check,
  type EventReader,
  eventWords,
  type SheetKind,
  type StepSheet,
  sheetsOfStock,
  stepIn,
} from '@yentrik/core'
import { type ReactNode, useState } from 'react'
import { type Faults, useEntryForm } from '../form/entry-form.ts'
import { FormNumber, FormSelect, FormText } from '../form/fields.tsx'
import { keptUnit } from '../parts/bench-unit.ts'
import { forgetting, useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { readNumber } from '../parts/read-number.ts'
import { Sheet } from '../parts/Sheet.tsx'
import { TextField } from '../parts/TextField.tsx'
import { Said } from '../preferences/words.tsx'
import type { OpenCase } from '../record/open-case.ts'
import type { SheetEntryProps } from '../record/sheet-entry.ts'
import { lotWords, useShelf } from '../record/shelf.ts'
import { sheetKindsShown } from '../sheet/sheet-kinds.tsx'

interface CorrectProps<T extends CaseEvent['type']> {
  readonly event: Extract<CaseEvent, { type: T }>
  readonly openCase: OpenCase
  readonly reader: EventReader
  readonly onClose: () => void
}

/** What may be corrected in its place. What moved pieces of the stock is withdrawn instead, or done again. */
export const mayBeCorrected = (
  event: CaseEvent,
): event is Extract<CaseEvent, { type: 'checkRecorded' | 'mixRecorded' | 'sheetRecorded' }> =>
  event.type === 'checkRecorded' ||
  event.type === 'mixRecorded' ||
  (event.type === 'sheetRecorded' && !sheetsOfStock.includes(event.sheet.kind))

/** The right value of an entry; the wrong one stays on record beside it. */
export function CorrectSheet(props: CorrectProps<CaseEvent['type']>) {
  const { event, openCase, reader, onClose } = props
  return (
    <Sheet title="Correct an entry" onClose={onClose}>
      <div className="grid gap-3">
        <p>
          It says:{' '}
          <b>
            <Said words={eventWords(event, reader)} />
          </b>
          . It stays on record; what is right stands beside it.
        </p>
        {event.type === 'sheetRecorded' && <CorrectWhole {...props} event={event} />}
        {event.type === 'mixRecorded' && <CorrectMix {...props} event={event} />}
        {event.type === 'checkRecorded' && <CorrectReading {...props} event={event} />}
        {openCase.refusal && <Message tone="error" words={openCase.refusal.said} />}
      </div>
    </Sheet>
  )
}

const why = (reason: string) => (reason.trim() === '' ? 'Say why it is corrected.' : undefined)

function Correct({ busy }: { readonly busy: boolean }) {
  return (
    <button type="submit" className="act-main justify-self-start" disabled={busy}>
      Correct
    </button>
  )
}

function CorrectReading({ event, openCase, reader, onClose }: CorrectProps<'checkRecorded'>) {
  const check: Check | undefined = stepIn(reader, event.jobId, event.stepId)?.checks?.find(
    ({ id }) => id === event.checkId,
  )
  const unit = check?.kind === 'measure' ? keptUnit(check.quantity).unit : ''
  const looked = check?.kind === 'observe'
  const form = useEntryForm({
    draftKey: `${openCase.caseId} correct ${event.sequence}`,
    start: () => ({ value: '', answer: '', reason: '' }),
    check: ({ value, answer, reason }) => ({
      answer: looked && answer === '' ? 'Choose the right answer.' : undefined,
      value: looked ? undefined : readNumber(value, unit).fault,
      reason: why(reason),
    }),
    store: async ({ value, answer, reason }) => {
      const right = looked ? { answer } : { value: readNumber(value, unit).value ?? 0 }
      const corrects = event.sequence
      if (!(await openCase.give({ type: 'correct', corrects, reason: reason.trim(), ...right }))) return false
      onClose()
    },
  })
  return (
    <form noValidate className="grid gap-3" onSubmit={form.submit}>
      {check?.kind === 'observe' ? (
        <FormSelect
          form={form}
          name="answer"
          label="Right answer"
          options={[['', 'Choose'], ...check.answers.map((each) => [each.answer, each.answer] as const)]}
        />
      ) : (
        <FormNumber form={form} name="value" label="Right value" unit={unit} autoFocus />
      )}
      <FormText form={form} name="reason" label="Why" lines={2} />
      <Correct busy={form.busy} />
    </form>
  )
}

interface TypedMix {
  value: string
  liquid: string
  lotId: string
  reason: string
}

function CorrectMix({ event, openCase, onClose }: CorrectProps<'mixRecorded'>) {
  const shelf = useShelf()
  const weighed = event.powderGrams !== undefined
  const before = event.lots[0] ?? ''
  // Of a blend out of two packs the lots are withdrawn with it and taken again.
  const lots = event.lots.length > 1 ? [] : shelf.ofMaterial(event.materialId)
  const form = useEntryForm<TypedMix>({
    draftKey: `${openCase.caseId} correct ${event.sequence}`,
    start: () => ({ value: '', liquid: '', lotId: before, reason: '' }),
    check: ({ value, liquid, reason, lotId }): Faults<TypedMix> => {
      // Where only the lot was wrong the figures stay as they are.
      const wanted = lotId === before || value !== '' || liquid !== ''
      return {
        value: weighed && wanted ? readNumber(value, 'g').fault : undefined,
        liquid: weighed && wanted ? readNumber(liquid, 'mL').fault : undefined,
        lotId: !weighed && lotId === before ? 'Choose the right one.' : undefined,
        reason: why(reason),
      }
    },
    store: async ({ value, liquid, lotId, reason }) => {
      const given = await openCase.give({
        type: 'correct',
        corrects: event.sequence,
        reason: reason.trim(),
        ...(weighed && value !== ''
          ? { powderGrams: readNumber(value, 'g').value, liquidMillilitres: readNumber(liquid, 'mL').value }
          : {}),
        ...(lotId === before ? {} : { lots: lotId ? [lotId] : [] }),
      })
      if (!given) return false
      onClose()
    },
  })
  return (
    <form noValidate className="grid gap-3" onSubmit={form.submit}>
      {weighed && (
        <div className="grid grid-cols-2 gap-3">
          <FormNumber form={form} name="value" label="Powder" unit="g" autoFocus />
          <FormNumber form={form} name="liquid" label="Liquid" unit="mL" />
        </div>
      )}
      {lots.length > 0 && (
        <FormSelect
          form={form}
          name="lotId"
          label="Lot"
          options={[
            ...lots.map((lot) => [lot.lotId, lotWords(lot, shelf)] as const),
            ['', 'No lot noted'] as const,
          ]}
        />
      )}
      <FormText form={form} name="reason" label="Why" lines={2} />
      <Correct busy={form.busy} />
    </form>
  )
}

/** A sheet is filled in anew, by the entry that its step has. */
function CorrectWhole({ event, openCase, onClose }: CorrectProps<'sheetRecorded'>) {
  const draftKey = `${openCase.caseId} correct ${event.sequence}`
  const [reason, keep, forget] = useDraft<string>(draftKey, () => '')
  const [fault, setFault] = useState<string>()
  const job = openCase.state?.jobs.find(({ jobId }) => jobId === event.jobId)
  const step = job?.route.steps.find(({ id }) => id === event.stepId)
  const sheet: StepSheet | undefined = step?.sheets?.find(({ id }) => id === event.sheetId)
  if (!job || !step || !sheet) return null
  const Entry = sheetKindsShown[sheet.kind].Entry as (entry: SheetEntryProps<SheetKind>) => ReactNode
  const correct = async (data: typeof event.sheet) => {
    const wrong = why(reason)
    setFault(wrong)
    if (wrong) return false
    const stored = await forgetting(
      forget,
      openCase.give({ type: 'correct', corrects: event.sequence, reason: reason.trim(), sheet: data }),
    )
    if (stored) onClose()
    return stored
  }
  return (
    <>
      <TextField label="Why" text={reason} onText={keep} lines={2} fault={fault} />
      <Entry
        sheet={sheet}
        last={event.sheet}
        caseId={openCase.caseId}
        job={job}
        step={step}
        teeth={openCase.state?.authorisation.teeth ?? []}
        enclosures={openCase.state?.authorisation.enclosures ?? []}
        draftKey={`${draftKey} sheet`}
        open
        onRecord={correct as SheetEntryProps<SheetKind>['onRecord']}
      />
    </>
  )
}
