import { type CauseRow, noClearOrder, type QualityFigures } from '@yentrik/core'
import type { CasesShown } from './CasesSheet.tsx'
import { hoursBetween, hoursWords } from './quality-words.ts'

const tones = [
  'var(--resin)',
  'color-mix(in oklab, var(--color-warning) 45%, var(--color-base-100))',
  'var(--stone)',
]

/** What cost most hours of hands, with how much it might be: what overlaps is put in no order. */
export function CostCard({
  causes: { table, hits },
  from,
  most = 3,
  onCases,
}: {
  readonly causes: QualityFigures['causes']
  readonly from: string
  readonly most?: number
  readonly onCases: (shown: CasesShown) => void
}) {
  const rows = table.rows.slice(0, most)
  const others = table.rows.length - rows.length
  const high = Math.max(1, ...rows.map(({ interval, handsHours }) => interval?.high ?? handsHours))
  const single = table.single.reduce((sum, { handsHours }) => sum + handsHours, 0)
  const rest = [
    table.notFound && `not found: ${times(table.notFound)}, ${hoursWords(table.notFound.handsHours)}`,
    table.notSaid && `not said: ${times(table.notSaid)}, ${hoursWords(table.notSaid.handsHours)}`,
  ].filter((each) => each !== undefined)
  const open = (row: CauseRow) => onCases({ title: row.cause, cases: row.cases })
  return (
    <section className="card-flat flex flex-col gap-1 p-5 pt-4 pb-3" aria-label="What cost most hours">
      <h2 className="text-xl font-bold">
        What cost most hours <span className="text-base font-normal">{from}</span>
      </h2>
      {table.count === 0 && <p className="mt-2">Nothing went back.</p>}
      <div className="flex items-stretch gap-3">
        <ol className="grid grow content-start gap-1">
          {rows.map((row, n) => (
            <li key={row.cause}>
              <button
                type="button"
                onClick={() => open(row)}
                className="hover:bg-base-200/60 grid min-h-12 w-full grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 gap-y-1 rounded-xl px-1 text-left sm:grid-cols-[minmax(0,12rem)_5rem_minmax(0,1fr)]"
              >
                <span className="min-w-0 leading-tight">
                  <b className="block">{row.cause}</b>
                  <span className="figures text-sm opacity-80">
                    {times(row)}
                    {row.interval ? `, ${hoursBetween(row.interval)}` : ', too few for a range'}
                  </span>
                </span>
                <span className="figures text-right text-xl font-bold whitespace-nowrap">
                  {hoursWords(row.handsHours)}
                </span>
                <span className="relative block h-6 max-sm:col-span-2" aria-hidden>
                  <span
                    className="border-base-content absolute inset-y-0.5 left-0 rounded-md border"
                    style={{
                      width: `${Math.max(3, (100 * row.handsHours) / high)}%`,
                      background: tones[n % tones.length],
                    }}
                  />
                  {row.interval && (
                    <span
                      className="border-base-content absolute top-1/2 h-0 border-t-2"
                      style={{
                        left: `${(100 * row.interval.low) / high}%`,
                        width: `${(100 * (row.interval.high - row.interval.low)) / high}%`,
                      }}
                    >
                      <span className="bg-base-content absolute -top-2 left-0 h-3.5 w-0.5" />
                      <span className="bg-base-content absolute -top-2 right-0 h-3.5 w-0.5" />
                    </span>
                  )}
                </span>
              </button>
            </li>
          ))}
        </ol>
        {noClearOrder(rows) && (
          <span className="border-base-content/60 my-1 flex items-center justify-center border-y border-r px-1 text-sm [writing-mode:vertical-rl]">
            <span>no clear order</span>
          </span>
        )}
      </div>
      {(table.single.length > 0 || rest.length > 0 || others > 0) && (
        <p className="border-base-300 flex flex-wrap gap-x-5 border-t pt-2 text-sm">
          {others > 0 && <span>{others} more</span>}
          {table.single.length > 0 && (
            <button
              type="button"
              className="underline underline-offset-4"
              onClick={() =>
                onCases({ title: 'Found once each', cases: table.single.flatMap(({ cases }) => cases) })
              }
            >
              {table.single.length === 1 ? '1 single one' : `${table.single.length} single ones`},{' '}
              {hoursWords(single)}
            </button>
          )}
          {rest.map((words) => (
            <span key={words}>{words}</span>
          ))}
        </p>
      )}
      <p className="text-sm opacity-80">
        Hours of hands. At most this much is saved: only if the cause goes for good.
        {hits &&
          ` The fault finder had the cause among its first three ${hits.firstThree.count} of ${hits.firstThree.of} times.`}
      </p>
    </section>
  )
}

const times = ({ count }: CauseRow) => (count === 1 ? 'once' : `${count} times`)
