import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { readCsv, toCsv } from './csv.ts'

const heads = ['Lot', 'Received', 'Note'] as const
const read = (text: string) => readCsv(text, heads, ['Lot'])
const rowsOf = (text: string) => {
  const found = read(text)
  if (!found.ok) throw new Error(found.sentence)
  return found.rows
}
const sentenceOf = (text: string) => {
  const found = read(text)
  return found.ok ? undefined : found.sentence
}

describe('rows written out', () => {
  interface Row {
    readonly name: string
    readonly grams?: number
  }
  const write = (...rows: Row[]) =>
    toCsv<Row>(
      [
        { name: 'Name', value: ({ name }) => name },
        { name: 'Left', unit: 'g', value: ({ grams }) => grams },
      ],
      rows,
    ).split('\r\n')
  it('have their units in the heads and their numbers as they are', () =>
    expect(write({ name: 'Stone', grams: 1234.5 })).toEqual(['Name,Left (g)', 'Stone,1234.5']))
  it('leave empty what is not known', () => expect(write({ name: 'Stone' })[1]).toBe('Stone,'))
  it('put what holds a comma, a quote or a line in quotes (RFC 4180)', () => {
    expect(write({ name: 'a,b' })[1]).toBe('"a,b",')
    expect(write({ name: 'say "so"' })[1]).toBe('"say ""so""",')
    expect(
      toCsv([{ name: 'Name', value: (row: { readonly name: string }) => row.name }], [{ name: 'a\nb' }]),
    ).toBe('Name\r\n"a\nb"')
  })
  it.each(['=1+1', '+1', '-1+2', '@cell', '\tx'])('do not let "%s" be taken for a formula', (name) =>
    expect(write({ name })[1]).toMatch(/^"?'/),
  )
  it('come back as they were, whatever was written into them', () => {
    const texts = fc
      .string({ maxLength: 20 })
      .filter((text) => text.trim() === text && !/^['=+\-@\t\r]/.test(text))
    fc.assert(
      fc.property(
        fc.array(fc.record({ Lot: texts, Received: texts, Note: texts }), { minLength: 1, maxLength: 5 }),
        (rows) => {
          const kept = rows.filter(({ Lot, Received, Note }) => `${Lot}${Received}${Note}`.trim() !== '')
          fc.pre(kept.length > 0)
          const text = toCsv(
            heads.map((name) => ({
              name,
              value: (row: Record<(typeof heads)[number], string>) => row[name],
            })),
            kept,
          )
          expect(rowsOf(text).map(({ cells }) => cells)).toEqual(kept)
        },
      ),
    )
  })
})

describe('rows read in', () => {
  it('know their columns in any order, in small letters, with a unit behind them', () => {
    expect(rowsOf('note,RECEIVED (g),lot\nfresh,25000,B-1')).toEqual([
      { line: 2, cells: { Lot: 'B-1', Received: '25000', Note: 'fresh' } },
    ])
  })
  it('may leave out what is not needed, and have more than is known', () =>
    expect(rowsOf('Lot,Colour\nB-1,blue')[0]!.cells).toEqual({ Lot: 'B-1', Received: '', Note: '' }))
  it.each([';', '\t', ','])('may have "%s" between them', (between) =>
    expect(rowsOf(`Lot${between}Note\nB-1${between}x`)[0]!.cells).toMatchObject({ Lot: 'B-1', Note: 'x' }),
  )
  it('leave out the mark at the beginning of the file, and blank lines', () => {
    const rows = rowsOf('\uFEFFLot,Note\n\nB-1,x\n ,\nB-2,y\n')
    expect(rows.map(({ cells }) => cells.Lot)).toEqual(['B-1', 'B-2'])
  })
  it('say what is missing', () => {
    expect(sentenceOf('Note\nx')).toBe(
      'The file has no column Lot. Its first line must name the columns: Lot, Received, Note.',
    )
    expect(sentenceOf('')).toMatch(/no column Lot/)
    expect(sentenceOf('Lot,Note')).toBe('The file has no row below its heads.')
    expect(sentenceOf('Lot,Note\n"open,x')).toMatch(/^Line \d+: /)
  })
  it('are 2000 at most', () => {
    const file = (rows: number) => `Lot\n${'B\n'.repeat(rows)}`
    expect(rowsOf(file(2000))).toHaveLength(2000)
    expect(sentenceOf(file(2001))).toBe('The file has 2001 rows. Split it: 2000 at a time.')
  })
})
