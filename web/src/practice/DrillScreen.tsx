import type { DrillDone } from '@yentrik/contract'
import { type DrillAnswer, type DrillId, drillIds, drills, LARGEST_SEED } from '@yentrik/core'
import { type ReactNode, useState } from 'react'
import { Link, useNavigate, useParams, useSearchParams } from 'react-router'
import { freshen, useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Message } from '../parts/Message.tsx'
import { Said } from '../preferences/words.tsx'
import { anySeed } from './any-seed.ts'
import { BathDrill } from './drills/BathDrill.tsx'
import { ChargeDrill } from './drills/ChargeDrill.tsx'
import type { DrillProps } from './drills/drill-props.ts'
import { GrindDrill } from './drills/GrindDrill.tsx'
import { NightDrill } from './drills/NightDrill.tsx'
import { PourDrill } from './drills/PourDrill.tsx'
import { ReadDrill } from './drills/ReadDrill.tsx'
import { ScratchDrill } from './drills/ScratchDrill.tsx'
import { SetDrill } from './drills/SetDrill.tsx'
import { ShadeDrill } from './drills/ShadeDrill.tsx'
import { SprueDrill } from './drills/SprueDrill.tsx'
import { TrimDrill } from './drills/TrimDrill.tsx'
import { scoreText } from './practice-words.ts'

const shown: { readonly [D in DrillId]: (props: DrillProps<D>) => ReactNode } = {
  pour: PourDrill,
  read: ReadDrill,
  trim: TrimDrill,
  set: SetDrill,
  sprue: SprueDrill,
  charge: ChargeDrill,
  bath: BathDrill,
  grind: GrindDrill,
  scratch: ScratchDrill,
  shade: ShadeDrill,
  night: NightDrill,
}

/** One drill: its task, and what the answer came to. */
export function DrillScreen() {
  const { drill = '' } = useParams()
  const [search] = useSearchParams()
  const seed = Number(search.get('seed') ?? '')
  const id = drillIds.find((each) => each === drill)
  if (!id || !Number.isInteger(seed) || seed < 0 || seed > LARGEST_SEED)
    return (
      <main className="grid justify-items-start gap-4 p-8">
        <Message tone="error">
          There is no such drill, or its seed is no whole number from 0 to {LARGEST_SEED}.
        </Message>
        <Link className="act" to="/practise">
          To Practise
        </Link>
      </main>
    )
  return <Drill key={`${id} ${seed}`} id={id} seed={seed} />
}

function Drill({ id, seed }: { readonly id: DrillId; readonly seed: number }) {
  const go = useNavigate()
  const { data: standings = [] } = useAnswer('GET /drills')
  const { refusal, run } = useRequest()
  const [done, setDone] = useState<DrillDone>()
  const { name, does, task } = drills[id]
  const Shown = shown[id] as (props: DrillProps<DrillId>) => ReactNode
  const standing = standings.find((each) => each.drill === id)
  const answer = async (given: DrillAnswer) => {
    const came = await run(() => request('POST /drills', { body: { seed, answer: given } }))
    if (!came) return
    setDone(came)
    await freshen('GET /drills')
  }
  return (
    <main className="mx-auto grid max-w-5xl gap-4 p-4 sm:p-6">
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-3xl font-bold">{name}</h1>
        <p>{does}</p>
        <p className="figures ml-auto opacity-80">
          seed {seed}
          {standing && ` · best of the last ${standing.n}: ${scoreText(standing.best)}`}
        </p>
      </header>
      <section className="card-flat p-6" aria-label="The task">
        <Shown
          task={task(seed) as never}
          done={done !== undefined}
          onAnswer={(given) => void answer(given as DrillAnswer)}
        />
        {refusal && (
          <div className="mt-3">
            <Message tone="error" words={refusal} />
          </div>
        )}
      </section>
      {done && (
        <section
          className="card-flat flex flex-wrap items-center gap-x-8 gap-y-3 p-6"
          aria-label="What it came to"
          aria-live="polite"
        >
          <p className="figures">
            <b className="text-6xl">{scoreText(done.result.points)}</b> of 100
          </p>
          <div className="min-w-72 grow text-lg">
            <p>
              <Said words={done.result.say} />
            </p>
            <p className="opacity-80">
              <Said words={done.result.better} />
            </p>
          </div>
          <div className="flex flex-wrap gap-2">
            <button
              type="button"
              className="act-main"
              onClick={() => void go(`/practise/drill/${id}?seed=${anySeed()}`)}
            >
              Another one
            </button>
            <Link className="act" to="/practise">
              To Practise
            </Link>
          </div>
        </section>
      )}
    </main>
  )
}
