import { DomainError } from '../refusal/index.ts'
import { fileText } from './file-text.ts'
import { noTriangles } from './read-stl.ts'
import { indexedTriangles, type Triangles } from './triangles.ts'

const sizes: Readonly<Record<string, number>> = {
  char: 1,
  int8: 1,
  uchar: 1,
  uint8: 1,
  short: 2,
  int16: 2,
  ushort: 2,
  uint16: 2,
  int: 4,
  int32: 4,
  uint: 4,
  uint32: 4,
  float: 4,
  float32: 4,
  double: 8,
  float64: 8,
}

interface Property {
  readonly name: string
  readonly type: string
  readonly countType?: string
}
interface Element {
  readonly name: string
  readonly count: number
  readonly properties: Property[]
}

/** Gives the values of the file one after the other, whether text or binary. */
interface Values {
  readonly next: (type: string) => number
}

/** PLY 1.0, text or binary of either byte order: the elements `vertex` (x, y, z) and `face` (a list), polygons as fans. */
export function readPly(file: ArrayBuffer): Triangles {
  const head = fileText(file, 0, 65_536)
  const end = /end_header\r?\n/.exec(head)
  if (!end) throw notUnderstood('its header does not end')
  const { format, elements } = readHeader(head.slice(0, end.index))
  const from = end.index + end[0].length
  const values = format === 'ascii' ? textValues(file, from) : binaryValues(file, from, format)
  let positions = new Float32Array()
  let indices = new Uint32Array()
  for (const element of elements) {
    // A count is believed only as far as the file can hold it.
    if (element.count > file.byteLength) throw cutShort()
    if (element.name === 'vertex') positions = readVertices(element, values)
    else if (element.name === 'face') indices = readFaces(element, values, positions.length / 3)
    else skip(element, values)
  }
  if (indices.length === 0) throw noTriangles()
  return indexedTriangles(positions, indices)
}

function readHeader(head: string): { format: string; elements: Element[] } {
  let format = ''
  const elements: Element[] = []
  for (const line of head.split(/\r?\n/)) {
    const [word = '', ...rest] = line.trim().split(/\s+/)
    if (word === 'format') format = rest[0] ?? ''
    if (word === 'element') elements.push({ name: rest[0] ?? '', count: Number(rest[1]), properties: [] })
    if (word === 'property') {
      const list = rest[0] === 'list'
      const property = list
        ? { countType: rest[1] ?? '', type: rest[2] ?? '', name: rest[3] ?? '' }
        : { type: rest[0] ?? '', name: rest[1] ?? '' }
      for (const type of [property.type, ...(property.countType === undefined ? [] : [property.countType])])
        if (!(type in sizes)) throw notUnderstood(`it has values of the kind "${type}"`)
      elements.at(-1)?.properties.push(property)
    }
  }
  if (!['ascii', 'binary_little_endian', 'binary_big_endian'].includes(format))
    throw notUnderstood(`its format is "${format}"`)
  if (!elements.every(({ count }) => Number.isInteger(count) && count >= 0))
    throw notUnderstood('a count in its header is no number')
  return { format, elements }
}

function readVertices({ count, properties }: Element, { next }: Values): Float32Array<ArrayBuffer> {
  const axes = ['x', 'y', 'z'].map((name) => properties.findIndex((p) => p.name === name))
  if (axes.includes(-1)) throw notUnderstood('its points have no x, y and z')
  const positions = new Float32Array(3 * count)
  for (let vertex = 0; vertex < count; vertex++)
    for (const [index, property] of properties.entries()) {
      const value = readProperty(property, next)
      const axis = axes.indexOf(index)
      if (axis >= 0) positions[3 * vertex + axis] = value
    }
  return positions
}

function readFaces(
  { count, properties }: Element,
  { next }: Values,
  vertices: number,
): Uint32Array<ArrayBuffer> {
  const triangles: number[] = []
  for (let face = 0; face < count; face++)
    for (const property of properties) {
      if (property.countType === undefined || !/^vertex_ind(ex|ices)$/.test(property.name)) {
        readProperty(property, next)
        continue
      }
      const corners = Array.from({ length: next(property.countType) }, () => next(property.type))
      if (corners.some((corner) => !(corner >= 0 && corner < vertices)))
        throw new DomainError(
          'mesh-index-out-of-range',
          `Face ${face + 1} uses a point that is not in the file.`,
          'The file is damaged: export it again.',
          'mesh',
        )
      for (let n = 2; n < corners.length; n++) triangles.push(corners[0]!, corners[n - 1]!, corners[n]!)
    }
  return Uint32Array.from(triangles)
}

function skip({ count, properties }: Element, { next }: Values): void {
  for (let each = 0; each < count; each++) for (const property of properties) readProperty(property, next)
}

/** A single value; of a list the last one, which nobody asks for. */
function readProperty({ type, countType }: Property, next: Values['next']): number {
  if (countType === undefined) return next(type)
  let last = 0
  for (let left = next(countType); left > 0; left--) last = next(type)
  return last
}

function textValues(file: ArrayBuffer, from: number): Values {
  const words = fileText(file, from).trim().split(/\s+/)
  let at = 0
  return {
    next: () => {
      const word = words[at++]
      if (word === undefined || word === '') throw cutShort()
      return Number(word)
    },
  }
}

function binaryValues(file: ArrayBuffer, from: number, format: string): Values {
  const view = new DataView(file, from)
  const little = format === 'binary_little_endian'
  let at = 0
  return {
    next: (type) => {
      const start = at
      at += sizes[type]!
      if (at > view.byteLength) throw cutShort()
      switch (type) {
        case 'char':
        case 'int8':
          return view.getInt8(start)
        case 'uchar':
        case 'uint8':
          return view.getUint8(start)
        case 'short':
        case 'int16':
          return view.getInt16(start, little)
        case 'ushort':
        case 'uint16':
          return view.getUint16(start, little)
        case 'int':
        case 'int32':
          return view.getInt32(start, little)
        case 'uint':
        case 'uint32':
          return view.getUint32(start, little)
        case 'float':
        case 'float32':
          return view.getFloat32(start, little)
        default:
          return view.getFloat64(start, little)
      }
    },
  }
}

function notUnderstood(why: string): DomainError {
  return new DomainError(
    'mesh-not-understood',
    `The PLY file cannot be read: ${why}.`,
    'Export it again as PLY 1.0, or as STL.',
    'mesh',
  )
}

function cutShort(): DomainError {
  return new DomainError(
    'mesh-cut-short',
    'The PLY file ends before all that its header promises.',
    'It was cut short: copy or export it again.',
    'mesh',
  )
}
