import { type PartCount, recordedSheet, showTooth } from '@yentrik/core'
import { useState } from 'react'
import { quantity } from '../format/format.ts'
import { labNow } from '../live/lab-clock.ts'
import { keptUnit } from '../parts/bench-unit.ts'
import { dateText, instantOf, timeText } from '../parts/date-entry.ts'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberEntry } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { TextField } from '../parts/TextField.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import type { SheetEntryProps } from '../record/sheet-entry.ts'
import { Recorder } from './Recorder.tsx'

/** A line of a sheet while it is typed. */
interface Line {
  readonly key: number
  readonly name: string
  readonly text: string
}
const line = (name: string, text: string, key: number): Line => ({ key, name, text })

interface LinesProps {
  readonly lines: readonly Line[]
  readonly onLines: (lines: readonly Line[]) => void
  readonly unit: string
  readonly faults: ReadonlyMap<number, string>
  readonly fixedNames: boolean
  readonly another: string
}

/** Names with a number each; a line more or less. The text stays as typed. */
function Lines({ lines, onLines, unit, faults, fixedNames, another }: LinesProps) {
  const change = (key: number, to: Partial<Line>) =>
    onLines(lines.map((each) => (each.key === key ? { ...each, ...to } : each)))
  return (
    <div className="grid gap-2">
      {lines.map((each) => (
        <div key={each.key}>
          <div className="flex items-center gap-2">
            {fixedNames ? (
              <span className="min-w-0 grow text-lg">{each.name}</span>
            ) : (
              <input
                className="entry grow"
                aria-label="What or where"
                value={each.name}
                onChange={(event) => change(each.key, { name: event.target.value })}
              />
            )}
            <NumberEntry
              name={each.name || 'Value'}
              unit={unit}
              text={each.text}
              onText={(text) => change(each.key, { text })}
              wrong={faults.has(each.key)}
              size="middle"
            />
            {!fixedNames && (
              <button
                type="button"
                className="small-act"
                aria-label={`Take away ${each.name}`}
                onClick={() => onLines(lines.filter(({ key }) => key !== each.key))}
              >
                Less
              </button>
            )}
          </div>
          {faults.has(each.key) && <Message tone="error">{faults.get(each.key)}</Message>}
        </div>
      ))}
      {!fixedNames && (
        <button
          type="button"
          className="small-act justify-self-start"
          onClick={() => onLines([...lines, line('', '', Math.max(0, ...lines.map(({ key }) => key)) + 1)])}
        >
          {another}
        </button>
      )}
    </div>
  )
}

/** Counts what was typed; `undefined` while a line is wrong, which then says so. */
function countedParts(lines: readonly Line[]): {
  parts?: readonly PartCount[]
  wrong: ReadonlyMap<number, string>
} {
  const used = lines.filter(({ name, text }) => name.trim() !== '' || text.trim() !== '')
  const wrong = new Map<number, string>()
  const parts = used.map(({ key, name, text }) => {
    const { value, fault } = readNumber(text, '')
    if (name.trim() === '') wrong.set(key, 'Name the part, or take the line away.')
    else if (fault) wrong.set(key, fault)
    else if (!Number.isInteger(value)) wrong.set(key, 'Enter a whole number.')
    return { name: name.trim(), count: value ?? 0 }
  })
  return wrong.size === 0 && parts.length > 0 ? { parts, wrong } : { wrong }
}

export function PartsEntry({
  sheet,
  job,
  enclosures,
  last,
  draftKey,
  refusal,
  open,
  onRecord,
}: SheetEntryProps<'parts'>) {
  const of = sheet.returnOf && recordedSheet(job, sheet.returnOf)
  const came = of && 'parts' in of ? of.parts : undefined
  const start: readonly PartCount[] =
    last?.parts ?? came?.map(({ name }) => ({ name, count: Number.NaN })) ?? []
  // What was typed at intake is not typed again.
  const names = came
    ? []
    : [
        ...sheet.suggested,
        ...(sheet.withEnclosures ? enclosures : []).filter((each) => !sheet.suggested.includes(each)),
      ]
  const [lines, setLines, forget] = useDraft<readonly Line[]>(draftKey, () =>
    start.length > 0
      ? start.map(({ name, count }, key) => line(name, Number.isNaN(count) ? '' : String(count), key))
      : names.map((name, key) => line(name, '', key)),
  )
  const [faults, setFaults] = useState<ReadonlyMap<number, string>>(new Map())
  const record = () => {
    const { parts, wrong } = countedParts(lines)
    setFaults(wrong)
    if (parts) void onRecord({ kind: 'parts', parts }).then((kept) => kept && forget())
  }
  return (
    <Recorder open={open} refusal={refusal} onRecord={record}>
      <Lines
        lines={lines}
        onLines={setLines}
        unit=""
        faults={faults}
        fixedNames={came !== undefined}
        another="Another part"
      />
      {came && (
        <p className="text-sm opacity-80">
          On the list: {came.map(({ name, count }) => `${count} ${name}`).join(', ')}.
        </p>
      )}
    </Recorder>
  )
}

