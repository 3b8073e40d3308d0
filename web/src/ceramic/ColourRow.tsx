import type { Lab } from '@yentrik/core'
import { NumberEntry } from '../parts/NumberField.tsx'
import { type ColourText, colourText, isEmpty, readColour } from './plan-draft.ts'

const COLUMNS =
  'grid grid-cols-[4.5rem_repeat(3,minmax(3.5rem,1fr))] items-center gap-2 sm:grid-cols-[4.5rem_repeat(3,5.5rem)_minmax(0,1fr)]'

/** What stands in the columns of the rows under it. */
export function ColourHead() {
  return (
    <div className={`${COLUMNS} -mb-1 text-sm font-semibold`} aria-hidden>
      <span />
      {['L*', 'a*', 'b*'].map((part) => (
        <span key={part} className="text-center">
          {part}
        </span>
      ))}
    </div>
  )
}

/** A colour as it is entered: typed, chosen from what the lab has measured, or read. */
export function ColourRow({
  label,
  colour,
  onColour,
  choices = [],
  chooseLabel,
  onRead,
}: {
  readonly label: string
  readonly colour: ColourText
  readonly onColour: (colour: ColourText) => void
  /** Measured colours under their names. */
  readonly choices?: readonly (readonly [name: string, colour: Lab])[]
  readonly chooseLabel?: string
  readonly onRead?: () => void
}) {
  const wrong = !isEmpty(colour) && readColour(colour) === undefined
  return (
    <div className={COLUMNS}>
      <b>{label}</b>
      {(['L', 'a', 'b'] as const).map((part) => (
        <NumberEntry
          key={part}
          name={`${label} ${part}*`}
          unit=""
          size="cell"
          text={colour[part]}
          onText={(text) => onColour({ ...colour, [part]: text })}
          wrong={wrong}
        />
      ))}
      <span className="flex gap-2 max-sm:col-span-4">
        {choices.length > 0 && (
          <select
            className="select bg-base-100 h-11 w-24 shrink-0 text-base"
            aria-label={chooseLabel}
            value=""
            onChange={(event) => {
              const found = choices.find(([name]) => name === event.target.value)
              if (found) onColour(colourText(found[1]))
            }}
          >
            <option value="">Tab</option>
            {choices.map(([name]) => (
              <option key={name} value={name}>
                {name}
              </option>
            ))}
          </select>
        )}
        {onRead && (
          <button type="button" className="small-act" onClick={onRead} aria-label={`Read ${label}`}>
            Read
          </button>
        )}
      </span>
    </div>
  )
}
