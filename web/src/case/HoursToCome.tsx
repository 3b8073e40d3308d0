import type { CasePlan } from '@yentrik/contract'
import { benchList, checkOutcomes, type JobState, type RouteStep } from '@yentrik/core'
import { Link } from 'react-router'
import { clockTime, dayAndTime, duration } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { useAnswer } from '../live/queries.ts'
import { Said } from '../preferences/words.tsx'
import { useSession } from '../session/session.ts'

const HOUR = 3_600_000
/** So far the strip looks. */
const AHEAD = 12 * HOUR
const MOST_NAMED = 5
const MOST_FAULTS = 4

interface HoursToComeProps {
  readonly plan: CasePlan
  readonly caseId: string
  readonly job: JobState
  readonly step: RouteStep
}

/** While a step waits by itself: the hours to come, what may go wrong, what to do meanwhile. */
export function HoursToCome({ plan, caseId, job, step }: HoursToComeProps) {
  const now = useNow()
  const bars = plan.bars.filter(({ until, at }) => until > now && at < now + AHEAD)
  const own = plan.steps.find(({ jobId, stepId }) => jobId === job.jobId && stepId === step.id)
  const ready = own?.until ?? now
  const slack = plan.dueAt - plan.endsAt
  const next = bars.find(({ at, part }) => at >= ready && part === 'hands')
  return (
    <section className="border-base-300 mt-4 grid gap-3 border-t pt-3" aria-label="The hours to come">
      <div className="flex flex-wrap items-baseline justify-between gap-2">
        <h3 className="text-lg font-semibold">The hours to come</h3>
        <p className="figures">
          out <b>{dayAndTime(plan.endsAt, now)}</b>, due {dayAndTime(plan.dueAt, now)}
        </p>
      </div>
      <Strip bars={bars} now={now} />
      {next && (
        <p className={`border-l-4 pl-3 ${slack < 0 ? 'border-error' : 'border-warning'}`}>
          {slack < 0
            ? `Late by ${duration(-slack)} as planned: go on at ${dayAndTime(next.at, now)}, or sooner.`
            : `Go on by ${dayAndTime(next.at + slack, now)}, or it is late. Planned ${dayAndTime(next.at, now)}${next.person ? `, ${next.person}` : ''}.`}
        </p>
      )}
      <div className="grid gap-3 sm:grid-cols-2">
        <MayGoWrong job={job} step={step} />
        <Meanwhile caseId={caseId} until={ready} now={now} />
      </div>
    </section>
  )
}

function Strip({ bars, now }: { bars: CasePlan['bars']; now: number }) {
  const until = Math.max(now + HOUR, ...bars.map((bar) => Math.min(bar.until, now + AHEAD)))
  const share = (instant: number) => (100 * (Math.min(Math.max(instant, now), until) - now)) / (until - now)
  const pieces = bars.filter(({ part }) => part !== 'wait')
  return (
    <>
      <div className="hatched border-base-300 relative h-8 rounded-lg border" aria-hidden>
        {pieces.map((bar) => (
          <span
            key={bar.id}
            className={`absolute inset-y-0.5 rounded-md ${bar.part === 'run' || bar.part === 'away' ? '' : 'bg-primary'}`}
            style={{
              left: `${share(bar.at)}%`,
              width: `max(3px, ${share(bar.until) - share(bar.at)}%)`,
              ...(bar.part === 'run' ? { background: 'var(--metal)' } : {}),
              ...(bar.part === 'away' ? { background: 'var(--stone)' } : {}),
            }}
          />
        ))}
        <span className="border-error absolute -inset-y-1 left-0 border-l-3" />
      </div>
      <ol className="flex flex-wrap gap-x-4 gap-y-1 text-sm">
        {pieces.slice(0, MOST_NAMED).map((bar) => (
          <li key={bar.id} className="figures">
            <b>{clockTime(bar.at)}</b> {bar.steps[0]?.name}
            {bar.person ? `, ${bar.person}` : ''}
          </li>
        ))}
      </ol>
    </>
  )
}

/** What the step itself says, and what the next looks for. */
function MayGoWrong({ job, step }: { job: JobState; step: RouteStep }) {
  const next = job.route.steps.find(({ after }) => after.includes(step.id))
  const faults = (next?.checks ?? []).flatMap((check) =>
    check.kind === 'observe'
      ? check.answers.flatMap(({ answer, outcome }) =>
          outcome.verdict === 'pass' ? [] : [{ answer, say: outcome.say }],
        )
      : checkOutcomes(check).flatMap((outcome) =>
          outcome && outcome.verdict !== 'pass' ? [{ answer: check.name, say: outcome.say }] : [],
        ),
  )
  return (
    <div>
      <h4 className="font-semibold">What may go wrong</h4>
      <ul className="grid gap-1 text-sm">
        {step.wait && (
          <>
            <li>
              <b>Too soon:</b> {step.wait.early}
            </li>
            <li>
              <b>Too late:</b> {step.wait.late}
            </li>
          </>
        )}
        {faults.slice(0, MOST_FAULTS).map(({ answer, say }) => (
          <li key={answer}>
            <b>{answer}:</b> <Said words={say} />
          </li>
        ))}
      </ul>
    </div>
  )
}

/** Other work that is planned before this one goes on, own work first. */
function Meanwhile({ caseId, until, now }: { caseId: string; until: number; now: number }) {
  const { data } = useAnswer('GET /bench')
  const { person } = useSession()
  if (!data) return null
  const others = benchList(data, now, person?.personId)
    .now.filter((entry) => entry.caseId !== caseId && !entry.running && (entry.planned?.at ?? 0) < until)
    .slice(0, MOST_NAMED)
  return (
    <div>
      <h4 className="font-semibold">Meanwhile</h4>
      <p className="figures text-sm">
        {until > now ? `${duration(until - now)} until it is ready` : 'It is ready'}
      </p>
      <ul className="text-sm">
        {others.map((entry) => (
          <li key={`${entry.caseId} ${entry.stepId}`}>
            <Link
              className="hover:bg-base-200 flex min-h-11 items-center gap-2 rounded-lg"
              to={`/case/${entry.caseId}`}
            >
              <b className="figures w-14 shrink-0">
                {clockTime(Math.max(now, entry.planned?.at ?? entry.at))}
              </b>
              <span className="truncate">
                {entry.name}, {entry.docket}
              </span>
            </Link>
          </li>
        ))}
        {others.length === 0 && <li>Nothing else is planned until then.</li>}
      </ul>
    </div>
  )
}
