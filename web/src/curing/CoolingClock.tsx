import { type Cooling, coldAfterMinutes, type JobState, lastSheetOf, qty } from '@yentrik/core'
import { clockTime } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { Said } from '../preferences/words.tsx'
import { useJudgedCure } from './use-cure.ts'

const MINUTE = 60_000

/** From which hour the flask is cold by the model, and how warm its middle likely is now. The thermometer decides. */
export function CoolingClock({
  job,
  outAt,
  cooling,
}: {
  readonly job: JobState
  readonly outAt: number
  readonly cooling: Cooling
}) {
  const now = useNow()
  const judged = useJudgedCure(lastSheetOf(job, 'cure')?.run, cooling)
  if (!judged?.answer) return null
  const outcomes = judged.answer.followed.map(({ outcome }) => outcome)
  const coldAt = outAt + coldAfterMinutes(judged.answer) * MINUTE
  const insideNow = Math.max(
    ...outcomes.map(({ curve, bathMinutes }) => {
      const minutes = bathMinutes + (now - outAt) / MINUTE
      return (curve.findLast((moment) => moment.minutes <= minutes) ?? curve[0]!).coreCelsius
    }),
  )
  return (
    <section className="border-base-300 mt-4 border-t pt-3" aria-label="Cooling">
      <p className="text-lg">
        Cold about{' '}
        <output className="figures text-5xl font-bold" aria-label="Cold about">
          {clockTime(coldAt)}
        </output>
        {now < coldAt && (
          <>
            , inside now about{' '}
            <b>
              <Said words={[qty.celsius(Math.round(insideNow))]} />
            </b>
          </>
        )}
      </p>
      <p className="text-sm opacity-80">
        By the model of the cure:{' '}
        {cooling === 'air' ? 'in air alone' : 'half an hour on the bench, then cold water'}. The thermometer
        decides.
      </p>
    </section>
  )
}
