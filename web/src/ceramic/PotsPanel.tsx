import {
  areNear,
  type CeramicClass,
  calibratePot,
  ceramicClasses,
  ceramicFigures,
  type Lab,
  type LabProduct,
  meanReading,
  offeredFactor,
  type Specular,
  stainedColour,
} from '@yentrik/core'
import { midnightOf, shortDate } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { freshen } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { attempt } from '../parts/attempt.ts'
import { Pills, SelectField } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { TextField } from '../parts/TextField.tsx'
import { useShelf } from '../record/shelf.ts'
import { ColourHead, ColourRow } from './ColourRow.tsx'
import { type ColourText, colourText, isCalibrated, noColour, readColour } from './plan-draft.ts'
import { Swatches } from './Swatches.tsx'
import { SpectrophotometerBar, useSpectrophotometer } from './spectrophotometer.tsx'

/** The four chips of a calibration, in the order of the hands. */
const chips = [
  ['lightGlazed', 'Light, glazed', 'a light block, L* about 90, glazed alone'],
  ['lightStained', 'Light, stained', 'the same block with the coats, fired and glazed'],
  ['darkGlazed', 'Dark, glazed', 'a dark block, L* about 62, glazed alone'],
  ['darkStained', 'Dark, stained', 'the same block with the coats'],
] as const
type Chip = (typeof chips)[number][0]

interface PotDraft {
  readonly productId: string
  readonly name: string
  readonly lot: string
  readonly coats: string
  readonly onCeramic: CeramicClass
  readonly specular: Specular
  readonly chips: Readonly<Record<Chip, ColourText>>
}
const start: PotDraft = {
  productId: '',
  name: '',
  lot: '',
  coats: '2',
  onCeramic: 'disilicate',
  specular: 'excluded',
  chips: { lightGlazed: noColour, lightStained: noColour, darkGlazed: noColour, darkStained: noColour },
}

