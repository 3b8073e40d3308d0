import { qty, type RemountAdvice, type Saying, saying } from '@yentrik/core'
import { capital } from '../format/format.ts'
import { Message } from '../parts/Message.tsx'
import { Said, useMillimetres, useWords } from '../preferences/words.tsx'
import { letterOf } from './ArchesDrawing.tsx'
import { phaseWords } from './remount-draft.ts'

const heads: Readonly<Record<RemountAdvice['action'], string>> = {
  reseat: 'Before anything is ground',
  clearFlash: 'Before anything is ground',
  relieveBase: 'Before anything is ground',
  askDentist: 'Ask the dentist',
  checkMark: 'Look at this mark again',
  mark: 'Mark next',
  countStops: 'Count next',
  grind: 'Grind next',
  keep: 'Leave it',
  leave: 'Leave it',
  finish: 'Done',
}

/** What to do next, the number that matters largest, and why. */
export function AdviceWords({
  advice,
  pinMillimetres,
  onGround,
  onRight,
}: {
  readonly advice: RemountAdvice
  readonly pinMillimetres: number
  readonly onGround: () => void
  readonly onRight: () => void
}) {
  const say = useWords()
  const mm = useMillimetres(2)
  const { action, at, mark, totalMillimetres: total, roundMillimetres: round, rounds, assumed } = advice
  const stops = action === 'askDentist' || action === 'checkMark'
  const [big, unit] = mm(total ?? round ?? 0).split(' ')
  return (
    <>
      <p>
        <span className="bg-base-300 rounded-lg px-3 py-1 font-semibold">
          {heads[action]}
          {mark !== undefined && `, mark ${letterOf(mark)}`}
        </span>
      </p>
      {action === 'grind' && at && (
        <div className="flex flex-wrap items-end justify-between gap-x-4">
          <p className="text-2xl font-semibold">
            <output className="figures text-7xl leading-none font-bold" aria-label="At the tooth">
              {big}
            </output>{' '}
            <Said words={saying`${unit ?? ''} at ${{ tooth: at.tooth }}`} />
          </p>
          {total !== undefined && (
            <p className="text-right">
              <b className="figures block text-2xl">{mm(pinMillimetres)}</b>
              <span className="text-sm opacity-80">at the pin</span>
            </p>
          )}
        </div>
      )}
      <p
        className={`leading-snug ${action === 'grind' ? 'text-xl' : 'text-3xl font-bold'} ${stops ? 'text-error' : ''}`}
      >
        {capital(say(advice.say))}
      </p>
      <blockquote className="border-warning border-l-4 pl-3">
        <Said words={advice.reason} />
        <span className="block text-sm opacity-80">
          {advice.rule ? `${advice.rule}: ` : ''}
          {advice.source}
        </span>
      </blockquote>
      {assumed && (
        <p className="text-sm">
          <Said
            words={saying`Only one side was marked: it is taken to strike ${{ tooth: assumed.tooth }}.`}
          />
        </p>
      )}
      {action === 'grind' && round !== undefined && (
        <div className="flex gap-8">
          <Figure words={[qty.mm(round, 2)]} says="this round, then mark" />
          {rounds !== undefined && <Figure words={String(rounds)} says="rounds to expect" />}
        </div>
      )}
      {action === 'grind' && (
        <button type="button" className="act-main" onClick={onGround}>
          Ground, mark again
        </button>
      )}
      {(action === 'keep' || action === 'leave' || action === 'mark') && advice.phase !== 'centric' && (
        <button type="button" className={action === 'mark' ? 'act' : 'act-main'} onClick={onRight}>
          {phaseWords[advice.phase][0]} is right
        </button>
      )}
      <p className="text-sm opacity-80">
        <Said words={advice.afterwards} />
      </p>
      {action === 'askDentist' && (
        <Message tone="warning">
          Ask from the step of the case; nothing is ground until there is an answer.
        </Message>
      )}
    </>
  )
}

function Figure({ words, says }: { readonly words: Saying; readonly says: string }) {
  return (
    <p>
      <b className="figures block text-2xl">
        <Said words={words} />
      </b>
      <span className="text-sm opacity-80">{says}</span>
    </p>
  )
}
