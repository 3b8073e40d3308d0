import {
  COOLING_MINUTES,
  type FollowedSection,
  MONOMER_BOILS_CELSIUS,
  PEAK_WITHIN_CELSIUS,
  type ProgramSegment,
  programStretches,
  RESIDUAL_WITHIN,
  type TemperatureProgram,
} from '@yentrik/core'
import { type PointerEvent, useRef, useState } from 'react'
import { clockTime } from '../format/format.ts'

const W = 800
const H = 400
const box = { left: 46, right: 14, top: 14, bottom: 30 }
const LOW = 15
const HIGH = 132
const ink = 'var(--color-base-content)'

/** How far an estimate of the cure may be off, and what it leaves out. */
export function CureLimits() {
  return (
    <p className="px-2 text-sm opacity-80">
      {`An estimate for this thickness and flask: about ±${PEAK_WITHIN_CELSIUS} °C on the peak, ±${100 * RESIDUAL_WITHIN} % on monomer. Not counted: pressure, cross-linker, teeth, several flasks in one bath. The maker's sheet and a measured test decide.`}
    </p>
  )
}

/** So long after the bath a chart goes on: the cooling, and some air. */
export const AFTER_BATH_MINUTES = COOLING_MINUTES + 20

/** Bath, thin and thick resin over the hours; the corners of the bath are handles. */
export function CureChart({
  program,
  followed,
  measured,
  going = false,
  startAt,
  untilMinutes,
  onDrag,
  onMoves,
}: {
  readonly program: TemperatureProgram
  readonly followed: readonly FollowedSection[]
  /** The bath as it was read, where it has been. */
  readonly measured?: readonly { readonly minutes: number; readonly celsius: number }[]
  /** It still runs: what is set lies ahead. */
  readonly going?: boolean
  readonly startAt: number
  readonly untilMinutes: number
  readonly onDrag?: (segment: number, to: Partial<ProgramSegment>) => void
  readonly onMoves?: (moves: boolean) => void
}) {
  const svg = useRef<SVGSVGElement>(null)
  // While a hand drags, the scale of time stays as it was taken hold of.
  const [held, setHeld] = useState<number>()
  const until = held ?? untilMinutes
  const x = (minutes: number) => box.left + ((W - box.left - box.right) * minutes) / until
  const y = (celsius: number) =>
    H - box.bottom - ((H - box.top - box.bottom) * (celsius - LOW)) / (HIGH - LOW)
  const path = (points: readonly (readonly [number, number])[]) =>
    points
      .map(
        ([minutes, celsius], n) => `${n === 0 ? 'M' : 'L'}${x(minutes).toFixed(1)} ${y(celsius).toFixed(1)}`,
      )
      .join('')
  const stretches = programStretches(program)
  const [curveOf] = followed
  const bath: (readonly [number, number])[] = measured
    ? measured.map(({ minutes, celsius }) => [minutes, celsius] as const)
    : [[0, program.startCelsius], ...stretches.flatMap(cornersOf)]
  const last = measured?.at(-1)
  const ahead = [
    last ? ([last.minutes, last.celsius] as const) : ([0, program.startCelsius] as const),
    ...stretches.flatMap(cornersOf).filter(([minutes]) => minutes > (last?.minutes ?? 0)),
  ]
  const cooling = (curveOf?.outcome.curve ?? [])
    .filter(({ minutes }) => minutes > (curveOf?.outcome.bathMinutes ?? 0))
    .map(({ minutes, bathCelsius }) => [minutes, bathCelsius] as const)
  const at = (event: PointerEvent) => {
    const rect = svg.current!.getBoundingClientRect()
    const px = ((event.clientX - rect.left) / rect.width) * W
    const py = ((event.clientY - rect.top) / rect.height) * H
    return {
      minutes: ((px - box.left) * until) / (W - box.left - box.right),
      celsius: LOW + ((H - box.bottom - py) * (HIGH - LOW)) / (H - box.top - box.bottom),
    }
  }
  const hottest = followed.reduce<FollowedSection | undefined>(
    (a, b) => (a && a.outcome.peakCelsius >= b.outcome.peakCelsius ? a : b),
    undefined,
  )
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing cannot be a fieldset
    <svg
      ref={svg}
      viewBox={`0 0 ${W} ${H}`}
      className="w-full touch-none select-none"
      role="group"
      aria-label="Bath and resin over the hours"
      fontSize="13"
      fill={ink}
    >
      <rect
        x={box.left}
        y={y(HIGH)}
        width={W - box.left - box.right}
        height={y(MONOMER_BOILS_CELSIUS) - y(HIGH)}
        fill="var(--color-error)"
        opacity="0.09"
      />
      <Grid x={x} y={y} startAt={startAt} until={until} />
      <path
        d={`M${box.left} ${y(MONOMER_BOILS_CELSIUS)}H${W - box.right}`}
        stroke="var(--color-error)"
        strokeDasharray="6 4"
      />
      <text
        x={W - box.right - 4}
        y={y(MONOMER_BOILS_CELSIUS) - 6}
        textAnchor="end"
        fill="var(--color-error)"
        fontWeight="700"
      >
        monomer boils, {MONOMER_BOILS_CELSIUS} °C
      </text>
      <path d={path(bath)} fill="none" stroke="var(--metal)" strokeWidth="3" />
      <path
        d={path(going ? ahead : cooling)}
        fill="none"
        stroke="var(--metal)"
        strokeWidth="2"
        strokeDasharray="4 4"
      />
      {followed.map(({ section, outcome }, n) => (
        <path
          key={section.shape}
          d={path(thinned(outcome.curve).map(({ minutes, coreCelsius }) => [minutes, coreCelsius] as const))}
          fill="none"
          stroke={n === 0 ? 'var(--resin)' : 'var(--color-error)'}
          strokeWidth={n === 0 ? 2.5 : 3.5}
          strokeLinejoin="round"
        />
      ))}
      {hottest && (
        <g fontWeight="700">
          <circle
            cx={x(hottest.outcome.peakMinutes)}
            cy={y(hottest.outcome.peakCelsius)}
            r="6"
            fill="var(--color-error)"
          />
          <text
            x={x(hottest.outcome.peakMinutes) + 12}
            y={Math.max(
              box.top + 14,
              y(hottest.outcome.peakCelsius) + (hottest.outcome.peakCelsius > 96 ? 18 : -8),
            )}
            fontSize="17"
          >
            {Math.round(hottest.outcome.peakCelsius)} °C at{' '}
            {clockTime(startAt + hottest.outcome.peakMinutes * 60_000)}
          </text>
        </g>
      )}
      {onDrag &&
        stretches.map((stretch, n) => {
          const end = stretch.startMinutes + stretch.rampMinutes + stretch.holdMinutes
          return (
            <Handle
              key={`${n + 1}`}
              x={x(end)}
              y={y(stretch.toCelsius)}
              name={`Line ${n + 1}: ${stretch.toCelsius} °C, held ${Math.round(stretch.holdMinutes)} min`}
              minutes={Math.round(stretch.holdMinutes)}
              onTake={() => {
                setHeld(until)
                onMoves?.(true)
              }}
              onMove={(event) => {
                const { minutes, celsius } = at(event)
                onDrag(n, {
                  holdMinutes: minutes - stretch.startMinutes - stretch.rampMinutes,
                  toCelsius: celsius,
                })
              }}
              onLeave={() => {
                setHeld(undefined)
                onMoves?.(false)
              }}
              onKey={(minutes, celsius) =>
                onDrag(n, {
                  holdMinutes: stretch.holdMinutes + minutes,
                  toCelsius: stretch.toCelsius + celsius,
                })
              }
            />
          )
        })}
    </svg>
  )
}

