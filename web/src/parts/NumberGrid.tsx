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
  readonly columns: readonly (readonly [column: C, name: string])[]
  readonly rows: readonly Readonly<Partial<Record<C, string>>>[]
  /** What a row is called in the label of its cells: row, line. */
  readonly rowName: string
  readonly wrong?: (row: number, column: C) => boolean
  readonly onText: (row: number, column: C, text: string) => void
}) {
  return (
    <table className="w-full">
      <caption className="text-left font-semibold">{caption}</caption>
      <thead>
        <tr className="text-left text-sm">
          {columns.map(([column, name]) => (
            <th key={column} className="pr-1 font-semibold">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row, index) => (
          <tr key={`${index + 1}`}>
            {columns.map(([column, name]) => (
              <td key={column} className="pr-1 pb-1">
                <NumberEntry
                  name={`${name}, ${rowName} ${index + 1}`}
                  unit=""
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
