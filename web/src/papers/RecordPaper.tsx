import {
  type CaseEvent,
  type CaseState,
  eventWords,
  finishedAt,
  isDelivered,
  type JobState,
  lastSheetOf,
  materials,
  overruled,
  overruledWords,
  personOn,
  qty,
  type Route,
  readingOutcome,
  readingWords,
  returnCauses,
  type StepState,
  saying,
  showTooth,
  stepOf,
  usedMaterials,
} from '@yentrik/core'
import { useParams } from 'react-router'
import { dateAndTime, longDate } from '../format/format.ts'
import { useAnswer } from '../live/queries.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { Said, useWords } from '../preferences/words.tsx'
import { CasePapers } from '../record/CasePapers.tsx'
import { choiceWords } from '../record/choice-words.ts'
import { useStoredCase } from '../record/open-case.ts'
import { useShelf } from '../record/shelf.ts'
import { ChainLine } from './ChainLine.tsx'
import { ContactsDrawing } from './ContactsDrawing.tsx'
import { Paper } from './Paper.tsx'
import { QrCode } from './QrCode.tsx'

/** The case record as it is: every measure, lot, outcome, person and time, and what was done again. */
export function RecordPaper() {
  const { caseId = '' } = useParams()
  const { state, record, waiting, error } = useStoredCase(caseId)
  const { data: lab } = useAnswer('GET /lab')
  const notation = usePreferences((preferences) => preferences.teeth)
  const { data: chain } = useAnswer('GET /cases/:caseId/chain', { path: { caseId } })
  const { lotNumber } = useShelf()
  if (!state || !record) return error ? <Message tone="error" words={error.said} /> : <Waiting />
  const { authorisation, docket } = state
  const marks = overruled(record.events)
  const teeth = authorisation.teeth.map((tooth) => showTooth(tooth, notation)).join(', ')
  return (
    <Paper title={`Record of ${docket}`} waiting={waiting}>
      <p className="no-print mb-3 flex flex-wrap gap-4">
        <CasePapers caseId={caseId} state={state} className="link" />
      </p>
      <header className="flex items-start justify-between gap-6 border-b border-black pb-3">
        <div>
          <p>{lab?.labName}</p>
          <h1 className="text-[20pt] leading-tight font-bold">
            Case record <span className="figures">{docket}</span>
          </h1>
          <p>
            {state.jobs.map((job) => job.route.name).join(', ')} for {authorisation.patientCode}
            {teeth && `, teeth ${teeth}`}
            {authorisation.shade && `, shade ${authorisation.shade}`}
          </p>
          <p>
            {authorisation.prescriber}, {authorisation.clinic}. Received{' '}
            {longDate(Date.parse(state.receivedAt))}, due {longDate(Date.parse(authorisation.dueAt))}.
          </p>
          {state.cameBack && (
            <p>
              Came back from {state.cameBack.docket}. {returnCauses[state.cameBack.cause].name}:{' '}
              {state.cameBack.found}. Begun again from{' '}
              {state.jobs
                .flatMap((job) => (job.fromStepId ? `"${stepOf(job, job.fromStepId).name}"` : []))
                .join(', ')}
              ; what is older was done in {state.cameBack.docket}.
            </p>
          )}
          {state.cameBackAs && <p>Came back, and goes on as {state.cameBackAs.docket}.</p>}
          <p className="font-semibold">
            {isDelivered(state)
              ? 'All steps done.'
              : state.ended
                ? `Ended: ${state.ended.reason}`
                : 'Not finished yet.'}
          </p>
        </div>
        <QrCode text={docket} className="w-[22mm]" />
      </header>
      {state.jobs.map((job) => (
        <JobRecord key={job.jobId} job={job} state={state} events={record.events} />
      ))}
      <Materials events={record.events} routes={record.routes} lotNumber={lotNumber} />
      <Deviations state={state} events={record.events} />
      <h2 className="mt-5 font-semibold">Everything in order</h2>
      <ol className="mt-1 columns-1 text-[8.5pt]">
        {record.events.map((event) => {
          const mark = marks.get(event.sequence)
          return (
            <li key={event.sequence} className="figures break-inside-avoid">
              {event.sequence} · {dateAndTime(Date.parse(event.at))} · {personOn(state, event)} ·{' '}
              <span className={mark ? 'line-through' : ''}>
                <Said words={eventWords(event, { jobs: state.jobs, lotNumber })} clock={dateAndTime} />
              </span>
              {overruledWords(mark)}
            </li>
          )
        })}
      </ol>
      {chain && <ChainLine chain={chain} />}
      <footer className="mt-8 grid grid-cols-2 gap-10 break-inside-avoid pt-8">
        <p className="border-t border-black pt-1">Date, for the laboratory</p>
        <p className="border-t border-black pt-1">Name and signature</p>
      </footer>
    </Paper>
  )
}

