import {
  archOf,
  isFrontTooth,
  type PaperMark,
  type PlanPoint,
  placeAt,
  type RemountAdvice,
  showTooth,
  spotOf,
  type ToothNotation,
  toothMarks,
  toothOutline,
} from '@yentrik/core'
import { type PointerEvent, type ReactNode, useRef } from 'react'

const ink = 'var(--color-base-content)'
const never = 'url(#remount-never)'
const places = [1, 2, 3, 4, 5, 6, 7]
const archTeeth = {
  upper: [1, 2].flatMap((quarter) => places.map((place) => 10 * quarter + place)),
  lower: [3, 4].flatMap((quarter) => places.map((place) => 10 * quarter + place)),
} as const
export type TouchedPlace = NonNullable<ReturnType<typeof placeAt>>

/** Letters of the marks, in the order they were entered. */
export const letterOf = (index: number) => String.fromCharCode(65 + (index % 26))

/** Half the width and where the drawing ends, mm. */
const HALF = 37
const TOP = 89.5
const FOOT = 29
/** Beyond the teeth the base goes on so far, mm. */
const GUM = 3.2
/** Behind the last teeth the base ends here, mm from the midline. */
const HEEL = 30.4

/**
 * Both arches as they lie in the hand: the upper seen from below, the lower from above, fronts away. Touching a place marks it; what is
 * never ground is hatched, the place to grind next is lit.
 */
export function ArchesDrawing({
  marks,
  advice,
  notation,
  onTouch,
}: {
  readonly marks: readonly PaperMark[]
  readonly advice: RemountAdvice | undefined
  readonly notation: ToothNotation
  readonly onTouch: (place: TouchedPlace) => void
}) {
  return (
    <div className="grid gap-2 sm:grid-cols-2">
      {(['upper', 'lower'] as const).map((arch) => (
        <Arch key={arch} arch={arch} marks={marks} advice={advice} notation={notation} onTouch={onTouch} />
      ))}
    </div>
  )
}

function Arch({
  arch,
  marks,
  advice,
  notation,
  onTouch,
}: {
  readonly arch: 'upper' | 'lower'
  readonly marks: readonly PaperMark[]
  readonly advice: RemountAdvice | undefined
  readonly notation: ToothNotation
  readonly onTouch: (place: TouchedPlace) => void
}) {
  const next = advice?.at && archOf(advice.at.tooth) === arch ? advice.at : undefined
  const marked = marks
    .map((mark, index) => ({ mark, index }))
    .filter(({ mark }) => archOf(mark.tooth) === arch)
  return (
    <ArchPicture
      arch={arch}
      onTouch={(at) => {
        const place = placeAt(arch, at)
        if (place) onTouch(place)
      }}
    >
      {(seen) => (
        <>
          {next && advice?.action === 'grind' && (
            <>
              <path
                d={`${lineOf(toothOutline(next.tooth), seen)}z`}
                fill="#e08a24"
                fillOpacity="0.16"
                stroke="#d97a2e"
                strokeWidth="1"
                strokeLinejoin="round"
              />
              <Stone at={seen(spotOf(next.tooth, next.region, next.slope))} />
            </>
          )}
          {next && (
            <text
              {...seen(labelPlace(next.tooth))}
              textAnchor="middle"
              dominantBaseline="middle"
              fontSize="4.4"
              fontWeight="700"
              fill={ink}
              stroke="var(--resin)"
              strokeWidth="1.1"
              paintOrder="stroke"
            >
              {showTooth(next.tooth, notation)}
            </text>
          )}
          {marked.map(({ mark, index }) => (
            <MarkFlag
              key={`${index} ${mark.tooth} ${mark.region}`}
              at={seen(spotOf(mark.tooth, mark.region, mark.slope))}
              letter={letterOf(index)}
              next={advice?.mark === index}
              size={mark.strength === 'heavy' ? 0.85 : mark.strength === 'medium' ? 0.65 : 0.45}
            />
          ))}
        </>
      )}
    </ArchPicture>
  )
}

/** A line through points, as they are seen. */
const lineOf = (
  points: readonly PlanPoint[],
  seen: (point: PlanPoint) => { readonly x: number; readonly y: number },
) =>
  `M${points
    .map(seen)
    .map(({ x, y }) => `${x.toFixed(2)} ${y.toFixed(2)}`)
    .join('L')}`

