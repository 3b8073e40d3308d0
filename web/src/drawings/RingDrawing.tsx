import { type ArrangementLine, offAxisMillimetres, type RingArrangement } from '@yentrik/core'
import { useBareMillimetres } from '../preferences/words.tsx'

/** Plaster stays light at night: what is drawn on it stays dark. */
const ink = 'var(--on-light)'

/** The ring cut through, to scale, mouth down: former, sprue, pattern, the zone that freezes last, the clearances. */
export function RingDrawing({
  at,
  wireMillimetres,
  lines,
  figures = true,
}: {
  readonly at: RingArrangement
  readonly wireMillimetres: number
  readonly lines: readonly ArrangementLine[]
  /** Left out where they would not be those of the ring in hand. */
  readonly figures?: boolean
}) {
  const bare = useBareMillimetres()
  const {
    ringRadiusMillimetres: R,
    ringHeightMillimetres: H,
    formerMillimetres: former,
    sprueLengthMillimetres: sprue,
    patternHeightMillimetres: pattern,
    patternReachMillimetres: reach,
  } = at
  const up = (height: number) => H - height
  const foot = former + sprue
  const top = foot + pattern
  const off = offAxisMillimetres(at)
  const outermost = off + reach
  const places = placesOf(at.patterns ?? 1, off)
  // Seen from the side: those in front and behind fall onto the same width.
  const inSection = places
    .map(({ x, y }) => ({ x, far: y < -0.1 }))
    .sort((a, b) => Number(b.far) - Number(a.far))
  const bad = (id: ArrangementLine['id']) => lines.some((line) => line.id === id && !line.pass)
  const anyBad = bad('wall') || bad('end') || bad('thermalCentre')
  const several = places.length > 1
  const plan = several ? 0.34 * R + 6 : 0
  return (
    <svg
      viewBox={`${-R - 9} -6 ${2 * R + 18} ${H + 12 + 2 * plan}`}
      className="h-full max-h-[30rem] w-full"
      role="img"
      aria-label={figures ? 'Ring in section, to scale' : 'Ring in section'}
      fontSize="2.8"
      fontWeight="600"
      fill={ink}
    >
      <rect x={-R} y="0" width={2 * R} height={H} fill="var(--plaster)" stroke={ink} strokeWidth="0.3" />
      <path
        d={`M${-R - 1.2} 0H${-R}V${H}H${-R - 1.2}zM${R} 0H${R + 1.2}V${H}H${R}z`}
        fill="var(--metal)"
        stroke={ink}
        strokeWidth="0.3"
      />
      <ellipse cx="0" cy={H / 2} rx={R * 0.55} ry={H * 0.13} fill="var(--heat)" opacity="0.25" />
      <text x={-R + 1} y={H / 2 + 1}>
        freezes last
      </text>
      <path
        d={`M${-R * 0.7} ${H}Q${-R * 0.35} ${up(former) + 2} ${-wireMillimetres / 2} ${up(former)}H${wireMillimetres / 2}Q${R * 0.35} ${up(former) + 2} ${R * 0.7} ${H}z`}
        fill="var(--wet)"
        stroke={ink}
        strokeWidth="0.3"
      />
      {inSection.map(({ x, far }) => (
        // One behind another stands at the same place in section.
        <g key={`${x} ${far}`} transform={`translate(${x} 0)`} opacity={far ? 0.45 : 1}>
          <path
            d={`M${-wireMillimetres / 2} ${up(foot) - pattern * 0.25}v${pattern * 0.25 + sprue * 0.4}L${-x * 0.35 - wireMillimetres / 2} ${up(former)}h${wireMillimetres}L${wireMillimetres / 2} ${up(foot) + sprue * 0.4}v${-pattern * 0.25 - sprue * 0.4}z`}
            fill="var(--good)"
            stroke={ink}
            strokeWidth="0.3"
          />
          <path
            d={`M${-reach} ${up(foot)}L${-reach * 0.86} ${up(top) + pattern * 0.2}Q${-reach * 0.5} ${up(top) - 0.6} 0 ${up(top) + pattern * 0.16}Q${reach * 0.5} ${up(top) - 0.6} ${reach * 0.86} ${up(top) + pattern * 0.2}L${reach} ${up(foot)}Q0 ${up(foot) - pattern * 0.5} ${-reach} ${up(foot)}z`}
            fill="var(--wax)"
            stroke={anyBad ? 'var(--color-error)' : ink}
            strokeWidth={anyBad ? 0.7 : 0.3}
          />
        </g>
      ))}
      <Span x={0} from={0} to={up(top)} words={figures ? bare(H - top) : ''} bad={bad('end')} />
      <path
        d={`M${outermost} ${up(foot) + 2}H${R}m0 -1v2M${outermost} ${up(foot) + 1}v2`}
        stroke={bad('wall') ? 'var(--color-error)' : ink}
        strokeWidth="0.3"
      />
      <text
        x={(outermost + R) / 2}
        y={up(foot) + 0.6}
        textAnchor="middle"
        fill={bad('wall') ? 'var(--color-error)' : ink}
      >
        {figures && bare(R - outermost)}
      </text>
      <text
        x={several ? R - 1 : wireMillimetres / 2 + 1}
        y={up(former + sprue * 0.3)}
        textAnchor={several ? 'end' : 'start'}
      >
        {figures ? `sprue ${sprue}` : 'sprue'}
      </text>
      <text x="0" y={H - 2} textAnchor="middle">
        former
      </text>
      {several && (
        <g transform={`translate(0 ${H + 6 + plan}) scale(0.34)`} strokeWidth="0.8" stroke={ink}>
          <circle r={R} fill="var(--plaster)" />
          {places.map(({ x, y }) => (
            <circle key={`${x} ${y}`} cx={x} cy={y} r={reach} fill="var(--wax)" />
          ))}
          <text x={R + 4} y="3" fontSize="8" stroke="none">
            from above
          </text>
        </g>
      )}
    </svg>
  )
}

/** Evenly round the axis, so that two lie in the section; from above, y towards the eye. */
function placesOf(patterns: number, off: number) {
  return Array.from({ length: patterns }, (_, n) => {
    const turn = (2 * Math.PI * n) / patterns
    return { x: Number((off * Math.cos(turn)).toFixed(3)), y: Number((off * Math.sin(turn)).toFixed(3)) }
  })
}

function Span({
  x,
  from,
  to,
  words,
  bad,
}: {
  x: number
  from: number
  to: number
  words: string
  bad: boolean
}) {
  const colour = bad ? 'var(--color-error)' : ink
  return (
    <>
      <path d={`M${x} ${from}V${to}m-1 0h2M${x - 1} ${from}h2`} stroke={colour} strokeWidth="0.3" />
      <text x={x + 1.4} y={(from + to) / 2 + 1} fill={colour}>
        {words}
      </text>
    </>
  )
}
