import { type JobState, type RouteStep, type StepMeaning, type StepState, startedAt } from '@yentrik/core'
import type { ReactNode } from 'react'
import { CoolingClock } from '../curing/CoolingClock.tsx'
import { DoughClock, doughMixedAt } from '../curing/DoughClock.tsx'
import { SawDepth } from '../curing/SawDepth.tsx'
import type { OpenCase } from '../record/open-case.ts'

interface StepToolProps {
  readonly openCase: OpenCase
  readonly job: JobState
  readonly step: RouteStep
  readonly state: StepState
}

/** What helps in a step, by what the step means: in the step itself, or beside it by the clock. */
export const toolsInStep: { readonly [M in StepMeaning]?: (props: StepToolProps) => ReactNode } = {
  doughRipens: ({ job, state }) => {
    const mixedAt = doughMixedAt(job)
    return mixedAt !== undefined && state.status !== 'done' && <DoughClock mixedAt={mixedAt} />
  },
  mouldSawn: ({ openCase, job, step, state }) =>
    state.status === 'running' && (
      <SawDepth
        caseKey={`${openCase.caseId} ${job.jobId}`}
        onNote={(text) => openCase.give({ type: 'note', jobId: job.jobId, stepId: step.id, text })}
      />
    ),
  flaskCools: ({ job, state }) => {
    const out = state.status === 'running' ? startedAt(state) : undefined
    return out && <CoolingClock job={job} outAt={Date.parse(out)} />
  },
}
export const toolsBesideStep: { readonly [M in StepMeaning]?: (props: { job: JobState }) => ReactNode } = {
  trialClosures: ({ job }) => {
    const mixedAt = doughMixedAt(job)
    return mixedAt !== undefined && <DoughClock narrow mixedAt={mixedAt} />
  },
}
