import {
  type AlloyPiece,
  alloyGrams,
  type Charge,
  chargeOf,
  choosePieces,
  isNew,
  lastSheetOf,
  meanMelts,
  newMetal,
  nextCharge,
  POLYMER_GRAMS_PER_CM3,
  parseTypedNumber,
  qty,
  saying,
  sheetsWanted,
  USUAL_BUTTON_GRAMS,
  USUAL_WAX_GRAMS_PER_CM3,
} from '@yentrik/core'
import { useState } from 'react'
import { grams } from '../format/format.ts'
import { useAnswer } from '../live/queries.ts'
import { attempt } from '../parts/attempt.ts'
import { FigureFields } from '../parts/FigureFields.tsx'
import { Message } from '../parts/Message.tsx'
import { TextField } from '../parts/TextField.tsx'
import { readAll, type Typed, unitsOf } from '../parts/typed-figures.ts'
import { Said } from '../preferences/words.tsx'
import { type ForCase, IntoRecord } from '../record/IntoRecord.tsx'
import { useShelf } from '../record/shelf.ts'
import { type AlloyChoice, inText } from './casting-cards.ts'
import { Pieces } from './Pieces.tsx'
import { WeighIn } from './WeighIn.tsx'

const specs = [
  { key: 'pattern', label: 'Patterns with sprues', unit: 'g', hint: 'all that is cast in one' },
  { key: 'wax', label: 'Density of the wax', unit: 'g/cm³', hint: 'usually 0.95' },
  {
    key: 'resin',
    label: 'Of it pattern resin',
    unit: 'g',
    hint: `${POLYMER_GRAMS_PER_CM3} g/cm³; else empty`,
  },
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
  forCase,
}: {
  readonly alloy: AlloyChoice
  readonly typed: Typed
  readonly onTyped: (typed: Typed) => void
  readonly forCase?: ForCase
}) {
  const { data: shelf = [] } = useAnswer('GET /alloy-pieces')
  const { lotNumber } = useShelf()
  const [chosen, setChosen] = useState<readonly string[]>()
  const entered = { ...typed, density: typed.density ?? String(alloy.gramsPerCm3) }
  const { values, faults } = readAll(entered, keys, unitsOf(specs))
  const resin = readAll(typed, ['resin'], unitsOf(specs)).values?.resin ?? 0
  const { answer: need, refusal } = values
    ? attempt(() => alloyGrams(partsOf(values.pattern, resin, values.wax), values.density, values.button))
    : {}
  const own = shelf
    // Two products are two alloys, and never go into one crucible.
    .filter(
      (piece) =>
        piece.materialId === alloy.materialId && piece.productId === (alloy.product ? alloy.id : null),
    )
    .map(
      ({ pieceId, grams: weight, lots, history }): AlloyPiece => ({
        id: pieceId,
        grams: weight,
        lots,
        history,
      }),
    )
  // What this case has taken already can still be laid back, and is shown as taken.
  const recorded = forCase && lastSheetOf(forCase.job, 'charge')?.pieces
  const { stock: typedPieces, wrong } = readPieces(typed.pieces ?? '')
  const mine = (recorded ?? []).filter(({ id }) => !own.some((piece) => piece.id === id))
  const [wanted] = forCase ? sheetsWanted(forCase.job, 'charge') : []
  const mostRemelt = wanted?.sheet.mostRemeltPercent
  // What the rule of the job keeps out is not proposed.
  const stock = [...mine, ...own, ...typedPieces].filter((piece) => mostRemelt !== 0 || isNew(piece.history))
  const proposed = need !== undefined && stock.length > 0 ? attempt(() => choosePieces(need, stock)) : {}
  const all = [...mine, ...own, ...typedPieces.filter(({ id }) => !mine.some((piece) => piece.id === id))]
  const proposal = proposed.answer?.choice?.pieces.map(({ id }) => id)
  const ids = chosen ?? recorded?.map(({ id }) => id) ?? proposal ?? []
  const taken = all.filter(({ id }) => ids.includes(id))
  const charge = taken.length > 0 ? chargeOf(taken) : undefined
  const toggle = (id: string) =>
    setChosen(ids.includes(id) ? ids.filter((each) => each !== id) : [...ids, id])
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section className="card-flat grid content-start gap-3 p-4" aria-label="Alloy">
        {need !== undefined ? (
          <>
            <p className="text-lg">
              <output className="figures text-6xl leading-none font-bold" aria-label="Alloy to melt">
                {grams(need)}
              </output>{' '}
              of {inText(alloy)}, cast at{' '}
              <Said
                words={saying`${qty.celsius(alloy.castingCelsius[0])} to ${qty.celsius(alloy.castingCelsius[1])}`}
              />
            </p>
            <p>
              {grams(need - (values?.button ?? 0))} fill the mould, {grams(values?.button ?? 0)} are the
              button. Taken as the volume of the wax; shrinkage not counted.
            </p>
          </>
        ) : (
          <p className="text-lg">
            <Said words={refusal ?? 'Weigh the patterns with their sprues.'} />
          </p>
        )}
        {all.length > 0 && <Pieces pieces={all} taken={ids} lotNumber={lotNumber} onToggle={toggle} />}
        {charge && <ChargeWords charge={charge} need={need} mostRemelt={mostRemelt} lotNumber={lotNumber} />}
        {proposal && !same(proposal, ids) && (
          <button type="button" className="small-act justify-self-start" onClick={() => setChosen(proposal)}>
            Least left over
          </button>
        )}
        {proposed.refusal && <Message tone="error" words={proposed.refusal} />}
        {!chosen && !recorded && proposed.answer?.shortGrams !== undefined && (
          <Message tone="warning">{`${proposed.answer.shortGrams.toFixed(2)} g are missing.`}</Message>
        )}
        {forCase && wanted && (
          <IntoRecord
            forCase={forCase}
            step={wanted.step}
            figures={
              charge
                ? [
                    {
                      step: wanted.step,
                      sheetId: wanted.sheet.id,
                      sheet: {
                        kind: 'charge',
                        alloyId: alloy.materialId,
                        ...(alloy.product ? { product: alloy.product } : {}),
                        pieces: taken,
                        ...(need === undefined ? {} : { needGrams: Number(need.toFixed(2)) }),
                      },
                    },
                  ]
                : []
            }
            words={charge ? `${taken.length} pieces, ${charge.grams.toFixed(2)} g` : 'no piece yet'}
          />
        )}
        <div className="max-w-xl">
          <TextField
            label="Other pieces, g each"
            text={typed.pieces ?? ''}
            onText={(text) => onTyped({ ...typed, pieces: text })}
            hint="6.02, 5.97, 3.10: with commas"
            fault={wrong}
          />
        </div>
        <WeighIn alloy={alloy} />
        <Remelt typed={typed} onTyped={onTyped} alloy={alloy} />
      </section>
      <aside className="card-flat p-4" aria-label="Figures">
        <FigureFields specs={specs} typed={entered} faults={faults} onTyped={onTyped} />
        {alloy.hazards.map((hazard) => (
          <Message key={hazard} tone="warning">
            {`${hazard} Extraction and mask.`}
          </Message>
        ))}
        <p className="mt-2 text-sm opacity-80">Source: {alloy.source}. The sheet of the alloy wins.</p>
      </aside>
    </div>
  )
}

