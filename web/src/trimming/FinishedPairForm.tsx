import {
  type FinishedModel,
  type FinishedPair,
  joined,
  type PairEntry,
  type PairPlan,
  pairLines,
  qty,
  type Saying,
  saying,
  sideTouchUps,
  type TouchUp,
} from '@yentrik/core'
import { useState } from 'react'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberEntry } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { Said } from '../preferences/words.tsx'

type Arch = 'upper' | 'lower'
type Texts = Readonly<Record<string, string>>

/** Readings of one model: a pair for right and left, or a single one. */
const modelLines: readonly {
  key: keyof FinishedModel
  name: string
  unit: string
  both: boolean
  may?: true
  only?: Arch
}[] = [
  { key: 'backToMidlineDegrees', name: 'Back to midline', unit: '°', both: false },
  { key: 'backToBaseDegrees', name: 'Back to base', unit: '°', both: false },
  { key: 'sideDegrees', name: 'Side to back', unit: '°', both: true },
  { key: 'frontDegrees', name: 'Front to back', unit: '°', both: true, only: 'upper' },
  { key: 'heelMillimetres', name: 'Heel', unit: 'mm', both: true },
  { key: 'heelDegrees', name: 'Heel to back, inside', unit: '°', both: true },
  { key: 'canineCornerMillimetres', name: 'Midline to canine corner', unit: 'mm', both: true, may: true },
  { key: 'heelCornerMillimetres', name: 'Midline to heel corner', unit: 'mm', both: true, may: true },
]
const pairFields: readonly { key: keyof FinishedPair; name: string; unit: string; count: number }[] = [
  { key: 'totalHeightsMillimetres', name: 'Total height, at three places', unit: 'mm', count: 3 },
  { key: 'planeFromMiddleMillimetres', name: 'Occlusal plane from the middle', unit: 'mm', count: 1 },
  { key: 'basesTiltDegrees', name: 'Bases to each other', unit: '°', count: 1 },
  { key: 'upperBaseToPlaneDegrees', name: 'Upper base to occlusal plane', unit: '°', count: 1 },
  { key: 'backStepMillimetres', name: 'Step between the backs', unit: 'mm', count: 1 },
]

interface FinishedPairFormProps {
  readonly entry: PairEntry
  readonly plan: PairPlan
  readonly draftKey: string
  readonly refusal?: string
  /** None when it belongs to no case. */
  readonly onRecord?: (pair: FinishedPair) => Promise<boolean>
}

