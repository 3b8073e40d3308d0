import {
  type CheckMeaning,
  type JobState,
  type RouteStep,
  type StepMeaning,
  type StepMix,
  type StepState,
  startedAt,
} from '@yentrik/core'
import type { ReactNode } from 'react'
import { CoolingClock } from '../curing/CoolingClock.tsx'
import { DoughClock, doughsOf } from '../curing/DoughClock.tsx'
import { SawDepth } from '../curing/SawDepth.tsx'
import type { OpenCase } from '../record/open-case.ts'
import { BaseTilt } from '../trimming/BaseTilt.tsx'
import { Prescription } from './Prescription.tsx'

interface StepToolProps {
  readonly openCase: OpenCase
  readonly job: JobState
  readonly step: RouteStep
  readonly state: StepState
}

/** One room for all jars. */
const rightRoom = (openCase: OpenCase, doughs: readonly StepMix[]) => async (roomCelsius: number) => {
  for (const { sequence } of doughs)
    await openCase.give({
      type: 'correct',
      corrects: sequence,
      roomCelsius,
      reason: 'The room was measured.',
    })
}

/** What helps in a step, by what the step means: in the step itself, or beside it by the clock. */
export const toolsInStep: { readonly [M in StepMeaning]?: (props: StepToolProps) => ReactNode } = {
  authorisationRead: ({ openCase }) =>
    openCase.state && <Prescription authorisation={openCase.state.authorisation} />,
  doughRipens: ({ openCase, job, state }) =>
    state.status !== 'done' &&
    doughsOf(job).map((mix, index, all) => (
      <DoughClock
        key={mix.amountId}
        mix={mix}
        {...(index === all.length - 1 ? { onRoom: rightRoom(openCase, all) } : {})}
      />
    )),
  mouldSawn: ({ openCase, job, step, state }) =>
    state.status === 'running' && (
      <SawDepth
        caseKey={`${openCase.caseId} ${job.jobId}`}
        onNote={(text) => openCase.give({ type: 'note', jobId: job.jobId, stepId: step.id, text })}
      />
    ),
  flaskCools: ({ job, step, state }) => {
    const out = state.status === 'running' ? startedAt(state) : undefined
    return out && <CoolingClock job={job} outAt={Date.parse(out)} cooling={step.wait?.cools ?? 'water'} />
  },
}
/** What helps to take a reading, by what the check means. */
export const toolsOfCheck: {
  readonly [M in CheckMeaning]?: (
    props: StepToolProps & { readonly onRecord: (value: number) => Promise<boolean> },
  ) => ReactNode
} = {
  baseTilt: ({ openCase, job, step, state, onRecord }) => (
    <BaseTilt
      job={job}
      step={step}
      draftKey={`${openCase.caseId} ${job.jobId} ${step.id} heights ${state.attempt}`}
      onRecord={onRecord}
    />
  ),
  enclosuresBack: ({ openCase }) => {
    const { enclosures = [] } = openCase.state?.authorisation ?? {}
    return (
      <ul className="mt-2 text-lg font-semibold" aria-label="What came along">
        {enclosures.map((each) => (
          <li key={each}>{each}</li>
        ))}
        {enclosures.length === 0 && (
          <li className="font-normal opacity-80">Nothing was noted when it came in.</li>
        )}
      </ul>
    )
  },
}
export const toolsBesideStep: { readonly [M in StepMeaning]?: (props: { job: JobState }) => ReactNode } = {
  trialClosures: ({ job }) => doughsOf(job).map((mix) => <DoughClock key={mix.amountId} narrow mix={mix} />),
}
