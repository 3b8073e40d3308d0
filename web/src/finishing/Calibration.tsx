import { type FinishingLadder, PASSES, rateByCaliper, rateOfPasses, type Saying } from '@yentrik/core'
import { useState } from 'react'
import { longDate } from '../format/format.ts'
import { labNow } from '../live/lab-clock.ts'
import { Refusal, request } from '../live/request.ts'
import { attempt } from '../parts/attempt.ts'
import { Pills } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { useEquipment } from '../record/equipment.ts'

const caliperFields = [
  ['before', 'Before', 'mm'],
  ['after', 'After', 'mm'],
  ['seconds', 'Worked for', 's'],
] as const
const passNames = ['First pass', 'Second pass', 'Third pass'] as const

/** What a wheel of the lab really takes off: a test plate, three passes, their mean; kept on the wheel instead of the assumption. */
export function Calibration({ ladder, at }: { readonly ladder: FinishingLadder; readonly at: number }) {
  const stage = ladder.stages[at]!
  const before = ladder.stages[at - 1]
  const wheel = useEquipment('wheel').find(({ name }) => name === stage.name)
  const [typed, keep, forget] = useDraft(`plate ${stage.id}`, () => ({
    by: 'marks' as 'marks' | 'caliper',
    area: '',
    passes: ['', '', ''],
    before: '',
    after: '',
    seconds: '',
  }))
  const [told, setTold] = useState<{ readonly good: boolean; readonly words: Saying }>()
  const area = readNumber(typed.area, '')
  const passes = typed.passes.map((text) => readNumber(text, 's', { wanted: false }))
  const timed = passes.flatMap(({ value }) => value ?? [])
  const caliper = [
    readNumber(typed.before, 'mm', { wanted: false }),
    readNumber(typed.after, 'mm', { wanted: false }),
    readNumber(typed.seconds, 's', { wanted: false }),
  ] as const
  const [thick, thin, worked] = caliper.map(({ value }) => value)
  const worksOut = () => {
    if (!before || area.value === undefined) return {}
    const plate = area.value
    if (typed.by === 'marks')
      return timed.length === PASSES ? attempt(() => rateOfPasses(plate, before, timed)) : {}
    return thick === undefined || thin === undefined || worked === undefined
      ? {}
      : attempt(() => rateByCaliper(plate, thick, thin, worked))
  }
  const { answer, refusal } = worksOut()
  const store = async () => {
    if (!wheel || answer === undefined) return
    try {
      await request('PUT /equipment/:name', {
        path: { name: wheel.name },
        body: {
          ...wheel,
          cubicMillimetresPerSecond: Number(answer.toPrecision(3)),
          source: `measured here, ${longDate(labNow())}`,
        },
      })
      forget()
      setTold({ good: true, words: 'Kept on the wheel: the ladder counts with it now.' })
    } catch (thrown) {
      if (!(thrown instanceof Refusal)) throw thrown
      setTold({ good: false, words: thrown.said })
    }
  }
  return (
    <details className="card-flat p-4">
      <summary className="min-h-11 cursor-pointer pt-2 font-semibold">
        Measure what {stage.name.toLowerCase()} takes off
      </summary>
      {before ? (
        <div className="grid gap-3">
          <Pills
            label="Measured"
            options={[
              ['marks', 'Until the marks are gone'],
              ['caliper', 'By caliper'],
            ]}
            value={typed.by}
            onChoose={(by) => keep({ ...typed, by })}
          />
          {typed.by === 'marks' ? (
            <ol className="list-decimal pl-6">
              <li>A plate of the same resin, marked all over by {before.name.toLowerCase()}.</li>
              <li>
                {stage.name}, wet, until those marks have gone, seen dry; note the seconds. Three times, a
                fresh plate each.
              </li>
            </ol>
          ) : (
            <p>
              Caliper at one place of a plate, {stage.name.toLowerCase()} all over it for some minutes,
              caliper at the same place again.
            </p>
          )}
          <div className="grid grid-cols-2 gap-x-3 sm:grid-cols-4">
            <NumberField
              label="Plate"
              unit="mm²"
              text={typed.area}
              onText={(text) => keep({ ...typed, area: text })}
              fault={typed.area === '' ? undefined : area.fault}
            />
            {typed.by === 'caliper' &&
              caliperFields.map(([key, label, unit], n) => (
                <NumberField
                  key={key}
                  label={label}
                  unit={unit}
                  text={typed[key]}
                  onText={(text) => keep({ ...typed, [key]: text })}
                  fault={caliper[n]?.fault}
                />
              ))}
            {typed.by === 'marks' &&
              passNames.map((name, n) => (
                <NumberField
                  key={name}
                  label={name}
                  unit="s"
                  text={typed.passes[n] ?? ''}
                  onText={(text) =>
                    keep({ ...typed, passes: typed.passes.map((each, m) => (m === n ? text : each)) })
                  }
                  fault={passes[n]?.fault}
                />
              ))}
          </div>
          {refusal && <Message tone="error" words={refusal} />}
          {answer !== undefined && (
            <p className="text-lg">
              <output className="figures text-3xl font-bold" aria-label="Rate of the wheel">
                {Number(answer.toPrecision(3))}
              </output>{' '}
              mm³/s; the ladder counts with {Number(stage.cubicMillimetresPerSecond.toPrecision(3))}.
            </p>
          )}
          {answer !== undefined &&
            (wheel ? (
              <button type="button" className="act justify-self-start" onClick={() => void store()}>
                Keep it on the wheel
              </button>
            ) : (
              <p>Put this wheel on the list under Shelf, Equipment; then it is kept there.</p>
            ))}
          {told && <Message tone={told.good ? 'good' : 'error'} words={told.words} />}
        </div>
      ) : (
        <p>The first stage shapes: there is nothing before it to take away. Choose a later one.</p>
      )}
    </details>
  )
}
