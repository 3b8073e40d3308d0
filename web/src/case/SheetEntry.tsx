import {
  displayUnit,
  type JobState,
  type PartCount,
  type PlaceReading,
  recordedSheet,
  type SheetData,
  type StepSheet,
  sheetFaults,
} from '@yentrik/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { usePreferences } from '../app/preferences.ts'
import { quantity } from '../format/format.ts'
import { readNumber } from '../parts/NumberField.tsx'
import { Told } from '../parts/Told.tsx'
import { MountingEntry } from './MountingEntry.tsx'

interface SheetEntryProps {
  readonly sheet: StepSheet
  readonly job: JobState
  readonly stepId: string
  readonly caseId: string
  readonly refusal?: string
  readonly open: boolean
  readonly onRecord: (data: SheetData) => Promise<boolean>
  readonly onGoBack: (toStepId: string, remake: boolean, because: string) => void
  readonly stepName: (stepId: string) => string
}

/** A sheet of a step: several readings that belong together, and what they mean under it at once. */
export function SheetEntry(props: SheetEntryProps) {
  const { sheet, job, stepId, caseId, onGoBack, stepName } = props
  const last = recordedSheet(job, { stepId, sheetId: sheet.id })
  const faults = last ? sheetFaults(sheet, last, (of) => recordedSheet(job, of)) : []
  const accepted = job.steps[stepId]?.accepted.includes(sheet.id)
  return (
    <section className="border-base-300 border-t pt-3" aria-label={sheet.name}>
      <h3 className="text-lg font-semibold">{sheet.name}</h3>
      <p className="mb-2 text-sm opacity-80">
        {sheet.how} {sheet.source}.
      </p>
      {sheet.kind === 'parts' && <PartsEntry {...props} sheet={sheet} last={last} />}
      {sheet.kind === 'places' && <PlacesEntry {...props} sheet={sheet} last={last} />}
      {sheet.kind === 'mounting' && (
        <MountingEntry last={last} refusal={props.refusal} open={props.open} onRecord={props.onRecord} />
      )}
      {sheet.kind === 'mounting' && last && (
        <Link
          className="link mt-2 inline-block"
          to={`/mount?case=${caseId}&job=${job.jobId}&step=${stepId}&sheet=${sheet.id}`}
        >
          What the pin and the guides do
        </Link>
      )}
      {(sheet.kind === 'trimPlan' || sheet.kind === 'finishedPair') && (
        <Link
          className={last && faults.length === 0 ? 'act' : 'act-main'}
          to={`/trim?case=${caseId}&job=${job.jobId}&${sheet.kind === 'trimPlan' ? `plan=${stepId}` : `pair=${stepId}`}&sheet=${sheet.id}`}
        >
          {sheet.kind === 'trimPlan'
            ? last
              ? 'Look at the plan again'
              : 'Open the trim planner'
            : last
              ? 'Read it again'
              : 'Enter what you read'}
        </Link>
      )}
      {last && (
        <div className="mt-2 grid justify-items-start gap-2">
          {faults.length === 0 ? (
            <Told tone="good">On record</Told>
          ) : accepted ? (
            <Told tone="warning">{faults.join(', ')}: accepted by the dentist</Told>
          ) : (
            <>
              <Told tone="error">
                {faults.join(', ')}. {sheet.failing.say}
              </Told>
              {'toStepId' in sheet.failing && (
                <button
                  type="button"
                  className="act btn-error"
                  onClick={() => {
                    if ('toStepId' in sheet.failing)
                      onGoBack(
                        sheet.failing.toStepId,
                        sheet.failing.verdict === 'remake',
                        `${sheet.name}: ${faults.join(', ')}`,
                      )
                  }}
                >
                  Go back to "{stepName(sheet.failing.toStepId)}"
                </button>
              )}
            </>
          )}
        </div>
      )}
    </section>
  )
}

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
            <label
              className={`input bg-base-100 flex h-12 w-36 items-center text-xl ${faults.has(each.key) ? 'input-error' : ''}`}
            >
              <input
                inputMode="decimal"
                autoComplete="off"
                className="figures min-w-0 grow font-semibold"
                aria-label={each.name || 'Value'}
                aria-invalid={faults.has(each.key)}
                value={each.text}
                onChange={(event) => change(each.key, { text: event.target.value })}
              />
              {unit && <span className="text-base opacity-75">{unit}</span>}
            </label>
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
          {faults.has(each.key) && <Told tone="error">{faults.get(each.key)}</Told>}
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

