import { type FormEvent, useState } from 'react'
import { api, sentenceOf } from '../live/api.ts'
import { TextField } from '../parts/TextField.tsx'
import { Told } from '../parts/Told.tsx'
import type { Session } from './session.ts'

/** The door: the first person makes the lab theirs, later ones sign in. */
export function SignIn({ session, onDone }: { session: Session; onDone: () => void }) {
  const [name, setName] = useState('')
  const [passphrase, setPassphrase] = useState('')
  const [fault, setFault] = useState<string>()
  const first = session.firstStart
  const enter = async (event: FormEvent) => {
    event.preventDefault()
    if (name.trim() === '') return setFault('Enter your first name.')
    if (first && passphrase.length < 8)
      return setFault('Choose a passphrase of at least 8 letters or digits.')
    try {
      if (first) await api('/people', { body: { name: name.trim(), role: 'lead', passphrase } })
      await api('/session', { body: { name: name.trim(), passphrase } })
      onDone()
    } catch (error) {
      setFault(sentenceOf(error))
    }
  }
  return (
    <main className="grid min-h-dvh place-items-center p-6">
      <form className="card-flat w-full max-w-md p-8" onSubmit={enter} noValidate>
        <p className="mb-6 text-3xl font-bold tracking-tight">yentrik</p>
        <h1 className="mb-4 text-xl font-semibold">
          {first ? 'Welcome. Who leads this lab?' : 'Who is at the bench?'}
        </h1>
        <div className="grid gap-4">
          <TextField label="First name" text={name} onText={setName} autoFocus />
          <TextField
            label="Passphrase"
            type="password"
            text={passphrase}
            onText={setPassphrase}
            hint={first ? 'At least 8 letters or digits. It is kept only as a hash.' : undefined}
          />
          {fault && <Told tone="error">{fault}</Told>}
          <button type="submit" className="act-main">
            {first ? 'Begin' : 'Sign in'}
          </button>
        </div>
      </form>
    </main>
  )
}
