import type { Body } from '@yentrik/contract'
import {
  type CaseState,
  RETURN_USUAL_DAYS,
  type ReturnCause,
  returnCauseIds,
  returnCauses,
  returnedSteps,
  usualReturnStep,
} from '@yentrik/core'
import { useNavigate } from 'react-router'
import { useEntryForm } from '../form/entry-form.ts'
import { FormPills, FormText } from '../form/fields.tsx'
import { labNow } from '../live/lab-clock.ts'
import { useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { SelectField } from '../parts/Choices.tsx'
import { instantOf } from '../parts/date-entry.ts'
import { Message } from '../parts/Message.tsx'
import { Sheet } from '../parts/Sheet.tsx'
import { enclosureLines, usualDueDay } from './intake.ts'

interface TypedReturn {
  cause: ReturnCause | ''
  found: string
  dueDay: string
  dueTime: string
  enclosures: string
  /** By job: the step it begins from, `stays` where it did not come back; left out: as usual for the cause. */
  from: Readonly<Record<string, string>>
}

const STAYS = 'stays'

/** A delivered case came back: why, what was found, and where each of its jobs begins again. */
export function ReturnSheet({
  caseId,
  state,
  onClose,
}: {
  readonly caseId: string
  readonly state: CaseState
  readonly onClose: () => void
}) {
  const go = useNavigate()
  const { data: lab } = useAnswer('GET /lab')
  const usualDue = usualDueDay({ usualDays: RETURN_USUAL_DAYS }, lab?.calendar?.weekdays)
  /** Empty: as usual, by the working days of the lab. */
  const dueOf = ({ dueDay, dueTime }: Pick<TypedReturn, 'dueDay' | 'dueTime'>) =>
    instantOf(dueDay || usualDue, dueTime)
  const fromOf = ({ cause, from }: TypedReturn, job: CaseState['jobs'][number]) =>
    from[job.jobId] ?? (cause === '' ? '' : usualReturnStep(job.route, cause))
  const form = useEntryForm<TypedReturn>({
    draftKey: `${caseId} return`,
    start: () => ({
      cause: '',
      found: '',
      dueDay: '',
      dueTime: '12:00',
      enclosures: '',
      from: {},
    }),
    check: ({ cause, found, dueDay, dueTime }) => {
      const due = dueOf({ dueDay, dueTime })
      return {
        cause: cause === '' ? 'Choose what it comes nearest to.' : undefined,
        found: found.trim() === '' ? 'Write what was found, and where.' : undefined,
        dueDay:
          due === undefined
            ? 'Enter the day and time.'
            : due <= labNow()
              ? 'It is past. Enter the date the clinic wants it back.'
              : undefined,
      }
    },
    fieldOf: (named) => (named === 'changes.dueAt' ? 'dueDay' : (named as keyof TypedReturn)),
    store: async (typed) => {
      const body: Body<'POST /cases/:caseId/return'> = {
        cause: typed.cause as ReturnCause,
        found: typed.found.trim(),
        jobs: state.jobs.flatMap((job) => {
          const fromStepId = fromOf(typed, job)
          return fromStepId === STAYS ? [] : [{ jobId: job.jobId, fromStepId }]
        }),
        changes: {
          dueAt: new Date(dueOf(typed)!).toISOString(),
          enclosures: enclosureLines(typed.enclosures),
        },
      }
      const back = await request('POST /cases/:caseId/return', { path: { caseId }, body })
      onClose()
      await go(`/case/${back.caseId}`)
    },
  })
  const { values } = form
  return (
    <Sheet title={`${state.docket} came back`} onClose={onClose}>
      <form noValidate className="grid gap-4" onSubmit={form.submit}>
        <FormPills
          form={form}
          name="cause"
          label="Why"
          options={returnCauseIds.map((cause) => [cause, returnCauses[cause].name] as const)}
        />
        <FormText form={form} name="found" label="What was found, and where" lines={2} />
        {values.cause !== '' &&
          state.jobs.map((job) => {
            const { jobId, route } = job
            const chosen = fromOf(values, job)
            const again = chosen === STAYS ? 0 : returnedSteps(route, chosen).length
            return (
              <div key={jobId}>
                <SelectField
                  label={state.jobs.length > 1 ? `Begins again from, ${route.name}` : 'Begins again from'}
                  options={[
                    ...(state.jobs.length > 1 ? [[STAYS, 'It did not come back'] as const] : []),
                    ...route.steps.map(({ id, name }) => [id, name] as const),
                  ]}
                  value={chosen}
                  onChoose={(stepId) => form.set('from', { ...values.from, [jobId]: stepId })}
                />
                {chosen !== STAYS && (
                  <p className="mt-1">
                    {values.from[jobId] === undefined && `${returnCauses[values.cause as ReturnCause].say} `}
                    <b className="figures">{again}</b> of {route.steps.length} steps are done again; the
                    others hold, with their lots and settings.
                  </p>
                )}
              </div>
            )
          })}
        <div className="grid grid-cols-2 gap-3">
          <FormText form={form} name="dueDay" label="Due on" type="date" shown={values.dueDay || usualDue} />
          <FormText form={form} name="dueTime" label="at" type="time" />
        </div>
        <FormText
          form={form}
          name="enclosures"
          label="What came along"
          hint="Beside the work itself, with commas: a new impression, a bite"
        />
        {form.fault && <Message tone="error">{form.fault}</Message>}
        <button type="submit" className="act-main justify-self-start" disabled={form.busy}>
          Take it back
        </button>
      </form>
    </Sheet>
  )
}
