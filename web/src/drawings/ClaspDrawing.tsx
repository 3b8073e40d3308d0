import { type DrawingProps, ink } from './drawing.ts'

/** A clear clasp round its tooth, from the side: jelly inside and wax outside once it is protected, its tang in the resin. */
export function ClaspDrawing({ part }: DrawingProps<'clasp'>) {
  return (
    <svg viewBox="0 0 300 216" className="h-full w-full" role="img" aria-label="Clear clasp on its tooth">
      <path d="M20 150q60-16 130-14t130 14v60H20z" fill="var(--stone)" stroke={ink} strokeWidth="1.5" />
      <path
        d="M104 140q-18-58 2-92 22-16 44-2 22-14 44 2 20 34 2 92-46 12-92 0z"
        fill="var(--plaster)"
        stroke={ink}
        strokeWidth="1.5"
        strokeLinejoin="round"
      />
      {part('protection') && (
        <path
          d="M92 128q-10-30 4-50 50 14 110 0 14 20 4 50-58 16-118 0z"
          fill="var(--wax)"
          opacity="0.75"
          stroke={ink}
          strokeWidth="1"
        />
      )}
      <path
        d="M98 124q-8-24 2-42 50 12 100 0l-2 14q-46 12-90 2-6 12 0 28z"
        fill="color-mix(in oklab, var(--wet) 55%, white)"
        fillOpacity="0.8"
        stroke={ink}
        strokeWidth="1.5"
      />
      <path
        d="M198 96q26 10 40 40l-12 8q-14-26-34-32z"
        fill="color-mix(in oklab, var(--wet) 55%, white)"
        stroke={ink}
        strokeWidth="1.5"
      />
      <path
        d="M206 134q30-20 66 4v26q-36-14-66-6z"
        fill={part('joint') ? 'var(--resin)' : 'none'}
        stroke={ink}
        strokeWidth="1.5"
        strokeDasharray={part('joint') === 'there' ? undefined : '5 4'}
      />
      <text x="240" y="128" fontSize="13" fontWeight="600" fill={ink}>
        tang
      </text>
    </svg>
  )
}
