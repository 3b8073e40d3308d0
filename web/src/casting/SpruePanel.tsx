import {
  type Binder,
  checkArrangement,
  FEED_RATIO,
  feedCheck,
  gaugeAtLeast,
  gaugeMillimetres,
  type RingArrangement,
} from '@yentrik/core'
import { Pills } from '../parts/Choices.tsx'
import { Told } from '../parts/Told.tsx'
import { FigureFields } from './Figures.tsx'
import { RingDrawing } from './RingDrawing.tsx'
import { ask, readAll, type Typed } from './typed-figures.ts'

const specs = [
  { key: 'gauge', label: 'Sprue', unit: 'gauge', hint: '10-14 usual' },
  { key: 'section', label: 'Thickest part', unit: 'mm' },
  { key: 'diameter', label: 'Ring, inside', unit: 'mm', hint: 'diameter' },
  { key: 'height', label: 'Ring, high', unit: 'mm' },
  { key: 'former', label: 'Former, high', unit: 'mm' },
  { key: 'sprue', label: 'Sprue, long', unit: 'mm' },
  { key: 'pattern', label: 'Pattern, high', unit: 'mm' },
  { key: 'reach', label: 'Pattern, reaches out', unit: 'mm', hint: 'from the middle' },
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
}

/** Whether the sprue feeds, and whether the pattern stands where it should in its ring. */
export function SpruePanel({
  binder,
  onBinder,
  typed,
  onTyped,
}: {
  readonly binder: Binder
  readonly onBinder: (binder: Binder) => void
  readonly typed: Typed
  readonly onTyped: (typed: Typed) => void
}) {
  const { values, faults } = readAll(typed, keys)
  const at: RingArrangement | undefined = values && {
    binder,
    ringRadiusMillimetres: values.diameter / 2,
    ringHeightMillimetres: values.height,
    formerMillimetres: values.former,
    sprueLengthMillimetres: values.sprue,
    patternHeightMillimetres: values.pattern,
    patternReachMillimetres: values.reach,
  }
  const { answer, refusal } =
    values && at
      ? ask(() => {
          const wire = gaugeMillimetres(values.gauge)
          return { wire, feed: feedCheck(wire, values.section), lines: checkArrangement(at) }
        })
      : {}
  const thicker = answer && ask(() => gaugeAtLeast(answer.feed.sprueMillimetres))
  const wrong = answer?.lines.filter(({ pass }) => !pass) ?? []
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section
        className="card-flat grid content-start gap-4 p-4 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]"
        aria-label="Ring"
      >
        {answer && at ? (
          <>
            <RingDrawing at={at} wireMillimetres={answer.wire} lines={answer.lines} />
            <div className="grid content-start gap-3">
              {answer.feed.feeds && wrong.length === 0 ? (
                <p className="text-success text-4xl font-bold">Stands right</p>
              ) : (
                <ul className="grid gap-2">
                  {wrong.map((line) => (
                    <li key={line.id} className="text-error text-2xl leading-tight font-bold">
                      {line.say}
                    </li>
                  ))}
                </ul>
              )}
              {answer.feed.feeds ? (
                <Told tone="good">{`The sprue freezes after its part: modulus ${answer.feed.ratio.toFixed(2)} times.`}</Told>
              ) : (
                <div>
                  <p className="text-error text-3xl leading-tight font-bold">The sprue freezes first</p>
                  <p className="text-lg">
                    {`Its modulus is ${answer.feed.ratio.toFixed(2)} of the part, ${FEED_RATIO} wanted. A ball of ${answer.feed.reservoirMillimetres.toFixed(1)} mm within 1.5 mm of the pattern, or ${thicker?.answer === undefined ? 'two sprues' : `a sprue of ${answer.feed.sprueMillimetres.toFixed(1)} mm, gauge ${thicker.answer}`}.`}
                  </p>
                </div>
              )}
              <table className="figures w-full text-left">
                <tbody>
                  {answer.lines.map((line) => (
                    <tr key={line.id} className="border-base-300 border-t">
                      <td className="py-1">{line.name}</td>
                      <td>{line.foundMillimetres.toFixed(1)} mm</td>
                      <td className="opacity-80">
                        {line.mostMillimetres === undefined
                          ? `at least ${line.leastMillimetres}`
                          : `${line.leastMillimetres} to ${line.mostMillimetres}`}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <p className="text-sm opacity-80">
                Thickest part, flared, at about 45°, never at a flat wall or a margin (common practice).
                Modulus after Chvorinov 1940, recalled: the mould is taken equally hot all round. Gauge: ASTM
                B258.
              </p>
            </div>
          </>
        ) : (
          <Told tone="error">{refusal ?? 'Enter every measure to see how it stands.'}</Told>
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
        <FigureFields specs={specs} typed={typed} faults={faults} onTyped={onTyped} />
      </aside>
    </div>
  )
}
