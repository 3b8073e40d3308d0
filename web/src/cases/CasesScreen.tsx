import { type CaseSummary, type Stage, stages } from '@yentrik/core'
import { Plus, Search } from 'lucide-react'
import { useRef, useState } from 'react'
import { Link } from 'react-router'
import { useShortcuts } from '../app/shortcuts.ts'
import { dayAndTime, duration, stageName } from '../format/format.ts'
import { ApiError, api } from '../live/api.ts'
import { useFetched, useNow } from '../live/live-store.ts'
import { Told, Waiting } from '../parts/Told.tsx'
import { useShelf } from '../shelf/use-shelf.ts'
import { wishedCases } from './case-filter.ts'

const dueChoices = [
  ['', 'Any due date'],
  ['0', 'Late'],
  ['24', 'Due within a day'],
  ['72', 'Due within 3 days'],
  ['168', 'Due within a week'],
] as const
/** As many rows as are drawn; the search narrows the rest. */
const MOST_ROWS = 150

/** Every case, the least slack first. */
export function CasesScreen() {
  const [which, setWhich] = useState<'live' | 'closed'>('live')
  const { data, error } = useFetched<readonly CaseSummary[]>(`/cases?which=${which}`)
  const [words, setWords] = useState('')
  const [stage, setStage] = useState<Stage | ''>('')
  const [due, setDue] = useState('')
  const search = useRef<HTMLInputElement>(null)
  const now = useNow()
  const { lots } = useShelf()
  useShortcuts([{ key: '/', does: 'Search', run: () => search.current?.focus() }])
  if (!data)
    return error ? (
      <main className="p-8">
        <Told tone="error">{error.message}</Told>
      </main>
    ) : (
      <Waiting />
    )
  const shown = wishedCases(
    data,
    { words, stage, ...(due === '' ? {} : { dueWithinHours: Number(due) }) },
    now,
  )
  const held = new Set(lots.filter((lot) => lot.quarantine !== null).map((lot) => lot.lotId))
  return (
    <main className="mx-auto max-w-[1500px] p-4 sm:p-6">
      <header className="mb-4 flex flex-wrap items-center gap-3">
        <h1 className="mr-4 text-3xl font-bold">Cases</h1>
        <label className="input bg-base-100 h-12 grow text-lg sm:max-w-sm">
          <Search className="size-5" aria-hidden />
          <input
            ref={search}
            type="search"
            aria-label="Search cases"
            placeholder="Docket, clinic, patient code"
            value={words}
            onChange={(event) => setWords(event.target.value)}
          />
        </label>
        <select
          className="select bg-base-100 h-12 w-auto text-base"
          aria-label="Stage"
          value={stage}
          onChange={(event) => setStage(event.target.value as Stage | '')}
        >
          <option value="">Any stage</option>
          {stages.map((each) => (
            <option key={each} value={each}>
              {stageName(each)}
            </option>
          ))}
        </select>
        <select
          className="select bg-base-100 h-12 w-auto text-base"
          aria-label="Due"
          value={due}
          onChange={(event) => setDue(event.target.value)}
        >
          {dueChoices.map(([value, name]) => (
            <option key={value} value={value}>
              {name}
            </option>
          ))}
        </select>
        <select
          className="select bg-base-100 h-12 w-auto text-base"
          aria-label="Which"
          value={which}
          onChange={(event) => setWhich(event.target.value as 'live' | 'closed')}
        >
          <option value="live">In the lab</option>
          <option value="closed">Finished</option>
        </select>
        <Link to="/cases/new" className="act-main ml-auto">
          <Plus aria-hidden /> New case
        </Link>
      </header>
      <ul className="card-flat divide-base-300 divide-y">
        {shown.slice(0, MOST_ROWS).map((each) => (
          <CaseRow
            key={each.caseId}
            summary={each}
            now={now}
            quarantined={each.lots.some((id) => held.has(id))}
          />
        ))}
        {shown.length === 0 && (
          <li className="p-8 text-center text-lg">
            {data.length === 0
              ? 'No case is here yet. Take in the first one.'
              : 'No case fits. Clear the search or the filters.'}
          </li>
        )}
      </ul>
      <footer className="mt-3 flex flex-wrap items-center justify-between gap-3">
        <p>
          {shown.length > MOST_ROWS ? `The first ${MOST_ROWS} of ${shown.length}` : `${shown.length} cases`},
          the least time to spare first
        </p>
        <ImportCase />
      </footer>
    </main>
  )
}

