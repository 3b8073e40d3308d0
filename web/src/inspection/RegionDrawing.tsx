import type { RegionDrawing as Drawing } from '@yentrik/core'
import type { ReactNode } from 'react'
import { GumMargins, LowerFitting, PartialFitting, UpperFitting } from './CuredDrawings.tsx'
import { ink, Looking, type LookingAt, Tap } from './Tap.tsx'

interface RegionDrawingProps extends LookingAt {
  readonly drawing: Drawing
}

/** The work as it is inspected, a denture in wax, a partial, a casting: every region can be tapped. */
export function RegionDrawing({ drawing, ...looking }: RegionDrawingProps) {
  const upper = drawing === 'upperDenture'
  const Shape = shapes[drawing]
  return (
    <Looking value={looking}>
      {/* biome-ignore lint/a11y/useSemanticElements: a drawing cannot be a fieldset */}
      <svg viewBox="0 0 520 190" className="w-full" role="group" aria-label={says[drawing]}>
        {Shape ? (
          <Shape />
        ) : (
          <>
            <g transform={upper ? undefined : 'matrix(1 0 0 -1 0 190)'}>
              <Front />
            </g>
            <g transform="translate(292 0)">{upper ? <Palate /> : <TongueSide />}</g>
          </>
        )}
      </svg>
    </Looking>
  )
}

const says: Readonly<Record<Drawing, string>> = {
  upperDenture: 'Upper denture in wax',
  lowerDenture: 'Lower denture in wax',
  partial: 'Partial in wax, from above',
  casting: 'Casting on its sprue, and from inside',
  upperFitting: 'Fitting surface of an upper, as it lies in the hand',
  lowerFitting: 'Fitting surface of a lower, as it lies in the hand',
  partialFitting: 'Fitting surface of a partial',
  gumMargins: 'Gum line, from the front and from the tongue side',
}

const frontTeeth = [0, 1, 2, 3, 4, 5, 6, 7].map((n) => ({
  x: 53 + n * 19.4,
  w: [15, 16, 17, 20, 20, 17, 16, 15][n]!,
  h: [32, 34, 38, 40, 40, 38, 34, 32][n]!,
}))

function Front() {
  return (
    <>
      <Tap id="border" name="Border">
        <path
          d="M16 132q-8-84 34-104 80-26 160 0 42 20 34 104l-14 2q6-74-28-90-72-22-144 0-34 16-28 90z"
          fill="var(--wax)"
        />
      </Tap>
      <Tap id="flange" name="Flange">
        <path
          d="M30 134q-4-72 28-88 72-20 144 0 32 16 28 88l-16-2Q212 112 131 108Q50 112 46 132z"
          fill="color-mix(in oklab, var(--wax) 80%, white)"
        />
      </Tap>
      <Tap id="roots" name="Roots">
        {frontTeeth.map(({ x, w }, n) => (
          <path
            key={x}
            d={`M${x + 1} 106q${w / 2 - 1}-${n === 2 || n === 5 ? 58 : 40} ${w - 2} 0z`}
            fill="var(--wax)"
          />
        ))}
      </Tap>
      <Tap id="margins" name="Gum line">
        <path
          d={`M50 118${frontTeeth.map(({ w }) => `q${w / 2 + 1}-17 ${w + 2.4} 0`).join('')}v-9${[
            ...frontTeeth,
          ]
            .reverse()
            .map(({ w }) => `q${-w / 2 - 1}-15 ${-w - 2.4} 0`)
            .join('')}z`}
          fill="var(--wax)"
        />
      </Tap>
      <Tap id="teeth" name="Tooth faces">
        {frontTeeth.map(({ x, w, h }) => (
          <path
            key={x}
            d={`M${x} 118q${w / 2}-15 ${w} 0l1 ${h - 4}q-${w / 2} 6-${w + 2} 0z`}
            fill="var(--tooth)"
          />
        ))}
      </Tap>
      <Tap id="papillae" name="Papillae">
        {frontTeeth.slice(1).map(({ x }) => (
          <path key={x} d={`M${x - 4.5} 116l3.5 14 3.5-14z`} fill="var(--wax)" />
        ))}
      </Tap>
      <Tap id="frena" name="Frena">
        <path d="M122 18h18l-9 32zM52 34l14-5-1 30zM208 34l-14-5 1 30z" fill="var(--color-base-100)" />
      </Tap>
    </>
  )
}

