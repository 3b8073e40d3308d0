import type { FaultFindings } from '@yentrik/contract'
import { mayDo, sumOf } from '@yentrik/core'
import { useState } from 'react'
import { useAnswer } from '../live/queries.ts'
import { useSession } from '../session/session.ts'
import { ReasonSheet } from './ReasonSheet.tsx'

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
      {reset && (
        <ReasonSheet
          title={`Begin anew: ${reset.fault}`}
          deed={(reason) => ({
            type: 'causeWeightsReset',
            place: reset.place,
            fault: reset.fault,
            reason,
          })}
          act="From now on"
          changes={['GET /quality/findings']}
          onClose={() => setReset(undefined)}
        >
          <p>
            What was found so far stays on record, and orders the list no more: for a new investment, a new
            oven, another way.
          </p>
        </ReasonSheet>
      )}
    </section>
  )
}
