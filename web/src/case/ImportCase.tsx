import type { Body } from '@yentrik/contract'
import type { Saying } from '@yentrik/core'
import { useState } from 'react'
import { Refusal, request } from '../live/request.ts'
import { FileButton } from '../parts/FileButton.tsx'
import { Message } from '../parts/Message.tsx'

/** A case that another lab has exported. */
export function ImportCase() {
  const [message, setMessage] = useState<{ readonly tone: 'error' | 'good'; readonly words: Saying }>()
  const take = async (file: File) => {
    setMessage(undefined)
    try {
      const document = JSON.parse(await file.text()) as Body<'POST /cases/import'>
      await request('POST /cases/import', { body: document })
      setMessage({ tone: 'good', words: 'The case is in.' })
    } catch (error) {
      const words =
        error instanceof Refusal
          ? error.said
          : 'This file is not a case: it is not readable JSON. Nothing was imported.'
      setMessage({ tone: 'error', words })
    }
  }
  return (
    <>
      {message && <Message tone={message.tone} words={message.words} />}
      <FileButton accept="application/json,.json" onFile={(file) => void take(file)}>
        Import a case file
      </FileButton>
    </>
  )
}
