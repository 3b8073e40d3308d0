import { CircleAlert, CircleCheck, TriangleAlert } from 'lucide-react'
import type { ReactNode } from 'react'

/** Shown while something is fetched. */
export function Waiting() {
  return (
    <p role="status" className="p-8 text-lg opacity-75">
      One moment
    </p>
  )
}

/** A refusal or warning in words, with a sign beside the colour. */
export function Told({ tone, children }: { tone: 'error' | 'warning' | 'good'; children: ReactNode }) {
  const Sign = tone === 'error' ? CircleAlert : tone === 'warning' ? TriangleAlert : CircleCheck
  const colour = tone === 'error' ? 'text-error' : tone === 'warning' ? 'text-warning' : 'text-success'
  return (
    <p
      role={tone === 'error' ? 'alert' : 'status'}
      className={`flex items-start gap-2 font-medium ${colour}`}
    >
      <Sign className="mt-0.5 size-5 shrink-0" aria-hidden />
      <span>{children}</span>
    </p>
  )
}
