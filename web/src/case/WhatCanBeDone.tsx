import { type CaseCommand, type JobState, type RouteStep, stepOf, stepWindow } from '@yentrik/core'
import { Undo2 } from 'lucide-react'
import { Reopened } from '../parts/Reopened.tsx'

/** A window that is past: the step that can still save it, which opens again. */
export function WhatCanBeDone({
  job,
  step,
  onGive,
}: {
  readonly job: JobState
  readonly step: RouteStep
  readonly onGive: (command: CaseCommand) => Promise<boolean>
}) {
  const window = stepWindow(job, step)
  if (!window?.ifPast || job.steps[window.ifPast.toStepId]?.status === 'waiting') return null
  const { late, ifPast } = window
  return (
    <div className="bg-error/10 mb-3 flex flex-wrap items-center gap-3 rounded-xl px-4 py-3">
      <div className="grow">
        <p>
          <b>{late}</b> {ifPast.say}
        </p>
        <Reopened job={job} toStepId={ifPast.toStepId} remake={false} />
      </div>
      <button
        type="button"
        className="act-main h-auto max-w-full py-3 text-left whitespace-normal"
        onClick={() =>
          void onGive({
            type: 'goBack',
            jobId: job.jobId,
            toStepId: ifPast.toStepId,
            remake: false,
            reason: `${late} ${ifPast.say}`,
          })
        }
      >
        <Undo2 className="size-5" aria-hidden /> Back to {stepOf(job, ifPast.toStepId).name}
      </button>
    </div>
  )
}
