import type { LotOnShelf } from '@yentrik/contract'
import { Link } from 'react-router'
import { Message } from '../parts/Message.tsx'

/** Lots in quarantine that a case has used: what to look at before it goes on. */
export function QuarantineFlag({
  used,
  lots,
}: {
  readonly used: readonly string[]
  readonly lots: readonly LotOnShelf[]
}) {
  const held = lots.filter((lot) => used.includes(lot.lotId) && lot.quarantine !== null)
  if (held.length === 0) return null
  return (
    <div className="card-flat border-error grid gap-1 border-2 p-4">
      {held.map((lot) => (
        <Message key={lot.lotId} tone="error">
          Used{' '}
          <Link className="link" to={`/shelf?material=${lot.materialId}`}>
            lot {lot.number}
          </Link>
          , now in quarantine: {lot.quarantine}. Look at what was made of it before you go on.
        </Message>
      ))}
    </div>
  )
}
