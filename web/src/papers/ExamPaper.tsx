import { levelNames } from '@yentrik/core'
import { useParams } from 'react-router'
import { dateAndTime, weekdayAndTime } from '../format/format.ts'
import { freshen, useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { useSession } from '../session/session.ts'
import { Paper } from './Paper.tsx'

/** The result of an exam: seed and version, so that a class gets the same case; signed by the lead. */
export function ExamPaper() {
  const { practiceId = '' } = useParams()
  const { person } = useSession()
  const { data, error } = useAnswer('GET /practice/:practiceId/debrief', { path: { practiceId } })
  const { refusal, run } = useRequest()
  if (!data)
    return error ? (
      <main className="p-8">
        <Message tone="error" words={error.said} />
      </main>
    ) : (
      <Waiting />
    )
  const { short, debrief, version, signed } = data
  const { score, tally, bars, beganAt } = debrief
  const sign = async () => {
    const done = await run(() => request('POST /practice/:practiceId/sign', { path: { practiceId } }))
    if (done) await freshen('GET /practice/:practiceId/debrief')
  }
  const file = () => {
    const link = document.createElement('a')
    link.href = URL.createObjectURL(new Blob([JSON.stringify(data, null, 2)], { type: 'application/json' }))
    link.download = `${short.docket}-result.json`
    link.click()
    URL.revokeObjectURL(link.href)
  }
  return (
    <Paper title={`Result ${short.docket}`}>
      <div className="no-print mb-4 flex flex-wrap gap-2">
        <button type="button" className="small-act" onClick={file}>
          As JSON
        </button>
        {person?.role === 'lead' && !signed && (
          <button type="button" className="small-act btn-primary" onClick={() => void sign()}>
            Sign it
          </button>
        )}
        {refusal && <Message tone="error" words={refusal} />}
      </div>
      <p className="border border-dashed border-black p-1 text-center font-bold tracking-[0.3em]">
        PRACTICE · NO REAL CASE
      </p>
      <h1 className="mt-4 text-2xl font-bold">
        {short.jobName}, {levelNames[short.level].toLowerCase()}
      </h1>
      <dl className="mt-2 grid grid-cols-[9rem_1fr] gap-x-4">
        <dt>Learner</dt>
        <dd>{short.person}</dd>
        <dt>Taken</dt>
        <dd className="figures">{dateAndTime(short.begunAt)}</dd>
        <dt>Case</dt>
        <dd className="figures">
          {short.docket}, seed {short.seed}, rules {version}
        </dd>
        <dt>Ended</dt>
        <dd>{short.closed === 'delivered' ? 'delivered' : 'stopped before delivery'}</dd>
      </dl>
      <p className="figures mt-4 text-4xl font-bold">{Math.round(score.total * 10) / 10} of 100</p>
      <p className="figures">
        {tally.found} of {tally.seenable} found, {tally.weak} noticed and not dealt with, {tally.falseAlarms}{' '}
        false alarms in {tally.cleanLooks} sound places, {tally.delivered.length} delivered, {tally.broken}{' '}
        cautions broken.
      </p>
      <table className="mt-4 w-full text-left">
        <thead>
          <tr className="border-b border-black">
            <th>What was wrong</th>
            <th>To be seen</th>
            <th>In the end</th>
          </tr>
        </thead>
        <tbody>
          {bars.map(({ id, named, seen, found, end }) => (
            <tr key={id} className="border-b border-black/30 align-top">
              <td className="py-1">{named}</td>
              <td className="figures py-1">
                {seen
                  ? `${weekdayAndTime(beganAt + seen.at * 60_000, beganAt)}, ${seen.step}`
                  : 'never by eye'}
              </td>
              <td className="py-1">{end === 'found' && found ? `found, ${found.step}` : end}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-4 text-sm">{debrief.limits}</p>
      <p className="mt-8">
        {signed ? (
          <>
            Signed by <b>{signed.by}</b>, {dateAndTime(Date.parse(signed.at))}
          </>
        ) : (
          'Not signed yet.'
        )}
      </p>
    </Paper>
  )
}
