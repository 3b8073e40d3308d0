import { isDelivered, isDevice } from '@yentrik/core'
import { longDate } from '../format/format.ts'
import { labNow } from '../live/lab-clock.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { Paper } from './Paper.tsx'
import { usePaperCase } from './use-paper-case.ts'

/** What goes to the clinic: the work, its papers, and everything that came along, to be ticked by both hands. */
export function DeliveryPaper() {
  const { state, lab, teeth, waiting, error } = usePaperCase()
  if (!state || !lab) return error ? <Message tone="error" words={error.said} /> : <Waiting />
  const { authorisation, docket, jobs } = state
  const goesAlong = [
    ...jobs.map(({ route }) => `${route.name}${teeth ? `, teeth ${teeth}` : ''}`),
    ...(jobs.some(isDevice) ? ['Statement on the custom-made device', 'Instructions for use'] : []),
  ]
  return (
    <Paper title={`Delivery note of ${docket}`} waiting={waiting}>
      <p>
        {lab.labName}
        {lab.address && `, ${lab.address}`}
      </p>
      <h1 className="mt-2 text-[20pt] leading-tight font-bold">
        Delivery note <span className="figures">{docket}</span>
      </h1>
      <p className="mt-2">
        To {authorisation.prescriber}, {authorisation.clinic}, for patient {authorisation.patientCode}. Due{' '}
        {longDate(Date.parse(authorisation.dueAt))}, handed over {longDate(labNow())}.
      </p>
      {!isDelivered(state) && <p className="mt-2 font-semibold">Not every step is done yet.</p>}
      <Ticks title="What is delivered" lines={goesAlong} none="" />
      <Ticks
        title="What came along and goes back"
        lines={authorisation.enclosures}
        none="Nothing came along."
      />
      <p className="mt-6 border-b border-black pb-6">Used up, or kept by the lab:</p>
      <footer className="mt-12 grid grid-cols-2 gap-10 break-inside-avoid">
        <p className="border-t border-black pt-1">Packed by, date</p>
        <p className="border-t border-black pt-1">Received by, date</p>
      </footer>
    </Paper>
  )
}

function Ticks({
  title,
  lines,
  none,
}: {
  readonly title: string
  readonly lines: readonly string[]
  readonly none: string
}) {
  return (
    <section className="mt-6" aria-label={title}>
      <h2 className="font-semibold">{title}</h2>
      <ul className="mt-2 grid gap-2">
        {lines.map((line) => (
          <li key={line} className="flex items-center gap-3">
            <span className="inline-block size-[5mm] shrink-0 border border-black" /> {line}
          </li>
        ))}
        {lines.length === 0 && <li>{none}</li>}
      </ul>
    </section>
  )
}
