import {
  failingChecks,
  failingSheets,
  isGrowing,
  type JobState,
  joined,
  type RouteStep,
  readingWords,
  type Saying,
  type StepWindow,
  saying,
  stepWindow,
  windowByMachine,
  windowVerdict,
} from '@yentrik/core'
import { clockTime, dayAndTime, duration, minutesSeconds, secondsOf } from '../format/format.ts'
import { useLabClock, useNow } from '../live/lab-clock.ts'
import { Message } from '../parts/Message.tsx'
import { Said } from '../preferences/words.tsx'
import { runOf, useMachineRuns } from '../program/use-machine-runs.ts'

/** A window as short as this is told by the second. */
const SHORT_MILLIS = 5 * 60_000

interface StepClockProps {
  readonly caseId: string
  readonly job: JobState
  readonly step: RouteStep
}

/** The window of the current step: the clock time that matters, large, and a strip with now on it. */
export function StepClock(props: StepClockProps) {
  const { job, step } = props
  return (
    <>
      <DoesNotPass job={job} step={step} />
      {step.kind === 'machine' ? (
        <MachineClock {...props} />
      ) : (
        <Clock job={job} step={step} window={stepWindow(job, step)} />
      )}
    </>
  )
}

/** What was entered and does not pass: a window that is good says nothing of that, and it may lie further down the step. */
function DoesNotPass({ job, step }: Pick<StepClockProps, 'job' | 'step'>) {
  const wrong = wrongOn(job, step)
  if (wrong.length === 0) return null
  return (
    <section className="mb-3" aria-label="Does not pass" role="status">
      <p className="text-error text-2xl font-bold">Does not pass</p>
      {wrong.map(({ id, words }) => (
        <p key={id}>
          <Said words={words} />
        </p>
      ))}
    </section>
  )
}

/** Of a running step; what still grows, as ticks that are to come, is no fault. */
function wrongOn(job: JobState, step: RouteStep): readonly { readonly id: string; readonly words: Saying }[] {
  const state = job.steps[step.id]!
  if (state.status !== 'running') return []
  return [
    ...failingSheets(step, job).flatMap(({ sheet, faults }) =>
      isGrowing(sheet) ? [] : [{ id: sheet.id, words: saying`${sheet.name}: ${joined(faults)}` }],
    ),
    ...failingChecks(step, state).map(({ check, reading }) => ({
      id: `${check.id} ${reading.tooth ?? ''}`,
      words: saying`${check.name}${reading.tooth === undefined ? '' : saying`, ${{ tooth: reading.tooth }}`}: ${readingWords(reading, check)}`,
    })),
  ]
}

/** By the machine in which the work lies, where it is connected. */
function MachineClock({ caseId, job, step }: StepClockProps) {
  const run = runOf(useMachineRuns(), caseId, job, step.id)
  const usual = stepWindow(job, step)
  const running = run && run.stoppedAt === null && usual
  return (
    <Clock job={job} step={step} window={running ? windowByMachine(usual, Date.parse(run.endsAt)) : usual} />
  )
}

