import { useState } from 'react'
import { ArticulatorFields } from '../mounting/ArticulatorFields.tsx'
import { articulatorOf, entryOfArticulator, usualArticulator } from '../mounting/articulator-entry.ts'
import { useDraft } from '../parts/draft.ts'
import { FileButton } from '../parts/FileButton.tsx'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { smallPicture } from '../parts/small-picture.ts'
import type { SheetEntryProps } from '../record/sheet-entry.ts'

/** What the articulator is set to, and where its pin stands: the reference for everything after. */
export function MountingEntry({ last, draftKey, refusal, open, onRecord }: SheetEntryProps<'mounting'>) {
  const kept = last
  const [typed, keep, forget] = useDraft(draftKey, () => ({
    entry: kept ? entryOfArticulator(kept.name, kept.articulator) : usualArticulator,
    pin: kept ? String(kept.pinMillimetres) : '',
    facebow: kept?.facebow ?? false,
    photo: kept?.photo,
  }))
  const { entry, pin, facebow, photo } = typed
  const [photoFault, setPhotoFault] = useState<string>()
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
        ...(photo ? { photo } : {}),
      }).then((stored) => stored && forget())
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
          onText={(text) => keep({ ...typed, pin: text })}
          fault={tried ? reading.fault : undefined}
          hint="0 when it stands on its table at zero"
        />
        <label className="flex min-h-11 items-center gap-3 self-center font-semibold">
          <input
            type="checkbox"
            className="checkbox checkbox-lg"
            checked={facebow}
            onChange={(event) => keep({ ...typed, facebow: event.target.checked })}
          />
          Upper placed by facebow
        </label>
      </div>
      <ArticulatorFields entry={entry} onEntry={(next) => keep({ ...typed, entry: next })} />
      <div className="flex flex-wrap items-center gap-3">
        <FileButton
          accept="image/*"
          capture="environment"
          onFile={(file) =>
            void smallPicture(file).then((small) => {
              setPhotoFault(small ? undefined : 'This file is no picture that can be read. Take another.')
              if (small) keep({ ...typed, photo: small })
            })
          }
        >
          {photo ? 'Another picture' : 'Add a picture (optional)'}
        </FileButton>
        {photo && (
          <>
            <img src={photo} alt="The mounted casts" className="h-20 rounded-xl" />
            <button type="button" className="small-act" onClick={() => keep({ ...typed, photo: undefined })}>
              Without it
            </button>
          </>
        )}
        {photoFault && <Message tone="error">{photoFault}</Message>}
      </div>
      {refusal && <Message tone="error" words={refusal} />}
      <button type="submit" className="act justify-self-start" disabled={!open}>
        Record
      </button>
    </form>
  )
}