function cornersOf({
  startMinutes,
  rampMinutes,
  holdMinutes,
  toCelsius,
}: ReturnType<typeof programStretches>[number]) {
  return [
    [startMinutes + rampMinutes, toCelsius] as const,
    [startMinutes + rampMinutes + holdMinutes, toCelsius] as const,
  ]
}

/** Enough points for the eye: every minute near a peak matters, of a night every second one is enough. */
function thinned<T>(curve: readonly T[]): readonly T[] {
  return curve.length > 500 ? curve.filter((_, n) => n % 2 === 0) : curve
}

function Grid({
  x,
  y,
  startAt,
  until,
}: {
  x: (minutes: number) => number
  y: (celsius: number) => number
  startAt: number
  until: number
}) {
  const every = until > 9 * 60 ? 120 : until > 4 * 60 ? 60 : 30
  const first = (every - (Math.floor(startAt / 60_000) % every)) % every
  const hours: number[] = []
  for (let minutes = first; minutes <= until; minutes += every) hours.push(minutes)
  return (
    <g stroke="var(--color-base-300)">
      {[20, 40, 60, 80, 100, 120].map((celsius) => (
        <g key={celsius}>
          <path d={`M${box.left} ${y(celsius)}H${W - box.right}`} />
          <text x={box.left - 8} y={y(celsius) + 4} textAnchor="end" stroke="none">
            {celsius}
          </text>
        </g>
      ))}
      {hours.map((minutes) => (
        <g key={minutes}>
          <path d={`M${x(minutes)} ${box.top}V${H - box.bottom}`} />
          <text x={x(minutes)} y={H - 10} textAnchor="middle" stroke="none">
            {clockTime(startAt + minutes * 60_000)}
          </text>
        </g>
      ))}
    </g>
  )
}

/** A corner of the bath, to be dragged, or moved by the arrow keys: five minutes, one degree. */
function Handle({
  x,
  y,
  name,
  minutes,
  onTake,
  onMove,
  onLeave,
  onKey,
}: {
  x: number
  y: number
  name: string
  minutes: number
  onTake: () => void
  onMove: (event: PointerEvent) => void
  onLeave: () => void
  onKey: (minutes: number, celsius: number) => void
}) {
  const [taken, setTaken] = useState(false)
  const moves: Readonly<Record<string, readonly [number, number]>> = {
    ArrowRight: [5, 0],
    ArrowLeft: [-5, 0],
    ArrowUp: [0, 1],
    ArrowDown: [0, -1],
  }
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuenow={minutes}
      aria-valuemin={0}
      aria-valuemax={1440}
      className="cursor-grab"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        setTaken(true)
        onTake()
      }}
      onPointerMove={(event) => taken && onMove(event)}
      onPointerUp={() => {
        setTaken(false)
        onLeave()
      }}
      onKeyDown={(event) => {
        const move = moves[event.key]
        if (!move) return
        event.preventDefault()
        onKey(move[0], move[1])
      }}
    >
      <circle cx={x} cy={y} r="22" fill="transparent" />
      <circle cx={x} cy={y} r="10" fill="var(--color-primary)" />
    </g>
  )
}
