import type { MachineRunShown } from '@yentrik/contract'
import { cureVerdict, programMinutes, qty, saying } from '@yentrik/core'
import { type ReactNode, useMemo, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { clockTime, dayAndTime } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { useDraft } from '../parts/draft.ts'
import { Key } from '../parts/Key.tsx'
import { Message, Waiting } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { TextField } from '../parts/TextField.tsx'
import { TryExample } from '../parts/TryExample.tsx'
import { Said, useWords } from '../preferences/words.tsx'
import { PlannedOut } from '../program/PlannedOut.tsx'
import { nextAt } from '../program/program-draft.ts'
import { SegmentTable } from '../program/SegmentTable.tsx'
import { runOf, useMachineRuns } from '../program/use-machine-runs.ts'
import type { ForCase } from '../record/IntoRecord.tsx'
import { useOpenCase } from '../record/open-case.ts'
import { AFTER_BATH_MINUTES, CureChart, CureLimits } from './CureChart.tsx'
import { CureVerdictCard } from './CureVerdictCard.tsx'
import {
  type BathDraft,
  bathProgram,
  type CureDraft,
  cureFor,
  dragged,
  outOf,
  placeWords,
  questionOf,
  sectionsOf,
} from './cure-draft.ts'
import { LiveCure } from './LiveCure.tsx'
import { SafeBath } from './SafeBath.tsx'
import { StartBath } from './StartBath.tsx'
import { cureStepOf, useFollowed } from './use-cure.ts'

/** What a bath does inside the resin, before it is switched on. On its own, or for a case. */
export function CureScreen() {
  const [query] = useSearchParams()
  const caseId = query.get('case')
  // The key: from one case to another nothing that was typed for the first may stay.
  return caseId ? (
    <CureForCase key={`${caseId} ${query.get('job')}`} caseId={caseId} />
  ) : (
    <CureTool kept="cure" />
  )
}

function CureForCase({ caseId }: { caseId: string }) {
  const [query] = useSearchParams()
  const openCase = useOpenCase(caseId)
  if (!openCase.state)
    return openCase.error ? <Message tone="error" words={openCase.error.said} /> : <Waiting />
  const job = openCase.state.jobs.find(({ jobId }) => jobId === query.get('job')) ?? openCase.state.jobs[0]!
  return (
    <CureTool
      kept={`cure ${caseId} ${job.jobId}`}
      choice={job.route.choices.cure}
      forCase={{ openCase, caseId, job }}
      title={
        <Link to={`/case/${caseId}`} className="link">
          {openCase.state.docket}
        </Link>
      }
    />
  )
}

function CureTool({
  kept,
  choice,
  forCase,
  title,
}: {
  /** Under what the entries of this session are kept. */
  kept: string
  /** The way of the lab, or of the case. */
  choice?: string
  forCase?: ForCase
  title?: ReactNode
}) {
  const now = useNow()
  const [draft, setDraft] = useDraft<CureDraft>(kept, () => cureFor(choice))
  const [moves, setMoves] = useState(false)
  const say = useWords()
  const set = (to: Partial<CureDraft>) => setDraft({ ...draft, ...to })
  const bath = draft.baths[draft.chosen]!
  const { program, wrong } = bathProgram(bath)
  const startAt = nextAt(draft.inAt, now)
  const question = questionOf(draft, program)
  const followed = useFollowed(question, moves)
  const sections = followed?.answer
  const fault = wrong ?? followed?.refusal
  const run = useBath(forCase)
  const ofRun = useMemo(() => sectionsOf({ thin: draft.thin, thick: draft.thick }), [draft.thin, draft.thick])
  const change = (to: BathDraft) =>
    set({ baths: draft.baths.map((each, n) => (n === draft.chosen ? to : each)) })
  return (
    <main className="mx-auto grid max-w-[1500px] gap-3 p-4 sm:p-5">
      <header className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h1 className="text-3xl font-bold">Cure</h1>
        {title}
        <p className="opacity-80">
          <Said
            words={saying`${placeWords(draft.thin)} at the thinnest, ${placeWords(draft.thick)} at the thickest; into the bath at ${run ? dayAndTime(Date.parse(run.startedAt), now) : draft.inAt}`}
          />
        </p>
        {!forCase && !run && (
          <span className="ml-auto">
            <TryExample onTry={() => set({ thin: '2.5', thick: '11' })} />
          </span>
        )}
      </header>
      {run && ofRun ? (
        <LiveCure run={run} sections={ofRun} forCase={forCase} reason={draft.reason} />
      ) : (
        <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_22rem]">
          <section className="card-flat grid content-start gap-1 p-3" aria-label="Curves">
            {fault !== undefined ? (
              <Message tone="error" words={fault} />
            ) : program && startAt !== undefined ? (
              <CureChart
                program={program}
                followed={sections ?? []}
                startAt={startAt}
                untilMinutes={programMinutes(program) + AFTER_BATH_MINUTES}
                onDrag={(segment, to) => change(dragged(bath, segment, to))}
                onMoves={setMoves}
              />
            ) : (
              <Message tone="error">Write the hour it goes in as 17:00.</Message>
            )}
            <p className="flex flex-wrap gap-x-5 px-2 text-sm font-semibold">
              <Key colour="var(--metal)" words="bath, then bench and cold water" />
              <Key colour="var(--resin)" words={say(placeWords(draft.thin))} />
              <Key colour="var(--color-error)" words={`${say(placeWords(draft.thick))} ridge`} />
              <span className="opacity-80">drag a corner, or arrow keys</span>
            </p>
            <CureLimits />
          </section>
          <section className="card-flat grid content-start gap-2 p-4" aria-label="What it comes to">
            {sections && program && startAt !== undefined ? (
              <CureVerdictCard
                sections={sections}
                program={program}
                startAt={startAt}
                now={now}
                outBy={draft.outBy}
              />
            ) : (
              fault === undefined && <p role="status">Working it out</p>
            )}
            {program && sections && (
              <StartBath
                program={program}
                bad={cureVerdict(sections).standing === 'bad'}
                reason={draft.reason ?? ''}
                onReason={(reason) => set({ reason })}
                forCase={forCase}
              />
            )}
          </section>
        </div>
      )}
      {!run && (
        <div className="grid gap-3 sm:grid-cols-2 xl:grid-cols-[repeat(4,minmax(0,1fr))_16rem]">
          {draft.baths.map((each, n) => (
            <BathCard
              key={JSON.stringify(each.name)}
              bath={each}
              draft={draft}
              chosen={n === draft.chosen}
              ofChart={followed}
              startAt={startAt ?? now}
              onChoose={() => set({ chosen: n })}
            />
          ))}
          <SafeBath
            draft={draft}
            now={now}
            onDraft={setDraft}
            planned={
              forCase &&
              cureStepOf(forCase.job) && (
                <PlannedOut
                  caseId={forCase.caseId}
                  jobId={forCase.job.jobId}
                  stepId={cureStepOf(forCase.job)!.id}
                  now={now}
                  onTake={(outBy) => set({ outBy })}
                />
              )
            }
          />
        </div>
      )}
      <Figures draft={draft} live={run !== undefined} onDraft={set} bath={bath} onBath={change} />
    </main>
  )
}

