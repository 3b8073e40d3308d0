import {
  type GoingBack,
  PLAQUE_DEPTH_MICROMETRES,
  PLAQUE_RA_MICROMETRES,
  type PlannedStage,
} from '@yentrik/core'

const ink = 'var(--color-base-content)'
const WIDTH = 100
const HEIGHT = 46
/** Of the drawn scale, µm: from a bur mark to below a shine. */
const DEEPEST = 60
const FINEST = 0.012

const level = (micrometres: number) =>
  (HEIGHT * Math.log(DEEPEST / Math.min(DEEPEST, Math.max(FINEST, micrometres)))) / Math.log(DEEPEST / FINEST)

const words = (micrometres: number) =>
  micrometres >= 10
    ? micrometres.toFixed(0)
    : micrometres >= 1
      ? micrometres.toFixed(1)
      : micrometres.toPrecision(1)

/** The ladder as steps downwards, each as deep as the scratch it leaves, with the line beneath which plaque holds no better. */
export function LadderDrawing({
  planned,
  at,
  scratch,
  back,
  onStage,
}: {
  readonly planned: readonly PlannedStage[]
  /** Index of the stage that runs. */
  readonly at: number
  /** Depth of the scratch that was seen, µm. */
  readonly scratch?: number
  readonly back?: GoingBack
  readonly onStage: (index: number) => void
}) {
  const wide = WIDTH / planned.length
  const again = new Set(back?.again)
  return (
    <svg
      viewBox={`-7 -6 ${WIDTH + 14} ${HEIGHT + 12}`}
      className="w-full"
      role="img"
      aria-label="The ladder: how deep a scratch each stage leaves"
      fontSize="2.3"
      fontWeight="600"
    >
      {[50, 10, 1, 0.1].map((depth) => (
        <g key={depth} opacity="0.55">
          <path d={`M0 ${level(depth)}H${WIDTH}`} stroke={ink} strokeWidth="0.08" />
          <text x="-0.8" y={level(depth) + 0.8} textAnchor="end" fontSize="1.9" fontWeight="400" fill={ink}>
            {depth} µm
          </text>
        </g>
      ))}
      {planned.map(({ stage, depthMicrometres }, index) => {
        const [x, y] = [wide * index, level(depthMicrometres)]
        const lit = index === at
        return (
          <g key={stage.id} onPointerDown={() => onStage(index)} className="cursor-pointer">
            <rect
              x={x + 0.35}
              y={y}
              width={wide - 0.7}
              height={HEIGHT + 5 - y}
              rx="0.9"
              fill={lit ? 'var(--color-primary)' : again.has(index) ? '#d97a2e' : 'var(--stone)'}
              fillOpacity={lit || again.has(index) ? 1 : 0.75}
            />
            <g
              textAnchor="middle"
              fill={lit ? 'var(--color-primary-content)' : 'var(--on-light)'}
              fontSize={stage.name.length > 10 ? 1.75 : 2.1}
            >
              <text x={x + wide / 2} y={y + 2.9}>
                {stage.name}
              </text>
              <text x={x + wide / 2} y={y + 5.4} fontSize="2" fontWeight="400">
                {words(depthMicrometres)} µm
              </text>
            </g>
          </g>
        )
      })}
      <path
        d={`M0 ${level(PLAQUE_DEPTH_MICROMETRES)}H${WIDTH}`}
        stroke="var(--color-success)"
        strokeWidth="0.45"
        strokeDasharray="2 1.2"
      />
      <text x={WIDTH} y={level(PLAQUE_DEPTH_MICROMETRES) - 1} textAnchor="end" fill="var(--color-success)">
        Ra {PLAQUE_RA_MICROMETRES} µm: from here on it is lustre
      </text>
      {scratch !== undefined && (
        <g>
          <circle
            cx={wide * (at + 0.5)}
            cy={level(scratch)}
            r="1.2"
            fill="var(--color-error)"
            stroke="var(--color-base-100)"
            strokeWidth="0.35"
          />
          {back?.to !== undefined && back.to < at && (
            <path
              d={`M${wide * (at + 0.5) - 1.4} ${level(scratch)}H${wide * (back.to + 0.5)}m1.4 -1l-1.4 1l1.4 1`}
              fill="none"
              stroke="var(--color-error)"
              strokeWidth="0.5"
            />
          )}
        </g>
      )}
    </svg>
  )
}
