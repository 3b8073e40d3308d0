import { LEAST_PROMISES, LEAST_TIMES, mayDo, type QualityFigures, type StepTime } from '@yentrik/core'
import { useState } from 'react'
import { Sheet } from '../parts/Sheet.tsx'
import { useSession } from '../session/session.ts'
import { DataTable } from '../table/DataTable.tsx'
import type { CasesShown } from './CasesSheet.tsx'
import { jobName, percent, shareWords, stepName } from './quality-words.ts'
import { ReasonSheet } from './ReasonSheet.tsx'

const minutes = (value: number) => `${value < 10 ? value.toFixed(1) : Math.round(value)} min`

/** What the plan has learned of this lab, and whether it kept its word. */
export function TimesView({
  figures: { times, promises, remakes },
  onCases,
}: {
  readonly figures: QualityFigures
  readonly onCases: (shown: CasesShown) => void
}) {
  const [chosen, setChosen] = useState<StepTime>()
  const learned = times.filter(({ learned: { state } }) => state !== 'planned')
  const waiting = times.length - learned.length
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <div className="grid grid-cols-[minmax(0,1fr)] gap-3 lg:grid-cols-2">
        <section className="card-flat grid content-start gap-1 p-5" aria-label="Promises">
          <h2 className="text-xl font-bold">Is the plan honest?</h2>
          {promises.told ? (
            <>
              <p>
                {promises.made} promises are over
                {promises.told.state === 'tooFew'
                  ? `: too few to judge the plan, ${LEAST_PROMISES} are wanted.`
                  : '.'}
              </p>
              <ul className="figures">
                {promises.told.bins.map(({ from, said, kept }) => (
                  <li key={from}>
                    said about {percent(said)} %: {shareWords(kept)}
                  </li>
                ))}
              </ul>
              {promises.told.state === 'told' && (
                <p>
                  {promises.told.off
                    ? 'A sign that its chances are off.'
                    : 'No sign that its chances are off.'}{' '}
                  <span className="figures text-sm opacity-80">
                    Brier {promises.told.brier.toFixed(3)}
                    {promises.told.p !== undefined && `, p ${promises.told.p.toFixed(3)}`}
                  </span>
                </p>
              )}
            </>
          ) : (
            <p>No promise is over yet.</p>
          )}
          <p className="text-sm opacity-80">
            The first promise of each case. Of {promises.notRecorded} delivered cases none was recorded.
          </p>
        </section>
        <section className="card-flat grid content-start gap-1 p-5" aria-label="Remakes">
          <h2 className="text-xl font-bold">Are remakes getting fewer?</h2>
          <button
            type="button"
            className="figures min-h-11 justify-self-start text-left text-lg underline underline-offset-4"
            onClick={() => onCases({ title: 'Remakes', cases: remakes.cases })}
          >
            {remakes.events} in {remakes.jobs} jobs
          </button>
          <Gaps gaps={remakes.gaps} />
          <p>
            {!remakes.rare || remakes.rare.state === 'tooFew'
              ? 'Too few to tell: one more or less is no trend.'
              : remakes.rare.closeTogether
                ? 'Close together: by what was before, so many come by chance once in a hundred times or less.'
                : 'Neither closer together nor further apart than chance makes it.'}
          </p>
          <p className="text-sm opacity-80">
            Jobs from one remake to the next, in the order of delivery
            {remakes.meanGap !== undefined &&
              `: ${Math.round(remakes.meanGap)} on average, and ${Math.round(remakes.longGap!)} would be long`}
            .
          </p>
        </section>
      </div>
      <DataTable
        name="Times of this lab"
        rows={learned}
        keyOf={({ template, step }) => `${template}/${step}`}
        onOpen={setChosen}
        rowHeight={48}
        startsBy={{ id: 'moved', desc: true }}
        csv={{
          file: 'times.csv',
          columns: [
            { name: 'job', value: ({ template }) => jobName(template) },
            { name: 'step', value: ({ template, step }) => stepName(template, step) },
            { name: 'plan', unit: 'min', value: ({ planMinutes }) => planMinutes },
            { name: 'median', unit: 'min', value: ({ learned: own }) => own.medianMinutes },
            { name: 'taken', unit: 'min', value: ({ takenMinutes }) => takenMinutes },
            { name: 'n', value: ({ learned: own }) => own.n },
            { name: 'left_running', value: ({ learned: own }) => own.leftRunning },
            { name: 'entered_afterwards', value: ({ learned: own }) => own.enteredAfterwards },
          ],
        }}
        columns={[
          {
            id: 'step',
            name: 'Step',
            value: ({ template, step }) => stepName(template, step),
            show: ({ template, step }) => (
              <span>
                <b>{stepName(template, step)}</b> <span className="text-sm">{jobName(template)}</span>
              </span>
            ),
            width: 'minmax(12rem, 2fr)',
          },
          {
            id: 'taken',
            name: 'The plan takes',
            value: ({ takenMinutes, planMinutes }) => takenMinutes ?? planMinutes,
            show: ({ takenMinutes, planMinutes }) => (
              <b className="figures">{minutes(takenMinutes ?? planMinutes)}</b>
            ),
            width: '8rem',
            right: true,
          },
          {
            id: 'moved',
            name: 'Of the route',
            value: ({ takenMinutes, planMinutes }) => (takenMinutes ?? planMinutes) / planMinutes,
            show: ({ planMinutes }) => <span className="figures">{minutes(planMinutes)}</span>,
            width: '7rem',
            right: true,
          },
          {
            id: 'n',
            name: 'Timed',
            value: ({ learned: { n } }) => n,
            show: ({ learned: { n, leftRunning, enteredAfterwards, state }, refused }) => (
              <span className="text-sm">
                {n} times
                {leftRunning > 0 && `, ${leftRunning} left running`}
                {enteredAfterwards > 0 && `, ${enteredAfterwards} entered afterwards`}
                {state === 'doubtful' && ': is the plan right, or are steps closed late?'}
                {refused && `. Refused: ${refused}`}
              </span>
            ),
            width: 'minmax(10rem, 1.4fr)',
            wideOnly: true,
          },
        ]}
        empty={`No step was timed ${LEAST_TIMES} times yet: the plan keeps the figures of the routes.`}
        foot={
          <span className="text-sm opacity-80">
            {waiting} more steps keep the plan's figure: fewer than {LEAST_TIMES} of them were timed. Waits
            are not learned.
          </span>
        }
      />
      {chosen && <RefuseSheet time={chosen} onClose={() => setChosen(undefined)} />}
    </div>
  )
}

