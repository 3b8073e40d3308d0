import { DomainError, parseTeeth, routeTemplates } from '@yentrik/core'
import { type FormEvent, useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { usePreferences } from '../app/preferences.ts'
import type { CaseRecord } from '../case/case-hand.ts'
import { ApiError, api } from '../live/api.ts'
import { labNow, useFetched } from '../live/live-store.ts'
import { Pills } from '../parts/Choices.tsx'
import { TextField } from '../parts/TextField.tsx'
import { Told } from '../parts/Told.tsx'
import { dateText, instantOf } from './date-entry.ts'

const DAY = 86_400_000
/** Working days usually given for a job (choice); the clinic's own date is what counts. */
const usualDays: Readonly<Record<string, number>> = {
  'study-cast': 2,
  'study-model-pair': 7,
  'implant-verification': 4,
  'articulator-mounting': 2,
  'cast-crown': 3,
  'cast-bridge': 4,
  'cast-posts': 3,
  'tooth-wax-up': 3,
  'complete-denture': 10,
  'wire-clasp-partial': 6,
  'immediate-denture': 8,
  'clear-clasp': 3,
}

/** Takes a case in, in under a minute: what, for whom, when. The impression is looked at in the first steps. */
export function IntakeScreen() {
  const go = useNavigate()
  const notation = usePreferences((preferences) => preferences.teeth)
  const { data: cases = [] } =
    useFetched<readonly { clinic: string; prescriber: string }[]>('/cases?which=all')
  const clinics = useMemo(() => [...new Set(cases.map((each) => each.clinic))].sort(), [cases])
  const prescribers = useMemo(() => [...new Set(cases.map((each) => each.prescriber))].sort(), [cases])
  const [templateId, setTemplateId] = useState('study-cast')
  const [chosen, setChosen] = useState<Readonly<Record<string, string>>>({})
  const [entries, setEntries] = useState({
    docket: '',
    clinic: '',
    prescriber: '',
    patientCode: '',
    patientAge: '',
    teeth: '',
    shade: '',
    dueDay: '',
    dueTime: '12:00',
    enclosures: '',
    notes: '',
  })
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({})
  const [refusal, setRefusal] = useState<string>()
  const [busy, setBusy] = useState(false)
  const template = routeTemplates.get(templateId)!
  const prescribed = template.matters.filter((matter) => matter.prescribed)
  const choices = Object.fromEntries(
    prescribed.map(({ id, choices: all, usual }) => [
      id,
      all.some((c) => c.id === chosen[id]) ? chosen[id]! : usual,
    ]),
  )
  const dueDay = entries.dueDay || dateText(labNow() + (usualDays[templateId] ?? 7) * DAY)
  const set = (name: keyof typeof entries) => (text: string) => {
    setEntries((old) => ({ ...old, [name]: text }))
    setFaults(({ [name]: _mended, ...rest }) => rest)
  }

  const take = async (event: FormEvent) => {
    event.preventDefault()
    setRefusal(undefined)
    const found: Record<string, string> = {}
    if (entries.clinic.trim() === '') found.clinic = 'Enter the clinic.'
    if (entries.prescriber.trim() === '') found.prescriber = 'Enter who prescribes.'
    if (entries.patientCode.trim() === '') found.patientCode = 'Enter the code on the box, not a name.'
    const age = entries.patientAge.trim()
    if (age !== '' && (!/^\d{1,3}$/.test(age) || Number(age) > 130))
      found.patientAge = 'Enter whole years, 0 to 130.'
    if (entries.docket.trim() !== '' && !/^[A-Za-z0-9][A-Za-z0-9-]{0,23}$/.test(entries.docket.trim()))
      found.docket = 'Letters, digits and hyphens only, at most 24.'
    const due = instantOf(dueDay, entries.dueTime)
    if (due === undefined) found.dueDay = 'Enter the day and time.'
    else if (due <= labNow()) found.dueDay = 'It is past. Enter the date the clinic wants it back.'
    let teeth: number[] = []
    try {
      teeth = parseTeeth(entries.teeth, notation)
    } catch (error) {
      if (!(error instanceof DomainError)) throw error
      found.teeth = `${error.message} ${error.remedy}`
    }
    setFaults(found)
    if (Object.keys(found).length > 0 || due === undefined) return
    const optional = (text: string) => (text.trim() === '' ? undefined : text.trim())
    const named = prescribed.map(({ id, name, choices: all }) => {
      const choice = all.find((c) => c.id === choices[id])?.name.toLowerCase()
      return id === 'arch' ? choice : `${choice} ${name.toLowerCase()}`
    })
    setBusy(true)
    try {
      const { caseId } = await api<CaseRecord>('/cases', {
        body: {
          docket: optional(entries.docket),
          authorisation: {
            clinic: entries.clinic.trim(),
            prescriber: entries.prescriber.trim(),
            patientCode: entries.patientCode.trim(),
            patientAge: age === '' ? undefined : Number(age),
            wanted: [template.name, ...named].join(', '),
            teeth,
            shade: optional(entries.shade),
            dueAt: new Date(due).toISOString(),
            enclosures: entries.enclosures
              .split(/[,\n]/)
              .map((word) => word.trim())
              .filter((word) => word !== ''),
            notes: optional(entries.notes),
          },
          jobs: [{ templateId, choices }],
        },
      })
      await go(`/case/${caseId}`)
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      const field = error.problem.field?.split('.').at(-1)
      if (field && field in entries) setFaults({ [field]: error.message })
      else setRefusal(error.message)
    } finally {
      setBusy(false)
    }
  }

  return (
    <main className="mx-auto max-w-5xl p-4 sm:p-6">
      <h1 className="mb-4 text-3xl font-bold">Take in a case</h1>
      <form className="card-flat grid gap-x-5 gap-y-3 p-6 sm:grid-cols-6" onSubmit={take} noValidate>
        <fieldset className="sm:col-span-6">
          <legend className="mb-1 font-semibold">What is to be made</legend>
          <div className="flex flex-wrap gap-2">
            {[...routeTemplates.values()].map((each) => (
              <Pick
                key={each.id}
                name="job"
                label={each.name}
                picked={each.id === templateId}
                onPick={() => setTemplateId(each.id)}
              />
            ))}
          </div>
          <div className="mt-3 flex flex-wrap gap-x-8 gap-y-2">
            {prescribed.map(({ id, name, choices: all }) => (
              <Pills
                key={id}
                label={name}
                options={all.map((choice) => [choice.id, choice.name])}
                value={choices[id]!}
                onChoose={(choice) => setChosen({ ...chosen, [id]: choice })}
              />
            ))}
          </div>
        </fieldset>
        <div className="sm:col-span-2">
          <TextField
            label="Clinic"
            text={entries.clinic}
            onText={set('clinic')}
            fault={faults.clinic}
            suggestions={clinics}
            autoFocus
          />
        </div>
        <div className="sm:col-span-2">
          <TextField
            label="Prescriber"
            text={entries.prescriber}
            onText={set('prescriber')}
            fault={faults.prescriber}
            suggestions={prescribers}
          />
        </div>
        <div className="sm:col-span-1">
          <TextField
            label="Patient code"
            text={entries.patientCode}
            onText={set('patientCode')}
            fault={faults.patientCode}
          />
        </div>
        <div className="sm:col-span-1">
          <TextField
            label="Age"
            text={entries.patientAge}
            onText={set('patientAge')}
            fault={faults.patientAge}
          />
        </div>
        <div className="sm:col-span-2">
          <TextField label="Due on" type="date" text={dueDay} onText={set('dueDay')} fault={faults.dueDay} />
        </div>
        <div className="sm:col-span-1">
          <TextField label="at" type="time" text={entries.dueTime} onText={set('dueTime')} />
        </div>
        <div className="sm:col-span-1">
          <TextField label="Shade" text={entries.shade} onText={set('shade')} />
        </div>
        <div className="sm:col-span-2">
          <TextField
            label="Docket code"
            text={entries.docket}
            onText={set('docket')}
            fault={faults.docket}
            hint="Scan or paste; left empty, the next number"
          />
        </div>
        <div className="sm:col-span-2">
          <TextField
            label={`Teeth (${notation === 'fdi' ? 'ISO 3950' : 'universal'})`}
            text={entries.teeth}
            onText={set('teeth')}
            fault={faults.teeth}
            hint="Only where single teeth are meant"
          />
        </div>
        <div className="sm:col-span-4">
          <TextField
            label="What came along"
            text={entries.enclosures}
            onText={set('enclosures')}
            hint="Trays, bites, rims, screws: with commas. All of it goes back."
          />
        </div>
        <div className="sm:col-span-6">
          <TextField
            label="Notes on the work authorisation"
            text={entries.notes}
            onText={set('notes')}
            lines={2}
          />
        </div>
        <div className="bg-base-100 border-base-300 sticky bottom-16 z-5 flex flex-wrap items-center gap-4 border-t py-3 sm:bottom-0 sm:col-span-6">
          <button type="submit" className="act-main" disabled={busy}>
            Take it in
          </button>
          {refusal && <Told tone="error">{refusal}</Told>}
          {Object.keys(faults).length > 0 && (
            <Told tone="error">Mend what is marked; nothing is stored yet.</Told>
          )}
        </div>
      </form>
    </main>
  )
}

function Pick({
  name,
  label,
  picked,
  onPick,
}: {
  name: string
  label: string
  picked: boolean
  onPick: () => void
}) {
  return (
    <label className={`act cursor-pointer has-focus-visible:outline-3 ${picked ? 'btn-primary' : ''}`}>
      <input type="radio" className="sr-only" name={name} checked={picked} onChange={onPick} />
      {label}
    </label>
  )
}
