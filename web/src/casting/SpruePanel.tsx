import {
  arrangementIn,
  type Binder,
  checkArrangement,
  checksMeaning,
  FEED_RATIO,
  feedCheck,
  gaugeAtLeast,
  gaugeMillimetres,
  type PatternsToRing,
  qty,
  RESERVOIR_WITHIN_MILLIMETRES,
  type RingArrangement,
  type RingCard,
  ringFor,
  ringMix,
  saying,
  usualRings,
} from '@yentrik/core'
import { RingDrawing } from '../drawings/RingDrawing.tsx'
import { grams, millilitres } from '../format/format.ts'
import { attempt } from '../parts/attempt.ts'
import { Pills, SelectField } from '../parts/Choices.tsx'
import { FigureFields } from '../parts/FigureFields.tsx'
import { Message } from '../parts/Message.tsx'
import { readAll, type Typed, unitsOf } from '../parts/typed-figures.ts'
import { Said, useWords } from '../preferences/words.tsx'
import { useEquipment } from '../record/equipment.ts'
import { type ForCase, IntoRecord } from '../record/IntoRecord.tsx'

const specs = [
  { key: 'gauge', label: 'Sprue', unit: 'gauge', hint: '10-14 usual' },
  { key: 'section', label: 'Thickest part', unit: 'mm' },
  { key: 'pattern', label: 'Pattern, high', unit: 'mm' },
  { key: 'reach', label: 'Pattern, reaches out', unit: 'mm', hint: 'from its middle' },
  { key: 'patterns', label: 'Patterns in the ring', unit: '' },
  { key: 'sprue', label: 'Sprue, long', unit: 'mm' },
  { key: 'diameter', label: 'Ring, inside', unit: 'mm', hint: 'between the liner' },
  { key: 'height', label: 'Ring, high', unit: 'mm' },
  { key: 'former', label: 'Former, high', unit: 'mm' },
] as const
const keys = specs.map(({ key }) => key)
export const sprueStart: Typed = {
  gauge: '10',
  section: '1.5',
  diameter: '40',
  height: '50',
  former: '20',
  sprue: '16',
  pattern: '10.5',
  reach: '8',
  patterns: '1',
}

