import { COOLS_MINUTES, type Firing, fireAt, firingProgram, paintMinutes } from '@yentrik/core'
import { clockTime } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { attempt } from '../parts/attempt.ts'
import { useMachineChoice } from '../program/MachineChoice.tsx'
import { occupied } from '../program/occupied.ts'
import type { ForCase } from '../record/IntoRecord.tsx'
import { ceramicOf } from './plan-draft.ts'

const MINUTE = 60_000
interface Bar {
  readonly from: number
  readonly to: number
  readonly words: string
  readonly kind: 'hands' | 'heat' | 'free' | 'taken'
}

/** When both firings can be, from now on: painted, fired in the furnace that is free, cold enough to read. */
export function FiringsRail({
  forCase,
  firings,
}: {
  readonly forCase?: ForCase
  readonly firings: 'one' | 'two'
}) {
  const now = useNow()
  const { runs, machine } = useMachineChoice('kiln')
  const ceramic = ceramicOf(forCase?.job) ?? 'disilicate'
  const taken = occupied(runs, machine)
  const minute = Math.floor(now / MINUTE) * MINUTE
  const fired = attempt(() => {
    const lines: { readonly name: string; readonly bars: readonly Bar[] }[] = []
    let free = minute
    for (const firing of (firings === 'two' ? ['stain', 'glaze'] : ['glaze']) as readonly Firing[]) {
      const program = firingProgram({ ceramic, firing, wallMillimetres: 1.5, units: 1 })
      const paint =
        firings === 'one'
          ? paintMinutes.stain + paintMinutes.glaze
          : firing === 'stain'
            ? paintMinutes.stain
            : paintMinutes.glaze
      const painted = free + paint * MINUTE
      const { from, to } = fireAt(painted, program, taken)
      const cold = to + COOLS_MINUTES * MINUTE
      lines.push({
        name: `Firing ${lines.length + 1}, ${firings === 'one' ? 'stain and glaze' : firing}`,
        bars: [
          { from: from - paint * MINUTE, to: from, words: 'paint', kind: 'hands' },
          { from, to, words: clockTime(from), kind: 'heat' },
          { from: cold, to: cold + 40 * MINUTE, words: `read it from ${clockTime(cold)}`, kind: 'free' },
        ],
      })
      free = cold + 5 * MINUTE
    }
    return { lines, end: free + 35 * MINUTE }
  })
  if (!fired.answer) return null
  const { lines, end } = fired.answer
  const start = minute - 15 * MINUTE
  const share = (at: number) => Math.max(0, Math.min(100, (100 * (at - start)) / (end - start)))
  const hours = Array.from({ length: Math.ceil((end - start) / (30 * MINUTE)) }, (_, n) => {
    const first = new Date(start)
    first.setMinutes(first.getMinutes() < 30 ? 30 : 60, 0, 0)
    return first.getTime() + n * 30 * MINUTE
  }).filter((at) => at < end)
  const rows = [
    ...lines,
    {
      name: machine,
      bars: taken.map((each) => ({ ...each, words: `taken, ${clockTime(each.to)}`, kind: 'taken' as const })),
    },
  ]
  return (
    <section className="card-flat p-4" aria-label="Firings from now on">
      <div className="relative ml-36 h-6 text-sm max-sm:ml-0" aria-hidden>
        {hours.map((at) => (
          <span
            key={at}
            className="figures absolute -translate-x-1/2 font-mono"
            style={{ left: `${share(at)}%` }}
          >
            {clockTime(at)}
          </span>
        ))}
      </div>
      <ul className="grid gap-2">
        {rows.map(({ name, bars }) => (
          <li key={name} className="grid items-center gap-x-2 sm:grid-cols-[8.5rem_minmax(0,1fr)]">
            <b className="text-sm leading-tight">{name}</b>
            <div className="border-base-300 relative h-10 border-l">
              <span
                className="bg-error absolute inset-y-0 w-0.5"
                style={{ left: `${share(now)}%` }}
                aria-hidden
              />
              {bars.map(({ from, to, words, kind }) => (
                <span
                  key={`${from} ${words}`}
                  className={`absolute inset-y-0.5 grid place-items-center overflow-hidden rounded-lg px-1 text-sm font-semibold whitespace-nowrap ${looks[kind]}`}
                  style={{ left: `${share(from)}%`, width: `${Math.max(0, share(to) - share(from))}%` }}
                >
                  {words}
                </span>
              ))}
              {bars.length === 0 && (
                <span className="absolute inset-y-2 left-2 text-sm opacity-80">free</span>
              )}
            </div>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-sm opacity-80">
        Painting and cooling are common practice; the program is that of a thin wall. The maker's sheet
        decides.
      </p>
    </section>
  )
}

const looks: Readonly<Record<Bar['kind'], string>> = {
  hands: 'hatched border border-base-300',
  heat: 'bg-[var(--heat)] text-[#1c1206]',
  free: 'bg-[var(--good)] text-white',
  taken: 'bg-[var(--metal)] text-[#10191b]',
}
