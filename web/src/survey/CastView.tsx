import type { SurveyArch, TableTilt, Vector } from '@yentrik/core'
import { useEffect, useRef, useState } from 'react'
import { bandColour, CastScene, classColours, severeColour } from './cast-scene.ts'
import type { LaidScan, SurveyShown } from './survey.worker.ts'
import { TiltKnob } from './TiltKnob.tsx'

interface CastViewProps {
  readonly laid: LaidScan
  readonly survey: SurveyShown | undefined
  readonly arch: SurveyArch
  readonly tilt: TableTilt
  /** Deeper than this a clear arm does not pass. */
  readonly severeMillimetres: number | undefined
  /** Its tilt stays; `level`: it has none to set. */
  readonly locked: boolean | 'level'
  readonly places: readonly { readonly id: number; readonly name: string; readonly tap: Vector }[]
  readonly chosen: number | undefined
  /** Strokes of a brush instead of taps. */
  readonly painting: boolean
  /** Per corner that is drawn, 1 where it counts. */
  readonly counts: Float32Array | undefined
  readonly onTilt: (tilt: TableTilt) => void
  readonly onMoving: (moving: boolean) => void
  readonly onTap: (place: Vector) => void
  readonly onStroke: (places: readonly Vector[]) => void
}

/** Farther, and it was no tap, pixels. */
const TAP_PIXELS = 6
/** Places of a stroke are so far apart at least. */
const STROKE_MILLIMETRES = 1

/** The cast on the table under the rod, in 3D, with the two angles to drag. Without 3D the plan and the figures are the same. */
export function CastView(props: CastViewProps) {
  const {
    laid,
    survey,
    arch,
    tilt,
    locked,
    places,
    chosen,
    painting,
    counts,
    onTilt,
    onMoving,
    onTap,
    onStroke,
  } = props
  const holder = useRef<HTMLDivElement>(null)
  const scene = useRef<CastScene>(undefined)
  const label = useRef<HTMLSpanElement>(null)
  const [none, setNone] = useState(false)
  const mark = places.find(({ id }) => id === chosen)
  const follow = useRef<() => void>(undefined)
  follow.current = () => {
    if (!label.current || !mark || !scene.current) return
    const { left, top } = scene.current.onPicture(mark.tap)
    label.current.style.transform = `translate(${left + 14}px, ${top + 10}px)`
  }
  useEffect(() => {
    if (!holder.current) return
    try {
      scene.current = new CastScene(holder.current, laid, () => follow.current?.())
    } catch {
      setNone(true)
      return
    }
    const watch = new ResizeObserver(() => scene.current?.resize())
    watch.observe(holder.current)
    return () => {
      watch.disconnect()
      scene.current?.dispose()
      scene.current = undefined
    }
  }, [laid])
  const { severeMillimetres } = props
  useEffect(() => scene.current?.setTilt(tilt), [tilt, laid])
  useEffect(() => scene.current?.setSevere(severeMillimetres), [severeMillimetres, laid])
  useEffect(() => {
    if (survey) scene.current?.setDepths(survey.depths)
    scene.current?.setLine(survey?.full?.line ?? new Float32Array(), survey?.full?.band ?? new Float32Array())
  }, [survey, laid])
  useEffect(
    () =>
      scene.current?.setMarks(
        places.map(({ tap }) => tap),
        mark?.tap,
      ),
    [places, mark, counts, laid, tilt],
  )
  useEffect(() => {
    if (counts) scene.current?.setCounts(counts)
  }, [counts, laid])
  const stroke = useRef<Vector[]>([])
  const down = useRef<{ readonly x: number; readonly y: number }>(undefined)
  const set = (part: Partial<TableTilt>) => onTilt({ ...tilt, ...part })
  return (
    <div className="relative h-full overflow-hidden max-sm:pb-24">
      <div
        ref={holder}
        className="absolute inset-0 touch-none max-sm:bottom-24"
        role="img"
        aria-label="The cast on the surveying table"
        onPointerDownCapture={(event) => {
          down.current = { x: event.clientX, y: event.clientY }
        }}
        onPointerMoveCapture={(event) => {
          if (!painting || event.buttons !== 1) return
          event.stopPropagation()
          const at = scene.current?.under(event)
          const last = stroke.current.at(-1)
          if (
            !at ||
            (last && Math.hypot(at[0] - last[0], at[1] - last[1], at[2] - last[2]) < STROKE_MILLIMETRES)
          )
            return
          stroke.current.push(at)
          scene.current?.addDot(at)
        }}
        onPointerUp={(event) => {
          const painted = stroke.current
          stroke.current = []
          if (painted.length > 0) return onStroke(painted)
          const { x, y } = down.current ?? { x: 0, y: 0 }
          if (Math.hypot(event.clientX - x, event.clientY - y) > TAP_PIXELS) return
          const at = scene.current?.under(event)
          if (at) onTap(at)
        }}
      />
      {none && (
        <p className="absolute inset-x-0 top-1/2 text-center">
          This browser shows no 3D. The plan, the places and the figures are the same.
        </p>
      )}
      <Legend severe={severeMillimetres !== undefined} band={(survey?.full?.band.length ?? 0) > 0} />
      {mark && (
        <span
          ref={label}
          className="bg-base-100 border-base-content pointer-events-none absolute top-0 left-0 rounded-lg border-2 px-2 font-bold"
        >
          {mark.name}
        </span>
      )}
      {locked !== 'level' && (
        <>
          <div className="absolute bottom-4 left-4 max-sm:bottom-26">
            <TiltKnob
              name="Front"
              degrees={tilt.anteroposteriorDegrees}
              words={(degrees) => (degrees === 0 ? 'front level' : degrees > 0 ? 'front up' : 'front down')}
              locked={locked === true}
              onDegrees={(anteroposteriorDegrees) => set({ anteroposteriorDegrees })}
              onMoving={onMoving}
            />
          </div>
          <div className="absolute right-4 bottom-4 max-sm:bottom-26">
            <TiltKnob
              name="Side"
              degrees={tilt.lateralDegrees}
              words={(degrees) =>
                degrees === 0
                  ? 'sides level'
                  : `${degrees > 0 === (arch === 'upper') ? 'left' : 'right'} side up`
              }
              locked={locked === true}
              onDegrees={(lateralDegrees) => set({ lateralDegrees })}
              onMoving={onMoving}
            />
          </div>
        </>
      )}
    </div>
  )
}

