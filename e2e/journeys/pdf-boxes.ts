import { inflateSync } from 'node:zlib'

/** A box drawn on a page of a PDF, mm. */
interface PdfBox {
  readonly widthMillimetres: number
  readonly heightMillimetres: number
}

type Matrix = readonly [number, number, number, number, number, number]
const times = (m: Matrix, n: Matrix): Matrix => [
  m[0] * n[0] + m[1] * n[2],
  m[0] * n[1] + m[1] * n[3],
  m[2] * n[0] + m[3] * n[2],
  m[2] * n[1] + m[3] * n[3],
  m[4] * n[0] + m[5] * n[2] + n[4],
  m[4] * n[1] + m[5] * n[3] + n[5],
]
const MILLIMETRES_PER_POINT = 25.4 / 72

/**
 * The bounding boxes of every path that a PDF paints, as they come out on paper: the operators q, Q, cm, re, m, l, c and
 * those that paint are followed through the content streams (ISO 32000-1, 8.3 and 8.5); nothing else is read.
 */
export function pdfBoxes(pdf: Buffer): PdfBox[] {
  return contentStreams(pdf).flatMap(boxesOf)
}

function contentStreams(pdf: Buffer): string[] {
  const text = pdf.toString('latin1')
  return [...text.matchAll(/<<[^>]*\/FlateDecode[\s\S]*?stream\r?\n/g)].flatMap((found) => {
    const from = found.index + found[0].length
    try {
      return [inflateSync(pdf.subarray(from, text.indexOf('endstream', from))).toString('latin1')]
    } catch {
      return []
    }
  })
}

function boxesOf(stream: string): PdfBox[] {
  const boxes: PdfBox[] = []
  let matrix: Matrix = [1, 0, 0, 1, 0, 0]
  const kept: Matrix[] = []
  let operands: number[] = []
  let points: [number, number][] = []
  const put = (x: number, y: number) =>
    points.push([matrix[0] * x + matrix[2] * y + matrix[4], matrix[1] * x + matrix[3] * y + matrix[5]])
  for (const word of stream.split(/\s+/)) {
    const number = Number(word)
    if (word !== '' && !Number.isNaN(number)) {
      operands.push(number)
      continue
    }
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = operands
    if (word === 'q') kept.push(matrix)
    else if (word === 'Q') matrix = kept.pop() ?? matrix
    else if (word === 'cm') matrix = times([a, b, c, d, e, f], matrix)
    else if (word === 're') {
      put(a, b)
      put(a + c, b + d)
    } else if (word === 'm' || word === 'l') put(a, b)
    else if (word === 'c') put(e, f)
    else if (['f', 'f*', 'S', 's', 'B', 'B*', 'n', 'W', 'W*'].includes(word)) {
      if (points.length > 0 && !word.startsWith('W') && word !== 'n') boxes.push(boxAround(points))
      if (!word.startsWith('W')) points = []
    }
    operands = []
  }
  return boxes
}

function boxAround(points: readonly (readonly [number, number])[]): PdfBox {
  const span = (axis: 0 | 1) => {
    const values = points.map((point) => point[axis])
    return (Math.max(...values) - Math.min(...values)) * MILLIMETRES_PER_POINT
  }
  return { widthMillimetres: span(0), heightMillimetres: span(1) }
}
