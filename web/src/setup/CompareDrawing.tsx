import type { Prescription, SetUpLine, SetUpMeasure } from '@yentrik/core'
import { useMillimetres } from '../preferences/words.tsx'

const ink = 'var(--color-base-content)'
const wrong = 'var(--color-error)'

interface CompareDrawingProps {
  readonly prescription: Prescription
  /** Empty while nothing of the teeth has been measured: the rim alone is drawn. */
  readonly lines: readonly SetUpLine[]
}

const lineOf = (lines: readonly SetUpLine[], measure: SetUpMeasure, side?: 'right' | 'left') =>
  lines.find((line) => line.measure === measure && line.side === side)
const failing = (line: SetUpLine | undefined) => line !== undefined && line.verdict !== 'pass'

const HALF = 44
const MOLAR = { from: 29, to: 40 }
const TOOTH = 10

/**
 * The set-up from the front, to scale, the arch laid flat: what the rim wants as lines with their tolerance, the teeth
 * as they were found. The patient's right is on the left.
 */
export function FrontCompare({ prescription, lines }: CompareDrawingProps) {
  const mm = useMillimetres()
  const { arch, canineMillimetres, centreLineMillimetres, highLipMillimetres } = prescription
  // Down the drawing is away from the ridge on an upper, towards it on a lower.
  const down = arch === 'upper' ? 1 : -1
  const tolerance = (measure: SetUpMeasure) =>
    lines.find((line) => line.measure === measure)?.toleranceMillimetres ?? 0
  const centre = lineOf(lines, 'centreLine')
  const shift = centre ? centre.offMillimetres : 0
  const middle = centreLineMillimetres
  const sides = [
    { side: 'right', sign: -1, central: arch === 'upper' ? 11 : 41 },
    { side: 'left', sign: 1, central: arch === 'upper' ? 21 : 31 },
  ] as const
  return (
    <svg
      viewBox={`${-HALF} -15 ${2 * HALF} 21`}
      className="w-full"
      role="img"
      aria-label="Set-up from the front against the prescription, to scale"
      fontSize="2.1"
      fontWeight="600"
      fill={ink}
    >
      <path
        d={`M${-HALF} ${-down * (TOOTH + 3)}H${HALF}V${-down * (TOOTH - 2)}Q0 ${-down * (TOOTH - 4)} ${-HALF} ${-down * (TOOTH - 2)}z`}
        fill="var(--wax)"
        opacity="0.55"
      />
      <Band x={-26} y={0} width={52} height={2 * tolerance('level')} />
      <path d="M-28 0H28" stroke={ink} strokeWidth="0.18" strokeDasharray="1.4 1" />
      <path
        d={`M-24 ${-down * highLipMillimetres}H24`}
        stroke={ink}
        strokeWidth="0.14"
        strokeDasharray="0.6 0.9"
      />
      <text x="-24.6" y={-down * highLipMillimetres + 0.7} textAnchor="end" fontSize="1.7">
        high lip
      </text>
      <Band x={middle} y={-4} width={2 * tolerance('centreLine')} height={16} upright />
      <path d={`M${middle} -14V5`} stroke={ink} strokeWidth="0.2" strokeDasharray="2 0.7 0.5 0.7" />
      {sides.map(({ side, sign, central }) => {
        const canine = canineMillimetres[side]
        const canineLine = lineOf(lines, 'canine', side)
        const level = lineOf(lines, 'level', side)
        const plane = lineOf(lines, 'plane', side)
        const reach = canineLine?.foundMillimetres ?? canine
        const edges = [0, 0.375 * reach, 0.665 * reach, reach]
        const found = middle + shift
        return (
          <g key={side}>
            <Band x={middle + sign * canine} y={-3} width={2 * tolerance('canine')} height={12} upright />
            <path
              d={`M${middle + sign * canine} -12V3`}
              stroke={ink}
              strokeWidth="0.18"
              strokeDasharray="1.4 1"
            />
            <Band
              x={sign * ((MOLAR.from + MOLAR.to) / 2)}
              y={0}
              width={MOLAR.to - MOLAR.from + 4}
              height={2 * tolerance('plane')}
            />
            {[0, 1, 2].map((tooth) => {
              const off = tooth === 0 ? (level?.offMillimetres ?? 0) : 0
              const bad = tooth === 0 ? failing(level) || failing(centre) : tooth === 2 && failing(canineLine)
              const [from, to] = [edges[tooth]! + 0.12, edges[tooth + 1]! - 0.12]
              return (
                <Tooth
                  key={tooth}
                  from={found + sign * from}
                  to={found + sign * to}
                  edge={down * off}
                  down={down}
                  ghost={lines.length === 0}
                  bad={bad}
                />
              )
            })}
            <Tooth
              from={sign * MOLAR.from}
              to={sign * MOLAR.to}
              edge={down * (plane?.offMillimetres ?? 0)}
              down={down}
              short
              ghost={lines.length === 0}
              bad={failing(plane)}
            />
            <text
              x={found + sign * 0.19 * reach}
              y={-down * 5 + 0.7}
              textAnchor="middle"
              fill={lines.length === 0 ? ink : 'var(--on-light)'}
            >
              {central}
            </text>
            {level && failing(level) && (
              <Callout
                x={found + sign * 1.2}
                outwards={sign}
                y={down * 3.6}
                words={`${mm(Math.abs(level.offMillimetres))} ${level.offMillimetres * down > 0 === (arch === 'upper') ? 'low' : 'high'}`}
              />
            )}
            {plane && failing(plane) && (
              <Callout
                x={sign * ((MOLAR.from + MOLAR.to) / 2)}
                y={down * 3.6}
                words={`${mm(Math.abs(plane.offMillimetres))}`}
              />
            )}
            {canineLine && failing(canineLine) && (
              <Callout
                x={middle + sign * canine}
                y={-down * 13.2 + 0.7}
                words={`${mm(Math.abs(canineLine.offMillimetres))}`}
              />
            )}
          </g>
        )
      })}
      {centre && failing(centre) && (
        <Callout
          x={middle}
          y={-down * 13.2 + 0.7}
          words={`${mm(Math.abs(shift))} to the ${shift > 0 ? 'left' : 'right'}`}
        />
      )}
      <text x={-HALF + 1} y="5" fontSize="1.7">
        right
      </text>
      <text x={HALF - 1} y="5" fontSize="1.7" textAnchor="end">
        left
      </text>
    </svg>
  )
}

