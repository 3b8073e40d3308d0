import {
  type Amount,
  CAUTION_RULE,
  type CaseCommand,
  cautions,
  type JobState,
  type Outcome,
  type RouteStep,
  stepOf,
  stepWindow,
  wantedChanges,
  windowVerdict,
} from '@yentrik/core'
import { TriangleAlert } from 'lucide-react'
import { Link } from 'react-router'
import { CoolingClock } from '../curing/CoolingClock.tsx'
import { DoughClock, doughMixedAt } from '../curing/DoughClock.tsx'
import { SawDepth } from '../curing/SawDepth.tsx'
import { dayAndTime, stageName } from '../format/format.ts'
import { useNow } from '../live/live-store.ts'
import { amountFigures } from '../mixing/amount-figures.ts'
import { Figures } from '../mixing/Figures.tsx'
import { MixClocks, useRunningMixes } from '../mixing/MixClocks.tsx'
import { Told } from '../parts/Told.tsx'
import { FaultCauses } from '../quality/FaultCauses.tsx'
import { PlannedCuts } from '../trimming/PlannedCuts.tsx'
import { CheckEntry } from './CheckEntry.tsx'
import type { CaseHand } from './case-hand.ts'
import { Recorded } from './Recorded.tsx'
import { SheetEntry } from './SheetEntry.tsx'
import { StepPicture } from './StepPicture.tsx'

interface StepCardProps {
  readonly hand: CaseHand
  readonly job: JobState
  readonly step: RouteStep
  /** Whether anything may be entered: not on hold, nobody asked. */
  readonly open: boolean
  readonly onMix: (amount: Amount) => void
  readonly onGoBack: (toStepId: string, remake: boolean, because: string) => void
}

/** The step in hand: what to do, with how much, what to look at, what can hurt. */
export function StepCard({ hand, job, step, open, onMix, onGoBack }: StepCardProps) {
  const state = job.steps[step.id]!
  const running = state.status === 'running'
  const entering = open && running
  const { refusal, refused } = hand
  const mixes = useRunningMixes()
  const mixedAt = doughMixedAt(job)
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must scroll by keyboard too
    <section className="min-h-0 grow overflow-y-auto pr-1" aria-label="Instruction" tabIndex={0}>
      <div className={`grid gap-4 ${drawsItself(step, running) ? '' : 'xl:grid-cols-[minmax(0,1fr)_15rem]'}`}>
        <div>
          <p className="flex flex-wrap gap-2">
            <span className="chip">{stageName(step.stage)}</span>
            {state.attempt > 1 && <span className="chip text-warning">again, time {state.attempt}</span>}
            {state.status === 'done' && <span className="chip text-success">done by {state.finishedBy}</span>}
            {state.status === 'skipped' && <span className="chip">left out: {state.skipReason}</span>}
          </p>
          <h2 className="mt-2 text-[1.9rem] leading-tight font-bold">{step.name}</h2>
          <ol className="mt-2 grid gap-1 text-lg">
            {step.how.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ol>
          {state.status !== 'done' &&
            wantedChanges(job, step.id).map(({ change, words }) => (
              <p key={change} className="bg-warning/15 mt-2 rounded-xl px-4 py-2 text-lg">
                <b>The dentist wants:</b> {words}
              </p>
            ))}
        </div>
        <div className={`hidden h-44 ${drawsItself(step, running) ? '' : 'xl:block'}`}>
          {!step.plannedCuts && !drawsItself(step, running) && (
            <StepPicture
              route={job.route}
              stage={step.stage}
              stepId={step.id}
              teeth={hand.state?.authorisation.teeth}
            />
          )}
        </div>
      </div>
      {castViews[step.id] && (
        <Link
          className="small-act mt-3"
          to={`/cast?case=${hand.record?.caseId}&job=${job.jobId}&view=${castViews[step.id]}`}
        >
          Work it out on the Cast screen
        </Link>
      )}
      <PlannedCuts job={job} step={step} caseId={hand.record?.caseId ?? ''} />
      {step.id === 'dough' && mixedAt !== undefined && state.status !== 'done' && (
        <DoughClock mixedAt={mixedAt} />
      )}
      {step.id === 'deflask-saw' && running && (
        <SawDepth
          caseKey={`${hand.record?.caseId ?? ''} ${job.jobId}`}
          onNote={(text) => hand.give({ type: 'note', jobId: job.jobId, stepId: step.id, text })}
        />
      )}
      {step.id === 'cool-flask' && running && state.startedAt && (
        <CoolingClock job={job} outAt={Date.parse(state.startedAt)} />
      )}
      {(step.amounts ?? []).map((amount) => (
        <AmountRow
          key={amount.id}
          amount={amount}
          job={job}
          step={step}
          entering={entering}
          onMix={() => onMix(amount)}
        />
      ))}
      {running && (
        <div className="mt-4 grid gap-3">
          {(step.sheets ?? []).map((sheet) => (
            <SheetEntry
              key={`${sheet.id} ${state.attempt}`}
              sheet={sheet}
              job={job}
              stepId={step.id}
              caseId={hand.record?.caseId ?? ''}
              teeth={hand.state?.authorisation.teeth ?? []}
              refusal={
                refused?.type === 'recordSheet' && refused.sheetId === sheet.id ? refusal?.message : undefined
              }
              open={open}
              onAsk={(question) =>
                void hand.give({ type: 'askDentist', jobId: job.jobId, stepId: step.id, question })
              }
              stepName={(id) => stepOf(job, id).name}
              onRecord={(data) =>
                hand.give({
                  type: 'recordSheet',
                  jobId: job.jobId,
                  stepId: step.id,
                  sheetId: sheet.id,
                  sheet: data,
                })
              }
              onGoBack={onGoBack}
            />
          ))}
          {(step.checks ?? []).map((check) => (
            <CheckEntry
              key={`${check.id} ${state.attempt}`}
              check={check}
              readings={state.readings.filter((r) => r.checkId === check.id)}
              accepted={state.accepted.includes(check.id)}
              refusal={
                refused?.type === 'recordCheck' && refused.checkId === check.id ? refusal?.message : undefined
              }
              stepName={(id) => stepOf(job, id).name}
              onRecord={(reading) => {
                const command: CaseCommand = {
                  type: 'recordCheck',
                  jobId: job.jobId,
                  stepId: step.id,
                  checkId: check.id,
                  ...reading,
                }
                return open ? hand.give(command) : Promise.resolve(false)
              }}
              onGoBack={(outcome: Extract<Outcome, { toStepId: string }>, because) =>
                onGoBack(outcome.toStepId, outcome.verdict === 'remake', because)
              }
            />
          ))}
          <FaultCauses job={job} step={step} />
        </div>
      )}
      {!running &&
        state.status === 'waiting' &&
        [...(step.checks ?? []), ...(step.sheets ?? [])].length > 0 && (
          <p className="mt-4 opacity-80">
            Then look at:{' '}
            {[...(step.sheets ?? []), ...(step.checks ?? [])]
              .map(({ name }) => name.toLowerCase())
              .join(', ')}
            .
          </p>
        )}
      {!running && (
        <Recorded
          events={hand.record?.events ?? []}
          job={job}
          stepId={step.id}
          caseId={hand.record?.caseId ?? ''}
        />
      )}
      {step.stage === 'pour' && (
        <MixClocks running={mixes.filter((mix) => mix.caseId === hand.record?.caseId)} />
      )}
      <NotesAndNext hand={hand} job={job} step={step} />
    </section>
  )
}