function CaseRow({ summary, now, quarantined }: { summary: CaseSummary; now: number; quarantined: boolean }) {
  const item = summary.items[0]
  const closed = summary.status === 'delivered' || summary.status === 'ended'
  const slack = summary.startBy - now
  const late = !closed && summary.dueAt < now
  const tight = !closed && slack < 0
  return (
    <li>
      <Link
        to={`/case/${summary.caseId}`}
        className="hover:bg-base-200/70 grid min-h-16 grid-cols-[5.5rem_1fr_auto] items-center gap-x-4 px-5 py-2 sm:grid-cols-[5.5rem_minmax(0,1.3fr)_minmax(0,1.2fr)_8rem_11.5rem]"
      >
        <b className="figures text-lg">{summary.docket}</b>
        <span className="min-w-0">
          <span className="block truncate font-semibold">{summary.jobNames.join(', ')}</span>
          <span className="block truncate text-sm opacity-80">
            {summary.patientCode} · {summary.clinic}
          </span>
        </span>
        <span className="hidden min-w-0 sm:block">
          <span className="block truncate">{stateWords(summary)}</span>
          <progress
            className="progress progress-primary h-1.5 w-full"
            value={summary.stepsDone}
            max={summary.stepsInAll}
            aria-label="Steps done"
          />
        </span>
        <span className="hidden sm:block">
          {quarantined && !closed ? (
            <span className="chip text-error">lot in quarantine</span>
          ) : (
            item && !closed && <span className="chip">{stageName(summary.stage)}</span>
          )}
        </span>
        <span className={`text-right leading-tight ${late || tight ? 'text-error' : ''}`}>
          <b className="figures block">
            {late ? 'was due ' : 'due '}
            {dayAndTime(summary.dueAt, now)}
          </b>
          {!closed && !late && (
            <span className="text-sm">
              {tight ? `${duration(slack)} behind` : `${duration(slack)} to spare`}
            </span>
          )}
        </span>
      </Link>
    </li>
  )
}

function stateWords(summary: CaseSummary): string {
  if (summary.status === 'asking') return `Dentist asked: ${summary.question?.text ?? ''}`
  if (summary.status === 'held') return `On hold: ${summary.heldReason ?? ''}`
  if (summary.status === 'delivered') return 'Delivered'
  if (summary.status === 'ended') return 'Ended'
  const item = summary.items[0]
  if (summary.wentBack) return `Gone back: ${summary.wentBack}`
  return item ? `${item.name}${item.running ? '' : ' next'}` : ''
}

/** A case that another lab has exported. */
function ImportCase() {
  const [told, setTold] = useState<{ tone: 'error' | 'good'; words: string }>()
  const take = async (file: File | undefined) => {
    if (!file) return
    setTold(undefined)
    try {
      const document = JSON.parse(await file.text()) as unknown
      await api('/cases/import', { body: document })
      setTold({ tone: 'good', words: 'The case is in.' })
    } catch (error) {
      const words =
        error instanceof ApiError
          ? error.message
          : 'This file is not a case: it is not readable JSON. Nothing was imported.'
      setTold({ tone: 'error', words })
    }
  }
  return (
    <div className="flex flex-wrap items-center gap-3">
      {told && <Told tone={told.tone}>{told.words}</Told>}
      <label className="small-act cursor-pointer has-focus-visible:outline-3">
        Import a case file
        <input
          type="file"
          accept="application/json,.json"
          className="sr-only"
          onChange={(event) => {
            void take(event.target.files?.[0])
            event.target.value = ''
          }}
        />
      </label>
    </div>
  )
}
