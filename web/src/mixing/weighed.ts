import type { MassMeasure, MaterialCard } from '@yentrik/core'

/** A material whose powder is weighed. */
export type Weighed = MaterialCard & { readonly measure: MassMeasure }

export function isWeighed(card: MaterialCard | undefined): card is Weighed {
  return card?.measure?.by === 'mass'
}
