import { type PointerEvent, useRef, useState } from 'react'

type Pair = readonly [x: number, y: number]

/** A point of a chart that can be dragged, or moved by the arrow keys. */
export interface ChartHandle {
  /** What it is and where it stands, in words. */
  readonly name: string
  /** In the units of the axes. */
  readonly at: Pair
  readonly value: number
  readonly most: number
  readonly onTake: () => void
  /** To a point in the units of the axes. */
  readonly onMove: (to: Pair) => void
  readonly onLeave: () => void
  /** By so many steps to the right and up. */
  readonly onStep: (right: number, up: number) => void
}

const steps: Readonly<Record<string, Pair>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}

/** The handles of a chart, laid over it where their points are. */
export function ChartHandles({
  handles,
  pixelOf,
  pointOf,
}: {
  readonly handles: readonly ChartHandle[]
  readonly pixelOf: (point: Pair) => Pair
  readonly pointOf: (pixel: Pair) => Pair
}) {
  const layer = useRef<HTMLDivElement>(null)
  const [taken, setTaken] = useState<number>()
  const pointAt = (event: PointerEvent): Pair => {
    const { left, top } = layer.current!.getBoundingClientRect()
    return pointOf([event.clientX - left, event.clientY - top])
  }
  return (
    <div ref={layer} className="pointer-events-none absolute inset-0 touch-none select-none">
      {handles.map((handle, index) => {
        const [x, y] = pixelOf(handle.at)
        return (
          <div
            key={`${index + 1}`}
            role="slider"
            tabIndex={0}
            aria-label={handle.name}
            aria-valuenow={handle.value}
            aria-valuemin={0}
            aria-valuemax={handle.most}
            className="pointer-events-auto absolute grid size-11 -translate-x-1/2 -translate-y-1/2 cursor-grab place-items-center rounded-full"
            style={{ left: x, top: y }}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId)
              setTaken(index)
              handle.onTake()
            }}
            onPointerMove={(event) => taken === index && handle.onMove(pointAt(event))}
            onPointerUp={() => {
              setTaken(undefined)
              handle.onLeave()
            }}
            onPointerCancel={() => {
              setTaken(undefined)
              handle.onLeave()
            }}
            onKeyDown={(event) => {
              const step = steps[event.key]
              if (!step) return
              event.preventDefault()
              handle.onStep(step[0], step[1])
            }}
          >
            <span className="bg-primary size-5 rounded-full" aria-hidden />
          </div>
        )
      })}
    </div>
  )
}
