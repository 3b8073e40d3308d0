import type { Saying } from '@yentrik/core'
import type { ReactNode } from 'react'
import { Message } from '../parts/Message.tsx'

/** A sheet that is filled in here, with its button. */
export function Recorder({
  open,
  refusal,
  onRecord,
  act = 'Record',
  children,
}: {
  open: boolean
  refusal?: Saying
  onRecord: () => void
  act?: string
  children: ReactNode
}) {
  return (
    <form
      className="grid max-w-xl gap-3"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        if (open) onRecord()
      }}
    >
      {children}
      {refusal && <Message tone="error" words={refusal} />}
      <button type="submit" className="act justify-self-start" disabled={!open}>
        {act}
      </button>
    </form>
  )
}