/** The bath that this case lies in; without a case the last one that nobody has emptied. */
function useBath(forCase: ForCase | undefined): MachineRunShown | undefined {
  const runs = useMachineRuns()
  if (forCase) {
    const step = cureStepOf(forCase.job)
    return step && runOf(runs, forCase.caseId, forCase.job, step.id)
  }
  return runs.find(
    ({ stoppedAt, loads, kind }) => stoppedAt === null && loads.length === 0 && kind === 'bath',
  )
}

/** One of the baths that are compared. */
function BathCard({
  bath,
  draft,
  chosen,
  ofChart,
  startAt,
  onChoose,
}: {
  bath: BathDraft
  draft: CureDraft
  chosen: boolean
  ofChart: ReturnType<typeof useFollowed>
  startAt: number
  onChoose: () => void
}) {
  const say = useWords()
  const { program } = bathProgram(bath)
  // The chosen one is followed for the chart already: once is enough.
  const own = useFollowed(chosen ? undefined : questionOf(draft, program), false)
  const followed = chosen ? ofChart : own
  const verdict = followed?.answer && cureVerdict(followed.answer)
  const rows = program &&
    verdict && [
      ['out', clockTime(outOf(startAt, program))],
      [
        'hottest',
        `${say([qty.celsius(verdict.worst.outcome.peakCelsius, 0)])}${verdict.worst.outcome.risk === 'low' ? '' : verdict.worst.outcome.risk === 'high' ? ', boils' : ', near'}`,
      ],
      ['monomer', `${verdict.mostMonomer.outcome.residualPercent.toFixed(1)} %`],
    ]
  return (
    <button
      type="button"
      aria-pressed={chosen}
      className={`card-flat flex cursor-pointer flex-col p-4 text-left ${chosen ? 'outline-primary outline-3' : ''}`}
      onClick={onChoose}
    >
      <h2 className="text-lg leading-tight font-bold">
        <Said words={bath.name} />
      </h2>
      <dl className="figures mt-1">
        {(rows || []).map(([name, value]) => (
          <div key={name} className="border-base-300 flex justify-between border-t py-1">
            <dt>{name}</dt>
            <dd
              className={`font-semibold ${name === 'hottest' && verdict?.worst.outcome.risk !== 'low' ? 'text-error' : ''}`}
            >
              {value}
            </dd>
          </div>
        ))}
      </dl>
    </button>
  )
}

function Figures({
  draft,
  live,
  onDraft,
  bath,
  onBath,
}: {
  draft: CureDraft
  /** A bath is on: what is set on it cannot be typed here any more. */
  live: boolean
  onDraft: (to: Partial<CureDraft>) => void
  bath: BathDraft
  onBath: (bath: BathDraft) => void
}) {
  const field = (key: 'thin' | 'thick' | 'ratio', label: string, unit: string, hint: string) => {
    const { value, fault } = readNumber(draft[key], unit)
    const wrong = fault ?? (value !== undefined && value <= 0 ? 'Enter a number above 0.' : undefined)
    return (
      <NumberField
        label={label}
        unit={unit}
        text={draft[key]}
        onText={(text) => onDraft({ [key]: text })}
        fault={wrong}
        hint={hint}
      />
    )
  }
  return (
    <section
      className="card-flat grid gap-x-6 p-4 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]"
      aria-label="Figures"
    >
      <div className="grid grid-cols-2 content-start gap-x-3 sm:grid-cols-4 md:grid-cols-2">
        {field('thin', 'Thinnest', 'mm', 'palate, a wide sheet')}
        {field('thick', 'Thickest', 'mm', 'ridge or tuber')}
        {!live && (
          <>
            <TextField label="Into the bath at" text={draft.inAt} onText={(inAt) => onDraft({ inAt })} />
            {field('ratio', 'Stone of the mould', 'mL/g', 'as it was mixed')}
          </>
        )}
      </div>
      {!live && (
        <div>
          <SegmentTable segments={bath.segments} onSegments={(segments) => onBath({ ...bath, segments })} />
        </div>
      )}
    </section>
  )
}
