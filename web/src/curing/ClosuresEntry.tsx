import {
  type Closure,
  gentleLimits,
  judgeClosures,
  type PressLimits,
  type Saying,
  type SheetOfKind,
} from '@yentrik/core'
import { useState } from 'react'
import { LiveGauge } from '../devices/LiveGauge.tsx'
import { quantity } from '../format/format.ts'
import { keptUnit } from '../parts/bench-unit.ts'
import { Pills } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { usePreferences } from '../preferences/preferences.ts'
import { Said, useWords } from '../preferences/words.tsx'
import type { SheetEntryProps } from '../record/sheet-entry.ts'

const seenWords = {
  clean: 'No flash, no gap',
  flash: 'Flash',
  gap: 'A gap',
  both: 'Flash and a gap',
} as const
type Seen = keyof typeof seenWords

/** The trial closures of a flask, one after the other: the gauge, what the mould showed, and what to do next. */
export function ClosuresEntry({
  sheet,
  last,
  draftKey,
  refusal,
  open,
  onRecord,
}: SheetEntryProps<'closures'>) {
  const say = useWords()
  const closures = last?.closures ?? []
  const { clean, next, remarks } = judgeClosures(closures, sheet)
  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        {closures.length > 0 && <ClosureRow closures={closures} sheet={sheet} />}
        <p className={`min-w-56 flex-1 text-xl font-semibold ${clean ? 'text-success' : ''}`}>
          <Said words={next} />
        </p>
      </div>
      {remarks.map(say).map((remark) => (
        <Message key={remark} tone="warning">
          {remark}
        </Message>
      ))}
      <details open={!clean}>
        <summary className="min-h-11 cursor-pointer font-semibold">{`Closure ${closures.length + 1}`}</summary>
        {/* Each closure has a form of its own: what is typed for the next is not cleared as the last is stored. */}
        <ClosureForm
          key={closures.length}
          number={closures.length + 1}
          limits={closures.length === 0 ? gentleLimits(sheet) : sheet}
          draftKey={`${draftKey} ${closures.length + 1}`}
          refusal={refusal}
          main={!clean}
          open={open}
          onClosure={(closure) => onRecord({ kind: 'closures', closures: [...closures, closure] })}
        />
      </details>
    </div>
  )
}

function ClosureForm({
  number,
  limits,
  draftKey,
  refusal,
  main,
  open,
  onClosure,
}: {
  readonly number: number
  readonly limits: PressLimits
  readonly draftKey: string
  readonly refusal?: Saying
  /** Whether it is what to do next. */
  readonly main: boolean
  readonly open: boolean
  readonly onClosure: (closure: Closure) => Promise<boolean>
}) {
  const { unit, decimals } = keptUnit('kilopascals')
  const [typed, keep, forget] = useDraft(draftKey, () => ({ gauge: '', taken: '', seen: '' as Seen | '' }))
  const [tried, setTried] = useState(false)
  const { value, fault } = readNumber(typed.gauge, unit)
  const record = async () => {
    setTried(true)
    if (value === undefined || typed.seen === '') return
    const stored = await onClosure({
      kilopascals: value,
      flash: typed.seen === 'flash' || typed.seen === 'both',
      gap: typed.seen === 'gap' || typed.seen === 'both',
      from: typed.gauge === typed.taken ? 'press' : 'hand',
    })
    if (stored) forget()
  }
  return (
    <>
      <LiveGauge
        limits={limits}
        onTake={(kilopascals) => {
          const text = kilopascals.toFixed(decimals)
          keep({ ...typed, gauge: text, taken: text })
        }}
      />
      <form
        noValidate
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          if (open) void record()
        }}
      >
        <div className="grid items-start gap-x-4 sm:grid-cols-[13rem_minmax(0,1fr)]">
          <NumberField
            label="Gauge, as it held"
            unit={unit}
            text={typed.gauge}
            onText={(gauge) => keep({ ...typed, gauge })}
            fault={tried || typed.gauge !== '' ? fault : undefined}
            hint={gaugeHint(typed, number)}
          />
          <Pills<Seen | ''>
            label="After opening"
            options={(Object.keys(seenWords) as Seen[]).map((seen) => [seen, seenWords[seen]])}
            value={typed.seen}
            onChoose={(seen) => keep({ ...typed, seen })}
          />
        </div>
        {tried && typed.seen === '' && <Message tone="error">Open the flask and say what shows.</Message>}
        {refusal && <Message tone="error" words={refusal} />}
        <button type="submit" className={`${main ? 'act-main' : 'act'} justify-self-start`} disabled={!open}>
          Record closure {number}
        </button>
      </form>
    </>
  )
}

function gaugeHint({ gauge, taken }: { gauge: string; taken: string }, number: number): string {
  if (gauge !== '') return gauge === taken ? 'from the press' : 'typed'
  return number === 1 ? 'the first one gentle' : 'once it holds'
}

/** Each closure as a column as high as its pressure, against the band of a trial closure. */
function ClosureRow({
  closures,
  sheet,
}: {
  readonly closures: readonly Closure[]
  readonly sheet: SheetOfKind<'closures'>
}) {
  const units = usePreferences((preferences) => preferences.units)
  const { leastKilopascals, mostKilopascals } = sheet
  const full = Math.max(mostKilopascals, ...closures.map(({ kilopascals }) => kilopascals)) * 1.1
  const share = (kilopascals: number) => `${(100 * kilopascals) / full}%`
  return (
    <ol className="flex flex-wrap gap-3" aria-label="Closures so far">
      {closures.map(({ kilopascals, flash, gap, from }, index) => (
        <li key={index} className="w-28">
          <div className="bg-base-200 relative h-16 overflow-hidden rounded-lg" aria-hidden>
            <div
              className="absolute inset-x-0 opacity-50"
              style={{
                bottom: share(leastKilopascals),
                height: share(mostKilopascals - leastKilopascals),
                background: 'var(--good)',
              }}
            />
            <div
              className="absolute bottom-0 left-1/4 w-1/2 rounded-t"
              style={{
                height: share(kilopascals),
                background: flash || gap ? 'var(--resin)' : 'var(--stone)',
              }}
            />
          </div>
          <p className="text-sm">
            <b className="figures">{`${index + 1}: ${quantity(kilopascals, 'kilopascals', units)}`}</b>
            <br />
            {seenWords[flash ? (gap ? 'both' : 'flash') : gap ? 'gap' : 'clean']}
            {from === 'hand' && ', typed'}
          </p>
        </li>
      ))}
    </ol>
  )
}
