import { showTooth } from '@yentrik/core'
import { useParams } from 'react-router'
import { clockTime, longDate } from '../format/format.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { choiceWords } from '../record/choice-words.ts'
import { useStoredCase } from '../record/open-case.ts'
import { Paper } from './Paper.tsx'
import { QrCode } from './QrCode.tsx'

/** The sheet that travels in the box with the work: its code to scan, what is wanted, what came along. */
export function DocketPaper() {
  const { caseId = '' } = useParams()
  const { state, waiting, error } = useStoredCase(caseId)
  const notation = usePreferences((preferences) => preferences.teeth)
  if (!state) return error ? <Message tone="error" words={error.said} /> : <Waiting />
  const { authorisation, docket } = state
  const due = Date.parse(authorisation.dueAt)
  const rows: readonly (readonly [string, string])[] = [
    [
      'Patient',
      `${authorisation.patientCode}${authorisation.patientAge === undefined ? '' : `, ${authorisation.patientAge} years`}`,
    ],
    ['Clinic', `${authorisation.clinic}, ${authorisation.prescriber}`],
    ['Wanted', authorisation.wanted],
    ['Teeth', authorisation.teeth.map((tooth) => showTooth(tooth, notation)).join(', ')],
    ['Shade', authorisation.shade ?? ''],
    ['Ways chosen', state.jobs.map((job) => choiceWords(job.route)).join('. ')],
    ['Notes', authorisation.notes ?? ''],
  ]
  return (
    <Paper title={`Docket ${docket}`} waiting={waiting}>
      <div className="flex items-start justify-between gap-6">
        <div>
          <p className="figures text-[44pt] leading-none font-bold">{docket}</p>
          <h1 className="mt-2 text-[18pt] font-semibold">
            {state.jobs.map((job) => job.route.name).join(', ')}
          </h1>
          <p className="mt-4 text-[16pt]">
            Due <b>{longDate(due)}</b> at <b className="figures">{clockTime(due)}</b>
          </p>
        </div>
        <QrCode text={docket} className="w-[42mm]" />
      </div>
      <dl className="mt-6 grid grid-cols-[32mm_1fr] gap-y-1.5 border-t border-black pt-4">
        {rows
          .filter(([, text]) => text !== '')
          .map(([name, text]) => (
            <div key={name} className="contents">
              <dt className="text-neutral-700">{name}</dt>
              <dd>{text}</dd>
            </div>
          ))}
      </dl>
      <h2 className="mt-6 font-semibold">Came along; goes back or is used up</h2>
      <ul className="mt-2 grid gap-2">
        {authorisation.enclosures.map((each) => (
          <li key={each} className="flex items-center gap-3">
            <span className="inline-block size-[5mm] border border-black" /> {each}
          </li>
        ))}
        {authorisation.enclosures.length === 0 && <li>Nothing noted</li>}
      </ul>
    </Paper>
  )
}
