import { ink } from './drawing.ts'

/** A tooth under the rod of a surveying table, its gauge in the undercut. */
export function SurveyPicture() {
  return (
    <svg viewBox="0 0 120 80" className="h-full w-full" role="img" aria-label="The surveying table">
      <g stroke={ink} strokeWidth="1.5" strokeLinejoin="round">
        <ellipse cx="52" cy="70" rx="44" ry="8" fill="var(--metal)" />
        <path
          d="M14 66c2-10 12-13 22-13 2-6-6-12-6-24 0-11 8-17 22-17s22 6 22 17c0 12-8 18-6 24 8 0 18 3 22 13z"
          fill="var(--stone)"
        />
        <path d="M76 0h5v47h-5z" fill="var(--metal)" />
        <path d="M68 45h15v4H68z" fill="var(--plaster)" />
      </g>
      <path d="M30 30c14 7 30 7 44 0" fill="none" stroke={ink} strokeWidth="2" strokeDasharray="4 3" />
    </svg>
  )
}
