import { toothMarks, toothOutline } from '@yentrik/core'
import { ink } from './drawing.ts'

const teeth = [3, 4].flatMap((quarter) => [1, 2, 3, 4, 5, 6, 7].map((place) => 10 * quarter + place))

/** The lower arch from above, a mark on one of its teeth. */
export function ArchesPicture() {
  const path = (points: readonly { readonly x: number; readonly y: number }[]) =>
    `M${points.map(({ x, y }) => `${(-y).toFixed(1)} ${(-x).toFixed(1)}`).join('L')}`
  const [mark] = toothMarks(36).supporting
  return (
    <svg viewBox="-40 -86 80 56" className="h-full w-full" role="img" aria-label="The lower arch">
      {teeth.map((tooth) => (
        <path
          key={tooth}
          d={`${path(toothOutline(tooth))}z`}
          fill="var(--tooth)"
          stroke={ink}
          strokeWidth="0.6"
        />
      ))}
      {mark && <circle cx={-mark.y} cy={-mark.x} r="2.6" fill="var(--color-error)" />}
    </svg>
  )
}
