import type { CaseCommand, JobState, RouteStep, SheetData } from '@yentrik/core'
import { useState } from 'react'
import { Message } from '../parts/Message.tsx'
import type { OpenCase } from './open-case.ts'

/** The case that an instrument works for: what it works out can go into its record. */
export interface ForCase {
  readonly openCase: OpenCase
  readonly caseId: string
  readonly job: JobState
}

/** What a step takes over from an instrument. */
export type Figure =
  | { readonly step: RouteStep; readonly checkId: string; readonly value: number }
  | { readonly step: RouteStep; readonly sheetId: string; readonly sheet: SheetData }

/** The one action of an instrument: its figures into the record of the steps that want them. */
export function IntoRecord({
  forCase: { openCase, job },
  step,
  figures,
  words,
  quiet = false,
}: {
  readonly forCase: ForCase
  /** The step that decides whether anything may be recorded. */
  readonly step: RouteStep
  readonly figures: readonly Figure[]
  /** The figures as they will stand there. */
  readonly words: string
  /** Possible, but not yet the thing to do. */
  readonly quiet?: boolean
}) {
  const [stored, setStored] = useState<string>()
  const { status } = job.steps[step.id]!
  if (status !== 'running')
    return (
      <p className="opacity-80">
        "{step.name}" is {status === 'done' ? 'done' : 'not started'}: nothing is recorded from here.
      </p>
    )
  const record = async () => {
    setStored(undefined)
    for (const figure of figures) if (!(await openCase.give(commandOf(job, figure)))) return
    setStored(words)
  }
  return (
    <div className="grid justify-items-start gap-2">
      <button
        type="button"
        className={quiet ? 'act' : 'act-main'}
        disabled={figures.length === 0 || openCase.busy}
        onClick={() => void record()}
      >
        Into the record: {words}
      </button>
      {openCase.refusal && <Message tone="error" words={openCase.refusal.said} />}
      {/* What was stored, though a curve has grown since. */}
      {stored && !openCase.refusal && <Message tone="good">{`On record: ${stored}.`}</Message>}
    </div>
  )
}

function commandOf({ jobId }: JobState, figure: Figure): CaseCommand {
  const on = { jobId, stepId: figure.step.id }
  if ('sheet' in figure) return { type: 'recordSheet', ...on, sheetId: figure.sheetId, sheet: figure.sheet }
  return { type: 'recordCheck', ...on, checkId: figure.checkId, value: figure.value }
}