function JobRecord({
  job,
  state: whole,
  events,
}: {
  job: JobState
  state: CaseState
  events: readonly CaseEvent[]
}) {
  const say = useWords()
  const contacts = lastSheetOf(job, 'remount')?.contacts ?? []
  return (
    <section className="mt-4">
      <h2 className="font-semibold">{job.route.name}</h2>
      <p className="text-[9pt]">Ways chosen: {choiceWords(job.route)}</p>
      <table className="mt-2 w-full border-collapse text-[9pt]">
        <thead>
          <tr className="border-b border-black text-left">
            <th className="py-1 pr-2 font-semibold">Step</th>
            <th className="pr-2 font-semibold">Done</th>
            <th className="pr-2 font-semibold">By</th>
            <th className="font-semibold">Checks</th>
          </tr>
        </thead>
        <tbody>
          {job.route.steps
            .filter((step) => job.steps[step.id]?.status !== 'waiting')
            .map((step) => {
              const state = job.steps[step.id]!
              const over = finishedAt(state)
              const done = over ? Date.parse(over) : undefined
              // Each reading, those that did not pass too: what was put right is part of the work.
              const readings = (step.checks ?? []).flatMap((check) => {
                const own = state.readings.filter((reading) => reading.checkId === check.id)
                const shown = own.map((reading) => {
                  const passes = readingOutcome(check, reading).verdict === 'pass'
                  const accepted = state.accepted.includes(reading.sequence)
                  const at = reading.tooth === undefined ? '' : `${say([{ tooth: reading.tooth }])} `
                  return `${at}${say(readingWords(reading, check))}${passes ? '' : accepted ? ' (accepted by the dentist)' : ' (does not pass)'}`
                })
                return shown.length > 0 ? [`${check.name}: ${shown.join(', then ')}`] : []
              })
              const reason = reasonOf(state)
              return (
                <tr key={step.id} className="break-inside-avoid border-b border-neutral-300 align-top">
                  <td className="py-0.5 pr-2">
                    {stepOf(job, step.id).name}
                    {state.attempt > 1 && ` (time ${state.attempt})`}
                  </td>
                  <td className="figures pr-2 whitespace-nowrap">
                    {state.status === 'skipped' ? 'left out' : done ? dateAndTime(done) : 'going on'}
                  </td>
                  <td className="pr-2">{whoDid(whole, events, job.jobId, step.id)}</td>
                  <td>{[...readings, ...(reason ? [reason] : [])].join('; ')}</td>
                </tr>
              )
            })}
        </tbody>
      </table>
      {contacts.length > 0 && <ContactsDrawing contacts={contacts} />}
    </section>
  )
}

const reasonOf = (state: StepState) =>
  state.status === 'skipped'
    ? state.skipReason
    : state.status === 'waiting'
      ? undefined
      : state.outOfTimeReason && `out of its time: ${state.outOfTimeReason}`
/** Who finished a step, left it out or is at it: the last word on it. */
function whoDid(state: CaseState, events: readonly CaseEvent[], jobId: string, stepId: string): string {
  const last = events.findLast(
    (event) =>
      (event.type === 'stepFinished' || event.type === 'stepSkipped' || event.type === 'stepStarted') &&
      event.jobId === jobId &&
      event.stepId === stepId,
  )
  return last ? personOn(state, last) : ''
}

function Materials({
  events,
  routes,
  lotNumber,
}: {
  events: readonly CaseEvent[]
  routes: Readonly<Record<string, Route>>
  lotNumber: (lotId: string) => string
}) {
  const say = useWords()
  const used = usedMaterials(events, (id) => routes[id]!)
  if (used.length === 0) return null
  return (
    <section className="mt-4 break-inside-avoid">
      <h2 className="font-semibold">Materials and lots</h2>
      <ul className="text-[9pt]">
        {used.map(({ materialId, product, grams, lotIds, remeltShare }) => (
          <li key={`${materialId} ${product ?? ''}`}>
            {[materials.get(materialId)?.name ?? materialId, product].filter(Boolean).join(', ')}:{' '}
            {grams > 0 && `${say(saying`${qty.grams(grams, 2)}`)} in all, `}
            {lotIds.length > 0 ? `lot ${lotIds.map(lotNumber).join(', ')}` : 'no lot noted'}
            {remeltShare !== undefined && `, ${Math.round(100 * remeltShare)} % of it melted before`}
          </li>
        ))}
      </ul>
    </section>
  )
}

/** What did not go straight: shown, not hidden. */
function Deviations({ state, events }: { state: CaseState; events: readonly CaseEvent[] }) {
  const notable = events.filter((e) =>
    [
      'wentBack',
      'corrected',
      'withdrawn',
      'dentistAsked',
      'dentistAnswered',
      'stepSkipped',
      'variantSwapped',
      'authorisationAmended',
      'held',
    ].includes(e.type),
  )
  if (notable.length === 0) return null
  return (
    <section className="mt-4 break-inside-avoid">
      <h2 className="font-semibold">Done again, left out, asked, corrected</h2>
      <ul className="text-[9pt]">
        {notable.map((event) => (
          <li key={event.sequence}>
            {dateAndTime(Date.parse(event.at))}:{' '}
            <Said
              words={eventWords(event, { jobs: state.jobs, lotNumber: (id) => id })}
              clock={dateAndTime}
            />
          </li>
        ))}
      </ul>
    </section>
  )
}