/** What the Cast screen works out for a step, where no sheet of it leads there. */
const castViews: Readonly<Record<string, string>> = {
  sprue: 'sprue',
  invest: 'expansion',
  cast: 'arm',
}

/** A running step whose sheet is a drawing of its own wants no second picture above it. */
function drawsItself(step: RouteStep, running: boolean): boolean {
  return running && (step.sheets ?? []).some(({ kind }) => ['room', 'regions', 'grooves'].includes(kind))
}

/** What others left for this hand to know, and what comes after it. */
function NotesAndNext({ hand, job, step }: { hand: CaseHand; job: JobState; step: RouteStep }) {
  const now = useNow()
  const notes = (hand.record?.events ?? []).flatMap((e) =>
    e.type === 'noted' && (e.jobId ?? job.jobId) === job.jobId ? [e] : [],
  )
  const next = job.route.steps.filter((each) => each.after.includes(step.id))
  return (
    <div className="mt-5 grid gap-2">
      {notes.slice(-3).map((note) => (
        <p key={note.sequence} className="bg-base-200 rounded-xl px-4 py-2">
          <b>{note.by}</b>, {dayAndTime(Date.parse(note.at), now)}: {note.text}
        </p>
      ))}
      {next[0] && (
        <p className="opacity-80">
          Then: {next[0].name},{' '}
          {next[0].handsOnMinutes > 0 ? `about ${next[0].handsOnMinutes} min of hands` : 'by itself'}
        </p>
      )}
    </div>
  )
}

/** What can hurt, and who decides. */
export function Cautions({ step }: { step: RouteStep }) {
  if (!step.cautions || step.cautions.length === 0) return null
  return (
    <section className="border-warning mt-4 border-l-4 pl-3" aria-label="Cautions">
      {step.cautions.map((caution) => (
        <p key={caution} className="mb-1 flex items-start gap-2">
          <TriangleAlert className="text-warning mt-1 size-4 shrink-0" aria-hidden /> {cautions[caution]}
        </p>
      ))}
      <p className="mt-1 text-sm opacity-80">{CAUTION_RULE}</p>
    </section>
  )
}

function AmountRow({
  amount,
  job,
  step,
  entering,
  onMix,
}: {
  amount: Amount
  job: JobState
  step: RouteStep
  entering: boolean
  onMix: () => void
}) {
  const mixed = job.steps[step.id]!.mixes.filter((mix) => mix.amountId === amount.id)
  return (
    <div className="border-base-300 mt-4 flex flex-wrap items-end justify-between gap-3 border-t pt-3">
      <div>
        <Figures amount={amount} />
        <p className="mt-1 text-sm opacity-80">{amountFigures(amount).source}</p>
      </div>
      {mixed.length > 0 && <Told tone="good">On record</Told>}
      {entering && (
        <button type="button" className={mixed.length > 0 ? 'small-act' : 'act'} onClick={onMix}>
          {mixed.length > 0 ? 'Record another' : amount.kind === 'use' ? 'Record' : 'Weigh and record'}
          {mixed.length === 0 && <kbd className="key">M</kbd>}
        </button>
      )}
    </div>
  )
}

/** What the main button says and whether it is the right moment. */
export function useMainAction(
  job: JobState,
  step: RouteStep,
): { words: string; early: boolean; missed: boolean } {
  const now = useNow()
  const window = stepWindow(job, step)
  const verdict = window && windowVerdict(window, now)
  const running = job.steps[step.id]?.status === 'running'
  return {
    words: running ? (step.kind === 'clinic' ? 'It is back' : 'Done') : 'Start',
    early: verdict === 'tooSoon',
    missed: verdict === 'past' && window?.to === 'start',
  }
}
