import { ChevronsUpDown } from 'lucide-react'
import { useRef } from 'react'

const MOST = 25
/** A pixel of dragging, and a press of a key, degrees. */
const PER_PIXEL = 0.1
const PER_KEY = 0.5

const within = (degrees: number) => Math.max(-MOST, Math.min(MOST, Math.round(degrees * 10) / 10))

/** One angle of the table, dragged up and down or by the arrow keys. */
export function TiltKnob({
  name,
  degrees,
  words,
  locked,
  onDegrees,
  onMoving,
}: {
  readonly name: string
  readonly degrees: number
  readonly words: (degrees: number) => string
  readonly locked: boolean
  readonly onDegrees: (degrees: number) => void
  readonly onMoving: (moving: boolean) => void
}) {
  const from = useRef<{ readonly y: number; readonly degrees: number }>(undefined)
  const steps: Readonly<Record<string, number>> = {
    ArrowUp: PER_KEY,
    ArrowRight: PER_KEY,
    ArrowDown: -PER_KEY,
    ArrowLeft: -PER_KEY,
    PageUp: 10 * PER_KEY,
    PageDown: -10 * PER_KEY,
  }
  return (
    <div className="flex items-center gap-3">
      <button
        type="button"
        role="slider"
        aria-label={`${name} of the table`}
        aria-valuenow={degrees}
        aria-valuemin={-MOST}
        aria-valuemax={MOST}
        aria-valuetext={`${Math.abs(degrees).toFixed(1)}°, ${words(degrees)}`}
        aria-disabled={locked}
        className="btn btn-primary btn-circle outline-base-100 size-13 touch-none outline-4 aria-disabled:opacity-40"
        onKeyDown={(event) => {
          const step = event.key === 'Home' ? -degrees : steps[event.key]
          if (step === undefined || locked) return
          event.preventDefault()
          onDegrees(within(degrees + step))
        }}
        onPointerDown={(event) => {
          if (locked) return
          event.currentTarget.setPointerCapture(event.pointerId)
          from.current = { y: event.clientY, degrees }
          onMoving(true)
        }}
        onPointerMove={(event) => {
          if (from.current)
            onDegrees(within(from.current.degrees + PER_PIXEL * (from.current.y - event.clientY)))
        }}
        onPointerUp={() => {
          from.current = undefined
          onMoving(false)
        }}
        onPointerCancel={() => {
          from.current = undefined
          onMoving(false)
        }}
      >
        <ChevronsUpDown aria-hidden />
      </button>
      <p className="leading-tight">
        <span className="figures block text-2xl font-bold">{Math.abs(degrees).toFixed(1)}°</span>
        {words(degrees)}
      </p>
    </div>
  )
}
