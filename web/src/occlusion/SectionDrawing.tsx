import {
  archOf,
  type RemountAdvice,
  regionName,
  showTooth,
  type ToothNotation,
  toothSection,
} from '@yentrik/core'

const ink = 'var(--color-base-content)'
const grind = '#d97a2e'
/** Up from its contact the upper is drawn, mm. */
const APART = 0.25

/** A cut through the two teeth that meet, buccal on one side: what is ground is thick, what stays is hatched. */
export function SectionDrawing({
  advice,
  upper,
  lower,
  notation,
}: {
  readonly advice: RemountAdvice
  readonly upper: number
  readonly lower: number
  readonly notation: ToothNotation
}) {
  const at = advice.at
  const top = toothSection(upper, at?.slope)
  const bottom = toothSection(lower, at?.slope)
  // Each stands on the same arch line; the upper comes down until it touches.
  const room = Math.min(
    ...bottom.map(({ b, z }) => {
      const above = top.reduce((best, each) => (Math.abs(each.b - b) < Math.abs(best.b - b) ? each : best))
      return -above.z - z
    }),
  )
  const up = -room + APART
  const seen = (b: number, z: number) => `${(-b).toFixed(2)} ${(-z).toFixed(2)}`
  const upperLine = top.map(({ b, z }) => seen(b, up - z))
  const lowerLine = bottom.map(({ b, z }) => seen(b, z))
  const named = (tooth: number, line: typeof top, lift: (z: number) => number) =>
    at?.tooth === tooth
      ? line.filter(({ region }) => region === at.region).map(({ b, z }) => seen(b, lift(z)))
      : []
  const ground = [...named(upper, top, (z) => up - z), ...named(lower, bottom, (z) => z)]
  const tips = advice.keep.flatMap(({ tooth, region }) => {
    const line = tooth === upper ? top : bottom
    const places = line.filter((each) => each.region === region)
    const middle = places[Math.floor(places.length / 2)]
    return middle ? [{ b: middle.b, z: archOf(tooth) === 'upper' ? up - middle.z : middle.z }] : []
  })
  return (
    <figure>
      <figcaption className="text-lg font-bold">
        Cut through {showTooth(upper, notation)} and {showTooth(lower, notation)}
      </figcaption>
      <svg
        viewBox="-7.6 -5.6 18.4 12"
        className="max-h-64 w-full"
        role="img"
        aria-label={`A cut through ${showTooth(upper, notation)} and ${showTooth(lower, notation)}${at ? `: the ${regionName(at.region, at.tooth)} of ${showTooth(at.tooth, notation)}` : ''}`}
        fontSize="0.9"
        fontWeight="700"
      >
        <defs>
          <pattern
            id="section-never"
            width="0.34"
            height="0.34"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width="0.34" height="0.34" fill="var(--tooth)" />
            <path d="M0 0V0.34" stroke="var(--on-light)" strokeWidth="0.2" />
          </pattern>
        </defs>
        <path
          d={`M${upperLine[0]!.split(' ')[0]} -5.6L${upperLine.join('L')}L${upperLine.at(-1)!.split(' ')[0]} -5.6z`}
          fill="var(--tooth)"
          stroke={ink}
          strokeWidth="0.12"
          strokeLinejoin="round"
        />
        <path
          d={`M${lowerLine[0]!.split(' ')[0]} 6.4L${lowerLine.join('L')}L${lowerLine.at(-1)!.split(' ')[0]} 6.4z`}
          fill="var(--tooth)"
          stroke={ink}
          strokeWidth="0.12"
          strokeLinejoin="round"
        />
        {ground.length > 1 && advice.action === 'grind' && (
          <path
            d={`M${ground.join('L')}`}
            fill="none"
            stroke={grind}
            strokeWidth="0.5"
            strokeLinecap="round"
          />
        )}
        {tips.map(({ b, z }) => (
          <circle
            key={`${b} ${z}`}
            cx={-b}
            cy={-z}
            r="0.5"
            fill="url(#section-never)"
            stroke="var(--on-light)"
            strokeWidth="0.1"
          />
        ))}
        <g fill="var(--on-light)">
          <text x="0" y="-4.4" textAnchor="middle">
            {showTooth(upper, notation)}
          </text>
          <text x="2.7" y="5.8" textAnchor="middle">
            {showTooth(lower, notation)}
          </text>
        </g>
        <g fill={ink} fontSize="0.75" fontWeight="400">
          <text x="-7.4" y="6.1">
            cheek
          </text>
          <text x="10.6" y="6.1" textAnchor="end">
            tongue
          </text>
        </g>
      </svg>
    </figure>
  )
}
