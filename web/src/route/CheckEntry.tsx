import {
  articulatorCards,
  type Check,
  type CheckKind,
  type CheckOf,
  type CheckReading,
  DomainError,
  type JobState,
  lastSheetOf,
  type Outcome,
  pinAtTeeth,
  type ReadBy,
  type Reading,
  readingOutcome,
  readingWords,
  type Saying,
  saying,
  showTooth,
  takeReading,
  teethOf,
} from '@yentrik/core'
import { type ReactNode, useEffect, useRef, useState } from 'react'
import { LiveGauge } from '../devices/LiveGauge.tsx'
import { keptUnit } from '../parts/bench-unit.ts'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { BackTo } from '../parts/Reopened.tsx'
import { readNumber } from '../parts/read-number.ts'
import { usePreferences } from '../preferences/preferences.ts'
import { Said, useWords } from '../preferences/words.tsx'
import { usePractice } from '../record/practice-case.ts'
import { SeenThere } from '../record/SeenThere.tsx'

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
  /** What the server said against the last entry for this check, and at which tooth that was. */
  readonly refusal?: { readonly said: Saying; readonly tooth?: number }
  readonly onRecord: (reading: CheckReading & { readonly tooth?: number }) => Promise<boolean>
  /** Of the order, FDI. */
  readonly teeth: readonly number[]
  /** Back or remake, as the check rules. */
  readonly onGoBack: (outcome: Extract<Outcome, { toStepId: string }>, because: string) => void
  readonly job: JobState
}

/** One check: look and tap, or measure and type; what it means stands under it at once. Where it is read tooth by tooth, each. */
export function CheckEntry(props: CheckEntryProps) {
  const { check, readings, teeth, draftKey } = props
  const notation = usePreferences((preferences) => preferences.teeth)
  const practice = usePractice()
  // An exam says no limits.
  const limits = practice?.level === 'exam' ? undefined : kindOf(check).limits
  const places = teethOf(check, teeth)
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
      {places.map((tooth) => {
        const one = (
          <OnePlace
            key={tooth ?? 'whole'}
            {...props}
            tooth={tooth}
            readings={readings.filter((reading) => reading.tooth === tooth)}
            draftKey={tooth === undefined ? draftKey : `${draftKey} ${tooth}`}
          />
        )
        if (tooth === undefined || places.length === 1) return one
        const name = showTooth(tooth, notation)
        return (
          // biome-ignore lint/a11y/useSemanticElements: the entry inside is a fieldset of its own
          <div key={tooth} role="group" aria-label={`Tooth ${name}`} className="mb-3 flex gap-4">
            <p className="figures w-10 shrink-0 pt-2 text-2xl font-bold">{name}</p>
            <div className="grow">{one}</div>
          </div>
        )
      })}
    </section>
  )
}

/** A check at one place: at a tooth, or of the whole piece. */
function OnePlace(props: CheckEntryProps & { readonly tooth: number | undefined }) {
  const { check, readings, accepted, draftKey, refusal, tooth } = props
  const last = readings.at(-1)
  const isDrawn = usePractice()?.seen.some((each) => each.kind === 'scale' && each.checkId === check.id)
  const { Entry } = kindOf(check)
  const [stopping, setStopping] = useState<Stopping>()
  const decided = (stored: boolean) => {
    stopping?.decided(stored)
    setStopping(undefined)
  }
  const onRecord = (reading: CheckReading) =>
    props.onRecord(tooth === undefined ? reading : { ...reading, tooth })
  /** What stops the case is done only once it is seen that it does. */
  const enter = (reading: CheckReading) => {
    decided(false)
    const question = questionOf(check, reading)
    if (question === undefined) return onRecord(reading)
    return new Promise<boolean>((resolve) => setStopping({ reading, question, decided: resolve }))
  }
  return (
    <>
      <div className={isDrawn ? 'grid gap-x-4 sm:grid-cols-[minmax(0,1fr)_14rem]' : ''}>
        <SeenThere
          check={check}
          tooth={tooth}
          unit={check.kind === 'measure' ? keptUnit(check.quantity).unit : ''}
        />
        <div className={isDrawn ? 'self-end' : ''}>
          <Entry
            check={check}
            last={last}
            draftKey={draftKey}
            refusal={refusal?.tooth === tooth ? refusal?.said : undefined}
            onRecord={enter}
          />
        </div>
      </div>
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
      {stopping && (
        <Stops
          question={stopping.question}
          read={readingWords(stopping.reading, check)}
          onAsk={() => void onRecord(stopping.reading).then(decided)}
          onNot={() => decided(false)}
        />
      )}
      {last && !stopping && <Meaning {...props} last={last} accepted={accepted.includes(last.sequence)} />}
    </>
  )
}

