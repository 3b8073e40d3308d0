import { type ExpansionRow, expansionRows, type MaterialCard } from '@yentrik/core'
import { readNumber } from '../parts/read-number.ts'
import type { Typed } from '../parts/typed-figures.ts'

export const ROWS = [0, 1, 2, 3, 4]
export const columns = [
  ['liquid', 'Special liquid, %'],
  ['setting', 'Setting, %'],
  ['thermal', 'Thermal at peak, %'],
] as const

/** The rows of a product's table, as they would be typed. */
export function typedTable({ settingExpansion, investment }: MaterialCard): Typed {
  if (!settingExpansion || !investment) return {}
  const { thermalCurve, peakCelsius } = investment
  const rows = expansionRows(settingExpansion.points, thermalCurve, peakCelsius).slice(0, ROWS.length)
  const percent = (fraction: number) => String(Number((100 * fraction).toFixed(4)))
  return Object.fromEntries(
    ROWS.flatMap((row) => {
      const found = rows[row]
      return [
        [`liquid ${row}`, found ? String(found.specialLiquidPercent) : ''],
        [`setting ${row}`, found ? percent(found.settingFraction) : ''],
        [`thermal ${row}`, found ? percent(found.thermalFraction) : ''],
      ]
    }),
  )
}

/** The table as typed, or which row is wrong. */
export function readTable(typed: Typed): {
  readonly table: readonly ExpansionRow[]
  readonly wrong?: string
} {
  const table: ExpansionRow[] = []
  for (const row of ROWS) {
    const texts = columns.map(([column]) => typed[`${column} ${row}`] ?? '')
    if (texts.every((text) => text.trim() === '')) continue
    const [liquid, setting, thermal] = texts.map((text) => readNumber(text, '%').value)
    if (liquid === undefined || setting === undefined || thermal === undefined)
      return { table: [], wrong: `Row ${row + 1} of the table wants three numbers.` }
    table.push({
      specialLiquidPercent: liquid,
      settingFraction: setting / 100,
      thermalFraction: thermal / 100,
    })
  }
  return { table }
}
