import type { PersonOnList } from '@yentrik/contract'
import { type Role, rights } from '@yentrik/core'
import { useState } from 'react'
import { useEntryForm } from '../form/entry-form.ts'
import { FormText } from '../form/fields.tsx'
import { dateAndTime, shortDate } from '../format/format.ts'
import { freshen, useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { SelectField } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { isPin, useSession } from '../session/session.ts'

const roleNames: Readonly<Record<Role, string>> = {
  lead: 'Lead',
  technician: 'Technician',
  learner: 'Learner',
  reader: 'Only reads',
}

/** Who works here: for the lead alone. */
export function PeoplePanel() {
  const { person, demo } = useSession()
  return person?.role === 'lead' && !demo ? <People me={person.personId} /> : null
}

function People({ me }: { me: string }) {
  const { data: people = [] } = useAnswer('GET /people')
  const [leaving, setLeaving] = useState<PersonOnList>()
  const { refusal, run } = useRequest()
  const retire = (person: PersonOnList) =>
    run(async () => {
      await request('POST /people/:personId/retire', { path: { personId: person.personId } })
      setLeaving(undefined)
      await freshen('GET /people', 'GET /session', 'GET /sessions')
    })
  return (
    <section className="card-flat grid gap-4 p-6" aria-label="People">
      <h2 className="text-xl font-semibold">People</h2>
      <ul className="grid gap-2">
        {people.map((person) => (
          <li key={person.personId} className="flex min-h-11 flex-wrap items-center justify-between gap-3">
            <span className={person.retiredAt ? 'opacity-60' : ''}>
              <b>{person.name}</b>, {roleNames[person.role].toLowerCase()}
              {person.retiredAt && `, left ${shortDate(Date.parse(person.retiredAt))}`}
            </span>
            {!person.retiredAt &&
              person.personId !== me &&
              (leaving?.personId === person.personId ? (
                <span className="flex flex-wrap gap-2">
                  <button type="button" className="small-act" onClick={() => retire(person)}>
                    {person.name} has left
                  </button>
                  <button type="button" className="small-act" onClick={() => setLeaving(undefined)}>
                    No, stays
                  </button>
                </span>
              ) : (
                <button type="button" className="small-act" onClick={() => setLeaving(person)}>
                  Leaves the lab
                </button>
              ))}
          </li>
        ))}
      </ul>
      {leaving && (
        <p className="text-sm">
          They sign in no more and their open benches are locked. Their name stays on the record.
        </p>
      )}
      {refusal && <Message tone="error" words={refusal} />}
      <NewPerson />
    </section>
  )
}

function NewPerson() {
  const [role, setRole] = useState<Role>('technician')
  const form = useEntryForm({
    start: () => ({ name: '', passphrase: '' }),
    check: ({ name, passphrase }) => ({
      name: name.trim() === '' ? 'Enter a first name.' : undefined,
      passphrase: passphrase === '' ? 'Enter a passphrase to begin with.' : undefined,
    }),
    store: async ({ name, passphrase }) => {
      await request('POST /people', { body: { name: name.trim(), role, passphrase } })
      await freshen('GET /people', 'GET /session')
    },
  })
  return (
    <form noValidate className="border-base-300 grid gap-3 border-t pt-4" onSubmit={form.submit}>
      <h3 className="font-semibold">Somebody new</h3>
      <FormText form={form} name="name" label="First name" />
      <SelectField
        label="Role"
        options={Object.entries(roleNames) as [Role, string][]}
        value={role}
        onChoose={setRole}
      />
      <ul className="list-disc pl-5 text-sm" aria-label="May">
        {Object.values(rights)
          .filter(({ roles }) => (roles as readonly Role[]).includes(role))
          .map(({ may }) => (
            <li key={may}>{may}</li>
          ))}
      </ul>
      <FormText
        form={form}
        name="passphrase"
        label="Passphrase to begin with"
        type="password"
        hint="Twelve letters or more; they change it under Settings."
      />
      {form.fault && <Message tone="error">{form.fault}</Message>}
      <button type="submit" className="act justify-self-start" disabled={form.busy}>
        Add
      </button>
    </form>
  )
}

/** One's own passphrase and open benches; the lead sees all of them. */
export function SessionsPanel() {
  const { person, demo } = useSession()
  return person && !demo ? <OpenSessions lead={person.role === 'lead'} /> : null
}

function OpenSessions({ lead }: { lead: boolean }) {
  const { data: sessions = [] } = useAnswer('GET /sessions')
  const { refusal, run } = useRequest()
  const end = (sessionId: string) =>
    run(async () => {
      await request('DELETE /sessions/:sessionId', { path: { sessionId } })
      await freshen('GET /sessions')
    })
  return (
    <section className="card-flat grid gap-4 p-6" aria-label="Open benches">
      <h2 className="text-xl font-semibold">{lead ? 'Open benches' : 'Where you are signed in'}</h2>
      <ul className="grid gap-2">
        {sessions.map(({ sessionId, name, usedAt, address, mine }) => (
          <li key={sessionId} className="flex min-h-11 flex-wrap items-center justify-between gap-3">
            <span>
              <b>{name}</b>, {address || 'unknown address'}, used {dateAndTime(Date.parse(usedAt))}
              {mine && ', this bench'}
            </span>
            {!mine && (
              <button type="button" className="small-act" onClick={() => end(sessionId)}>
                Sign out there
              </button>
            )}
          </li>
        ))}
      </ul>
      {refusal && <Message tone="error" words={refusal} />}
      <NewPin />
      <NewPassphrase />
    </section>
  )
}

/** The quick way back to a tablet that is handed round. */
function NewPin() {
  const [until, setUntil] = useState<number>()
  const form = useEntryForm({
    start: () => ({ pin: '' }),
    check: ({ pin }) => ({ pin: isPin(pin) ? undefined : 'Take four to eight digits.' }),
    store: async (body) => {
      setUntil(undefined)
      setUntil(Date.parse((await request('PUT /session/pin', { body })).until))
    },
  })
  return (
    <form noValidate className="border-base-300 grid gap-3 border-t pt-4" onSubmit={form.submit}>
      <h3 className="font-semibold">A PIN for this bench, today</h3>
      <FormText
        form={form}
        name="pin"
        label="PIN"
        type="password"
        inputMode="numeric"
        hint="Four to eight digits. Signed out here, you come back with it; three wrong ones want the passphrase."
      />
      {form.fault && <Message tone="error">{form.fault}</Message>}
      <div className="flex items-center gap-3">
        <button type="submit" className="act" disabled={form.busy}>
          Keep the PIN
        </button>
        {until !== undefined && (
          <Message tone="good">It opens this bench for you until {dateAndTime(until)}.</Message>
        )}
      </div>
    </form>
  )
}

function NewPassphrase() {
  const [stored, setStored] = useState(false)
  const form = useEntryForm({
    start: () => ({ old: '', passphrase: '' }),
    check: ({ old, passphrase }) => ({
      old: old === '' ? 'Enter the passphrase of now.' : undefined,
      passphrase: passphrase === '' ? 'Enter a new one.' : undefined,
    }),
    store: async (body) => {
      setStored(false)
      await request('PUT /session/passphrase', { body })
      setStored(true)
      await freshen('GET /sessions')
    },
  })
  return (
    <form noValidate className="border-base-300 grid gap-3 border-t pt-4" onSubmit={form.submit}>
      <h3 className="font-semibold">Change the passphrase</h3>
      <FormText form={form} name="old" label="Passphrase of now" type="password" />
      <FormText
        form={form}
        name="passphrase"
        label="New passphrase"
        type="password"
        hint="Twelve letters or more: four or five words are good."
      />
      {form.fault && <Message tone="error">{form.fault}</Message>}
      <div className="flex items-center gap-3">
        <button type="submit" className="act" disabled={form.busy}>
          Change
        </button>
        {stored && <Message tone="good">Changed. Other benches are signed out.</Message>}
      </div>
    </form>
  )
}
