import {
  DomainError,
  type MeshFormat,
  type MeshMeasure,
  measureMesh,
  meshForView,
  readMesh,
  topView,
} from '@yentrik/core'
import { expose, transfer } from 'comlink'

/** Most triangles that are drawn; finer meshes are drawn coarser, never measured coarser. */
const MOST_DRAWN = 150_000
/** Cells across the view from above. */
const TOP_COLUMNS = 700

/** What became of a file: its measure and corners to draw, or a sentence. */
export type ReadMesh =
  | {
      readonly ok: true
      readonly format: MeshFormat
      readonly measure: MeshMeasure
      readonly corners: Float32Array
    }
  | { readonly ok: false; readonly sentence: string }

/** A mesh as a picture from above, light for high. */
export interface TopPicture {
  readonly columns: number
  readonly rows: number
  /** Side of a cell, in the file's unit. */
  readonly cell: number
  readonly pixels: Uint8ClampedArray<ArrayBuffer>
}

const meshWork = {
  /** Reads and measures a file. Ends with the worker: that is how it is stopped. */
  async read(file: Blob, onProgress: (share: number) => void): Promise<ReadMesh> {
    try {
      const { format, triangles } = readMesh(await file.arrayBuffer())
      const measure = measureMesh(triangles, {
        onProgress: (share) => {
          onProgress(share)
          return undefined
        },
      })
      const corners = meshForView(triangles, measure, MOST_DRAWN)
      return transfer({ ok: true, format, measure, corners } as const, [corners.buffer])
    } catch (error) {
      return { ok: false, sentence: sentenceOf(error) }
    }
  },

  /** The mesh from straight above, shaded by height and slope. */
  async fromAbove(file: Blob): Promise<TopPicture | { readonly sentence: string }> {
    try {
      const { triangles } = readMesh(await file.arrayBuffer())
      const measure = measureMesh(triangles)
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
      return transfer({ columns, rows, cell, pixels }, [pixels.buffer])
    } catch (error) {
      return { sentence: sentenceOf(error) }
    }
  },
}
export type MeshWork = typeof meshWork
expose(meshWork)

function sentenceOf(error: unknown): string {
  if (error instanceof DomainError) return `${error.message} ${error.remedy}`
  return 'The file could not be read: it may be too large for this machine.'
}
