import {
  type Delivered,
  delivered,
  type EnclosureWay,
  isDelivered,
  isDevice,
  type JobState,
  wayWords,
} from '@yentrik/core'
import { dateAndTime, duration, longDate } from '../format/format.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { Paper } from './Paper.tsx'
import { usePaperCase } from './use-paper-case.ts'

const signed = ({ at, by }: { readonly at: string; readonly by: string }) =>
  `${by}, ${dateAndTime(Date.parse(at))}`

/** What goes to the clinic: the work, its papers, everything that came along. It says only what is on record. */
export function DeliveryPaper() {
  const { state, lab, teeth, waiting, error } = usePaperCase()
  if (!state || !lab) return error ? <Message tone="error" words={error.said} /> : <Waiting />
  const { authorisation, docket, jobs } = state
  const devices = jobs.filter(isDevice).map((job) => ({ job, left: delivered(job) }))
  const all = jobs.map(delivered)
  const answers = all.flatMap(({ enclosures }) => enclosures?.went ?? [])
  const wayOf = (name: string): EnclosureWay | undefined =>
    answers.findLast((each) => each.name.trim() === name.trim())?.way
  const handedOver = all.map((each) => each.handedOver)
  const over = handedOver.every((each) => each !== undefined) ? handedOver.at(-1) : undefined
  const going = authorisation.enclosures.filter((name) => [undefined, 'back'].includes(wayOf(name)))
  const staying = authorisation.enclosures.flatMap((name) => {
    const way = wayOf(name)
    return way === undefined || way === 'back' ? [] : [`${name}: ${wayWords[way]}`]
  })
  const withStatement = devices.some(({ left }) => left.released?.statement !== 'notAskedFor')
  const goesAlong = [
    ...jobs.map(({ route }) => `${route.name}${teeth ? `, teeth ${teeth}` : ''}`),
    ...(withStatement ? ['Statement on the custom-made device'] : []),
    ...(devices.length > 0 ? ['Instructions for use'] : []),
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
        {longDate(Date.parse(authorisation.dueAt))}
        {over ? `, handed over by ${signed(over)}.` : '. Not handed over yet.'}
      </p>
      {!isDelivered(state) && <p className="mt-2 font-semibold">Not every step is done yet.</p>}
      <Ticks title="What is delivered" lines={goesAlong} none="" />
      {devices.map(({ job, left }) => (
        <HowItLeft key={job.jobId} job={job} left={left} named={devices.length > 1} />
      ))}
      <Ticks
        title="What came along and goes back"
        lines={going}
        none={authorisation.enclosures.length > 0 ? 'Nothing goes back.' : 'Nothing came along.'}
      />
      <section className="mt-6" aria-label="Used up, or kept by the lab">
        <h2 className="font-semibold">Used up, or kept by the lab</h2>
        {staying.length > 0 ? (
          <ul className="mt-1 list-disc pl-5">
            {staying.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        ) : (
          <p className={answers.length > 0 ? 'mt-1' : 'border-b border-black pb-6'}>
            {answers.length > 0 && 'Nothing.'}
          </p>
        )}
      </section>
      <footer className="mt-12 grid grid-cols-2 gap-10 break-inside-avoid">
        <p className="border-t border-black pt-1">Handed over, signature</p>
        <p className="border-t border-black pt-1">Received by, date</p>
      </footer>
    </Paper>
  )
}

/** Water, disinfection, bag and release, as they are on record. */
function HowItLeft({
  job,
  left: { water, disinfected, bagged, released },
  named,
}: {
  readonly job: JobState
  readonly left: Delivered
  readonly named: boolean
}) {
  const lines = [
    ...(water
      ? [
          'leftOut' in water
            ? `Did not stand in water: ${water.leftOut}`
            : `Stood in water for ${duration(water.minutes * 60_000)}${water.early ? `: ${water.early}` : ''}`,
        ]
      : []),
    ...(disinfected
      ? [
          `Disinfected: ${disinfected.product}, contact time ${disinfected.contactMinutes} min; ${signed(disinfected)}`,
        ]
      : []),
    ...(bagged ? [`Moist in a sealed bag; ${signed(bagged)}`] : []),
    ...(released ? [`Made at ${released.places.join('; ')}`, `Released by ${signed(released)}`] : []),
  ]
  const title = named ? `How it left: ${job.route.name}` : 'How it left'
  return (
    <section className="mt-6" aria-label={title}>
      <h2 className="font-semibold">{title}</h2>
      <ul className="mt-1 list-disc pl-5">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
        {lines.length === 0 && <li>Nothing of it is on record yet.</li>}
      </ul>
    </section>
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
