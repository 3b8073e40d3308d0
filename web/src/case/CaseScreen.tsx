import {
  amountsIn,
  type CaseCommand,
  type CaseState,
  cardOf,
  currentSteps,
  doneOnCard,
  type EventReader,
  isDelivered,
  type JobState,
  leavingOut,
  onTo,
  pouredBy,
  type RouteStep,
  stepOf,
  stepWindow,
  whyNotLeftOut,
  windowVerdict,
} from '@yentrik/core'
import { ArrowRight } from 'lucide-react'
import { type MouseEvent, useState } from 'react'
import { useNavigate, useParams, useSearchParams } from 'react-router'
import { dayAndTime } from '../format/format.ts'
import { useScannedCommand } from '../keys/scanned-command.ts'
import { useShortcuts } from '../keys/shortcuts.ts'
import { useNow } from '../live/lab-clock.ts'
import { Menu, MenuItem } from '../parts/Menu.tsx'
import { Message, Waiting } from '../parts/Message.tsx'
import { plannedAt, useCasePlan } from '../record/case-plan.ts'
import { type OpenCase, useOpenCase } from '../record/open-case.ts'
import { PracticeContext } from '../record/practice-case.ts'
import { useShelf } from '../record/shelf.ts'
import { RouteList } from '../route/RouteList.tsx'
import { AskCause } from './AskCause.tsx'
import { BackAtIt, pausedSince } from './BackAtIt.tsx'
import { CameBack, HistoryBefore } from './CameBack.tsx'
import { CaseHeader } from './CaseHeader.tsx'
import { CaseSheets, type OpenSheet, wantsReason } from './CaseSheets.tsx'
import { EarlierSheet } from './EarlierSheet.tsx'
import { KeptQuestions } from './KeptQuestions.tsx'
import { NextTouch } from './NextTouch.tsx'
import { LetTimePass, PracticeBar, PracticeOver } from './PracticeTime.tsx'
import { QuarantineFlag } from './QuarantineFlag.tsx'
import { RecordView } from './RecordView.tsx'
import { Standing } from './Standing.tsx'
import { Cautions, StepCard, useMainAction } from './StepCard.tsx'
import { StepClock } from './StepClock.tsx'
import { toolsBesideStep } from './step-tools.tsx'
import { UndoLast } from './UndoLast.tsx'
import { WhatCanBeDone } from './WhatCanBeDone.tsx'

/** One case: where it is on its route, the current step, what was done. */
export function CaseScreen() {
  const { caseId = '' } = useParams()
  // From one case to the next, as to the one that came back: what was seen and sent is of its own case.
  return <OneCase key={caseId} caseId={caseId} />
}

function OneCase({ caseId }: { readonly caseId: string }) {
  const openCase = useOpenCase(caseId)
  const [jobIndex, setJobIndex] = useState(0)
  if (!openCase.state)
    return openCase.error ? (
      <main className="p-8">
        <Message tone="error" words={openCase.error.said} />
      </main>
    ) : (
      <Waiting />
    )
  const job = openCase.state.jobs[jobIndex] ?? openCase.state.jobs[0]!
  return (
    <PracticeContext value={openCase.practice}>
      <CaseWork
        key={`${caseId} ${job.jobId}`}
        openCase={openCase}
        state={openCase.state}
        job={job}
        onJob={setJobIndex}
      />
    </PracticeContext>
  )
}

