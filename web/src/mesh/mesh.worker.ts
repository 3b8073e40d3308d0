import {
  type MeshFormat,
  type MeshSize,
  type MeshTightness,
  meshForView,
  meshSize,
  meshTightness,
  readMesh,
  topView,
} from '@yentrik/core'
import { expose, transfer } from 'comlink'
import { type Attempt, attempt } from '../parts/attempt.ts'

/** Most triangles that are drawn; finer meshes are drawn coarser, never measured coarser. */
const MOST_DRAWN = 150_000
/** Cells across the view from above. */
const TOP_COLUMNS = 700

/** What is known of a file first. */
export interface SizedMesh {
  readonly format: MeshFormat
  readonly size: MeshSize
}
/** And once all of it was looked through: whether it is closed, and corners to draw. */
export interface ReadMesh {
  readonly tightness: MeshTightness
  readonly corners: Float32Array
}

/** A mesh as a picture from above, light for high. */
interface TopPicture {
  readonly columns: number
  readonly rows: number
  /** Side of a cell, in the file's unit. */
  readonly cell: number
  readonly pixels: Uint8ClampedArray<ArrayBuffer>
}

const meshWork = {
  /**
   * Reads and measures a file: volume and size first, told as soon as they are known; then whether it is closed, and corners to draw.
   * Ends with the worker: that is how it is stopped.
   */
  async read(
    file: Blob,
    onProgress: (share: number) => void,
    onSize: (sized: SizedMesh) => void,
  ): Promise<Attempt<ReadMesh>> {
    const bytes = await file.arrayBuffer()
    const read = tried(() => {
      const { format, triangles } = readMesh(bytes)
      const size = meshSize(triangles)
      onSize({ format, size })
      const tightness = meshTightness(triangles, {
        onProgress: (share) => {
          onProgress(share)
          return undefined
        },
      })
      return { tightness, corners: meshForView(triangles, size, MOST_DRAWN) }
    })
    return read.answer ? transfer(read, [read.answer.corners.buffer]) : read
  },

  /** The mesh from straight above, shaded by height and slope. */
  async fromAbove(file: Blob): Promise<Attempt<TopPicture>> {
    const bytes = await file.arrayBuffer()
    const seen = tried(() => pictureOf(bytes))
    return seen.answer ? transfer(seen, [seen.answer.pixels.buffer]) : seen
  },
}
export type MeshWork = typeof meshWork
expose(meshWork)

function pictureOf(bytes: ArrayBuffer): TopPicture {
  const { triangles } = readMesh(bytes)
  const measure = meshSize(triangles)
  const { columns, rows, cell, heights } = topView(triangles, measure, TOP_COLUMNS)
  const pixels = new Uint8ClampedArray(4 * columns * rows)
  const [low, high] = [measure.min[2], measure.max[2]]
  for (let at = 0; at < heights.length; at++) {
    const height = heights[at]!
    if (Number.isNaN(height)) continue
    const right = heights[at + 1] ?? height
    const slope = Number.isNaN(right) ? 0 : (height - right) / cell
    const light = 70 + (150 * (height - low)) / (high - low || 1) + 25 * Math.max(-1, Math.min(1, slope))
    pixels.set([light, 0.93 * light, 0.78 * light, 255], 4 * at)
  }
  return { columns, rows, cell, pixels }
}

/** A file may be larger than the memory of this machine: that is no fault of the core. */
function tried<T>(work: () => T): Attempt<T> {
  try {
    return attempt(work)
  } catch {
    return { refusal: 'The file could not be read: it may be too large for this machine.' }
  }
}
