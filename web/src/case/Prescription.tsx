import { showTooth, type WorkAuthorisation } from '@yentrik/core'
import type { ReactNode } from 'react'
import { dayAndTime } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { usePreferences } from '../preferences/preferences.ts'

/** The work authorisation as it was entered, line by line: what is compared with the box. */
export function Prescription({ authorisation }: { readonly authorisation: WorkAuthorisation }) {
  const now = useNow()
  const notation = usePreferences((preferences) => preferences.teeth)
  const { clinic, prescriber, patientCode, patientAge, wanted, teeth, materials, shade } = authorisation
  const when = (instant: string | undefined) => instant && dayAndTime(Date.parse(instant), now)
  const lines: readonly (readonly [name: string, said: ReactNode])[] = [
    ['Wanted', wanted],
    ['Teeth', teeth.map((tooth) => showTooth(tooth, notation)).join(', ')],
    ['Materials', materials],
    ['Shade', shade],
    ['Patient', patientAge === undefined ? patientCode : `${patientCode}, aged ${patientAge}`],
    ['Prescribed by', `${prescriber}, ${clinic}`],
    ['Try-in', when(authorisation.tryInAt)],
    ['Due', when(authorisation.dueAt)],
    ['Came along', authorisation.enclosures.join(', ')],
    ['Notes', authorisation.notes],
  ]
  return (
    <section className="border-base-300 mt-3 border-t pt-2" aria-label="Work authorisation">
      <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-5 gap-y-0.5">
        {lines.map(([name, said]) => (
          <div key={name} className="contents">
            <dt className="opacity-80">{name}</dt>
            <dd className={said ? 'font-semibold' : 'opacity-80'}>{said || 'not said'}</dd>
          </div>
        ))}
      </dl>
    </section>
  )
}
