import { useBenchUnit } from './bench-unit.ts'
import { NumberEntry } from './NumberField.tsx'

/** Numbers in rows and columns, each with its label from both; the text stays as typed. */
export function NumberGrid<C extends string>({
  caption,
  columns,
  rows,
  rowName,
  wrong,
  onText,
}: {
  readonly caption: string
  /** A unit stands in the head, that of the bench. */
  readonly columns: readonly (readonly [column: C, name: string, unit?: string])[]
  readonly rows: readonly Readonly<Partial<Record<C, string>>>[]
  /** What a row is called in the label of its cells: row, line. */
  readonly rowName: string
  readonly wrong?: (row: number, column: C) => boolean
  readonly onText: (row: number, column: C, text: string) => void
}) {
  const benchUnit = useBenchUnit()
  const head = (name: string, unit?: string) => [name, unit && benchUnit(unit)].filter(Boolean).join(', ')
  return (
    <table className="w-full">
      <caption className="text-left font-semibold">{caption}</caption>
      <thead>
        <tr className="text-left text-sm">
          {columns.map(([column, name, unit]) => (
            <th key={column} className="pr-1 font-semibold">
              {head(name, unit)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row, index) => (
          <tr key={`${index + 1}`}>
            {columns.map(([column, name, unit = '']) => (
              <td key={column} className="pr-1 pb-1">
                <NumberEntry
                  name={`${head(name, unit)}, ${rowName} ${index + 1}`}
                  unit={unit}
                  text={row[column] ?? ''}
                  onText={(text) => onText(index, column, text)}
                  wrong={wrong?.(index, column) ?? false}
                  size="cell"
                />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
