import { type CaseCommand, type JobState, type RouteStep, stepOf } from '@yentrik/core'
import { useState } from 'react'
import { Told } from '../parts/Told.tsx'
import type { CaseHand } from './case-hand.ts'

/** The case that an instrument works for: what it works out can go into its record. */
export interface ForCase {
  readonly hand: CaseHand
  readonly caseId: string
  readonly job: JobState
}

/** What a step takes over from an instrument. */
export type Figure =
  | { readonly kind: 'check'; readonly checkId: string; readonly value: number }
  | { readonly kind: 'sheet'; readonly command: Extract<CaseCommand, { type: 'recordSheet' }> }

/** The step of a job by its id, where the job has it. */
export function stepNamed({ job }: ForCase, stepId: string): RouteStep | undefined {
  return job.route.steps.some(({ id }) => id === stepId) ? stepOf(job, stepId) : undefined
}

/** The one action of an instrument: its figures into the record of the step that asked for them. */
export function IntoRecord({
  forCase,
  stepId,
  figures,
  words,
  quiet = false,
}: {
  readonly forCase: ForCase
  readonly stepId: string
  readonly figures: readonly Figure[]
  /** The figures as they will stand there. */
  readonly words: string
  /** Possible, but not yet the thing to do. */
  readonly quiet?: boolean
}) {
  const { hand, job } = forCase
  const [stored, setStored] = useState<string>()
  const step = stepNamed(forCase, stepId)
  if (!step) return null
  const running = job.steps[stepId]?.status === 'running'
  if (!running)
    return (
      <p className="opacity-80">
        "{step.name}" is {job.steps[stepId]?.status === 'done' ? 'done' : 'not started'}: nothing is recorded
        from here.
      </p>
    )
  const on = { jobId: job.jobId, stepId }
  const record = async () => {
    setStored(undefined)
    for (const figure of figures) {
      const command: CaseCommand =
        figure.kind === 'sheet'
          ? figure.command
          : { type: 'recordCheck', ...on, checkId: figure.checkId, value: figure.value }
      if (!(await hand.give(command))) return
    }
    setStored(words)
  }
  return (
    <div className="grid justify-items-start gap-2">
      <button
        type="button"
        className={quiet ? 'act' : 'act-main'}
        disabled={figures.length === 0 || hand.busy}
        onClick={() => void record()}
      >
        Into the record: {words}
      </button>
      {hand.refusal && <Told tone="error">{hand.refusal.message}</Told>}
      {/* What was stored, though a curve has grown since. */}
      {stored && !hand.refusal && <Told tone="good">{`On record: ${stored}.`}</Told>}
    </div>
  )
}
