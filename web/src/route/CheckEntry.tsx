import {
  type Check,
  type CheckKind,
  type CheckOf,
  type CheckReading,
  displayUnit,
  type Outcome,
  type ReadBy,
  type Reading,
  readingOutcome,
  readingWords,
  type Saying,
  saying,
} from '@yentrik/core'
import { type ReactNode, useState } from 'react'
import { LiveGauge } from '../devices/LiveGauge.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { usePreferences } from '../preferences/preferences.ts'
import { Said, useWords } from '../preferences/words.tsx'

interface ReadingEntryProps<K extends CheckKind> {
  readonly check: CheckOf<K>
  readonly last: Reading | undefined
  readonly draftKey: string
  /** What the server said against the last entry for this check. */
  readonly refusal?: Saying
  readonly onRecord: (reading: CheckReading) => Promise<boolean>
}

/** A kind of check on the screen. */
interface CheckKindShown<K extends CheckKind> {
  readonly Entry: (props: ReadingEntryProps<K>) => ReactNode
  /** What passes, in words; left out where the answers say it themselves. */
  readonly limits?: (check: CheckOf<K>) => Saying
}
const kinds: { readonly [K in CheckKind]: CheckKindShown<K> } = {
  measure: { Entry: MeasureEntry, limits: limitWords },
  observe: { Entry: AnswerEntry },
}
const kindOf = (check: Check) => kinds[check.kind] as CheckKindShown<CheckKind>

/** What every device that reads a check shows of itself, and how its reading is taken. */
const readers: {
  readonly [D in ReadBy]: (props: {
    readonly check: CheckOf<'measure'>
    readonly onTake: (stored: number) => void
  }) => ReactNode
} = {
  press: ({ check: { min: leastKilopascals, max: mostKilopascals }, onTake }) =>
    leastKilopascals !== undefined &&
    mostKilopascals !== undefined && (
      <LiveGauge limits={{ leastKilopascals, mostKilopascals }} onTake={onTake} />
    ),
}

interface CheckEntryProps {
  readonly check: Check
  readonly readings: readonly Reading[]
  /** Sequences of readings that the dentist has accepted as they are. */
  readonly accepted: readonly number[]
  /** Under which what is typed is kept. */
  readonly draftKey: string
  /** What the server said against the last entry for this check. */
  readonly refusal?: Saying
  readonly onRecord: (reading: CheckReading) => Promise<boolean>
  /** Back or remake, as the check rules. */
  readonly onGoBack: (outcome: Extract<Outcome, { toStepId: string }>, because: string) => void
  readonly stepName: (stepId: string) => string
}

/** One check: look and tap, or measure and type; what it means stands under it at once. */
export function CheckEntry(props: CheckEntryProps) {
  const { check, readings, accepted, draftKey, refusal, onRecord } = props
  const last = readings.at(-1)
  const { Entry, limits } = kindOf(check)
  return (
    <section className="border-base-300 border-t pt-3" aria-label={check.name}>
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h3 className="text-lg font-semibold">{check.name}</h3>
        {limits && (
          <p className="text-sm opacity-80">
            <Said words={limits(check)} />
          </p>
        )}
      </div>
      <p className="mb-2 text-sm opacity-80">{check.how}</p>
      <Entry check={check} last={last} draftKey={draftKey} refusal={refusal} onRecord={onRecord} />
      {readings.length > 1 && (
        <p className="mt-1 text-sm opacity-80">
          Before:{' '}
          {readings.slice(0, -1).map((reading, index) => (
            <span key={reading.sequence}>
              {index > 0 && ', '}
              <Said words={readingWords(reading, check)} />
            </span>
          ))}
        </p>
      )}
      {last && <Meaning {...props} last={last} accepted={accepted.includes(last.sequence)} />}
    </section>
  )
}

/** What the last reading comes to. */
function Meaning({
  check,
  last,
  accepted,
  onGoBack,
  stepName,
}: Pick<CheckEntryProps, 'check' | 'onGoBack' | 'stepName'> & {
  readonly last: Reading
  readonly accepted: boolean
}) {
  const say = useWords()
  const outcome = readingOutcome(check, last)
  const read = readingWords(last, check)
  if (outcome.verdict === 'pass') return <Message tone="good" words={saying`${read}: passes`} />
  if (accepted) return <Message tone="warning" words={saying`${read}: accepted by the dentist`} />
  return (
    <div className="mt-2 grid justify-items-start gap-2">
      <Message tone="error" words={saying`${read}. ${outcome.say}`} />
      {'toStepId' in outcome && (
        <button
          type="button"
          className="act btn-error"
          onClick={() => onGoBack(outcome, `${check.name}: ${say(read)}`)}
        >
          {outcome.verdict === 'remake' ? 'Remake from' : 'Go back to'} "{stepName(outcome.toStepId)}"
        </button>
      )}
    </div>
  )
}

function AnswerEntry({ check, last, onRecord }: ReadingEntryProps<'observe'>) {
  return (
    <fieldset className="flex flex-wrap gap-2" aria-label={`${check.name}: what do you see?`}>
      {check.answers.map(({ answer, outcome }) => (
        <button
          key={answer}
          type="button"
          aria-pressed={last?.answer === answer}
          className={`small-act h-12 ${last?.answer === answer ? (outcome.verdict === 'pass' ? 'btn-success' : 'btn-error') : ''}`}
          onClick={() => onRecord({ answer })}
        >
          {answer}
        </button>
      ))}
    </fieldset>
  )
}

function MeasureEntry({ check, draftKey, refusal, onRecord }: ReadingEntryProps<'measure'>) {
  const units = usePreferences((preferences) => preferences.units)
  const { unit, decimals, fromStored, toStored } = displayUnit(check.quantity, units)
  const [text, keep, , begin] = useDraft<string>(draftKey, () => '')
  const [fault, setFault] = useState<string>()
  const record = async () => {
    const { value, fault: wrong } = readNumber(text, unit)
    setFault(wrong)
    if (value !== undefined && (await onRecord({ value: toStored(value) }))) begin()
  }
  const Reader = check.readBy && readers[check.readBy]
  return (
    <>
      {Reader && <Reader check={check} onTake={(stored) => keep(fromStored(stored).toFixed(decimals))} />}
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
              keep(next)
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
function limitWords({ min, max, quantity: kind }: CheckOf<'measure'>): Saying {
  const show = (value: number) => saying`${{ value, kind }}`
  if (min !== undefined && max !== undefined) return saying`${show(min)} to ${show(max)}`
  if (max !== undefined) return saying`at most ${show(max)}`
  return min !== undefined ? saying`at least ${show(min)}` : 'kept as the reference'
}
