import type { PlanTonight } from '@yentrik/contract'
import { Link } from 'react-router'
import { clockTime, dayAndTime } from '../format/format.ts'
import { span } from './plan-words.ts'

const limitWords: Readonly<Record<PlanTonight['limit'], string>> = {
  closing: 'the lab closes',
  program: 'its program must be through',
  before: 'not ready sooner',
}

/** What to load before the lab closes: latest by when, out when, what limits it. */
export function TonightCard({ tonight, now }: { tonight: readonly PlanTonight[]; now: number }) {
  return (
    <section className="card-flat flex min-h-0 flex-col px-4 py-3" aria-label="Tonight">
      <div className="grid grid-cols-[minmax(0,1fr)_5rem_6rem] sm:grid-cols-[minmax(0,1fr)_5rem_8rem_7rem] items-baseline gap-3 pb-1">
        <h2 className="text-xl font-semibold">Tonight</h2>
        <span className="text-right text-sm">load by</span>
        <span className="hidden text-sm sm:inline">runs</span>
        <span className="text-right text-sm">out</span>
      </div>
      <ul className="min-h-0 overflow-y-auto">
        {tonight.map((load) => (
          <li
            key={`${load.machine} ${load.startsAt}`}
            className="border-base-300 grid grid-cols-[minmax(0,1fr)_5rem_6rem] sm:grid-cols-[minmax(0,1fr)_5rem_8rem_7rem] items-center gap-3 border-t py-1"
          >
            <span className="min-w-0 leading-tight">
              <b className="block truncate">{load.machine}</b>
              <span className="figures text-sm">
                {load.dockets.map((docket, n) => (
                  <span key={docket}>
                    {n > 0 && ', '}
                    <Link className="underline" to={`/case/${load.caseIds[n] ?? load.caseIds[0]}`}>
                      {docket}
                    </Link>
                  </span>
                ))}
              </span>
            </span>
            <b className="figures text-right font-mono text-xl leading-tight">
              {dayAndTime(load.loadBy, now)}
              <span className="block font-sans text-xs font-normal">{limitWords[load.limit]}</span>
            </b>
            <span className="figures hidden text-sm sm:inline">
              {load.startsAt > load.loadBy
                ? `${clockTime(load.startsAt)} by itself, `
                : `planned ${dayAndTime(load.startsAt, now)}, `}
              {span(load.runsMinutes)}
            </span>
            <b className="figures text-right">{dayAndTime(load.outAt, now)}</b>
          </li>
        ))}
      </ul>
      {tonight.length === 0 && <p className="opacity-80">Nothing has to run tonight.</p>}
    </section>
  )
}
