import type { Saying } from '@yentrik/core'
import { NumberField } from './NumberField.tsx'
import type { Typed } from './typed-figures.ts'

interface FigureSpec {
  readonly key: string
  readonly label: string
  readonly unit: string
  readonly hint?: string
  /** By how much, not how hot. */
  readonly apart?: boolean
}

/** A row of numbers that belong to one question. An empty field is named only by what is missing below. */
export function FigureFields({
  specs,
  typed,
  faults,
  onTyped,
  wanted = false,
}: {
  readonly specs: readonly FigureSpec[]
  readonly typed: Typed
  readonly faults: Readonly<Record<string, Saying>>
  readonly onTyped: (typed: Typed) => void
  /** Whether an empty field is a fault. */
  readonly wanted?: boolean
}) {
  return (
    <div className="grid grid-cols-2 gap-x-3">
      {specs.map(({ key, label, unit, hint, apart }) => (
        <NumberField
          key={key}
          label={label}
          unit={unit}
          apart={apart}
          text={typed[key] ?? ''}
          onText={(text) => onTyped({ ...typed, [key]: text })}
          fault={(typed[key] ?? '') === '' && !wanted ? undefined : faults[key]}
          hint={hint}
        />
      ))}
    </div>
  )
}
