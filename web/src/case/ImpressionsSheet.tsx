import { type Impression, type JobState, pouredBy, type Saying } from '@yentrik/core'
import { forgetting, useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { Sheet } from '../parts/Sheet.tsx'
import { ImpressionFields } from './ImpressionFields.tsx'
import { impressionsFault, impressionsOf, type TypedImpression, typedOf } from './typed-impressions.ts'

/** When the impressions were taken, entered or put right after the case was taken in. */
export function ImpressionsSheet({
  job,
  draftKey,
  refusal,
  onClose,
  onGive,
}: {
  readonly job: JobState
  /** Under which what is typed is kept. */
  readonly draftKey: string
  readonly refusal?: Saying
  readonly onClose: () => void
  readonly onGive: (impressions: readonly Impression[]) => Promise<boolean>
}) {
  const poured = pouredBy(job.route)
  const [typed, setTyped, forget] = useDraft<Readonly<Record<string, TypedImpression>>>(draftKey, () =>
    Object.fromEntries(job.impressions.map((each) => [each.of, typedOf(each)])),
  )
  const fault = impressionsFault(poured, typed)
  return (
    <Sheet title="The impression" onClose={onClose}>
      <form
        noValidate
        className="grid gap-4"
        onSubmit={async (event) => {
          event.preventDefault()
          if (fault === undefined && (await forgetting(forget, onGive(impressionsOf(poured, typed)))))
            onClose()
        }}
      >
        <ImpressionFields poured={poured} typed={typed} onTyped={setTyped} fault={fault} />
        {refusal && <Message tone="error" words={refusal} />}
        <button type="submit" className="act-main justify-self-start" disabled={fault !== undefined}>
          Into the record
        </button>
      </form>
    </Sheet>
  )
}
