import { clockTime, dayAndTime } from '../format/format.ts'
import { useCasePlan } from '../record/case-plan.ts'

/** When the plan wants work out of its machine, to be taken over; nothing where there is no plan of it. */
export function PlannedOut({
  caseId,
  jobId,
  stepId,
  now,
  onTake,
}: {
  readonly caseId: string
  readonly jobId: string
  readonly stepId: string
  readonly now: number
  /** As 07:30. */
  readonly onTake: (time: string) => void
}) {
  const plan = useCasePlan(caseId)
  const run = plan?.bars.find(
    (bar) => bar.jobId === jobId && bar.part === 'run' && bar.steps.some((step) => step.stepId === stepId),
  )
  const out = plan?.bars.find(
    (bar) => bar.jobId === jobId && bar.part === 'out' && bar.steps.some((step) => step.stepId === stepId),
  )
  const load = plan?.loads.find(({ runs }) => run !== undefined && runs?.at === run.at)
  const outAt = load?.until ?? out?.until
  if (!plan || !run || outAt === undefined) return null
  return (
    <p className="border-warning border-l-4 pl-3 text-sm">
      By the plan it{' '}
      {load && !run.begun && (
        <>
          goes in <b className="figures">{dayAndTime(load.at, now)}</b> and{' '}
        </>
      )}
      comes out <b className="figures">{dayAndTime(outAt, now)}</b>.{' '}
      <button type="button" className="small-act mt-1" onClick={() => onTake(clockTime(outAt))}>
        Out by {clockTime(outAt)}
      </button>
    </p>
  )
}
