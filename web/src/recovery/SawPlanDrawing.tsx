import { qty, type RecoveredArch, type SawPlace, type SawPlan } from '@yentrik/core'
import { Hatch } from '../drawings/Hatch.tsx'
import { useWords } from '../preferences/words.tsx'

const ink = 'var(--color-base-content)'

/** Where the cuts run on the base, and where their depth stands. The front lies away from the hand. */
const cutLines: Readonly<
  Record<SawPlace, { readonly path: string; readonly at: readonly [x: number, y: number] }>
> = {
  middle: { path: 'M260 104V216M212 166H308', at: [260, 160] },
  canines: { path: 'M214 96L170 44M306 96L350 44', at: [150, 40] },
  midline: { path: 'M260 84V24', at: [300, 40] },
  ends: { path: 'M196 186L112 196M324 186L408 196', at: [112, 176] },
}
/** Each piece goes inwards first, then down. */
const arrows = (frontIsCut: boolean): readonly string[] => [
  'M150 122l34 8',
  'M370 122l-34 8',
  ...(frontIsCut ? ['M228 56l8 24', 'M292 56l-8 24'] : ['M260 50v26']),
]

/** The base of a cast with the cuts that free the denture under it: in their order, as deep as each may go. */
export function SawPlanDrawing({
  arch,
  plan,
}: {
  readonly arch: RecoveredArch
  /** Left out while nothing is measured. */
  readonly plan: SawPlan | undefined
}) {
  const say = useWords()
  const drawn: readonly SawPlace[] = plan ? plan.cuts.map(({ at }) => at) : ['middle', 'canines', 'ends']
  const deep = (at: SawPlace) => plan?.cuts.find((cut) => cut.at === at)
  return (
    <svg
      viewBox="60 0 400 240"
      className="w-full max-w-xl"
      role="img"
      aria-label={`Base of the ${arch} cast with its saw cuts`}
    >
      <defs>
        <Hatch id="held" size={8} />
        <marker id="way" viewBox="0 0 8 8" refX="6" refY="4" markerWidth="7" markerHeight="7" orient="auto">
          <path d="M0 0L8 4 0 8z" fill={ink} />
        </marker>
      </defs>
      <path
        d="M96 220C86 120 150 12 260 12 370 12 434 120 424 220z"
        fill="var(--stone)"
        stroke={ink}
        strokeWidth="1.5"
      />
      {plan?.flangeHeld && (
        <path
          d="M120 110C138 54 190 12 260 12 330 12 382 54 400 110L384 114C366 66 322 28 260 28 198 28 154 66 136 114z"
          fill="url(#held)"
          stroke="var(--color-error)"
          strokeWidth="2.5"
        />
      )}
      <path
        d={
          arch === 'upper'
            ? 'M198 214C186 130 208 90 260 88 312 90 334 130 322 214z'
            : 'M204 220C190 136 210 92 260 90 310 92 330 136 316 220z'
        }
        fill={arch === 'upper' ? 'color-mix(in oklab, var(--stone) 70%, white)' : 'var(--color-base-200)'}
        stroke={ink}
        strokeDasharray="4 4"
      />
      {drawn.map((at) => (
        <path
          key={at}
          d={cutLines[at].path}
          stroke={deep(at)?.depthMillimetres === 0 ? 'var(--color-error)' : ink}
          strokeWidth={at === 'middle' ? 5 : 3.5}
          strokeDasharray={deep(at)?.depthMillimetres === 0 ? '3 6' : '12 5'}
          fill="none"
        />
      ))}
      {plan &&
        arrows(plan.flangeHeld).map((path) => (
          <path key={path} d={path} stroke={ink} strokeWidth="2" fill="none" markerEnd="url(#way)" />
        ))}
      {plan?.cuts.map(({ at, depthMillimetres }, n) => {
        const [x, y] = cutLines[at].at
        const words = depthMillimetres === 0 ? 'no saw' : say([qty.mm(depthMillimetres, 1)])
        return (
          <g key={at}>
            <rect
              x={x - (at === 'middle' ? 44 : 34)}
              y={y - (at === 'middle' ? 22 : 15)}
              width={at === 'middle' ? 88 : 68}
              height={at === 'middle' ? 40 : 26}
              rx="6"
              fill="var(--color-base-100)"
              stroke={ink}
            />
            <text
              x={x}
              y={y + (at === 'middle' ? 7 : 5)}
              textAnchor="middle"
              fontSize={at === 'middle' ? 23 : 14}
              fontWeight="700"
              fill={depthMillimetres === 0 ? 'var(--color-error)' : ink}
            >
              {words}
            </text>
            <circle
              cx={x + (at === 'middle' ? 44 : 34)}
              cy={y - (at === 'middle' ? 22 : 15)}
              r="9"
              fill={ink}
            />
            <text
              x={x + (at === 'middle' ? 44 : 34)}
              y={y - (at === 'middle' ? 18 : 11)}
              textAnchor="middle"
              fontSize="12"
              fontWeight="700"
              fill="var(--color-base-100)"
            >
              {n + 1}
            </text>
          </g>
        )
      })}
    </svg>
  )
}
