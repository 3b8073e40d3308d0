import type { PlanBar, PlanShown } from '@yentrik/contract'
import { mayDo, type Priority } from '@yentrik/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { clockTime, shortDate } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { freshen, useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { useSession } from '../session/session.ts'
import { BarCard } from './BarCard.tsx'
import { LateCard } from './LateCard.tsx'
import { PlanMenu } from './PlanMenu.tsx'
import { type Moved, PlanRail } from './PlanRail.tsx'
import { PromiseSheet } from './PromiseSheet.tsx'
import { TonightCard } from './TonightCard.tsx'
import { WhatIfCard } from './WhatIfCard.tsx'

const zooms = [
  ['1', 'One day'],
  ['3', 'Three days'],
  ['7', 'Week'],
] as const
/** On a screen narrower than this a day is enough. */
const PHONE_PX = 640
type Zoom = (typeof zooms)[number][0]

/** What is late and why, who does what when, what to start tonight, what if. */
export function PlanScreen() {
  const [days, setDays] = useState<Zoom>(() => (innerWidth < PHONE_PX ? '1' : '3'))
  const { data: plan, error } = useAnswer('GET /plan', { query: { days } })
  const now = useNow()
  if (!plan)
    return error ? (
      <main className="p-8">
        <Message tone="error" words={error.said} />
      </main>
    ) : (
      <Waiting />
    )
  if (plan.cases.length === 0) return <Nothing plan={plan} />
  return <Plan plan={plan} now={now} days={days} onDays={setDays} />
}

/** An empty lab, or one in which everything is held. */
function Nothing({ plan }: { plan: PlanShown }) {
  return (
    <main className="mx-auto grid max-w-3xl gap-4 p-8">
      <h1 className="text-[2.75rem] leading-none font-bold">Plan</h1>
      <p className="text-lg">
        {!plan.makesPlans
          ? 'This server makes no plan: the bench goes by the due dates.'
          : plan.madeAt === null
            ? 'The first plan is being made.'
            : plan.notPlanned.length > 0
              ? `Nothing can be planned: ${plan.notPlanned.map(({ docket, why }) => `${docket} ${notPlannedWords[why]}`).join(', ')}.`
              : 'Nothing is in work. A case that is taken in is planned at once.'}
      </p>
      <Link to="/cases/new" className="act-main justify-self-start">
        Take in a case
      </Link>
    </main>
  )
}
const notPlannedWords = { held: 'is on hold', noPlace: 'has no place', damaged: 'cannot be read' } as const

interface PlanProps {
  readonly plan: PlanShown
  readonly now: number
  readonly days: Zoom
  readonly onDays: (days: Zoom) => void
}

