import { DomainError } from '../refusal/index.ts'
import { fileText } from './file-text.ts'
import { GrowingFloats, plainTriangles, type Triangles } from './triangles.ts'

const HEADER_BYTES = 84
const TRIANGLE_BYTES = 50

/** Whether the length of a file is just what the count in its header says: no text file is so by chance. */
export function isBinaryStl(file: ArrayBuffer): boolean {
  return file.byteLength >= HEADER_BYTES && file.byteLength === HEADER_BYTES + TRIANGLE_BYTES * claimed(file)
}

function claimed(file: ArrayBuffer): number {
  return new DataView(file).getUint32(80, true)
}

/**
 * Binary STL: 80 bytes of header, the count, then 50 bytes a triangle, little-endian (recalled). Nothing is copied,
 * and nothing is reserved on the word of the header.
 */
export function readBinaryStl(file: ArrayBuffer): Triangles {
  if (file.byteLength < HEADER_BYTES)
    throw new DomainError(
      'mesh-not-understood',
      'The file is no mesh that can be read here.',
      'Export it as STL, PLY or OBJ.',
      'mesh',
    )
  const count = claimed(file)
  const needed = HEADER_BYTES + TRIANGLE_BYTES * count
  if (needed > file.byteLength) {
    // A claim far beyond the file is a text or picture read as a number.
    if (needed > 100 * file.byteLength)
      throw new DomainError(
        'mesh-not-understood',
        `The file is no mesh that can be read here: as an STL it would claim ${count} triangles in ${file.byteLength} bytes.`,
        'Export it as STL, PLY or OBJ.',
        'mesh',
      )
    throw new DomainError(
      'mesh-cut-short',
      `The file claims ${count} triangles but ends after ${Math.max(0, Math.floor((file.byteLength - HEADER_BYTES) / TRIANGLE_BYTES))}.`,
      'It was cut short: copy or export it again.',
      'mesh',
    )
  }
  if (count === 0) throw noTriangles()
  const view = new DataView(file)
  return {
    count,
    readMany: (first, many, into) => readBlock(view, HEADER_BYTES + TRIANGLE_BYTES * first + 12, many, into),
    read: (triangle, into) => {
      const at = HEADER_BYTES + TRIANGLE_BYTES * triangle + 12
      for (let n = 0; n < 9; n++) into[n] = view.getFloat32(at + 4 * n, true)
    },
  }
}

function readBlock(view: DataView, from: number, count: number, into: Float32Array): void {
  for (let n = 0, to = 0, at = from; n < count; n++, at += TRIANGLE_BYTES, to += 9) {
    into[to] = view.getFloat32(at, true)
    into[to + 1] = view.getFloat32(at + 4, true)
    into[to + 2] = view.getFloat32(at + 8, true)
    into[to + 3] = view.getFloat32(at + 12, true)
    into[to + 4] = view.getFloat32(at + 16, true)
    into[to + 5] = view.getFloat32(at + 20, true)
    into[to + 6] = view.getFloat32(at + 24, true)
    into[to + 7] = view.getFloat32(at + 28, true)
    into[to + 8] = view.getFloat32(at + 32, true)
  }
}

/** Text STL: every three `vertex x y z` are a triangle; the normals are not read. */
export function readAsciiStl(file: ArrayBuffer): Triangles {
  const text = fileText(file)
  const positions = new GrowingFloats()
  for (const match of text.matchAll(/\bvertex\s+(\S+)\s+(\S+)\s+(\S+)/g))
    for (let n = 1; n <= 3; n++) positions.push(Number(match[n]))
  if (positions.length === 0) throw noTriangles()
  if (positions.length % 9 !== 0 || !/\bendsolid\b/.test(text.slice(-512)))
    throw new DomainError(
      'mesh-cut-short',
      'The file ends in the middle of a triangle.',
      'It was cut short: copy or export it again.',
      'mesh',
    )
  return plainTriangles(positions.taken())
}

export function noTriangles(): DomainError {
  return new DomainError(
    'mesh-no-triangles',
    'There is no triangle in the file.',
    'Export the surface as a mesh, not as points or curves.',
    'mesh',
  )
}
