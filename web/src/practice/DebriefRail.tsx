import type { Debrief, DebriefBar } from '@yentrik/core'
import { Check, CircleDashed } from 'lucide-react'
import { clockTime, shortDate, stageName, weekdayAndTime } from '../format/format.ts'
import { meansIcons } from '../record/SeenThere.tsx'
import { endWords, hoursText } from './practice-words.ts'

const MINUTE = 60_000
const HOUR = 60 * MINUTE
/** A stretch in which nothing happens is drawn no longer than this. */
const LONGEST_GAP_MINUTES = 180

/** Where a minute of the case lies on the rail, 0 to 100: nights and waits are drawn short. */
function railScale({ steps, bars, minutes }: Debrief): (minute: number) => number {
  const marks = [
    ...new Set([
      0,
      minutes,
      ...steps.flatMap(({ from, to }) => [from, to]),
      ...bars.flatMap(({ bornAt, seen, endsAt }) => [bornAt, endsAt, ...(seen ? [seen.at] : [])]),
    ]),
  ].sort((a, b) => a - b)
  const drawn = [0]
  for (let n = 1; n < marks.length; n++)
    drawn.push(drawn[n - 1]! + Math.max(4, Math.min(LONGEST_GAP_MINUTES, marks[n]! - marks[n - 1]!)))
  const whole = drawn.at(-1) || 1
  return (minute) => {
    const after = marks.findIndex((mark) => mark >= minute)
    if (after <= 0) return 0
    const [from, to] = [marks[after - 1]!, marks[after]!]
    const share = to > from ? (minute - from) / (to - from) : 1
    return (100 * (drawn[after - 1]! + share * (drawn[after]! - drawn[after - 1]!))) / whole
  }
}

/** One rail from receipt to delivery: the work above, each defect from its birth to its end below, the dearest first. */
export function DebriefRail({
  debrief,
  chosenId,
  onChoose,
}: {
  readonly debrief: Debrief
  readonly chosenId: string | undefined
  readonly onChoose: (id: string) => void
}) {
  const at = railScale(debrief)
  const { steps, beganAt, minutes } = debrief
  const time = (minute: number) => beganAt + minute * MINUTE
  const stages = merged(steps)
  return (
    <section className="card-flat overflow-x-auto px-5 py-3" aria-label="From receipt to delivery">
      <div className="min-w-[46rem]">
        <div className="grid grid-cols-[11rem_minmax(0,1fr)] gap-x-4">
          <span className="text-sm opacity-80">cost</span>
          <div className="relative h-6 text-sm">
            <Days beganAt={beganAt} minutes={minutes} at={at} />
          </div>
          <b className="self-center">the case</b>
          <div className="border-base-300 relative h-12 border-b">
            {stages.map(({ key, from, to, again, stage }) => (
              <span
                key={key}
                className={`border-base-content/30 absolute inset-y-1.5 flex items-center justify-center overflow-hidden rounded-lg border text-xs font-semibold ${again ? 'hatched border-dashed' : ''}`}
                style={{
                  left: `${at(from)}%`,
                  width: `max(2px, ${at(to) - at(from)}%)`,
                  ...(again
                    ? {}
                    : { background: 'color-mix(in oklab, var(--color-info) 35%, var(--color-base-100))' }),
                }}
                title={`${stageName(stage)}, ${weekdayAndTime(time(from), beganAt)} to ${clockTime(time(to))}`}
              >
                {at(to) - at(from) > 7 ? stageName(stage).toLowerCase() : ''}
              </span>
            ))}
          </div>
        </div>
        <ol>
          {debrief.bars.map((bar, index) => (
            <li key={bar.id} className="border-base-300 border-b last:border-0">
              <button
                type="button"
                className={`grid w-full grid-cols-[11rem_minmax(0,1fr)] gap-x-4 items-center rounded-lg py-0.5 text-left ${bar.id === chosenId ? 'bg-base-200' : 'hover:bg-base-200/60'}`}
                aria-pressed={bar.id === chosenId}
                onClick={() => onChoose(bar.id)}
              >
                <span className="pl-2">
                  <span
                    className={`figures block font-mono leading-tight font-bold ${index === 0 ? 'text-2xl' : 'text-lg'}`}
                  >
                    {hoursText(bar.costMinutes)}
                  </span>
                  <span className="block leading-tight">{bar.named}</span>
                </span>
                <Bar bar={bar} at={at} words={(minute) => weekdayAndTime(time(minute), beganAt)} />
              </button>
            </li>
          ))}
        </ol>
        <Legend />
      </div>
    </section>
  )
}

/** Steps of one stage that follow each other are one block. */
function merged(steps: Debrief['steps']) {
  const blocks: {
    key: string
    stage: Debrief['steps'][number]['stage']
    from: number
    to: number
    again: boolean
  }[] = []
  for (const { stepId, stage, from, to, again } of steps) {
    const last = blocks.at(-1)
    if (last && last.stage === stage && last.again === again) last.to = Math.max(last.to, to)
    else blocks.push({ key: `${stepId} ${from}`, stage, from, to, again })
  }
  return blocks
}

