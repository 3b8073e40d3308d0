import type { InstrumentUse } from '@yentrik/contract'
import { type Instrument, inventedPair, type MachineKind, mixClock, planPair } from '@yentrik/core'
import { Clock3 } from 'lucide-react'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { ArchesPicture } from '../drawings/ArchesPicture.tsx'
import { ArticulatorDrawing } from '../drawings/ArticulatorDrawing.tsx'
import { BathDrawing } from '../drawings/BathDrawing.tsx'
import { BowlDrawing } from '../drawings/BowlDrawing.tsx'
import { DentureDrawing } from '../drawings/DentureDrawing.tsx'
import { FirePicture } from '../drawings/FirePicture.tsx'
import { LadderPicture } from '../drawings/LadderPicture.tsx'
import { SurveyPicture } from '../drawings/SurveyPicture.tsx'
import { UsualRing } from '../drawings/UsualRing.tsx'
import { clockTime, dayAndTime, quantity } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { useAnswer } from '../live/queries.ts'
import { useRunningMixes } from '../mixing/MixClocks.tsx'
import { Message } from '../parts/Message.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { Said } from '../preferences/words.tsx'
import { useMachineRuns } from '../program/use-machine-runs.ts'
import { useShelf } from '../record/shelf.ts'
import { TopDrawing } from '../trimming/TopDrawing.tsx'
import { type InstrumentShown, instrumentsShown } from './instruments.ts'

const order = Object.keys(instrumentsShown) as readonly Instrument[]

/** What each looks like now: it shows whether it works. */
const pictures: { readonly [I in Instrument]: (props: { readonly runs: boolean }) => ReactNode } = {
  mix: ({ runs }) => <BowlDrawing filled={runs} />,
  trim: TrimPicture,
  mount: () => <ArticulatorDrawing part={() => undefined} teeth={[]} choices={{}} />,
  survey: () => <SurveyPicture />,
  setUp: () => <DentureDrawing />,
  cast: () => <UsualRing />,
  remount: () => <ArchesPicture />,
  finish: () => <LadderPicture />,
  fire: () => <FirePicture />,
  cure: ({ runs }) => <BathDrawing part={() => (runs ? 'there' : undefined)} teeth={[]} choices={{}} />,
}

/** Every instrument in the order of the work, with its key, what it gave last, and for which case. */
export function InstrumentsScreen() {
  const { data: uses = [], error } = useAnswer('GET /instruments')
  const running = useRunning()
  const atWork = order.filter((each) => running[each] !== undefined).length
  return (
    <main className="mx-auto flex max-w-[1500px] flex-col gap-4 p-4 sm:min-h-dvh sm:p-6">
      <header className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-3xl font-bold">Instruments</h1>
        <p>
          in the order of the work
          {atWork > 0 && ` · ${atWork === 1 ? 'one is' : `${atWork} are`} running`}
        </p>
        <p className="ml-auto opacity-80 max-sm:hidden">press the letter, or touch it</p>
      </header>
      {error && <Message tone="error" words={error.said} />}
      <svg className="absolute size-0" aria-hidden>
        <defs>
          <filter id="cut-out" x="-20%" y="-20%" width="140%" height="140%">
            <feMorphology in="SourceAlpha" operator="dilate" radius="6" result="wide" />
            <feGaussianBlur in="wide" stdDeviation="4" result="soft" />
            <feComponentTransfer in="soft" result="grown">
              <feFuncA type="linear" slope="8" intercept="-1" />
            </feComponentTransfer>
            <feFlood className="[flood-color:var(--color-base-300)]" result="ground" />
            <feComposite in="ground" in2="grown" operator="in" result="outline" />
            <feMerge>
              <feMergeNode in="outline" />
              <feMergeNode in="SourceGraphic" />
            </feMerge>
          </filter>
        </defs>
      </svg>
      <ul
        className="bg-base-300/60 border-base-300 grid grow gap-3 rounded-3xl border p-3 sm:grid-cols-2 lg:grid-cols-5"
        aria-label="Instruments"
      >
        {order.map((instrument) => (
          <Compartment
            key={instrument}
            instrument={instrument}
            shown={instrumentsShown[instrument]}
            use={uses.find((each) => each.instrument === instrument)}
            now={running[instrument]}
          />
        ))}
      </ul>
    </main>
  )
}

