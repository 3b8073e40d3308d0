import type { LabSettings } from '@yentrik/contract'
import { routeTemplates } from '@yentrik/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { useEntryForm } from '../form/entry-form.ts'
import { FormText } from '../form/fields.tsx'
import { clockTime } from '../format/format.ts'
import { useLabClock, useNow } from '../live/lab-clock.ts'
import { freshen, keepAnswer, useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Pills, SelectField } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { type Preferences, usePreferences } from '../preferences/preferences.ts'
import { useSession } from '../session/session.ts'
import { BackupsPanel } from './BackupsPanel.tsx'
import { NetworkPanel } from './NetworkPanel.tsx'
import { OwnMinutesPanel } from './OwnMinutesPanel.tsx'
import { PeoplePanel, SessionsPanel } from './PeoplePanel.tsx'
import { PlanPeoplePanel } from './PlanPeoplePanel.tsx'

/** How this screen shows things, who is here, and what the lab usually does. */
export function SettingsScreen() {
  const preferences = usePreferences()
  const set = (change: Partial<Preferences>) => usePreferences.setState(change)
  return (
    <main className="mx-auto max-w-6xl p-6">
      <h1 className="mb-5 text-3xl font-bold">Settings</h1>
      <div className="grid items-start gap-5 lg:grid-cols-2">
        <div className="grid gap-5">
          <section className="card-flat grid gap-5 p-6">
            <h2 className="text-xl font-semibold">This screen</h2>
            <Pills
              label="Light"
              value={preferences.theme}
              onChoose={(theme) => set({ theme })}
              options={[
                ['system', 'As the machine'],
                ['plaster', 'Plaster'],
                ['nightbench', 'Night bench'],
              ]}
            />
            <Pills
              label="Units"
              value={preferences.units}
              onChoose={(units) => set({ units })}
              options={[
                ['metric', 'Metric'],
                ['us', 'Inch, °F, psi'],
              ]}
            />
            <Pills
              label="Tooth numbers"
              value={preferences.teeth}
              onChoose={(teeth) => set({ teeth })}
              options={[
                ['fdi', 'ISO 3950 (11-48)'],
                ['universal', 'Universal (1-32)'],
              ]}
            />
            <Pills
              label="Alarm"
              value={preferences.sound ? 'on' : 'off'}
              onChoose={(sound) => set({ sound: sound === 'on' })}
              options={[
                ['on', 'Sounds'],
                ['off', 'Silent'],
              ]}
            />
          </section>
          <LabOnPapers />
          <BackupsPanel />
          <NetworkPanel />
        </div>
        <div className="grid gap-5">
          <Who />
          <ClockControl />
          <PeoplePanel />
          <PlanPeoplePanel />
          <OwnMinutesPanel />
          <SessionsPanel />
          <section className="card-flat flex flex-wrap items-center justify-between gap-4 p-6">
            <p>Codes for start, done, not now, fault and weigh.</p>
            <Link to="/papers/commands" className="act">
              Command sheet
            </Link>
          </section>
        </div>
      </div>
      <LabVariants />
    </main>
  )
}

function Who() {
  const session = useSession()
  const { refusal: fault, run } = useRequest()
  const change = (work: () => Promise<unknown>) =>
    run(async () => {
      await work()
      await freshen('GET /session')
    })
  return (
    <section className="card-flat p-6">
      <h2 className="mb-3 text-xl font-semibold">At the bench: {session.person?.name}</h2>
      {session.demo ? (
        <Pills
          label="In the demo anyone may take a place"
          value={session.person?.name ?? ''}
          options={session.names.map((name) => [name, name] as const)}
          onChoose={(name) => change(() => request('POST /session', { body: { name, passphrase: '' } }))}
        />
      ) : (
        <button type="button" className="act" onClick={() => change(() => request('DELETE /session'))}>
          Sign out
        </button>
      )}
      {fault && <Message tone="error" words={fault} />}
    </section>
  )
}

