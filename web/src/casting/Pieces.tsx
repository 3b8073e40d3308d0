import { type AlloyPiece, isNew, meanMelts } from '@yentrik/core'

/** The pieces of an alloy as they lie in the drawer, to size: those that are taken, those that were melted before. */
export function Pieces({
  pieces,
  taken,
  lotNumber,
  onToggle,
}: {
  readonly pieces: readonly AlloyPiece[]
  readonly taken: readonly string[]
  readonly lotNumber: (lotId: string) => string
  readonly onToggle: (id: string) => void
}) {
  return (
    <ul className="flex flex-wrap items-end gap-2" aria-label="Pieces on the shelf">
      {pieces.map(({ id, grams, lots, history }) => {
        const isTaken = taken.includes(id)
        const returned = !isNew(history)
        const size = `${2.9 + Math.cbrt(grams)}rem`
        return (
          <li key={id} className="grid justify-items-center gap-0.5">
            <button
              type="button"
              aria-pressed={isTaken}
              aria-label={`${grams} g${returned ? ', returned' : ''}`}
              className={`figures relative grid cursor-pointer place-items-center rounded-full font-semibold ${isTaken ? 'bg-primary text-primary-content' : 'border-base-content/40 border-2 border-dashed'} ${returned && !isTaken ? 'hatched' : ''}`}
              style={{ width: size, height: size }}
              onClick={() => onToggle(id)}
            >
              {Number(grams.toFixed(2))}
            </button>
            <span className="text-xs opacity-80">
              {returned
                ? `returned, ×${meanMelts(history).toFixed(meanMelts(history) % 1 ? 1 : 0)}`
                : lots.map(({ lotId }) => lotNumber(lotId)).join(', ') || 'typed'}
            </span>
          </li>
        )
      })}
    </ul>
  )
}
