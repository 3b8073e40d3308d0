import {
  type AlloyCard,
  type AlloyPiece,
  alloyGrams,
  choosePieces,
  meanMelts,
  newMetal,
  nextCharge,
  parseTypedNumber,
  USUAL_BUTTON_GRAMS,
  USUAL_WAX_GRAMS_PER_CM3,
} from '@yentrik/core'
import { grams } from '../format/format.ts'
import { TextField } from '../parts/TextField.tsx'
import { Told } from '../parts/Told.tsx'
import { FigureFields } from './Figures.tsx'
import { ask, readAll, type Typed } from './typed-figures.ts'

const specs = [
  { key: 'pattern', label: 'Patterns with sprues', unit: 'g', hint: 'all that is cast in one' },
  { key: 'wax', label: 'Density of the wax', unit: 'g/cm³', hint: 'usually 0.95' },
  { key: 'density', label: 'Density of the alloy', unit: 'g/cm³', hint: 'from its sheet' },
  { key: 'button', label: 'Button', unit: 'g' },
] as const
const keys = ['pattern', 'wax', 'density', 'button'] as const

export const metalStart: Typed = {
  pattern: '',
  wax: String(USUAL_WAX_GRAMS_PER_CM3),
  button: String(USUAL_BUTTON_GRAMS),
  pieces: '',
  share: '0',
}

/** How much alloy, from which pieces, and how often it has been melted. */
export function MetalPanel({
  alloy,
  typed,
  onTyped,
}: {
  readonly alloy: AlloyCard
  readonly typed: Typed
  readonly onTyped: (typed: Typed) => void
}) {
  const entered = { ...typed, density: typed.density ?? String(alloy.gramsPerCm3) }
  const { values, faults } = readAll(entered, keys)
  const { answer: need, refusal } = values
    ? ask(() =>
        alloyGrams([{ grams: values.pattern, gramsPerCm3: values.wax }], values.density, values.button),
      )
    : {}
  const { stock, wrong } = readPieces(typed.pieces ?? '')
  const pieces = need !== undefined && stock.length > 0 ? ask(() => choosePieces(need, stock)) : {}
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section className="card-flat grid content-start gap-3 p-4" aria-label="Alloy">
        {need !== undefined ? (
          <>
            <p className="text-lg">
              <output className="figures text-6xl leading-none font-bold" aria-label="Alloy to melt">
                {grams(need)}
              </output>{' '}
              of {alloy.name.toLowerCase()}
            </p>
            <p>
              {grams(need - (values?.button ?? 0))} fill the mould, {grams(values?.button ?? 0)} are the
              button. Taken as the volume of the wax; shrinkage not counted.
            </p>
          </>
        ) : (
          <p className="text-lg">{refusal ?? 'Weigh the patterns with their sprues.'}</p>
        )}
        <div className="max-w-xl">
          <TextField
            label="Pieces on the shelf, g each"
            text={typed.pieces ?? ''}
            onText={(text) => onTyped({ ...typed, pieces: text })}
            hint="6.02, 5.97, 3.10: with commas"
            fault={wrong}
          />
        </div>
        {pieces.refusal && <Told tone="error">{pieces.refusal}</Told>}
        {pieces.answer?.choice && (
          <div aria-label="Pieces to take" role="status">
            <div className="flex flex-wrap items-end gap-2">
              {stock.map((piece) => {
                const taken = pieces.answer!.choice!.pieces.includes(piece)
                return (
                  <span
                    key={piece.id}
                    className={`figures grid place-items-center rounded-full font-semibold ${taken ? 'bg-primary text-primary-content' : 'border-base-300 border-2 border-dashed opacity-70'}`}
                    style={{
                      width: `${3 + Math.cbrt(piece.grams)}rem`,
                      height: `${3 + Math.cbrt(piece.grams)}rem`,
                    }}
                  >
                    {piece.grams}
                  </span>
                )
              })}
            </div>
            <p className="mt-2 text-lg">
              Take {pieces.answer.choice.pieces.map((piece) => piece.grams).join(' + ')} ={' '}
              <b className="figures">{pieces.answer.choice.grams.toFixed(2)} g</b>
            </p>
          </div>
        )}
        {pieces.answer?.shortGrams !== undefined && (
          <Told tone="warning">{`${pieces.answer.shortGrams.toFixed(2)} g are missing.`}</Told>
        )}
        <Remelt typed={typed} onTyped={onTyped} alloy={alloy} />
      </section>
      <aside className="card-flat p-4" aria-label="Figures">
        <FigureFields specs={specs} typed={entered} faults={faults} onTyped={onTyped} />
        {alloy.hazards.map((hazard) => (
          <Told key={hazard} tone="warning">
            {`${hazard} Extraction and mask.`}
          </Told>
        ))}
        <p className="mt-2 text-sm opacity-80">Source: {alloy.source}. The sheet of the alloy wins.</p>
      </aside>
    </div>
  )
}

const CHARGES = 4

function Remelt({
  typed,
  onTyped,
  alloy,
}: {
  typed: Typed
  onTyped: (typed: Typed) => void
  alloy: AlloyCard
}) {
  const { values, faults } = readAll(typed, ['share'])
  const { answer, refusal } = values
    ? ask(() => {
        let history = newMetal
        for (let charge = 0; charge < CHARGES; charge++) history = nextCharge(history, values.share / 100)
        return history
      })
    : {}
  return (
    <details>
      <summary className="min-h-11 cursor-pointer text-lg font-semibold">Returned metal</summary>
      <p className="mb-2">{alloy.remelt}</p>
      <div className="max-w-md">
        <FigureFields
          specs={[{ key: 'share', label: 'From returns, each charge', unit: '%' }]}
          typed={typed}
          faults={faults}
          onTyped={onTyped}
        />
      </div>
      {refusal && <Told tone="error">{refusal}</Told>}
      {answer && (
        <p>
          After {CHARGES} charges:{' '}
          {answer.shares
            .map(
              (share, melts) =>
                `${(100 * share).toFixed(1)} % ${melts === 0 ? 'new' : `melted ${melts} ${melts === 1 ? 'time' : 'times'}`}`,
            )
            .join(', ')}
          ; on average {meanMelts(answer).toFixed(2)} melts before.
        </p>
      )}
    </details>
  )
}

function readPieces(text: string): { readonly stock: readonly AlloyPiece[]; readonly wrong?: string } {
  // A comma stands between pieces here, so the decimal sign is a point.
  const words = text.split(/[,;\s]+/).filter((word) => word !== '')
  const stock = words.flatMap((word, index): AlloyPiece[] => {
    const parsed = parseTypedNumber(word, 'g')
    return parsed.ok && parsed.value > 0 ? [{ id: String(index), grams: parsed.value, lot: '' }] : []
  })
  return stock.length === words.length
    ? { stock }
    : { stock: [], wrong: 'Write grams with a point, pieces with a comma between them.' }
}
