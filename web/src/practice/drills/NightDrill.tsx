import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import { nightOf } from '@yentrik/core'
import { ArrowDown, ArrowUp, GripVertical } from 'lucide-react'
import { type ReactNode, useState } from 'react'
import type { DrillProps } from './drill-props.ts'
import { Ready } from './Ready.tsx'

const MINUTE = 60_000
const START = Date.UTC(2026, 0, 5, 17)
const clock = (minutes: number) => new Date(START + minutes * MINUTE).toISOString().slice(11, 16)

/** Six cases in a row, moved by dragging or by their arrows; bench and furnace as they come to lie are drawn beside them. */
export function NightDrill({ task, done, onAnswer }: DrillProps<'night'>) {
  const [order, setOrder] = useState<readonly number[]>(task.cases.map((_, n) => n))
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor),
  )
  const { runs } = nightOf(task, order)
  const ends = Math.max(...runs.map(({ until }) => until), ...task.cases.map(({ dueMinutes }) => dueMinutes))
  const move = (from: number, to: number) => {
    if (to < 0 || to >= order.length || from === to) return
    const next = [...order]
    const [taken] = next.splice(from, 1)
    next.splice(to, 0, taken!)
    setOrder(next)
  }
  const dropped = ({ active, over }: DragEndEvent) => {
    if (over) move(order.indexOf(Number(active.id)), order.indexOf(Number(over.id)))
  }
  return (
    <div className="grid gap-4">
      <p className="text-lg">
        It is 17:00. Each goes over the bench, then into the furnace, one after the other. Late minutes count.
      </p>
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
        <ol className="grid gap-2">
          {runs.map(({ at, benchFrom, furnaceFrom, until }, place) => {
            const { benchMinutes, furnaceMinutes, dueMinutes } = task.cases[at]!
            return (
              <Row key={at} id={at} disabled={done}>
                <span className="figures w-40 shrink-0">
                  <b>Case {at + 1}</b> · {benchMinutes} + {furnaceMinutes} min
                </span>
                <span className="bg-base-200 relative h-9 grow rounded-lg" aria-hidden>
                  <span
                    className="absolute inset-y-1 rounded"
                    style={{
                      left: `${(100 * benchFrom) / ends}%`,
                      width: `${(100 * benchMinutes) / ends}%`,
                      background: 'var(--color-info)',
                    }}
                  />
                  <span
                    className="absolute inset-y-1 rounded"
                    style={{
                      left: `${(100 * furnaceFrom) / ends}%`,
                      width: `${(100 * furnaceMinutes) / ends}%`,
                      background: 'var(--heat)',
                    }}
                  />
                  <span
                    className="border-error absolute -inset-y-0.5 border-l-3"
                    style={{ left: `${(100 * dueMinutes) / ends}%` }}
                  />
                </span>
                <span
                  className={`figures w-44 shrink-0 text-right text-sm ${until > dueMinutes ? 'text-error font-bold' : ''}`}
                >
                  out {clock(until)}, due {clock(dueMinutes)}
                </span>
                {!done && (
                  <span className="flex gap-1">
                    <button
                      type="button"
                      className="small-act min-w-11 px-2"
                      aria-label={`Case ${at + 1} earlier`}
                      disabled={place === 0}
                      onClick={() => move(place, place - 1)}
                    >
                      <ArrowUp className="size-5" aria-hidden />
                    </button>
                    <button
                      type="button"
                      className="small-act min-w-11 px-2"
                      aria-label={`Case ${at + 1} later`}
                      disabled={place === order.length - 1}
                      onClick={() => move(place, place + 1)}
                    >
                      <ArrowDown className="size-5" aria-hidden />
                    </button>
                  </span>
                )}
              </Row>
            )
          })}
        </ol>
      </DndContext>
      <Ready done={done} words="Load them so" onReady={() => onAnswer({ drill: 'night', order })} />
    </div>
  )
}

function Row({
  id,
  disabled,
  children,
}: {
  readonly id: number
  readonly disabled: boolean
  readonly children: ReactNode
}) {
  const drag = useDraggable({ id, disabled })
  const drop = useDroppable({ id })
  return (
    <li
      ref={(node) => {
        drag.setNodeRef(node)
        drop.setNodeRef(node)
      }}
      className={`border-base-300 bg-base-100 flex flex-wrap items-center gap-3 rounded-xl border px-2 py-1 ${drop.isOver ? 'border-primary' : ''}`}
      style={
        drag.transform
          ? {
              transform: `translate(${drag.transform.x}px, ${drag.transform.y}px)`,
              position: 'relative',
              zIndex: 5,
            }
          : undefined
      }
    >
      <button
        type="button"
        {...drag.listeners}
        {...drag.attributes}
        className="grid size-11 cursor-grab touch-none place-items-center"
        aria-label={`Drag case ${id + 1}`}
      >
        <GripVertical className="size-5" aria-hidden />
      </button>
      {children}
    </li>
  )
}
