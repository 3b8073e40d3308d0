import type { Session } from '@yentrik/contract'
import { useState } from 'react'
import { useEntryForm } from '../form/entry-form.ts'
import { FormText } from '../form/fields.tsx'
import { freshen } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { Message } from '../parts/Message.tsx'
import { isPin } from '../session/session.ts'

const LEAST_PASSPHRASE = 12

/** The door: the first person makes the lab theirs, later ones sign in, those of today come back by a PIN. */
export function SignIn({ session }: { session: Session }) {
  const [byPassphrase, setByPassphrase] = useState(false)
  return (
    <main className="grid min-h-dvh place-items-center p-6">
      {session.pins.length > 0 && !byPassphrase ? (
        <ByPin names={session.pins} onPassphrase={() => setByPassphrase(true)} />
      ) : (
        <ByPassphrase session={session} />
      )}
    </main>
  )
}

/** Whom a passphrase has let in at this bench today: a name, four digits, and the work goes on. */
function ByPin({ names, onPassphrase }: { names: readonly string[]; onPassphrase: () => void }) {
  const [name, setName] = useState(names.length === 1 ? names[0] : undefined)
  const form = useEntryForm({
    start: () => ({ pin: '' }),
    check: ({ pin }) => ({
      pin: isPin(pin) ? undefined : 'Type the four to eight digits of your PIN.',
    }),
    store: async ({ pin }) => {
      await request('POST /session/pin', { body: { name: name ?? '', pin } })
      await freshen('GET /session')
    },
  })
  return (
    <form className="card-flat grid w-full max-w-md gap-5 p-8" onSubmit={form.submit} noValidate>
      <p className="text-3xl font-bold tracking-tight">yentrik</p>
      <h1 className="text-xl font-semibold">Who is at the bench?</h1>
      <div className="flex flex-wrap gap-2">
        {names.map((each) => (
          <button
            key={each}
            type="button"
            aria-pressed={each === name}
            className={each === name ? 'act btn-neutral' : 'act'}
            onClick={() => setName(each)}
          >
            {each}
          </button>
        ))}
      </div>
      {name !== undefined && (
        <>
          <FormText
            key={name}
            form={form}
            name="pin"
            label="PIN"
            type="password"
            inputMode="numeric"
            autoFocus
          />
          {form.fault && <Message tone="error">{form.fault}</Message>}
          <button type="submit" className="act-main" disabled={form.busy}>
            Back to the bench
          </button>
        </>
      )}
      <button type="button" className="small-act justify-self-start" onClick={onPassphrase}>
        With the passphrase
      </button>
    </form>
  )
}

function ByPassphrase({ session }: { session: Session }) {
  const first = session.firstStart
  const form = useEntryForm({
    start: () => ({ name: '', passphrase: '', code: '' }),
    check: ({ name, passphrase, code }) => ({
      name: name.trim() === '' ? 'Enter your first name.' : undefined,
      passphrase:
        first && passphrase.length < LEAST_PASSPHRASE
          ? `Choose a passphrase of at least ${LEAST_PASSPHRASE} letters: four or five words are good.`
          : undefined,
      code: session.codeNeeded && code.trim() === '' ? 'Type the code that the server printed.' : undefined,
    }),
    store: async ({ name: typed, passphrase, code }) => {
      const name = typed.trim()
      if (first)
        await request('POST /first-start', {
          body: { name, passphrase, ...(session.codeNeeded ? { code: code.trim() } : {}) },
        })
      await request('POST /session', { body: { name, passphrase } })
      await freshen('GET /session')
    },
  })
  return (
    <form className="card-flat w-full max-w-md p-8" onSubmit={form.submit} noValidate>
      <p className="mb-6 text-3xl font-bold tracking-tight">yentrik</p>
      <h1 className="mb-4 text-xl font-semibold">
        {first ? 'Welcome. Who leads this lab?' : 'Who is at the bench?'}
      </h1>
      {session.readable && (
        <div className="mb-4">
          <Message tone="warning">
            This connection is not encrypted: in this network others can read the passphrase along. The page
            Running a lab says how to give the server a certificate.
          </Message>
        </div>
      )}
      <div className="grid gap-4">
        <FormText form={form} name="name" label="First name" autoFocus />
        <FormText
          form={form}
          name="passphrase"
          label="Passphrase"
          type="password"
          hint={
            first
              ? `At least ${LEAST_PASSPHRASE} letters; four or five words are good. It is kept only as a hash.`
              : undefined
          }
        />
        {session.codeNeeded && (
          <FormText
            form={form}
            name="code"
            label="Code of the first start"
            hint="The server printed it when it started."
          />
        )}
        {form.fault && <Message tone="error">{form.fault}</Message>}
        <button type="submit" className="act-main" disabled={form.busy}>
          {first ? 'Begin' : 'Sign in'}
        </button>
      </div>
    </form>
  )
}
