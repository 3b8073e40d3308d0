import { type PairPlan, TOTAL_HEIGHT } from '@yentrik/core'
import { Hatch } from '../drawings/Hatch.tsx'
import { useMillimetres } from '../preferences/words.tsx'

/** The pair from the side and from the back, standing in occlusion, to scale: what is there, what comes off, where the plane lies. */
export function HeightDrawing({ pair, offMiddle }: { pair: PairPlan; offMiddle: number }) {
  const mm = useMillimetres(2)
  const { upper, lower } = pair
  const long = upper.plan.apex.y
  const wide = upper.plan.heel.atSide.x * 2
  const ink = 'var(--color-base-content, #000)'
  const most = Math.max(
    TOTAL_HEIGHT / 2 + 6,
    ...[upper, lower].flatMap(({ heights }) =>
      (heights?.corners ?? []).map(({ presentMillimetres }) => presentMillimetres),
    ),
  )
  const upperTarget = TOTAL_HEIGHT / 2 + offMiddle
  const lowerTarget = TOTAL_HEIGHT - upperTarget
  const present = (model: PairPlan['upper'], which: readonly string[]) => {
    const found = (model.heights?.corners ?? []).filter(({ name }) => which.includes(name))
    return (
      found.reduce((sum, { presentMillimetres }) => sum + presentMillimetres, 0) / Math.max(1, found.length)
    )
  }
  const back = ['left heel at the back', 'right heel at the back']
  const view = (
    down: number,
    width: number,
    title: string,
    ends: readonly [readonly string[], readonly string[]],
    label: boolean,
  ) => (
    <g transform={`translate(0 ${down})`}>
      {(
        [
          [upper, -1, upperTarget],
          [lower, 1, lowerTarget],
        ] as const
      ).map(([model, sign, target]) => {
        if (!model.heights) return null
        const [a, b] = ends.map((which) => present(model, which))
        return (
          <g key={model.plan.arch}>
            <path
              d={`M0 0L0 ${sign * a!}L${width} ${sign * b!}L${width} 0z`}
              fill="url(#off-base)"
              stroke={ink}
              strokeWidth="0.3"
              strokeDasharray="1.6 1.2"
            />
            <rect
              x={0}
              y={sign < 0 ? -target : 0}
              width={width}
              height={target}
              fill="var(--stone, #eee)"
              stroke={ink}
              strokeWidth="0.5"
              fillOpacity="0.85"
            />
            <text x={width / 2} y={sign * (target / 2) + 1.5} textAnchor="middle" fontWeight="600">
              {model.plan.arch} {mm(target)}
            </text>
          </g>
        )
      })}
      <path d={`M-4 0H${width + 4}`} stroke="var(--color-error, #000)" strokeWidth="0.6" />
      <text x={width / 2} y={most + 6} textAnchor="middle" fill={ink}>
        {title}
      </text>
      {label && (
        <g>
          <path
            d={`M${width + 6} ${-upperTarget}V${lowerTarget}M${width + 4} ${-upperTarget}h4M${width + 4} ${lowerTarget}h4`}
            stroke={ink}
            strokeWidth="0.4"
          />
          <text x={width + 8} y={1} fontWeight="700">
            {mm(TOTAL_HEIGHT)}
          </text>
        </g>
      )}
    </g>
  )
  return (
    <svg
      viewBox={`-8 ${-most - 3} ${Math.max(long, wide) + 34} ${4 * most + 30}`}
      className="w-full"
      role="img"
      aria-label="The pair from the side and from the back"
      fontSize="4"
      fill={ink}
    >
      <defs>
        <Hatch id="off-base" size={2.4} />
      </defs>
      {view(0, long, 'from the side, back on the left', [back, ['front']], true)}
      {view(
        2 * most + 16,
        wide,
        'from the back',
        [
          ['left heel at the back', 'left heel at the side'],
          ['right heel at the back', 'right heel at the side'],
        ],
        true,
      )}
    </svg>
  )
}
