import { useDraggable } from '@dnd-kit/core'
import type { PlanBar, PlanLoad, PlanRow, PlanShown } from '@yentrik/contract'
import { Pin } from 'lucide-react'
import { clockTime, dayAndTime } from '../format/format.ts'
import { barWords } from './plan-words.ts'
import type { TimeScale } from './time-scale.ts'

/** A bar narrower than this says nothing on itself. */
const LEAST_NAMED_PX = 44

export interface RowShown {
  readonly id: string
  readonly name: string
  readonly note?: string
  readonly kind: 'person' | 'machine' | 'away'
  readonly height: number
  readonly open: PlanRow['open']
}

export interface RowProps {
  readonly row: RowShown
  readonly plan: PlanShown
  readonly scale: TimeScale
  readonly width: number
  readonly now: number
  readonly chosen: string | undefined
  readonly lit: boolean
  readonly onChoose: (bar: PlanBar) => void
  readonly mayMove: boolean
}

/** Open hours of the lab in which somebody is not there, or a machine cannot be used. */
export function Off({
  row,
  plan,
  scale,
  width,
  word = 'off',
}: {
  row: RowShown
  plan: PlanShown
  scale: TimeScale
  width: number
  word?: string
}) {
  const gone = plan.open.flatMap(([opens, closes]) => {
    let at = opens
    const left: [number, number][] = []
    for (const [from, until] of row.open) {
      if (until <= opens || from >= closes) continue
      if (from > at) left.push([at, from])
      at = Math.max(at, until)
    }
    if (at < closes) left.push([at, closes])
    return left
  })
  return gone.map(([from, until]) => {
    const begins = scale.at(from)
    const size = scale.at(until) - begins
    if (size <= 0) return null
    return (
      <span
        key={from}
        className="border-base-content/40 absolute inset-y-1.5 grid place-items-center overflow-hidden rounded-lg border border-dotted text-xs whitespace-nowrap"
        style={{ left: `${100 * begins}%`, width: `${100 * size}%` }}
      >
        {size * width > 80 ? `${word} until ${clockTime(until)}` : ''}
      </span>
    )
  })
}

export function Bar({
  bar,
  plan,
  scale,
  width,
  now,
  chosen,
  lit,
  onChoose,
  mayMove,
}: RowProps & { readonly bar: PlanBar }) {
  const movable = mayMove && !bar.begun && bar.personId !== undefined
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({
    id: bar.id,
    disabled: !movable,
  })
  const left = scale.at(bar.at)
  const right = scale.at(bar.until)
  const px = (right - left) * width
  const isChosen = bar.caseId === chosen
  const dims = lit && !isChosen
  const who = plan.people.find(({ id }) => id === bar.personId)?.name
  const due = plan.cases.find(({ caseId }) => caseId === bar.caseId)?.dueAt ?? Number.POSITIVE_INFINITY
  const name = bar.steps[0]?.name ?? ''
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...listeners}
      aria-describedby={movable ? attributes['aria-describedby'] : undefined}
      aria-label={barWords(bar, who, now)}
      aria-pressed={isChosen}
      title={barWords(bar, who, now)}
      onClick={() => onChoose(bar)}
      className={`absolute inset-y-1 z-10 overflow-hidden rounded-lg border text-left text-sm leading-tight font-semibold whitespace-nowrap ${
        isChosen
          ? 'bg-primary text-primary-content border-primary'
          : bar.part === 'away'
            ? 'hatched border-base-300'
            : bar.begun
              ? 'bg-base-200 border-base-300 border-dashed'
              : 'bg-secondary text-secondary-content border-base-300'
      } ${bar.pinned ? 'border-base-content border-2' : ''} ${dims ? 'opacity-55' : ''} ${isDragging ? 'z-30 shadow-lg' : ''}`}
      style={{
        left: `${100 * left}%`,
        width: `max(9px, calc(${100 * (right - left)}% - 1px))`,
        ...(transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : {}),
        touchAction: movable ? 'none' : 'auto',
      }}
    >
      {px > LEAST_NAMED_PX && (
        <span className="flex items-center gap-1 px-1.5">
          {bar.pinned && <Pin className="size-3.5 shrink-0" aria-hidden />}
          <span className="truncate">
            {px > 66 ? bar.docket : bar.docket.slice(-4)}
            {px > 150 && <span className="font-normal"> {name.toLowerCase()}</span>}
          </span>
        </span>
      )}
      {bar.until > due && <span className="bg-error absolute inset-x-0 bottom-0 h-1" aria-hidden />}
    </button>
  )
}

/** One bar for what runs together, with the slips of its cases: hatched while it waits, plain while it runs. */
export function Batches({ row, plan, scale, width, now, chosen, onChoose }: RowProps) {
  const here = plan.loads.filter(({ machine }) => machine === row.id)
  const batches = new Map<string, PlanLoad[]>()
  for (const load of here) {
    const key = load.runs ? String(load.runs.at) : load.id
    batches.set(key, [...(batches.get(key) ?? []), load])
  }
  return [...batches.entries()].map(([key, loads]) => {
    const from = Math.min(...loads.map(({ at }) => at))
    const until = Math.max(...loads.map((load) => load.until))
    const runs = loads[0]?.runs
    const left = scale.at(from)
    const size = scale.at(until) - left
    if (size <= 0) return null
    const share = (instant: number) => `${(100 * (scale.at(instant) - left)) / size}%`
    const dockets = [...new Set(loads.map(({ docket }) => docket))]
    const said = `${row.name}: ${dockets.join(', ')}, in ${dayAndTime(from, now)}${runs ? `, runs ${dayAndTime(runs.at, now)} to ${dayAndTime(runs.until, now)}` : ''}, out ${dayAndTime(until, now)}`
    return (
      <div
        key={key}
        title={said}
        className={`hatched absolute inset-y-1 overflow-hidden rounded-lg border ${loads.some(({ caseId }) => caseId === chosen) ? 'border-primary border-2' : 'border-base-content/50'}`}
        style={{ left: `${100 * left}%`, width: `max(10px, ${100 * size}%)` }}
      >
        {runs && (
          <span
            className="absolute inset-y-0 border-x border-current/30"
            style={{
              left: share(runs.at),
              width: `calc(${share(runs.until)} - ${share(runs.at)})`,
              background: groundOf(plan, row.id),
            }}
          />
        )}
        <span className="relative flex flex-wrap gap-0.5 p-1">
          {dockets.map((docket) => {
            const bar = plan.bars.find((each) => each.docket === docket)
            return (
              <button
                key={docket}
                type="button"
                aria-label={`${docket}. ${said}`}
                onClick={() => bar && onChoose(bar)}
                className={`rounded px-1 text-xs font-bold whitespace-nowrap ${bar?.caseId === chosen ? 'bg-primary text-primary-content' : ''}`}
                style={
                  bar?.caseId === chosen ? {} : { background: 'var(--plaster)', color: 'var(--on-light)' }
                }
              >
                {size * width > 40 * dockets.length || size * width > 60 ? docket : docket.slice(-2)}
              </button>
            )
          })}
        </span>
      </div>
    )
  })
}

/** Heat is orange, a bath the colour of its metal. */
function groundOf(plan: PlanShown, machine: string): string {
  const kind = plan.machines.find(({ id }) => id === machine)?.kind
  return kind === 'bath' ? 'var(--metal)' : 'var(--heat)'
}
