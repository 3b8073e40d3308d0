import {
  DOUGH_SOURCE,
  type DoughStageName,
  doughStageAt,
  doughStages,
  type JobState,
  stepMeaning,
  USUAL_ROOM_CELSIUS,
} from '@yentrik/core'
import { clockTime } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { attempt } from '../parts/attempt.ts'
import { useDraft } from '../parts/draft.ts'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'

const MINUTE = 60_000
/** So much of the whole the stiff end, which has none, takes in the drawing. */
const STIFF_SHOWN_SHARE = 0.35
const colours: Readonly<Record<DoughStageName, string>> = {
  sandy: 'var(--color-base-300)',
  stringy: 'var(--color-base-300)',
  dough: 'var(--good)',
  rubbery: 'var(--late)',
  stiff: 'var(--color-error)',
}

/** When the parts of the dough in hand met, ms since 1970; undefined: nothing is mixed. */
export function doughMixedAt(job: JobState): number | undefined {
  const mix = stepMeaning(job, 'doughMixed')?.state.mixes.at(-1)
  return mix && Date.parse(mix.metAt ?? mix.at)
}

/** Which stage the dough is in, and the hours between which it is packed, by the warmth of the room. */
export function DoughClock({
  mixedAt,
  narrow = false,
}: {
  readonly mixedAt: number
  /** Beside the work rather than in it: the hours alone. */
  readonly narrow?: boolean
}) {
  const now = useNow()
  const [text, keep] = useDraft<string>('room celsius', () => String(USUAL_ROOM_CELSIUS))
  const { value, fault } = readNumber(text, '°C')
  const { answer: stages, refusal } = value === undefined ? {} : attempt(() => doughStages(value))
  const pack = stages?.find(({ name }) => name === 'dough')
  const minutes = (now - mixedAt) / MINUTE
  const stiffFrom = stages?.at(-1)?.fromMinutes ?? 0
  const until = (1 + STIFF_SHOWN_SHARE) * stiffFrom
  return (
    <section className="border-base-300 mt-4 grid gap-2 border-t pt-3" aria-label="Dough">
      {pack && value !== undefined && (
        <>
          <p className="text-lg">
            Pack{' '}
            <output
              className={`figures font-bold ${narrow ? 'block text-3xl' : 'text-5xl'}`}
              aria-label="Pack between"
            >
              {clockTime(mixedAt + pack.fromMinutes * MINUTE)}-
              {clockTime(mixedAt + (pack.toMinutes ?? 0) * MINUTE)}
            </output>
            {narrow ? 'now ' : ', now '}
            <b>{doughStageAt(Math.max(0, minutes), value).name}</b>
          </p>
          {!narrow && (
            <div className="relative flex h-10 overflow-hidden rounded-xl" aria-hidden>
              {stages?.map(({ name, fromMinutes, toMinutes = until }) => (
                <span
                  key={name}
                  className={`grid place-items-center text-sm font-semibold ${name === 'dough' || name === 'stiff' ? 'text-white' : ''}`}
                  style={{
                    width: `${(100 * (toMinutes - fromMinutes)) / until}%`,
                    background: colours[name],
                  }}
                >
                  {name}
                </span>
              ))}
              <span
                className="bg-base-content absolute inset-y-0 w-1"
                style={{ left: `${Math.min(100, (100 * Math.max(0, minutes)) / until)}%` }}
              />
            </div>
          )}
        </>
      )}
      {!narrow && (
        <div className="grid items-start gap-4 sm:grid-cols-[10rem_minmax(0,1fr)]">
          <div>
            <NumberField label="Room" unit="°C" text={text} onText={keep} fault={fault ?? refusal} />
          </div>
          <p className="text-sm opacity-80 sm:mt-8">{DOUGH_SOURCE}.</p>
        </div>
      )}
    </section>
  )
}
