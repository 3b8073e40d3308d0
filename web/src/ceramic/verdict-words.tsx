import type { ColourVerdict } from '@yentrik/core'
import { CircleCheck, CircleX } from 'lucide-react'

export const verdictWords: Readonly<Record<ColourVerdict, string>> = {
  notSeen: 'not seen',
  acceptable: 'acceptable',
  outOfReach: 'out of reach',
}

/** What half of the people say of a difference. */
export function Verdict({
  verdict,
  className = '',
}: {
  readonly verdict: ColourVerdict
  readonly className?: string
}) {
  const good = verdict !== 'outOfReach'
  const Sign = good ? CircleCheck : CircleX
  return (
    <span
      className={`inline-flex items-center gap-1.5 font-semibold ${good ? 'text-success' : 'text-error'} ${className}`}
    >
      <Sign className="size-[1.1em] shrink-0" aria-hidden /> {verdictWords[verdict]}
    </span>
  )
}
