import { type PlanPerson, type Skill, skillNames, skills, usualPerson, type WeekHours } from '@yentrik/core'
import { useState } from 'react'
import { useNow } from '../live/lab-clock.ts'
import { freshen, useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { SelectField } from '../parts/Choices.tsx'
import { FileButton } from '../parts/FileButton.tsx'
import { Message } from '../parts/Message.tsx'
import { Spells } from '../parts/Spells.tsx'
import { TextField } from '../parts/TextField.tsx'
import { useSession } from '../session/session.ts'

const days = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'] as const
const weekdays = [1, 2, 3, 4, 5, 6, 0] as const

/** What everybody can do and when they are there: for the lead, who plans by it. */
export function PlanPeoplePanel() {
  const { person } = useSession()
  return person?.role === 'lead' ? <Panel /> : null
}

function Panel() {
  const { data: people = [] } = useAnswer('GET /people')
  const { data: settings } = useAnswer('GET /plan/settings')
  const here = people.filter(({ retiredAt, role }) => !retiredAt && role !== 'reader')
  const [who, setWho] = useState('')
  const chosen = here.find(({ personId }) => personId === who) ?? here[0]
  if (!settings || !chosen) return null
  return (
    <section className="card-flat grid gap-4 p-6" aria-label="Skills and hours">
      <h2 className="text-xl font-semibold">Skills and hours</h2>
      <p>The plan gives everybody only what they can do, in the hours in which they are there.</p>
      <SelectField
        label="Who"
        options={here.map(({ personId, name }) => [personId, name] as const)}
        value={chosen.personId}
        onChoose={setWho}
      />
      <PersonForm
        key={chosen.personId}
        personId={chosen.personId}
        stored={settings.people[chosen.personId] ?? usualPerson}
      />
      <Holidays days={settings.holidays} />
    </section>
  )
}

function PersonForm({ personId, stored }: { personId: string; stored: PlanPerson }) {
  const [person, setPerson] = useState(stored)
  const [words, setWords] = useState(() => hoursWords(stored.hours))
  const [fault, setFault] = useState<string>()
  const [taken, setTaken] = useState<number>()
  const { refusal, run } = useRequest()
  const now = useNow()
  const store = () =>
    run(async () => {
      const hours = hoursOf(words)
      if (hours === 'unclear')
        return setFault('Write the hours of a day as 07:30-12:00, 12:30-17:00; an empty day is free.')
      setFault(undefined)
      const { hours: _, ...rest } = person
      await request('PUT /plan/people/:personId', {
        path: { personId },
        body: hours === undefined ? rest : { ...rest, hours },
      })
      await freshen('GET /plan/settings')
    })
  const takeFile = (text: string) =>
    run(async () => {
      const { taken: count } = await request('POST /plan/calendar', { body: { personId, calendar: text } })
      setTaken(count)
      await freshen('GET /plan/settings')
      const next = (await request('GET /plan/settings')).people[personId]
      if (next) setPerson((before) => ({ ...before, away: next.away }))
    })
  const toggle = (skill: Skill) =>
    setPerson((before) => ({
      ...before,
      skills: before.skills.includes(skill)
        ? before.skills.filter((each) => each !== skill)
        : [...before.skills, skill],
    }))
  return (
    <div className="grid gap-3">
      <fieldset>
        <legend className="mb-1 font-semibold">Can do</legend>
        <div className="flex flex-wrap gap-2">
          {skills.map((skill) => (
            <button
              key={skill}
              type="button"
              className={`small-act ${person.skills.includes(skill) ? 'btn-primary' : ''}`}
              aria-pressed={person.skills.includes(skill)}
              onClick={() => toggle(skill)}
            >
              {skillNames[skill]}
            </button>
          ))}
        </div>
      </fieldset>
      <fieldset className="grid gap-x-3 sm:grid-cols-2">
        <legend className="mb-1 font-semibold">Hours of the week; all empty: those of the lab</legend>
        {weekdays.map((day) => (
          <TextField
            key={day}
            label={days[day]}
            text={words[day] ?? ''}
            onText={(text) => setWords((before) => ({ ...before, [day]: text }))}
          />
        ))}
      </fieldset>
      {fault && <Message tone="error">{fault}</Message>}
      <Spells
        title="Days off"
        spells={person.away}
        onSpells={(away) => setPerson((before) => ({ ...before, away }))}
        why="What for"
        now={now}
      />
      <span>
        <FileButton accept=".ics,text/calendar" onFile={(file) => void file.text().then(takeFile)}>
          Days off from a calendar (.ics)
        </FileButton>
      </span>
      {taken !== undefined && <p aria-live="polite">{taken} taken over.</p>}
      {refusal && <Message tone="error" words={refusal} />}
      <button type="button" className="act-main justify-self-start" onClick={() => void store()}>
        Store skills and hours
      </button>
    </div>
  )
}

function Holidays({ days: stored }: { days: readonly { readonly day: string; readonly name: string }[] }) {
  const [day, setDay] = useState('')
  const [name, setName] = useState('')
  const { refusal, run } = useRequest()
  const store = (holidays: typeof stored) =>
    run(async () => {
      await request('PUT /plan/holidays', { body: { holidays } })
      await freshen('GET /plan/settings')
    })
  return (
    <fieldset className="border-base-300 grid gap-2 border-t pt-3">
      <legend className="pr-2 font-semibold">The lab is closed</legend>
      <ul>
        {stored.map((each) => (
          <li key={each.day} className="flex min-h-11 items-center justify-between gap-2">
            <span className="figures">
              {each.day} {each.name}
            </span>
            <button
              type="button"
              className="small-act"
              aria-label={`Open on ${each.day}`}
              onClick={() => void store(stored.filter((other) => other.day !== each.day))}
            >
              Take off
            </button>
          </li>
        ))}
      </ul>
      <div className="grid grid-cols-2 gap-x-3">
        <TextField label="Closed on" type="date" text={day} onText={setDay} />
        <TextField label="Name of the day" text={name} onText={setName} />
      </div>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="act"
          disabled={day === ''}
          onClick={() => {
            void store([...stored.filter((each) => each.day !== day), { day, name: name.trim() || 'closed' }])
            setDay('')
            setName('')
          }}
        >
          Close that day
        </button>
        <FileButton
          accept=".ics,text/calendar"
          onFile={(file) =>
            void run(async () => {
              await request('POST /plan/calendar', { body: { calendar: await file.text() } })
              await freshen('GET /plan/settings')
            })
          }
        >
          Holidays from a calendar (.ics)
        </FileButton>
      </div>
      {refusal && <Message tone="error" words={refusal} />}
    </fieldset>
  )
}

const two = (n: number) => String(n).padStart(2, '0')
const clock = (minute: number) => `${two(Math.floor(minute / 60))}:${two(minute % 60)}`

/** The stretches of each weekday as they are written. */
export function hoursWords(hours: WeekHours | undefined): Record<number, string> {
  const words: Record<number, string> = {}
  for (const { weekday, opensMinute, closesMinute } of hours ?? [])
    words[weekday] = [
      ...(words[weekday] ? [words[weekday]] : []),
      `${clock(opensMinute)}-${clock(closesMinute)}`,
    ].join(', ')
  return words
}

/** What was written, as hours; undefined: those of the lab. */
export function hoursOf(words: Readonly<Record<number, string>>): WeekHours | undefined | 'unclear' {
  const hours: { weekday: number; opensMinute: number; closesMinute: number }[] = []
  for (const [weekday, text] of Object.entries(words)) {
    for (const stretch of text
      .split(',')
      .map((each) => each.trim())
      .filter((each) => each !== '')) {
      const found = /^(\d{1,2}):(\d{2})\s*[-–]\s*(\d{1,2}):(\d{2})$/.exec(stretch)
      if (!found) return 'unclear'
      const [, a, b, c, d] = found.map(Number) as [number, number, number, number, number]
      if (a > 24 || c > 24 || b > 59 || d > 59) return 'unclear'
      hours.push({ weekday: Number(weekday), opensMinute: a * 60 + b, closesMinute: c * 60 + d })
    }
  }
  return hours.length === 0 ? undefined : hours
}
