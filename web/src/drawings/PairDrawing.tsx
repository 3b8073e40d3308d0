import { ink } from './drawing.ts'

/** A trimmed pair of study models in occlusion from the side, standing on its backs to the left. */
export function PairDrawing() {
  const teeth = Array.from({ length: 7 }, (_, n) => ({ x: 84 + n * 22, w: 20 - n }))
  return (
    <svg viewBox="0 0 300 216" className="h-full w-full" role="img" aria-label="The pair from the side">
      <path d="M60 20h150l26 26v50H60z" fill="var(--stone)" stroke={ink} strokeWidth="1.5" />
      <path d="M60 196h150q22-8 26-34v-42H60z" fill="var(--stone)" stroke={ink} strokeWidth="1.5" />
      {teeth.map(({ x, w }) => (
        <g key={x} fill="var(--tooth)" stroke={ink} strokeWidth="1.5">
          <path d={`M${x} 84h${w}l-2 24q-${w / 2 - 2} 5-${w - 4} 0z`} />
          <path d={`M${x + 5} 132h${w}l-2-22q-${w / 2 - 2}-4-${w - 4} 0z`} />
        </g>
      ))}
      <path d="M50 12v192" stroke={ink} strokeWidth="3" />
      <path d="M40 108h220" stroke="var(--color-error)" strokeWidth="1.5" strokeDasharray="7 5" />
      <g fill={ink} fontSize="13" fontWeight="600">
        <text x="130" y="58" textAnchor="middle">
          upper
        </text>
        <text x="130" y="170" textAnchor="middle">
          lower
        </text>
      </g>
    </svg>
  )
}