/** The days, each where its first work is. */
function Days({
  beganAt,
  minutes,
  at,
}: {
  readonly beganAt: number
  readonly minutes: number
  readonly at: (minute: number) => number
}) {
  const days: { at: number; minute: number }[] = []
  for (let minute = 0; minute <= minutes; minute += 24 * 60) {
    const midnight = new Date(beganAt + minute * MINUTE).setHours(0, 0, 0, 0)
    const from = Math.max(0, (midnight - beganAt) / MINUTE)
    days.push({ at: midnight, minute: from })
  }
  let last = Number.NEGATIVE_INFINITY
  return days.map((day) => {
    const left = at(day.minute)
    // Names that would lie on one another are left out.
    if (left - last < 9 || left > 92) return null
    last = left
    return (
      <span key={day.at} className="absolute font-bold whitespace-nowrap" style={{ left: `${left}%` }}>
        {shortDate(day.at + 12 * HOUR)}
      </span>
    )
  })
}

function Bar({
  bar,
  at,
  words,
}: {
  readonly bar: DebriefBar
  readonly at: (minute: number) => number
  readonly words: (minute: number) => string
}) {
  const { seen, end } = bar
  const from = at(bar.bornAt)
  const to = Math.max(from + 1.5, at(bar.endsAt))
  const seenAt = seen ? Math.min(to, Math.max(from, at(seen.at))) : to
  const Icon = seen ? meansIcons[seen.by] : CircleDashed
  const good = end === 'found'
  const side = to < 62 ? 'right' : from > 38 ? 'left' : 'on'
  const could = seen ? `to be seen ${words(seen.at)}, ${seen.step.toLowerCase()}` : 'never by eye'
  const said = bar.found
    ? `${endWords[end]} ${words(bar.found.at)}, ${bar.found.step.toLowerCase()}`
    : endWords[end]
  return (
    <span className="relative block h-10">
      <span
        className="border-base-content absolute top-1 h-8 border-l-3"
        style={{ left: `${from}%` }}
        aria-hidden
      />
      <span
        className="hatched border-base-content/60 absolute top-2 h-6 border"
        style={{ left: `${from}%`, width: `${seenAt - from}%` }}
        aria-hidden
      />
      <span
        className="border-base-content/60 absolute top-2 h-6 border"
        style={{ left: `${seenAt}%`, width: `${to - seenAt}%`, background: 'var(--heat)' }}
        aria-hidden
      />
      <span
        className="bg-base-100 border-base-content absolute top-1 grid size-8 -translate-x-1/2 place-items-center rounded-full border-2"
        style={{ left: `${seenAt}%` }}
        aria-hidden
      >
        <Icon className="size-4" />
      </span>
      {good ? (
        <span
          className="bg-success text-success-content absolute top-2 grid size-6 place-items-center rounded-full"
          style={{ left: `calc(${to}% + 18px)` }}
          aria-hidden
        >
          <Check className="size-4" />
        </span>
      ) : (
        (end === 'delivered' || end === 'open') && (
          <span
            className="absolute top-2 h-6 w-5"
            style={{
              left: `${to}%`,
              background: 'var(--color-error)',
              clipPath: 'polygon(0 0, 60% 0, 100% 50%, 60% 100%, 0 100%)',
            }}
            aria-hidden
          />
        )
      )}
      {side === 'on' ? (
        <span
          className="absolute top-2 h-6 truncate text-sm leading-6 font-semibold text-[#1c1206]"
          style={{ left: `calc(${seenAt}% + 24px)`, right: `calc(${100 - to}% + 4px)` }}
        >
          {said}; {could}
        </span>
      ) : (
        <span
          className={`absolute top-0.5 text-sm leading-tight ${side === 'left' ? 'text-right' : ''}`}
          style={
            side === 'right'
              ? { left: `calc(${to}% + 52px)`, right: 0 }
              : { right: `calc(${100 - from}% + 26px)`, left: 0 }
          }
        >
          <b>{said}</b>
          <br />
          {could}
        </span>
      )}
    </span>
  )
}

function Legend() {
  return (
    <p className="mt-2 flex flex-wrap gap-x-6 gap-y-1 text-sm" aria-hidden>
      <span className="flex items-center gap-2">
        <span className="hatched border-base-content/60 h-3.5 w-7 border" /> there, not yet to be seen
      </span>
      <span className="flex items-center gap-2">
        <span className="border-base-content/60 h-3.5 w-7 border" style={{ background: 'var(--heat)' }} />{' '}
        could be seen, was not
      </span>
      <span className="flex items-center gap-2">
        <span className="border-base-content size-3.5 rounded-full border-2" /> first place to see it, and by
        what
      </span>
      <span className="flex items-center gap-2">
        <span className="hatched border-base-content/30 h-3.5 w-7 rounded border border-dashed" /> done a
        second time
      </span>
    </p>
  )
}
