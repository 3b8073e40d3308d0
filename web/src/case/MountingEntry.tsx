import type { SheetData } from '@yentrik/core'
import { useState } from 'react'
import { ArticulatorFields } from '../mounting/ArticulatorFields.tsx'
import { articulatorOf, entryOfArticulator, usualArticulator } from '../mounting/articulator-entry.ts'
import { NumberField, readNumber } from '../parts/NumberField.tsx'
import { Told } from '../parts/Told.tsx'

/** What the articulator is set to, and where its pin stands: the reference for everything after. */
export function MountingEntry({
  last,
  refusal,
  open,
  onRecord,
}: {
  last: SheetData | undefined
  refusal?: string
  open: boolean
  onRecord: (data: SheetData) => Promise<boolean>
}) {
  const kept = last?.kind === 'mounting' ? last : undefined
  const [entry, setEntry] = useState(() =>
    kept ? entryOfArticulator(kept.name, kept.articulator) : usualArticulator,
  )
  const [pin, setPin] = useState(kept ? String(kept.pinMillimetres) : '')
  const [facebow, setFacebow] = useState(kept?.facebow ?? false)
  const [tried, setTried] = useState(false)
  const { articulator } = articulatorOf(entry)
  const reading = readNumber(pin, 'mm')
  const record = () => {
    setTried(true)
    if (open && articulator && reading.value !== undefined)
      void onRecord({
        kind: 'mounting',
        name: entry.name,
        articulator,
        pinMillimetres: reading.value,
        facebow,
      })
  }
  return (
    <form
      className="grid gap-3"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        record()
      }}
    >
      <div className="grid items-start gap-3 sm:grid-cols-2">
        <NumberField
          label="Pin reading"
          unit="mm"
          text={pin}
          onText={setPin}
          fault={tried ? reading.fault : undefined}
          hint="0 when it stands on its table at zero"
        />
        <label className="flex min-h-11 items-center gap-3 self-center font-semibold">
          <input
            type="checkbox"
            className="checkbox checkbox-lg"
            checked={facebow}
            onChange={(event) => setFacebow(event.target.checked)}
          />
          Upper placed by facebow
        </label>
      </div>
      <ArticulatorFields entry={entry} onEntry={setEntry} />
      {refusal && <Told tone="error">{refusal}</Told>}
      <button type="submit" className="act justify-self-start" disabled={!open}>
        Record
      </button>
    </form>
  )
}
