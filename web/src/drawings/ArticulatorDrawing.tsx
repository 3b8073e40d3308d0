import { type DrawingProps, ink } from './drawing.ts'

const sideTeeth = [104, 117, 131, 147, 165, 184].map((x, n) => ({
  x,
  w: [12, 13, 15, 17, 18, 17][n]!,
  h: [27, 24, 24, 20, 17, 15][n]!,
}))

/** The articulator from the side: hinge, casts, pin and its table. */
export function ArticulatorDrawing({ part }: DrawingProps<'articulator'>) {
  return (
    <svg
      viewBox="14 30 280 180"
      className="h-full w-full"
      role="img"
      aria-label="The articulator from the side"
    >
      <path d="M40 204h230V84" fill="none" stroke="var(--metal)" strokeWidth="9" strokeLinejoin="round" />
      <path d="M92 200v-30q40-12 122-4v34z" fill="var(--plaster)" stroke={ink} strokeWidth="1.5" />
      <path d="M94 170q40-16 118-4l-2-14q-60-10-114 2z" fill="var(--stone)" stroke={ink} strokeWidth="1.5" />
      <path d="M97 154q52-12 113-2l-4-10q-52-6-107 2z" fill="var(--wax)" stroke={ink} strokeWidth="1.5" />
      <path d="M38 204v-8h40v8z" fill="var(--metal)" stroke={ink} strokeWidth="1.5" />
      <g transform={part('open') ? 'rotate(3 270 78)' : undefined}>
        <path d="M36 42h234v36" fill="none" stroke="var(--metal)" strokeWidth="9" strokeLinejoin="round" />
        <path d="M56 38v156" stroke={ink} strokeWidth="5" strokeLinecap="round" />
        <path d="M92 47v26q44 10 122 2V47z" fill="var(--plaster)" stroke={ink} strokeWidth="1.5" />
        <path d="M94 74q44 10 118 1l-2 18q-52 8-112-2z" fill="var(--stone)" stroke={ink} strokeWidth="1.5" />
        <path d="M98 91q60 10 110 2l-4 26q-54 6-104 0z" fill="var(--wax)" stroke={ink} strokeWidth="1.5" />
        {sideTeeth.map(({ x, w, h }) => (
          <rect
            key={x}
            x={x}
            y={114}
            width={w}
            height={h}
            rx="5"
            fill="var(--tooth)"
            stroke={ink}
            strokeWidth="1.5"
          />
        ))}
      </g>
      <circle cx="270" cy="80" r="9" fill="var(--color-base-100)" stroke={ink} strokeWidth="2.5" />
      <g fill={ink} fontSize="13" fontWeight="600">
        <text x="34" y="120" textAnchor="middle">
          pin
        </text>
        <text x="254" y="102" textAnchor="end">
          axis
        </text>
      </g>
    </svg>
  )
}
