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
                <input
                  inputMode="decimal"
                  autoComplete="off"
                  aria-label={`${name}, ${rowName} ${index + 1}`}
                  aria-invalid={wrong?.(index, column) ?? false}
                  className={`input bg-base-100 figures h-11 w-full px-2 text-lg font-semibold ${wrong?.(index, column) ? 'input-error' : ''}`}
                  value={row[column] ?? ''}
                  onChange={(event) => onText(index, column, event.target.value)}
                />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
