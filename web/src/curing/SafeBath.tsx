import { COLD_WATER_CELSIUS, type Saying } from '@yentrik/core'
import { type ReactNode, useRef, useState } from 'react'
import { clockTime } from '../format/format.ts'
import { Message } from '../parts/Message.tsx'
import { TextField } from '../parts/TextField.tsx'
import { nextAt } from '../program/program-draft.ts'
import { type CureDraft, outOf, questionOf, withProposal } from './cure-draft.ts'
import { inCuringWorker } from './use-cure.ts'

const MINUTE = 60_000

/** A safe bath that is out in time, looked for by the worker. */
export function SafeBath({
  draft,
  now,
  onDraft,
  planned,
}: {
  draft: CureDraft
  now: number
  onDraft: (draft: CureDraft) => void
  /** What the plan of the lab says of it. */
  planned?: ReactNode
}) {
  const [message, setMessage] = useState<{ readonly good: boolean; readonly words: Saying }>()
  const [looking, setLooking] = useState(false)
  // What is typed while it looks must stay.
  const latest = useRef(draft)
  latest.current = draft
  const find = async () => {
    const inAt = nextAt(draft.inAt, now)
    const outAt = inAt === undefined ? undefined : nextAt(draft.outBy, inAt)
    const question = questionOf(draft, { startCelsius: COLD_WATER_CELSIUS, segments: [] })
    if (inAt === undefined || outAt === undefined || !question)
      return setMessage({ good: false, words: 'Write the hours as 07:30, and the thicknesses as numbers.' })
    setLooking(true)
    setMessage(undefined)
    const { sections, flask } = question
    const found = await inCuringWorker((work) =>
      work.propose({ sections, flask }, (outAt - inAt) / MINUTE),
    ).catch(() => ({
      refusal: 'The search was broken off. Try again, or reload the page.',
      answer: undefined,
    }))
    setLooking(false)
    if (!found.answer) return setMessage({ good: false, words: found.refusal ?? '' })
    if (found.answer.kind === 'never')
      return setMessage({
        good: false,
        words: 'No bath that is tried keeps this thickness from boiling: ask the maker for a program.',
      })
    const { proposal, kind } = found.answer
    const out = clockTime(outOf(inAt, proposal.program))
    onDraft(
      withProposal(
        latest.current,
        kind === 'inTime' ? `Safe, out by ${draft.outBy}` : `Safe, soonest ${out}`,
        proposal.program,
      ),
    )
    setMessage(
      kind === 'inTime'
        ? { good: true, words: `Found: out at ${out}.` }
        : { good: false, words: `By ${draft.outBy} none is safe; the soonest is out at ${out}.` },
    )
  }
  return (
    <div className="grid content-start gap-2">
      {planned}
      <TextField label="Out by" text={draft.outBy} onText={(outBy) => onDraft({ ...draft, outBy })} />
      <button type="button" className="act-main" disabled={looking} onClick={() => void find()}>
        {looking ? 'Looking' : 'Find a safe bath'}
      </button>
      {message && <Message tone={message.good ? 'good' : 'error'} words={message.words} />}
    </div>
  )
}