function Clock({
  job,
  step,
  window,
}: Omit<StepClockProps, 'caseId'> & { readonly window: StepWindow | undefined }) {
  const now = useNow()
  const state = job.steps[step.id]!
  if (!window)
    return step.wait || step.waitMinutes ? (
      <p className="text-lg">
        Takes {duration((step.wait?.earliestMinutes ?? step.waitMinutes ?? 0) * 60_000)}
        {state.status === 'running' &&
          state.startedAt &&
          `, begun ${dayAndTime(Date.parse(state.startedAt), now)}`}
      </p>
    ) : state.status === 'running' && state.startedAt ? (
      <p className="text-lg">Begun {dayAndTime(Date.parse(state.startedAt), now)}</p>
    ) : (
      <p className="text-lg">About {duration(step.handsOnMinutes * 60_000)} of hands</p>
    )
  const verdict = windowVerdict(window, now)
  // A minute of light over wax, a minute from furnace to arm: there the seconds matter.
  const bySeconds = window.lateFrom - window.from <= SHORT_MILLIS
  const toGo = (until: number) => (bySeconds ? minutesSeconds(until - now) : duration(until - now))
  const end = window.pastFrom ?? window.lateFrom + 0.3 * (window.lateFrom - window.from)
  const last = Math.max(end, Math.min(now, end + 0.2 * (end - window.from)))
  const share = (instant: number) =>
    (100 * (Math.min(Math.max(instant, window.from), last) - window.from)) / (last - window.from)
  const start = window.to === 'start'
  const away = step.kind === 'clinic'
  const said = {
    tooSoon: {
      label: start ? 'Start from' : 'Ready from',
      at: window.goodFrom,
      more: `${toGo(window.goodFrom)} to go. ${window.early ?? ''}`,
      tone: '',
    },
    good: {
      label: away ? 'Due back' : start ? 'Start by' : 'Good until',
      at: window.lateFrom,
      more: away
        ? 'Out of the house until then.'
        : bySeconds
          ? `${toGo(window.lateFrom)} left.`
          : 'Good now.',
      // Nothing is good while something on the step does not pass.
      tone: wrongOn(job, step).length > 0 ? '' : 'text-success',
    },
    late: {
      label: window.pastFrom ? 'Getting late, by' : 'Late since',
      at: window.pastFrom ?? window.lateFrom,
      more: window.late,
      tone: 'text-warning',
    },
    past: {
      label: 'Past since',
      at: window.pastFrom ?? window.lateFrom,
      more: window.late,
      tone: 'text-error',
    },
  }[verdict]
  return (
    <section aria-label="Clock" data-verdict={verdict}>
      <p className={`font-semibold ${said.tone}`}>{said.label}</p>
      <p className={`figures font-mono text-5xl leading-tight font-bold ${said.tone}`}>
        <time>{clockTime(said.at)}</time>
        {bySeconds && <span className="text-3xl">{`:${secondsOf(said.at)}`}</span>}
      </p>
      {dayAndTime(said.at, now) !== clockTime(said.at) && (
        <p className="font-semibold">{dayAndTime(said.at, now)}</p>
      )}
      <div className="relative mt-2 h-6" aria-hidden>
        <span
          className="hatched border-base-300 absolute inset-y-0 rounded-l-lg border"
          style={{ left: 0, width: `${share(window.goodFrom)}%` }}
        />
        <span
          className="absolute inset-y-0 rounded-md"
          style={{
            left: `${share(window.goodFrom)}%`,
            width: `${share(window.lateFrom) - share(window.goodFrom)}%`,
            background: 'var(--good)',
          }}
        />
        <span
          className="absolute inset-y-0 rounded-r-lg"
          style={{
            left: `${share(window.lateFrom)}%`,
            right: 0,
            background: 'linear-gradient(to right, var(--late), transparent)',
          }}
        />
        <span className="border-error absolute -inset-y-1 border-l-3" style={{ left: `${share(now)}%` }} />
      </div>
      <p className="mt-2">{said.more}</p>
      <ClockWasSet from={window.from} />
      <p className="text-sm opacity-80">{window.source}</p>
    </section>
  )
}

/** A window that was running while somebody set the clock of the server is off by as much. */
function ClockWasSet({ from }: { from: number }) {
  const jump = useLabClock((clock) => clock.jump)
  const now = useNow()
  // What the old clock said when it was set: the window began by that one.
  if (!jump || from > jump.at - jump.byMillis) return null
  return (
    <Message tone="warning">
      The clock of the server was set {jump.byMillis > 0 ? 'on' : 'back'} by {duration(jump.byMillis)} at{' '}
      {dayAndTime(jump.at, now)}: these times may be off by as much.
    </Message>
  )
}
