import { useState } from 'react'
import { sentenceOf } from './api.ts'

/** Asks the server for a person, and keeps the sentence of a refusal, to be told beside what was asked. */
export function useAsking() {
  const [told, tell] = useState<string>()
  /** What the work came to; undefined where it was refused, which is then told. */
  async function asking<T>(work: () => Promise<T>): Promise<T | undefined> {
    tell(undefined)
    try {
      return await work()
    } catch (error) {
      tell(sentenceOf(error))
      return undefined
    }
  }
  return { told, tell, asking } as const
}
