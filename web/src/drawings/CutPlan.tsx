import { ink } from './drawing.ts'

/** The mould from above: where to saw, at both canines and both distal ends, and the cut that splits the middle. */
export function CutPlan() {
  const cuts = ['M84 57L62 34', 'M216 57l22-23', 'M61 172H22', 'M239 172h39']
  return (
    <svg viewBox="0 0 300 216" className="h-full w-full" role="img" aria-label="Where to saw, from above">
      <path
        d="M20 212V110Q20 10 150 10t130 100v102z"
        fill="var(--halfstone)"
        stroke={ink}
        strokeWidth="1.5"
      />
      <path
        d="M70 184q-14-140 80-140t80 140l-34 2q6-104-46-104t-46 104z"
        fill="var(--resin)"
        stroke={ink}
        strokeWidth="1.5"
      />
      <path d="M104 186q-6-104 46-104t46 104z" fill="var(--halfstone)" stroke={ink} strokeWidth="1" />
      {cuts.map((cut) => (
        <path key={cut} d={cut} stroke="var(--color-error)" strokeWidth="4" strokeLinecap="round" />
      ))}
      <path d="M150 96v88" stroke="var(--color-error)" strokeWidth="3" strokeDasharray="8 5" />
      <g fill="var(--on-light)" fontSize="13" fontWeight="600">
        <text x="150" y="30" textAnchor="middle">
          walls off outwards
        </text>
        <text x="150" y="204" textAnchor="middle">
          split last, stone off first
        </text>
      </g>
    </svg>
  )
}
