import { type CaseSummary, type Stage, stages } from '@yentrik/core'
import { Plus, Search } from 'lucide-react'
import { type ReactNode, useMemo, useRef, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { dayAndTime, duration, stageName } from '../format/format.ts'
import { useShortcuts } from '../keys/shortcuts.ts'
import { useNow } from '../live/lab-clock.ts'
import { useAnswer } from '../live/queries.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { Said } from '../preferences/words.tsx'
import { useShelf } from '../record/shelf.ts'
import type { CsvColumn } from '../table/csv.ts'
import { DataTable, type TableColumn } from '../table/DataTable.tsx'
import { wishedCases } from './case-filter.ts'
import { ImportCase } from './ImportCase.tsx'
import { ImportIntakes } from './ImportIntakes.tsx'

const dueChoices = [
  ['', 'Any due date'],
  ['0', 'Late'],
  ['24', 'Due within a day'],
  ['72', 'Due within 3 days'],
  ['168', 'Due within a week'],
] as const

const isClosed = ({ status }: CaseSummary) => status === 'delivered' || status === 'ended'

/** Every case, the least slack first. */
export function CasesScreen() {
  const go = useNavigate()
  const [which, setWhich] = useState<'live' | 'closed'>('live')
  const { data, error } = useAnswer('GET /cases', { query: { which } })
  const [words, setWords] = useState('')
  const [stage, setStage] = useState<Stage | ''>('')
  const [due, setDue] = useState('')
  const search = useRef<HTMLInputElement>(null)
  const now = useNow()
  const minute = Math.floor(now / 60_000)
  const { lots } = useShelf()
  useShortcuts([{ key: '/', does: 'Search', run: () => search.current?.focus() }])
  const quarantined = useMemo(
    () => new Set(lots.filter((lot) => lot.quarantine !== null).map((lot) => lot.lotId)),
    [lots],
  )
  const columns = useMemo(() => caseColumns(minute * 60_000, quarantined), [minute, quarantined])
  const shown = useMemo(
    () =>
      wishedCases(
        data ?? [],
        { words, stage, ...(due === '' ? {} : { dueWithinHours: Number(due) }) },
        minute * 60_000,
      ),
    [data, words, stage, due, minute],
  )
  if (!data)
    return error ? (
      <main className="p-8">
        <Message tone="error" words={error.said} />
      </main>
    ) : (
      <Waiting />
    )
  return (
    <main className="mx-auto flex max-w-[1500px] flex-col p-4 sm:h-dvh sm:p-6">
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
      <DataTable
        name="Cases"
        rows={shown}
        columns={columns}
        keyOf={({ caseId }) => caseId}
        onOpen={({ caseId }) => go(`/case/${caseId}`)}
        csv={{ file: 'cases.csv', columns: csvColumns(minute * 60_000) }}
        empty={
          data.length === 0
            ? 'No case is here yet. Take in the first one.'
            : 'No case fits. Clear the search or the filters.'
        }
        foot={
          <>
            <ImportIntakes />
            <ImportCase />
          </>
        }
      />
    </main>
  )
}

function caseColumns(now: number, quarantined: ReadonlySet<string>): readonly TableColumn<CaseSummary>[] {
  return [
    {
      id: 'docket',
      name: 'Docket',
      width: '5.5rem',
      value: ({ docket }) => docket,
      show: ({ docket, caseId }) => (
        <Link to={`/case/${caseId}`} className="figures text-lg font-bold" tabIndex={-1}>
          {docket}
        </Link>
      ),
    },
    {
      id: 'work',
      name: 'Work',
      width: 'minmax(0,1.3fr)',
      value: ({ jobNames }) => jobNames.join(', '),
      show: ({ jobNames, patientCode, clinic }) => (
        <Two
          first={<b className="font-semibold">{jobNames.join(', ')}</b>}
          second={`${patientCode} · ${clinic}`}
        />
      ),
    },
    {
      id: 'now',
      name: 'Now',
      width: 'minmax(0,1.2fr)',
      wideOnly: true,
      value: ({ stepsDone, stepsInAll }) => stepsDone / Math.max(1, stepsInAll),
      show: (summary) => (
        <>
          <span className="block truncate">
            <StateWords summary={summary} />
          </span>
          <progress
            className="progress progress-primary mt-1 h-1.5 w-full"
            value={summary.stepsDone}
            max={summary.stepsInAll}
            aria-label={`${summary.stepsDone} of ${summary.stepsInAll} steps done`}
          />
        </>
      ),
    },
    {
      id: 'stage',
      name: 'Stage',
      width: '8.5rem',
      wideOnly: true,
      value: ({ stage }) => stages.indexOf(stage),
      show: (summary) =>
        !isClosed(summary) && summary.lots.some((lotId) => quarantined.has(lotId)) ? (
          <span className="chip text-error">lot in quarantine</span>
        ) : (
          summary.items[0] && !isClosed(summary) && <span className="chip">{stageName(summary.stage)}</span>
        ),
    },
    {
      id: 'due',
      name: 'Due, time to spare',
      width: '11.5rem',
      right: true,
      value: (summary) => (isClosed(summary) ? summary.dueAt : summary.startBy),
      show: (summary) => <Due summary={summary} now={now} />,
    },
  ]
}

function Two({ first, second }: { first: ReactNode; second: ReactNode }) {
  return (
    <>
      <span className="block truncate">{first}</span>
      <span className="block truncate text-sm opacity-80">{second}</span>
    </>
  )
}

function Due({ summary, now }: { summary: CaseSummary; now: number }) {
  const closed = isClosed(summary)
  const slack = summary.startBy - now
  const late = !closed && summary.dueAt < now
  const tight = !closed && slack < 0
  return (
    <span className={`block leading-tight ${late || tight ? 'text-error' : ''}`}>
      <b className="figures block">
        {late ? 'was due ' : 'due '}
        {dayAndTime(summary.dueAt, now)}
      </b>
      {!closed && !late && (
        <span className="text-sm">{tight ? `${duration(slack)} behind` : `${duration(slack)} to spare`}</span>
      )}
    </span>
  )
}

function StateWords({ summary }: { summary: CaseSummary }) {
  if (summary.status === 'asking')
    return (
      <>
        Dentist asked: <Said words={summary.question?.text ?? ''} />
      </>
    )
  if (summary.status === 'held') return `On hold: ${summary.heldReason ?? ''}`
  if (summary.status === 'delivered') return 'Delivered'
  if (summary.status === 'ended') return 'Ended'
  const item = summary.items[0]
  if (summary.wentBack) return `Gone back: ${summary.wentBack}`
  return item ? `${item.name}${item.running ? '' : ' next'}` : ''
}

const csvColumns = (now: number): readonly CsvColumn<CaseSummary>[] => [
  { name: 'Docket', value: ({ docket }) => docket },
  { name: 'Work', value: ({ jobNames }) => jobNames.join(', ') },
  { name: 'Patient code', value: ({ patientCode }) => patientCode },
  { name: 'Clinic', value: ({ clinic }) => clinic },
  { name: 'Prescriber', value: ({ prescriber }) => prescriber },
  { name: 'Status', value: ({ status }) => status },
  { name: 'Stage', value: ({ stage }) => stageName(stage) },
  { name: 'Steps done', value: ({ stepsDone }) => stepsDone },
  { name: 'Steps in all', value: ({ stepsInAll }) => stepsInAll },
  { name: 'Received', value: ({ receivedAt }) => new Date(receivedAt).toISOString() },
  { name: 'Due', value: ({ dueAt }) => new Date(dueAt).toISOString() },
  {
    name: 'To spare',
    unit: 'h',
    value: (summary) =>
      isClosed(summary) ? undefined : Number(((summary.startBy - now) / 3_600_000).toFixed(1)),
  },
]
