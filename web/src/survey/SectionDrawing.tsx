import type { SurveyedPlace } from '@yentrik/core'

/** How much of the wall is drawn, mm, and how large: five times. */
const WIDE = 13
const HIGH = 11
const GAUGE_HEAD = 0.5

/** A cast cut through a place, five times as large: the rod, the head of its gauge, what is blocked out. */
export function SectionDrawing({
  place,
  gaugeMillimetres,
  armMillimetres,
  taperDegrees,
  name,
}: {
  readonly place: SurveyedPlace
  readonly gaugeMillimetres: number
  /** Of the arm whose tip lies there. */
  readonly armMillimetres: number
  /** How the wax is shaved. */
  readonly taperDegrees: number
  readonly name: string
}) {
  const { section, tip, line, walls } = place
  const middle = tip ?? line ?? { out: 0, up: 0 }
  const left = middle.out - WIDE * 0.62
  const top = (line?.up ?? middle.up) + HIGH * 0.42
  const x = (out: number) => out - left
  const y = (up: number) => top - up
  const rod = tip ? tip.out + gaugeMillimetres : (line?.out ?? 0)
  const path = (points: readonly (readonly [number, number])[]) =>
    points.map(([out, up], n) => `${n === 0 ? 'M' : 'L'}${x(out).toFixed(3)} ${y(up).toFixed(3)}`).join('')
  const under = line ? walls.map((wall) => [wall.out, wall.up] as const) : []
  const foot = under.at(-1)
  return (
    <figure className="grid gap-2">
      <svg
        viewBox={`0 0 ${WIDE} ${HIGH}`}
        className="bg-base-200 w-full rounded-xl"
        role="img"
        aria-label={`Cut through ${name}`}
      >
        <defs>
          <pattern
            id="blocked"
            width="0.5"
            height="0.5"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width="0.5" height="0.5" fill="color-mix(in oklab, var(--wax) 35%, transparent)" />
            <path d="M0 0v.5" stroke="var(--wax)" strokeWidth="0.18" />
          </pattern>
        </defs>
        {section.runs.map((run, n) => (
          <path
            key={n}
            d={path(run)}
            fill="var(--stone)"
            stroke="var(--color-base-content)"
            strokeWidth="0.09"
            strokeLinejoin="round"
          />
        ))}
        {line && foot && (
          <path
            d={`${path(under)}L${x(line.out + (line.up - foot[1]) * Math.tan((taperDegrees * Math.PI) / 180)).toFixed(3)} ${y(foot[1]).toFixed(3)}L${x(line.out).toFixed(3)} ${y(line.up).toFixed(3)}Z`}
            fill="url(#blocked)"
          />
        )}
        {line && (
          <path
            d={`M${x(line.out)} ${y(line.up)}V${HIGH}`}
            stroke="var(--color-primary)"
            strokeWidth="0.08"
            strokeDasharray="0.25 0.2"
          />
        )}
        {(tip ?? line) && (
          <g fill="var(--metal)" stroke="var(--color-base-content)" strokeWidth="0.07">
            <rect x={x(rod)} y={0} width="0.62" height={y(middle.up) - GAUGE_HEAD / 2} />
            {tip && (
              <rect
                x={x(tip.out)}
                y={y(tip.up) - GAUGE_HEAD / 2}
                width={gaugeMillimetres + 1.3}
                height={GAUGE_HEAD / 2}
                rx="0.06"
              />
            )}
          </g>
        )}
        {tip && armMillimetres > 0 && (
          <circle
            cx={x(tip.out + armMillimetres / 2)}
            cy={y(tip.up)}
            r={armMillimetres / 2}
            fill="none"
            stroke="var(--color-primary)"
            strokeWidth="0.12"
          />
        )}
        {line && <circle cx={x(line.out)} cy={y(line.up)} r="0.17" fill="var(--color-base-content)" />}
        <g
          transform={`translate(${WIDE - 2.6} ${HIGH - 0.5})`}
          stroke="var(--color-base-content)"
          strokeWidth="0.08"
        >
          <path d="M0-.2v.4M2-.2v.4M0 0h2" fill="none" />
          <text
            x="1"
            y="-0.3"
            fontSize="0.6"
            textAnchor="middle"
            stroke="none"
            fill="var(--color-base-content)"
          >
            2 mm
          </text>
        </g>
      </svg>
      <figcaption className="flex flex-wrap gap-x-4 text-sm">
        <span>● survey line</span>
        <span style={{ color: 'var(--color-base-content)' }}>▬ gauge</span>
        <span>○ arm</span>
        <span>hatched: block out</span>
      </figcaption>
    </figure>
  )
}