/** Where a measure may lie. */
function Band({
  x,
  y,
  width,
  height,
  upright,
}: {
  x: number
  y: number
  width: number
  height: number
  upright?: boolean
}) {
  if (!(width > 0 && height > 0)) return null
  return (
    <rect
      x={x - width / 2}
      y={y - height / 2}
      width={width}
      height={height}
      fill="var(--good)"
      opacity={upright ? 0.25 : 0.3}
    />
  )
}

function Tooth({
  from,
  to,
  edge,
  down,
  short,
  ghost,
  bad,
}: {
  from: number
  to: number
  edge: number
  down: number
  short?: boolean
  ghost: boolean
  bad: boolean
}) {
  const [left, right] = [Math.min(from, to), Math.max(from, to)]
  const width = right - left
  const neck = edge - down * (short ? TOOTH * 0.6 : TOOTH)
  const round = 0.12 * width
  return (
    <path
      d={`M${left} ${edge - down * round}Q${left} ${edge} ${left + round} ${edge}H${right - round}Q${right} ${edge} ${right} ${edge - down * round}L${right - 0.13 * width} ${neck + down * 1}Q${(left + right) / 2} ${neck - down * 1.2} ${left + 0.13 * width} ${neck + down * 1}z`}
      fill="var(--tooth)"
      fillOpacity={ghost ? 0.35 : 1}
      stroke={bad ? wrong : ink}
      strokeWidth={bad ? 0.45 : 0.2}
      strokeDasharray={ghost ? '0.8 0.6' : undefined}
    />
  )
}

function Callout({
  x,
  y,
  words,
  outwards = 0,
}: {
  x: number
  y: number
  words: string
  /** Grows to this side; 0 stands centred. */
  outwards?: number
}) {
  return (
    <text
      x={x}
      y={y}
      textAnchor={outwards === 0 ? 'middle' : outwards > 0 ? 'start' : 'end'}
      fill={wrong}
      fontSize="2.5"
      fontWeight="700"
      stroke="var(--color-base-100)"
      strokeWidth="0.7"
      paintOrder="stroke"
    >
      {words}
    </text>
  )
}

/** One central from the side, to scale: how far its face stands in front of the papilla. */
export function SideCompare({ prescription, lines }: CompareDrawingProps) {
  const mm = useMillimetres()
  const { arch, labialFullnessMillimetres: wanted } = prescription
  const down = arch === 'upper' ? 1 : -1
  const sides = (['right', 'left'] as const).flatMap((side) => {
    const line = lineOf(lines, 'fullness', side)
    const level = lineOf(lines, 'level', side)
    return line ? [{ side, line, edge: down * (level?.offMillimetres ?? 0) }] : []
  })
  const tolerance = sides[0]?.line.toleranceMillimetres ?? 0
  const worst = sides.find(({ line }) => failing(line))
  return (
    <svg
      viewBox="-7 -15 27 21"
      className="h-full w-full"
      role="img"
      aria-label="A central from the side against the prescription, to scale"
      fontSize="2.1"
      fontWeight="600"
      fill={ink}
    >
      <path
        d={`M-7 ${-down * 13}Q6 ${-down * 14} ${wanted - 1} ${-down * 9}Q${wanted - 5} ${-down * 5} -3 ${-down * 5}L-7 ${-down * 6}z`}
        fill="var(--stone)"
        stroke={ink}
        strokeWidth="0.2"
      />
      <Band x={wanted} y={-4} width={2 * tolerance} height={16} upright />
      {sides.map(({ side, line, edge }) => (
        <path
          key={side}
          d={`M${line.foundMillimetres} ${edge - down * 1.2}q0 ${down * 1.2} -0.9 ${down * 1.2}q-1.5 ${-down * 3} -4 ${-down * 7}q-0.5 ${-down * 3} 1.6 ${-down * 3.2}q2.6 ${down * 3.4} 3.3 ${down * 9}z`}
          fill="var(--tooth)"
          fillOpacity="0.85"
          stroke={failing(line) ? wrong : ink}
          strokeWidth={failing(line) ? 0.4 : 0.2}
        />
      ))}
      <path d={`M${wanted} -13V5`} stroke={ink} strokeWidth="0.2" strokeDasharray="1.4 1" />
      <path d="M-7 0H18" stroke={ink} strokeWidth="0.18" strokeDasharray="1.4 1" />
      <circle cx="0" cy={-down * 5} r="0.8" fill="var(--color-primary)" />
      <text x="-0.6" y={-down * 5 + down * 3} textAnchor="middle" fontSize="1.7">
        papilla
      </text>
      {worst && (
        <Callout
          x={8}
          y={-down * 13 + 0.7}
          words={`${mm(Math.abs(worst.line.offMillimetres))} too ${worst.line.offMillimetres > 0 ? 'full' : 'flat'}`}
        />
      )}
    </svg>
  )
}
