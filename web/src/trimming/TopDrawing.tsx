import { type PlannedModel, type Point, plannedOutline } from '@yentrik/core'
import type { ReactNode } from 'react'
import { Hatch } from '../drawings/Hatch.tsx'
import { useMillimetres } from '../preferences/words.tsx'

interface TopDrawingProps {
  readonly model: PlannedModel
  /** The present edge, in the frame of the landmarks. */
  readonly outline: readonly Point[]
  /** Index of the cut to show; none: the finished base. */
  readonly cut?: number
  /** mm of margin around it. */
  readonly margin?: number
  readonly className?: string
  /** Printed 1:1 the drawing has its size in millimetres. */
  readonly lifeSize?: boolean
}

/**
 * The model teeth up, its front away, to scale: edge as it is, cuts as planned, dimensions. Seen so, the patient's
 * right is on the left of an upper and on the right of a lower.
 */
export function TopDrawing({ model, outline, cut, margin = 9, className, lifeSize }: TopDrawingProps) {
  const mm = useMillimetres()
  const { plan, cuts } = model
  const flip = plan.arch === 'lower' ? -1 : 1
  const seen = (p: Point): Point => ({ x: flip * p.x, y: -p.y })
  const name = (p: Point) => {
    const { x, y } = seen(p)
    return `${x.toFixed(2)} ${y.toFixed(2)}`
  }
  const path = (points: readonly Point[]) => `M${points.map(name).join('L')}`
  const planned = plannedOutline(plan)
  const present = outline.map(plan.framed.toModel)
  const all = [...planned, ...present, ...plan.framed.protected].map(seen)
  const [left, right] = [Math.min(...all.map((p) => p.x)) - margin, Math.max(...all.map((p) => p.x)) + margin]
  const [top, foot] = [
    Math.min(...all.map((p) => p.y)) - margin,
    Math.max(...all.map((p) => p.y)) + Math.max(margin, 5),
  ]
  const at = cut === undefined ? undefined : cuts[cut]
  const edge = at && edgeOf(at.name, planned)
  const { heel, corner, apex } = plan
  const ink = 'var(--color-base-content, #000)'
  const size = lifeSize ? { width: `${right - left}mm`, height: `${foot - top}mm` } : {}
  return (
    <svg
      viewBox={`${left} ${top} ${right - left} ${foot - top}`}
      {...size}
      className={className}
      role="img"
      aria-label={`The ${plan.arch} model from above`}
      fontSize="3.4"
    >
      <defs>
        <Hatch id={`waste-${plan.arch}`} size={2.4} />
      </defs>
      {present.length > 2 && (
        <path
          d={`${path(present)}z`}
          fill={`url(#waste-${plan.arch})`}
          stroke={ink}
          strokeWidth="0.25"
          strokeDasharray="1.6 1.2"
        />
      )}
      <path
        d={`${path(planned)}z`}
        fill="var(--stone, #eee)"
        stroke={ink}
        strokeWidth="0.45"
        strokeLinejoin="round"
      />
      <path d={`M0 ${top + 2}V${foot - 2}`} stroke={ink} strokeWidth="0.2" strokeDasharray="3 1 0.6 1" />
      {plan.framed.protected.map((p) => (
        <circle key={name(p)} cx={seen(p).x} cy={seen(p).y} r="0.75" fill="var(--color-primary, #000)" />
      ))}
      {edge && (
        <path
          d={path(edge)}
          fill="none"
          stroke="var(--color-error, #000)"
          strokeWidth="1.3"
          strokeLinecap="round"
        />
      )}
      <g fill={ink} fontWeight="600">
        {[1, -1].map((side) => (
          <g key={side}>
            <Words at={{ x: side * (heel.atSide.x + 1), y: -(heel.atSide.y + corner.y) / 2 }} outwards={side}>
              {plan.sideAngleDegrees.toFixed(1)}°
            </Words>
            {plan.front.kind === 'planes' && (
              <Words
                at={{ x: side * ((corner.x + apex.x) / 2 + 2), y: -(corner.y + apex.y) / 2 - 3 }}
                outwards={side}
              >
                {plan.front.angleDegrees.toFixed(1)}°
              </Words>
            )}
          </g>
        ))}
        {plan.front.kind === 'arc' && (
          <Words at={{ x: 2, y: -apex.y - 2.5 }} outwards={1}>
            radius {mm(plan.front.radiusMillimetres)}
          </Words>
        )}
        <Words at={{ x: 0, y: 11 }} outwards={0}>
          heels {mm(heel.lengthMillimetres)} at {heel.betaDegrees.toFixed(1)}°
        </Words>
        <Words at={{ x: 0, y: 6.5 }} outwards={0}>
          back {mm(2 * heel.atBack.x)}
        </Words>
      </g>
      <g fill={ink} fontSize="3">
        <text x={left + 1.5} y={top + 4.5}>
          {flip > 0 ? 'right' : 'left'}
        </text>
        <text x={right - 1.5} y={top + 4.5} textAnchor="end">
          {flip > 0 ? 'left' : 'right'}
        </text>
      </g>
    </svg>
  )
}

/** A dimension in the drawing, with a rim so that it can be read over lines; it grows away from the middle. */
function Words({ at, outwards, children }: { at: Point; outwards: number; children: ReactNode }) {
  const anchor = outwards === 0 ? 'middle' : outwards > 0 ? 'start' : 'end'
  return (
    <text
      x={at.x}
      y={at.y}
      textAnchor={anchor}
      stroke="var(--color-base-100, #fff)"
      strokeWidth="0.9"
      paintOrder="stroke"
    >
      {children}
    </text>
  )
}

/** The edge of the finished base that a cut makes. The outline runs from the left heel round the front to the right one. */
function edgeOf(cut: string, planned: readonly Point[]): readonly Point[] | undefined {
  const last = planned.length - 1
  const front = planned.slice(2, last - 1)
  const half = (front.length - 1) / 2
  switch (cut) {
    case 'back':
      return [planned[0]!, planned[last]!]
    case 'left heel':
      return planned.slice(0, 2)
    case 'left side':
      return planned.slice(1, 3)
    case 'right heel':
      return planned.slice(last - 1)
    case 'right side':
      return planned.slice(last - 2, last)
    case 'left front':
      return front.slice(0, half + 1)
    case 'right front':
      return front.slice(half)
    case 'front arc':
      return front
    default:
      return undefined
  }
}
