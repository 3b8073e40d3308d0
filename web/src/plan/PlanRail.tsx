import {
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import type { PlanBar, PlanRow, PlanShown } from '@yentrik/contract'
import { Moon } from 'lucide-react'
import { useLayoutEffect, useMemo, useRef, useState } from 'react'
import { clockTime, shortDate } from '../format/format.ts'
import { Bar, Batches, Off, type RowProps, type RowShown } from './PlanBars.tsx'
import { hoursOf, TimeScale } from './time-scale.ts'

const PERSON_ROW = 38
const MACHINE_ROW = 46
const HEAD = 46
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