const classes = ['to 0.25', 'to 0.50', 'to 0.75', 'deeper'] as const
/** Depth by colour and pattern. */
function Legend({ severe, band }: { readonly severe: boolean; readonly band: boolean }) {
  return (
    <div className="pointer-events-none absolute top-3 left-4 max-sm:top-auto max-sm:bottom-1">
      <p className="font-semibold max-sm:text-sm">Undercut, mm</p>
      <ul className="mt-1 flex flex-wrap gap-x-3 gap-y-1 text-sm sm:grid">
        {classes.map((words, n) => (
          <li key={words} className="flex items-center gap-2">
            <svg width="34" height="18" aria-hidden>
              <defs>
                <pattern id={`class-${n}`} width="6" height="6" patternUnits="userSpaceOnUse">
                  {n === 0 && <circle cx="3" cy="3" r="1" fill="#3a2412" />}
                  {(n === 1 || n === 2) && <path d="M0 6L6 0" stroke="#3a1206" strokeWidth="1.4" />}
                  {n === 2 && <path d="M0 0L6 6" stroke="#3a1206" strokeWidth="1.4" />}
                </pattern>
              </defs>
              <rect
                x="1"
                y="1"
                width="32"
                height="16"
                rx="4"
                fill={classColours[n]}
                stroke={n === 3 ? '#fff' : '#3a2412'}
                strokeWidth="1.2"
              />
              <rect x="1" y="1" width="32" height="16" rx="4" fill={`url(#class-${n})`} />
            </svg>
            <span className="figures">{words}</span>
          </li>
        ))}
        {severe && (
          <li className="flex items-center gap-2">
            <span className="h-4 w-8.5 rounded" style={{ background: severeColour }} aria-hidden />
            block out
          </li>
        )}
        <li className="flex items-center gap-2">
          <svg width="34" height="6" aria-hidden>
            <path d="M0 3h34" stroke="currentColor" strokeWidth="3" />
          </svg>
          survey line
        </li>
        {band && (
          <li className="flex items-center gap-2">
            <svg width="34" height="6" aria-hidden>
              <path d="M0 3h34" stroke={bandColour} strokeWidth="3" />
            </svg>
            anywhere on this wall
          </li>
        )}
      </ul>
    </div>
  )
}
