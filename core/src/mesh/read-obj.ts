import { DomainError } from '../refusal/index.ts'
import { noTriangles } from './read-stl.ts'
import { GrowingFloats, indexedTriangles, type Triangles } from './triangles.ts'

/** OBJ: the lines `v x y z` and `f a b c ...`, indices from 1 or backwards from the last, polygons as fans. */
export function readObj(text: string): Triangles {
  const positions = new GrowingFloats()
  const triangles: number[] = []
  let number = 0
  for (const line of text.split('\n')) {
    number++
    const words = line.trim().split(/\s+/)
    if (words[0] === 'v') for (let n = 1; n <= 3; n++) positions.push(Number(words[n]))
    if (words[0] !== 'f') continue
    const vertices = positions.length / 3
    const corners = words.slice(1).map((word) => {
      const index = Number.parseInt(word, 10)
      const corner = index < 0 ? vertices + index : index - 1
      if (!(corner >= 0 && corner < vertices))
        throw new DomainError(
          'mesh-index-out-of-range',
          `Line ${number} uses the point ${word}, which is not in the file.`,
          'The file is damaged: export it again.',
          'mesh',
        )
      return corner
    })
    for (let n = 2; n < corners.length; n++) triangles.push(corners[0]!, corners[n - 1]!, corners[n]!)
  }
  if (triangles.length === 0) throw noTriangles()
  return indexedTriangles(positions.taken(), Uint32Array.from(triangles))
}
