import { DomainError } from '../refusal/index.ts'
import { fileText } from './file-text.ts'
import { readObj } from './read-obj.ts'
import { readPly } from './read-ply.ts'
import { isBinaryStl, readAsciiStl, readBinaryStl } from './read-stl.ts'
import type { Triangles } from './triangles.ts'

export type MeshFormat = 'STL, binary' | 'STL, text' | 'PLY' | 'OBJ'

/**
 * Reads a mesh by what is in the file, not by its name: STL (binary or text), PLY or OBJ.
 *
 * @throws {DomainError} `mesh-empty`, `mesh-cut-short`, `mesh-not-understood`, `mesh-no-triangles`,
 * `mesh-not-a-number`, `mesh-index-out-of-range`; a sentence says which and what to do
 */
export function readMesh(file: ArrayBuffer): { readonly format: MeshFormat; readonly triangles: Triangles } {
  if (file.byteLength === 0)
    throw new DomainError(
      'mesh-empty',
      'The file is empty.',
      'Export the mesh again and drop that file.',
      'mesh',
    )
  const start = fileText(file, 0, 512)
  if (/^ply\s/.test(start)) return { format: 'PLY', triangles: readPly(file) }
  if (isBinaryStl(file)) return { format: 'STL, binary', triangles: readBinaryStl(file) }
  if (/^\s*solid\b/.test(start) && /\b(facet|endsolid)\b/.test(start))
    return { format: 'STL, text', triangles: readAsciiStl(file) }
  if (/^\s*(#|v|vn|vt|o|g|mtllib|s|usemtl)\s/m.test(start) && /^\s*v\s/m.test(fileText(file)))
    return { format: 'OBJ', triangles: readObj(fileText(file)) }
  // What is left can only be a binary STL whose length belies its header, or no mesh.
  return { format: 'STL, binary', triangles: readBinaryStl(file) }
}