/** An arch as it lies in the hand, with its teeth, grooves and tips. */
export function ArchPicture({
  arch,
  onTouch,
  children,
}: {
  readonly arch: 'upper' | 'lower'
  /** Where it was touched, on the plane of the arch. */
  readonly onTouch: (at: PlanPoint) => void
  /** What lies on it. @param seen from the plane of the arch to the drawing */
  readonly children: (seen: (point: PlanPoint) => { x: number; y: number }) => ReactNode
}) {
  const drawing = useRef<SVGSVGElement>(null)
  const flip = arch === 'upper' ? 1 : -1
  const seen = ({ x, y }: PlanPoint) => ({ x: flip * y, y: -x })
  const path = (points: readonly PlanPoint[]) => lineOf(points, seen)
  const touch = (event: PointerEvent) => {
    const svg = drawing.current!
    const at = svg.createSVGPoint()
    at.x = event.clientX
    at.y = event.clientY
    const { x, y } = at.matrixTransform(svg.getScreenCTM()!.inverse())
    onTouch({ x: -y, y: flip * x })
  }
  return (
    <figure>
      <figcaption className="text-center text-lg font-bold">
        {arch === 'upper' ? 'Upper, from below' : 'Lower, from above'}
      </figcaption>
      <svg
        ref={drawing}
        viewBox={`${-HALF - 5} ${-TOP} ${2 * HALF + 10} ${TOP - FOOT}`}
        className="w-full cursor-crosshair touch-manipulation select-none"
        role="img"
        aria-label={`The ${arch} arch`}
        onPointerDown={touch}
        fontSize="3"
        fontWeight="600"
      >
        <defs>
          <pattern
            id="remount-never"
            width="0.7"
            height="0.7"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width="0.7" height="0.7" fill="var(--tooth)" />
            <path d="M0 0V0.7" stroke="var(--on-light)" strokeWidth="0.42" />
          </pattern>
          <radialGradient id="remount-vault" cx="50%" cy="48%" r="60%">
            <stop offset="0" stopColor="#5a2030" stopOpacity="0.42" />
            <stop offset="0.7" stopColor="#5a2030" stopOpacity="0.18" />
            <stop offset="1" stopColor="#5a2030" stopOpacity="0" />
          </radialGradient>
          <radialGradient id="remount-tooth" cx="45%" cy="40%" r="75%">
            <stop offset="0" stopColor="#fffdf3" stopOpacity="0.85" />
            <stop offset="1" stopColor="#b9ad8c" stopOpacity="0.25" />
          </radialGradient>
        </defs>
        <path
          d={basePath(arch, path)}
          fill="var(--resin)"
          stroke={ink}
          strokeWidth="0.3"
          strokeLinejoin="round"
        />
        {arch === 'upper' && (
          <>
            <clipPath id="remount-base">
              <path d={basePath(arch, path)} />
            </clipPath>
            <ellipse
              cx="0"
              cy="-48"
              rx="21"
              ry="24"
              fill="url(#remount-vault)"
              clipPath="url(#remount-base)"
            />
          </>
        )}
        <path
          d={path(rimLine(4.6 + GUM - 1.4))}
          fill="none"
          stroke="#fff"
          strokeOpacity="0.28"
          strokeWidth="1.6"
          strokeLinecap="round"
        />
        <g fill={ink} fontSize="2.8" opacity="0.8">
          <text x={-HALF - 3} y={-TOP + 5}>
            {arch === 'upper' ? 'right' : 'left'}
          </text>
          <text x={HALF + 3} y={-TOP + 5} textAnchor="end">
            {arch === 'upper' ? 'left' : 'right'}
          </text>
        </g>
        {archTeeth[arch].map((tooth) => {
          const outline = `${path(toothOutline(tooth))}z`
          const { supporting, others, groove } = toothMarks(tooth)
          return (
            <g key={tooth}>
              <path d={outline} fill="var(--tooth)" stroke={ink} strokeWidth="0.22" />
              <path d={outline} fill="url(#remount-tooth)" />
              <path
                d={path(groove)}
                fill="none"
                stroke={isFrontTooth(tooth) && arch === 'upper' ? never : 'var(--on-light)'}
                strokeWidth={isFrontTooth(tooth) ? (arch === 'upper' ? 1.1 : 0.3) : 0.28}
                strokeLinecap="round"
                opacity={isFrontTooth(tooth) && arch === 'upper' ? 1 : 0.45}
              />
              {others.map((tip) => (
                <circle
                  key={`${tip.x} ${tip.y}`}
                  cx={seen(tip).x}
                  cy={seen(tip).y}
                  r="0.75"
                  fill="#fff"
                  fillOpacity="0.75"
                />
              ))}
              {supporting.map((tip) => (
                <circle
                  key={`${tip.x} ${tip.y}`}
                  cx={seen(tip).x}
                  cy={seen(tip).y}
                  r="0.95"
                  fill={never}
                  stroke="var(--on-light)"
                  strokeWidth="0.2"
                />
              ))}
            </g>
          )
        })}
        {children(seen)}
      </svg>
    </figure>
  )
}

