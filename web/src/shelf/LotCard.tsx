import type { LotOnShelf } from '@yentrik/contract'
import { checkEnlargement, type Enlargement, enlargementWarnings, materials } from '@yentrik/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { useEntryForm } from '../form/entry-form.ts'
import { FormNumber, FormText } from '../form/fields.tsx'
import { dayAndTime, grams, midnightOf, shortDate } from '../format/format.ts'
import { useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { attempt } from '../parts/attempt.ts'
import { Message } from '../parts/Message.tsx'
import { readNumber } from '../parts/read-number.ts'
import { useWords } from '../preferences/words.tsx'
import { lotWords, type Shelf } from '../record/shelf.ts'
import { isZirconia } from './product-entry.ts'
import { lotNotices } from './shelf-notices.ts'

/** A lot: what is left, what it wants, which cases used it; into quarantine and out again. */
export function LotCard({ lot, shelf, now }: { lot: LotOnShelf; shelf: Shelf; now: number }) {
  const [showing, setShowing] = useState<'cases' | 'quarantine' | 'factor'>()
  const blank = materials.get(lot.materialId)
  const zirconia = blank !== undefined && isZirconia(blank)
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
      {zirconia && (
        <p className="mt-1">
          {lot.enlargement ? (
            <>
              Factor <b className="figures">{lot.enlargement.factor}</b>
            </>
          ) : (
            'Its enlargement factor is not entered.'
          )}
        </p>
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
        {zirconia && (
          <button
            type="button"
            className="small-act"
            aria-expanded={showing === 'factor'}
            onClick={() => setShowing(showing === 'factor' ? undefined : 'factor')}
          >
            Its factor
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
      {showing === 'factor' && <FactorForm lot={lot} onStored={() => setShowing(undefined)} />}
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

/** The enlargement factor on the label of a blank, and the densities where they stand there. */
function FactorForm({
  lot: { lotId, enlargement },
  onStored,
}: {
  readonly lot: LotOnShelf
  readonly onStored: () => void
}) {
  const say = useWords()
  const of = (typed: { factor: string; green: string; sintered: string }): Enlargement => {
    const value = (text: string, unit: string) => readNumber(text, unit, { wanted: false }).value
    const [green, sintered] = [value(typed.green, 'g/cm3'), value(typed.sintered, 'g/cm3')]
    return {
      ...(enlargement?.axes ? { axes: enlargement.axes } : {}),
      factor: value(typed.factor, '') ?? Number.NaN,
      ...(green === undefined ? {} : { greenGramsPerCm3: green }),
      ...(sintered === undefined ? {} : { sinteredGramsPerCm3: sintered }),
    }
  }
  const form = useEntryForm({
    draftKey: `factor ${lotId}`,
    start: () => ({
      factor: String(enlargement?.factor ?? ''),
      green: String(enlargement?.greenGramsPerCm3 ?? ''),
      sintered: String(enlargement?.sinteredGramsPerCm3 ?? ''),
    }),
    check: (typed) => ({
      factor: readNumber(typed.factor, '').fault ?? attempt(() => checkEnlargement(of(typed))).refusal,
      green: readNumber(typed.green, 'g/cm3', { wanted: false }).fault,
      sintered: readNumber(typed.sintered, 'g/cm3', { wanted: false }).fault,
    }),
    store: async (typed) => {
      await request('POST /lots/:lotId/enlargement', { path: { lotId }, body: of(typed) })
      onStored()
    },
  })
  return (
    <form className="mt-3 grid gap-2" onSubmit={form.submit} noValidate>
      <div className="grid gap-x-3 sm:grid-cols-3">
        <FormNumber form={form} name="factor" label="Factor on its label" unit="" />
        <FormNumber form={form} name="green" label="Density, green" unit="g/cm3" hint="if it stands there" />
        <FormNumber form={form} name="sintered" label="Density, sintered" unit="g/cm3" />
      </div>
      {enlargementWarnings(of(form.values)).map((words) => (
        <Message key={say(words)} tone="warning" words={words} />
      ))}
      {form.fault && <Message tone="error">{form.fault}</Message>}
      <button type="submit" className="act-main justify-self-start" disabled={form.busy}>
        Keep the factor
      </button>
    </form>
  )
}
