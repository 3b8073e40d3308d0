import { type CaseState, eventWords, type JobState, returnCauses, stepOf } from '@yentrik/core'
import { Link } from 'react-router'
import { dateAndTime } from '../format/format.ts'
import { Message } from '../parts/Message.tsx'
import { Said, useWords } from '../preferences/words.tsx'
import { useStoredCase } from '../record/open-case.ts'
import { useShelf } from '../record/shelf.ts'

/** Where it came from, why, and where it begins again; of the case before: where it went on. */
export function CameBack({ state, job }: { readonly state: CaseState; readonly job: JobState }) {
  const { cameBack, cameBackAs } = state
  return (
    <>
      {cameBack && (
        <div className="card-flat flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2">
          <p className="min-w-0 grow">
            Came back from{' '}
            <Link className="link figures font-bold" to={`/case/${cameBack.caseId}`}>
              {cameBack.docket}
            </Link>
            . {returnCauses[cameBack.cause].name}: <b>{cameBack.found}</b>
          </p>
          {job.fromStepId && <p>Begins again from "{stepOf(job, job.fromStepId).name}"</p>}
        </div>
      )}
      {cameBackAs && (
        <Message tone="warning">
          It came back, and goes on as{' '}
          <Link className="link figures font-bold" to={`/case/${cameBackAs.caseId}`}>
            {cameBackAs.docket}
          </Link>
          .
        </Message>
      )}
    </>
  )
}

/** What was done on the case before, the newest first: beside the record of this one. */
export function HistoryBefore({ cameBack }: { readonly cameBack: NonNullable<CaseState['cameBack']> }) {
  const { state, record, error } = useStoredCase(cameBack.caseId)
  const { lotNumber } = useShelf()
  const say = useWords(dateAndTime)
  return (
    <section className="card-flat flex min-h-0 flex-col gap-2 p-4" aria-label="The case before">
      <h2 className="text-lg font-bold">
        Before:{' '}
        <Link className="link figures" to={`/case/${cameBack.caseId}`}>
          {cameBack.docket}
        </Link>
      </h2>
      {error && <Message tone="error" words={error.said} />}
      {state?.cameBack && (
        <p>
          It had come back itself, from{' '}
          <Link className="link figures" to={`/case/${state.cameBack.caseId}`}>
            {state.cameBack.docket}
          </Link>
          .
        </p>
      )}
      <ol className="grid min-h-0 content-start gap-2 overflow-y-auto text-sm">
        {state &&
          [...(record?.events ?? [])].reverse().map((event) => (
            <li key={event.sequence}>
              <span className="figures font-mono opacity-80">{dateAndTime(Date.parse(event.at))}</span>{' '}
              {event.by}: <Said words={say(eventWords(event, { jobs: state.jobs, lotNumber }))} />
            </li>
          ))}
      </ol>
    </section>
  )
}
