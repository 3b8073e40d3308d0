import { currentSteps, finishedAt, type JobState, type RouteStep } from '@yentrik/core'
import { Check, CircleDot, Minus } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { dateAndTime, dayOrTime, stageName } from '../format/format.ts'
import { labNow } from '../live/lab-clock.ts'

interface RouteListProps {
  readonly job: JobState
  readonly shownId: string | undefined
  readonly onShow: (stepId: string) => void
  /** When a step to come is planned; none where there is no plan. */
  readonly plannedAt?: (stepId: string) => number | undefined
}

/** Where the job is on its route: every step by stage, done, in hand, to come. */
export function RouteList({ job, shownId, onShow, plannedAt }: RouteListProps) {
  const { running, startable } = currentSteps(job)
  const inHand = new Set([...running, ...startable].map((step) => step.id))
  const list = useRef<HTMLOListElement>(null)
  useEffect(() => {
    // The list alone is scrolled: on a phone it lies below the step, and the page must stay at the step.
    const shown = list.current?.querySelector<HTMLElement>('[aria-current]')
    if (list.current && shown)
      list.current.scrollTop = shown.offsetTop - (list.current.clientHeight - shown.offsetHeight) / 2
  }, [shownId])
  return (
    <ol ref={list} className="relative min-h-0 grow overflow-y-auto p-2" aria-label="Route">
      {job.route.steps.map((step, index) => (
        <li key={step.id}>
          {step.stage !== job.route.steps[index - 1]?.stage && (
            <p className="px-2 pt-3 pb-1 text-sm font-semibold opacity-75">{stageName(step.stage)}</p>
          )}
          <StepRow
            step={step}
            job={job}
            inHand={inHand.has(step.id)}
            shown={step.id === shownId}
            onShow={onShow}
            planned={plannedAt?.(step.id)}
          />
        </li>
      ))}
    </ol>
  )
}

const signs = { waiting: undefined, running: CircleDot, done: Check, skipped: Minus }
const words = { waiting: 'to come', running: 'going on', done: 'done', skipped: 'left out' }

function StepRow({
  step,
  job,
  inHand,
  shown,
  onShow,
  planned,
}: {
  step: RouteStep
  job: JobState
  inHand: boolean
  shown: boolean
  onShow: (stepId: string) => void
  planned: number | undefined
}) {
  const state = job.steps[step.id]!
  const over = finishedAt(state)
  const Sign = signs[state.status]
  return (
    <button
      type="button"
      className={`flex min-h-11 w-full items-center gap-2 rounded-xl px-2 text-left ${shown ? 'bg-primary text-primary-content' : 'hover:bg-base-200'} ${inHand ? 'font-bold' : ''}`}
      aria-current={shown ? 'step' : undefined}
      onClick={() => onShow(step.id)}
    >
      <span className="grid size-6 shrink-0 place-items-center" aria-hidden>
        {Sign ? (
          <Sign className="size-5" strokeWidth={2.5} />
        ) : (
          <span className={`size-3 rounded-full border-2 border-current ${inHand ? '' : 'opacity-50'}`} />
        )}
      </span>
      <span className="line-clamp-2 min-w-0 grow leading-tight">
        {step.name}
        <span className="sr-only">, {words[state.status]}</span>
      </span>
      {state.attempt > 1 && <span className="text-sm">×{state.attempt}</span>}
      {!over && planned !== undefined && (
        <span
          className="figures shrink-0 font-mono text-sm font-bold"
          title={`planned ${dateAndTime(planned)}`}
        >
          {dayOrTime(planned, labNow())}
        </span>
      )}
      {over && (
        <span className="figures shrink-0 text-sm opacity-80" title={dateAndTime(Date.parse(over))}>
          {dayOrTime(Date.parse(over), labNow())}
        </span>
      )}
    </button>
  )
}
