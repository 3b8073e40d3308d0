import { type ClockStretch, type MixClock, stretchAt } from '@yentrik/core'
import { Hatch } from '../drawings/Hatch.tsx'
import { clockTime, dayAndTime } from '../format/format.ts'

const fills: Readonly<Record<ClockStretch['tone'], string>> = {
  hands: 'var(--color-primary)',
  good: 'var(--good)',
  late: 'var(--late)',
  wait: 'url(#strip-wait)',
  past: 'var(--color-error)',
}
const WIDTH = 1000

interface ClockStripProps {
  readonly clock: MixClock
  readonly now: number
  /** Whether it runs; else it shows what would be, mixed now. */
  readonly running: boolean
}

/** The clock of a mix as one strip: hatched is leave alone, green is now, amber is going; the now line runs through it. */
export function ClockStrip({ clock, now, running }: ClockStripProps) {
  const from = clock.stretches[0]?.from ?? now
  const to = clock.stretches.at(-1)?.to ?? now
  const at = (instant: number) => (WIDTH * Math.min(to, Math.max(from, instant) - from)) / (to - from)
  const here = stretchAt(clock, now)
  const ends = clock.stretches.slice(0, -1).map(({ to: end }) => end)
  return (
    <figure className="min-w-0">
      <svg
        viewBox={`0 0 ${WIDTH} 62`}
        className="w-full"
        role="img"
        aria-label={clock.stretches
          .map((s) => `${s.name} ${clockTime(s.from)} to ${clockTime(s.to)}`)
          .join(', ')}
      >
        <defs>
          <Hatch id="strip-wait" />
        </defs>
        {clock.stretches.map((stretch) => {
          const [x, end] = [at(stretch.from), at(stretch.to)]
          const wide = end - x > 9 * stretch.name.length
          return (
            <g key={stretch.id}>
              <rect
                x={x}
                y={14}
                width={Math.max(0, end - x - 1.5)}
                height={28}
                rx={5}
                fill={fills[stretch.tone]}
                stroke={stretch.tone === 'wait' ? 'var(--color-base-300)' : 'none'}
              />
              {wide && (
                <text
                  x={(x + end) / 2}
                  y={33}
                  textAnchor="middle"
                  fontSize="15"
                  fontWeight="600"
                  fill={
                    stretch.tone === 'wait'
                      ? 'var(--color-base-content)'
                      : stretch.tone === 'late'
                        ? '#1c292b'
                        : '#ffffff'
                  }
                >
                  {stretch.name}
                </text>
              )}
            </g>
          )
        })}
        {ends.map((end, index) => {
          const x = at(end)
          // A label that would stand on the one before it is left to the words below.
          const crowded = index > 0 && x - at(ends[index - 1]!) < 52
          return crowded ? null : (
            <text key={end} x={x} y={58} textAnchor="middle" fontSize="15" fill="var(--color-base-content)">
              {clockTime(end)}
            </text>
          )
        })}
        {running && now >= from && now <= to && (
          <g>
            <path d={`M${at(now)} 2v46`} stroke="var(--color-error)" strokeWidth="3" />
            <circle cx={at(now)} cy="6" r="5" fill="var(--color-error)" />
          </g>
        )}
      </svg>
      <figcaption className="flex flex-wrap gap-x-5 gap-y-1">
        {running && <b>{here ? saying[here.id](clockTime(here.to)) : 'Free.'}</b>}
        {clock.marks.map((mark) => (
          <span key={mark.id}>
            {mark.name} <b className="figures">{dayAndTime(mark.at, now)}</b>
          </span>
        ))}
        <span className="text-sm opacity-80">{clock.source}; the pack wins</span>
      </figcaption>
    </figure>
  )
}

/** The one thing to do in each stretch. */
const saying: Readonly<Record<ClockStretch['id'], (until: string) => string>> = {
  wet: (until) => `Wet all of it by hand until ${until}.`,
  machine: (until) => `Mix until ${until}.`,
  pour: (until) => `Pour now, until ${until}.`,
  leave: (until) => `The gloss goes: finish, do not move it after ${until}.`,
  harden: (until) => `Leave it alone until ${until}.`,
  heat: (until) => `Warm and weak until ${until}.`,
  free: () => 'Free: the heat has gone.',
  over: () => 'Over.',
}
