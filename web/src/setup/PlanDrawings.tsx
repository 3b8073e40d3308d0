import {
  archAt,
  archPoint,
  cuspsApart,
  type PlacedAnterior,
  type PlacedPosterior,
  type Point,
  type SetUpEntry,
  type SetUpPlan,
  showTooth,
  type ToothNotation,
  toRadians,
} from '@yentrik/core'
import { useBareMillimetres } from '../preferences/words.tsx'

const ink = 'var(--color-base-content, #000)'
const onTooth = 'var(--on-light, #000)'

interface PlanDrawingProps {
  readonly entry: SetUpEntry
  readonly plan: SetUpPlan
  readonly notation: ToothNotation
  readonly className?: string
  /** Printed 1:1 the drawing has its size in millimetres. */
  readonly lifeSize?: boolean
}

/** Thickness at which a front tooth is drawn, mm: only its face is planned. */
const FRONT_DEPTH = 5

/**
 * The set-up from above, to scale, the front away. On the screen an upper is seen from its teeth, the patient's right
 * on the left; on paper as it lies under the cast, teeth down.
 */
export function PlanTop({ entry, plan, notation, className, lifeSize }: PlanDrawingProps) {
  const flip = entry.arch === 'upper' && !lifeSize ? 1 : -1
  const seen = ({ x, y }: Point): Point => ({ x: flip * x, y: -y })
  const at = (p: Point) => `${seen(p).x.toFixed(3)} ${seen(p).y.toFixed(3)}`
  const path = (points: readonly Point[]) => `M${points.map(at).join('L')}`
  const end = Math.min(...plan.posterior.map(({ centre }) => centre.y)) - 8
  const curve = (arch: SetUpPlan['rim']) => {
    const last = Math.sqrt(arch.frontMillimetres - end)
    return path(Array.from({ length: 81 }, (_, n) => archPoint(arch, last * (n / 40 - 1))))
  }
  const half = Math.max(...plan.posterior.map(({ buccal }) => Math.abs(buccal.at.x))) + 8
  const top = -plan.rim.frontMillimetres - 7
  const height = -end - top
  const size = lifeSize ? { width: `${2 * half}mm`, height: `${height}mm` } : {}
  return (
    <svg
      viewBox={`${-half} ${top} ${2 * half} ${height}`}
      {...size}
      className={className}
      role="img"
      aria-label="The set-up from above, to scale"
      fontSize="2.6"
      fontWeight="600"
      fill={ink}
    >
      <path d={curve(plan.rim)} fill="none" stroke="var(--wax, #d8808b)" strokeWidth="1" />
      <path
        d={curve(plan.crest)}
        fill="none"
        stroke="var(--stone, #a80)"
        strokeWidth="0.8"
        strokeDasharray="2.4 1.4"
      />
      <path d={`M0 ${top + 1}V${-end}`} stroke={ink} strokeWidth="0.2" strokeDasharray="3 1 0.6 1" />
      {plan.anterior.map((tooth) => (
        <path
          key={tooth.fdi}
          d={`${path(frontOutline(tooth))}z`}
          fill="var(--tooth, #fff)"
          stroke={ink}
          strokeWidth="0.3"
          strokeLinejoin="round"
        />
      ))}
      {plan.posterior.map((tooth) => (
        <g key={tooth.fdi}>
          <path
            d={`${path(backOutline(tooth))}z`}
            fill="var(--tooth, #fff)"
            stroke={ink}
            strokeWidth="0.3"
            strokeLinejoin="round"
          />
          <circle cx={seen(tooth.buccal.at).x} cy={seen(tooth.buccal.at).y} r="0.5" fill={onTooth} />
          <circle cx={seen(tooth.palatal.at).x} cy={seen(tooth.palatal.at).y} r="0.5" fill={onTooth} />
        </g>
      ))}
      {(['right', 'left'] as const).map((side) => {
        const sign = side === 'left' ? 1 : -1
        const { at: place, along } = archAt(plan.rim, sign * entry.canineMillimetres[side])
        const out = { x: -along.y, y: along.x }
        const line = [-6, 4].map((mm) => ({ x: place.x + out.x * mm, y: place.y + out.y * mm }))
        return (
          <path
            key={side}
            d={path(line)}
            stroke="var(--color-error, #000)"
            strokeWidth="0.4"
            strokeDasharray="1 0.7"
          />
        )
      })}
      {[...entry.rim, ...entry.crest].map((p) => (
        <circle key={at(p)} cx={seen(p).x} cy={seen(p).y} r="0.7" fill="var(--color-primary, #000)" />
      ))}
      <circle cx="0" cy="0" r="1" fill="none" stroke={ink} strokeWidth="0.3" />
      <text x="1.8" y="3.4" fontSize="2.2">
        papilla
      </text>
      {[...plan.anterior, ...plan.posterior].map((tooth) => {
        const label = seen(labelPlace(tooth))
        return (
          <text key={tooth.fdi} x={label.x} y={label.y + 0.9} textAnchor="middle" fill={onTooth}>
            {showTooth(tooth.fdi, notation)}
          </text>
        )
      })}
      <Span
        words="canines"
        from={seen(plan.anterior.find(({ kind, side }) => kind === 'canine' && side === 'right')!.centre)}
        to={seen(plan.anterior.find(({ kind, side }) => kind === 'canine' && side === 'left')!.centre)}
        y={9}
      />
      <Span
        words="first molars"
        from={seen(
          plan.posterior.find(({ kind, side }) => kind === 'firstMolar' && side === 'right')!.palatal.at,
        )}
        to={seen(
          plan.posterior.find(({ kind, side }) => kind === 'firstMolar' && side === 'left')!.palatal.at,
        )}
        y={0}
      />
      <g fontSize="2.4">
        <text x={-half + 1} y={top + 3}>
          {flip > 0 ? 'right' : 'left'}
        </text>
        <text x={half - 1} y={top + 3} textAnchor="end">
          {flip > 0 ? 'left' : 'right'}
        </text>
      </g>
    </svg>
  )
}