/** How many jobs lie between: long ones are good. */
function Gaps({ gaps }: { readonly gaps: readonly number[] }) {
  const all = Math.max(
    1,
    gaps.reduce((sum, gap) => sum + gap, 0),
  )
  let at = 0
  return (
    <svg
      viewBox="0 0 400 22"
      className="h-6 w-full"
      role="img"
      aria-label={`Jobs between: ${gaps.join(', ')}`}
    >
      <path d="M0 11H400" className="stroke-base-300" strokeWidth={2} />
      {gaps.slice(0, -1).map((gap) => {
        at += gap
        const x = (400 * at) / all
        return <path key={at} d={`M${x} 4l6 7-6 7-6-7z`} className="fill-warning" />
      })}
    </svg>
  )
}

/** The plan keeps its own figure, or takes the lab's again: with the reason on record. */
function RefuseSheet({ time, onClose }: { readonly time: StepTime; readonly onClose: () => void }) {
  const { person } = useSession()
  const { template, step, planMinutes, learned, refused, takenMinutes } = time
  const words = (
    <p className="text-lg">
      The route plans {minutes(planMinutes)}. This lab took {minutes(learned.medianMinutes ?? planMinutes)} in
      the middle of {learned.n} times; the plan takes {minutes(takenMinutes ?? planMinutes)} now, and moves by
      a fifth a week at most.
    </p>
  )
  if (!person || !mayDo(person.role, 'decide'))
    return (
      <Sheet title={stepName(template, step)} onClose={onClose}>
        {words}
      </Sheet>
    )
  return (
    <ReasonSheet
      title={stepName(template, step)}
      deed={(reason) => ({
        type: 'learnedTimeRefused',
        template,
        step,
        refused: refused === undefined,
        reason,
      })}
      act={refused === undefined ? 'Keep the figure of the route' : "Take the lab's own again"}
      changes={['GET /quality', 'GET /plan']}
      onClose={onClose}
    >
      {words}
    </ReasonSheet>
  )
}
