import type { Promised } from '@yentrik/contract'
import { routeTemplates } from '@yentrik/core'
import { useState } from 'react'
import { dayAndTime } from '../format/format.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { SelectField } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { Sheet } from '../parts/Sheet.tsx'
import { span } from './plan-words.ts'

/** A date for a case that is not taken in yet, with its chance and what it would push. */
export function PromiseSheet({ now, onClose }: { now: number; onClose: () => void }) {
  const jobs = [...routeTemplates.values()].map(({ id, name }) => [id, name] as const)
  const [job, setJob] = useState<string>(jobs[0]![0])
  const [found, setFound] = useState<Promised>()
  const [asking, setAsking] = useState(false)
  const { refusal, run } = useRequest()
  const ask = async () => {
    setAsking(true)
    setFound(await run(() => request('POST /plan/promise', { body: { templateId: job, choices: {} } })))
    setAsking(false)
  }
  return (
    <Sheet title="Promise a date" onClose={onClose}>
      <div className="grid gap-4">
        <SelectField
          label="For"
          options={jobs}
          value={job}
          onChoose={(next) => {
            setJob(next)
            setFound(undefined)
          }}
        />
        <button type="button" className="act-main justify-self-start" onClick={ask} disabled={asking}>
          When could it be ready
        </button>
        {refusal && <Message tone="error" words={refusal} />}
        {found && <PromisedWords found={found} now={now} />}
      </div>
    </Sheet>
  )
}

export function PromisedWords({ found, now }: { found: Promised; now: number }) {
  return (
    <div className="grid gap-2" aria-live="polite">
      <p className="figures">
        Planned for <b>{dayAndTime(found.endsAt, now)}</b>, if all goes as planned.
      </p>
      <dl className="flex flex-wrap gap-x-8 gap-y-2">
        <div>
          <dt className="text-sm">ready in 80 of 100</dt>
          <dd className="figures text-3xl font-bold">{dayAndTime(found.by80, now)}</dd>
        </div>
        <div>
          <dt className="text-sm">ready in 95 of 100</dt>
          <dd className="figures text-3xl font-bold">{dayAndTime(found.by95, now)}</dd>
        </div>
        {found.chance !== undefined && (
          <div>
            <dt className="text-sm">by the date asked for</dt>
            <dd className="figures text-3xl font-bold">{Math.round(100 * found.chance)} of 100</dd>
          </div>
        )}
      </dl>
      <p className="text-sm">
        {found.pushes.length === 0
          ? 'It pushes nothing.'
          : `It pushes ${found.pushes
              .slice(0, 5)
              .map(
                ({ docket, laterMinutes, isLate }) =>
                  `${docket} by ${span(laterMinutes)}${isLate ? ', late then' : ''}`,
              )
              .join('; ')}${found.pushes.length > 5 ? ` and ${found.pushes.length - 5} more` : ''}.`}
      </p>
      <p className="text-sm opacity-80">
        Times spread as is usual (hands by a quarter or as this lab has timed them, waits by a twentieth; a
        clinic one day later in 15 of 100): common practice, until the lab has its own.
      </p>
    </div>
  )
}
