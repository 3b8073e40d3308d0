import { type JobState, routeTemplates, type Saying } from '@yentrik/core'
import { useState } from 'react'
import { SelectField } from '../parts/Choices.tsx'
import { WordsSheet } from './case-sheets.tsx'

/** Do a step the way of another school, in this case only. */
export function VariantsSheet({
  job,
  refusal,
  onClose,
  onGive,
}: {
  job: JobState
  refusal?: Saying
  onClose: () => void
  onGive: (matter: string, choice: string, reason: string) => Promise<boolean>
}) {
  const matters = (routeTemplates.get(job.route.templateId)?.matters ?? []).filter((m) => !m.prescribed)
  const [matterId, setMatterId] = useState(matters[0]?.id ?? '')
  const matter = matters.find((m) => m.id === matterId)
  const present = job.route.choices[matterId]
  const [choice, setChoice] = useState<string>()
  return (
    <WordsSheet
      title="Do it another way"
      label="Why"
      button="Change it"
      refusal={refusal}
      onClose={onClose}
      onGive={(reason) => onGive(matterId, choice ?? present ?? '', reason)}
      intro={
        <>
          <SelectField
            label="What"
            options={matters.map((each) => [each.id, each.name])}
            value={matterId}
            onChoose={(id) => {
              setMatterId(id)
              setChoice(undefined)
            }}
          />
          <SelectField
            label="How"
            options={(matter?.choices ?? []).map((each) => [
              each.id,
              each.id === present ? `${each.name} (now)` : each.name,
            ])}
            value={choice ?? present ?? ''}
            onChoose={setChoice}
            hint={matter?.why}
          />
        </>
      }
    />
  )
}
