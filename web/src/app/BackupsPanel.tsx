import { dayAndTime } from '../format/format.ts'
import { keepAnswer, useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Message } from '../parts/Message.tsx'

/** Whether the lab would get its cases back: the newest good backup first. By the clock of the machine, not of the lab. */
export function BackupsPanel() {
  const { data: state } = useAnswer('GET /backups')
  const { refusal, run } = useRequest()
  if (!state) return null
  const { newest, older, folder, secondFolder, nightlyAt, overdue, failure } = state
  const now = Date.now()
  return (
    <section className="card-flat grid gap-3 p-6" aria-label="Backups">
      <h2 className="text-xl font-semibold">Backups</h2>
      <p>
        Last good one:{' '}
        <strong className="figures text-2xl">{newest ? dayAndTime(newest.at, now) : 'none yet'}</strong>
        {newest && `, ${(newest.bytes / 1e6).toFixed(1)} MB`}
        {older > 0 && `, ${older} older ${older === 1 ? 'one' : 'ones'} kept`}
      </p>
      {overdue && (
        <Message tone="warning">
          For two days or more no good backup was made. Make one now, and look whether the server runs at{' '}
          {nightlyAt ?? 'night'}.
        </Message>
      )}
      {failure && !refusal && (
        <Message tone="error">
          {dayAndTime(failure.at, now)}: none was made, {failure.fault}. Look whether the folder can be
          written and has room.
        </Message>
      )}
      {refusal && <Message tone="error" words={refusal} />}
      <p className="text-sm break-words">
        {nightlyAt ? `Each night at ${nightlyAt}` : 'Only when asked for'}, opened and counted, in {folder}
        {secondFolder
          ? ` and in ${secondFolder}`
          : '. No second folder is named: a disk that fails takes both'}
        .
      </p>
      <button
        type="button"
        className="act justify-self-start"
        onClick={() => run(async () => keepAnswer('GET /backups', await request('POST /backups')))}
      >
        Make one now
      </button>
    </section>
  )
}
