import type { PracticeRoom, PracticeShort } from '@yentrik/contract'
import {
  choicesBeside,
  fittingChoices,
  type Level,
  levelNames,
  levelRules,
  practiceLevels,
  routeTemplates,
} from '@yentrik/core'
import { ArrowRight } from 'lucide-react'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { shortDate } from '../format/format.ts'
import { freshen, useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Pills, SelectField } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { DrillList } from './DrillList.tsx'
import { levelWords, scoreText } from './practice-words.ts'

const jobs = [...routeTemplates.values()].map(({ id, name }) => [id, name] as const)

/** Practise: any job on a case with hidden truth, what one misses, and the drills. */
export function PractiseScreen() {
  const { data: room, error } = useAnswer('GET /practice')
  if (!room)
    return error ? (
      <main className="p-8">
        <Message tone="error" words={error.said} />
      </main>
    ) : (
      <Waiting />
    )
  const open = room.cases.filter(({ closed }) => !closed)
  const over = room.cases.filter(({ closed }) => closed)
  return (
    <main className="mx-auto grid max-w-[1500px] gap-4 p-4 sm:p-6 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <header className="flex flex-wrap items-baseline gap-x-4 lg:col-span-2">
        <h1 className="text-3xl font-bold">Practise</h1>
        <p>a job on the real screens, on a case that hides what is wrong with it</p>
      </header>
      <div className="grid content-start gap-4">
        {open[0] && <GoOn short={open[0]} more={open.length - 1} />}
        <Begin met={room.met.length > 0} />
        <Misses room={room} />
        {over.length > 0 && <Past cases={over} />}
      </div>
      <aside className="grid content-start gap-4">
        <DrillList />
      </aside>
    </main>
  )
}

/** Where one stopped. */
function GoOn({ short, more }: { readonly short: PracticeShort; readonly more: number }) {
  return (
    <section
      className="card-flat flex flex-wrap items-center justify-between gap-3 p-5"
      aria-label="Going on"
    >
      <p className="text-lg">
        <b className="figures">{short.docket}</b> {short.jobName}, {levelWords(short.level)}, is not finished
        {more > 0 && ` (and ${more} more)`}.
      </p>
      <Link className="act" to={`/case/${short.practiceId}`}>
        Go on <ArrowRight className="size-5" aria-hidden />
      </Link>
    </section>
  )
}

const choose = [
  ['chance', 'By chance'],
  ['missed', 'What I miss most'],
  ['same', 'The same as others: a seed'],
] as const
type Way = (typeof choose)[number][0]

function Begin({ met }: { readonly met: boolean }) {
  const go = useNavigate()
  const [job, setJob] = useDraft<string>('practise job', () => 'study-cast')
  const [level, setLevel] = useDraft<Level>('practise level', () => 'guided')
  const [way, setWay] = useState<Way>('chance')
  const [seed, setSeed] = useDraft<string>('practise seed', () => '')
  const [fault, setFault] = useState<string>()
  const [wished, setWished] = useDraft<Readonly<Record<string, string>>>('practise choices', () => ({}))
  const { refusal, run } = useRequest()
  const template = routeTemplates.get(job)!
  const choices = fittingChoices(template, wished)
  const prescribed = template.matters.filter((matter) => matter.prescribed)
  const begin = async () => {
    const typed = way === 'same' ? readNumber(seed, '') : undefined
    setFault(typed?.fault)
    if (typed && typed.value === undefined) return
    const begun = await run(() =>
      request('POST /practice', {
        body: {
          templateId: job,
          level,
          choices: Object.fromEntries(prescribed.map(({ id }) => [id, choices[id]!])),
          ...(typed?.value === undefined ? {} : { seed: typed.value }),
          ...(way === 'missed' ? { missedMost: true } : {}),
        },
      }),
    )
    if (!begun) return
    await freshen('GET /practice')
    await go(`/case/${begun.practiceId}`)
  }
  const { least, most } = levelRules[level]
  return (
    <section className="card-flat grid gap-4 p-6" aria-label="Begin a case">
      <h2 className="text-2xl font-bold">Begin a case</h2>
      <SelectField label="Job" options={jobs} value={job} onChoose={setJob} />
      {prescribed.length > 0 && (
        <div className="flex flex-wrap gap-x-8 gap-y-2">
          {prescribed.map(({ id, name }) => (
            <Pills
              key={id}
              label={name}
              options={choicesBeside(template, id, choices).map((each) => [each.id, each.name] as const)}
              value={choices[id]!}
              onChoose={(choice) => setWished({ ...wished, [id]: choice })}
            />
          ))}
        </div>
      )}
      <Pills
        label="Level"
        options={practiceLevels.map((each) => [each, levelNames[each]] as const)}
        value={level}
        onChoose={setLevel}
      />
      <p className="-mt-2 opacity-80">
        {least} to {most} things are wrong with it, besides your own slips.{' '}
        {
          {
            guided:
              'Reasons and limits are said, digits stand beside the instruments, and a hint names the step.',
            bench: 'As in the lab: limits and reasons, no hint.',
            exam: 'No reasons, no limits, no second judgement; the result can be printed and signed.',
          }[level]
        }
      </p>
      <Pills
        label="Which"
        options={met ? choose : choose.filter(([each]) => each !== 'missed')}
        value={way}
        onChoose={setWay}
      />
      {way === 'same' && (
        <div className="w-56">
          <NumberField label="Seed" unit="" text={seed} onText={setSeed} fault={fault} hint="0 to 999999" />
        </div>
      )}
      {refusal && <Message tone="error" words={refusal} />}
      <button type="button" className="act-main justify-self-start" onClick={() => void begin()}>
        Begin
      </button>
    </section>
  )
}

