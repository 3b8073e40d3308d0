import {
  type JobState,
  lastSheetOf,
  recordedSheet,
  type Saying,
  type SheetData,
  type StepSheet,
} from '@yentrik/core'
import { useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { type Options, Pills } from '../parts/Choices.tsx'
import { Message, Waiting } from '../parts/Message.tsx'
import { useOpenCase } from '../record/open-case.ts'
import { ComparePanel } from './ComparePanel.tsx'
import { PlanPanel } from './PlanPanel.tsx'
import { PrescriptionPanel } from './PrescriptionPanel.tsx'

/** Setting up: what the rim prescribes, where the teeth go, and whether they stand so. On its own or for a step of a case. */
export function SetUpScreen() {
  const [query] = useSearchParams()
  const caseId = query.get('case')
  return caseId ? <SetUpForCase caseId={caseId} /> : <SetUpTool />
}

function SetUpForCase({ caseId }: { caseId: string }) {
  const [query] = useSearchParams()
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
  const jobId = query.get('job') ?? ''
  const stepId = query.get('step') ?? ''
  const sheetId = query.get('sheet') ?? ''
  const job = openCase.state.jobs.find((each) => each.jobId === jobId)
  const step = job?.route.steps.find((each) => each.id === stepId)
  const sheet = step?.sheets?.find((each) => each.id === sheetId)
  if (!job || !step || !sheet)
    return (
      <main className="p-8">
        <Message tone="error">This step has no set-up sheet. Go back to the case.</Message>
      </main>
    )
  const running = job.steps[stepId]?.status === 'running'
  const give = async (data: SheetData) => {
    const kept = await openCase.give({ type: 'recordSheet', jobId, stepId, sheetId, sheet: data })
    if (kept) await go(`/case/${caseId}`)
    return kept
  }
  return (
    <Frame
      title={
        <>
          <Link to={`/case/${caseId}`} className="link">
            {openCase.state.docket}
          </Link>{' '}
          · {step.name}
        </>
      }
    >
      <ForSheet
        key={`${stepId} ${sheetId}`}
        job={job}
        sheet={sheet}
        stepId={stepId}
        draftKey={`${caseId} ${jobId} ${stepId} ${sheetId} ${job.steps[stepId]?.attempt ?? 1}`}
        refusal={openCase.refusal?.said}
        paper={`/papers/set-up/${caseId}?job=${jobId}&step=${stepId}&sheet=${sheetId}`}
        give={running ? give : undefined}
      />
    </Frame>
  )
}

function ForSheet({
  job,
  sheet,
  stepId,
  draftKey,
  refusal,
  paper,
  give,
}: {
  job: JobState
  sheet: StepSheet
  stepId: string
  draftKey: string
  refusal?: Saying
  paper: string
  give?: (data: SheetData) => Promise<boolean>
}) {
  const stored = recordedSheet(job, { stepId, sheetId: sheet.id })
  const arch = job.route.choices.arch === 'lower' ? 'lower' : 'upper'
  const prescription = lastSheetOf(job, 'prescription')?.prescription
  if (sheet.kind === 'prescription')
    return (
      <PrescriptionPanel
        draftKey={draftKey}
        arch={arch}
        stored={stored?.kind === 'prescription' ? stored.prescription : undefined}
        refusal={refusal}
        button="Record the prescription"
        onRecord={give && ((measured) => give({ kind: 'prescription', prescription: measured }))}
      />
    )
  if (sheet.kind === 'setUp') {
    const of = recordedSheet(job, sheet.prescriptionOf)
    if (of?.kind !== 'prescription')
      return (
        <Message tone="error">
          No prescription is on record. Go back to the step that measures the rim.
        </Message>
      )
    return (
      <ComparePanel
        prescription={of.prescription}
        draftKey={draftKey}
        stored={stored?.kind === 'setUp' ? stored : undefined}
        refusal={refusal}
        onRecord={give && ((reading, tolerances) => give({ kind: 'setUp', reading, tolerances }))}
      />
    )
  }
  if (sheet.kind === 'setUpPlan')
    return (
      <PlanPanel
        draftKey={draftKey}
        arch={arch}
        prescription={prescription}
        articulator={lastSheetOf(job, 'mounting')?.articulator}
        stored={stored?.kind === 'setUpPlan' ? stored.setUpEntry : undefined}
        refusal={refusal}
        paper={stored ? paper : undefined}
        onRecord={give && ((setUpEntry) => give({ kind: 'setUpPlan', setUpEntry }))}
      />
    )
  return <Message tone="error">This step has no set-up sheet. Go back to the case.</Message>
}

type View = 'plan' | 'compare'
const views: Options<View> = [
  ['plan', 'Plan'],
  ['compare', 'Compare with the rim'],
]

/** On its own, for a quick question: nothing is recorded. */
function SetUpTool() {
  const [view, setView] = useState<View>('plan')
  const [arch, setArch] = useState<'upper' | 'lower'>('upper')
  const [prescription, setPrescription] = useState<Parameters<typeof ComparePanel>[0]['prescription']>()
  return (
    <Frame pills={<Pills label="View" options={views} value={view} onChoose={setView} />}>
      {view === 'plan' ? (
        <PlanPanel draftKey="plan on its own" arch="upper" />
      ) : prescription ? (
        <>
          <button
            type="button"
            className="small-act justify-self-start"
            onClick={() => setPrescription(undefined)}
          >
            Back to the rim
          </button>
          <ComparePanel prescription={prescription} draftKey="set-up on its own" />
        </>
      ) : (
        <PrescriptionPanel
          draftKey="rim on its own"
          arch={arch}
          onArch={setArch}
          button="Now the teeth"
          onRecord={(measured) => {
            setPrescription(measured)
            return Promise.resolve(false)
          }}
        />
      )}
    </Frame>
  )
}

function Frame({
  title,
  pills,
  children,
}: {
  title?: React.ReactNode
  pills?: React.ReactNode
  children: React.ReactNode
}) {
  return (
    <main className="mx-auto grid max-w-[1500px] gap-3 p-4 sm:p-5">
      <header className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <h1 className="text-3xl font-bold">Set up</h1>
        {title && <p>{title}</p>}
        {pills && <div className="ml-auto">{pills}</div>}
      </header>
      {children}
    </main>
  )
}
