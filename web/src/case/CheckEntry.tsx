import {
  type Check,
  displayUnit,
  type MeasureCheck,
  type Outcome,
  type Reading,
  readingOutcome,
} from '@yentrik/core'
import { useState } from 'react'
import { usePreferences } from '../app/preferences.ts'
import { LiveGauge } from '../devices/LiveGauge.tsx'
import { quantity } from '../format/format.ts'
import { NumberField, readNumber } from '../parts/NumberField.tsx'
import { Told } from '../parts/Told.tsx'

interface CheckEntryProps {
  readonly check: Check
  readonly readings: readonly Reading[]
  readonly accepted: boolean
  /** What the server said against the last entry for this check. */
  readonly refusal?: string
  readonly onRecord: (reading: { value?: number; answer?: string }) => Promise<boolean>
  /** Back or remake, as the check rules. */
  readonly onGoBack: (outcome: Extract<Outcome, { toStepId: string }>, because: string) => void
  readonly stepName: (stepId: string) => string
}

/** One check: look and tap, or measure and type; what it means stands under it at once. */
export function CheckEntry({
  check,
  readings,
  accepted,
  refusal,
  onRecord,
  onGoBack,
  stepName,
}: CheckEntryProps) {
  const units = usePreferences((preferences) => preferences.units)
  const last = readings.at(-1)
  const outcome = last && readingOutcome(check, last)
  const said =
    last &&
    (last.answer ??
      (check.kind === 'measure' ? quantity(last.value ?? Number.NaN, check.quantity, units) : ''))
  return (
    <section className="border-base-300 border-t pt-3" aria-label={check.name}>
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h3 className="text-lg font-semibold">{check.name}</h3>
        {check.kind === 'measure' && (
          <p className="text-sm opacity-80">
            {limitWords(check, (value) => quantity(value, check.quantity, units))}
          </p>
        )}
      </div>
      <p className="mb-2 text-sm opacity-80">{check.how}</p>
      {check.kind === 'observe' ? (
        <fieldset className="flex flex-wrap gap-2" aria-label={`${check.name}: what do you see?`}>
          {check.answers.map(({ answer, outcome: meant }) => (
            <button
              key={answer}
              type="button"
              aria-pressed={last?.answer === answer}
              className={`small-act h-12 ${last?.answer === answer ? (meant.verdict === 'pass' ? 'btn-success' : 'btn-error') : ''}`}
              onClick={() => onRecord({ answer })}
            >
              {answer}
            </button>
          ))}
        </fieldset>
      ) : (
        <MeasureEntry check={check} refusal={refusal} onRecord={onRecord} />
      )}
      {readings.length > 1 && (
        <p className="mt-1 text-sm opacity-80">
          Before:{' '}
          {readings
            .slice(0, -1)
            .map(
              (r) =>
                r.answer ?? (check.kind === 'measure' ? quantity(r.value ?? 0, check.quantity, units) : ''),
            )
            .join(', ')}
        </p>
      )}
      {outcome && (
        <div className="mt-2">
          {outcome.verdict === 'pass' ? (
            <Told tone="good">{said}: passes</Told>
          ) : accepted ? (
            <Told tone="warning">{said}: accepted by the dentist</Told>
          ) : (
            <div className="grid justify-items-start gap-2">
              <Told tone="error">
                {said}. {outcome.say}
              </Told>
              {'toStepId' in outcome && (
                <button
                  type="button"
                  className="act btn-error"
                  onClick={() => onGoBack(outcome, `${check.name}: ${said}`)}
                >
                  {outcome.verdict === 'remake' ? 'Remake from' : 'Go back to'} "{stepName(outcome.toStepId)}"
                </button>
              )}
            </div>
          )}
        </div>
      )}
    </section>
  )
}

function MeasureEntry({
  check,
  refusal,
  onRecord,
}: {
  check: MeasureCheck
  refusal?: string
  onRecord: CheckEntryProps['onRecord']
}) {
  const units = usePreferences((preferences) => preferences.units)
  const { unit, decimals, fromStored, toStored } = displayUnit(check.quantity, units)
  const [text, setText] = useState('')
  const [fault, setFault] = useState<string>()
  const record = async () => {
    const { value, fault: wrong } = readNumber(text, unit)
    setFault(wrong)
    // The entry stays until it is stored, and what was typed meanwhile stays altogether.
    if (value !== undefined && (await onRecord({ value: toStored(value) })))
      setText((now) => (now === text ? '' : now))
  }
  const { min: leastKilopascals, max: mostKilopascals } = check
  return (
    <>
      {check.readBy === 'press' && leastKilopascals !== undefined && mostKilopascals !== undefined && (
        <LiveGauge
          limits={{ leastKilopascals, mostKilopascals }}
          onTake={(kilopascals) => setText(fromStored(kilopascals).toFixed(decimals))}
        />
      )}
      <form
        className="flex items-start gap-3"
        noValidate
        onSubmit={(event) => {
          event.preventDefault()
          void record()
        }}
      >
        <div className="w-56">
          <NumberField
            label="Reading"
            unit={unit}
            text={text}
            onText={(next) => {
              setText(next)
              setFault(undefined)
            }}
            fault={fault ?? (text === '' ? undefined : refusal)}
            hint={check.source}
          />
        </div>
        <button type="submit" className="act mt-7">
          Record
        </button>
      </form>
    </>
  )
}

/** The limits of a measure in words. */
export function limitWords(check: MeasureCheck, show: (value: number) => string): string {
  const { min, max } = check
  if (min !== undefined && max !== undefined) return `${show(min)} to ${show(max)}`
  if (max !== undefined) return `at most ${show(max)}`
  return min !== undefined ? `at least ${show(min)}` : 'kept as the reference'
}
