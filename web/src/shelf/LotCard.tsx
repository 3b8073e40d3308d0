import type { LotOnShelf } from '@yentrik/contract'
import { useState } from 'react'
import { Link } from 'react-router'
import { useEntryForm } from '../form/entry-form.ts'
import { FormText } from '../form/fields.tsx'
import { dayAndTime, grams, midnightOf, shortDate } from '../format/format.ts'
import { useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Message } from '../parts/Message.tsx'
import { lotWords, type Shelf } from '../record/shelf.ts'
import { lotNotices } from './shelf-notices.ts'

/** A lot: what is left, what it wants, which cases used it; into quarantine and out again. */
export function LotCard({ lot, shelf, now }: { lot: LotOnShelf; shelf: Shelf; now: number }) {
  const [showing, setShowing] = useState<'cases' | 'quarantine'>()
  const { refusal, run } = useRequest()
  const path = { lotId: lot.lotId }
  const notices = lotNotices(lot, now)
  return (
    <li
      className={`bg-base-200 rounded-2xl p-4 ${lot.inUse ? '' : 'opacity-75'}`}
      aria-label={`Lot ${lot.number}`}
    >
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <b className="figures font-mono text-lg">{lotWords(lot, shelf)}</b>
        <span className="text-sm">
          received {shortDate(Date.parse(lot.receivedAt))}
          {lot.openedOn && `, opened ${shortDate(Date.parse(lot.openedOn))}`}
          {lot.expiresOn && `, until ${shortDate(midnightOf(lot.expiresOn))} ${lot.expiresOn.slice(0, 4)}`}
          {!lot.inUse && ', used up'}
        </span>
      </div>
      {lot.leftGrams !== null && lot.receivedGrams !== null && (
        <div className="mt-2 flex items-center gap-3">
          <div
            className="bg-base-100 border-base-300 h-4 grow overflow-hidden rounded-full border"
            aria-hidden
          >
            <div
              className="h-full"
              style={{
                width: `${(100 * lot.leftGrams) / lot.receivedGrams}%`,
                background: lot.runsLow ? 'var(--late)' : 'var(--stone)',
              }}
            />
          </div>
          <span className="figures shrink-0">
            <b>{grams(lot.leftGrams)}</b> of {grams(lot.receivedGrams)} left
          </span>
        </div>
      )}
      {notices.map(({ tone, words }) => (
        <Message key={words} tone={tone}>
          {words.charAt(0).toUpperCase() + words.slice(1)}
          {tone === 'error' && lot.quarantine && `: ${lot.quarantine}`}
        </Message>
      ))}
      <div className="mt-3 flex flex-wrap gap-2">
        <button
          type="button"
          className="small-act"
          aria-expanded={showing === 'cases'}
          onClick={() => setShowing(showing === 'cases' ? undefined : 'cases')}
        >
          Its cases
        </button>
        {!lot.openedOn && (
          <button
            type="button"
            className="small-act"
            onClick={() => void run(() => request('POST /lots/:lotId/open', { path }))}
          >
            Opened today
          </button>
        )}
        {lot.quarantine ? (
          <button
            type="button"
            className="small-act"
            onClick={() => void run(() => request('POST /lots/:lotId/release', { path }))}
          >
            Release it
          </button>
        ) : (
          <button
            type="button"
            className="small-act"
            aria-expanded={showing === 'quarantine'}
            onClick={() => setShowing(showing === 'quarantine' ? undefined : 'quarantine')}
          >
            Quarantine
          </button>
        )}
        <button
          type="button"
          className="small-act"
          onClick={() =>
            void run(() => request('POST /lots/:lotId/use', { path, body: { inUse: !lot.inUse } }))
          }
          aria-label={`${lot.inUse ? 'Used up' : 'Use again'}: lot ${lot.number}`}
        >
          {lot.inUse ? 'Used up' : 'Use again'}
        </button>
      </div>
      {refusal && <Message tone="error" words={refusal} />}
      {showing === 'cases' && <CasesOfLot lotId={lot.lotId} now={now} />}
      {showing === 'quarantine' && <QuarantineForm lot={lot} onStored={() => setShowing('cases')} />}
    </li>
  )
}

function CasesOfLot({ lotId, now }: { lotId: string; now: number }) {
  const { data } = useAnswer('GET /lots/:lotId/cases', { path: { lotId } })
  if (!data) return null
  if (data.length === 0) return <p className="mt-3">No case has used it.</p>
  return (
    <ul className="mt-3 grid gap-1" aria-label="Cases that used it">
      {data.map((each) => (
        <li key={each.caseId} className="flex flex-wrap items-baseline gap-x-3">
          <Link className="link figures font-mono font-semibold" to={`/case/${each.caseId}`}>
            {each.docket}
          </Link>
          <span>{each.jobNames.join(', ')}</span>
          <span className="text-sm opacity-80">
            {each.clinic}, {each.powderGrams > 0 ? `${grams(each.powderGrams)}, ` : ''}
            {dayAndTime(Date.parse(each.lastAt), now)},{' '}
            {each.status === 'delivered' ? 'delivered' : each.status}
          </span>
        </li>
      ))}
    </ul>
  )
}

function QuarantineForm({
  lot: { lotId, openCases },
  onStored,
}: {
  readonly lot: LotOnShelf
  readonly onStored: () => void
}) {
  const form = useEntryForm({
    draftKey: `quarantine ${lotId}`,
    start: () => ({ reason: '' }),
    check: ({ reason }) => ({
      reason: reason.trim() === '' ? 'Say why, so that whoever comes next knows.' : undefined,
    }),
    store: async ({ reason }) => {
      await request('POST /lots/:lotId/quarantine', { path: { lotId }, body: { reason: reason.trim() } })
      onStored()
    },
  })
  return (
    <form className="mt-3 grid gap-3" onSubmit={form.submit} noValidate>
      <FormText form={form} name="reason" label="Why nobody may use it" autoFocus />
      <p className="text-sm">
        {openCases === 0
          ? 'No open case has used it.'
          : `${openCases} open ${openCases === 1 ? 'case has' : 'cases have'} used it: they are flagged.`}
      </p>
      {form.fault && <Message tone="error">{form.fault}</Message>}
      <button type="submit" className="act-main justify-self-start" disabled={form.busy}>
        Into quarantine
      </button>
    </form>
  )
}
