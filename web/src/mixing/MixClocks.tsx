import { mixClock } from '@yentrik/core'
import { Link } from 'react-router'
import { clockTime } from '../format/format.ts'
import { api } from '../live/api.ts'
import { useFetched, useNow } from '../live/live-store.ts'
import { useShelf } from '../shelf/use-shelf.ts'
import { ClockStrip } from './ClockStrip.tsx'

/** A mix whose clock runs on the server. */
export interface RunningMix {
  readonly clockId: string
  readonly materialId: string
  readonly productId: string | null
  readonly metAt: string
  readonly by: string
  readonly settingFactor: number
  readonly caseId: string | null
  readonly docket: string | null
}

export function useRunningMixes(): readonly RunningMix[] {
  return useFetched<readonly RunningMix[]>('/mixing/clocks').data ?? []
}

/** Every mix whose clock runs, the newest first, each on its strip. */
export function MixClocks({ running }: { running: readonly RunningMix[] }) {
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
            onClick={() => api(`/mixing/clocks/${mix.clockId}`, { method: 'DELETE' })}
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
