import { routeTemplates } from '@yentrik/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { clockTime } from '../format/format.ts'
import { api, sentenceOf } from '../live/api.ts'
import { useFetched, useLive, useNow } from '../live/live-store.ts'
import { useAsking } from '../live/use-asking.ts'
import { Pills, SelectField } from '../parts/Choices.tsx'
import { TextField } from '../parts/TextField.tsx'
import { Told } from '../parts/Told.tsx'
import { type Preferences, usePreferences } from './preferences.ts'
import { useSession } from './session.ts'

interface Lab {
  readonly labName: string
  readonly address: string
  readonly variants: Readonly<Record<string, Readonly<Record<string, string>>>>
}

/** How this screen shows things, who is here, and what the lab usually does. */
export function SettingsScreen() {
  const preferences = usePreferences()
  const set = (change: Partial<Preferences>) => usePreferences.setState(change)
  return (
    <main className="mx-auto max-w-6xl p-6">
      <h1 className="mb-5 text-3xl font-bold">Settings</h1>
      <div className="grid items-start gap-5 lg:grid-cols-2">
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
        <div className="grid gap-5">
          <Who />
          <ClockControl />
          <LabOnPapers />
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
  const { told: fault, asking } = useAsking()
  const change = (work: () => Promise<unknown>) =>
    asking(async () => {
      await work()
      session.reload()
    })
  return (
    <section className="card-flat p-6">
      <h2 className="mb-3 text-xl font-semibold">At the bench: {session.person?.name}</h2>
      {session.demo ? (
        <Pills
          label="In the demo anyone may take a place"
          value={session.person?.name ?? ''}
          options={session.names.map((name) => [name, name] as const)}
          onChoose={(name) => change(() => api('/session', { body: { name, passphrase: '' } }))}
        />
      ) : (
        <button
          type="button"
          className="act"
          onClick={() => change(() => api('/session', { method: 'DELETE' }))}
        >
          Sign out
        </button>
      )}
      {fault && <Told tone="error">{fault}</Told>}
    </section>
  )
}

/** In the demo, time can be helped along: nobody waits 45 min to see a cast come good. */
function ClockControl() {
  const clock = useLive((live) => live.clock)
  const now = useNow()
  if (!clock.mayBeMoved) return null
  const move = (speed: number, forwardMinutes: number) => api('/clock', { body: { speed, forwardMinutes } })
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
  const { data: lab } = useFetched<Lab>('/lab')
  const [typed, setTyped] = useState<{ readonly labName?: string; readonly address?: string }>({})
  const [told, setTold] = useState<{ readonly good: boolean; readonly words: string }>()
  if (!lab) return null
  const { labName = lab.labName, address = lab.address } = typed
  const store = async () => {
    try {
      await api('/lab', { method: 'PUT', body: { labName: labName.trim(), address, variants: lab.variants } })
      setTyped({})
      setTold({ good: true, words: 'Stored.' })
    } catch (error) {
      setTold({ good: false, words: sentenceOf(error) })
    }
  }
  return (
    <section className="card-flat p-6" aria-label="The lab on papers">
      <h2 className="mb-3 text-xl font-semibold">The lab on papers</h2>
      <form
        noValidate
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          void store()
        }}
      >
        <TextField
          label="Name"
          text={labName}
          onText={(text) => setTyped({ ...typed, labName: text })}
          fault={told && !told.good ? told.words : undefined}
        />
        <TextField label="Address" text={address} onText={(text) => setTyped({ ...typed, address: text })} />
        <div className="flex items-center gap-3">
          <button type="submit" className="act">
            Store
          </button>
          {told?.good && <Told tone="good">{told.words}</Told>}
        </div>
      </form>
    </section>
  )
}

function LabVariants() {
  const lab = useFetched<Lab>('/lab')
  const { told: fault, asking } = useAsking()
  if (!lab.data) return null
  const { labName, variants } = lab.data
  const choose = (templateId: string, matter: string, choice: string) =>
    asking(() =>
      api('/lab', {
        method: 'PUT',
        body: {
          labName,
          variants: { ...variants, [templateId]: { ...variants[templateId], [matter]: choice } },
        },
      }),
    )
  return (
    <section className="card-flat mt-5 p-6">
      <h2 className="text-xl font-semibold">How {labName} does it</h2>
      <p className="mb-4">
        Where practitioners differ. A case may choose otherwise; the record says which was used.
      </p>
      {fault && <Told tone="error">{fault}</Told>}
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
