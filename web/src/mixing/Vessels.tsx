import { type Mix, setGypsum } from '@yentrik/core'
import { grams, millilitres } from '../format/format.ts'

interface VesselsProps {
  readonly mix: Mix
  readonly gypsum: boolean
  readonly colour: string
}

/** A full cylinder of the size that holds the liquid; mL. */
const cylinders = [25, 50, 100, 250, 500, 1000]
/** Bowl drawn to hold this much slurry, mL (common practice: about half a litre). */
const BOWL_MILLILITRES = 500

/** The bowl and the cylinder with what belongs in them, to scale by volume. */
export function Vessels({ mix, gypsum, colour }: VesselsProps) {
  const size = cylinders.find((each) => each >= mix.liquidMillilitres) ?? 1000
  const level = Math.min(1, mix.liquidMillilitres / size)
  const slurry = gypsum
    ? mix.powderGrams *
      setGypsum({ millilitresPerGram: mix.liquidMillilitres / mix.powderGrams }).slurryMillilitresPerGram
    : mix.powderGrams / 1.19 + mix.liquidMillilitres
  // Half an ellipsoid fills with the cube root of its volume.
  const fill = Math.min(1, Math.cbrt(slurry / BOWL_MILLILITRES))
  const top = 190 - 96 * fill
  const ink = 'var(--color-base-content)'
  return (
    <svg
      viewBox="0 0 420 216"
      className="h-full w-full"
      role="img"
      aria-label={`${grams(mix.powderGrams)} in the bowl, ${millilitres(mix.liquidMillilitres)} in the cylinder`}
    >
      <clipPath id="bowl">
        <path d="M24 92q6 100 116 100t116-100z" />
      </clipPath>
      <rect x="0" y={top} width="280" height={200 - top} fill={colour} clipPath="url(#bowl)" />
      <path d="M24 92q6 100 116 100t116-100" fill="none" stroke={ink} strokeWidth="3" />
      <path d="M110 196h60" stroke={ink} strokeWidth="6" strokeLinecap="round" />
      <text x="140" y="34" textAnchor="middle" fontSize="17" fontWeight="600" fill={ink}>
        about {Math.round(slurry)} mL of mix
      </text>
      {slurry > BOWL_MILLILITRES && (
        <text x="140" y="58" textAnchor="middle" fontSize="15" fontWeight="600" fill="var(--color-warning)">
          more than a half-litre bowl: mix in two
        </text>
      )}
      <rect x="322" y={194 - 160 * level} width="56" height={160 * level} fill="var(--wet)" />
      <path d="M322 20v174h56V20M306 196h88" fill="none" stroke={ink} strokeWidth="3" strokeLinecap="round" />
      {[0.25, 0.5, 0.75, 1].map((mark) => (
        <g key={mark}>
          <path d={`M322 ${194 - 160 * mark}h16`} stroke={ink} strokeWidth="2" />
          <text x="314" y={199 - 160 * mark} textAnchor="end" fontSize="13" fill={ink}>
            {Number((size * mark).toFixed(2))}
          </text>
        </g>
      ))}
      <path d={`M382 ${194 - 160 * level}l12-6v12z`} fill={ink} />
    </svg>
  )
}
