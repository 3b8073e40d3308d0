import type { LabDeed } from '@yentrik/core'
import { type ReactNode, useState } from 'react'
import { freshen, type ReadKey } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Message } from '../parts/Message.tsx'
import { Sheet } from '../parts/Sheet.tsx'
import { TextField } from '../parts/TextField.tsx'

/** What the lab says of its own figures goes on record with its reason. */
export function ReasonSheet({
  title,
  deed,
  act,
  changes,
  onClose,
  children,
}: {
  readonly title: string
  readonly deed: (reason: string) => LabDeed
  /** What the button says. */
  readonly act: string
  /** What is old after it. */
  readonly changes: readonly ReadKey[]
  readonly onClose: () => void
  readonly children: ReactNode
}) {
  const [reason, setReason] = useState('')
  const { refusal, run } = useRequest()
  const tell = () =>
    run(async () => {
      await request('POST /quality/said', { body: deed(reason) })
      await freshen(...changes)
      onClose()
    })
  return (
    <Sheet title={title} onClose={onClose}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          void tell()
        }}
      >
        {children}
        <TextField label="Why" text={reason} onText={setReason} />
        {refusal && <Message tone="error" words={refusal} />}
        <button type="submit" className="act-main justify-self-start">
          {act}
        </button>
      </form>
    </Sheet>
  )
}
