import type { PracticeDebrief } from '@yentrik/contract'
import { type DebriefBar, SCORE_WEIGHTS } from '@yentrik/core'
import { Printer } from 'lucide-react'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { weekdayAndTime } from '../format/format.ts'
import { pageOfStage } from '../handbook/pages.ts'
import { useShortcuts } from '../keys/shortcuts.ts'
import { freshen, useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { Said } from '../preferences/words.tsx'
import { DebriefRail } from './DebriefRail.tsx'
import { endWords, hoursText, levelWords, originWords, scoreText } from './practice-words.ts'

/** Looking back on a practice case: what was wrong since when, where it could be seen, what it cost. */
export function DebriefScreen() {
  const { practiceId = '' } = useParams()
  const { data, error } = useAnswer('GET /practice/:practiceId/debrief', { path: { practiceId } })
  if (!data)
    return error ? (
      <main className="grid justify-items-start gap-4 p-8">
        <Message tone="error" words={error.said} />
        <Link className="act" to={`/case/${practiceId}`}>
          To the case
        </Link>
      </main>
    ) : (
      <Waiting />
    )
  return <LookedBack practiceId={practiceId} found={data} />
}

function LookedBack({ practiceId, found }: { readonly practiceId: string; readonly found: PracticeDebrief }) {
  const { debrief, short } = found
  const [chosenId, setChosenId] = useState<string>()
  const chosen = debrief.bars.find(({ id }) => id === chosenId) ?? debrief.bars[0]
  return (
    <main className="mx-auto flex max-w-[1500px] flex-col gap-4 p-4 sm:p-6">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="text-3xl font-bold">Looking back</h1>
        <p className="figures">
          {short.docket} · {short.jobName} · {levelWords(short.level)} · seed {short.seed}
        </p>
        <span className="ml-auto flex flex-wrap items-center gap-2">
          {short.level === 'exam' && (
            <Link className="small-act" to={`/papers/exam/${practiceId}`}>
              <Printer className="size-5" aria-hidden /> Result sheet
            </Link>
          )}
          <Link className="small-act" to="/practise">
            To Practise
          </Link>
          <span className="border-base-content/60 rounded-xl border border-dashed px-3 py-1 font-semibold">
            practice, no real case
          </span>
        </span>
      </header>
      <DebriefRail debrief={debrief} chosenId={chosen?.id} onChoose={setChosenId} />
      <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_22rem]">
        {chosen ? (
          <One
            key={chosen.id}
            practiceId={practiceId}
            bar={chosen}
            dearest={chosen === debrief.bars[0]}
            beganAt={debrief.beganAt}
          />
        ) : (
          <section className="card-flat p-6">
            <p className="text-2xl font-bold">Nothing was wrong with it.</p>
          </section>
        )}
        <ScoreCard found={found} />
      </div>
      <p className="text-sm opacity-80">{debrief.limits}</p>
    </main>
  )
}

