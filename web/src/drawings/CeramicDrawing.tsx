import { type DrawingProps, fillOf, ink, lineOf } from './drawing.ts'
import { Hatch } from './Hatch.tsx'
import { TOOTH_OUTLINE } from './tooth-outline.ts'

/** A ceramic crown from the front: its stub, its support, its stain and its glaze; as chalk with what must not be touched. */
export function CeramicDrawing({ part }: DrawingProps<'ceramic'>) {
  const chalk = part('chalk')
  return (
    <svg
      viewBox="-60 0 360 320"
      className="h-full w-full"
      role="img"
      aria-label="Ceramic crown from the front"
    >
      <defs>
        <Hatch id="ceramic-due" />
        <linearGradient id="ceramic-stained" x1="0" y1="0" x2="0" y2="1">
          <stop offset="0" stopColor="#cfa56a" />
          <stop offset="0.45" stopColor="#e6d4ae" />
          <stop offset="1" stopColor="#c9c6b6" />
        </linearGradient>
      </defs>
      {part('heat') && (
        <g stroke="var(--heat)" strokeWidth="5" fill="none" strokeLinecap="round">
          {[-30, 262].map((x) => (
            <path key={x} d={`M${x} 250q16-22 0-44t0-44 0-44`} />
          ))}
        </g>
      )}
      {part('stub') && (
        <path
          d="M200 150h62v44h-60z"
          fill="var(--plaster)"
          stroke={ink}
          strokeWidth="2"
          strokeDasharray="6 4"
        />
      )}
      <path
        d={TOOTH_OUTLINE}
        fill={
          part('stain') === 'there'
            ? 'url(#ceramic-stained)'
            : chalk
              ? 'var(--plaster)'
              : part('stain') === 'due'
                ? 'url(#ceramic-due)'
                : 'var(--tooth)'
        }
        stroke={ink}
        strokeWidth="2"
        strokeDasharray={chalk ? '3 3' : undefined}
      />
      {part('support') && (
        <path
          d="M96 118q24-14 48 0l10 120h-68z"
          fill={fillOf(part('support'), 'var(--stone)', 'ceramic-due')}
          {...lineOf(part('support'))}
          opacity="0.8"
        />
      )}
      {part('keep') && (
        <g fill="var(--color-error)" fontSize="19" fontWeight="600">
          <text x="172" y="36">
            margin
          </text>
          <text x="206" y="142">
            contact
          </text>
        </g>
      )}
      {part('keep') && (
        <g stroke="var(--color-error)" strokeWidth="6" fill="none" strokeLinecap="round">
          <path d="M74 54C90 18 150 18 166 54" />
          <path d="M186 110q8 26 11 56M54 110q-8 26-11 56" />
        </g>
      )}
      {part('glaze') && (
        <path
          d="M86 92q-22 60-20 130"
          fill="none"
          stroke={part('glaze') === 'due' ? ink : '#ffffff'}
          strokeWidth="12"
          strokeLinecap="round"
          strokeDasharray={part('glaze') === 'due' ? '4 14' : undefined}
          opacity="0.85"
        />
      )}
    </svg>
  )
}
