import {
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import type { PlanBar, PlanLoad, PlanRow, PlanShown } from '@yentrik/contract'
import { Moon, Pin } from 'lucide-react'
import { useLayoutEffect, useMemo, useRef, useState } from 'react'
import { clockTime, dayAndTime, shortDate } from '../format/format.ts'
import { barWords } from './plan-words.ts'
import { hoursOf, TimeScale } from './time-scale.ts'

const PERSON_ROW = 38
const MACHINE_ROW = 46
const HEAD = 46
/** A bar narrower than this says nothing on itself. */
const LEAST_NAMED_PX = 44
/** A drag goes in steps of so many minutes. */
const SNAP = 5 * 60_000

export interface Moved {
  readonly bar: PlanBar
  readonly at: number
  readonly personId: string
}
interface PlanRailProps {
  readonly plan: PlanShown
  readonly now: number
  readonly chosen: string | undefined
  /** Everything else steps back. */
  readonly lit: boolean
  readonly onChoose: (bar: PlanBar) => void
  readonly onMove: (moved: Moved) => void
  readonly mayMove: boolean
  readonly showPlaces: boolean
}

/** People and machines over days, nights folded: who does what when, what runs, what is away. */
export function PlanRail({ plan, now, chosen, lit, onChoose, onMove, mayMove, showPlaces }: PlanRailProps) {
  const scale = useMemo(
    () => new TimeScale(plan.from, plan.until, plan.open),
    [plan.from, plan.until, plan.open],
  )
  const [width, line] = useWidth()
  const machines = plan.machines.filter(
    (machine) => (machine.batch || showPlaces) && plan.loads.some((load) => load.machine === machine.id),
  )
  const rows = rowsOf(plan, machines)
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, {
      keyboardCodes: { start: ['KeyD'], cancel: ['Escape'], end: ['KeyD', 'Enter'] },
    }),
  )
  const drop = ({ active, delta, over }: DragEndEvent) => {
    const bar = plan.bars.find(({ id }) => id === active.id)
    if (!bar || width === 0) return
    const at = scale.instant(scale.at(bar.at) + delta.x / width)
    const personId = typeof over?.id === 'string' ? over.id : (bar.personId ?? '')
    const snapped = Math.round(at / SNAP) * SNAP
    if (Math.abs(delta.x) < 6 && personId === bar.personId) return
    onMove({ bar, at: Math.max(snapped, now), personId })
  }
  const path = chosen === undefined ? [] : pathOf(plan, rows, chosen, scale)
  const height = rows.reduce((sum, row) => sum + row.height, 0)
  return (
    <DndContext sensors={sensors} onDragEnd={drop}>
      <div className="flex min-h-0 grow overflow-y-auto">
        <div className="w-28 shrink-0 sm:w-36">
          <div style={{ height: HEAD }} />
          {rows.map((row) => (
            <div
              key={row.id}
              style={{ height: row.height }}
              className="border-base-300 flex flex-col justify-center border-t pl-2 leading-tight"
            >
              <b className="truncate text-sm sm:text-base">{row.name}</b>
              {row.note && <span className="truncate text-xs opacity-80">{row.note}</span>}
            </div>
          ))}
        </div>
        <div className="relative min-w-0 grow" ref={line} style={{ height: HEAD + height }}>
          <Ground scale={scale} now={now} width={width} />
          <svg
            className="pointer-events-none absolute inset-x-0 bottom-0"
            style={{ top: HEAD, height }}
            viewBox={`0 0 1000 ${height || 1}`}
            preserveAspectRatio="none"
            aria-hidden
          >
            <polyline
              points={path.map(([x, y]) => `${1000 * x},${y}`).join(' ')}
              fill="none"
              stroke="var(--color-primary)"
              strokeWidth={2.5}
              strokeDasharray="1 0"
              opacity={0.55}
              vectorEffect="non-scaling-stroke"
            />
          </svg>
          <div className="absolute inset-x-0" style={{ top: HEAD }}>
            {rows.map((row) => (
              <Row
                key={row.id}
                row={row}
                plan={plan}
                scale={scale}
                width={width}
                now={now}
                chosen={chosen}
                lit={lit}
                onChoose={onChoose}
                mayMove={mayMove}
              />
            ))}
          </div>
          <div
            className="border-error pointer-events-none absolute inset-y-0 z-20 border-l-3"
            style={{ left: `${100 * scale.at(now)}%` }}
          >
            <span className="bg-error text-error-content figures absolute top-5 -left-7 rounded-md px-1.5 font-mono text-sm font-bold">
              {clockTime(now)}
            </span>
          </div>
        </div>
      </div>
    </DndContext>
  )
}

interface RowShown {
  readonly id: string
  readonly name: string
  readonly note?: string
  readonly kind: 'person' | 'machine' | 'away'
  readonly height: number
  readonly open: PlanRow['open']
}

