import type { Saying } from '@yentrik/core'
import type { ReactNode } from 'react'
import { useEntryForm } from '../form/entry-form.ts'
import { FormText } from '../form/fields.tsx'
import { Message } from '../parts/Message.tsx'
import { Sheet } from '../parts/Sheet.tsx'

interface WordsSheetProps {
  readonly title: string
  readonly label: string
  readonly button: string
  /** Under which what is written is kept. */
  readonly draftKey: string
  readonly intro?: ReactNode
  readonly refusal?: Saying
  readonly start?: string
  readonly onClose: () => void
  /** @returns whether it was stored */
  readonly onGive: (words: string) => Promise<boolean>
}

/** One question in words: a reason, a note, a question to the dentist. Closes when it is stored. */
export function WordsSheet({
  title,
  label,
  button,
  draftKey,
  intro,
  refusal,
  start = '',
  onClose,
  onGive,
}: WordsSheetProps) {
  const form = useEntryForm({
    draftKey,
    start: () => ({ words: start }),
    check: ({ words }) => ({ words: words.trim() === '' ? 'Write a few words.' : undefined }),
    store: async ({ words }) => {
      if (!(await onGive(words.trim()))) return false
      onClose()
    },
  })
  return (
    <Sheet title={title} onClose={onClose}>
      <form noValidate className="grid gap-4" onSubmit={form.submit}>
        {intro}
        <FormText form={form} name="words" label={label} lines={3} autoFocus />
        {refusal && <Message tone="error" words={refusal} />}
        <button type="submit" className="act-main justify-self-start" disabled={form.busy}>
          {button}
        </button>
      </form>
    </Sheet>
  )
}
