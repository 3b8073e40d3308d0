import { type RecoveredArch, type StonePieces, saying } from '@yentrik/core'
import type { Attempt } from '../parts/attempt.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { Said, useMillimetres } from '../preferences/words.tsx'

/** How the stone of a denture is cut, and how each piece comes out. */
export function RecoveryPanel({
  pieces,
  arch,
  canine,
  end,
  onCanine,
  onEnd,
}: {
  readonly pieces: Attempt<StonePieces> | undefined
  readonly arch: RecoveredArch
  readonly canine: string
  readonly end: string
  readonly onCanine: (text: string) => void
  readonly onEnd: (text: string) => void
}) {
  const mm = useMillimetres(1)
  const found = pieces?.answer
  return (
    <>
      <section className="card-flat grid content-start gap-3 p-4" aria-label="How deep to saw">
        <h2 className="font-bold">
          {arch === 'upper' ? 'Over the vault' : 'Beside the tongue'}, saw at most
        </h2>
        <p className="figures text-6xl font-bold">{found ? mm(found.middleSawMillimetres) : '…'}</p>
        {pieces?.refusal && <Message tone="error" words={pieces.refusal} />}
        {found && (
          <ul className="figures grid gap-1">
            {found.cuts.map(({ at, degrees, sawMillimetres }) => (
              <li key={degrees} className="border-base-300 flex justify-between border-t py-1">
                <span>
                  {degrees === 0
                    ? 'Midline'
                    : `${degrees > 0 === (arch === 'upper') ? 'Left' : 'Right'} ${at}`}
                </span>
                <strong>{sawMillimetres > 0 ? mm(sawMillimetres) : 'too thin: chisel'}</strong>
              </li>
            ))}
          </ul>
        )}
        <div className="grid grid-cols-2 gap-3">
          <NumberField
            label="Canine cuts"
            unit="°"
            text={canine}
            onText={onCanine}
            fault={readNumber(canine, '°').fault}
            hint="from the front"
          />
          <NumberField
            label="End cuts"
            unit="°"
            text={end}
            onText={onEnd}
            fault={readNumber(end, '°').fault}
            hint="from the front"
          />
        </div>
      </section>
      <section className="card-flat grid content-start gap-3 p-4 lg:col-span-2" aria-label="Pieces">
        <h2 className="font-bold">How each piece comes out</h2>
        {found && <PiecesDrawing found={found} />}
        <ul className="grid gap-2">
          {found?.pieces.map(({ name, say, out }) => (
            <li key={name}>
              <Message tone={out.whole ? 'good' : 'warning'} words={say} />
            </li>
          ))}
        </ul>
        <p className="text-sm opacity-80">
          Order by common practice. A denture that gives, and wax, are not in it: wedge stone against stone,
          any bar on resin bends it.
        </p>
        {found?.pieces.every(({ out }) => out.whole) && (
          <p className="font-semibold">
            <Said words={`All ${found.pieces.length} pieces come free.`} />
          </p>
        )}
      </section>
    </>
  )
}

/** From above, front up: the cuts, an arrow for each piece, red hatch where no lever bears. */
function PiecesDrawing({ found }: { readonly found: StonePieces }) {
  const on = (degrees: number, radius: number) => {
    const turn = (degrees * Math.PI) / 180
    return [130 + radius * Math.sin(turn), 96 - radius * Math.cos(turn)] as const
  }
  const arc = (from: number, to: number, radius: number) => {
    const steps = Array.from({ length: 13 }, (_, n) => on(from + ((to - from) * n) / 12, radius))
    return steps.map(([x, y], n) => `${n === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('')
  }
  return (
    <svg
      viewBox="-30 -22 320 215"
      className="max-h-72 w-full"
      role="img"
      aria-label="The pieces from above, front up"
    >
      <defs>
        <pattern id="never" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0v5" stroke="var(--color-error)" strokeWidth="2.4" />
        </pattern>
        <marker id="out" viewBox="0 0 6 6" refX="3" refY="3" markerWidth="4" markerHeight="4" orient="auto">
          <path d="M0 0L6 3L0 6Z" fill="var(--color-primary)" />
        </marker>
      </defs>
      {found.pieces.map(({ name, fromDegrees, toDegrees, neverPry, out }) => {
        const [from, to] = [Math.max(-150, fromDegrees), Math.min(150, toDegrees)]
        const middle = (from + to) / 2
        const [x0, y0] = on(middle, 66)
        const [wx, wy] = out.way
        return (
          <g key={name}>
            <path d={arc(from + 1, to - 1, 70)} stroke="var(--stone)" strokeWidth="26" fill="none" />
            {neverPry && (
              <path d={arc(from + 2, to - 2, 85)} stroke="url(#never)" strokeWidth="8" fill="none" />
            )}
            <path
              d={`M${x0} ${y0}l${(wx * 60).toFixed(1)} ${(-wy * 60).toFixed(1)}`}
              stroke="var(--color-primary)"
              strokeWidth="3"
              markerEnd="url(#out)"
            />
            <text
              x={on(middle, 44)[0]}
              y={on(middle, 44)[1]}
              fontSize="9"
              textAnchor="middle"
              fill="currentColor"
            >
              {name}
            </text>
          </g>
        )
      })}
      {found.cuts.map(({ degrees, sawMillimetres }) => {
        const [x0, y0] = on(degrees, 54)
        const [x1, y1] = on(degrees, 92)
        return (
          <path
            key={degrees}
            d={`M${x0} ${y0}L${x1} ${y1}`}
            stroke="var(--color-base-content)"
            strokeWidth={sawMillimetres > 0 ? 2.4 : 1}
            strokeDasharray={sawMillimetres > 0 ? undefined : '2 2'}
          />
        )
      })}
      <text x="130" y="100" fontSize="10" textAnchor="middle" fill="currentColor">
        middle first
      </text>
    </svg>
  )
}

/** How many pieces come whole, and where no lever bears. */
export function RecoveryHead({ pieces }: { readonly pieces: StonePieces | undefined }) {
  const locked = pieces?.pieces.filter(({ out }) => !out.whole) ?? []
  const never = pieces?.pieces.filter(({ neverPry }) => neverPry) ?? []
  if (!pieces) return <p role="status">Looking how the pieces come out</p>
  return (
    <div className="grid gap-3">
      <p className="figures text-6xl font-bold">
        {pieces.pieces.length - locked.length} of {pieces.pieces.length}
      </p>
      <p className="text-xl font-bold">pieces come whole</p>
      {locked.map(({ name }) => (
        <Message key={name} tone="warning">{`${name} stays locked: split it.`}</Message>
      ))}
      {never.length > 0 && (
        <Message tone="warning">
          {`Never pry at ${never.map(({ name }) => name.toLowerCase()).join(', ')}: stone holds the outer flange.`}
        </Message>
      )}
      <Said words={saying`Middle first, then each piece inwards and down.`} />
    </div>
  )
}
