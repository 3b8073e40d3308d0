import type { Spell } from '@yentrik/core'
import { useState } from 'react'
import { dayAndTime } from '../format/format.ts'
import { instantOf } from './date-entry.ts'
import { TextField } from './TextField.tsx'

interface SpellsProps {
  readonly title: string
  readonly spells: readonly Spell[]
  readonly onSpells: (spells: readonly Spell[]) => void
  /** What a new one is for, in the field. */
  readonly why: string
  readonly now: number
}

/** Stretches of time, as days off or out of order: a list, and one to be added. */
export function Spells({ title, spells, onSpells, why, now }: SpellsProps) {
  const [typed, setTyped] = useState({
    fromDay: '',
    fromTime: '07:30',
    untilDay: '',
    untilTime: '17:00',
    why: '',
  })
  const [fault, setFault] = useState<string>()
  const keep = (change: Partial<typeof typed>) => setTyped((before) => ({ ...before, ...change }))
  const add = () => {
    const from = instantOf(typed.fromDay, typed.fromTime)
    const until = instantOf(typed.untilDay || typed.fromDay, typed.untilTime)
    if (from === undefined || until === undefined) return setFault('Enter both days, and both times.')
    if (until <= from) return setFault('It is over before it begins: look at the days and the times.')
    setFault(undefined)
    onSpells([
      ...spells,
      {
        from: new Date(from).toISOString(),
        until: new Date(until).toISOString(),
        ...(typed.why.trim() ? { why: typed.why.trim() } : {}),
      },
    ])
    setTyped((before) => ({ ...before, fromDay: '', untilDay: '', why: '' }))
  }
  return (
    <fieldset className="border-base-300 grid gap-2 border-t pt-3">
      <legend className="pr-2 font-semibold">{title}</legend>
      {spells.length > 0 && (
        <ul className="grid gap-1">
          {spells.map((spell) => (
            <li
              key={`${spell.from} ${spell.until}`}
              className="flex min-h-11 items-center justify-between gap-2"
            >
              <span className="figures">
                {dayAndTime(Date.parse(spell.from), now)} to {dayAndTime(Date.parse(spell.until), now)}
                {spell.why && <span className="block text-sm opacity-80">{spell.why}</span>}
              </span>
              <button
                type="button"
                className="small-act"
                aria-label={`Take off ${title}, ${dayAndTime(Date.parse(spell.from), now)}`}
                onClick={() => onSpells(spells.filter((each) => each !== spell))}
              >
                Take off
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="grid grid-cols-2 gap-x-3">
        <TextField label="From" type="date" text={typed.fromDay} onText={(fromDay) => keep({ fromDay })} />
        <TextField label="at" type="time" text={typed.fromTime} onText={(fromTime) => keep({ fromTime })} />
        <TextField
          label="Until"
          type="date"
          text={typed.untilDay}
          onText={(untilDay) => keep({ untilDay })}
        />
        <TextField
          label="at this time"
          type="time"
          text={typed.untilTime}
          onText={(untilTime) => keep({ untilTime })}
        />
      </div>
      <TextField label={why} text={typed.why} onText={(text) => keep({ why: text })} />
      {fault && <p className="text-error">{fault}</p>}
      <button type="button" className="act justify-self-start" onClick={add}>
        Add
      </button>
    </fieldset>
  )
}
