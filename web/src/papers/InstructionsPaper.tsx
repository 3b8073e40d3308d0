import { CAUTION_RULE, instructionsOf, isDevice } from '@yentrik/core'
import { Message, Waiting } from '../parts/Message.tsx'
import { Paper } from './Paper.tsx'
import { usePaperCase } from './use-paper-case.ts'

/** What the patient and the clinic are told with the device; one part for each, to be cut apart. */
export function InstructionsPaper() {
  const { state, lab, teeth, waiting, error } = usePaperCase()
  if (!state || !lab) return error ? <Message tone="error" words={error.said} /> : <Waiting />
  const { authorisation, docket, jobs } = state
  const devices = jobs.filter(isDevice)
  return (
    <Paper title={`Instructions for ${docket}`} waiting={waiting}>
      <h1 className="text-[18pt] leading-tight font-bold">Instructions for use</h1>
      <p className="mt-1">
        <span className="figures">{docket}</span>, patient {authorisation.patientCode}
        {teeth && `, teeth ${teeth}`}. {lab.labName}
        {lab.address && `, ${lab.address}`}.
      </p>
      {devices.length === 0 && <p className="mt-4">Nobody wears it: a cast or a mounting has none.</p>}
      {devices.map(({ jobId, route }) => {
        const told = instructionsOf[route.templateId]
        return (
          <section key={jobId} aria-label={route.name} className="mt-4">
            <h2 className="text-[14pt] font-bold">{route.name}</h2>
            <Lines title="For the patient" lines={told?.forPatient ?? []} />
            <Lines title="For the clinic" lines={told?.forClinic ?? []} />
          </section>
        )
      })}
      {devices.length > 0 && (
        <p className="mt-6">
          Anything serious that happens with it: tell your dentist, who tells {lab.labName}
          {lab.address && `, ${lab.address}`}, and the authority where that is asked for.
        </p>
      )}
      <p className="mt-6 text-[8.5pt]">
        Common practice; what your dentist tells you comes first. {CAUTION_RULE}
      </p>
    </Paper>
  )
}

function Lines({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) {
  return (
    <>
      <h3 className="mt-3 font-semibold">{title}</h3>
      <ul className="list-disc pl-5">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </>
  )
}