/** The cases that are over, each with its score and the way back to it. */
function Past({ cases }: { readonly cases: readonly PracticeShort[] }) {
  return (
    <section className="card-flat p-6" aria-label="Looked back on">
      <h2 className="mb-2 text-xl font-bold">Done</h2>
      <ul className="grid gap-1">
        {cases.slice(0, 12).map((each) => (
          <li
            key={each.practiceId}
            className="border-base-300 flex flex-wrap items-center gap-x-4 border-t py-1"
          >
            <span className="figures w-16 text-2xl font-bold">
              {each.total === undefined ? '–' : scoreText(each.total)}
            </span>
            <span className="grow">
              <span className="figures font-semibold">{each.docket}</span> {each.jobName},{' '}
              {levelWords(each.level)}
              {each.closed === 'stopped' && ', stopped'} · seed <span className="figures">{each.seed}</span> ·{' '}
              {each.person}, {shortDate(each.begunAt)}
            </span>
            <Link className="small-act" to={`/practise/${each.practiceId}`}>
              Look back
            </Link>
          </li>
        ))}
      </ul>
    </section>
  )
}

const leanWords = {
  neither: 'lean to neither side',
  passes: 'rather pass',
  refuses: 'rather refuse',
} as const

/** What one misses, and on which side one errs. */
function Misses({ room: { met, counts, sensitivity } }: { readonly room: PracticeRoom }) {
  const missed = met.filter((each) => each.missed > 0)
  const show = (value: number) => value.toFixed(1)
  return (
    <section className="card-flat p-6" aria-label="What I miss">
      <h2 className="mb-2 text-xl font-bold">What I miss</h2>
      {counts.defects === 0 ? (
        <p>Nothing yet: begin a case, and look back on it.</p>
      ) : (
        <>
          <p className="figures">
            <b className="text-3xl">
              {counts.found} of {counts.defects}
            </b>{' '}
            found
          </p>
          <p className="figures">
            {counts.falseAlarms} false alarms in {counts.cleanLooks} sound places
          </p>
          {sensitivity ? (
            <p className="mt-2 text-sm opacity-80">
              Told apart by d′ {show(sensitivity.dPrime)} (0 is by chance, 3 is hardly ever wrong); you{' '}
              {leanWords[sensitivity.leans]}.
            </p>
          ) : (
            <p className="mt-2 text-sm opacity-80">Too few to say more than the counts.</p>
          )}
          <ul className="mt-3 grid gap-1">
            {missed.slice(0, 8).map(({ kind, named, found, missed: not }) => (
              <li key={kind} className="border-base-300 flex justify-between gap-3 border-t pt-1">
                <span>{named}</span>
                <span className="figures whitespace-nowrap">
                  {not} of {found + not} missed
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  )
}
