import type { PlanCase, PlanLate } from '@yentrik/contract'
import { ChevronRight, CircleCheck, TriangleAlert } from 'lucide-react'
import { dayAndTime } from '../format/format.ts'
import {
  causeWords,
  lateWords,
  longestWait,
  MINUTE,
  mainLinks,
  soonerWords,
  span,
  waited,
} from './plan-words.ts'

const LINKS_SHOWN = 4
const OTHERS_SHOWN = 3
/** Shorter waits explain nothing. */
const LEAST_WAIT = 10 * MINUTE

interface LateCardProps {
  readonly late: readonly PlanLate[]
  readonly cases: readonly PlanCase[]
  readonly shown: PlanLate
  readonly now: number
  readonly onShow: (caseId: string) => void
}

/** What is late, by how much, the chain of reasons, and what would save it. */
export function LateCard({ late, cases, shown, now, onShow }: LateCardProps) {
  const one = cases.find(({ caseId }) => caseId === shown.caseId)
  const links = mainLinks(shown, LINKS_SHOWN)
  const longest = longestWait(shown)
  const [best] = shown.advice
  return (
    <section
      className="card-flat flex flex-wrap gap-x-5 gap-y-2 px-4 py-2.5 lg:flex-nowrap"
      aria-label="Late"
    >
      <div className="min-w-52 shrink-0">
        <p className="text-error flex items-center gap-2">
          <TriangleAlert className="size-7 shrink-0" strokeWidth={1.75} aria-hidden />
          <b className="figures text-[2.25rem] leading-none">{lateWords(shown.lateMinutes)}</b>
        </p>
        <p className="mt-1">
          <b className="figures text-lg">{shown.docket}</b> {one?.jobName}
        </p>
        {one && (
          <p className="figures">
            out <b>{dayAndTime(one.endsAt, now)}</b>, due {dayAndTime(one.dueAt, now)}
          </p>
        )}
      </div>
      <div className="border-warning flex min-w-0 grow basis-96 flex-col justify-between gap-2 border-l-4 pl-3">
        <ol className="grid grid-cols-2 gap-x-2 gap-y-1 lg:grid-cols-4">
          {links.map((link, n) => (
            <li key={link.barId} className="flex items-start gap-1 text-sm">
              {n > 0 && <ChevronRight className="mt-0.5 size-5 shrink-0 opacity-60" aria-hidden />}
              <span className="leading-tight">
                <b className="figures">
                  {link.stepName} {dayAndTime(link.at, now)}
                </b>
                <span className="block">
                  {link.cause
                    ? causeWords(link.cause, now)
                    : `at once, ${span((link.until - link.at) / MINUTE)}`}
                </span>
              </span>
            </li>
          ))}
        </ol>
        {(!longest || waited(longest) < LEAST_WAIT) && (
          <p className="text-sm">It waits for nobody: its own work and its own waits take that long.</p>
        )}
        {longest && waited(longest) >= LEAST_WAIT && (
          <p className="text-sm">
            <span className="chip mr-2">longest wait</span>
            <span className="figures">
              {span(waited(longest) / MINUTE)} before {longest.stepName.toLowerCase()},{' '}
              {dayAndTime(longest.readyAt, now)} to {dayAndTime(longest.at, now)}
            </span>
          </p>
        )}
      </div>
      <div className="min-w-40 lg:w-60 lg:shrink-0">
        {best ? (
          <>
            <p className="text-sm">
              {best.kind === 'case'
                ? `Without ${best.name}`
                : best.kind === 'person'
                  ? `With one more for ${best.name.toLowerCase()}`
                  : `With one more: ${best.name}`}
            </p>
            <p className={`flex items-center gap-1.5 text-lg font-bold ${best.onTime ? 'text-success' : ''}`}>
              {best.onTime && <CircleCheck className="size-5" aria-hidden />}
              {best.onTime ? 'on time' : soonerWords(best.soonerMinutes)}
            </p>
          </>
        ) : (
          <p className="max-w-44 text-sm opacity-80">
            Nothing more of anything would have it sooner: only another date, or a clinic that waits.
          </p>
        )}
        {late.length > 1 && (
          <p className="mt-1 flex flex-wrap gap-1">
            {late
              .filter(({ caseId }) => caseId !== shown.caseId)
              .slice(0, OTHERS_SHOWN)
              .map((each) => (
                <button
                  key={each.caseId}
                  type="button"
                  className="small-act figures px-2.5"
                  aria-label={`${each.docket}, ${lateWords(each.lateMinutes)}: why`}
                  onClick={() => onShow(each.caseId)}
                >
                  {each.docket} <span className="text-error font-normal">{span(each.lateMinutes)}</span>
                </button>
              ))}
          </p>
        )}
      </div>
    </section>
  )
}
