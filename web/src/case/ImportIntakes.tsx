import { routeTemplates, type ToothNotation } from '@yentrik/core'
import { request } from '../live/request.ts'
import { usePreferences } from '../preferences/preferences.ts'
import type { CsvRow } from '../table/csv.ts'
import { ImportPreview, type ReadRow } from '../table/ImportPreview.tsx'
import { emptyIntake, type Intake, intakeFaults, intakeOf, prescribedOf, templateOf } from './intake.ts'

/** The columns of a file of work authorisations, and the entry that each fills. */
const entries = {
  Job: 'templateId',
  Choices: 'choices',
  Clinic: 'clinic',
  Prescriber: 'prescriber',
  'Patient code': 'patientCode',
  Age: 'patientAge',
  Due: 'dueDay',
  At: 'dueTime',
  'Try-in': 'tryInDay',
  Teeth: 'teeth',
  Materials: 'materials',
  Shade: 'shade',
  Docket: 'docket',
  'Came along': 'enclosures',
  Notes: 'notes',
} as const satisfies Readonly<Record<string, keyof Intake>>
type Head = keyof typeof entries
const heads = Object.keys(entries) as Head[]

/** Takes cases in from a file, each row looked at first. */
export function ImportIntakes() {
  const notation = usePreferences((preferences) => preferences.teeth)
  return (
    <ImportPreview
      what="Cases"
      heads={heads}
      needed={['Job', 'Clinic', 'Prescriber', 'Patient code', 'Due']}
      read={(row) => {
        const read = readIntake(row)
        if (!read.ok) return read
        const [fault] = Object.values(intakeFaults(read.value, notation)).filter((each) => each !== undefined)
        return fault === undefined ? read : { ok: false, sentence: fault }
      }}
      words={({ cells }) =>
        [cells.Docket, cells.Job, cells['Patient code'], cells.Clinic].filter(Boolean).join(', ')
      }
      store={(intake) => storeIntake(intake, notation)}
    />
  )
}

const storeIntake = (intake: Intake, notation: ToothNotation) =>
  request('POST /cases', { body: intakeOf(intake, notation) })

/** A row as a work authorisation; the job by its name, what the prescription decides in words with commas. */
export function readIntake({ cells }: CsvRow<Head>): ReadRow<Intake> {
  const job = cells.Job.toLowerCase()
  const template = [...routeTemplates.values()].find(
    ({ id, name }) => id === job || name.toLowerCase() === job,
  )
  if (!template)
    return {
      ok: false,
      sentence: `There is no job "${cells.Job}". Write one of: ${[...routeTemplates.values()].map(({ name }) => name).join('; ')}.`,
    }
  if (!/^\d{4}-\d{2}-\d{2}$/.test(cells.Due))
    return { ok: false, sentence: `"${cells.Due}" is no day. Write it as 2026-12-09.` }
  const choices: Record<string, string> = {}
  for (const word of cells.Choices.split(',').map((each) => each.trim().toLowerCase())) {
    if (word === '') continue
    const matter = prescribedOf(templateOf({ templateId: template.id })).find((each) =>
      each.choices.some(({ id, name }) => id === word || name.toLowerCase() === word),
    )
    const choice = matter?.choices.find(({ id, name }) => id === word || name.toLowerCase() === word)
    if (!matter || !choice) return { ok: false, sentence: `"${word}" is no choice of ${template.name}.` }
    choices[matter.id] = choice.id
  }
  const typed = Object.fromEntries(
    heads.flatMap((head) =>
      head === 'Choices' || cells[head] === '' ? [] : [[entries[head], cells[head]] as const],
    ),
  )
  return { ok: true, value: { ...emptyIntake, ...typed, templateId: template.id, choices } }
}
