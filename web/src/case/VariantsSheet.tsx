import { ARCH_MATTER, type JobState, routeTemplates } from '@yentrik/core'
import { useState } from 'react'
import { WordsSheet } from './case-sheets.tsx'

/** Do a step the way of another school, in this case only. */
export function VariantsSheet({
  job,
  refusal,
  onClose,
  onGive,
}: {
  job: JobState
  refusal?: string
  onClose: () => void
  onGive: (matter: string, choice: string, reason: string) => Promise<boolean>
}) {
  const matters = (routeTemplates.get(job.route.templateId)?.matters ?? []).filter(
    (m) => m.id !== ARCH_MATTER,
  )
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
          <label className="block">
            <span className="font-semibold">What</span>
            <select
              className="select bg-base-100 mt-1 h-12 w-full text-base"
              value={matterId}
              onChange={(event) => {
                setMatterId(event.target.value)
                setChoice(undefined)
              }}
            >
              {matters.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.name}
                </option>
              ))}
            </select>
          </label>
          <label className="block">
            <span className="font-semibold">How</span>
            <select
              className="select bg-base-100 mt-1 h-12 w-full text-base"
              value={choice ?? present}
              onChange={(event) => setChoice(event.target.value)}
            >
              {matter?.choices.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.name}
                  {each.id === present ? ' (now)' : ''}
                </option>
              ))}
            </select>
            <span className="text-sm opacity-80">{matter?.why}</span>
          </label>
        </>
      }
    />
  )
}