/** A dimension from side to side, mm. */
function Span({ words, from, to, y }: { words: string; from: Point; to: Point; y: number }) {
  const bare = useBareMillimetres()
  const [left, right] = [Math.min(from.x, to.x), Math.max(from.x, to.x)]
  const level = (from.y + to.y) / 2 + y
  return (
    <>
      <path
        d={`M${left} ${level}H${right}m0 -1v2M${left} ${level - 1}v2`}
        stroke={ink}
        strokeWidth="0.15"
        fill="none"
      />
      <text
        x={(left + right) / 2}
        y={level - 0.7}
        textAnchor="middle"
        fontSize="2.2"
        stroke="var(--color-base-100, #fff)"
        strokeWidth="0.6"
        paintOrder="stroke"
      >
        {words} {bare(right - left)}
      </text>
    </>
  )
}

const outOf = ({ distal, side }: { distal: Point; side: 'right' | 'left' }): Point =>
  side === 'left' ? { x: -distal.y, y: distal.x } : { x: distal.y, y: -distal.x }

function corners(
  centre: Point,
  along: Point,
  out: Point,
  half: number,
  front: number,
  back: number,
): Point[] {
  const place = (a: number, o: number) => ({
    x: centre.x + a * along.x + o * out.x,
    y: centre.y + a * along.y + o * out.y,
  })
  const cut = 0.22 * half
  return [
    place(-half + cut, front),
    place(half - cut, front),
    place(half, front - cut),
    place(half, back + cut),
    place(half - cut, back),
    place(-half + cut, back),
    place(-half, back + cut),
    place(-half, front - cut),
  ]
}
function frontOutline(tooth: PlacedAnterior): Point[] {
  const { centre, distal, widthMillimetres } = tooth
  return corners(centre, distal, outOf(tooth), widthMillimetres / 2, 0, -FRONT_DEPTH)
}
function backOutline(tooth: PlacedPosterior): Point[] {
  const deep = cuspsApart[tooth.kind] / 2 + 2
  return corners(tooth.centre, tooth.distal, outOf(tooth), tooth.widthMillimetres / 2, deep, -deep)
}
function labelPlace(tooth: PlacedAnterior | PlacedPosterior): Point {
  const out = outOf(tooth)
  const inward = 'stance' in tooth ? -FRONT_DEPTH / 2 : 0
  return { x: tooth.centre.x + inward * out.x, y: tooth.centre.y + inward * out.y }
}

