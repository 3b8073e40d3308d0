import { maybe, type Of, record, text } from '../shape/index.ts'
/** A region of a piece of work: what good looks like there, and what is commonly wrong. */
export interface Region {
  readonly id: string
  readonly name: string
  readonly good: string
  readonly faults: readonly RegionFault[]
}

/** What may be wrong at a region, and what to do about it. */
export interface RegionFault {
  readonly fault: string
  readonly say: string
  /** It cannot be mended: the piece is made again. */
  readonly remake?: true
  /** Only the dentist can say whether it may stay so. */
  readonly ask?: true
}

/** What was seen at a region; `fault` left out: good. */
export const regionSeenShape = record({
  region: text(40, { example: 'margins' }),
  fault: maybe(text(80, { example: 'Too flat', description: 'Left out: good' })),
})
export type RegionSeen = Of<typeof regionSeenShape>
