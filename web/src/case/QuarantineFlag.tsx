import type { CaseEvent } from '@yentrik/core'
import { Link } from 'react-router'
import { Told } from '../parts/Told.tsx'
import type { Lot } from '../shelf/use-shelf.ts'

/** Lots in quarantine that a case has used: what to look at before it goes on. */
export function QuarantineFlag({ events, lots }: { events: readonly CaseEvent[]; lots: readonly Lot[] }) {
  const used = new Set(events.flatMap((event) => (event.type === 'mixRecorded' ? event.lots : [])))
  const held = lots.filter((lot) => used.has(lot.lotId) && lot.quarantine !== null)
  if (held.length === 0) return null
  return (
    <div className="card-flat border-error grid gap-1 border-2 p-4">
      {held.map((lot) => (
        <Told key={lot.lotId} tone="error">
          Used{' '}
          <Link className="link" to={`/shelf?material=${lot.materialId}`}>
            lot {lot.number}
          </Link>
          , now in quarantine: {lot.quarantine}. Look at what was made of it before you go on.
        </Told>
      ))}
    </div>
  )
}