/** What goes along to the clinic, and when it is due back. */
export function DispatchEntry({
  sheet,
  last,
  draftKey,
  refusal,
  open,
  onRecord,
}: SheetEntryProps<'dispatch'>) {
  const [lines, setLines, forget] = useDraft<readonly Line[]>(draftKey, () =>
    last
      ? last.parts.map(({ name, count }, key) => line(name, String(count), key))
      : sheet.suggested.map((name, key) => line(name, '1', key)),
  )
  const dueBack = last && Date.parse(last.dueBackAt)
  const [{ day, time }, setBack, forgetBack] = useDraft(`${draftKey} back`, () => ({
    day: dueBack ? dateText(dueBack) : '',
    time: dueBack ? timeText(dueBack) : '12:00',
  }))
  const [faults, setFaults] = useState<ReadonlyMap<number, string>>(new Map())
  const [late, setLate] = useState<string>()
  const record = () => {
    const { parts, wrong } = countedParts(lines)
    setFaults(wrong)
    const due = instantOf(day, time)
    const fault =
      due === undefined
        ? 'Enter the day and the time agreed with the clinic.'
        : due <= labNow()
          ? 'It is past. Enter when the clinic sends it back.'
          : undefined
    setLate(fault)
    if (parts && due !== undefined && !fault)
      void onRecord({ kind: 'dispatch', parts, dueBackAt: new Date(due).toISOString() }).then((kept) => {
        if (!kept) return
        forget()
        forgetBack()
      })
  }
  return (
    <Recorder open={open} refusal={refusal} onRecord={record}>
      <Lines
        lines={lines}
        onLines={setLines}
        unit=""
        faults={faults}
        fixedNames={false}
        another="Another part"
      />
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="Due back, day"
          type="date"
          text={day}
          onText={(text) => setBack({ day: text, time })}
          fault={late}
        />
        <TextField
          label="Due back, time"
          type="time"
          text={time}
          onText={(text) => setBack({ day, time: text })}
        />
      </div>
    </Recorder>
  )
}

export function PlacesEntry({
  sheet,
  last,
  draftKey,
  teeth,
  refusal,
  open,
  onRecord,
}: SheetEntryProps<'places'>) {
  const notation = usePreferences((preferences) => preferences.teeth)
  const units = usePreferences((preferences) => preferences.units)
  const { unit } = keptUnit(sheet.quantity)
  const start = last?.places ?? []
  const suggested = [
    ...sheet.suggested,
    ...(sheet.suggestTeeth ? teeth.map((tooth) => showTooth(tooth, notation)) : []),
  ]
  const [lines, setLines, forget] = useDraft<readonly Line[]>(draftKey, () =>
    start.length > 0
      ? start.map(({ place, value }, key) => line(place, String(value), key))
      : suggested.map((place, key) => line(place, '', key)),
  )
  const [faults, setFaults] = useState<ReadonlyMap<number, string>>(new Map())
  const record = () => {
    const used = lines.filter(({ text }) => text.trim() !== '')
    const wrong = new Map<number, string>()
    const places = used.map(({ key, name, text }) => {
      const { value, fault } = readNumber(text, unit)
      if (name.trim() === '') wrong.set(key, 'Say where, or take the line away.')
      else if (fault) wrong.set(key, fault)
      return { place: name.trim(), value: value ?? 0 }
    })
    setFaults(wrong)
    if (wrong.size === 0) void onRecord({ kind: 'places', places }).then((kept) => kept && forget())
  }
  const show = (value: number) => quantity(value, sheet.quantity, units)
  return (
    <Recorder open={open} refusal={refusal} onRecord={record}>
      <p>
        {sheet.min !== undefined && `At least ${show(sheet.min)}`}
        {sheet.max !== undefined && `, at most ${show(sheet.max)}`}
        {sheet.leastPlaces > 1 && `, at ${sheet.leastPlaces} places or more`}.
      </p>
      <Lines
        lines={lines}
        onLines={setLines}
        unit={unit}
        faults={faults}
        fixedNames={false}
        another="Another place"
      />
    </Recorder>
  )
}
