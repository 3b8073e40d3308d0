import type { Saying } from '../quantity/index.ts'
import type { Means } from './levels.ts'
import type { Scale } from './readings.ts'

/** What a look shows: sentences, never the verdict. */
export interface SeenByLook {
  readonly kind: 'look'
  readonly stepId: string
  readonly checkId: string
  readonly tooth?: number
  /** By each means that was taken, in their order; the bare eye first. */
  readonly seen: readonly { readonly means: Means; readonly say: readonly string[]; readonly at?: Spot }[]
}
/** On the picture of the step, as shares of its width and height. */
export interface Spot {
  readonly x: number
  readonly y: number
}
/** An instrument held to the work, as it is drawn. */
export interface SeenOnScale {
  readonly kind: 'scale'
  readonly stepId: string
  readonly checkId: string
  readonly tooth?: number
  /** What is measured, where it is not the check itself. */
  readonly name?: string
  readonly scale: Scale
  readonly pointer: number
}
/** What lies there for a sheet. */
export interface SeenForSheet {
  readonly kind: 'sheet'
  readonly stepId: string
  readonly sheetId: string
  readonly words: Saying
}
export type Seen = SeenByLook | SeenOnScale | SeenForSheet
