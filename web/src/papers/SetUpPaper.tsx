import { planSetUp, qty, recordedSheet, saying, showTooth, toothNames } from '@yentrik/core'
import { useParams, useSearchParams } from 'react-router'
import { Message, Waiting } from '../parts/Message.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { Said, useWords } from '../preferences/words.tsx'
import { useStoredCase } from '../record/open-case.ts'
import { PlanFront, PlanTop } from '../setup/PlanDrawings.tsx'
import { LifeSizeBar } from './LifeSizeBar.tsx'
import { Paper } from './Paper.tsx'

/** Where every tooth goes at life size, to lay under the cast. */
export function SetUpPaper() {
  const { caseId = '' } = useParams()
  const [query] = useSearchParams()
  const notation = usePreferences((preferences) => preferences.teeth)
  const say = useWords()
  const { state, waiting, error } = useStoredCase(caseId)
  if (!state) return error ? <Message tone="error" words={error.said} /> : <Waiting />
  const job = state.jobs.find(({ jobId }) => jobId === query.get('job'))
  const sheet =
    job && recordedSheet(job, { stepId: query.get('step') ?? '', sheetId: query.get('sheet') ?? '' })
  if (sheet?.kind !== 'setUpPlan') return <Message tone="error">This case has no set-up plan yet.</Message>
  const { setUpEntry: entry } = sheet
  const plan = planSetUp(entry)
  const drawn = { entry, plan, notation, lifeSize: true, className: 'shrink-0' }
  return (
    <Paper title={`Set-up plan of ${state.docket}`} waiting={waiting}>
      <h1 className="text-[16pt] font-bold">
        Set-up plan <span className="figures">{state.docket}</span>
        <span className="ml-3 text-[10pt] font-normal">
          {state.authorisation.patientCode}, {entry.arch}, {entry.toothSet.name}
        </span>
      </h1>
      <LifeSizeBar />
      <section className="mt-2 flex items-start justify-between gap-4">
        <PlanTop {...drawn} />
        <table className="text-[9pt]">
          <tbody>
            {plan.anterior.map((tooth) => (
              <tr key={tooth.fdi} className="border-b border-neutral-300">
                <td className="py-0.5 pr-2">
                  {showTooth(tooth.fdi, notation)} {toothNames[tooth.kind].toLowerCase()}
                </td>
                <td className="figures text-right">
                  {tooth.stance.mesiodistalDegrees}° distal, {tooth.stance.labialDegrees}° in
                </td>
              </tr>
            ))}
            {plan.posterior.map((tooth) => (
              <tr key={tooth.fdi} className="border-b border-neutral-300">
                <td className="py-0.5 pr-2">
                  {showTooth(tooth.fdi, notation)} {toothNames[tooth.kind].toLowerCase()}
                </td>
                <td className="figures text-right">
                  <Said
                    words={saying`cusps ${qty.mm(tooth.buccal.heightMillimetres, 1)} and ${qty.mm(tooth.palatal.heightMillimetres, 1)} up`}
                  />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section className="mt-3 break-inside-avoid">
        <p className="text-[9pt]">
          From the front, the patient's right on the left; dotted, the high-lip line.
        </p>
        <PlanFront {...drawn} />
      </section>
      <ul className="mt-2 text-[9pt]">
        {plan.remarks.map(say).map((remark) => (
          <li key={remark}>{remark}</li>
        ))}
      </ul>
    </Paper>
  )
}