/** The finished pair, line by line against its plan; what fails, and which cut to touch by how much. */
export function FinishedPairForm({ entry, plan, draftKey, refusal, onRecord }: FinishedPairFormProps) {
  const [texts, keep, forget] = useDraft<Texts>(`pair ${draftKey}`, () => ({}))
  const [tried, setTried] = useState(false)
  const { pair, faults } = readPair(texts)
  const lines = pair ? pairLines(entry, pair) : undefined
  const failing = lines?.filter((line) => !line.pass) ?? []
  const field = (name: string, label: string, unit: string) => (
    <NumberEntry
      size="narrow"
      name={label}
      unit={unit}
      text={texts[name] ?? ''}
      onText={(text) => keep((before) => ({ ...before, [name]: text }))}
      wrong={tried && faults[name] !== undefined}
    />
  )
  const firstFault = Object.entries(faults)[0]
  const record = async () => {
    setTried(true)
    if (pair && onRecord && (await onRecord(pair))) forget()
  }
  return (
    <div className="grid min-h-0 grow gap-4 xl:grid-cols-[minmax(0,1fr)_26rem]">
      <form
        className="card-flat grid min-h-0 content-start gap-4 overflow-y-auto p-4 md:grid-cols-2"
        noValidate
        aria-label="Readings"
        onSubmit={(event) => {
          event.preventDefault()
          void record()
        }}
      >
        {(['upper', 'lower'] as const).map((arch) => (
          <table key={arch} className="h-fit">
            <caption className="pb-1 text-left text-lg font-semibold">
              {arch === 'upper' ? 'Upper' : 'Lower'}{' '}
              <span className="text-sm font-normal opacity-80">right, left</span>
            </caption>
            <tbody>
              {modelLines
                .filter(({ only }) => !only || only === arch)
                .map(({ key, name, unit, both, may }) => (
                  <tr key={key}>
                    <th scope="row" className="pr-3 text-left font-normal">
                      {name}
                      {may && <span className="block text-sm opacity-80">may be left</span>}
                    </th>
                    <td className="flex gap-2 py-1">
                      {both ? (
                        <>
                          {field(`${arch}.${key}.0`, `${arch}, ${name}, right`, unit)}
                          {field(`${arch}.${key}.1`, `${arch}, ${name}, left`, unit)}
                        </>
                      ) : (
                        field(`${arch}.${key}`, `${arch}, ${name}`, unit)
                      )}
                    </td>
                  </tr>
                ))}
            </tbody>
          </table>
        ))}
        <table className="h-fit md:col-span-2">
          <caption className="pb-1 text-left text-lg font-semibold">Together, in occlusion</caption>
          <tbody>
            {pairFields.map(({ key, name, unit, count }) => (
              <tr key={key}>
                <th scope="row" className="pr-3 text-left font-normal">
                  {name}
                </th>
                <td className="flex gap-2 py-1">
                  {Array.from({ length: count }, (_, n) => (
                    <span key={n}>
                      {field(
                        count === 1 ? key : `${key}.${n}`,
                        count === 1 ? name : `${name}, ${n + 1}`,
                        unit,
                      )}
                    </span>
                  ))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <div className="md:col-span-2">
          {tried && firstFault && <Message tone="error">{firstFault[1]}</Message>}
          {refusal && <Message tone="error">{refusal}</Message>}
          {onRecord ? (
            <button type="submit" className="act-main mt-2">
              Into the record
            </button>
          ) : (
            <p className="opacity-80">Opened from a case, it goes into its record.</p>
          )}
        </div>
      </form>
      <aside className="card-flat min-h-0 overflow-y-auto p-4" aria-label="Verdict">
        {!lines ? (
          <p className="opacity-80">
            With every line filled in, it says what passes. {Object.keys(faults).length} to go.
          </p>
        ) : (
          <>
            <div className="text-2xl font-bold">
              {failing.length === 0 ? (
                <Message tone="good">All {lines.length} lines pass</Message>
              ) : (
                <Message tone="error">
                  {failing.length} of {lines.length} lines fail
                </Message>
              )}
            </div>
            {pair && <TouchUps pair={pair} plan={plan} />}
            <table className="mt-3 w-full text-sm">
              <tbody>
                {[...failing, ...lines.filter((line) => line.pass)].map((line) => (
                  <tr key={line.name} className={line.pass ? '' : 'text-error font-semibold'}>
                    <td className="py-0.5">
                      {line.pass ? '✓' : '✗'} {line.name}
                    </td>
                    <td className="figures text-right">
                      <Said words={[inUnit(line.unit, line.read)]} />
                    </td>
                    <td className="figures pl-2 text-right opacity-80" title={line.source}>
                      <Said
                        words={saying`${inUnit(line.unit, line.min)} to ${inUnit(line.unit, line.max)}`}
                      />
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            <p className="mt-2 text-sm opacity-80">
              Tolerances are our choice, ranges common practice: see the handbook.
            </p>
          </>
        )}
      </aside>
    </div>
  )
}

/** Which side cut to touch again, and by how much, without breaking its mirror. */
function TouchUps({ pair, plan }: { pair: FinishedPair; plan: PairPlan }) {
  const advice = (['upper', 'lower'] as const).flatMap((arch) => {
    const ups = sideTouchUps(pair[arch], plan[arch].plan)
    if (!ups) return []
    return (['right', 'left'] as const).flatMap((side) => {
      const words = touchWords(ups[side])
      return words
        ? [
            {
              id: `${arch} ${side}`,
              words: saying`${arch === 'upper' ? 'Upper' : 'Lower'} ${side} side: ${words}`,
            },
          ]
        : []
    })
  })
  if (advice.length === 0) return null
  return (
    <section className="mt-2" aria-label="Touch again">
      <h3 className="font-semibold">Touch again</h3>
      <ul className="grid gap-1">
        {advice.map(({ id, words }) => (
          <li key={id}>
            <Said words={words} />
          </li>
        ))}
      </ul>
    </section>
  )
}

/** Less than this is nought to a tenth, mm. */
const SEEN_MILLIMETRES = 0.05
/** Less than this is not worth the wheel, mm (choice). */
const WORTH_CUTTING = 0.3

const inUnit = (unit: string, value: number) => (unit === '°' ? qty.degrees(value, 2) : qty.mm(value, 2))

function touchWords(touch: TouchUp): Saying | undefined {
  if (touch.action === 'take') {
    const [heel, canine] = touch.millimetres
    if (Math.max(heel, canine) < WORTH_CUTTING) return undefined
    const off = [
      ['heel', heel],
      ['canine', canine],
    ] as const
    const worth = off.filter(([, millimetres]) => millimetres >= SEEN_MILLIMETRES)
    return saying`take off ${joined(
      worth.map(([place, millimetres]) => saying`${qty.mm(millimetres, 1)} at the ${place}`),
      ' and ',
    )}`
  }
  if (touch.action === 'moveBoth')
    return touch.millimetres < WORTH_CUTTING
      ? undefined
      : saying`cut ${qty.mm(touch.millimetres, 1)} too deep; both sides may move in by that much`
  return touch.overcutMillimetres < WORTH_CUTTING
    ? undefined
    : saying`cut ${qty.mm(touch.overcutMillimetres, 1)} too deep; leave it, the other vestibule is in the way`
}

/** The readings as numbers once all that must be there are; else what is wrong with which. */
function readPair(texts: Texts): { pair?: FinishedPair; faults: Readonly<Record<string, string>> } {
  const faults: Record<string, string> = {}
  const number = (name: string, label: string, unit: string): number => {
    const { value, fault } = readNumber(texts[name] ?? '', unit)
    if (fault) faults[name] = `${label}: ${fault}`
    else if (value !== undefined && !(value >= -10 && value <= 200))
      faults[name] = `${label}: ${value} cannot be right.`
    return value ?? Number.NaN
  }
  const model = (arch: Arch): FinishedModel => {
    const read: Record<string, number | [number, number]> = {}
    for (const { key, name, unit, both, may, only } of modelLines) {
      if (only && only !== arch) continue
      const at = `${arch}.${key}`
      if (may && !texts[`${at}.0`]?.trim() && !texts[`${at}.1`]?.trim()) continue
      const label = `${arch === 'upper' ? 'Upper' : 'Lower'}, ${name.toLowerCase()}`
      read[key] = both
        ? [number(`${at}.0`, `${label}, right`, unit), number(`${at}.1`, `${label}, left`, unit)]
        : number(at, label, unit)
    }
    return read as unknown as FinishedModel
  }
  const upper = model('upper')
  const lower = model('lower')
  const together = Object.fromEntries(
    pairFields.map(({ key, name, unit, count }) => [
      key,
      count === 1
        ? number(key, name, unit)
        : Array.from({ length: count }, (_, n) => number(`${key}.${n}`, `${name}, ${n + 1}`, unit)),
    ]),
  )
  const pair = { upper, lower, ...together } as unknown as FinishedPair
  return Object.keys(faults).length === 0 ? { pair, faults } : { faults }
}
