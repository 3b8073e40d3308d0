import { useId } from 'react'

/** Values to choose from, each with its name on the screen. */
export type Options<T extends string> = readonly (readonly [value: T, name: string])[]

/** A few choices side by side, one of them picked: large enough for a gloved finger. */
export function Pills<T extends string>({
  label,
  options,
  value,
  onChoose,
}: {
  readonly label: string
  readonly options: Options<T>
  readonly value: T
  readonly onChoose: (value: T) => void
}) {
  const name = useId()
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">{label}</legend>
      <div className="flex flex-wrap gap-2">
        {options.map(([each, words]) => (
          <label
            key={each}
            className={`small-act relative cursor-pointer has-focus-visible:outline-3 ${each === value ? 'btn-primary' : ''}`}
          >
            <input
              type="radio"
              className="sr-only"
              name={name}
              checked={each === value}
              onChange={() => onChoose(each)}
            />
            {words}
          </label>
        ))}
      </div>
    </fieldset>
  )
}

/** Many choices in a list that opens. */
export function SelectField<T extends string>({
  label,
  options,
  value,
  onChoose,
  hint,
  disabled,
}: {
  readonly label: string
  readonly options: Options<T>
  readonly value: T
  readonly onChoose: (value: T) => void
  readonly hint?: string
  readonly disabled?: boolean
}) {
  const id = useId()
  return (
    <div>
      <label htmlFor={id} className="block font-semibold">
        {label}
      </label>
      <select
        id={id}
        className="select bg-base-100 mt-1 h-12 w-full text-base"
        value={value}
        disabled={disabled}
        aria-describedby={hint ? `${id}-hint` : undefined}
        onChange={(event) => onChoose(event.target.value as T)}
      >
        {options.map(([each, words]) => (
          <option key={each} value={each}>
            {words}
          </option>
        ))}
      </select>
      {hint && (
        <span id={`${id}-hint`} className="text-sm opacity-80">
          {hint}
        </span>
      )}
    </div>
  )
}
