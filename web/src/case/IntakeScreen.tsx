import { choicesBeside, routeTemplates } from '@yentrik/core'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { useEntryForm } from '../form/entry-form.ts'
import { FormPills, FormText } from '../form/fields.tsx'
import { useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { Pills } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { PromiseDate } from '../plan/PromiseDate.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { ImpressionFields } from './ImpressionFields.tsx'
import {
  choicesOf,
  dueOf,
  emptyIntake,
  type Intake,
  intakeFaults,
  intakeOf,
  pouredOf,
  prescribedOf,
  templateOf,
  usualDueDay,
  usualWeekdays,
} from './intake.ts'
import { impressionsFault } from './typed-impressions.ts'

/** Takes a case in, in under a minute: what, for whom, when. The impression is looked at in the first steps. */
export function IntakeScreen() {
  const go = useNavigate()
  const notation = usePreferences((preferences) => preferences.teeth)
  const { data: lab } = useAnswer('GET /lab')
  const weekdays = lab?.calendar.weekdays ?? usualWeekdays
  const { data: cases = [] } = useAnswer('GET /cases', { query: { which: 'all' } })
  const clinics = useMemo(() => [...new Set(cases.map((each) => each.clinic))].sort(), [cases])
  const prescribers = useMemo(() => [...new Set(cases.map((each) => each.prescriber))].sort(), [cases])
  const [chance, setChance] = useState<number>()
  const form = useEntryForm<Intake>({
    draftKey: 'intake',
    start: () => emptyIntake,
    check: (typed) => intakeFaults(typed, notation, weekdays),
    // The server names what is on the work authorisation with that before it.
    fieldOf: (named) => named.split('.').at(-1) as keyof Intake,
    store: async (typed) => {
      const promised = chance === undefined ? {} : { promisedChance: chance }
      const body = { ...intakeOf(typed, notation, weekdays), ...promised }
      const { caseId } = await request('POST /cases', { body })
      await go(`/case/${caseId}`)
    },
  })
  const { values, set } = form
  const template = templateOf(values)
  const choices = choicesOf(values)
  return (
    <main className="mx-auto max-w-5xl p-4 sm:p-6">
      <h1 className="mb-4 text-3xl font-bold">Take in a case</h1>
      <form
        className="card-flat grid gap-x-5 gap-y-3 p-6 sm:grid-cols-6"
        onSubmit={form.submit}
        noValidate
        aria-label="Work authorisation"
      >
        <div className="sm:col-span-6">
          <FormPills
            form={form}
            name="templateId"
            label="What is to be made"
            options={[...routeTemplates.values()].map(({ id, name }) => [id, name] as const)}
          />
          <div className="mt-3 flex flex-wrap gap-x-8 gap-y-2">
            {prescribedOf(template).map(({ id, name }) => (
              <Pills
                key={id}
                label={name}
                options={choicesBeside(template, id, choices).map((choice) => [choice.id, choice.name])}
                value={choices[id]!}
                onChoose={(choice) => set('choices', { ...values.choices, [id]: choice })}
              />
            ))}
          </div>
        </div>
        {pouredOf(values).length > 0 && (
          <div className="sm:col-span-6">
            <ImpressionFields
              poured={pouredOf(values)}
              typed={values.impressions}
              onTyped={(impressions) => set('impressions', impressions)}
              fault={impressionsFault(pouredOf(values), values.impressions)}
            />
          </div>
        )}
        <div className="sm:col-span-2">
          <FormText form={form} name="clinic" label="Clinic" suggestions={clinics} autoFocus />
        </div>
        <div className="sm:col-span-2">
          <FormText form={form} name="prescriber" label="Prescriber" suggestions={prescribers} />
        </div>
        <div className="sm:col-span-1">
          <FormText form={form} name="patientCode" label="Patient code" />
        </div>
        <div className="sm:col-span-1">
          <FormText form={form} name="patientAge" label="Age" />
        </div>
        <div className="sm:col-span-2">
          <FormText
            form={form}
            name="dueDay"
            label="Due on"
            type="date"
            shown={values.dueDay || usualDueDay(template, weekdays)}
          />
        </div>
        <div className="sm:col-span-1">
          <FormText form={form} name="dueTime" label="at" type="time" />
        </div>
        <div className="sm:col-span-6 sm:order-none">
          <PromiseDate
            templateId={values.templateId}
            choices={choices}
            dueAt={dueOf(values, weekdays)}
            onDay={(day) => set('dueDay', day)}
            onChance={setChance}
          />
        </div>
        <div className="sm:col-span-2">
          <FormText form={form} name="tryInDay" label="Try-in on" type="date" />
        </div>
        <div className="sm:col-span-1">
          <FormText form={form} name="shade" label="Shade" />
        </div>
        <div className="sm:col-span-3">
          <FormText
            form={form}
            name="materials"
            label="Materials"
            hint="Alloy, resin, tooth mould, as prescribed"
          />
        </div>
        <div className="sm:col-span-3">
          <FormText
            form={form}
            name="docket"
            label="Docket code"
            hint="Scan or paste; left empty, the next number"
          />
        </div>
        <div className="sm:col-span-2">
          <FormText
            form={form}
            name="teeth"
            label={`Teeth (${notation === 'fdi' ? 'ISO 3950' : 'universal'})`}
            hint={template.teeth?.say ?? 'Only where single teeth are meant'}
          />
        </div>
        <div className="sm:col-span-4">
          <FormText
            form={form}
            name="enclosures"
            label="What came along"
            hint="Trays, bites, rims, screws: with commas. All of it goes back."
          />
        </div>
        <div className="sm:col-span-6">
          <FormText form={form} name="notes" label="Notes on the work authorisation" lines={2} />
        </div>
        <div className="bg-base-100 border-base-300 sticky bottom-16 z-5 flex flex-wrap items-center gap-4 border-t py-3 sm:bottom-0 sm:col-span-6">
          <button type="submit" className="act-main" disabled={form.busy}>
            Take it in
          </button>
          {form.fault ? (
            <Message tone="error">{form.fault}</Message>
          ) : (
            form.wrong && <Message tone="error">Mend what is marked; nothing is stored yet.</Message>
          )}
        </div>
      </form>
    </main>
  )
}
