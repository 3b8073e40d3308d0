import type { MachineRunShown } from '@yentrik/contract'
import type { Saying } from '@yentrik/core'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { dayAndTime, quantity } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { Message } from '../parts/Message.tsx'
import { usePreferences } from '../preferences/preferences.ts'

/** The entry of a run of a machine: what it shows, the way to its instrument, its curve into the record; below it what is read by hand. */
export function RunEntry({
  run,
  shows,
  ended,
  ends,
  to,
  look,
  set,
  first,
  open,
  onCurve,
  refusal,
  children,
}: {
  readonly run: MachineRunShown | undefined
  /** What the large number is. */
  readonly shows: string
  /** As it is said once the program is over, and before. */
  readonly ended: string
  readonly ends: string
  readonly to: string
  /** The words of the link while a run is there, and before. */
  readonly look: string
  readonly set: string
  /** Nothing is on record yet. */
  readonly first: boolean
  readonly open: boolean
  /** Left out: its figures are not complete. */
  readonly onCurve?: (run: MachineRunShown) => void
  readonly refusal?: Saying
  readonly children: ReactNode
}) {
  const now = useNow()
  const units = usePreferences((preferences) => preferences.units)
  const shown = run?.measured.at(-1)
  return (
    <div className="grid gap-3">
      {run && shown && (
        <p className="text-lg">
          <output className="figures text-5xl font-bold" aria-label={shows}>
            {quantity(Math.round(shown.celsius), 'celsius', units)}
          </output>{' '}
          {run.machine}, {run.ended ? ended : ends} {dayAndTime(Date.parse(run.endsAt), now)}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <Link className={first && !run ? 'act-main' : 'act'} to={to}>
          {run ? look : set}
        </Link>
        {run && onCurve && (
          <button type="button" className="act" disabled={!open} onClick={() => onCurve(run)}>
            Record its curve
          </button>
        )}
      </div>
      {refusal && <Message tone="error" words={refusal} />}
      {children}
    </div>
  )
}
