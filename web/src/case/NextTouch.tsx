import type { JobState, RouteStep } from '@yentrik/core'
import { MousePointerClick } from 'lucide-react'
import { useEffect } from 'react'
import { useNow } from '../live/lab-clock.ts'
import type { PracticeHand } from '../record/opened.ts'
import { nextTouch } from './next-touch.ts'

/** On a guided case: the next touch, in the words that stand on it; where it is, it is ringed. */
export function NextTouch({
  job,
  step,
  practice,
  teeth,
}: {
  readonly job: JobState
  readonly step: RouteStep
  readonly practice: PracticeHand
  readonly teeth: readonly number[]
}) {
  const now = useNow()
  const touch =
    practice.level === 'guided' && !practice.closed
      ? nextTouch(job, step, practice.seen, now, teeth)
      : undefined
  const press = touch?.press
  useEffect(() => {
    if (press === undefined) return
    // The head of the screen has a tab of the same words as a button of the step.
    const within = ['[aria-label="Current step"] button', 'main button']
    const button = within
      .flatMap((where) => [...document.querySelectorAll<HTMLElement>(where)])
      .find((each) => wordsOn(each) === press)
    button?.setAttribute('data-next-touch', '')
    return () => button?.removeAttribute('data-next-touch')
  })
  if (!touch) return null
  return (
    <p className="mb-2 flex items-start gap-2" role="note" aria-label="Next touch">
      <MousePointerClick className="text-primary mt-0.5 size-6 shrink-0" aria-hidden />
      <span>
        {touch.before && `${touch.before} `}
        {touch.type && (
          <>
            Type <kbd className="font-bold">{touch.type.text}</kbd> into “{touch.type.into}”, then{' '}
          </>
        )}
        {touch.before || touch.type ? 'press ' : 'Press '}
        <b>{touch.press}</b>.
      </span>
    </p>
  )
}

/** Its words, without the name of its key. */
function wordsOn(button: HTMLElement): string {
  const copy = button.cloneNode(true) as HTMLElement
  for (const key of copy.querySelectorAll('kbd')) key.remove()
  return copy.textContent?.trim() ?? ''
}