/** The wax and, where some of it is pattern resin, the resin by its own density. */
function partsOf(pattern: number, resin: number, wax: number) {
  if (!(resin > 0 && resin < pattern)) return [{ grams: pattern, gramsPerCm3: wax }]
  return [
    { grams: pattern - resin, gramsPerCm3: wax },
    { grams: resin, gramsPerCm3: POLYMER_GRAMS_PER_CM3 },
  ]
}

function ChargeWords({
  charge,
  need,
  mostRemelt,
  lotNumber,
}: {
  charge: Charge
  need: number | undefined
  mostRemelt: number | undefined
  lotNumber: (lotId: string) => string
}) {
  const percent = 100 * charge.remeltShare
  const lots = charge.lots.map(({ lotId }) => lotNumber(lotId)).join(', ')
  const tooMuch = mostRemelt !== undefined && percent > mostRemelt + 1e-6
  return (
    <div role="status" aria-label="Pieces to take">
      <p className="text-lg">
        Take <b className="figures">{charge.grams.toFixed(2)} g</b>
        {need !== undefined && charge.grams >= need && `, ${(charge.grams - need).toFixed(2)} g over`}
        {`, ${Math.round(percent)} % returned${lots ? `, lot ${lots}` : ''}.`}
      </p>
      {need !== undefined && charge.grams < need - 0.005 && (
        <Message tone="error">{`${(need - charge.grams).toFixed(2)} g too little.`}</Message>
      )}
      {tooMuch && (
        <Message tone="error">
          {mostRemelt === 0
            ? 'This job takes new metal only: leave the returned pieces out.'
            : `At most ${mostRemelt} % of it may be returned.`}
        </Message>
      )}
    </div>
  )
}

const same = (a: readonly string[], b: readonly string[]) =>
  a.length === b.length && a.every((id) => b.includes(id))

const CHARGES = 4

function Remelt({
  typed,
  onTyped,
  alloy,
}: {
  typed: Typed
  onTyped: (typed: Typed) => void
  alloy: AlloyChoice
}) {
  const { values, faults } = readAll(typed, ['share'], { share: '%' })
  const { answer, refusal } = values
    ? attempt(() => {
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
      {refusal && <Message tone="error" words={refusal} />}
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
    return parsed.ok && parsed.value > 0
      ? [{ id: `typed ${index + 1}`, grams: parsed.value, lots: [], history: newMetal }]
      : []
  })
  return stock.length === words.length
    ? { stock }
    : { stock: [], wrong: 'Write grams with a point, pieces with a comma between them.' }
}
