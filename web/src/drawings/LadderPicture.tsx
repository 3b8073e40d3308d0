import { ink } from './drawing.ts'

/** Steps downwards, a polishing wheel beside them. */
export function LadderPicture() {
  return (
    <svg viewBox="0 0 120 80" className="h-full w-full" role="img" aria-label="The ladder of finishing">
      <path
        d="M6 10h20v14h20v14h20v14h20v14h22v10H6z"
        fill="var(--stone)"
        stroke={ink}
        strokeWidth="1.5"
        strokeLinejoin="round"
      />
      <circle cx="92" cy="26" r="18" fill="var(--plaster)" stroke={ink} strokeWidth="1.5" />
      <circle cx="92" cy="26" r="4" fill="var(--metal)" stroke={ink} strokeWidth="1.5" />
    </svg>
  )
}
