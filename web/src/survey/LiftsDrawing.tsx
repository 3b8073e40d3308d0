import type { BaseLift, SurveyArch } from '@yentrik/core'
import { useBareMillimetres } from '../preferences/words.tsx'

/** The base from above, front up: how far each corner is raised. */
export function LiftsDrawing({
  lifts,
  arch,
}: {
  readonly lifts: readonly BaseLift[]
  readonly arch: SurveyArch
}) {
  const mm = useBareMillimetres(1)
  const most = Math.max(1, ...lifts.map(({ liftMillimetres }) => liftMillimetres))
  const xs = lifts.map(({ x }) => x)
  const ys = lifts.map(({ y }) => y)
  const [left, right] = [Math.min(...xs), Math.max(...xs)]
  const [back, front] = [Math.min(...ys), Math.max(...ys)]
  // The patient's right is on the left of a lower seen from above, as x points there.
  const px = (x: number) => 70 + ((x - left) / (right - left)) * 120
  const py = (y: number) => 24 + ((front - y) / (front - back)) * 110
  return (
    <svg
      viewBox="-10 0 280 168"
      className="w-full"
      role="img"
      aria-label={`Raise by: ${lifts.map(({ name, liftMillimetres }) => `${name} ${mm(liftMillimetres)}`).join(', ')}`}
    >
      <path
        d={`${lifts.map(({ x, y }, n) => `${n === 0 ? 'M' : 'L'}${px(x)} ${py(y)}`).join('')}Z`}
        fill="var(--stone)"
        stroke="var(--color-base-content)"
        strokeWidth="1.5"
        strokeLinejoin="round"
      />
      <path
        d="M104 128C96 40 164 40 156 128"
        fill="none"
        stroke="color-mix(in oklab, var(--stone) 70%, black)"
        strokeWidth="9"
        strokeLinecap="round"
      />
      {lifts.map(({ x, y, name, liftMillimetres }) => {
        const onLeft = px(x) < 130
        const shown = Math.round(liftMillimetres * 10) / 10
        return (
          <g key={name} textAnchor={onLeft ? 'end' : 'start'}>
            <circle
              cx={px(x)}
              cy={py(y)}
              r={3.5 + 6 * (liftMillimetres / most)}
              fill={shown > 0 ? 'var(--color-primary)' : 'var(--color-base-100)'}
              stroke="var(--color-base-content)"
              strokeWidth="1.4"
            />
            <text
              x={px(x) + (onLeft ? -14 : 14)}
              y={py(y) + 2}
              className="figures"
              fontSize="19"
              fontWeight="700"
              fill="currentColor"
            >
              {mm(shown)}
            </text>
            <text x={px(x) + (onLeft ? -14 : 14)} y={py(y) + 16} fontSize="11" fill="currentColor">
              {name}
            </text>
          </g>
        )
      })}
      <text x="130" y="164" fontSize="11" textAnchor="middle" fill="currentColor" opacity="0.8">
        {arch} cast from above, front up
      </text>
    </svg>
  )
}
