import type { Saying } from '@yentrik/core'
import { CircleAlert, CircleCheck, TriangleAlert } from 'lucide-react'
import type { ReactNode } from 'react'
import { Said } from '../preferences/words.tsx'

/** Shown while something is fetched. */
export function Waiting() {
  return (
    <p role="status" className="p-8 text-lg opacity-75">
      One moment
    </p>
  )
}

type ToldProps = { readonly tone: 'error' | 'warning' | 'good' } & (
  | { readonly words: Saying; readonly children?: never }
  | { readonly words?: never; readonly children: ReactNode }
)

/** A refusal or warning in words, with a sign beside the colour. */
export function Message({ tone, words, children }: ToldProps) {
  const Sign = tone === 'error' ? CircleAlert : tone === 'warning' ? TriangleAlert : CircleCheck
  const colour = tone === 'error' ? 'text-error' : tone === 'warning' ? 'text-warning' : 'text-success'
  return (
    <p
      role={tone === 'error' ? 'alert' : 'status'}
      className={`flex items-start gap-2 font-medium ${colour}`}
    >
      <Sign className="mt-0.5 size-5 shrink-0" aria-hidden />
      <span>{words === undefined ? children : <Said words={words} />}</span>
    </p>
  )
}
