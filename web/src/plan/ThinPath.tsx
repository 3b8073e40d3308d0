import type { Plan, PlanInstance } from '@yentrik/core'
import { dayAndTime } from '../format/format.ts'
import { MINUTE } from './plan-words.ts'

interface ThinPathProps {
  readonly name: string
  readonly caseId: string
  readonly instance: PlanInstance
  readonly plan: Plan
  readonly base: number
  readonly now: number
}

/** The way of one case as a thin strip: hands dark, machines blue, waits hatched, the due time a mark. */
export function ThinPath({ name, caseId, instance, plan, base, now }: ThinPathProps) {
  const kinds = new Map(
    instance.steps.filter((step) => step.caseId === caseId).map((step) => [step.id, step.kind]),
  )
  const own = plan.steps.filter(({ id, endMinute }) => kinds.has(id) && endMinute > instance.nowMinute)
  const due = instance.cases.find(({ id }) => id === caseId)?.dueMinute ?? 0
  const from = instance.nowMinute
  const ends = Math.max(...own.map(({ endMinute }) => endMinute), from)
  const until = Math.max(ends, due) + 120
  const share = (minute: number) => (100 * (Math.max(minute, from) - from)) / (until - from)
  const late = ends > due
  return (
    <div className="grid grid-cols-[6rem_minmax(0,1fr)] items-center gap-3">
      <b className="text-sm">{name}</b>
      <div
        className="hatched border-base-300 relative h-6 rounded-lg border"
        role="img"
        aria-label={`${name}: ${caseId} out ${dayAndTime(base + ends * MINUTE, now)}${late ? ', late' : ', on time'}`}
      >
        <span
          className="bg-base-200 absolute inset-y-0 right-0 rounded-r-lg"
          style={{ left: `${share(ends)}%` }}
        />
        {own.map(({ id, startMinute, endMinute }) => {
          const kind = kinds.get(id)
          if (kind === 'wait') return null
          return (
            <span
              key={id}
              className={`absolute inset-y-0.5 rounded-sm ${kind === 'attended' ? 'bg-primary' : ''}`}
              style={{
                left: `${share(startMinute)}%`,
                width: `max(2px, ${share(endMinute) - share(startMinute)}%)`,
                ...(kind === 'program' ? { background: 'var(--wet)' } : {}),
                ...(kind === 'clinic' ? { background: 'var(--stone)' } : {}),
              }}
            />
          )
        })}
        <span
          className={`absolute -inset-y-1 border-l-3 ${late ? 'border-error' : 'border-base-content'}`}
          style={{ left: `${share(due)}%` }}
        />
      </div>
    </div>
  )
}
