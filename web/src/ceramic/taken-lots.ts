import type { LotOnShelf } from '@yentrik/contract'
import type { JobState } from '@yentrik/core'
import type { Shelf } from '../record/shelf.ts'

/** The lots on the shelf that a job has put on record: its block or blank is among them. */
export function takenLots({ steps }: JobState, { lots }: Shelf): readonly LotOnShelf[] {
  const taken = new Set(Object.values(steps).flatMap(({ mixes }) => mixes.flatMap((mix) => mix.lots)))
  return lots.filter(({ lotId }) => taken.has(lotId))
}
