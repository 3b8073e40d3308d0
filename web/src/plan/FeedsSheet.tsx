import type { PlanFeed } from '@yentrik/contract'
import { useState } from 'react'
import { shortDate } from '../format/format.ts'
import { freshen, useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { SelectField } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { Sheet } from '../parts/Sheet.tsx'

const WHOLE_LAB = 'lab'

/** Calendar addresses: of a person or the lab, read by whoever has them, taken back when wanted. */
export function FeedsSheet({ onClose }: { onClose: () => void }) {
  const { data: feeds = [] } = useAnswer('GET /plan/feeds')
  const { data: plan } = useAnswer('GET /plan', { query: { days: '3' } })
  const people = plan?.people ?? []
  const [who, setWho] = useState(WHOLE_LAB)
  const [given, setGiven] = useState<PlanFeed>()
  const { refusal, run } = useRequest()
  const nameOf = (personId: string | null) =>
    personId === null
      ? 'The whole lab'
      : (people.find(({ id }) => id === personId)?.name ?? 'Somebody who has left')
  const give = () =>
    run(async () => {
      const feed = await request('POST /plan/feeds', { body: who === WHOLE_LAB ? {} : { personId: who } })
      setGiven(feed)
      await freshen('GET /plan/feeds')
    })
  const takeBack = (feedId: string) =>
    run(async () => {
      await request('DELETE /plan/feeds/:feedId', { path: { feedId } })
      if (given?.feedId === feedId) setGiven(undefined)
      await freshen('GET /plan/feeds')
    })
  return (
    <Sheet title="Calendar addresses" onClose={onClose}>
      <div className="grid gap-4">
        <p>
          A calendar program that is given the address shows the plan and follows it. Whoever has it can read,
          nobody can change.
        </p>
        <div className="flex flex-wrap items-end gap-3">
          <SelectField
            label="Whose plan"
            options={[[WHOLE_LAB, 'The whole lab'], ...people.map(({ id, name }) => [id, name] as const)]}
            value={who}
            onChoose={setWho}
          />
          <button type="button" className="act-main" onClick={give}>
            Give an address
          </button>
        </div>
        {given && (
          <p className="border-success border-l-4 pl-3">
            <b>{nameOf(given.personId)}</b>, said this once:
            <output className="block font-mono text-sm break-all">
              {location.origin}
              {given.address}
            </output>
          </p>
        )}
        {refusal && <Message tone="error" words={refusal} />}
        <ul className="grid gap-1" aria-label="Given out">
          {feeds.map((feed) => (
            <li key={feed.feedId} className="flex min-h-11 items-center justify-between gap-3">
              <span>
                {nameOf(feed.personId)}, since {shortDate(Date.parse(feed.madeAt))}
              </span>
              <button type="button" className="small-act" onClick={() => takeBack(feed.feedId)}>
                Take back
              </button>
            </li>
          ))}
        </ul>
      </div>
    </Sheet>
  )
}
