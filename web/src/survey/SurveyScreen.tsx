import { sheetsWanted } from '@yentrik/core'
import { useSearchParams } from 'react-router'
import { Message, Waiting } from '../parts/Message.tsx'
import { AskedSheet } from '../record/AskedSheet.tsx'
import { useOpenCase } from '../record/open-case.ts'
import { Survey, uses } from './Survey.tsx'
import type { SurveyUse } from './survey-draft.ts'

/** A scan of the cast on a surveying table: undercuts, block-out, tilt, places, pieces. On its own or for a step of a case. */
export function SurveyScreen() {
  const [query] = useSearchParams()
  const caseId = query.get('case')
  const use = uses.find(([each]) => each === query.get('view'))?.[0] ?? 'clasp'
  return caseId ? (
    <SurveyForCase key={`${caseId} ${query.get('job')}`} caseId={caseId} use={use} />
  ) : (
    <Survey kept="survey" use={use} />
  )
}

/** The sheet that its link names, or the one that the job wants. */
function SurveyForCase({ caseId, use }: { readonly caseId: string; readonly use: SurveyUse }) {
  const [query] = useSearchParams()
  const { state, error } = useOpenCase(caseId)
  if (!state) return error ? <Message tone="error" words={error.said} /> : <Waiting />
  const job = state.jobs.find(({ jobId }) => jobId === query.get('job')) ?? state.jobs[0]!
  const wanted = [...sheetsWanted(job, 'survey'), ...sheetsWanted(job, 'sawPlan')]
  const asked =
    wanted.find(({ step, sheet }) => step.id === query.get('step') && sheet.id === query.get('sheet')) ??
    wanted.find(({ sheet }) => (sheet.kind === 'sawPlan') === (use === 'recovery')) ??
    wanted[0]
  return (
    <AskedSheet
      caseId={caseId}
      jobId={job.jobId}
      stepId={asked?.step.id ?? ''}
      sheetId={asked?.sheet.id ?? ''}
      none="This case wants no survey. Go back to it."
    >
      {({ sheet, title, refusal, give, attempt: time }) => (
        <Survey
          kept={`survey ${caseId} ${job.jobId} ${asked!.step.id} ${sheet.id} ${time}`}
          use={sheet.kind === 'sawPlan' ? 'recovery' : use}
          job={job}
          sheet={sheet}
          title={title}
          refusal={refusal}
          onRecord={give}
        />
      )}
    </AskedSheet>
  )
}
