import type { Saying } from '@yentrik/core'
import { useId } from 'react'
import { Message } from './Message.tsx'

interface TextFieldProps {
  readonly label: string
  readonly text: string
  readonly onText: (text: string) => void
  readonly fault?: Saying
  readonly hint?: string
  readonly type?: 'text' | 'date' | 'time' | 'password'
  readonly lines?: number
  readonly suggestions?: readonly string[]
  readonly autoFocus?: boolean
  /** A bench tablet shows its digits. */
  readonly inputMode?: 'numeric'
}

/** Words, a date or a time, with its label and what is wrong with it. */
export function TextField({
  label,
  text,
  onText,
  fault,
  hint,
  type = 'text',
  lines,
  suggestions,
  autoFocus,
  inputMode,
}: TextFieldProps) {
  const id = useId()
  const shared = {
    id,
    value: text,
    'aria-invalid': fault !== undefined,
    'aria-describedby': `${id}-message`,
    autoComplete: 'off',
    autoFocus,
    inputMode,
  }
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="mb-1 block font-semibold">
        {label}
      </label>
      {lines ? (
        <textarea
          {...shared}
          rows={lines}
          className={`textarea bg-base-100 w-full text-base ${fault ? 'textarea-error' : ''}`}
          onChange={(event) => onText(event.target.value)}
        />
      ) : (
        <input
          {...shared}
          type={type}
          list={suggestions ? `${id}-list` : undefined}
          className={`entry ${fault ? 'input-error' : ''}`}
          onChange={(event) => onText(event.target.value)}
        />
      )}
      {suggestions && (
        <datalist id={`${id}-list`}>
          {suggestions.map((word) => (
            <option key={word} value={word} />
          ))}
        </datalist>
      )}
      <div id={`${id}-message`} className="mt-0.5 text-sm">
        {fault !== undefined ? (
          <Message tone="error" words={fault} />
        ) : (
          hint && <span className="opacity-80">{hint}</span>
        )}
      </div>
    </div>
  )
}
