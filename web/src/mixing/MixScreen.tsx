import { amountsIn } from '@yentrik/core'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { Message, Waiting } from '../parts/Message.tsx'
import { useOpenCase } from '../record/open-case.ts'
import { useShelf } from '../record/shelf.ts'
import { MixTool } from './MixTool.tsx'

/** Powder and liquid both ways, the balance, what a missed ratio does, the clock. On its own or for a step. */
export function MixScreen() {
  const [query] = useSearchParams()
  const { ready } = useShelf()
  const caseId = query.get('case')
  // The lot in use decides the product, and the product the ratio: nothing is shown before it is known.
  if (!ready) return <Waiting />
  return caseId ? (
    <MixForStep
      caseId={caseId}
      jobId={query.get('job') ?? ''}
      stepId={query.get('step') ?? ''}
      amountId={query.get('amount') ?? ''}
    />
  ) : (
    <MixTool
      title="Powder and liquid both ways"
      materialId={query.get('material') ?? undefined}
      cm3={Number(query.get('cm3')) || undefined}
    />
  )
}

interface OfStep {
  readonly caseId: string
  readonly jobId: string
  readonly stepId: string
  readonly amountId: string
}

/** The same instrument with a step's figures filled in and a way into its record. */
function MixForStep({ caseId, jobId, stepId, amountId }: OfStep) {
  const openCase = useOpenCase(caseId)
  const go = useNavigate()
  const job = openCase.state?.jobs.find((each) => each.jobId === jobId)
  const step = job?.route.steps.find((each) => each.id === stepId)
  const amount = job && step && amountsIn(job, step).find((each) => each.id === amountId)
  if (!openCase.state || !job || !step || amount?.kind !== 'mix')
    return (
      <main className="p-8">
        {openCase.error ? (
          <Message tone="error" words={openCase.error.said} />
        ) : openCase.state ? (
          <Message tone="error">This step has no such mix. Go back to the case.</Message>
        ) : null}
      </main>
    )
  const running = job.steps[stepId]?.status === 'running'
  return (
    <MixTool
      key={amountId}
      refusal={openCase.refusal?.said}
      title={
        <>
          <Link to={`/case/${caseId}`} className="link">
            {openCase.state.docket}
          </Link>{' '}
          · {step.name}
          {amount.note && `, ${amount.note}`}
          {!running && ' (not started: it can be recorded once the step is started)'}
        </>
      }
      step={{
        caseId,
        docket: openCase.state.docket,
        jobId,
        stepId,
        ...(step.means ? { means: step.means } : {}),
        amount,
        ...(running
          ? {
              onRecord: async (mix) => {
                const stored = await openCase.give({ type: 'recordMix', jobId, stepId, ...mix })
                if (stored) await go(`/case/${caseId}`)
                return stored
              },
            }
          : {}),
      }}
    />
  )
}