/** The six front teeth from the front, to scale: level, high-lip line, canine lines, tilts. The patient's right is on the left. */
export function PlanFront({ entry, plan, notation, className, lifeSize }: PlanDrawingProps) {
  const down = entry.arch === 'upper' ? 1 : -1
  const half = Math.max(...plan.anterior.map(({ centre }) => Math.abs(centre.x))) + 7
  const reach =
    Math.max(entry.highLipMillimetres, ...plan.anterior.map(({ neckMillimetres }) => neckMillimetres)) + 3
  const top = down > 0 ? -reach : -4
  const height = reach + 4
  const size = lifeSize ? { width: `${2 * half}mm`, height: `${height}mm` } : {}
  return (
    <svg
      viewBox={`${-half} ${top} ${2 * half} ${height}`}
      {...size}
      className={className}
      role="img"
      aria-label="The front teeth from the front, to scale"
      fontSize="2"
      fontWeight="600"
      fill={ink}
    >
      {plan.anterior.map((tooth) => {
        const sign = tooth.side === 'left' ? 1 : -1
        // Seen from the front a tooth that stands turned shows less of its width.
        const shown = tooth.widthMillimetres * Math.abs(tooth.distal.x)
        const lean =
          (tooth.neckMillimetres - tooth.edgeMillimetres) *
          Math.tan(toRadians(tooth.stance.mesiodistalDegrees))
        const [x, edge, neck] = [tooth.centre.x, -down * tooth.edgeMillimetres, -down * tooth.neckMillimetres]
        const neckX = x + sign * lean
        const w = shown / 2 - 0.1
        return (
          <g key={tooth.fdi}>
            <path
              d={`M${x - w} ${edge}H${x + w}L${neckX + 0.72 * w} ${neck + down * 1.2}Q${neckX} ${neck - down * 1.2} ${neckX - 0.72 * w} ${neck + down * 1.2}z`}
              fill="var(--tooth, #fff)"
              stroke={ink}
              strokeWidth="0.25"
              strokeLinejoin="round"
            />
            <text x={(x + neckX) / 2} y={(edge + neck) / 2 + 0.7} textAnchor="middle" fill={onTooth}>
              {showTooth(tooth.fdi, notation)}
            </text>
          </g>
        )
      })}
      <path d={`M${-half} 0H${half}`} stroke={ink} strokeWidth="0.18" strokeDasharray="1.4 1" />
      <path
        d={`M${-half} ${-down * entry.highLipMillimetres}H${half}`}
        stroke="var(--color-primary, #000)"
        strokeWidth="0.25"
        strokeDasharray="0.6 0.9"
      />
      <text x={-half + 0.3} y={-down * entry.highLipMillimetres - 0.6} fontSize="1.7">
        lip {entry.highLipMillimetres}
      </text>
      {entry.opposing.kind === 'natural' && (
        <path
          d={`M-12 ${-down * entry.opposing.overlapMillimetres}H12`}
          stroke="var(--color-error, #000)"
          strokeWidth="0.3"
          strokeDasharray="1 0.7"
        />
      )}
      <path d={`M0 ${top}V${top + height}`} stroke={ink} strokeWidth="0.18" strokeDasharray="2 0.7 0.5 0.7" />
    </svg>
  )
}

/** Cusp heights from the side, to scale along, five times as high: the compensating curve that the eye cannot see flat. */
export function PlanCurve({ plan, notation }: Pick<PlanDrawingProps, 'plan' | 'notation'>) {
  const bare = useBareMillimetres()
  const shown = plan.posterior.filter(({ side }) => side === 'left')
  const stretch = 5
  const x = ({ y }: Point) => plan.rim.frontMillimetres - y
  const z = (height: number) => -height * stretch
  const far = Math.max(...shown.map(({ centre }) => x(centre))) + 6
  const near = Math.min(...shown.map(({ centre }) => x(centre))) - 8
  const heights = shown.flatMap(({ buccal, palatal }) => [
    buccal.heightMillimetres,
    palatal.heightMillimetres,
  ])
  const high = Math.max(1, ...heights) * stretch + 4
  const low = Math.max(0, ...heights.map((height) => -height)) * stretch + 5.6
  return (
    <svg
      viewBox={`${near} ${-high} ${far - near} ${high + low}`}
      className="h-full w-full"
      role="img"
      aria-label="Cusp heights from the side, five times as high"
      fontSize="1.9"
      fontWeight="600"
      fill={ink}
    >
      <path d={`M${near} 0H${far}`} stroke={ink} strokeWidth="0.2" strokeDasharray="1.4 1" />
      <path
        d={`M${shown.map(({ centre, palatal }) => `${x(centre)} ${z(palatal.heightMillimetres)}`).join('L')}`}
        fill="none"
        stroke="var(--color-primary)"
        strokeWidth="0.4"
      />
      <path
        d={`M${shown.map(({ centre, buccal }) => `${x(centre)} ${z(buccal.heightMillimetres)}`).join('L')}`}
        fill="none"
        stroke="var(--color-primary)"
        strokeWidth="0.3"
        strokeDasharray="1 0.8"
      />
      {shown.map(({ fdi, centre, buccal, palatal }) => (
        <g key={fdi} textAnchor="middle">
          <circle cx={x(centre)} cy={z(palatal.heightMillimetres)} r="0.5" />
          <circle cx={x(centre)} cy={z(buccal.heightMillimetres)} r="0.5" fill="var(--color-primary)" />
          <text x={x(centre)} y={z(buccal.heightMillimetres) - 1.2}>
            {bare(buccal.heightMillimetres)}
          </text>
          <text x={x(centre)} y={z(palatal.heightMillimetres) + 2.6}>
            {bare(palatal.heightMillimetres)}
          </text>
          <text x={x(centre)} y={low - 0.8} fontSize="1.7" fontWeight="400">
            {showTooth(fdi, notation)}
          </text>
        </g>
      ))}
    </svg>
  )
}
