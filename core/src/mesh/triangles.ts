/** Triangles in the order of their file, read one at a time so that a large file is never held twice. */
export interface Triangles {
  readonly count: number
  /** Puts the nine coordinates of a triangle into a buffer, in the units of the file. */
  readonly read: (triangle: number, into: Float64Array) => void
  /** The same for many in a row: one call for a block lets what it calls be compiled early. */
  readonly readMany: (first: number, count: number, into: Float32Array) => void
}

/** Corners by index, as PLY and OBJ keep them. */
export function indexedTriangles(positions: Float32Array, indices: Uint32Array): Triangles {
  return {
    count: indices.length / 3,
    readMany: (first, count, into) => {
      for (let n = 0; n < 3 * count; n++) {
        const at = 3 * indices[3 * first + n]!
        into[3 * n] = positions[at]!
        into[3 * n + 1] = positions[at + 1]!
        into[3 * n + 2] = positions[at + 2]!
      }
    },
    read: (triangle, into) => {
      for (let corner = 0; corner < 3; corner++) {
        const at = 3 * indices[3 * triangle + corner]!
        into[3 * corner] = positions[at]!
        into[3 * corner + 1] = positions[at + 1]!
        into[3 * corner + 2] = positions[at + 2]!
      }
    },
  }
}

/** Nine coordinates a triangle, one after the other. */
export function plainTriangles(positions: Float32Array): Triangles {
  return {
    count: positions.length / 9,
    readMany: (first, count, into) => into.set(positions.subarray(9 * first, 9 * (first + count))),
    read: (triangle, into) => {
      for (let n = 0; n < 9; n++) into[n] = positions[9 * triangle + n]!
    },
  }
}

/** A list of numbers that grows, without an object for each. */
export class GrowingFloats {
  private held = new Float32Array(3072)
  length = 0
  push(value: number): void {
    if (this.length === this.held.length) {
      const larger = new Float32Array(2 * this.held.length)
      larger.set(this.held)
      this.held = larger
    }
    this.held[this.length++] = value
  }
  taken(): Float32Array {
    return this.held.slice(0, this.length)
  }
}
