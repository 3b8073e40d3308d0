/** A drawn line of a face in a square of 100, mesial to the left, buccal or the incisal edge at the top. */
export type DrawnLine = readonly (readonly [x: number, y: number])[]

/** The contour of a tooth on the face that is carved: grooves of a back tooth, ridges of a front one. */
export interface GroovePattern {
  readonly id: string
  /** Of a front tooth, seen from lingual; left out: the chewing face. */
  readonly face?: 'lingual'
  readonly name: string
  /** Places of the teeth it is usual on: arch and position from the midline. */
  readonly on: readonly { readonly arch: 'upper' | 'lower'; readonly places: readonly number[] }[]
  readonly says: string
  readonly outline: DrawnLine
  /** Grooves; of a front tooth its ridges. */
  readonly grooves: readonly DrawnLine[]
  /** Cusps; of a front tooth its tip and its cingulum. */
  readonly cusps: readonly (readonly [x: number, y: number])[]
  readonly pits: readonly (readonly [x: number, y: number])[]
}