function Palate() {
  return (
    <>
      <Tap id="palate" name="Palate">
        <path d="M42 156q-10-92 40-122 32-16 64 0 50 30 40 122-72 14-144 0z" fill="var(--wax)" />
      </Tap>
      <Tap id="chewing" name="Chewing faces">
        <path
          d="M16 150q-14-96 46-130 52-24 104 0 60 34 46 130l-26 4q10-88-38-116-34-16-68 0-48 28-38 116z"
          fill="var(--tooth)"
        />
      </Tap>
      <Tap id="post-dam" name="Post-dam">
        <path d="M34 160q80 18 160 0l4 18q-84 18-168 0z" fill="color-mix(in oklab, var(--wax) 82%, black)" />
      </Tap>
    </>
  )
}

function TongueSide() {
  return (
    <>
      <Tap id="lingual" name="Lingual side">
        <path
          d="M44 160q-8-92 38-120 32-16 64 0 46 28 38 120l-20 2q4-78-30-100-20-10-40 0-34 22-30 100z"
          fill="var(--wax)"
        />
      </Tap>
      <Tap id="chewing" name="Chewing faces">
        <path
          d="M16 160q-12-106 46-140 52-24 104 0 58 34 46 140l-26 2q8-96-38-124-34-16-68 0-46 28-38 124z"
          fill="var(--tooth)"
        />
      </Tap>
    </>
  )
}

/** A crown as it comes out of its mould, on its sprue; beside it the crown from inside. */
function Casting() {
  return (
    <>
      <Tap id="walls" name="Outer walls">
        <path
          d="M70 136q-16-54 4-78 40 10 70 6 34 4 64-8 18 30 0 80-66 22-138 0z"
          fill="color-mix(in oklab, var(--metal) 75%, white)"
        />
      </Tap>
      <Tap id="chewing" name="Chewing face">
        <path
          d="M72 62q2-26 28-30 16-2 24 12 8 10 18 0 10-12 28-10 32 2 38 24-34 18-66 12-40 4-70-8z"
          fill="var(--metal)"
        />
      </Tap>
      <Tap id="margin" name="Margin">
        <path
          d="M66 132q72 22 146 0l2 14q-74 24-150 0z"
          fill="color-mix(in oklab, var(--metal) 55%, black)"
        />
      </Tap>
      <Tap id="sprue" name="Where the sprue joined">
        <path d="M204 56l18-12 60-32 8 16-58 30-16 16q-14-2-12-18z" fill="var(--metal)" />
      </Tap>
      <Tap id="inside" name="Inside">
        <path d="M336 92q0-52 66-52t66 52-66 56-66-56z" fill="color-mix(in oklab, var(--metal) 45%, black)" />
        <path d="M364 92q2-28 38-28t38 28-38 30-38-30z" fill="color-mix(in oklab, var(--metal) 30%, black)" />
      </Tap>
      <text x="402" y="172" textAnchor="middle" fontSize="13" fill={ink}>
        from inside
      </text>
    </>
  )
}

const shapes: Readonly<Partial<Record<Drawing, () => ReactNode>>> = {
  partial: PartialInWax,
  casting: Casting,
  upperFitting: UpperFitting,
  lowerFitting: LowerFitting,
  partialFitting: PartialFitting,
  gumMargins: GumMargins,
}

function PartialInWax() {
  const tooth = (x: number, w: number) => `M${x} 92q0-30 ${w / 2}-30t${w / 2} 30-${w / 2} 30-${w / 2}-30z`
  return (
    <>
      <path d="M20 92q230-70 480 0v34q-240-58-480 0z" fill="var(--stone)" stroke={ink} strokeWidth="1.2" />
      <path d={tooth(52, 66)} fill="var(--plaster)" stroke={ink} strokeWidth="1.4" />
      <path d={tooth(398, 78)} fill="var(--plaster)" stroke={ink} strokeWidth="1.4" />
      <Tap id="border" name="Border">
        <path d="M128 30q130-26 258 4l-4 20q-126-26-250-6z" fill="var(--wax)" />
      </Tap>
      <Tap id="outline" name="Drawn outline">
        <path
          d="M130 50q126-20 254 4l6 92q-40 30-132 30t-132-34z"
          fill="color-mix(in oklab, var(--wax) 85%, white)"
        />
      </Tap>
      <Tap id="teeth" name="Tooth faces">
        <path d={tooth(146, 108)} fill="var(--tooth)" />
        <path d={tooth(262, 112)} fill="var(--tooth)" />
      </Tap>
      <Tap id="chewing" name="Chewing faces">
        <path d="M168 92q32-16 64 0-32 18-64 0zM286 92q32-16 64 0-32 18-64 0z" fill="var(--tooth)" />
      </Tap>
      <Tap id="clasp-arm" name="Flexing clasp arm">
        <path
          d="M128 66q-40-22-70 2-14 12-12 28l7-2q0-14 10-20 28-18 60 0zM388 66q50-24 82 4 14 14 12 30l-8-2q-2-14-12-22-30-20-70-2z"
          fill="var(--metal)"
        />
      </Tap>
    </>
  )
}
