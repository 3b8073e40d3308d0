import { parseTypedNumber } from '@yentrik/core'
import { useId } from 'react'
import { Told } from './Told.tsx'

interface NumberFieldProps {
  readonly label: string
  readonly unit: string
  /** As typed; it stays in the field whatever becomes of it. */
  readonly text: string
  readonly onText: (text: string) => void
  /** A sentence that says what is wrong with it. */
  readonly fault?: string
  readonly hint?: string
  readonly autoFocus?: boolean
}

/** A measured number with its unit. The text is never changed behind the person's back. */
export function NumberField({ label, unit, text, onText, fault, hint, autoFocus }: NumberFieldProps) {
  const id = useId()
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="mb-1 block font-semibold">
        {label}
      </label>
      <span
        className={`input bg-base-100 flex h-14 w-full items-center text-2xl ${fault ? 'input-error' : ''}`}
      >
        <input
          id={id}
          inputMode="decimal"
          autoComplete="off"
          className="figures min-w-0 grow font-semibold"
          value={text}
          onChange={(event) => onText(event.target.value)}
          aria-invalid={fault !== undefined}
          aria-describedby={`${id}-told`}
          // biome-ignore lint/a11y/noAutofocus: the one entry of a sheet that was just opened
          autoFocus={autoFocus}
        />
        {unit && <span className="text-lg opacity-75">{unit}</span>}
      </span>
      <div id={`${id}-told`} className="mt-1 min-h-6 text-sm">
        {fault ? <Told tone="error">{fault}</Told> : <span className="opacity-80">{hint}</span>}
      </div>
    </div>
  )
}

/** The number typed, or the sentence to show; an empty field is neither, unless it is wanted. */
export function readNumber(text: string, unit: string, wanted = true): { value?: number; fault?: string } {
  if (text.trim() === '' && !wanted) return {}
  const parsed = parseTypedNumber(text, unit)
  return parsed.ok ? { value: parsed.value } : { fault: parsed.sentence }
}
