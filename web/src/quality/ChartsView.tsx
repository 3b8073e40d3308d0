import { CHANCE_ONE_IN, hasLimits, mayDo, type QualityFigures } from '@yentrik/core'
import { useState } from 'react'
import { useSession } from '../session/session.ts'
import { ControlChart } from './ControlChart.tsx'
import { jobName, ruleWords } from './quality-words.ts'
import { ReasonSheet } from './ReasonSheet.tsx'

type Listed = QualityFigures['charts'][number]

/** Every series that was measured: those to look at first, then by what is new; below eight values dots only. */
export function ChartsView({ figures: { charts, toLook } }: { readonly figures: QualityFigures }) {
  const toSay = (series: string) => toLook.signals.some((signal) => signal.series === series)
  const order = [...charts].sort(
    (one, other) =>
      Number(toSay(other.series)) - Number(toSay(one.series)) ||
      Number(hasLimits(other)) - Number(hasLimits(one)) ||
      (other.signals.at(-1)?.at ?? 0) - (one.signals.at(-1)?.at ?? 0) ||
      other.count - one.count,
  )
  const [chosen, setChosen] = useState(order[0]?.series)
  const [anew, setAnew] = useState(false)
  const { person } = useSession()
  const shown = order.find(({ series }) => series === chosen)
  if (!shown) return <p className="card-flat p-5">Nothing was measured yet.</p>
  return (
    <section
      className="grid grid-cols-[minmax(0,1fr)] gap-3 lg:grid-cols-[20rem_minmax(0,1fr)]"
      aria-label="Charts"
    >
      <ul
        className="card-flat max-h-[74dvh] overflow-y-auto p-2 max-lg:max-h-60"
        aria-label="Series"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must scroll by keyboard too
        tabIndex={0}
      >
        {order.map((chart) => (
          <li key={chart.series}>
            <button
              type="button"
              aria-pressed={chart.series === chosen}
              onClick={() => setChosen(chart.series)}
              className={`grid min-h-12 w-full rounded-xl px-3 py-1 text-left leading-tight ${chart.series === chosen ? 'bg-base-300' : 'hover:bg-base-200'}`}
            >
              <b>
                {toSay(chart.series) && <span className="text-warning">◆ </span>}
                {chart.name}
              </b>
              <span className="text-sm opacity-85">
                {jobName(chart.template)} · {chart.count} · {lastWords(chart)}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <div className="card-flat flex flex-col p-5">
        <div className="flex flex-wrap items-start justify-between gap-3">
          <h2 className="text-xl font-bold">
            {shown.name} <span className="text-base font-normal">{jobName(shown.template)}</span>
          </h2>
          {person && mayDo(person.role, 'decide') && hasLimits(shown) && (
            <button type="button" className="small-act" onClick={() => setAnew(true)}>
              Begin the limits anew
            </button>
          )}
        </div>
        <ControlChart key={shown.series} series={shown.series} tall />
        <p className="mt-3 text-sm opacity-80">
          In control is not within tolerance: the broken lines are what this lab does, the others what is
          wanted. About 1 point in {CHANCE_ONE_IN} signals by chance.
        </p>
      </div>
      {anew && (
        <ReasonSheet
          title="Begin the limits anew"
          deed={(reason) => ({ type: 'limitsSet', series: shown.series, reason })}
          act="From now on"
          changes={['GET /quality', 'GET /quality/chart']}
          onClose={() => setAnew(false)}
        >
          <p>
            What was read so far stays, but counts in no limit any more. It is for another product, gauge or
            method.
          </p>
        </ReasonSheet>
      )}
    </section>
  )
}

function lastWords({ signals, state }: Listed): string {
  const last = signals.at(-1)
  if (last) return `${last.docket}: ${ruleWords[last.rule]}${last.seen ? ', looked at' : ''}`
  if (state === 'dots') return 'dots only'
  return state === 'tooCoarse' ? 'too coarse for limits' : 'quiet'
}
