import type { MixClock } from '@yentrik/contract'
import { mixClock } from '@yentrik/core'
import { Link } from 'react-router'
import { clockTime } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useShelf } from '../record/shelf.ts'
import { ClockStrip } from './ClockStrip.tsx'

export function useRunningMixes(): readonly MixClock[] {
  return useAnswer('GET /mixing/clocks').data ?? []
}

/** Every mix whose clock runs, the newest first, each on its strip. */
export function MixClocks({ running }: { running: readonly MixClock[] }) {
  const now = useNow()
  const shelf = useShelf()
  return running.map((mix) => {
    const card = shelf.card(mix.materialId, mix.productId)
    if (!card?.clock) return null
    return (
      <section key={mix.clockId} className="card-flat p-4" aria-label={`Clock of ${card.name}`}>
        <h3 className="mb-1 flex flex-wrap items-center gap-x-3">
          <b className="text-lg">{card.name}</b>
          {mix.docket && (
            <Link className="link" to={`/case/${mix.caseId}`}>
              {mix.docket}
            </Link>
          )}
          <span>
            powder met liquid <b className="figures">{clockTime(Date.parse(mix.metAt))}</b>, {mix.by}
          </span>
          <button
            type="button"
            className="small-act ml-auto"
            onClick={() => void request('DELETE /mixing/clocks/:clockId', { path: { clockId: mix.clockId } })}
          >
            Put away
          </button>
        </h3>
        <ClockStrip
          clock={mixClock(card.clock, Date.parse(mix.metAt), mix.settingFactor)}
          now={now}
          running
        />
      </section>
    )
  })
}
