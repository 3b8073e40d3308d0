import { checkPrescription, DomainError, type Prescription, type Saying } from '@yentrik/core'
import { useState } from 'react'
import { refusalWords } from '../parts/attempt.ts'
import { Pills } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { FrontCompare, SideCompare } from './CompareDrawing.tsx'
import { measureFaults, prescriptionOf, rimMeasures, type Typed, typedPrescription } from './measure-entry.ts'

interface PrescriptionPanelProps {
  readonly draftKey: string
  readonly arch: 'upper' | 'lower'
  /** Only where the route leaves it open. */
  readonly onArch?: (arch: 'upper' | 'lower') => void
  readonly stored?: Prescription
  readonly refusal?: Saying
  readonly button: string
  readonly onRecord?: (prescription: Prescription) => Promise<boolean>
}

/** What the record block says, measured before a wax tooth is touched. */
export function PrescriptionPanel({
  draftKey,
  arch,
  onArch,
  stored,
  refusal,
  button,
  onRecord,
}: PrescriptionPanelProps) {
  const [typed, keep, forget] = useDraft<Typed>(draftKey, () => (stored ? typedPrescription(stored) : {}))
  const [tried, setTried] = useState(false)
  const specs = rimMeasures(arch)
  const faults = measureFaults(specs, typed)
  const complete = Object.keys(faults).length === 0
  const prescription = prescriptionOf(arch, typed)
  const refused = complete ? refusalOf(prescription) : undefined
  const record = () => {
    setTried(true)
    if (complete && !refused && onRecord) void onRecord(prescription).then((kept) => kept && forget())
  }
  return (
    <form
      className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        record()
      }}
    >
      <section className="card-flat grid content-start gap-3 p-4" aria-label="The rim">
        {complete && !refused ? (
          <>
            <FrontCompare prescription={prescription} lines={[]} />
            <div className="h-40 w-52">
              <SideCompare prescription={prescription} lines={[]} />
            </div>
          </>
        ) : (
          <p className="text-lg">
            Ruler and dividers on the rim: {specs.length - Object.keys(faults).length} of {specs.length}{' '}
            measured.
          </p>
        )}
        <ol className="grid gap-1 text-lg">
          <li>Mark centre line and canine lines on the cast first.</li>
          <li>Level and fullness at the centre line; the plane at both first molars.</li>
          <li>Write the figures on the articulator too.</li>
        </ol>
        <p className="opacity-80">
          If the articulator is ever disturbed, these figures and its record bring it back.
        </p>
      </section>
      <aside className="card-flat content-start p-4" aria-label="What you read">
        {onArch && (
          <Pills
            label="Arch"
            options={[
              ['upper', 'Upper'],
              ['lower', 'Lower'],
            ]}
            value={arch}
            onChoose={onArch}
          />
        )}
        <div className="mt-1 grid grid-cols-2 gap-x-3">
          {specs.map(({ key, name, how }) => (
            <NumberField
              key={key}
              label={name}
              unit="mm"
              text={typed[key] ?? ''}
              onText={(text) => keep({ ...typed, [key]: text })}
              fault={tried || (typed[key] ?? '') !== '' ? faults[key] : undefined}
              hint={how}
            />
          ))}
        </div>
        {refused && <Message tone="error" words={refused} />}
        {refusal && <Message tone="error" words={refusal} />}
        {onRecord && (
          <button type="submit" className="act-main mt-2">
            {button}
          </button>
        )}
      </aside>
    </form>
  )
}

function refusalOf(prescription: Prescription): Saying | undefined {
  try {
    checkPrescription(prescription)
    return undefined
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return refusalWords(error)
  }
}
