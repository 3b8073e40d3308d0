import type { JobState, RouteStep, Saying, SheetData, StepSheet } from '@yentrik/core'
import type { ReactNode } from 'react'
import { Link, useNavigate } from 'react-router'
import { Message, Waiting } from '../parts/Message.tsx'
import { useOpenCase } from './open-case.ts'

/** A sheet of a step that is filled in on the screen of an instrument. */
export interface SheetAsked {
  readonly job: JobState
  readonly step: RouteStep
  readonly sheet: StepSheet
  readonly attempt: number
  /** Case and step, for the head of the screen. */
  readonly title: ReactNode
  /** Why it was not stored. */
  readonly refusal?: Saying
  /** Puts it on record, and goes back to the case; only while the step runs. */
  readonly give?: (sheet: SheetData) => Promise<boolean>
}

/** Opens the sheet that an instrument was asked for. @param none what to say where the step has none of that kind */
export function AskedSheet({
  caseId,
  jobId,
  stepId,
  sheetId,
  none,
  children,
}: {
  readonly caseId: string
  readonly jobId: string
  readonly stepId: string
  readonly sheetId: string
  readonly none: string
  /** The screen; undefined: not of a kind that it fills in. */
  readonly children: (asked: SheetAsked) => ReactNode | undefined
}) {
  const go = useNavigate()
  const openCase = useOpenCase(caseId)
  if (!openCase.state)
    return openCase.error ? (
      <main className="p-8">
        <Message tone="error" words={openCase.error.said} />
      </main>
    ) : (
      <Waiting />
    )
  const job = openCase.state.jobs.find((each) => each.jobId === jobId)
  const step = job?.route.steps.find((each) => each.id === stepId)
  const sheet = step?.sheets?.find((each) => each.id === sheetId)
  const give = async (data: SheetData) => {
    const kept = await openCase.give({ type: 'recordSheet', jobId, stepId, sheetId, sheet: data })
    if (kept) await go(`/case/${caseId}`)
    return kept
  }
  const screen =
    job &&
    step &&
    sheet &&
    children({
      job,
      step,
      sheet,
      attempt: job.steps[stepId]?.attempt ?? 1,
      title: (
        <>
          <Link to={`/case/${caseId}`} className="link">
            {openCase.state.docket}
          </Link>{' '}
          · {step.name}
        </>
      ),
      ...(openCase.refusal ? { refusal: openCase.refusal.said } : {}),
      ...(job.steps[stepId]?.status === 'running' ? { give } : {}),
    })
  return (
    screen ?? (
      <main className="p-8">
        <Message tone="error">{none}</Message>
      </main>
    )
  )
}