/** Beside a tooth, towards the tongue, where its number has room. */
function labelPlace(tooth: number): PlanPoint {
  const outline = toothOutline(tooth, 24)
  const middle = {
    x: outline.reduce((sum, { x }) => sum + x, 0) / outline.length,
    y: outline.reduce((sum, { y }) => sum + y, 0) / outline.length,
  }
  const away = Math.hypot(middle.x - 45, middle.y)
  const inwards = 8.5 / away
  return { x: middle.x - (middle.x - 45) * inwards, y: middle.y - middle.y * inwards }
}

/** The line of the arch, so far out from it, mm. */
const rimLine = (out: number): readonly PlanPoint[] =>
  Array.from({ length: 61 }, (_, n): PlanPoint => {
    const y = -HEEL + (2 * HEEL * n) / 60
    const slope = -0.0048 * y * Math.abs(y) * (y < 0 ? -1 : 1)
    const x = 80 - 0.0016 * Math.abs(y) ** 3
    const length = Math.hypot(1, slope)
    const sign = y < 0 ? -1 : 1
    return { x: x + out / length, y: y + (sign * out * Math.abs(slope)) / length }
  })

/** The base beneath the teeth: with a palate above, open below. */
function basePath(arch: 'upper' | 'lower', path: (points: readonly PlanPoint[]) => string): string {
  const outer = rimLine(4.6 + GUM)
  if (arch === 'upper') {
    const heel = outer[0]!.x - 1.5
    const back = [
      { x: heel, y: 22 },
      { x: heel + 3.5, y: 0 },
      { x: heel, y: -22 },
    ]
    return `${path(outer)}${path(back).replace('M', 'L')}z`
  }
  const inner = [...rimLine(-7.4 - GUM)].reverse()
  return `${path(outer)}${path(inner).replace('M', 'L')}z`
}

/** A round stone where it goes next. */
function Stone({ at }: { at: { readonly x: number; readonly y: number } }) {
  return (
    <g pointerEvents="none">
      <path d={`M${at.x + 1.2} ${at.y + 0.6}l13 5.5`} stroke={ink} strokeWidth="2" strokeLinecap="round" />
      <path
        d={`M${at.x + 1.2} ${at.y + 0.6}l13 5.5`}
        stroke="var(--metal)"
        strokeWidth="1.4"
        strokeLinecap="round"
      />
      <circle cx={at.x} cy={at.y} r="1.6" fill="var(--metal)" stroke={ink} strokeWidth="0.35" />
    </g>
  )
}

/** A mark with its letter beside it. */
function MarkFlag({
  at,
  letter,
  next,
  size,
}: {
  readonly at: { readonly x: number; readonly y: number }
  readonly letter: string
  readonly next: boolean
  readonly size: number
}) {
  const away = { x: at.x + Math.sign(at.x || 1) * 8, y: at.y - 2 }
  return (
    <g pointerEvents="none">
      <path d={`M${at.x} ${at.y}L${away.x} ${away.y}`} stroke={ink} strokeWidth="0.3" />
      <ellipse
        cx={at.x}
        cy={at.y}
        rx={size}
        ry={size * 0.75}
        fill="var(--color-error)"
        stroke="#fff"
        strokeWidth="0.2"
      />
      <circle
        cx={away.x}
        cy={away.y}
        r="2.5"
        fill={next ? 'var(--color-error)' : 'var(--color-base-100)'}
        stroke={next ? 'var(--color-base-100)' : ink}
        strokeWidth="0.4"
      />
      <text
        x={away.x}
        y={away.y + 1.05}
        textAnchor="middle"
        fontSize="3"
        fontWeight="700"
        fill={next ? 'var(--color-error-content)' : ink}
      >
        {letter}
      </text>
    </g>
  )
}