function PartsEntry({
  sheet,
  job,
  last,
  refusal,
  open,
  onRecord,
}: SheetEntryProps & { sheet: StepSheet & { kind: 'parts' }; last: SheetData | undefined }) {
  const came = sheet.returnOf && recordedSheet(job, sheet.returnOf)
  const start: readonly PartCount[] =
    last?.kind === 'parts'
      ? last.parts
      : came?.kind === 'parts'
        ? came.parts.map(({ name }) => ({ name, count: Number.NaN }))
        : []
  const [lines, setLines] = useState<readonly Line[]>(() =>
    start.length > 0
      ? start.map(({ name, count }, key) => line(name, Number.isNaN(count) ? '' : String(count), key))
      : sheet.suggested.map((name, key) => line(name, '', key)),
  )
  const [faults, setFaults] = useState<ReadonlyMap<number, string>>(new Map())
  const record = () => {
    const used = lines.filter(({ name, text }) => name.trim() !== '' || text.trim() !== '')
    const wrong = new Map<number, string>()
    const parts = used.map(({ key, name, text }) => {
      const { value, fault } = readNumber(text, '')
      if (name.trim() === '') wrong.set(key, 'Name the part, or take the line away.')
      else if (fault) wrong.set(key, fault)
      else if (!Number.isInteger(value)) wrong.set(key, 'Enter a whole number.')
      return { name: name.trim(), count: value ?? 0 }
    })
    setFaults(wrong)
    if (wrong.size === 0 && parts.length > 0) void onRecord({ kind: 'parts', parts })
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
      {came?.kind === 'parts' && (
        <p className="text-sm opacity-80">
          Came in: {came.parts.map(({ name, count }) => `${count} ${name}`).join(', ')}.
        </p>
      )}
    </Recorder>
  )
}

function PlacesEntry({
  sheet,
  last,
  refusal,
  open,
  onRecord,
}: SheetEntryProps & { sheet: StepSheet & { kind: 'places' }; last: SheetData | undefined }) {
  const units = usePreferences((preferences) => preferences.units)
  const { unit, toStored, fromStored } = displayUnit(sheet.quantity, units)
  const start: readonly PlaceReading[] = last?.kind === 'places' ? last.places : []
  const [lines, setLines] = useState<readonly Line[]>(() =>
    start.length > 0
      ? start.map(({ place, value }, key) => line(place, String(Number(fromStored(value).toFixed(3))), key))
      : sheet.suggested.map((place, key) => line(place, '', key)),
  )
  const [faults, setFaults] = useState<ReadonlyMap<number, string>>(new Map())
  const record = () => {
    const used = lines.filter(({ text }) => text.trim() !== '')
    const wrong = new Map<number, string>()
    const places = used.map(({ key, name, text }) => {
      const { value, fault } = readNumber(text, unit)
      if (name.trim() === '') wrong.set(key, 'Say where, or take the line away.')
      else if (fault) wrong.set(key, fault)
      return { place: name.trim(), value: toStored(value ?? 0) }
    })
    setFaults(wrong)
    if (wrong.size === 0) void onRecord({ kind: 'places', places })
  }
  const show = (value: number) => quantity(value, sheet.quantity, units)
  return (
    <Recorder open={open} refusal={refusal} onRecord={record}>
      <p>
        {sheet.min !== undefined && `At least ${show(sheet.min)}`}
        {sheet.max !== undefined && `, at most ${show(sheet.max)}`}, at {sheet.leastPlaces} places or more.
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

function Recorder({
  open,
  refusal,
  onRecord,
  children,
}: {
  open: boolean
  refusal?: string
  onRecord: () => void
  children: React.ReactNode
}) {
  return (
    <form
      className="grid max-w-xl gap-3"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        if (open) onRecord()
      }}
    >
      {children}
      {refusal && <Told tone="error">{refusal}</Told>}
      <button type="submit" className="act justify-self-start" disabled={!open}>
        Record
      </button>
    </form>
  )
}
