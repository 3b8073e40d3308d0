import type { Interval } from '@yentrik/core'

const WIDE = 240
const SIDE = 5

/** Where a value lies on its scale, where it may truly lie, and where it was before. */
export function IntervalBar({
  value,
  interval,
  before,
  most,
  unit,
  says,
}: {
  readonly value: number
  /** Left out: too few to say. */
  readonly interval?: Interval
  readonly before?: { readonly value: number; readonly name: string }
  /** The end of the scale; it begins at 0. */
  readonly most: number
  readonly unit: string
  readonly says: string
}) {
  const x = (of: number) => SIDE + (Math.min(most, Math.max(0, of)) / most) * (WIDE - 2 * SIDE)
  const beforeX = before && x(before.value)
  return (
    <svg viewBox={`0 0 ${WIDE} 50`} className="h-12 w-full max-w-60" role="img" aria-label={says}>
      <path
        d={`M${SIDE} 12v14M${WIDE - SIDE} 12v14M${SIDE} 19H${WIDE - SIDE}`}
        className="stroke-base-300"
        strokeWidth={2}
        fill="none"
      />
      {interval && (
        <rect
          x={x(interval.low)}
          y={12}
          width={Math.max(4, x(interval.high) - x(interval.low))}
          height={14}
          rx={7}
          className="fill-primary/35"
        />
      )}
      {beforeX !== undefined && (
        <path
          d={`M${beforeX} 8V32`}
          className="stroke-base-content"
          strokeWidth={2}
          strokeDasharray="3 2"
          fill="none"
        />
      )}
      <circle cx={x(value)} cy={19} r={8} className="fill-primary stroke-base-100" strokeWidth={2.5} />
      <text x={SIDE} y={47} className="fill-base-content/80 figures text-[12px]">
        0
      </text>
      {before && beforeX !== undefined && beforeX > 40 && beforeX < WIDE - 75 && (
        <text x={beforeX} y={47} textAnchor="middle" className="fill-base-content text-[12px] font-bold">
          {before.name}
        </text>
      )}
      <text x={WIDE - SIDE} y={47} textAnchor="end" className="fill-base-content/80 figures text-[12px]">
        {unit}
      </text>
    </svg>
  )
}

const MOST_DOTS = 30
/** So many of so many, each by itself: below ten no percent says more. */
export function Dots({
  count,
  of,
  says,
}: {
  readonly count: number
  readonly of: number
  readonly says: string
}) {
  const shown = Math.min(of, MOST_DOTS)
  return (
    <svg
      viewBox={`0 0 ${Math.max(1, shown) * 10} 12`}
      className="h-3"
      style={{ width: Math.max(1, shown) * 10, maxWidth: '100%' }}
      role="img"
      aria-label={says}
    >
      {Array.from({ length: shown }, (_, n) =>
        n < count ? (
          <path key={n} d={`M${n * 10 + 5} 1l5 5-5 5-5-5z`} className="fill-warning" />
        ) : (
          <circle
            key={n}
            cx={n * 10 + 5}
            cy={6}
            r={3.6}
            className="stroke-base-content fill-none"
            strokeWidth={1.2}
          />
        ),
      )}
    </svg>
  )
}

/** So many there are of so many that are wanted. */
export function Boxes({
  count,
  of,
  says,
}: {
  readonly count: number
  readonly of: number
  readonly says: string
}) {
  const inRow = 10
  const rows = Math.ceil(of / inRow)
  return (
    <svg viewBox={`0 0 ${inRow * 12} ${rows * 16}`} className="w-30" role="img" aria-label={says}>
      {Array.from({ length: of }, (_, n) => (
        <rect
          key={n}
          x={(n % inRow) * 12 + 1}
          y={Math.floor(n / inRow) * 16 + 1}
          width={10}
          height={13}
          rx={3}
          className={n < count ? 'fill-primary' : 'stroke-base-300 fill-none'}
          strokeWidth={1.5}
        />
      ))}
    </svg>
  )
}