function CaseWork({
  openCase,
  state,
  job,
  onJob,
}: {
  openCase: OpenCase
  state: CaseState
  job: JobState
  onJob: (index: number) => void
}) {
  const go = useNavigate()
  const { lots, lotNumber } = useShelf()
  const reader: EventReader = { jobs: state.jobs, lotNumber }
  const entry = useSearchParams()[0].get('entry') ?? undefined
  const [tab, setTab] = useState<'step' | 'record'>(entry === undefined ? 'step' : 'record')
  const [peekId, setPeekId] = useState<string>()
  const [opened, setOpened] = useState<OpenSheet>()
  const [earlier, setEarlier] = useState<{ readonly stepId: string; readonly at: number }>()
  const now = useNow()
  const inHand = handStep(job, now)
  const step = (peekId && stepOf(job, peekId)) || inHand || job.route.steps.at(-1)!
  const { running: runs, startable } = currentSteps(job)
  const isInHand = [...runs, ...startable].some(({ id }) => id === step.id)
  const open = !state.held && !job.question && !state.ended && !openCase.practice?.closed
  const running = job.steps[step.id]?.status === 'running'
  const main = useMainAction(job, step)
  const on = { jobId: job.jobId, stepId: step.id }
  const shut = () => setOpened(undefined)
  const openSheet = (next: OpenSheet) => {
    openCase.clearRefusal()
    setOpened(next)
  }
  const realAt = earlier?.stepId === step.id ? earlier.at : undefined
  const giveAll = async (commands: readonly CaseCommand[]) => {
    // What goes on from here begins now, whenever this was.
    const card = cardOf(job.route, step.id).map(({ id }) => id)
    const wasThen = (command: CaseCommand) =>
      realAt !== undefined && isTimed(command) && card.includes(command.stepId)
    const timed = commands.filter(wasThen)
    const stored = await openCase.giveAll(
      commands.map((command) =>
        wasThen(command) ? { ...command, realAt: new Date(realAt!).toISOString() } : command,
      ),
    )
    if (!stored) return false
    setPeekId(undefined)
    // A reading leaves it standing: the end of the step may have been then too.
    if (timed.some(({ type }) => type !== 'recordCheck')) setEarlier(undefined)
    return true
  }
  const give = (command: CaseCommand) => giveAll([command])
  const { practice } = openCase
  const next = running && !practice ? onTo(job, step.id) : undefined
  const move = (outOfTimeReason?: string, onward = false) => {
    const moves = running
      ? [
          ...(practice ? [{ ...on, type: 'finishStep' } as const] : doneOnCard(job, step.id)),
          ...(onward && next ? [{ ...on, type: 'startStep', stepId: next.id } as const] : []),
        ]
      : [{ ...on, type: 'startStep' } as const]
    return giveAll(outOfTimeReason ? [{ ...moves[0]!, outOfTimeReason }, ...moves.slice(1)] : moves)
  }
  const act = (onward = false) => {
    if (open && isInHand && !openCase.busy) void move(undefined, onward)
  }
  const Beside = step.means && toolsBesideStep[step.means]
  const amounts = amountsIn(job, step)
  const unrecorded = running
    ? amounts.find(({ id }) => !job.steps[step.id]?.mixes.some((mix) => mix.amountId === id))
    : undefined
  const unmixed = unrecorded ?? amounts[0]
  const weigh = unmixed && running && open ? () => openSheet({ sheet: 'mix', amount: unmixed }) : undefined
  useShortcuts([
    { key: 'space', does: 'Start or done', run: () => act() },
    { key: 'd', does: 'Done, and on to the next', run: () => act(true) },
    { key: 'm', does: 'Weigh', run: () => weigh?.() },
    { key: 'g', does: 'Go back', run: () => openSheet({ sheet: 'goBack' }) },
    { key: 'f', does: 'Fault', run: () => openSheet({ sheet: job.question ? 'answer' : 'ask' }) },
    { key: 't', does: 'Note', run: () => openSheet({ sheet: 'note' }) },
    { key: 'n', does: 'Not now', run: () => go('/') },
  ])
  useScannedCommand((command) => {
    if (command === 'START' && !running) act()
    else if (command === 'DONE' && running) act()
    else if (command === 'WEIGH') weigh?.()
    else if (command === 'FAULT') openSheet({ sheet: job.question ? 'answer' : 'ask' })
    else if (command === 'NOTNOW') go('/')
  })
  const refusal = openCase.refusal?.said
  const plan = useCasePlan(openCase.caseId)
  return (
    <main className="mx-auto flex max-w-[1500px] flex-col gap-4 p-4 lg:h-dvh lg:min-h-[640px] lg:p-5">
      <CaseHeader
        state={state}
        job={job}
        tab={tab}
        onTab={setTab}
        onJob={onJob}
        practice={practice && <PracticeBar openCase={openCase} practice={practice} />}
        onAmend={() => openSheet({ sheet: 'amend' })}
      />
      <Standing
        state={state}
        job={job}
        onAnswer={
          practice ? () => void practice.act({ act: 'clinicAnswers' }) : () => openSheet({ sheet: 'answer' })
        }
        answerWords={practice ? 'Wait for the clinic' : 'Enter the answer'}
        onRelease={() => give({ type: 'release' })}
      />
      <CameBack state={state} job={job} />
      {!practice && <AskCause openCase={openCase} />}
      {!practice && <KeptQuestions caseId={openCase.caseId} state={state} reader={reader} />}
      {!practice && <QuarantineFlag used={state.lots} lots={lots} />}
      {tab === 'record' ? (
        <div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)] gap-4 xl:grid-flow-col xl:auto-cols-[22rem]">
          <RecordView openCase={openCase} state={state} reader={reader} {...(entry ? { entry } : {})} />
          {state.cameBack && <HistoryBefore cameBack={state.cameBack} />}
        </div>
      ) : (
        <div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)] gap-4 lg:grid-cols-[17.5rem_minmax(0,1fr)_17.5rem]">
          <section className="card-flat order-last flex max-h-96 min-h-0 flex-col lg:order-none lg:max-h-none">
            <RouteList
              job={job}
              shownId={step.id}
              plannedAt={(stepId) => plannedAt(plan, job, stepId)}
              onShow={(id) => setPeekId(id === inHand?.id ? undefined : id)}
            />
          </section>
          <section
            className="card-flat flex min-h-0 flex-col p-5"
            aria-label="Current step"
            aria-busy={openCase.busy}
          >
            {practice?.closed && !peekId ? (
              <PracticeOver caseId={openCase.caseId} closed={practice.closed} />
            ) : isDelivered(state) && !peekId ? (
              <Delivered onReturn={state.cameBackAs ? undefined : () => openSheet({ sheet: 'return' })} />
            ) : (
              <StepCard
                openCase={{ ...openCase, give }}
                plan={plan}
                job={job}
                step={step}
                open={open}
                onGive={giveAll}
                onMix={(amount) => openSheet({ sheet: 'mix', amount })}
                onGoBack={(back) => void give({ type: 'goBack', jobId: job.jobId, ...back })}
              />
            )}
            {/* On a phone it stays above the places at the foot, however long the step is. */}
            <div className="border-base-300 bg-base-100 mt-3 border-t pt-3 max-lg:sticky max-lg:bottom-16 max-lg:z-5 max-lg:-mx-5 max-lg:-mb-5 max-lg:rounded-b-2xl max-lg:px-5 max-lg:pb-4">
              {refusal &&
                !opened &&
                !wantsReason(openCase) &&
                openCase.refusal?.problem.field !== 'value' && (
                  <div className="mb-2">
                    <Message tone="error" words={refusal} />
                  </div>
                )}
              {isInHand && open && main.missed && <WhatCanBeDone job={job} step={step} onGive={give} />}
              {practice && (
                <NextTouch job={job} step={step} practice={practice} teeth={state.authorisation.teeth} />
              )}
              <div className="flex flex-wrap gap-2">
                {isInHand && open && (
                  <button
                    type="button"
                    className={main.early || main.missed || unrecorded ? 'act' : 'act-main'}
                    onClick={onceOnly(() => act())}
                    disabled={openCase.busy}
                  >
                    {main.words}
                    {realAt !== undefined && ` at ${dayAndTime(realAt, now)}`}
                    <kbd className="key">space</kbd>
                  </button>
                )}
                {open && !practice && (
                  <BackAtIt job={job} step={step} onGive={(command) => void give(command)} />
                )}
                {isInHand && open && next && !main.early && !main.missed && (
                  <button
                    type="button"
                    className="act"
                    title={`On to "${next.name}"`}
                    aria-label={`On to "${next.name}"`}
                    onClick={onceOnly(() => act(true))}
                    disabled={openCase.busy}
                  >
                    On to <ArrowRight className="size-5" aria-hidden />
                    <kbd className="key">D</kbd>
                  </button>
                )}
                {realAt !== undefined && (
                  <button type="button" className="act" onClick={() => setEarlier(undefined)}>
                    Now after all
                  </button>
                )}
                {peekId && step.id !== inHand?.id && (
                  <button type="button" className="act" onClick={() => setPeekId(undefined)}>
                    To the current step
                  </button>
                )}
                {isInHand &&
                  open &&
                  !running &&
                  step.mayBeSkipped &&
                  whyNotLeftOut(job, step) === undefined && (
                    <button
                      type="button"
                      className="act"
                      onClick={onceOnly(() => void giveAll(leavingOut(job, step, step.mayBeSkipped!)))}
                    >
                      Leave out: {lowered(step.mayBeSkipped)}
                    </button>
                  )}
                {/* Its place is kept: nothing moves under a hand when it comes and goes. */}
                <div className="min-w-15">
                  {!practice && <UndoLast openCase={openCase} reader={reader} />}
                </div>
                {!state.ended && (
                  <Menu name="More">
                    {isInHand && open && (
                      <MenuItem name="It was earlier" onPick={() => openSheet({ sheet: 'earlier' })} />
                    )}
                    {isInHand && open && !running && step.mayBeSkipped && (
                      <MenuItem name="Leave it out, because …" onPick={() => openSheet({ sheet: 'skip' })} />
                    )}
                    {open && pouredBy(job.route).length > 0 && (
                      <MenuItem name="The impression" onPick={() => openSheet({ sheet: 'impressions' })} />
                    )}
                    {running &&
                      open &&
                      !practice &&
                      step.kind === 'attended' &&
                      pausedSince(job, step) === undefined && (
                        <MenuItem name="Called away" onPick={() => void give({ ...on, type: 'pause' })} />
                      )}
                    <MenuItem name="Go back" keyName="G" onPick={() => openSheet({ sheet: 'goBack' })} />
                    <MenuItem name="Ask the dentist" keyName="F" onPick={() => openSheet({ sheet: 'ask' })} />
                    <MenuItem name="Write a note" keyName="T" onPick={() => openSheet({ sheet: 'note' })} />
                    <MenuItem name="Do it another way" onPick={() => openSheet({ sheet: 'variants' })} />
                    <MenuItem name="Put on hold" onPick={() => openSheet({ sheet: 'hold' })} />
                  </Menu>
                )}
              </div>
            </div>
          </section>
          <aside className="flex min-h-0 flex-col gap-4">
            <section className="card-flat p-5">
              <StepClock caseId={openCase.caseId} job={job} step={step} />
              {Beside && <Beside job={job} />}
              {practice && <LetTimePass job={job} practice={practice} />}
            </section>
            <section className="card-flat min-h-0 grow overflow-y-auto p-5">
              {practice?.level !== 'exam' && (
                <>
                  <h2 className="font-semibold opacity-80">Why</h2>
                  <p>{step.why}</p>
                </>
              )}
              <Cautions job={job} step={step} />
            </section>
          </aside>
        </div>
      )}
      {opened?.sheet === 'earlier' && (
        <EarlierSheet
          what={main.words}
          draftKey={`${openCase.caseId} ${job.jobId} ${step.id} earlier`}
          onClose={shut}
          onTime={(at) => {
            setEarlier({ stepId: step.id, at })
            shut()
          }}
        />
      )}
      <CaseSheets
        openCase={openCase}
        state={state}
        job={job}
        step={step}
        reader={reader}
        opened={opened}
        onShut={shut}
        onGive={give}
        onGiveAll={giveAll}
        onMove={move}
      />
    </main>
  )
}