function Plan({ plan, now, days, onDays }: PlanProps) {
  const { person } = useSession()
  const mayMove = person !== undefined && person !== null && mayDo(person.role, 'decide')
  const [barId, setBarId] = useState<string>()
  const [lateId, setLateId] = useState<string>()
  const [promising, setPromising] = useState(false)
  const [showPlaces, setShowPlaces] = useState(false)
  const { refusal, run } = useRequest()
  const bar = plan.bars.find(({ id }) => id === barId)
  const late = plan.late.find(({ caseId }) => caseId === (lateId ?? bar?.caseId)) ?? plan.late[0]
  const chosen = bar?.caseId ?? (lateId ? late?.caseId : undefined) ?? late?.caseId
  const lateCount = plan.cases.filter(({ endsAt, dueAt }) => endsAt > dueAt).length
  const move = ({ bar: moved, at, personId }: Moved) =>
    run(async () => {
      const { caseId, jobId, steps } = moved
      await request('POST /plan/pins', {
        body: {
          caseId,
          jobId,
          stepId: steps[0]!.stepId,
          ...(at === moved.at ? {} : { at: new Date(at).toISOString() }),
          ...(personId === '' || personId === moved.personId ? {} : { personId }),
          ...(at === moved.at && (personId === '' || personId === moved.personId)
            ? { at: new Date(at).toISOString() }
            : {}),
        },
      })
      await freshen('GET /plan')
    })
  const unpin = ({ caseId, jobId, steps }: PlanBar) =>
    run(async () => {
      await request('POST /plan/unpin', { body: { caseId, jobId, stepId: steps[0]!.stepId } })
      await freshen('GET /plan')
    })
  const setPriority = (caseId: string, priority: Priority) =>
    run(async () => {
      await request('PUT /plan/priority/:caseId', { path: { caseId }, body: { priority } })
      await freshen('GET /plan')
    })
  return (
    <main className="mx-auto flex max-w-[1700px] flex-col gap-2.5 p-4 py-3 xl:h-dvh xl:min-h-[740px]">
      <header className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <h1 className="text-[2.25rem] leading-none font-bold">Plan</h1>
        <p className="figures">
          {shortDate(now)} · {plan.cases.length} cases, {lateCount === 0 ? 'none late' : `${lateCount} late`}{' '}
          · {plan.madeAt === null ? 'being made' : `made ${clockTime(plan.madeAt)}`}
          {plan.isSearching && ', getting better'}
        </p>
        <span className="ml-auto flex flex-wrap gap-2">
          {zooms.map(([value, name]) => (
            <button
              key={value}
              type="button"
              className={`small-act ${value === days ? 'btn-neutral' : ''}`}
              aria-pressed={value === days}
              onClick={() => onDays(value)}
            >
              {name}
            </button>
          ))}
          <button type="button" className="small-act" onClick={() => setPromising(true)}>
            Promise a date
          </button>
          <PlanMenu
            showPlaces={showPlaces}
            onPlaces={() => setShowPlaces(!showPlaces)}
            mayDecide={mayMove}
            onAnew={() => void run(() => request('POST /plan/anew'))}
          />
        </span>
      </header>
      {refusal && <Message tone="error" words={refusal} />}
      {late ? (
        <LateCard
          late={plan.late}
          cases={plan.cases}
          shown={late}
          now={now}
          onShow={(caseId) => {
            setBarId(undefined)
            setLateId(caseId)
          }}
        />
      ) : (
        <p className="card-flat text-success px-5 py-3 text-lg font-semibold">
          Everything is ready when due, as planned.
        </p>
      )}
      <section
        className="card-flat isolate flex min-h-80 grow flex-col overflow-hidden p-3 xl:min-h-0"
        aria-label="The days"
      >
        <PlanRail
          plan={plan}
          now={now}
          chosen={chosen}
          lit={bar !== undefined || lateId !== undefined}
          onChoose={(next) => setBarId(next.id)}
          onMove={(moved) => void move(moved)}
          mayMove={mayMove}
          showPlaces={showPlaces}
        />
      </section>
      <div className="grid gap-3 xl:h-[13.75rem] xl:shrink-0 xl:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]">
        {bar ? (
          <BarCard
            bar={bar}
            plan={plan}
            now={now}
            mayMove={mayMove}
            onMove={(moved) => void move(moved)}
            onUnpin={(each) => void unpin(each)}
            onPriority={(caseId, priority) => void setPriority(caseId, priority)}
            onClose={() => setBarId(undefined)}
          />
        ) : (
          <TonightCard tonight={plan.tonight} now={now} />
        )}
        <WhatIfCard plan={plan} now={now} />
      </div>
      {plan.notPlanned.length > 0 && (
        <p className="px-1 text-sm">
          Not planned:{' '}
          {plan.notPlanned.map(({ docket, caseId, why }, n) => (
            <span key={caseId}>
              {n > 0 && ', '}
              <Link className="underline" to={`/case/${caseId}`}>
                {docket}
              </Link>{' '}
              {notPlannedWords[why]}
            </span>
          ))}
        </p>
      )}
      {promising && <PromiseSheet now={now} onClose={() => setPromising(false)} />}
    </main>
  )
}