/** The pots of the lab, and a pot that is calibrated by two drawdowns, step by step. */
export function PotsPanel() {
  const now = useNow()
  const shelf = useShelf()
  const stains = shelf.products
    .map(({ product }) => product)
    .filter(({ materialId }) => materialId === 'ceramic-stain')
  const [draft, keep, , begin] = useDraft<PotDraft>('fire pot', () => start)
  const heard = useSpectrophotometer()
  const { refusal, refuse, run } = useRequest()
  const known = stains.find(({ productId }) => productId === draft.productId)
  const lots = shelf.usable('ceramic-stain').filter(({ productId }) => productId === draft.productId)
  const colours = Object.fromEntries(chips.map(([chip]) => [chip, readColour(draft.chips[chip])])) as Record<
    Chip,
    ReturnType<typeof readColour>
  >
  const coats = readNumber(draft.coats, '').value
  const { lightGlazed, lightStained, darkGlazed, darkStained } = colours
  const found =
    lightGlazed && lightStained && darkGlazed && darkStained && coats !== undefined
      ? attempt(() =>
          calibratePot(
            [
              { glazed: lightGlazed, stained: lightStained },
              { glazed: darkGlazed, stained: darkStained },
            ],
            coats,
            draft.specular,
          ),
        )
      : undefined
  const next = chips.find(([chip]) => !colours[chip])
  /** Three readings of a chip, of which none lies apart. */
  const read = async (chip: Chip) => {
    refuse(undefined)
    const readings: Lab[] = []
    for (let n = 0; n < 3; n++) {
      const one = await heard.read()
      if (!one) return
      readings.push(one.colour)
    }
    const mean = attempt(() => meanReading(readings))
    if (mean.answer)
      keep((before) => ({ ...before, chips: { ...before.chips, [chip]: colourText(mean.answer!) } }))
    else refuse(mean.refusal)
  }
  const store = () => {
    if (!found?.answer) return refuse(found?.refusal ?? 'Read all four chips first.')
    const name = (known?.name ?? draft.name).trim()
    const lot = draft.lot.trim() || lots[0]?.number || ''
    if (name === '') return refuse('Give the pot the name that the lab calls it by.')
    if (lot === '') return refuse('Enter the lot that is in the pot.')
    const three = (of: 'absorption' | 'scattering') =>
      found.answer!.map((each) => Number(each[of].toPrecision(5))) as unknown as readonly [
        number,
        number,
        number,
      ]
    const body = {
      ...(known ? withoutId(known) : { materialId: 'ceramic-stain', name, source: 'drawdowns here' }),
      stain: {
        absorption: three('absorption'),
        scattering: three('scattering'),
        onCeramic: draft.onCeramic,
        lot,
        calibratedOn: new Date(now).toISOString().slice(0, 10),
        specular: draft.specular,
      },
    }
    return run(async () => {
      if (known) await request('PUT /products/:productId', { path: { productId: known.productId }, body })
      else await request('POST /products', { body })
      await freshen('GET /products')
      begin()
    })
  }
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section className="card-flat grid content-start gap-4 p-4" aria-label="Calibrate a pot">
        <h2 className="text-xl font-semibold">Calibrate a pot by two drawdowns</h2>
        <p>
          Chips of a light and of a dark block: one of each only glazed, one of each with the coats of the
          pot, fired and glazed as always. Same instrument, opening and backing; as thick as the wall.
        </p>
        <div className="grid gap-x-4 gap-y-2 sm:grid-cols-3">
          <SelectField
            label="Pot"
            options={[['', 'A new pot'], ...stains.map(({ productId, name }) => [productId, name] as const)]}
            value={draft.productId}
            onChoose={(productId) => keep((before) => ({ ...before, productId, lot: '' }))}
          />
          {!known && (
            <TextField
              label="Its name"
              text={draft.name}
              onText={(name) => keep((before) => ({ ...before, name }))}
            />
          )}
          <TextField
            label="Lot in the pot"
            text={draft.lot}
            onText={(lot) => keep((before) => ({ ...before, lot }))}
            suggestions={lots.map(({ number }) => number)}
            hint={lots[0] ? `in use: ${lots.map(({ number }) => number).join(', ')}` : undefined}
          />
          <NumberField
            label="Coats on the chips"
            unit=""
            text={draft.coats}
            onText={(text) => keep((before) => ({ ...before, coats: text }))}
            hint="two: half the error of one"
          />
          <SelectField<CeramicClass>
            label="Chips are of"
            options={ceramicClasses
              .filter((each) => ceramicFigures[each].fires)
              .map((each) => [each, ceramicFigures[each].name] as const)}
            value={draft.onCeramic}
            onChoose={(onCeramic) => keep((before) => ({ ...before, onCeramic }))}
          />
          <Pills
            label="Readings have the gloss"
            options={[
              ['excluded', 'Excluded'],
              ['included', 'Included'],
            ]}
            value={draft.specular}
            onChoose={(specular) => keep((before) => ({ ...before, specular }))}
          />
        </div>
        <ol className="grid gap-3">
          <li className="px-3" aria-hidden>
            <ColourHead />
          </li>
          {chips.map(([chip, name, how], n) => (
            <li
              key={chip}
              className={`rounded-xl border p-3 ${next?.[0] === chip ? 'border-primary border-2' : 'border-base-300'}`}
              aria-current={next?.[0] === chip ? 'step' : undefined}
            >
              <p className="mb-1 text-sm">
                {`${n + 1}. `}
                {how}
              </p>
              <ColourRow
                label={name.split(', ')[1] === 'glazed' ? 'Glazed' : 'Stained'}
                colour={draft.chips[chip]}
                onColour={(colour) =>
                  keep((before) => ({ ...before, chips: { ...before.chips, [chip]: colour } }))
                }
                onRead={heard.there ? () => void read(chip) : undefined}
              />
            </li>
          ))}
        </ol>
        <SpectrophotometerBar
          heard={heard}
          specular={draft.specular}
          under={[
            ['The light chip, glazed', { L: 88, a: 0.5, b: 8 }],
            ['The light chip, stained', { L: 79.35, a: 7.79, b: 14.57 }],
            ['The dark chip, glazed', { L: 62, a: 6, b: 20 }],
            ['The dark chip, stained', { L: 57.7, a: 10.17, b: 22.17 }],
          ]}
        />
        {found?.refusal && <Message tone="error" words={found.refusal} />}
        {lightGlazed && darkGlazed && areNear(lightGlazed, darkGlazed) && found?.answer && (
          <Message tone="warning">
            The two blocks are near each other: take L* 90 and L* 62, and the pot is known twice as well.
          </Message>
        )}
        {found?.answer && (
          <section aria-label="What the pot does">
            <table className="figures w-full max-w-lg text-left">
              <thead>
                <tr>
                  <th>one coat</th>
                  <th>red end</th>
                  <th>middle</th>
                  <th>blue end</th>
                </tr>
              </thead>
              <tbody>
                {(['absorption', 'scattering'] as const).map((of) => (
                  <tr key={of}>
                    <th className="font-semibold">{of === 'absorption' ? 'takes away' : 'scatters'}</th>
                    {found.answer!.map((band, n) => (
                      <td key={n}>{band[of].toFixed(4)}</td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
            {found.answer.some(({ edge }) => edge) && (
              <Message tone="warning">
                In one band the readings fit no film: the nearest simple one was taken. Read the chips again
                if you can.
              </Message>
            )}
          </section>
        )}
        {refusal && <Message tone="error" words={refusal} />}
        <button
          type="button"
          className="act-main justify-self-start"
          disabled={!found?.answer}
          onClick={() => void store()}
        >
          Keep this pot
        </button>
      </section>
      <aside className="card-flat grid content-start gap-3 p-4" aria-label="Pots of the lab">
        <h2 className="text-xl font-semibold">Pots of the lab</h2>
        {stains.length === 0 && <p>None yet. Calibrate the first on the left.</p>}
        <ul className="grid gap-3">
          {stains.map((product) => (
            <Pot key={product.productId} product={product} />
          ))}
        </ul>
      </aside>
    </div>
  )
}

const withoutId = ({ productId: _id, ...rest }: LabProduct) => rest
const block = { L: 84, a: 1, b: 13 }

/** A pot with one coat of it on a light block; and what its fired cases say. */
function Pot({ product }: { readonly product: LabProduct }) {
  const { refusal, run } = useRequest()
  if (!isCalibrated(product))
    return (
      <li>
        <b>{product.name}</b> <span className="text-sm opacity-80">not calibrated</span>
      </li>
    )
  const { stain } = product
  const offered = offeredFactor(stain.fired ?? [])
  const coat = stainedColour(block, [{ pot: { name: product.name, ...stain }, coats: 1 }])
  const take = (factor: number) =>
    run(async () => {
      const { productId, ...rest } = product
      await request('PUT /products/:productId', {
        path: { productId },
        body: { ...rest, stain: { ...stain, factor: Number(factor.toFixed(3)) } },
      })
      await freshen('GET /products')
    })
  return (
    <li className="grid grid-cols-[5.5rem_minmax(0,1fr)] gap-x-3">
      <div className="self-start rounded-lg bg-[#a6a6a6] p-1.5">
        <Swatches
          className="h-9"
          colours={[
            ['block 84, 1, 13', block],
            ['one coat on it', coat],
          ]}
        />
      </div>
      <div>
        <b>{product.name}</b>
        <span className="block text-sm opacity-80">
          lot {stain.lot}, {shortDate(midnightOf(stain.calibratedOn))} {stain.calibratedOn.slice(0, 4)}, on{' '}
          {ceramicFigures[stain.onCeramic].name}
          {stain.factor !== undefined && `, lies ${stain.factor} times as thick`}
        </span>
        {offered !== undefined && Math.abs(offered / (stain.factor ?? 1) - 1) > 0.03 && (
          <button type="button" className="small-act mt-1" onClick={() => void take(offered)}>
            {`Three cases: ${offered.toFixed(2)} times. Take it`}
          </button>
        )}
        {refusal && <Message tone="error" words={refusal} />}
      </div>
    </li>
  )
}
