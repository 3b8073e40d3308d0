import type { Promised } from '@yentrik/contract'
import { useEffect, useState } from 'react'
import { useNow } from '../live/lab-clock.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { dateText } from '../parts/date-entry.ts'
import { Message } from '../parts/Message.tsx'
import { PromisedWords } from './PromiseSheet.tsx'

interface PromiseDateProps {
  readonly templateId: string
  readonly choices: Readonly<Record<string, string>>
  /** As it is entered; ms. */
  readonly dueAt: number | undefined
  readonly onDay: (day: string) => void
  /** The chance of the date as it is entered; undefined: not asked of this one. */
  readonly onChance: (chance: number | undefined) => void
}

/** While a case is taken in: whether its date can be kept, and one that can. */
export function PromiseDate({ templateId, choices, dueAt, onDay, onChance }: PromiseDateProps) {
  const now = useNow()
  const asked = JSON.stringify({ templateId, choices, dueAt })
  const [found, setFound] = useState<{ readonly of: string; readonly promised: Promised }>()
  const [isAsking, setAsking] = useState(false)
  const { refusal, run } = useRequest()
  const ask = async () => {
    setAsking(true)
    const promised = await run(() =>
      request('POST /plan/promise', {
        body: {
          templateId,
          choices,
          ...(dueAt === undefined || dueAt <= now ? {} : { dueAt: new Date(dueAt).toISOString() }),
        },
      }),
    )
    if (promised) setFound({ of: asked, promised })
    setAsking(false)
  }
  // What was found for another date says nothing of this one.
  const promised = found?.of === asked ? found.promised : undefined
  const chance = promised?.chance
  useEffect(() => {
    onChance(chance)
  }, [chance, onChance])
  return (
    <div className="bg-base-200 grid gap-2 rounded-2xl p-3">
      <div className="flex flex-wrap items-center gap-3">
        <button type="button" className="small-act" onClick={() => void ask()} disabled={isAsking}>
          {isAsking ? 'Planning it' : 'Can that date be kept?'}
        </button>
        {!promised && (
          <span className="text-sm">
            The plan looks for people and machines, and says what it would push.
          </span>
        )}
      </div>
      {refusal && <Message tone="error" words={refusal} />}
      {promised && (
        <>
          <PromisedWords found={promised} now={now} />
          <button
            type="button"
            className="small-act justify-self-start"
            onClick={() => onDay(dateText(promised.by95 + 86_400_000))}
          >
            Due the day after: sure in 95 of 100
          </button>
        </>
      )}
    </div>
  )
}
