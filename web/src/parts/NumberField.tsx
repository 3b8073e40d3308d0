import type { Saying } from '@yentrik/core'
import { type Ref, useId } from 'react'
import { usePreferences } from '../preferences/preferences.ts'
import { keptText, shownText, useBenchUnit } from './bench-unit.ts'
import { Message } from './Message.tsx'
import { readNumber } from './read-number.ts'

interface NumberEntryProps {
  /** Metric; a bench with other units types and sees those. */
  readonly unit: string
  /** By how much, not how hot. */
  readonly apart?: boolean
  /** As typed; it stays in the field whatever becomes of it. */
  readonly text: string
  readonly onText: (text: string) => void
  readonly wrong: boolean
  readonly id?: string
  readonly describedBy?: string
  /** Its name, where no label stands above it. */
  readonly name?: string
  readonly size?: keyof typeof sizes
  readonly autoFocus?: boolean
  readonly entry?: Ref<HTMLInputElement>
  readonly onBlur?: () => void
}

const sizes = {
  large: 'h-14 w-full text-2xl',
  middle: 'h-12 w-36 text-xl',
  narrow: 'h-12 w-28 text-lg',
  /** In a table that names the unit in its head. */
  cell: 'h-11 w-full px-2 text-lg',
  tallCell: 'h-14 w-14 px-1.5 text-xl sm:w-20 sm:px-2 sm:text-2xl',
}

/** The one entry for a measured number. The text is never changed behind the person's back. */
export function NumberEntry({
  unit,
  apart,
  text,
  onText,
  wrong,
  id,
  describedBy,
  name,
  size = 'large',
  autoFocus,
  entry,
  onBlur,
}: NumberEntryProps) {
  const system = usePreferences(({ units }) => units)
  const shownUnit = useBenchUnit()(unit)
  return (
    <span className={`input bg-base-100 flex items-center ${sizes[size]} ${wrong ? 'input-error' : ''}`}>
      <input
        ref={entry}
        id={id}
        inputMode="decimal"
        autoComplete="off"
        className="figures min-w-0 grow font-semibold"
        value={shownText(text, unit, system, apart)}
        onChange={(event) => onText(keptText(event.target.value, unit, system))}
        onBlur={onBlur}
        aria-label={name}
        aria-invalid={wrong}
        aria-describedby={describedBy}
        // biome-ignore lint/a11y/noAutofocus: the one entry of a sheet that was just opened
        autoFocus={autoFocus}
      />
      {unit && !(size === 'cell' || size === 'tallCell') && (
        <span className="text-base opacity-75">{shownUnit}</span>
      )}
    </span>
  )
}

interface NumberFieldProps extends Omit<NumberEntryProps, 'wrong' | 'id' | 'describedBy' | 'name' | 'size'> {
  readonly label: string
  /** A sentence that says what is wrong with it. */
  readonly fault?: Saying
  readonly hint?: string
}

/** A measured number with its label and its unit, what is wrong with it, and what was understood where it was typed in another unit. */
export function NumberField({ label, fault, hint, ...entry }: NumberFieldProps) {
  const id = useId()
  const understood = useUnderstood(entry.text, entry.unit, entry.apart) ?? hint
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="mb-1 block font-semibold">
        {label}
      </label>
      <NumberEntry {...entry} id={id} describedBy={`${id}-message`} wrong={fault !== undefined} />
      <div id={`${id}-message`} className="mt-1 min-h-6 text-sm">
        {fault !== undefined ? (
          <Message tone="error" words={fault} />
        ) : (
          <span className="opacity-80">{understood}</span>
        )}
      </div>
    </div>
  )
}

/** What was understood where it is kept in another unit than the one it was typed in, or is shown in another than it is kept in. */
function useUnderstood(text: string, unit: string, apart = false): string | undefined {
  const system = usePreferences(({ units }) => units)
  const shown = useBenchUnit()(unit)
  const { value, converted } = readNumber(text, unit, { apart })
  if (value === undefined) return undefined
  if (converted || shown !== unit) {
    // What was typed in the very unit of the field is told in the unit of the bench.
    const typedAsKept = shownText(text, unit, system, apart) === text && !converted
    return typedAsKept
      ? `is ${shownText(String(value), unit, system, apart)} ${shown}`
      : `is ${Number(value.toPrecision(4))} ${unit}`
  }
  return undefined
}
