import type { ArrangementLine, RingArrangement } from '@yentrik/core'

/** Plaster stays light at night: what is drawn on it stays dark. */
const ink = 'var(--on-light)'

/** The ring cut through, to scale, mouth down: former, sprue, pattern, the zone that freezes last, the clearances. */
export function RingDrawing({
  at,
  wireMillimetres,
  lines,
}: {
  readonly at: RingArrangement
  readonly wireMillimetres: number
  readonly lines: readonly ArrangementLine[]
}) {
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
  const bad = (id: ArrangementLine['id']) => lines.some((line) => line.id === id && !line.pass)
  return (
    <svg
      viewBox={`${-R - 9} -6 ${2 * R + 18} ${H + 12}`}
      className="h-full max-h-[30rem] w-full"
      role="img"
      aria-label="Ring in section, to scale"
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
      <rect
        x={-wireMillimetres / 2}
        y={up(foot) - pattern * 0.25}
        width={wireMillimetres}
        height={sprue + pattern * 0.25}
        fill="var(--good)"
        stroke={ink}
        strokeWidth="0.3"
      />
      <path
        d={`M${-reach} ${up(foot)}L${-reach * 0.86} ${up(top) + pattern * 0.2}Q${-reach * 0.5} ${up(top) - 0.6} 0 ${up(top) + pattern * 0.16}Q${reach * 0.5} ${up(top) - 0.6} ${reach * 0.86} ${up(top) + pattern * 0.2}L${reach} ${up(foot)}Q0 ${up(foot) - pattern * 0.5} ${-reach} ${up(foot)}z`}
        fill="var(--wax)"
        stroke={bad('wall') || bad('end') || bad('thermalCentre') ? 'var(--color-error)' : ink}
        strokeWidth={bad('wall') || bad('end') || bad('thermalCentre') ? 0.7 : 0.3}
      />
      <Span x={0} from={0} to={up(top)} words={(H - top).toFixed(1)} bad={bad('end')} />
      <path
        d={`M${reach} ${up(foot) + 2}H${R}m0 -1v2M${reach} ${up(foot) + 1}v2`}
        stroke={bad('wall') ? 'var(--color-error)' : ink}
        strokeWidth="0.3"
      />
      <text
        x={(reach + R) / 2}
        y={up(foot) + 0.6}
        textAnchor="middle"
        fill={bad('wall') ? 'var(--color-error)' : ink}
      >
        {(R - reach).toFixed(1)}
      </text>
      <text x={wireMillimetres / 2 + 1} y={up(former + sprue / 2)}>
        sprue {sprue}
      </text>
      <text x="0" y={H - 2} textAnchor="middle">
        former
      </text>
    </svg>
  )
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
