import type { FaultFindings } from '@yentrik/contract'
import { mayDo, sumOf } from '@yentrik/core'
import { useState } from 'react'
import { freshen, useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Message } from '../parts/Message.tsx'
import { Sheet } from '../parts/Sheet.tsx'
import { TextField } from '../parts/TextField.tsx'
import { useSession } from '../session/session.ts'

/** What the lab has found of each fault: it orders the fault finder's list. A new oven or investment begins it anew. */
export function FindingsCard() {
  const { person } = useSession()
  const { data = [] } = useAnswer('GET /quality/findings')
  const [reset, setReset] = useState<FaultFindings>()
  const known = data.filter(({ found }) => sumOf(Object.values(found)) > 0)
  if (known.length === 0) return null
  return (
    <section className="card-flat p-5 pt-4" aria-label="What this lab has found">
      <h2 className="text-xl font-bold">What this lab has found</h2>
      <ul>
        {known.map((each) => (
          <li
            key={`${each.place} ${each.fault}`}
            className="border-base-300 flex flex-wrap items-center justify-between gap-3 border-t py-2"
          >
            <span>
              <b>{each.fault}</b>{' '}
              <span className="figures text-sm">
                {Object.entries(each.found)
                  .sort(([, one], [, other]) => other - one)
                  .map(([cause, count]) => `${cause} ${count}`)
                  .join('; ')}
              </span>
            </span>
            {person && mayDo(person.role, 'decide') && (
              <button
                type="button"
                className="small-act"
                aria-label={`Begin anew: ${each.fault}`}
                onClick={() => setReset(each)}
              >
                Begin anew
              </button>
            )}
          </li>
        ))}
      </ul>
      {reset && <ResetSheet of={reset} onClose={() => setReset(undefined)} />}
    </section>
  )
}

function ResetSheet({ of: { place, fault }, onClose }: { of: FaultFindings; onClose: () => void }) {
  const [reason, setReason] = useState('')
  const { refusal, run } = useRequest()
  const tell = () =>
    run(async () => {
      await request('POST /quality/said', { body: { type: 'causeWeightsReset', place, fault, reason } })
      await freshen('GET /quality/findings')
      onClose()
    })
  return (
    <Sheet title={`Begin anew: ${fault}`} onClose={onClose}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          void tell()
        }}
      >
        <p>
          What was found so far stays on record, and orders the list no more: for a new investment, a new
          oven, another way.
        </p>
        <TextField label="Why" text={reason} onText={setReason} />
        {refusal && <Message tone="error" words={refusal} />}
        <button type="submit" className="act-main justify-self-start">
          From now on
        </button>
      </form>
    </Sheet>
  )
}
