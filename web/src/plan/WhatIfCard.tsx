import type { PlanDocument, PlanShown } from '@yentrik/contract'
import { type EndThen, type TriedOut, usualPerson, type WhatIf } from '@yentrik/core'
import { useState } from 'react'
import { dayAndTime } from '../format/format.ts'
import { freshen, useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { SelectField } from '../parts/Choices.tsx'
import { dateText, instantOf } from '../parts/date-entry.ts'
import { Message } from '../parts/Message.tsx'
import { TextField } from '../parts/TextField.tsx'
import { useWorker } from '../worker/use-worker.ts'
import { shareWorker } from '../worker/worker.ts'
import type { PlanWork } from './plan.worker.ts'
import { MINUTE, span } from './plan-words.ts'
import { ThinPath } from './ThinPath.tsx'

const give = shareWorker<PlanWork>(
  () => new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' }),
)
type Kind = WhatIf['kind']
const kinds: readonly (readonly [Kind, string])[] = [
  ['machineDown', 'A machine is out of order'],
  ['personAway', 'Somebody is away'],
  ['rush', 'A case becomes a rush'],
  ['oneMore', 'One more of a machine'],
]
const MOST_NAMED = 4

/** Tries something out on the plan: both plans side by side, what gains and what loses; then take it or leave it. */
export function WhatIfCard({ plan, now }: { plan: PlanShown; now: number }) {
  const { data: document } = useAnswer('GET /plan/document')
  const [kind, setKind] = useState<Kind>('machineDown')
  const [who, setWho] = useState('')
  const [until, setUntil] = useState(() => dateText(now + 2 * 86_400_000))
  const [asked, setAsked] = useState<WhatIf>()
  const { refusal, run } = useRequest()
  const options = optionsOf(kind, plan)
  const chosen = options.find(([value]) => value === who)?.[0] ?? options[0]?.[0] ?? ''
  const tried = useWorker(
    document && asked ? { instance: document.instance, plan: document.plan, what: asked } : undefined,
    (question) => give((remote) => remote.tryOut(question)),
    { keeps: false },
  )
  const end = instantOf(until, '17:00')
  const tryIt = () => {
    if (!document || chosen === '') return
    setAsked(whatOf(kind, chosen, document, now, end ?? now + 86_400_000))
  }
  const take = () =>
    run(async () => {
      await takeIt(kind, chosen, now, end ?? now + 86_400_000)
      await freshen('GET /plan', 'GET /plan/document', 'GET /plan/settings', 'GET /equipment')
      setAsked(undefined)
    })
  const found = tried?.answer
  return (
    <section
      className="card-flat flex min-h-0 flex-col gap-1.5 overflow-y-auto px-4 py-3"
      aria-label="What if"
    >
      <h2 className="text-xl font-semibold">What if</h2>
      {!asked && (
        <div className="grid grid-cols-2 gap-x-3 gap-y-1">
          <SelectField
            label="Suppose"
            options={kinds}
            value={kind}
            onChoose={(next) => {
              setKind(next)
              setWho('')
            }}
          />
          <SelectField label="Which" options={options} value={chosen} onChoose={setWho} />
          {(kind === 'machineDown' || kind === 'personAway') && (
            <TextField label="Until the evening of" type="date" text={until} onText={setUntil} />
          )}
          <button
            type="button"
            className="act self-end justify-self-start"
            onClick={tryIt}
            disabled={!document || chosen === ''}
          >
            Try it
          </button>
        </div>
      )}
      {asked && !tried && <p aria-live="polite">Planning again, as it would be.</p>}
      {tried?.refusal && <Message tone="error" words={tried.refusal} />}
      {asked && found && document && (
        <>
          <div className="flex flex-wrap gap-2">
            {kind !== 'oneMore' && (
              <button type="button" className="small-act" onClick={take}>
                {kind === 'rush' ? 'Make it a rush' : 'It is so: plan by it'}
              </button>
            )}
            <button type="button" className="small-act" onClick={() => setAsked(undefined)}>
              Leave it
            </button>
          </div>
          <Both tried={found} document={document} now={now} />
        </>
      )}
      {refusal && <Message tone="error" words={refusal} />}
    </section>
  )
}

function Both({ tried, document, now }: { tried: TriedOut; document: PlanDocument; now: number }) {
  const clock = (minute: number) => document.base + minute * MINUTE
  const [most] = tried.outcomes
  const worse = tried.outcomes.filter((each) => each.after > each.before)
  const better = tried.outcomes.filter((each) => each.after < each.before)
  const says = ({ caseId, after, before }: EndThen) =>
    `${caseId} ${span(Math.abs(after - before))} ${after > before ? 'later' : 'sooner'}`
  return (
    <>
      {most ? (
        <>
          <ThinPath
            name="As it stands"
            caseId={most.caseId}
            instance={document.instance}
            plan={document.plan}
            base={document.base}
            now={now}
          />
          <ThinPath
            name="Then"
            caseId={most.caseId}
            instance={tried.instance}
            plan={tried.plan}
            base={document.base}
            now={now}
          />
          <p className="figures text-sm">
            {most.caseId}: out {dayAndTime(clock(most.after), now)} in place of{' '}
            {dayAndTime(clock(most.before), now)}, due {dayAndTime(clock(most.dueMinute), now)}.
          </p>
        </>
      ) : (
        <p>Nothing would end otherwise.</p>
      )}
      <p className="figures">
        <b>
          {tried.lateAfter} of {tried.plan.steps.length > 0 ? document.instance.cases.length : 0} late
        </b>
        , now {tried.lateBefore}.
        {tried.unplaced.length > 0 && ` No place at all for ${tried.unplaced.join(', ')}.`}
      </p>
      {worse.length > 0 && (
        <p className="text-sm">
          <b>Loses:</b> {worse.slice(0, MOST_NAMED).map(says).join('; ')}
          {worse.length > MOST_NAMED && ` and ${worse.length - MOST_NAMED} more`}
        </p>
      )}
      {better.length > 0 && (
        <p className="text-sm">
          <b>Gains:</b> {better.slice(0, MOST_NAMED).map(says).join('; ')}
          {better.length > MOST_NAMED && ` and ${better.length - MOST_NAMED} more`}
        </p>
      )}
    </>
  )
}

function optionsOf(kind: Kind, plan: PlanShown): readonly (readonly [string, string])[] {
  if (kind === 'personAway') return plan.people.map(({ id, name }) => [id, name])
  if (kind === 'rush') return plan.cases.map(({ docket, jobName }) => [docket, `${docket} ${jobName}`])
  return plan.machines.map(({ id, name }) => [id, name])
}

function whatOf(kind: Kind, chosen: string, { base }: PlanDocument, now: number, until: number): WhatIf {
  const minute = (ms: number) => Math.max(0, Math.round((ms - base) / MINUTE))
  const spell = { fromMinute: minute(now), untilMinute: minute(until) }
  if (kind === 'personAway') return { kind, personId: chosen, ...spell }
  if (kind === 'rush') return { kind, caseId: chosen }
  if (kind === 'oneMore') return { kind, machineId: chosen }
  return { kind, machineId: chosen, ...spell }
}

/** Puts on the lists of the lab what was only supposed. */
async function takeIt(kind: Kind, chosen: string, now: number, until: number): Promise<void> {
  const spell = { from: new Date(now).toISOString(), until: new Date(until).toISOString() }
  if (kind === 'machineDown') {
    const equipment = await request('GET /equipment')
    const piece = equipment.find(({ name }) => name === chosen)
    if (!piece) return
    const { name, ...body } = piece
    const outOfOrder = [...('outOfOrder' in body ? (body.outOfOrder ?? []) : []), spell]
    await request('PUT /equipment/:name', { path: { name }, body: { ...body, outOfOrder } as typeof body })
  } else if (kind === 'personAway') {
    const settings = await request('GET /plan/settings')
    const person = settings.people[chosen] ?? usualPerson
    await request('PUT /plan/people/:personId', {
      path: { personId: chosen },
      body: { ...person, away: [...person.away, spell] },
    })
  } else if (kind === 'rush') {
    const { caseId } = await request('GET /dockets/:docket', { path: { docket: chosen } })
    await request('PUT /plan/priority/:caseId', { path: { caseId }, body: { priority: 10 } })
  }
}
