import { useEffect, useRef, useState } from 'react'
import type { Attempt } from '../parts/attempt.ts'

const brokenOff = {
  refusal: 'The calculation was broken off. Change a figure to try again, or reload the page.',
} as const

/**
 * What a worker thread makes of a question. One question is under way at a time; when it is answered the newest is taken, so that
 * dragging never piles work up. Work that breaks off is answered in words.
 * @param keeps whether the answer before stays until the new one is there, as for a curve that grows
 * @returns undefined while there is no question, or no answer yet
 */
export function useWorker<Q, A>(
  question: Q | undefined,
  work: (question: Q) => Promise<Attempt<A>>,
  { keeps = true }: { readonly keeps?: boolean } = {},
): Attempt<A> | undefined {
  const [answered, setAnswered] = useState<{ readonly key: string; readonly answer: Attempt<A> }>()
  const key = question === undefined ? '' : JSON.stringify(question)
  const wanted = useRef(key)
  const busy = useRef(false)
  const latest = useRef(work)
  wanted.current = key
  latest.current = work
  useEffect(() => {
    const takeNext = async () => {
      if (busy.current || wanted.current === '') return
      busy.current = true
      const taken = wanted.current
      const answer = await latest.current(JSON.parse(taken) as Q).catch((): Attempt<A> => brokenOff)
      busy.current = false
      setAnswered({ key: taken, answer })
      if (wanted.current !== taken) void takeNext()
    }
    if (key !== '') void takeNext()
  }, [key])
  // A screen that is gone wants nothing more.
  useEffect(
    () => () => {
      wanted.current = ''
    },
    [],
  )
  if (key === '' || !answered) return undefined
  return keeps || answered.key === key ? answered.answer : undefined
}
