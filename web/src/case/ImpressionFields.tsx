import {
  type ImpressionMaterial,
  impressionKeeping,
  impressionMaterials,
  type PouredImpression,
} from '@yentrik/core'
import { labNow } from '../live/lab-clock.ts'
import { SelectField } from '../parts/Choices.tsx'
import { dateText } from '../parts/date-entry.ts'
import { Message } from '../parts/Message.tsx'
import { TextField } from '../parts/TextField.tsx'
import { type TypedImpression, usualImpression } from './typed-impressions.ts'

/** What came from the mouth: its material and when it was taken, since its clock runs from then. */
export function ImpressionFields({
  poured,
  typed,
  onTyped,
  fault,
}: {
  readonly poured: readonly PouredImpression[]
  readonly typed: Readonly<Record<string, TypedImpression>>
  readonly onTyped: (typed: Readonly<Record<string, TypedImpression>>) => void
  readonly fault?: string
}) {
  return (
    <fieldset className="grid gap-3">
      {poured.map((impression) => {
        const { id, name, ifGiven } = impression
        const entry = typed[id] ?? usualImpression(impression)
        const change = (part: Partial<TypedImpression>) => onTyped({ ...typed, [id]: { ...entry, ...part } })
        return (
          <div key={id} className="grid items-start gap-x-5 gap-y-2 sm:grid-cols-4">
            <SelectField
              label={name}
              options={[
                ...(ifGiven ? [['', 'None came'] as const] : []),
                ...impressionMaterials.map(
                  (material) => [material, impressionKeeping[material].name] as const,
                ),
              ]}
              value={entry.material}
              onChoose={(material) => change({ material: material as ImpressionMaterial | '' })}
            />
            {entry.material === '' ? null : impressionKeeping[entry.material].window ? (
              <>
                <TextField
                  label="Taken at"
                  type="time"
                  text={entry.time}
                  onText={(time) => change({ time, day: entry.day || dateText(labNow()) })}
                />
                <TextField
                  label="Taken on"
                  type="date"
                  text={entry.day || dateText(labNow())}
                  onText={(day) => change({ day })}
                />
                <TextField
                  label="Keeps, min"
                  text={entry.keeps}
                  onText={(text) => change({ keeps: text })}
                  inputMode="numeric"
                  hint="Only where its pack says so"
                />
              </>
            ) : (
              <p className="text-sm opacity-80 sm:col-span-3 sm:mt-10">
                {impressionKeeping[entry.material].say}
              </p>
            )}
          </div>
        )
      })}
      {fault && <Message tone="error">{fault}</Message>}
    </fieldset>
  )
}
