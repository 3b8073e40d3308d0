import { choicesBeside, type JobState, routeTemplates, type Saying } from '@yentrik/core'
import { SelectField } from '../parts/Choices.tsx'
import { forgetting, useDraft } from '../parts/draft.ts'
import { WordsSheet } from './WordsSheet.tsx'

/** Do a step the way of another school, in this case only; or what the dentist orders otherwise by now. */
export function VariantsSheet({
  job,
  draftKey,
  refusal,
  onClose,
  onGive,
}: {
  job: JobState
  draftKey: string
  refusal?: Saying
  onClose: () => void
  onGive: (matter: string, choice: string, reason: string) => Promise<boolean>
}) {
  const template = routeTemplates.get(job.route.templateId)
  // What the lab decides stands first.
  const matters = [...(template?.matters ?? [])].sort(
    (one, other) => Number(one.prescribed ?? false) - Number(other.prescribed ?? false),
  )
  const [{ matterId, choice }, keep, forget] = useDraft(`${draftKey} choice`, () => ({
    matterId: matters[0]?.id ?? '',
    choice: '',
  }))
  const matter = matters.find((m) => m.id === matterId)
  const present = job.route.choices[matterId]
  return (
    <WordsSheet
      title="Do it another way"
      label="Why"
      button="Change it"
      draftKey={draftKey}
      refusal={refusal}
      onClose={onClose}
      onGive={(reason) => forgetting(forget, onGive(matterId, choice || present || '', reason))}
      intro={
        <>
          <SelectField
            label="What"
            options={matters.map(({ id, name, prescribed }) => [
              id,
              prescribed ? `As ordered: ${name.toLowerCase()}` : name,
            ])}
            value={matterId}
            onChoose={(id) => keep({ matterId: id, choice: '' })}
          />
          <SelectField
            label="How"
            options={(template ? choicesBeside(template, matterId, job.route.choices) : []).map((each) => [
              each.id,
              each.id === present ? `${each.name} (now)` : each.name,
            ])}
            value={choice || present || ''}
            onChoose={(id) => keep({ matterId, choice: id })}
            hint={matter?.prescribed ? `${matter.why} Say who ordered it so, and when.` : matter?.why}
          />
        </>
      }
    />
  )
}
