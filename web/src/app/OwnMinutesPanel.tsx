import { routeTemplates } from '@yentrik/core'
import { useState } from 'react'
import { freshen, useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { SelectField } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { useSession } from '../session/session.ts'

/** How long a step takes in this lab, where the route says otherwise: the plan goes by it. */
export function OwnMinutesPanel() {
  const { person } = useSession()
  return person?.role === 'lead' ? <Panel /> : null
}

function Panel() {
  const { data: settings } = useAnswer('GET /plan/settings')
  const templates = [...routeTemplates.values()]
  const [job, setJob] = useState(templates[0]!.id)
  const template = routeTemplates.get(job)!
  const steps = template.steps.map(({ id, name }) => [id, name] as const)
  const [stepId, setStep] = useState('')
  const step = template.steps.find(({ id }) => id === stepId) ?? template.steps[0]!
  if (!settings) return null
  const own = settings.minutes[`${job}/${step.id}`]
  return (
    <section className="card-flat grid gap-4 p-6" aria-label="Minutes of this lab">
      <h2 className="text-xl font-semibold">Minutes of this lab</h2>
      <SelectField
        label="Job"
        options={templates.map(({ id, name }) => [id, name] as const)}
        value={job}
        onChoose={setJob}
      />
      <SelectField label="Step" options={steps} value={step.id} onChoose={setStep} />
      <MinutesForm
        key={`${job}/${step.id} ${own?.hands} ${own?.wait}`}
        templateId={job}
        stepId={step.id}
        own={own ?? {}}
        usual={{ hands: step.handsOnMinutes, wait: step.waitMinutes ?? 0 }}
      />
    </section>
  )
}

interface MinutesFormProps {
  readonly templateId: string
  readonly stepId: string
  readonly own: { readonly hands?: number; readonly wait?: number }
  readonly usual: { readonly hands: number; readonly wait: number }
}

function MinutesForm({ templateId, stepId, own, usual }: MinutesFormProps) {
  const [hands, setHands] = useState(own.hands === undefined ? '' : String(own.hands))
  const [wait, setWait] = useState(own.wait === undefined ? '' : String(own.wait))
  const [fault, setFault] = useState<string>()
  const { refusal, run } = useRequest()
  const store = () =>
    run(async () => {
      const read = [hands, wait].map((text) => (text.trim() === '' ? undefined : readNumber(text, 'min')))
      if (read.some((each) => each && (each.fault !== undefined || each.value === undefined)))
        return setFault('Enter minutes as a number, or leave it empty.')
      setFault(undefined)
      const [ofHands, ofWait] = read.map((each) => each?.value)
      await request('PUT /plan/minutes', {
        body: {
          templateId,
          stepId,
          ...(ofHands === undefined ? {} : { hands: ofHands }),
          ...(ofWait === undefined ? {} : { wait: ofWait }),
        },
      })
      await freshen('GET /plan/settings')
    })
  return (
    <form
      className="grid gap-3"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        void store()
      }}
    >
      <div className="grid grid-cols-2 gap-x-3">
        <NumberField
          label="Hands take"
          unit="min"
          hint={`usually ${usual.hands}`}
          text={hands}
          onText={setHands}
        />
        <NumberField
          label="Waits by itself"
          unit="min"
          hint={`usually ${usual.wait}`}
          text={wait}
          onText={setWait}
        />
      </div>
      {fault && <Message tone="error">{fault}</Message>}
      {refusal && <Message tone="error" words={refusal} />}
      <button type="submit" className="act justify-self-start">
        Store these minutes
      </button>
    </form>
  )
}
