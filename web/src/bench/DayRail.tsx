import type { BenchEntry } from '@yentrik/core'
import { Link } from 'react-router'
import { clockTime, dayAndTime, duration } from '../format/format.ts'

const HOUR = 3_600_000
/** The rail shows from this long before now to this long after. */
const BEFORE = 2 * HOUR
const AFTER = 9 * HOUR

/** Everything with a clock on it, on one line of time: too soon, good, getting late, past. */
export function DayRail({ entries, now }: { entries: readonly BenchEntry[]; now: number }) {
  const from = now - BEFORE
  const to = now + AFTER
  const share = (instant: number) => (100 * (Math.min(Math.max(instant, from), to) - from)) / (to - from)
  const firstHour = Math.ceil(from / HOUR) * HOUR
  const hours = Array.from({ length: (BEFORE + AFTER) / HOUR }, (_, index) => firstHour + index * HOUR)
  return (
    <section
      className="card-flat relative order-last px-3 py-3 sm:order-none sm:px-5"
      aria-label="Running clocks"
    >
      <div
        className="pointer-events-none absolute inset-y-0 right-5 left-[15.5rem] hidden sm:block"
        aria-hidden
      >
        {hours.map((hour) => (
          <div
            key={hour}
            className="border-base-300 absolute inset-y-0 border-l"
            style={{ left: `${share(hour)}%` }}
          >
            <span className="figures bg-base-100 absolute top-2 -left-5 w-12 text-center font-mono text-sm opacity-75">
              {clockTime(hour)}
            </span>
          </div>
        ))}
        <div className="border-error absolute inset-y-0 z-10 border-l-3" style={{ left: `${share(now)}%` }} />
      </div>
      <ul className="max-h-[214px] overflow-y-auto sm:mt-6">
        {entries.map((entry) => (
          <RailRow
            key={`${entry.caseId} ${entry.jobId} ${entry.stepId}`}
            entry={entry}
            now={now}
            share={share}
          />
        ))}
      </ul>
      {entries.length === 0 && (
        <p className="py-6 opacity-80 sm:pl-2">Nothing is setting, curing or cooling.</p>
      )}
    </section>
  )
}

function RailRow({
  entry,
  now,
  share,
}: {
  entry: BenchEntry
  now: number
  share: (instant: number) => number
}) {
  const window = entry.window!
  const end =
    window.pastFrom ?? window.lateFrom + Math.max(0.5 * HOUR, 0.4 * (window.lateFrom - window.goodFrom))
  const bar = (start: number, finish: number) => ({
    left: `${share(start)}%`,
    width: `${Math.max(0, share(finish) - share(start))}%`,
  })
  const said = railWords(entry, now)
  return (
    <li>
      <Link
        to={`/case/${entry.caseId}`}
        className="hover:bg-base-200/70 flex min-h-11 items-center gap-3 rounded-xl"
        aria-label={`${entry.docket} ${entry.name}: ${said}`}
      >
        <span className="w-full truncate px-1 sm:w-[14rem] sm:shrink-0">
          <b className="figures">{entry.docket}</b> {entry.name}
          <span className="block text-sm font-semibold sm:hidden">{said}</span>
        </span>
        <span className="relative hidden h-7 grow sm:block" aria-hidden>
          <span
            className="hatched border-base-300 absolute inset-y-0 rounded-l-lg border"
            style={bar(window.from, window.goodFrom)}
          />
          <span
            className="absolute inset-y-0 rounded-md"
            style={{ ...bar(window.goodFrom, window.lateFrom), background: 'var(--good)' }}
          />
          <span
            className="absolute inset-y-0 rounded-r-lg"
            style={{
              ...bar(window.lateFrom, end),
              background:
                'linear-gradient(to right, var(--late), color-mix(in oklab, var(--late) 12%, transparent))',
            }}
          />
          {window.pastFrom !== undefined && now > window.pastFrom && (
            <span className="border-error absolute inset-y-1 border-b-4" style={bar(window.pastFrom, now)} />
          )}
          <span
            className="bg-base-100/90 figures absolute top-1 z-20 rounded-md px-1.5 text-sm font-semibold whitespace-nowrap"
            style={labelPlace(share(Math.max(now, window.goodFrom)), share(end))}
          >
            {said}
          </span>
        </span>
      </Link>
    </li>
  )
}

/** Beside the bar, so that a short bar never hides its words; inside when there is no room on the right. */
function labelPlace(goodShare: number, endShare: number): { left?: string; right?: string } {
  if (endShare < 76) return { left: `calc(${Math.max(goodShare, endShare)}% + 6px)` }
  return goodShare > 70 ? { right: `calc(${100 - goodShare}% + 8px)` } : { left: `calc(${goodShare}% + 8px)` }
}

/** The state of a clock in words: colour is never the only sign. */
export function railWords(entry: BenchEntry, now: number): string {
  const window = entry.window!
  const verb = window.to === 'start' ? 'start' : 'ready'
  if (now < window.goodFrom) return `${verb} from ${dayAndTime(window.goodFrom, now)}`
  if (window.pastFrom !== undefined && now > window.pastFrom)
    return `past since ${dayAndTime(window.pastFrom, now)}`
  if (now > window.lateFrom)
    return `late, ${window.pastFrom ? `by ${dayAndTime(window.pastFrom, now)}` : `${duration(now - window.lateFrom)} over`}`
  return `good until ${dayAndTime(window.lateFrom, now)}`
}