/** A reading that would stop the case, until it is seen what it does. */
interface Stopping {
  readonly reading: CheckReading
  readonly question: Saying
  readonly decided: (stored: boolean) => void
}

/** What a reading makes the case ask the dentist; undefined: nothing, or it cannot have been read. */
function questionOf(check: Check, reading: CheckReading): Saying | undefined {
  try {
    const outcome = readingOutcome(check, takeReading(check, reading))
    return outcome.verdict === 'askDentist' ? outcome.say : undefined
  } catch (error) {
    if (error instanceof DomainError) return undefined
    throw error
  }
}

/** What an answer that stops the case does, before it is done. */
function Stops({
  question,
  read,
  onAsk,
  onNot,
}: {
  readonly question: Saying
  readonly read: Saying
  readonly onAsk: () => void
  readonly onNot: () => void
}) {
  const panel = useRef<HTMLDivElement>(null)
  useEffect(() => {
    panel.current?.scrollIntoView({ block: 'nearest' })
  }, [])
  return (
    <div ref={panel} className="bg-error/10 mt-2 grid gap-2 rounded-xl px-4 py-3" role="alert">
      <p>
        <b>
          <Said words={read} />.
        </b>{' '}
        The case stops here until the dentist has answered: <Said words={question} />
      </p>
      <p className="flex flex-wrap gap-2">
        <button type="button" className="act btn-error" onClick={onAsk}>
          Stop and ask
        </button>
        <button type="button" className="act" onClick={onNot}>
          Not that
        </button>
      </p>
    </div>
  )
}

/** A reading in words; of a pin, what it is at the teeth. */
function meantWords(check: Check, last: Reading, job: JobState): Saying {
  const read = readingWords(last, check)
  if (check.means !== 'pinOpening' || last.value === undefined) return read
  const { articulator } = lastSheetOf(job, 'mounting') ?? articulatorCards[0]!
  return saying`${read}, ${pinAtTeeth(articulator, last.value)}`
}

/** What the last reading comes to. */
function Meaning({
  check,
  last,
  accepted,
  onGoBack,
  job,
}: Pick<CheckEntryProps, 'check' | 'onGoBack' | 'job'> & {
  readonly last: Reading
  readonly accepted: boolean
}) {
  const say = useWords()
  const outcome = readingOutcome(check, last)
  const read = meantWords(check, last, job)
  if (outcome.verdict === 'pass') return <Message tone="good" words={saying`${read}: passes`} />
  if (accepted) return <Message tone="warning" words={saying`${read}: accepted by the dentist`} />
  return (
    <div className="mt-2 grid justify-items-start gap-2">
      <Message tone="error" words={saying`${read}. ${outcome.say}`} />
      {'toStepId' in outcome && (
        <BackTo
          job={job}
          outcome={outcome}
          onGoBack={() => onGoBack(outcome, `${check.name}: ${say(read)}`)}
        />
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
  const practice = usePractice()
  const { unit, decimals } = keptUnit(check.quantity)
  const [text, keep, , begin] = useDraft<string>(draftKey, () => '')
  const [fault, setFault] = useState<string>()
  const record = async () => {
    const { value, fault: wrong } = readNumber(text, unit)
    setFault(wrong)
    if (value !== undefined && (await onRecord({ value }))) begin()
  }
  const Reader = check.readBy && readers[check.readBy]
  return (
    <>
      {Reader && <Reader check={check} onTake={(stored) => keep(stored.toFixed(decimals))} />}
      <form
        className="flex items-start gap-3"
        noValidate
        onSubmit={(event) => {
          event.preventDefault()
          void record()
        }}
      >
        <div className="w-56 min-w-0">
          <NumberField
            label="Reading"
            unit={unit}
            text={text}
            onText={(next) => {
              keep(next)
              setFault(undefined)
            }}
            fault={fault ?? (text === '' ? undefined : refusal)}
            hint={practice ? undefined : check.source}
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
  const { decimals } = keptUnit(kind)
  // A limit that comes of another unit (3000 psi) is no finer than its reading; 0.05 mm stays what it is.
  const isAsRead = (value: number) =>
    Math.abs(Number(value.toFixed(decimals)) - value) < Math.abs(value) / 1000
  const show = (value: number) => saying`${isAsRead(value) ? { value, kind, decimals } : { value, kind }}`
  if (min !== undefined && max !== undefined) return saying`${show(min)} to ${show(max)}`
  if (max !== undefined) return saying`at most ${show(max)}`
  return min !== undefined ? saying`at least ${show(min)}` : 'kept as the reference'
}
