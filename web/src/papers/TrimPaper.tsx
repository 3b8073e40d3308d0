import { planPair, qty, recordedSheet } from '@yentrik/core'
import { useParams, useSearchParams } from 'react-router'
import { Message, Waiting } from '../parts/Message.tsx'
import { Said } from '../preferences/words.tsx'
import { useStoredCase } from '../record/open-case.ts'
import { TopDrawing } from '../trimming/TopDrawing.tsx'
import { LifeSizeBar } from './LifeSizeBar.tsx'
import { Paper } from './Paper.tsx'

/** The cuts of both models at life size, to lay the model on, with the angles for the table. */
export function TrimPaper() {
  const { caseId = '' } = useParams()
  const [query] = useSearchParams()
  const { state, waiting, error } = useStoredCase(caseId)
  if (!state) return error ? <Message tone="error" words={error.said} /> : <Waiting />
  const job = state.jobs.find(({ jobId }) => jobId === query.get('job'))
  const sheet =
    job && recordedSheet(job, { stepId: query.get('step') ?? '', sheetId: query.get('sheet') ?? '' })
  if (sheet?.kind !== 'trimPlan') return <Message tone="error">This case has no trim plan yet.</Message>
  const pair = planPair(sheet.entry)
  return (
    <Paper title={`Trim plan of ${state.docket}`} waiting={waiting}>
      <h1 className="text-[16pt] font-bold">
        Trim plan <span className="figures">{state.docket}</span>
        <span className="ml-3 text-[10pt] font-normal">{state.authorisation.patientCode}</span>
      </h1>
      <LifeSizeBar />
      {(['upper', 'lower'] as const).map((arch) => (
        <section key={arch} className="mt-3 flex break-inside-avoid items-start gap-4">
          <TopDrawing
            model={pair[arch]}
            outline={sheet.entry[arch].outline}
            margin={8}
            lifeSize
            className="shrink-0"
          />
          <table className="text-[9pt]">
            <caption className="text-left text-[11pt] font-semibold">
              {arch === 'upper' ? 'Upper' : 'Lower'}
            </caption>
            <tbody>
              {pair[arch].cuts.map((cut) => (
                <tr key={cut.name} className="border-b border-neutral-300">
                  <td className="py-0.5 pr-2">{cut.name}</td>
                  <td className="figures pr-2 text-right">
                    {cut.name === 'front arc' ? 'arc' : `${cut.tableDegrees.toFixed(1)}°`}
                  </td>
                  <td className="figures text-right">
                    {cut.depthMillimetres !== undefined && (
                      <Said words={[qty.mm(Math.max(0, cut.depthMillimetres), 1)]} />
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
    </Paper>
  )
}
