import { articulatorCards } from '@yentrik/core'
import { SelectField } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import {
  type ArticulatorEntry,
  articulatorFields,
  articulatorOf,
  entryOfArticulator,
} from './articulator-entry.ts'

/** The settings of an articulator: a kind to begin with, every figure as read off it. */
export function ArticulatorFields({
  entry,
  onEntry,
}: {
  entry: ArticulatorEntry
  onEntry: (entry: ArticulatorEntry) => void
}) {
  const { faults, fault } = articulatorOf(entry)
  const card = articulatorCards.find(({ name }) => name === entry.name)
  return (
    <div className="grid gap-2">
      <SelectField
        label="Kind"
        options={[
          ...articulatorCards.map(({ name }) => [name, name] as const),
          ...(card ? [] : [[entry.name, entry.name] as const]),
        ]}
        value={entry.name}
        onChoose={(name) => {
          const chosen = articulatorCards.find((each) => each.name === name)
          if (chosen) onEntry(entryOfArticulator(chosen.name, chosen.articulator))
        }}
        hint={card?.source}
      />
      <div className="grid gap-x-3 sm:grid-cols-2">
        {articulatorFields.map(([field, label, unit]) => (
          <NumberField
            key={field}
            label={label}
            unit={unit}
            text={entry[field]}
            onText={(text) => onEntry({ ...entry, [field]: text })}
            fault={faults[field]}
          />
        ))}
      </div>
      {fault && <Message tone="error" words={fault} />}
    </div>
  )
}
