import type { PlanBar, PlanShown } from '@yentrik/contract'
import { useParams } from 'react-router'
import { clockTime, longDate } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { useAnswer } from '../live/queries.ts'
import { Waiting } from '../parts/Message.tsx'
import { Paper } from './Paper.tsx'

const dayOf = (instant: number) => new Date(instant).toDateString()

/** The plan for the wall: of the day with every step, or of the week in short. */
export function PlanPaper() {
  const { days = '1' } = useParams()
  const isDay = days === '1'
  const { data: plan } = useAnswer('GET /plan', { query: { days: isDay ? '1' : '7' } })
  const now = useNow()
  if (!plan) return <Waiting />
  const shown = plan.open.filter(([, closes]) => closes > now)
  return (
    <Paper title={isDay ? 'Plan of the day' : 'Plan of the week'}>
      {shown.map(([opens]) => (
        <section key={opens} className="mb-6 break-inside-avoid-page">
          <h1 className="border-b-2 border-black text-[18pt] font-bold">{longDate(opens)}</h1>
          <Day plan={plan} day={dayOf(opens)} isWhole={isDay} />
        </section>
      ))}
      <p className="mt-4 text-[9pt]">
        As planned {plan.madeAt === null ? '' : `${longDate(plan.madeAt)}, ${clockTime(plan.madeAt)}`}. What
        has changed since is on the screens.
      </p>
    </Paper>
  )
}

function Day({ plan, day, isWhole }: { plan: PlanShown; day: string; isWhole: boolean }) {
  const today = (bar: PlanBar) => dayOf(bar.at) === day && bar.personId !== undefined
  const loads = plan.loads.filter(({ runs }) => runs && dayOf(runs.at) === day)
  const due = plan.cases.filter(({ dueAt }) => dayOf(dueAt) === day).sort((a, b) => a.dueAt - b.dueAt)
  return (
    <>
      {due.length > 0 && (
        <p className="mt-2">
          <b>Leaves:</b>{' '}
          {due
            .map(
              ({ docket, dueAt, endsAt }) => `${docket} ${clockTime(dueAt)}${endsAt > dueAt ? ' LATE' : ''}`,
            )
            .join(', ')}
        </p>
      )}
      <div className="mt-2 grid grid-cols-2 gap-x-6">
        {plan.people.map(({ id, name }) => {
          const own = plan.bars.filter((bar) => bar.personId === id && today(bar)).sort((a, b) => a.at - b.at)
          return (
            <div key={id} className="mb-3">
              <h2 className="text-[13pt] font-bold">{name}</h2>
              {own.length === 0 && <p>nothing planned</p>}
              <ul>
                {own.map((bar) => (
                  <li key={bar.id} className="flex gap-2">
                    <span className="w-12 shrink-0 font-mono">{clockTime(bar.at)}</span>
                    <span>
                      <b>{bar.docket}</b>{' '}
                      {isWhole ? bar.steps.map(({ name: step }) => step).join(', ') : bar.steps[0]?.name}
                    </span>
                  </li>
                ))}
              </ul>
            </div>
          )
        })}
      </div>
      {loads.length > 0 && (
        <ul className="mt-1">
          {[...new Set(loads.map(({ machine, runs }) => `${machine}|${runs!.at}|${runs!.until}`))].map(
            (key) => {
              const [machine, at, until] = key.split('|') as [string, string, string]
              const dockets = loads
                .filter((load) => load.machine === machine && String(load.runs!.at) === at)
                .map(({ docket }) => docket)
              return (
                <li key={key}>
                  <b>{machine}:</b> {[...new Set(dockets)].join(', ')}, {clockTime(Number(at))} to{' '}
                  {clockTime(Number(until))}
                </li>
              )
            },
          )}
        </ul>
      )}
    </>
  )
}
