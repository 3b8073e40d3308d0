import { type JobState, stepWindow, windowVerdict } from '@yentrik/core'
import { FastForward } from 'lucide-react'
import { Link } from 'react-router'
import { clockTime, dayAndTime, duration } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { Said } from '../preferences/words.tsx'
import type { OpenCase, PracticeHand } from '../record/opened.ts'

const MINUTE = 60_000

/** In the head of a practice case: that it is one, its clock, and the way out. */
export function PracticeBar({
  openCase,
  practice,
}: {
  readonly openCase: OpenCase
  readonly practice: PracticeHand
}) {
  const now = useNow()
  return (
    <section className="flex grow flex-wrap items-center gap-x-4 gap-y-2" aria-label="Practice">
      <div className="border-base-content/60 rounded-xl border border-dashed px-3 py-1 leading-tight">
        <b>practice, no real case</b>
        <br />
        <span className="figures">{dayAndTime(now, now)}</span> by its own clock,{' '}
        {duration(practice.handsMinutes * MINUTE)} of hands
      </div>
      {practice.closed ? (
        <Link className="act-main ml-auto" to={`/practise/${openCase.caseId}`}>
          Look back
        </Link>
      ) : (
        <button
          type="button"
          className="small-act ml-auto"
          onClick={() => void practice.act({ act: 'stop' })}
        >
          Stop and look back
        </button>
      )}
    </section>
  )
}

/** Lets the clock of a practice case run on: to the next thing that opens, or by so much. */
export function LetTimePass({ job, practice }: { readonly job: JobState; readonly practice: PracticeHand }) {
  const now = useNow()
  if (practice.closed) return null
  if (job.question)
    return (
      <button
        type="button"
        className="act-main mt-3"
        onClick={() => void practice.act({ act: 'clinicAnswers' })}
      >
        Wait for the clinic
      </button>
    )
  const opens = job.route.steps
    .flatMap((step) => {
      const window = stepWindow(job, step)
      return window && windowVerdict(window, now) === 'tooSoon'
        ? [{ name: step.name, at: window.goodFrom }]
        : []
    })
    .sort((a, b) => a.at - b.at)[0]
  const { hint } = practice
  const pass = (minutes: number) => void practice.act({ act: 'wait', minutes })
  return (
    <section className="mt-3 grid gap-2" aria-label="Let time pass">
      {hint && (
        <p className="bg-warning/15 rounded-xl px-3 py-2 font-semibold" role="note">
          <Said words={hint} />
        </p>
      )}
      <h2 className="flex items-center gap-2 font-semibold opacity-80">
        <FastForward className="size-5" aria-hidden /> Let time pass
      </h2>
      {opens && (
        <button
          type="button"
          className="act"
          aria-label={`Until ${clockTime(opens.at)}, ${opens.name}`}
          onClick={() => pass(Math.max(0.5, Math.ceil((opens.at - now) / MINUTE)))}
        >
          Until {clockTime(opens.at)}
        </button>
      )}
      <p className="flex flex-wrap gap-2">
        {[10, 60, 12 * 60].map((minutes) => (
          <button key={minutes} type="button" className="small-act" onClick={() => pass(minutes)}>
            {duration(minutes * MINUTE)}
          </button>
        ))}
      </p>
    </section>
  )
}

/** Of a practice case: nothing more is done on it. */
export function PracticeOver({
  caseId,
  closed,
}: {
  readonly caseId: string
  readonly closed: NonNullable<PracticeHand['closed']>
}) {
  return (
    <div className="grid grow place-items-center text-center">
      <div>
        <h2 className="text-3xl font-bold">{closed === 'delivered' ? 'It has left the lab' : 'Stopped'}</h2>
        <p className="mt-2 text-lg">Now it can be seen what was wrong with it, since when, and by what.</p>
        <Link className="act-main mt-6" to={`/practise/${caseId}`}>
          Look back
        </Link>
      </div>
    </div>
  )
}