function Compartment({
  instrument,
  shown: { name, path, key, does },
  use,
  now: atWork,
}: {
  readonly instrument: Instrument
  readonly shown: InstrumentShown
  readonly use: InstrumentUse | undefined
  /** What it does at this moment. */
  readonly now: string | undefined
}) {
  const now = useNow()
  const Picture = pictures[instrument]
  return (
    <li className="card-flat hover:border-primary relative grid grid-cols-[8rem_minmax(0,1fr)] gap-x-4 p-4 has-focus-visible:outline-3 sm:flex sm:flex-col">
      <div className="grid h-24 min-h-0 place-items-center p-2 sm:h-auto sm:grow" aria-hidden>
        <div
          className="h-full max-h-[clamp(4.5rem,15dvh,12rem)] w-full max-w-60"
          style={{ filter: 'url(#cut-out)' }}
        >
          <Picture runs={atWork !== undefined} />
        </div>
      </div>
      <div className="min-w-0">
        <h2 className="flex items-center justify-between gap-2 text-2xl font-bold">
          <Link to={path} className="outline-none after:absolute after:inset-0 after:rounded-2xl">
            {name}
          </Link>
          <kbd className="key max-sm:hidden">{key.toUpperCase()}</kbd>
        </h2>
        <p className="line-clamp-2 font-semibold">
          {use ? <Said words={use.words} /> : <span className="font-normal opacity-80">{does}</span>}
        </p>
        {atWork !== undefined ? (
          <p className="text-warning flex items-center gap-2 font-semibold">
            <Clock3 className="size-5" aria-hidden /> {atWork}
          </p>
        ) : (
          use && (
            <p className="flex h-6 flex-wrap gap-x-4 overflow-hidden">
              {use.cases.map(({ caseId, docket, at }, index) => (
                <span key={caseId} className={index > 0 ? 'max-sm:hidden' : ''}>
                  <Link to={`/case/${caseId}`} className="figures relative z-1 font-bold hover:underline">
                    {docket}
                  </Link>{' '}
                  <span className="text-sm opacity-80">{dayAndTime(at, now)}</span>
                </span>
              ))}
            </p>
          )
        )}
      </div>
    </li>
  )
}

/** What runs on the instruments that have a clock. */
function useRunning(): { readonly [I in Instrument]?: string } {
  const now = useNow()
  const units = usePreferences((preferences) => preferences.units)
  const shelf = useShelf()
  const [mix] = useRunningMixes()
  const runs = useMachineRuns().filter(({ stoppedAt }) => stoppedAt === null)
  const machine = (kinds: readonly MachineKind[], ends: string) => {
    const run = runs.find((each) => kinds.includes(each.kind))
    if (!run) return undefined
    const shown = run.measured.at(-1)
    const warm = shown ? `${quantity(Math.round(shown.celsius), 'celsius', units)}, ` : ''
    return `${warm}${ends} ${dayAndTime(Date.parse(run.endsAt), now)}`
  }
  const clock = mix && shelf.card(mix.materialId, mix.productId)?.clock
  const stretch =
    clock &&
    mixClock(clock, Date.parse(mix.metAt), mix.settingFactor).stretches.find(
      ({ from, to }) => from <= now && now < to,
    )
  return {
    mix: stretch && `${stretch.name} until ${clockTime(stretch.to)}`,
    cast: machine(['furnace'], 'ends'),
    cure: machine(['bath'], 'out'),
    fire: machine(['kiln', 'sinter'], 'ends'),
  }
}

const pair = planPair(inventedPair)
function TrimPicture() {
  return (
    <TopDrawing model={pair.upper} outline={inventedPair.upper.outline} cut={1} className="h-full w-full" />
  )
}