/** In the demo, time can be helped along: nobody waits 45 min to see a cast come good. */
function ClockControl() {
  const clock = useLabClock()
  const now = useNow()
  if (!clock.mayBeMoved) return null
  const move = (speed: number, forwardMinutes: number) =>
    request('POST /clock', { body: { speed, forwardMinutes } })
  return (
    <section className="card-flat p-6">
      <h2 className="mb-3 text-xl font-semibold">
        Demo clock: <output className="figures">{clockTime(now)}</output>
        {clock.speed > 1 && `, ${clock.speed} times as fast`}
      </h2>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="small-act" onClick={() => move(clock.speed, 10)}>
          10 min on
        </button>
        <button type="button" className="small-act" onClick={() => move(clock.speed, 60)}>
          1 h on
        </button>
        <button type="button" className="small-act" onClick={() => move(clock.speed === 1 ? 60 : 1, 0)}>
          {clock.speed === 1 ? '60 times as fast' : 'Normal speed'}
        </button>
      </div>
    </section>
  )
}

/** How the lab signs: on statements and papers. */
function LabOnPapers() {
  const { data: lab } = useAnswer('GET /lab')
  return lab ? <LabForm lab={lab} /> : null
}

function LabForm({ lab }: { lab: LabSettings }) {
  const [stored, setStored] = useState(false)
  const form = useEntryForm({
    draftKey: 'lab on papers',
    start: () => ({ labName: lab.labName, address: lab.address }),
    check: ({ labName }) => ({ labName: labName.trim() === '' ? 'Enter the name of the lab.' : undefined }),
    store: async ({ labName, address }) => {
      const { variants } = lab
      setStored(true)
      keepAnswer(
        'GET /lab',
        await request('PUT /lab', { body: { labName: labName.trim(), address, variants } }),
      )
    },
    keeps: (values) => values,
  })
  return (
    <section className="card-flat p-6" aria-label="The lab on papers">
      <h2 className="mb-3 text-xl font-semibold">The lab on papers</h2>
      <form noValidate className="grid gap-3" onSubmit={form.submit}>
        <FormText form={form} name="labName" label="Name" />
        <FormText form={form} name="address" label="Address" />
        {form.fault && <Message tone="error">{form.fault}</Message>}
        <div className="flex items-center gap-3">
          <button type="submit" className="act" disabled={form.busy}>
            Store
          </button>
          {stored && !form.busy && !form.fault && <Message tone="good">Stored.</Message>}
        </div>
      </form>
    </section>
  )
}

function LabVariants() {
  const { data: lab } = useAnswer('GET /lab')
  const { refusal: fault, run } = useRequest()
  if (!lab) return null
  const { labName, variants } = lab
  const choose = (templateId: string, matter: string, choice: string) =>
    run(async () => {
      const changed = { ...variants, [templateId]: { ...variants[templateId], [matter]: choice } }
      keepAnswer('GET /lab', await request('PUT /lab', { body: { labName, variants: changed } }))
    })
  return (
    <section className="card-flat mt-5 p-6">
      <h2 className="text-xl font-semibold">How {labName} does it</h2>
      <p className="mb-4">
        Where practitioners differ. A case may choose otherwise; the record says which was used.
      </p>
      {fault && <Message tone="error" words={fault} />}
      {[...routeTemplates.values()].map((template) => (
        <div key={template.id} className="mb-5">
          <h3 className="mb-3 text-lg font-semibold">{template.name}</h3>
          <div className="grid gap-4 md:grid-cols-2 xl:grid-cols-3">
            {template.matters
              .filter((matter) => matter.id !== 'arch')
              .map((matter) => (
                <SelectField
                  key={matter.id}
                  label={matter.name}
                  options={matter.choices.map((choice) => [choice.id, choice.name])}
                  value={variants[template.id]?.[matter.id] ?? matter.usual}
                  onChoose={(choice) => choose(template.id, matter.id, choice)}
                  hint={matter.why}
                />
              ))}
          </div>
        </div>
      ))}
    </section>
  )
}
