import { type DrawingProps, fillOf, ink, lineOf } from './drawing.ts'
import { Hatch } from './Hatch.tsx'

/** Impression and cast in section; the base on it once it is poured. */
export function CastDrawing({ part }: DrawingProps<'cast'>) {
  const [impression, stone, base, cones] = [part('impression'), part('stone'), part('base'), part('cones')]
  return (
    <svg
      viewBox="0 0 300 216"
      className="h-full w-full"
      role="img"
      aria-label={impression ? 'Impression and cast in section' : 'The cast in section'}
    >
      <defs>
        <Hatch id="due-stone" />
      </defs>
      {impression && (
        <>
          <path
            d="M34 204q-18-70 8-120h18q-8 60 2 96h176q10-36 2-96h18q26 50 8 120z"
            fill="var(--metal)"
            stroke={ink}
            strokeWidth="1.5"
          />
          <path
            d="M60 84q-10 60 2 96h176q12-36 2-96h-26q-4 46-22 58-8-20-42-20t-42 20q-18-12-22-58z"
            fill="var(--wet)"
            stroke={ink}
            strokeWidth="1.5"
          />
        </>
      )}
      <path
        d="M86 84q4 46 22 58 8-20 42-20t42 20q18-12 22-58z"
        fill={fillOf(stone, 'var(--stone)', 'due-stone')}
        {...lineOf(stone)}
      />
      <path d="M70 30h160v54H70z" fill={fillOf(base, 'var(--stone)', 'due-stone')} {...lineOf(base)} />
      {cones && (
        <path
          d="M100 84l10-24 10 24zM140 84l10-24 10 24zM180 84l10-24 10 24z"
          fill={fillOf(cones, 'var(--stone)', 'due-stone')}
          stroke={ink}
          strokeWidth="1.5"
        />
      )}
      <g fill={ink} fontSize="13" fontWeight="600" textAnchor="middle">
        <text x="150" y={cones ? 50 : 62}>
          base
        </text>
        {stone === 'there' && (
          <text x="150" y="108">
            stone
          </text>
        )}
        {impression && (
          <text x="150" y="172">
            impression
          </text>
        )}
      </g>
    </svg>
  )
}
