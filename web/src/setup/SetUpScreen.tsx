import {
  type JobState,
  lastSheetOf,
  recordedSheet,
  type Saying,
  type SheetData,
  type StepSheet,
} from '@yentrik/core'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { type Options, Pills } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { AskedSheet } from '../record/AskedSheet.tsx'
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
  const asked = {
    jobId: query.get('job') ?? '',
    stepId: query.get('step') ?? '',
    sheetId: query.get('sheet') ?? '',
  }
  const { jobId, stepId, sheetId } = asked
  return (
    <AskedSheet caseId={caseId} {...asked} none="This step has no set-up sheet. Go back to the case.">
      {({ job, sheet, attempt, title, refusal, give }) => (
        <Frame title={title}>
          <ForSheet
            key={`${stepId} ${sheetId}`}
            job={job}
            sheet={sheet}
            stepId={stepId}
            draftKey={`${caseId} ${jobId} ${stepId} ${sheetId} ${attempt}`}
            refusal={refusal}
            paper={`/papers/set-up/${caseId}?job=${jobId}&step=${stepId}&sheet=${sheetId}`}
            give={give}
          />
        </Frame>
      )}
    </AskedSheet>
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
