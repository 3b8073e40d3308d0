import { finishedAt, isDevice, type JobState } from '@yentrik/core'
import { longDate } from '../format/format.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { Paper } from './Paper.tsx'
import { QrCode } from './QrCode.tsx'
import { usePaperCase } from './use-paper-case.ts'

/** The last step on record that was finished. */
const madeAt = ({ steps }: JobState) =>
  Object.values(steps)
    .flatMap((step) => finishedAt(step) ?? [])
    .sort()
    .at(-1)

/** The label on what leaves: whose it is, what it is, who made it; a device says that it is one. */
export function LabelPaper() {
  const { state, lab, teeth, waiting, error } = usePaperCase()
  if (!state || !lab) return error ? <Message tone="error" words={error.said} /> : <Waiting />
  const { authorisation, docket, jobs } = state
  return (
    <Paper title={`Labels of ${docket}`} waiting={waiting}>
      <h1 className="no-print mb-4 text-[14pt] font-bold">Labels of {docket}</h1>
      <div className="grid gap-6">
        {jobs.map((job) => (
          <section
            key={job.jobId}
            aria-label={`Label, ${job.route.name}`}
            className="flex w-[100mm] break-inside-avoid items-start justify-between gap-4 border-2 border-black p-[4mm]"
          >
            <div className="min-w-0">
              {isDevice(job) && <p className="font-bold uppercase">Custom-made device</p>}
              <p className="text-[16pt] leading-tight font-bold">{job.route.name}</p>
              <p>
                For <b className="figures">{authorisation.patientCode}</b>
                {teeth && `, teeth ${teeth}`}
                {authorisation.shade && `, shade ${authorisation.shade}`}
              </p>
              <p>
                {authorisation.prescriber}, {authorisation.clinic}
              </p>
              <p className="mt-2">
                Made by {lab.labName}
                {lab.address ? `, ${lab.address}` : ', address: ______________________'}
              </p>
              <p className="figures">
                {docket}/{job.jobId}
                {madeAt(job) && `, made ${longDate(Date.parse(madeAt(job)!))}`}
              </p>
            </div>
            <QrCode text={docket} className="w-[22mm] shrink-0" />
          </section>
        ))}
      </div>
    </Paper>
  )
}
