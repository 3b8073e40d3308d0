import { finishedAt, type JobState, sheetsWanted, stepMeaning, stepMinutes } from '../case/index.ts'
import type { DataOfKind, SheetKind } from '../sheet/index.ts'

/** An entry with who made it and when. */
type Entered<T> = T & { readonly at: string; readonly by: string }

/** What the record of a job says of its leaving: each part is there only when an entry proves it. */
export interface Delivered {
  /** How long it stood in water, and why no longer; or why not at all. */
  readonly water?: { readonly minutes: number; readonly early?: string } | { readonly leftOut: string }
  readonly disinfected?: Entered<DataOfKind<'disinfection'>>
  readonly bagged?: { readonly at: string; readonly by: string }
  readonly released?: Entered<DataOfKind<'release'>>
  readonly enclosures?: Entered<DataOfKind<'enclosures'>>
  readonly handedOver?: { readonly at: string; readonly by: string }
}

/** What a paper may say of how a job left: from its entries alone. */
export function delivered(job: JobState): Delivered {
  const water = stepMeaning(job, 'waterStorage')?.state
  const minutes = stepMinutes(water)
  const bagged = ended(job, stepMeaning(job, 'bagged')?.step.id)
  const handedOver = ended(job, sheetsWanted(job, 'enclosures').at(-1)?.step.id)
  return {
    ...(water?.status === 'skipped'
      ? { water: { leftOut: water.skipReason } }
      : water?.status === 'done' && minutes !== undefined
        ? { water: { minutes, ...(water.outOfTimeReason ? { early: water.outOfTimeReason } : {}) } }
        : {}),
    ...part('disinfected', entered(job, 'disinfection')),
    ...part('bagged', bagged),
    ...part('released', entered(job, 'release')),
    ...part('enclosures', entered(job, 'enclosures')),
    ...part('handedOver', handedOver),
  }
}

const part = <K extends string, T>(name: K, value: T | undefined) =>
  (value === undefined ? {} : { [name]: value }) as { readonly [P in K]?: T }

function ended(job: JobState, stepId: string | undefined) {
  const step = stepId === undefined ? undefined : job.steps[stepId]
  return step?.status === 'done' ? { at: finishedAt(step)!, by: step.finishedBy } : undefined
}

/** The last entry of a kind, of a step that is over: what is still being worked on proves nothing. */
function entered<K extends SheetKind>(job: JobState, kind: K): Entered<DataOfKind<K>> | undefined {
  const wanted = sheetsWanted(job, kind).at(-1)
  const state = wanted && job.steps[wanted.step.id]
  if (state?.status !== 'done') return undefined
  const last = state.sheets.findLast(({ sheet }) => sheet.kind === kind)
  return last && { ...(last.sheet as unknown as DataOfKind<K>), at: last.at, by: last.by }
}
