import { type CaseState, isDelivered, type JobState, showTooth } from '@yentrik/core'
import { Printer } from 'lucide-react'
import type { ReactNode } from 'react'
import { Link, useParams } from 'react-router'
import { dayAndTime } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { usePreferences } from '../preferences/preferences.ts'

/** Whose case it is, what it is, when it is due; the ways to its record and papers. */
export function CaseHeader({
  state,
  job,
  tab,
  practice,
  onTab,
  onJob,
  onAmend,
}: {
  state: CaseState
  job: JobState
  tab: string
  /** A practice case has no papers and no date that could be missed: what stands there instead. */
  practice?: ReactNode
  onTab: (tab: 'step' | 'record') => void
  onJob: (index: number) => void
  onAmend: () => void
}) {
  const now = useNow()
  const teethNotation = usePreferences((preferences) => preferences.teeth)
  const { caseId = '' } = useParams()
  const { authorisation } = state
  const due = Date.parse(authorisation.dueAt)
  const late = due < now && !isDelivered(state)
  const teeth = authorisation.teeth.map((tooth) => showTooth(tooth, teethNotation)).join(', ')
  return (
    <header className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <div className="min-w-0">
        <h1 className="truncate text-[1.75rem] leading-tight font-bold">
          <span className="figures">{state.docket}</span>
          <span className="ml-3 text-xl font-semibold">{job.route.name}</span>
        </h1>
        <p className="max-w-[34rem] truncate">
          {authorisation.patientCode} · {authorisation.clinic}
          {authorisation.shade && ` · shade ${authorisation.shade}`}
          {teeth && ` · ${teeth}`}
        </p>
      </div>
      {!practice && (
        <button
          type="button"
          className={`small-act ${late ? 'btn-error' : ''}`}
          onClick={onAmend}
          aria-label={`Due ${dayAndTime(due, now)}. Change the work authorisation`}
        >
          {late ? 'was due' : 'due'} <b className="figures">{dayAndTime(due, now)}</b>
        </button>
      )}
      {practice}
      <div className="ml-auto flex flex-wrap gap-2">
        {state.jobs.length > 1 &&
          state.jobs.map((each, index) => (
            <button
              key={each.jobId}
              type="button"
              aria-pressed={each === job}
              className={`small-act ${each === job ? 'btn-primary' : ''}`}
              onClick={() => onJob(index)}
            >
              {each.route.name}
            </button>
          ))}
        {(['step', 'record'] as const).map((each) => (
          <button
            key={each}
            type="button"
            aria-pressed={tab === each}
            className={`small-act ${tab === each ? 'btn-neutral' : ''}`}
            onClick={() => onTab(each)}
          >
            {each === 'step' ? 'Work' : 'Record'}
          </button>
        ))}
        {!practice && (
          <>
            <Link className="small-act" to={`/papers/docket/${caseId}`}>
              <Printer className="size-5" aria-hidden /> Docket
            </Link>
            <Link className="small-act" to={`/papers/record/${caseId}`}>
              <Printer className="size-5" aria-hidden /> Papers
            </Link>
          </>
        )}
      </div>
    </header>
  )
}
