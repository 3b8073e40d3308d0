import {
  DOUGH_SOURCE,
  type DoughStageName,
  doughStageAt,
  doughStages,
  type JobState,
  metMillis,
  qty,
  type StepMix,
  saying,
  stepMeaning,
  USUAL_ROOM_CELSIUS,
} from '@yentrik/core'
import { capital, clockTime } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { NumberField } from '../parts/NumberField.tsx'
import { Said } from '../preferences/words.tsx'
import { useRoomCelsius } from '../record/room-celsius.ts'

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

/** What is told on the strip; on a narrow screen the first two stretches are too short for their names. */
const tones: Readonly<Record<DoughStageName, string>> = {
  sandy: 'max-sm:text-transparent',
  stringy: 'max-sm:text-transparent',
  dough: 'text-white',
  rubbery: '',
  stiff: 'text-error-content',
}

/** The doughs in hand, one for each jaw that has its own: of each the jar that was mixed last. */
export function doughsOf(job: JobState): readonly StepMix[] {
  const mixes = stepMeaning(job, 'doughMixed')?.state.mixes ?? []
  return [...new Map(mixes.map((mix) => [mix.amountId, mix])).values()]
}

/** Which stage a dough is in and the hours between which it is packed, by the room on its record; the room can be put right. */
export function DoughClock({
  mix,
  onRoom,
  narrow = false,
}: {
  readonly mix: StepMix
  /** Puts the room right on the record; left out: it is asked for beside another jar. */
  readonly onRoom?: (celsius: number) => void
  /** Beside the work rather than in it: the hours alone. */
  readonly narrow?: boolean
}) {
  const now = useNow()
  const room = mix.roomCelsius ?? USUAL_ROOM_CELSIUS
  const { roomCelsius, field } = useRoomCelsius()
  const mixedAt = metMillis(mix)
  const stages = doughStages(room)
  const pack = stages.find(({ name }) => name === 'dough')!
  const minutes = (now - mixedAt) / MINUTE
  const stage = doughStageAt(Math.max(0, minutes), room).name
  const gone = stage === 'rubbery' || stage === 'stiff'
  const until = (1 + STIFF_SHOWN_SHARE) * stages.at(-1)!.fromMinutes
  const jaw = /-(upper|lower)$/.exec(mix.amountId)?.[1]
  return (
    <section
      className="border-base-300 mt-4 grid gap-2 border-t pt-3"
      aria-label={jaw ? `Dough, ${jaw}` : 'Dough'}
    >
      <p className="text-lg">
        {jaw && <b className="capitalize">{jaw}: </b>}
        Pack{' '}
        <output
          className={`figures font-bold ${narrow ? 'block text-3xl' : 'text-4xl sm:text-5xl'} ${gone ? 'opacity-50' : ''}`}
          aria-label="Pack between"
        >
          {clockTime(mixedAt + pack.fromMinutes * MINUTE)}-
          {clockTime(mixedAt + (pack.toMinutes ?? 0) * MINUTE)}
        </output>
        {narrow ? 'now ' : ', now '}
        <b className={gone ? 'text-error' : ''}>{stage}</b>
      </p>
      {!narrow && (
        <div className="relative flex h-10 overflow-hidden rounded-xl" aria-hidden>
          {stages.map(({ name, fromMinutes, toMinutes = until }) => (
            <span
              key={name}
              className={`grid place-items-center overflow-hidden text-sm font-semibold ${tones[name]}`}
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
      {onRoom && (
        <div className="grid items-start gap-4 sm:grid-cols-[10rem_auto_minmax(0,1fr)]">
          <NumberField label="Room" unit="°C" {...field} />
          {roomCelsius !== undefined && roomCelsius !== room && (
            <button type="button" className="act sm:mt-7" onClick={() => onRoom(roomCelsius)}>
              <Said words={saying`It was ${qty.celsius(roomCelsius)}, not ${qty.celsius(room)}`} />
            </button>
          )}
          <p className="text-sm opacity-80 sm:mt-8">
            <Said words={saying`Mixed in ${qty.celsius(room)}.`} /> {capital(DOUGH_SOURCE)}.
          </p>
        </div>
      )}
    </section>
  )
}