/** Whether the sprue feeds, which ring takes the patterns, and whether they stand where they should in it. */
export function SpruePanel({
  binder,
  onBinder,
  typed: entered,
  onTyped,
  forCase,
}: {
  readonly binder: Binder
  readonly onBinder: (binder: Binder) => void
  readonly typed: Typed
  readonly onTyped: (typed: Typed) => void
  readonly forCase?: ForCase
}) {
  const own = useEquipment('ring')
  const rings: readonly RingCard[] = own.length > 0 ? own : usualRings
  const typed = { ...sprueStart, ...entered }
  const say = useWords()
  const { values, faults } = readAll(typed, keys, unitsOf(specs))
  const wish: PatternsToRing | undefined = values && {
    binder,
    patterns: values.patterns,
    patternHeightMillimetres: values.pattern,
    patternReachMillimetres: values.reach,
  }
  const at: RingArrangement | undefined = values &&
    wish && {
      ...wish,
      ringRadiusMillimetres: values.diameter / 2,
      ringHeightMillimetres: values.height,
      formerMillimetres: values.former,
      sprueLengthMillimetres: values.sprue,
    }
  const { answer, refusal } =
    values && at && wish
      ? attempt(() => {
          const wire = gaugeMillimetres(values.gauge)
          return {
            wire,
            feed: feedCheck(wire, values.section),
            lines: checkArrangement(at),
            fits: ringFor(wish, rings),
          }
        })
      : {}
  const powder = at && attempt(() => ringMix(at)).answer
  const thicker = answer && attempt(() => gaugeAtLeast(answer.feed.sprueMillimetres))
  const wrong = answer?.lines.filter(({ pass }) => !pass) ?? []
  const [gauge] = forCase ? checksMeaning(forCase.job, 'sprueGauge') : []
  const powders = forCase ? checksMeaning(forCase.job, 'ringPowder') : []
  const clearances = forCase ? checksMeaning(forCase.job, 'endClearance') : []
  const take = (ring: RingCard) => {
    if (wish) onTyped({ ...typed, ...ringTexts(arrangementIn(ring, wish)) })
  }
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section
        className="card-flat grid content-start gap-4 p-4 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]"
        aria-label="Ring"
      >
        {answer && at && values ? (
          <>
            <RingDrawing at={at} wireMillimetres={answer.wire} lines={answer.lines} />
            <div className="grid content-start gap-3">
              {answer.feed.feeds && wrong.length === 0 ? (
                <p className="text-success text-4xl font-bold">Stands right</p>
              ) : (
                <ul className="grid gap-2">
                  {wrong.map((line) => (
                    <li key={line.id} className="text-error text-2xl leading-tight font-bold">
                      <Said words={line.say} />
                    </li>
                  ))}
                </ul>
              )}
              {answer.feed.feeds ? (
                <Message tone="good">{`The sprue freezes after its part: modulus ${answer.feed.ratio.toFixed(2)} times.`}</Message>
              ) : (
                <div>
                  <p className="text-error text-3xl leading-tight font-bold">The sprue freezes first</p>
                  <p className="text-lg">
                    <Said
                      words={saying`Its modulus is ${answer.feed.ratio.toFixed(2)} of the part, ${FEED_RATIO} wanted. A ball of ${qty.mm(answer.feed.reservoirMillimetres, 1)} within ${qty.mm(RESERVOIR_WITHIN_MILLIMETRES)} of the pattern, or ${thicker?.answer === undefined ? 'two sprues' : saying`a sprue of ${qty.mm(answer.feed.sprueMillimetres, 1)}, gauge ${thicker.answer}`}.`}
                    />
                  </p>
                </div>
              )}
              <table className="figures w-full text-left">
                <tbody>
                  {answer.lines.map((line) => (
                    <tr key={line.id} className="border-base-300 border-t">
                      <td className="py-1 pr-3">{line.name}</td>
                      <td className="pr-3 whitespace-nowrap">
                        <Said words={[qty.mm(line.foundMillimetres, 1)]} />
                      </td>
                      <td className="opacity-80">
                        <Said
                          words={
                            line.mostMillimetres === undefined
                              ? saying`at least ${qty.mm(line.leastMillimetres)}`
                              : saying`${qty.mm(line.leastMillimetres)} to ${qty.mm(line.mostMillimetres)}`
                          }
                        />
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <div className="flex flex-wrap items-center gap-3" role="status" aria-label="Ring that fits">
                {answer.fits ? (
                  <>
                    <p>
                      <Said
                        words={saying`Smallest that fits: ${answer.fits.card.name}, sprue ${qty.mm(answer.fits.arrangement.sprueLengthMillimetres, 1)}.`}
                      />
                    </p>
                    {!isTaken(answer.fits.card, typed) && (
                      <button type="button" className="small-act" onClick={() => take(answer.fits!.card)}>
                        Take it
                      </button>
                    )}
                  </>
                ) : (
                  <Message tone="warning">
                    No ring of the lab takes them with every clearance: fewer patterns, or a larger ring.
                  </Message>
                )}
              </div>
              {powder && (
                <p>
                  {`Fills with about ${grams(powder.grams)} of powder and ${millilitres(powder.millilitres)}; the former taken as a cone, patterns not counted.`}
                </p>
              )}
              {forCase && gauge && (
                <IntoRecord
                  forCase={forCase}
                  step={gauge.step}
                  figures={[
                    { step: gauge.step, checkId: gauge.check.id, value: values.gauge },
                    ...clearances.map(({ step, check }) => ({
                      step,
                      checkId: check.id,
                      value: Number((answer.lines[0]?.foundMillimetres ?? 0).toFixed(1)),
                    })),
                    ...powders.flatMap(({ step, check }) =>
                      powder ? [{ step, checkId: check.id, value: powder.grams }] : [],
                    ),
                  ]}
                  words={say(
                    saying`gauge ${values.gauge}, ${qty.mm(answer.lines[0]?.foundMillimetres ?? 0, 1)} to the end${powder && powders.length > 0 ? `, ${grams(powder.grams)} of powder` : ''}`,
                  )}
                />
              )}
              <p className="text-sm opacity-80">
                Thickest part, flared, at about 45°, never at a flat wall or a margin;{' '}
                <Said words={[qty.mm(6)]} /> to the wall and between patterns (common practice). Modulus after
                Chvorinov 1940, recalled: the mould is taken equally hot all round. Gauge: ASTM B258.
              </p>
            </div>
          </>
        ) : (
          <Message tone="error" words={refusal ?? 'Enter every measure to see how it stands.'} />
        )}
      </section>
      <aside className="card-flat grid content-start gap-2 p-4" aria-label="Figures">
        <Pills
          label="Investment"
          options={[
            ['gypsum', 'Gypsum-bonded'],
            ['phosphate', 'Phosphate-bonded'],
          ]}
          value={binder}
          onChoose={onBinder}
        />
        <SelectField
          label="Ring"
          options={[['', 'As typed below'], ...rings.map(({ name }) => [name, name] as const)]}
          value={rings.find((ring) => isTaken(ring, typed))?.name ?? ''}
          onChoose={(name) => {
            const ring = rings.find((each) => each.name === name)
            if (ring) take(ring)
          }}
        />
        <FigureFields specs={specs} typed={typed} faults={faults} onTyped={onTyped} />
      </aside>
    </div>
  )
}

/** A ring and the sprue that goes with it, as they are typed. */
function ringTexts(at: RingArrangement): Typed {
  return {
    diameter: String(2 * at.ringRadiusMillimetres),
    height: String(at.ringHeightMillimetres),
    former: String(at.formerMillimetres),
    sprue: String(Number(at.sprueLengthMillimetres.toFixed(1))),
  }
}

function isTaken(ring: RingCard, typed: Typed): boolean {
  return (
    typed.diameter === String(ring.innerDiameterMillimetres - 2 * ring.linerMillimetres) &&
    typed.height === String(ring.heightMillimetres) &&
    typed.former === String(ring.formerMillimetres)
  )
}