/** One defect: the sentence of the model that made it, what an expert does, and the way to try again. */
function One({
  practiceId,
  bar,
  dearest,
  beganAt,
}: {
  readonly practiceId: string
  readonly bar: DebriefBar
  readonly dearest: boolean
  readonly beganAt: number
}) {
  const go = useNavigate()
  const { refusal, run } = useRequest()
  const at = (minute: number) => weekdayAndTime(beganAt + minute * 60_000, beganAt)
  const again = async () => {
    const begun = await run(() =>
      request('POST /practice/:practiceId/again', {
        path: { practiceId },
        body: { stepId: bar.again.stepId },
      }),
    )
    if (!begun) return
    await freshen('GET /practice')
    await go(`/case/${begun.practiceId}`)
  }
  useShortcuts([{ key: 'space', does: 'Again from there', run: () => void again() }])
  return (
    <section className="card-flat px-6 py-4" aria-label={bar.named}>
      <p className="mb-2 flex flex-wrap gap-2">
        <span className="chip">
          {dearest ? 'Dearest, ' : ''}
          {hoursText(bar.costMinutes)}
        </span>
        <span className="chip">
          {originWords[bar.bornBy]}
          {bar.bornBy !== 'arrived' && `, at “${bar.bornStep}”`}
        </span>
        <span className={`chip ${bar.end === 'found' ? 'text-success' : 'text-error'}`}>
          {endWords[bar.end]}
        </span>
      </p>
      <h2 className="text-3xl leading-tight font-bold">{bar.named}</h2>
      <p className="mt-1 text-lg">
        <Said words={bar.why} />
      </p>
      {bar.seen ? (
        <p className="mt-1 text-lg">
          To be seen from <b className="figures">{at(bar.seen.at)}</b> at “{bar.seen.step}”, by{' '}
          {byWords[bar.seen.by]}
          {bar.seen.sentence && <>: {bar.seen.sentence}</>}
        </p>
      ) : (
        <p className="mt-1 text-lg">Never to be seen by eye: the record alone proves it.</p>
      )}
      {bar.comes && (
        <p className="text-error mt-1 text-lg">
          <b>From the clinic:</b> <Said words={bar.comes} />
        </p>
      )}
      {bar.better && (
        <p className="border-warning mt-2 border-l-4 pl-3">
          A careful hand: <Said words={bar.better} />
        </p>
      )}
      {refusal && (
        <div className="mt-3">
          <Message tone="error" words={refusal} />
        </div>
      )}
      <p className="mt-4 flex flex-wrap gap-2">
        <button type="button" className="act-main" onClick={() => void again()}>
          Again from “{bar.again.step}”<kbd className="key">space</kbd>
        </button>
        <Link className="act" to={`/handbook/${pageOfStage(bar.bornStage)}`}>
          Read why
        </Link>
      </p>
    </section>
  )
}

const byWords = {
  eye: 'the bare eye',
  lens: 'a lens',
  finger: 'a finger',
  dry: 'blowing it dry',
  paper: 'foil',
  light: 'a lamp',
  instrument: 'an instrument',
} as const

const partNames = {
  detection: 'Found',
  judgement: 'Sound called sound',
  time: 'Time',
  waste: 'Material',
  safety: 'Safety',
} as const

/** What the play is worth, and what of. */
function ScoreCard({ found: { debrief, version } }: { readonly found: PracticeDebrief }) {
  const { score, tally, broken } = debrief
  return (
    <section className="card-flat p-6" aria-label="Score">
      <p className="figures">
        <b className="text-5xl">{scoreText(score.total)}</b> of 100
      </p>
      {score.cap !== undefined && score.uncapped > score.cap && (
        <p className="figures">
          {scoreText(score.uncapped)} but for {tally.delivered.length === 1 ? 'the one' : 'what was'}{' '}
          delivered
        </p>
      )}
      <p className="figures mt-1">
        {tally.found} of {tally.seenable} found, {tally.falseAlarms} false alarms in {tally.cleanLooks}
      </p>
      <dl className="mt-3 grid gap-2">
        {(Object.keys(partNames) as (keyof typeof partNames)[]).map((part) => {
          const most = SCORE_WEIGHTS[part]
          return (
            <div key={part} className="grid grid-cols-[9rem_1fr_4rem] items-center gap-2">
              <dt>{partNames[part]}</dt>
              <dd className="contents">
                <span className="bg-base-300 h-3 rounded-full" aria-hidden>
                  <span
                    className="bg-primary block h-3 rounded-full"
                    style={{ width: `${(100 * score.parts[part]) / most}%` }}
                  />
                </span>
                <span className="figures text-right text-sm">
                  {scoreText(score.parts[part])} of {most}
                </span>
              </dd>
            </div>
          )
        })}
      </dl>
      {broken.map(({ minute, say }) => (
        <p key={minute} className="text-error mt-2">
          <Said words={say} />
        </p>
      ))}
      <p className="mt-3 text-sm opacity-80">
        Hands at {tally.handsRatio.toFixed(1)}, clock at {tally.clockRatio.toFixed(1)} of the usual. Rules{' '}
        {version}, our own choice.
      </p>
    </section>
  )
}
