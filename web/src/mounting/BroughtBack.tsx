import { qty, type Saying, type SheetData, saying } from '@yentrik/core'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { Said, useWords } from '../preferences/words.tsx'
import { articulatorFields, entryOfArticulator } from './articulator-entry.ts'

/** A mounting as it is on record. */
export type Recorded = Extract<SheetData, { kind: 'mounting' }>

/** A setting of an articulator, or its pin. */
const read = (unit: string, value: number, decimals?: number): Saying => [
  unit === '°' ? qty.degrees(value, decimals) : qty.mm(value, decimals),
]

/** Knocked: what is read now beside what is on record, and what to turn by how much. */
export function BroughtBack({ recorded, draftKey }: { recorded: Recorded; draftKey: string }) {
  const say = useWords()
  const kept = entryOfArticulator(recorded.name, recorded.articulator)
  const [now, setNow] = useDraft<Readonly<Record<string, string>>>(`${draftKey} now`, () => ({}))
  const lines = [
    ...articulatorFields
      .filter(([field]) => field !== 'pinForward' && field !== 'pinBelow' && field !== 'intercondylar')
      .map(([field, label, unit]) => ({ key: field, label, unit, was: Number(kept[field]) })),
    { key: 'pin', label: 'Pin reading', unit: 'mm', was: recorded.pinMillimetres },
  ]
  const off = lines.flatMap(({ key, label, unit, was }) => {
    const text = now[key] ?? ''
    if (text.trim() === '') return []
    const { value, fault } = readNumber(text, unit)
    if (fault) return [saying`${label}: ${fault}`]
    const by = (value ?? was) - was
    if (Math.abs(by) < 0.05) return []
    return [
      saying`${label}: ${by > 0 ? 'down' : 'up'} by ${read(unit, Math.abs(by), 1)}, to ${read(unit, was)}`,
    ]
  })
  return (
    <details className="card-flat p-4">
      <summary className="min-h-11 cursor-pointer text-lg font-semibold">
        Disturbed? On record: {recorded.name}, pin <Said words={[qty.mm(recorded.pinMillimetres)]} />
        {recorded.facebow ? ', by facebow' : ''}
      </summary>
      <div className="mt-2 grid gap-3 sm:grid-cols-3 lg:grid-cols-6">
        {lines.map(({ key, label, unit, was }) => (
          <NumberField
            key={key}
            label={`${label} now`}
            unit={unit}
            text={now[key] ?? ''}
            onText={(text) => setNow({ ...now, [key]: text })}
            hint={say(saying`on record ${read(unit, was)}`)}
          />
        ))}
      </div>
      {recorded.photo && (
        <img src={recorded.photo} alt="The mounted casts" className="mb-3 max-h-60 rounded-xl" />
      )}
      <section aria-label="Bring it back">
        {off.length === 0 ? (
          <p>Read what it says now: this tells what to bring back, and by how much.</p>
        ) : (
          <ul className="grid gap-1 text-lg">
            {off.map(say).map((words) => (
              <li key={words}>
                <Message tone="warning">{words}</Message>
              </li>
            ))}
          </ul>
        )}
      </section>
    </details>
  )
}
