import type { CasePlan } from '@yentrik/contract'
import {
  type Amount,
  amountsIn,
  CAUTION_RULE,
  type CaseCommand,
  type CheckReading,
  cautions,
  doneOnCard,
  type JobState,
  type Outcome,
  personOn,
  type RouteStep,
  restOfCard,
  type Seen,
  stepWindow,
  wantedChanges,
  windowVerdict,
} from '@yentrik/core'
import { TriangleAlert } from 'lucide-react'
import { Fragment } from 'react'
import { Link } from 'react-router'
import { StepPicture } from '../drawings/StepPicture.tsx'
import { dayAndTime, stageName } from '../format/format.ts'
import { instrumentLink } from '../instruments/instruments.ts'
import { useNow } from '../live/lab-clock.ts'
import { MixClocks, useRunningMixes } from '../mixing/MixClocks.tsx'
import { FaultCauses } from '../quality/FaultCauses.tsx'
import type { OpenCase } from '../record/open-case.ts'
import { AmountRow } from '../route/AmountRow.tsx'
import { CheckEntry } from '../route/CheckEntry.tsx'
import { StepSheetCard } from '../sheet/StepSheetCard.tsx'
import { PlannedCuts } from '../trimming/PlannedCuts.tsx'
import { HoursToCome } from './HoursToCome.tsx'
import { Recorded } from './Recorded.tsx'
import { toolsInStep, toolsOfCheck } from './step-tools.tsx'

interface StepCardProps {
  readonly openCase: OpenCase
  readonly job: JobState
  readonly step: RouteStep
  readonly plan?: CasePlan
  /** Whether anything may be entered: not on hold, nobody asked. */
  readonly open: boolean
  /** What one touch does, in its order. */
  readonly onGive: (commands: readonly CaseCommand[]) => Promise<boolean>
  readonly onMix: (amount: Amount) => void
  readonly onGoBack: (back: Omit<Extract<CaseCommand, { type: 'goBack' }>, 'type' | 'jobId'>) => void
}