/** What counts from a moment, and may have been earlier than it is tapped. */
function isTimed(
  command: CaseCommand,
): command is Extract<CaseCommand, { type: 'startStep' | 'finishStep' | 'recordCheck' }> {
  return ['startStep', 'finishStep', 'recordCheck'].includes(command.type)
}

/** What wants hands now: a step that runs by itself stands back until its time, where another can be done meanwhile. */
function handStep(job: JobState, now: number): RouteStep | undefined {
  const { running, startable } = currentSteps(job)
  const wantsHands = (step: RouteStep) => {
    const window = stepWindow(job, step)
    return step.kind === 'attended' || !window || windowVerdict(window, now) !== 'tooSoon'
  }
  const opens = (step: RouteStep) => stepWindow(job, step)?.goodFrom ?? 0
  const soonest = [...running].sort((a, b) => opens(a) - opens(b))[0]
  return running.find(wantsHands) ?? startable[0] ?? soonest
}

/** A second click of one shaky hand does nothing: what stands under it may be another button by then. */
const onceOnly = (run: () => void) => (event: MouseEvent) => {
  if (event.detail <= 1) run()
}

/** A sentence inside another one. */
const lowered = (sentence: string) => sentence.charAt(0).toLowerCase() + sentence.slice(1).replace(/\.$/, '')

/** @param onReturn takes it back; left out: it has come back already */
function Delivered({ onReturn }: { readonly onReturn: (() => void) | undefined }) {
  return (
    <div className="grid grow place-items-center text-center">
      <div>
        <h2 className="text-3xl font-bold">Delivered</h2>
        <p className="mt-2 text-lg">Every step is done. The record and the papers are complete.</p>
        {onReturn && (
          <button type="button" className="act mt-6" onClick={onReturn}>
            It came back
          </button>
        )}
      </div>
    </div>
  )
}
