import type { CastPlan, TableTilt, Vector } from '@yentrik/core'
import { pathOf, squareTo } from '@yentrik/core'

/** A small number of gauges, told apart by their dashes. */
export const PLAN_GAUGES = [0.25, 0.5, 0.75] as const

/** The cast as the rod sees it, in mm: outline, survey line, gauge lines by their dashes, places, marks of the tripod. */
export function PlanDrawing({
  plan,
  tilt,
  places,
  tripod,
  lifeSize = false,
}: {
  readonly plan: CastPlan
  readonly tilt: TableTilt
  readonly places: readonly { readonly id: number; readonly tap: Vector }[]
  readonly tripod: readonly Vector[]
  readonly lifeSize?: boolean
}) {
  const xs = plan.outline.filter((_, n) => n % 2 === 0)
  const ys = plan.outline.filter((_, n) => n % 2 === 1)
  const least = (all: Float32Array) => all.reduce((a, b) => Math.min(a, b), Infinity)
  const most = (all: Float32Array) => all.reduce((a, b) => Math.max(a, b), -Infinity)
  const [left, right, foot, head] = [least(xs) - 3, most(xs) + 3, least(ys) - 3, most(ys) + 3]
  const [width, height] = [right - left, head - foot]
  /** Pieces are short: a line is dashed by leaving out stripes of them. */
  const path = (pieces: Float32Array, dash = 0) => {
    let d = ''
    for (let n = 0; n < pieces.length; n += 4) {
      const along = Math.abs(pieces[n]! + pieces[n + 1]!) / (dash || 1)
      if (dash === 0 || along % 1 < 0.6)
        d += `M${(pieces[n]! - left).toFixed(2)} ${(head - pieces[n + 1]!).toFixed(2)}L${(pieces[n + 2]! - left).toFixed(2)} ${(head - pieces[n + 3]!).toFixed(2)}`
    }
    return d
  }
  const [across, ahead] = squareTo(pathOf(tilt))
  const at = (p: Vector) => {
    const along = (axis: Vector) => p[0] * axis[0] + p[1] * axis[1] + p[2] * axis[2]
    return { x: along(across) - left, y: head - along(ahead) }
  }
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      {...(lifeSize ? { width: `${width}mm`, height: `${height}mm` } : { className: 'max-h-80 w-full' })}
      role="img"
      aria-label="Plan along the rod"
      fill="none"
      stroke="currentColor"
    >
      <path d={path(plan.outline)} strokeWidth="0.35" strokeLinecap="square" />
      {plan.gauges.map((gauge, n) => (
        <path key={PLAN_GAUGES[n]} d={path(gauge, PLAN_GAUGES[n]! * 4)} strokeWidth="0.25" />
      ))}
      <path d={path(plan.line)} strokeWidth="0.5" />
      <g strokeWidth="0.25">
        <path d={`M${-left - 3} ${head}h6M${-left} ${head - 3}v6`} />
      </g>
      {tripod.map((mark) => {
        const { x, y } = at(mark)
        return (
          <path
            key={mark.join()}
            d={`M${x - 1.6} ${y}h3.2M${x} ${y - 1.6}v3.2`}
            strokeWidth="0.6"
            stroke="var(--color-primary)"
          />
        )
      })}
      {places.map(({ id, tap }) => {
        const { x, y } = at(tap)
        return (
          <g key={id}>
            <circle cx={x} cy={y} r="1.7" fill="var(--color-base-100)" strokeWidth="0.4" />
            <text
              x={x}
              y={y + 0.85}
              fontSize="2.5"
              fontWeight="700"
              textAnchor="middle"
              fill="currentColor"
              stroke="none"
            >
              {id}
            </text>
          </g>
        )
      })}
    </svg>
  )
}
