import { type MaterialCard, type Mix, mixMillilitres } from '@yentrik/core'
import { Hatch } from '../drawings/Hatch.tsx'
import { grams, millilitres } from '../format/format.ts'
import type { BowlNumbers } from './bowl.ts'

interface VesselsProps {
  readonly mix: Mix
  readonly card: MaterialCard
  readonly colour: string
  /** What is in already: drawn solid, the rest as an outline. */
  readonly inBowl?: BowlNumbers
}

/** A full cylinder of the size that holds the liquid; mL. */
const cylinders = [25, 50, 100, 250, 500, 1000]
/** Bowl drawn to hold this much slurry, mL (common practice: about half a litre). */
const BOWL_MILLILITRES = 500
/** Where a powder has no density on its card, its grains are drawn as this, g/cm3 (for the picture only). */
const DRAWN_DENSITY = 2

/** The bowl and the cylinder with what belongs in them, to scale by volume; hatched is not there yet. */
export function Vessels({ mix, card, colour, inBowl = {} }: VesselsProps) {
  const size = cylinders.find((each) => each >= mix.liquidMillilitres) ?? 1000
  const volume = (powderGrams: number, liquidMillilitres: number) =>
    card.density
      ? mixMillilitres(card, { powderGrams, liquidMillilitres })
      : powderGrams / DRAWN_DENSITY + liquidMillilitres
  const whole = volume(mix.powderGrams, mix.liquidMillilitres)
  const there = inBowl.powder ? volume(inBowl.powder, inBowl.liquid ?? 0) : 0
  // Half an ellipsoid fills with the cube root of its volume.
  const topOf = (slurry: number) => 190 - 96 * Math.min(1, Math.cbrt(slurry / BOWL_MILLILITRES))
  const levelOf = (liquid: number) => 160 * Math.min(1, liquid / size)
  const level = levelOf(mix.liquidMillilitres)
  const measured = levelOf(inBowl.liquid ?? 0)
  const ink = 'var(--color-base-content)'
  return (
    <svg
      viewBox="0 0 420 216"
      className="h-full w-full"
      role="img"
      aria-label={`${grams(mix.powderGrams)} in the bowl, ${millilitres(mix.liquidMillilitres)} in the cylinder`}
    >
      <defs>
        <clipPath id="bowl">
          <path d="M24 92q6 100 116 100t116-100z" />
        </clipPath>
        <Hatch id="to-come" />
      </defs>
      <rect x="0" y={topOf(whole)} width="280" height="120" fill="url(#to-come)" clipPath="url(#bowl)" />
      {there > 0 && (
        <rect x="0" y={topOf(there)} width="280" height="120" fill={colour} clipPath="url(#bowl)" />
      )}
      <path
        d={`M30 ${topOf(whole)}h222`}
        stroke={ink}
        strokeWidth="1.5"
        strokeDasharray="6 5"
        clipPath="url(#bowl)"
      />
      <path d="M24 92q6 100 116 100t116-100" fill="none" stroke={ink} strokeWidth="3" />
      <path d="M110 196h60" stroke={ink} strokeWidth="6" strokeLinecap="round" />
      <text x="140" y="34" textAnchor="middle" fontSize="20" fontWeight="600" fill={ink}>
        about {Math.round(whole)} mL of mix
      </text>
      {whole > BOWL_MILLILITRES && (
        <text x="140" y="60" textAnchor="middle" fontSize="17" fontWeight="600" fill="var(--color-warning)">
          more than a half-litre bowl: mix in two
        </text>
      )}
      <rect x="322" y={194 - level} width="56" height={level} fill="url(#to-come)" />
      <rect x="322" y={194 - measured} width="56" height={measured} fill="var(--wet)" />
      <path d="M322 20v174h56V20M306 196h88" fill="none" stroke={ink} strokeWidth="3" strokeLinecap="round" />
      {[0.25, 0.5, 0.75, 1].map((mark) => (
        <g key={mark}>
          <path d={`M322 ${194 - 160 * mark}h16`} stroke={ink} strokeWidth="2" />
          <text x="314" y={199 - 160 * mark} textAnchor="end" fontSize="15" fill={ink}>
            {Number((size * mark).toFixed(2))}
          </text>
        </g>
      ))}
      <path d={`M382 ${194 - level}l12-6v12z`} fill={ink} />
    </svg>
  )
}
