import { ink } from './drawing.ts'

/** Mixing bowl with its spatula, and the cylinder beside it; empty until something was mixed. */
export function BowlDrawing({ filled }: { readonly filled: boolean }) {
  return (
    <svg viewBox="0 0 300 216" className="h-full w-full" role="img" aria-label="Bowl and cylinder">
      <path d="M168 24l26 8-44 116-22-8z" fill="var(--metal)" stroke={ink} strokeWidth="1.5" />
      <defs>
        <clipPath id="small-bowl">
          <path d="M24 84q6 104 88 104t88-104z" />
        </clipPath>
      </defs>
      <path d="M24 84q6 104 88 104t88-104z" fill="var(--color-base-100)" stroke={ink} strokeWidth="2.5" />
      {filled && (
        <path
          d="M0 126q28-10 56 0t56 0 56 0 56 0v80H0z"
          fill="var(--stone)"
          stroke={ink}
          strokeWidth="1.5"
          clipPath="url(#small-bowl)"
        />
      )}
      <path d="M18 84h188M84 194h56" stroke={ink} strokeWidth="5" strokeLinecap="round" />
      <path d="M234 46h42v148h-42z" fill="var(--color-base-100)" stroke={ink} strokeWidth="2" />
      {filled && <path d="M235 122h40v71h-40z" fill="var(--wet)" stroke={ink} strokeWidth="1.5" />}
      <path d="M226 195h58" stroke={ink} strokeWidth="4" strokeLinecap="round" />
      <path d="M234 78h12M234 110h12M234 142h12M234 174h12" stroke={ink} strokeWidth="1.5" />
    </svg>
  )
}
