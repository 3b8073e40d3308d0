import type { PlanBar, PlanCase, PlanShown } from '@yentrik/contract'
import { type Priority, priorities, priorityNames } from '@yentrik/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { clockTime, dayAndTime } from '../format/format.ts'
import { Pills, SelectField } from '../parts/Choices.tsx'
import { dateText, instantOf, timeText } from '../parts/date-entry.ts'
import { TextField } from '../parts/TextField.tsx'
import type { Moved } from './PlanRail.tsx'
import { lateWords, MINUTE, span } from './plan-words.ts'

interface BarCardProps {
  readonly bar: PlanBar
  readonly plan: PlanShown
  readonly now: number
  readonly mayMove: boolean
  readonly onMove: (moved: Moved) => void
  readonly onUnpin: (bar: PlanBar) => void
  readonly onPriority: (caseId: string, priority: Priority) => void
  readonly onClose: () => void
}

/** One bar and its case: the stops to come by the clock, and where this one is to be. */
export function BarCard({ bar, plan, now, mayMove, onMove, onUnpin, onPriority, onClose }: BarCardProps) {
  const one = plan.cases.find(({ caseId }) => caseId === bar.caseId)
  const stops = plan.bars
    .filter(({ caseId, until, part }) => caseId === bar.caseId && until >= now && part !== 'wait')
    .sort((a, b) => a.at - b.at)
  const nameOf = (personId: string | undefined) => plan.people.find(({ id }) => id === personId)?.name
  return (
    <section className="card-flat flex min-h-0 flex-col gap-2 overflow-y-auto p-4" aria-label="This work">
      <div className="flex items-start justify-between gap-3">
        <div>
          <h2 className="text-xl font-semibold">
            <Link className="figures underline" to={`/case/${bar.caseId}`}>
              {bar.docket}
            </Link>{' '}
            {one?.jobName}
          </h2>
          {one && <Standing one={one} now={now} />}
        </div>
        <button type="button" className="small-act" onClick={onClose}>
          Close
        </button>
      </div>
      <ol className="flex flex-wrap gap-x-4 gap-y-1" aria-label="Stops to come">
        {stops.slice(0, 12).map((stop) => (
          <li
            key={stop.id}
            className={`leading-tight ${stop.id === bar.id ? 'border-primary border-l-4 pl-2' : ''}`}
          >
            <b className="figures">{dayAndTime(stop.at, now)}</b>{' '}
            <span className="block text-sm">
              {stop.steps[0]?.name}
              {stop.part === 'run' ? `, until ${clockTime(stop.until)}` : ''}
              {nameOf(stop.personId) ? `, ${nameOf(stop.personId)}` : ''}
            </span>
          </li>
        ))}
      </ol>
      {mayMove && one && (
        <Pills
          label="How soon"
          value={String(one.priority) as `${Priority}`}
          options={priorities.map((each) => [String(each) as `${Priority}`, priorityNames[each]] as const)}
          onChoose={(value) => onPriority(bar.caseId, Number(value) as Priority)}
        />
      )}
      {mayMove && bar.personId !== undefined && !bar.begun && (
        <PinForm key={bar.id} bar={bar} plan={plan} now={now} onMove={onMove} onUnpin={onUnpin} />
      )}
    </section>
  )
}

function Standing({ one, now }: { one: PlanCase; now: number }) {
  const late = one.endsAt > one.dueAt
  return (
    <p className="figures">
      out <b>{dayAndTime(one.endsAt, now)}</b>, due {dayAndTime(one.dueAt, now)}
      {late ? (
        <b className="text-error"> · {lateWords((one.endsAt - one.dueAt) / MINUTE)}</b>
      ) : (
        <span> · {span((one.dueAt - one.endsAt) / MINUTE)} to spare</span>
      )}
      {one.chance !== undefined && <span> · on time in {Math.round(100 * one.chance)} of 100</span>}
      {one.broken && (
        <span className="text-warning block">
          Too long already before: {one.broken.map(({ name }) => name).join(', ')}. Decide in the case.
        </span>
      )}
      {one.pinLost && (
        <span className="text-warning block">
          A pin of it cannot be kept: take it off, or choose another time.
        </span>
      )}
    </p>
  )
}

function PinForm({
  bar,
  plan,
  now,
  onMove,
  onUnpin,
}: Pick<BarCardProps, 'bar' | 'plan' | 'now' | 'onMove' | 'onUnpin'>) {
  const [day, setDay] = useState(dateText(bar.at))
  const [time, setTime] = useState(timeText(bar.at))
  const [person, setPerson] = useState(bar.personId ?? '')
  const [fault, setFault] = useState<string>()
  const pin = () => {
    const at = instantOf(day, time)
    if (at === undefined) return setFault('Enter a day and a time.')
    if (at < now - MINUTE) return setFault('That time is past: choose one that is still to come.')
    setFault(undefined)
    onMove({ bar, at, personId: person })
  }
  return (
    <form
      className="border-base-300 grid grid-cols-2 items-end gap-x-3 border-t pt-2 sm:grid-cols-4"
      onSubmit={(event) => {
        event.preventDefault()
        pin()
      }}
    >
      <TextField label="Pin to the day" type="date" text={day} onText={setDay} />
      <TextField label="at the time" type="time" text={time} onText={setTime} fault={fault} />
      <SelectField
        label="in the hands of"
        options={plan.people.map(({ id, name }) => [id, name] as const)}
        value={person}
        onChoose={setPerson}
      />
      <span className="flex gap-2">
        <button type="submit" className="small-act">
          Pin it
        </button>
        {bar.pinned && (
          <button type="button" className="small-act" onClick={() => onUnpin(bar)}>
            Unpin
          </button>
        )}
      </span>
    </form>
  )
}
