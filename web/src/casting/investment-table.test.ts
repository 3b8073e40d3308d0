import { describe, expect, it } from '@jest/globals'
import { materials } from '@yentrik/core'
import { columns, ROWS, readTable, typedTable } from './investment-table.ts'

describe('the expansion table of an investment', () => {
  it('of a product, typed and read again, is the same table', () => {
    const card = [...materials.values()].find(({ investment }) => investment)!
    const points = [
      { specialLiquidPercent: 0, expansionPercent: 0.42, thermalPercent: 1.02 },
      { specialLiquidPercent: 50, expansionPercent: 0.81, thermalPercent: 1.07 },
      { specialLiquidPercent: 100, expansionPercent: 1.23, thermalPercent: 1.1 },
    ]
    const typed = typedTable({ ...card, settingExpansion: { points, source: 'the sheet of a product' } })
    const { table, wrong } = readTable(typed)
    expect(wrong).toBeUndefined()
    expect(table).toHaveLength(3)
    for (const [n, { specialLiquidPercent, expansionPercent, thermalPercent }] of points.entries()) {
      expect(table[n]!.specialLiquidPercent).toBe(specialLiquidPercent)
      expect(100 * table[n]!.settingFraction).toBeCloseTo(expansionPercent, 9)
      expect(100 * table[n]!.thermalFraction).toBeCloseTo(thermalPercent, 9)
    }
  })
  it('rows that are left empty are none, a half-filled one is named', () => {
    expect(readTable({})).toEqual({ table: [] })
    const row = Object.fromEntries(columns.map(([column]) => [`${column} 2`, '50']))
    expect(readTable(row).table).toEqual([
      { specialLiquidPercent: 50, settingFraction: 0.5, thermalFraction: 0.5 },
    ])
    for (const [column] of columns)
      expect(readTable({ ...row, [`${column} 2`]: '' }).wrong).toBe('Row 3 of the table wants three numbers.')
    expect(ROWS).toHaveLength(5)
  })
  it('a card without one has nothing to type', () => {
    expect(typedTable(materials.get('dental-stone')!)).toEqual({})
  })
})
