import { type DrawingProps, ink } from './drawing.ts'

/** The flask in its bath, or cooling on the bench. */
export function BathDrawing({ part }: DrawingProps<'bath'>) {
  const cooling = !part('water')
  return (
    <svg
      viewBox="0 0 300 216"
      className="h-full w-full"
      role="img"
      aria-label={cooling ? 'The flask cooling on the bench' : 'The flask in its bath'}
    >
      {!cooling && (
        <path
          d="M30 60h240v130q0 14-14 14H44q-14 0-14-14z"
          fill="var(--wet)"
          stroke={ink}
          strokeWidth="1.5"
        />
      )}
      {cooling && <path d="M20 190h260" stroke={ink} strokeWidth="3" />}
      <rect
        x="84"
        y={cooling ? 96 : 94}
        width="132"
        height="94"
        rx="6"
        fill="var(--metal)"
        stroke={ink}
        strokeWidth="1.5"
      />
      <path d="M92 142h116" stroke={ink} strokeWidth="1.5" strokeDasharray="6 4" />
      <path d="M108 142q4-34 42-34t42 34z" fill="var(--resin)" stroke={ink} strokeWidth="1.5" />
      <path
        d="M70 88h160M70 198h160M76 84v118M224 84v118"
        stroke={ink}
        strokeWidth="4"
        strokeLinecap="round"
      />
      {!cooling && (
        <g stroke="var(--heat)" strokeWidth="3" fill="none" strokeLinecap="round">
          <path d="M110 214q6-8 0-14M150 214q6-8 0-14M190 214q6-8 0-14" />
          <path d="M252 30v96" stroke={ink} />
          <circle cx="252" cy="134" r="9" fill="var(--heat)" stroke={ink} strokeWidth="1.5" />
        </g>
      )}
    </svg>
  )
}
