import { type ExpertShown, expertWords, joined, saying } from '@yentrik/core'
import { Message } from '../parts/Message.tsx'
import { Said, useMillimetres } from '../preferences/words.tsx'
import { biteName } from './bite-names.ts'

/** What the expert did with the same mouth: its score, and round by round where it took most and what it looks for. */
export function ExpertRounds({ shown }: { readonly shown: ExpertShown }) {
  const mm = useMillimetres(2)
  const { score, rounds, picked, blocked } = shown
  return (
    <>
      <p className="text-lg">
        <b className="figures text-3xl">{Math.round(score.total)}</b> points on the same mouth, in{' '}
        {rounds.length} rounds
      </p>
      {picked.length > 0 && (
        <p>
          <Said
            words={saying`First the flash off ${joined(picked.map((tooth) => saying`${{ tooth }}`))}, without touching a tooth.`}
          />
        </p>
      )}
      <ol className="grid max-h-72 gap-1 overflow-y-auto">
        {rounds.map(({ bite, liftBefore, liftAfter, ground }, n) => (
          <li key={`${n + 1}`} className="border-base-300 border-t py-1">
            <b>{n + 1}</b> {biteName(bite)}: pin {mm(liftBefore)} to {mm(liftAfter)}
            <span className="block text-sm">
              <Said words={expertWords({ bite, ground })} />
            </span>
          </li>
        ))}
      </ol>
      {blocked.slice(0, 3).map(({ upper, lower, bite }) => (
        <Message
          key={JSON.stringify([upper, lower, bite])}
          tone="warning"
          words={saying`Nothing may give way between ${{ tooth: upper.tooth }} and ${{ tooth: lower.tooth }}: ask the dentist.`}
        />
      ))}
    </>
  )
}
