import { type Articulator, openingAtTooth, showTooth, type ToothNotation } from '@yentrik/core'
import { useMillimetres } from '../preferences/words.tsx'

const ink = 'var(--color-base-content)'
/** Drawn so many times too large, or it could not be seen. */
const TIMES = 10
/** Drawing units a millimetre. */
const SCALE = 2.3
const AXIS = { x: 44, y: 56 }
/** Further open the drawing would leave its frame, mm at the pin. */
const MOST_DRAWN = 3

/** The articulator from the side: what stands open at the pin, and how little of it that is at the tooth. */
export function SideDrawing({
  articulator,
  pinMillimetres,
  tooth,
  notation,
}: {
  readonly articulator: Articulator
  readonly pinMillimetres: number
  readonly tooth: number
  readonly notation: ToothNotation
}) {
  const mm = useMillimetres(1)
  const atTooth = openingAtTooth(articulator, pinMillimetres, tooth)
  const pinAway = articulator.pinTip.x
  // Similar triangles about the axis: so far away stands what opens by that much.
  const toothAway = pinMillimetres === 0 ? 0.55 * pinAway : (atTooth / pinMillimetres) * pinAway
  const open = Math.min(MOST_DRAWN, Math.max(0, pinMillimetres))
  const angle = (Math.asin((TIMES * open) / pinAway) * 180) / Math.PI
  const pinX = AXIS.x + SCALE * pinAway
  const toothX = AXIS.x + SCALE * toothAway
  const [toothGap, pinGap] = [TIMES * SCALE * open * (toothAway / pinAway), TIMES * SCALE * open]
  const teeth = [0, 1, 2, 3, 4].map((n) => toothX - 34 + n * 17)
  return (
    <figure>
      <figcaption className="mb-1 font-semibold">From the side, the gap drawn ten times</figcaption>
      <svg
        viewBox="14 0 356 236"
        className="w-full"
        role="img"
        aria-label={`${mm(Math.max(0, pinMillimetres))} at the pin are ${mm(Math.max(0, atTooth))} at ${showTooth(tooth, notation)}`}
      >
        <path
          d={`M${AXIS.x} ${AXIS.y}L${AXIS.x - 8} 214H${pinX + 26}`}
          fill="none"
          stroke="var(--metal)"
          strokeWidth="8"
        />
        <path
          d={`M${toothX - 46} 210V158H${toothX + 62}L${toothX + 54} 210z`}
          fill="var(--wax)"
          stroke={ink}
        />
        {teeth.map((x) => (
          <path
            key={x}
            d={`M${x} 158v-8q8-4 16 0v8z`}
            fill={Math.abs(x - toothX) < 1 ? '#e8b25a' : 'var(--tooth)'}
            stroke={ink}
          />
        ))}
        <path d={`M${pinX - 22} 210l10-14h34`} fill="none" stroke={ink} strokeWidth="4" />
        <g transform={`rotate(${-angle} ${AXIS.x} ${AXIS.y})`}>
          <path d={`M${AXIS.x} ${AXIS.y}H${pinX + 10}`} stroke="var(--metal)" strokeWidth="8" />
          <path
            d={`M${toothX - 46} 60V143H${toothX + 62}L${toothX + 54} 60z`}
            fill="var(--wax)"
            stroke={ink}
          />
          {teeth.map((x) => (
            <path key={x} d={`M${x} 143v3q8 5 16 0v-3z`} fill="var(--tooth)" stroke={ink} />
          ))}
          <path d={`M${pinX} 44V195`} stroke={ink} strokeWidth="5" />
        </g>
        <circle cx={AXIS.x} cy={AXIS.y} r="9" fill="var(--color-base-100)" stroke={ink} strokeWidth="3" />
        {open > 0 && (
          <g fontWeight="700" fill="var(--color-error)" stroke="none">
            <path
              d={`M${toothX - 52} ${150 - toothGap}v${toothGap}M${pinX + 16} ${195 - pinGap}v${pinGap}`}
              stroke="var(--color-error)"
              strokeWidth="3"
            />
            <text x={toothX - 57} y={155 - toothGap / 2} fontSize="14" textAnchor="end">
              {mm(atTooth)}
            </text>
            <text x={pinX + 22} y={200 - pinGap / 2} fontSize="14">
              {mm(pinMillimetres)}
            </text>
          </g>
        )}
        <text x={AXIS.x + 14} y={AXIS.y + 22} fontSize="13" fill={ink}>
          axis
        </text>
        <text x="190" y="232" fontSize="12" textAnchor="middle" fill={ink} opacity="0.8">
          {`${showTooth(tooth, notation)} ${mm(toothAway)} from the axis, pin ${mm(pinAway)}`}
        </text>
      </svg>
    </figure>
  )
}
