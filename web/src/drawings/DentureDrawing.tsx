import { ink } from './drawing.ts'

/** The denture from the front. */
export function DentureDrawing() {
  const teeth = [0, 1, 2, 3, 4, 5, 6, 7].map((n) => ({
    x: 74 + n * 19.2,
    w: [15, 16, 17, 20, 20, 17, 16, 15][n]!,
    h: [30, 32, 36, 38, 38, 36, 32, 30][n]!,
  }))
  return (
    <svg viewBox="0 0 300 216" className="h-full w-full" role="img" aria-label="The denture from the front">
      <path
        d="M40 128q-8-66 36-82 74-22 148 0 44 16 36 82-12 16-30 12-80 12-160 0-18 4-30-12z"
        fill="var(--resin)"
        stroke={ink}
        strokeWidth="1.5"
      />
      <path
        d="M150 42v16M96 50q4 12 2 20M204 50q-4 12-2 20"
        stroke={ink}
        strokeWidth="1.2"
        fill="none"
        opacity="0.6"
      />
      {teeth.map(({ x, w, h }) => (
        <path
          key={x}
          d={`M${x} ${118}q${w / 2}-${h / 2} ${w} 0l1 ${h}q-${w / 2} 6-${w + 2} 0z`}
          fill="var(--tooth)"
          stroke={ink}
          strokeWidth="1.5"
        />
      ))}
    </svg>
  )
}