function rowsOf(plan: PlanShown, machines: readonly PlanRow[]): readonly RowShown[] {
  const away = plan.bars.some(({ part }) => part === 'away')
  return [
    ...plan.people.map(({ id, name, open }) => ({
      id,
      name,
      open,
      kind: 'person' as const,
      height: PERSON_ROW,
    })),
    ...machines.map(({ id, name, open, places }) => ({
      id,
      name,
      open,
      kind: 'machine' as const,
      height: MACHINE_ROW,
      note: `takes ${places}`,
    })),
    ...(away
      ? [{ id: 'away', name: 'At the clinic', kind: 'away' as const, height: PERSON_ROW, open: [] }]
      : []),
  ]
}

/** Nights, hours and days behind everything. */
function Ground({ scale, now, width }: { scale: TimeScale; now: number; width: number }) {
  const perHour = (width / Math.max(1, hoursOf(scale, 1).length)) | 0
  const every = perHour > 46 ? 1 : perHour > 22 ? 2 : 4
  return (
    <div className="pointer-events-none absolute inset-0" aria-hidden>
      {scale.pieces.map((piece) => {
        const place = { left: `${100 * piece.begins}%`, width: `${100 * (piece.ends - piece.begins)}%` }
        const px = width * (piece.ends - piece.begins)
        return piece.isOpen ? (
          <div key={piece.from} className="absolute inset-y-0" style={place}>
            <b className="absolute top-0 left-1 text-sm whitespace-nowrap">
              {px > 64 ? shortDate(piece.from) : ''}
            </b>
          </div>
        ) : (
          <div
            key={piece.from}
            className="bg-base-300/60 absolute bottom-0"
            style={{ ...place, top: HEAD - 4 }}
          >
            {px > 60 && (
              <span className="absolute -top-5 left-1/2 flex -translate-x-1/2 items-center gap-1 text-xs">
                <Moon className="size-3.5" aria-hidden /> night
              </span>
            )}
          </div>
        )
      })}
      {hoursOf(scale, every).map((hour) => (
        <div
          key={hour}
          className="border-base-300 absolute bottom-0 border-l"
          style={{ left: `${100 * scale.at(hour)}%`, top: HEAD - 8 }}
        >
          {Math.abs(scale.at(hour) - scale.at(now)) * width > 42 && (
            <span className="figures absolute -top-5 -left-3 font-mono text-sm opacity-80">
              {clockTime(hour).slice(0, 2)}
            </span>
          )}
        </div>
      ))}
    </div>
  )
}

interface RowProps {
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

function Row(props: RowProps) {
  const { row, plan, scale, width } = props
  const { setNodeRef, isOver } = useDroppable({ id: row.id, disabled: row.kind !== 'person' })
  const bars = plan.bars.filter(
    (bar) =>
      (row.kind === 'person' && bar.personId === row.id && bar.part !== 'away') ||
      (row.kind === 'away' && bar.part === 'away'),
  )
  return (
    <div
      ref={setNodeRef}
      style={{ height: row.height }}
      className={`border-base-300 relative border-t ${isOver ? 'bg-primary/10' : ''}`}
    >
      {row.kind === 'person' && <Off row={row} plan={plan} scale={scale} width={width} />}
      {row.kind === 'machine' && (
        <Off row={row} plan={plan} scale={scale} width={width} word="out of order" />
      )}
      {bars.map((bar) => (
        <Bar key={bar.id} bar={bar} {...props} />
      ))}
      {row.kind === 'machine' && <Batches {...props} />}
    </div>
  )
}

/** Open hours of the lab in which somebody is not there, or a machine cannot be used. */
function Off({
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

function Bar({
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
function Batches({ row, plan, scale, width, now, chosen, onChoose }: RowProps) {
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

/** The way of a case through hands and machines: from bar to bar. */
function pathOf(
  plan: PlanShown,
  rows: readonly RowShown[],
  chosen: string,
  scale: TimeScale,
): readonly (readonly [number, number])[] {
  const tops = new Map<string, number>()
  let top = 0
  for (const row of rows) {
    tops.set(row.id, top + row.height / 2)
    top += row.height
  }
  const bars = plan.bars
    .filter(({ caseId, part }) => caseId === chosen && part !== 'wait' && part !== 'run')
    .map((bar) => ({
      at: bar.at,
      until: bar.until,
      row: bar.part === 'away' ? 'away' : (bar.personId ?? ''),
    }))
  const loads = plan.loads
    .filter(({ caseId, machine, runs }) => caseId === chosen && runs && tops.has(machine))
    .map((load) => ({ at: load.runs!.at, until: load.runs!.until, row: load.machine }))
  return [...bars, ...loads]
    .filter(({ row }) => tops.has(row))
    .sort((a, b) => a.at - b.at)
    .flatMap(({ at, until, row }) => [
      [scale.at(at), tops.get(row)!] as const,
      [scale.at(until), tops.get(row)!] as const,
    ])
}

function useWidth() {
  const ref = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(0)
  useLayoutEffect(() => {
    const node = ref.current
    if (!node) return
    const measure = () => setWidth(node.clientWidth)
    measure()
    if (typeof ResizeObserver === 'undefined') return
    const observer = new ResizeObserver(measure)
    observer.observe(node)
    return () => observer.disconnect()
  }, [])
  return [width, ref] as const
}