/** The current step: what to do, with how much, what to look at, what can hurt. */
export function StepCard({ openCase, job, step, plan, open, onGive, onMix, onGoBack }: StepCardProps) {
  const state = job.steps[step.id]!
  const running = state.status === 'running'
  const entering = open && running
  const goBack = (outcome: Extract<Outcome, { toStepId: string }>, because: string) =>
    onGoBack({
      toStepId: outcome.toStepId,
      remake: outcome.verdict === 'remake',
      reason: because,
      ...(outcome.verdict === 'remake' && outcome.awaits !== undefined ? { awaits: outcome.awaits } : {}),
    })
  const { refusal, refused } = openCase
  const mixes = useRunningMixes()
  const instrument = instrumentLink(step, openCase.caseId, job.jobId)
  const Tool = step.means && toolsInStep[step.means]
  const { practice } = openCase
  // What is practised is looked at step by step.
  const withIt = practice ? [] : restOfCard(job, step.id)
  // What a wait ends with cannot be looked at before it has begun.
  const lookedAt = [step, ...withIt.filter(({ kind }) => kind === 'attended')]
  /** What stands before it on the card is done, now that its end is looked at. */
  const beforeOnCard = (each: RouteStep) => (each === step ? [] : doneOnCard(job, step.id, each.id))
  const amountRows = (which: (amount: Amount) => boolean) =>
    amountsIn(job, step)
      .filter(which)
      .map((amount) => (
        <AmountRow
          key={amount.id}
          amount={amount}
          job={job}
          step={step}
          caseId={openCase.caseId}
          ordered={orderedOf(openCase)}
          entering={entering}
          onMix={() => onMix(amount)}
          onRecord={(mix) => onGive([{ type: 'recordMix', jobId: job.jobId, stepId: step.id, ...mix }])}
        />
      ))
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must scroll by keyboard too
    <section className="min-h-0 grow overflow-y-auto pr-1" aria-label="Instruction" tabIndex={0}>
      <p className="flex flex-wrap gap-2">
        <span className="chip">{stageName(step.stage)}</span>
        {state.attempt > 1 && <span className="chip text-warning">again, time {state.attempt}</span>}
        {state.status === 'done' && <span className="chip text-success">done by {state.finishedBy}</span>}
        {state.status === 'skipped' && <span className="chip">left out: {state.skipReason}</span>}
      </p>
      <h2 className="mt-2 text-[1.9rem] leading-tight font-bold">{step.name}</h2>
      {amountRows(({ kind }) => kind !== 'use')}
      <div className={`grid gap-4 ${drawsItself(step, running) ? '' : 'xl:grid-cols-[minmax(0,1fr)_15rem]'}`}>
        <div>
          <ol className="mt-2 grid gap-1 text-lg">
            {step.how.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ol>
          <WithIt steps={withIt} />
          {state.status !== 'done' &&
            wantedChanges(job, step.id).map(({ change, words }) => (
              <p key={change} className="bg-warning/15 mt-2 rounded-xl px-4 py-2 text-lg">
                <b>The dentist wants:</b> {words}
              </p>
            ))}
        </div>
        <div className={`relative hidden h-44 ${drawsItself(step, running) ? '' : 'xl:block'}`}>
          {!step.plannedCuts && !drawsItself(step, running) && step.picture && (
            <StepPicture picture={step.picture} teeth={openCase.state?.authorisation.teeth} />
          )}
          {practice && <SeenSpots seen={practice.seen} stepId={step.id} />}
        </div>
      </div>
      {/* A sheet that is filled in on the instrument leads there itself; the label of a wheel does not. */}
      {instrument && (step.sheets ?? []).every(({ kind }) => kind === 'wheel') && (
        <Link className="small-act mt-3" to={instrument.to}>
          Work it out on the {instrument.name} screen
        </Link>
      )}
      {amountRows(({ kind }) => kind === 'use')}
      <PlannedCuts job={job} step={step} caseId={openCase.caseId} />
      {Tool && <Tool openCase={openCase} job={job} step={step} state={state} />}
      {running && plan && (step.kind === 'unattended' || step.kind === 'machine') && (
        <HoursToCome plan={plan} caseId={openCase.caseId} job={job} step={step} />
      )}
      {running && (
        <div className="mt-4 grid gap-3">
          {lookedAt.flatMap((each) =>
            (each.sheets ?? []).map((sheet) => (
              <StepSheetCard
                key={`${sheet.id} ${job.steps[each.id]!.attempt}`}
                sheet={sheet}
                job={job}
                step={each}
                caseId={openCase.caseId}
                teeth={openCase.state?.authorisation.teeth ?? []}
                enclosures={openCase.state?.authorisation.enclosures ?? []}
                refusal={
                  refused?.type === 'recordSheet' && refused.sheetId === sheet.id ? refusal?.said : undefined
                }
                open={open}
                onAsk={(question) =>
                  void openCase.give({ type: 'askDentist', jobId: job.jobId, stepId: each.id, question })
                }
                onRecord={(data) => {
                  const on = { jobId: job.jobId, stepId: each.id, sheetId: sheet.id }
                  return onGive([...beforeOnCard(each), { type: 'recordSheet', ...on, sheet: data }])
                }}
                onGoBack={goBack}
              />
            )),
          )}
          {lookedAt.flatMap((each) =>
            (each.checks ?? []).map((check) => {
              const { readings, accepted, attempt } = job.steps[each.id]!
              const onRecord = (reading: CheckReading & { readonly tooth?: number }) => {
                if (!open) return Promise.resolve(false)
                const on = { jobId: job.jobId, stepId: each.id, checkId: check.id }
                return onGive([...beforeOnCard(each), { type: 'recordCheck', ...on, ...reading }])
              }
              const Helper = check.means && toolsOfCheck[check.means]
              return (
                <Fragment key={`${check.id} ${attempt}`}>
                  <CheckEntry
                    check={check}
                    readings={readings.filter((r) => r.checkId === check.id)}
                    accepted={accepted}
                    draftKey={`${openCase.caseId} ${job.jobId} ${each.id} ${check.id} ${attempt}`}
                    refusal={
                      refused?.type === 'recordCheck' && refused.checkId === check.id && refusal
                        ? { said: refusal.said, tooth: refused.tooth }
                        : undefined
                    }
                    job={job}
                    teeth={openCase.state?.authorisation.teeth ?? []}
                    onRecord={onRecord}
                    onGoBack={goBack}
                  />
                  {Helper && (
                    <Helper
                      openCase={openCase}
                      job={job}
                      step={each}
                      state={job.steps[each.id]!}
                      onRecord={(value) => onRecord({ value })}
                    />
                  )}
                </Fragment>
              )
            }),
          )}
          {!practice && <FaultCauses job={job} step={step} />}
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
      {!running && <Recorded events={openCase.events} job={job} stepId={step.id} caseId={openCase.caseId} />}
      {step.stage === 'pour' && <MixClocks running={mixes.filter((mix) => mix.caseId === openCase.caseId)} />}
      <NotesAndNext openCase={openCase} job={job} step={step} />
    </section>
  )
}

/** Where on the picture something was seen. */
function SeenSpots({ seen, stepId }: { readonly seen: readonly Seen[]; readonly stepId: string }) {
  const spots = seen.flatMap((each) =>
    each.kind === 'look' && each.stepId === stepId ? each.seen.flatMap(({ at }) => (at ? [at] : [])) : [],
  )
  return spots.map(({ x, y }) => (
    <span
      key={`${x} ${y}`}
      className="border-warning absolute size-9 -translate-1/2 rounded-full border-4"
      style={{ left: `${100 * x}%`, top: `${100 * y}%` }}
      aria-hidden
    />
  ))
}

/** What the order names of materials and shade, as it was typed. */
function orderedOf({ state }: OpenCase): string | undefined {
  const { materials, shade } = state?.authorisation ?? {}
  return [materials, shade && `shade ${shade}`].filter(Boolean).join('; ') || undefined
}

/** The further lines of a card. */
function WithIt({ steps }: { readonly steps: readonly RouteStep[] }) {
  return steps.map((step) => (
    <section key={step.id} className="mt-2 text-lg" aria-label={step.name}>
      <h3 className="inline font-bold">{step.name}</h3>
      <p className="inline">: {step.how.join(' ')}</p>
    </section>
  ))
}

/** The prescription is what is looked at; a running step whose sheet is a drawing of its own wants no second picture above it. */
function drawsItself(step: RouteStep, running: boolean): boolean {
  if (step.means === 'authorisationRead') return true
  return (
    running &&
    (step.sheets ?? []).some(({ kind }) => ['room', 'regions', 'grooves', 'sawPlan'].includes(kind))
  )
}

/** What others left for this hand to know, and what comes after it. */
function NotesAndNext({ openCase, job, step }: { openCase: OpenCase; job: JobState; step: RouteStep }) {
  const now = useNow()
  const notes = openCase.events.flatMap((e) =>
    e.type === 'noted' && (e.jobId ?? job.jobId) === job.jobId ? [e] : [],
  )
  const last = [step, ...restOfCard(job, step.id)].at(-1)!
  const next = job.route.steps.filter((each) => each.after.includes(last.id))
  return (
    <div className="mt-5 grid gap-2">
      {notes.slice(-3).map((note) => (
        <p key={note.sequence} className="bg-base-200 rounded-xl px-4 py-2">
          <b>{personOn(openCase.state ?? {}, note)}</b>, {dayAndTime(Date.parse(note.at), now)}: {note.text}
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
export function Cautions({ job, step }: { job: JobState; step: RouteStep }) {
  const all = new Set([step, ...restOfCard(job, step.id)].flatMap((each) => each.cautions ?? []))
  if (all.size === 0) return null
  return (
    <section className="border-warning mt-4 border-l-4 pl-3" aria-label="Cautions">
      {[...all].map((caution) => (
        <p key={caution} className="mb-1 flex items-start gap-2">
          <TriangleAlert className="text-warning mt-1 size-4 shrink-0" aria-hidden /> {cautions[caution]}
        </p>
      ))}
      <p className="mt-1 text-sm opacity-80">{CAUTION_RULE}</p>
    </section>
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
    missed: verdict === 'past',
  }
}
