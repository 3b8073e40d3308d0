import type { Saying } from '@yentrik/core'
import { useState } from 'react'
import { sentenceOf } from './request.ts'

/** Requests that a person makes, and the sentence of a refusal, to be shown beside what was wanted. */
export function useRequest() {
  const [refusal, refuse] = useState<Saying>()
  /** What the work came to; undefined where it was refused, which is then shown. */
  async function run<T>(work: () => Promise<T>): Promise<T | undefined> {
    refuse(undefined)
    try {
      return await work()
    } catch (error) {
      refuse(sentenceOf(error))
      return undefined
    }
  }
  return { refusal, refuse, run } as const
}
