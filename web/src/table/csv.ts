import Papa from 'papaparse'

/** A column of a table as it is written out: what it says, and in which unit its numbers are. */
export interface CsvColumn<Row> {
  readonly name: string
  readonly unit?: string
  readonly value: (row: Row) => string | number | undefined
}

/**
 * Rows as CSV (RFC 4180), units in the heads, numbers as they are. Text that a spreadsheet would take for a formula is
 * marked, so that it stays text.
 */
export function toCsv<Row>(columns: readonly CsvColumn<Row>[], rows: readonly Row[]): string {
  return Papa.unparse(
    {
      fields: columns.map(({ name, unit }) => (unit ? `${name} (${unit})` : name)),
      data: rows.map((row) => columns.map(({ value }) => value(row) ?? '')),
    },
    { escapeFormulae: true },
  )
}

/** Gives a file to the person. */
export function download(name: string, text: string): void {
  // The mark at its beginning tells spreadsheets that it is UTF-8.
  const url = URL.createObjectURL(new Blob(['\uFEFF', text], { type: 'text/csv;charset=utf-8' }))
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  URL.revokeObjectURL(url)
}

/** A row of a file by the heads that were known, with its line. */
export interface CsvRow<H extends string> {
  readonly line: number
  readonly cells: Readonly<Record<H, string>>
}
type CsvRead<H extends string> =
  | { readonly ok: true; readonly rows: readonly CsvRow<H>[] }
  | { readonly ok: false; readonly sentence: string }

/** More rows than this nobody looks through before they are stored. */
const MOST_ROWS = 2000

/**
 * Reads CSV with these heads, in any order, in small or capital letters, with a unit behind them or without. Comma, semicolon or tab
 * between, as the file has it.
 * @param needed heads without which it makes no sense
 */
export function readCsv<H extends string>(
  text: string,
  heads: readonly H[],
  needed: readonly H[],
): CsvRead<H> {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' })
  const broken = errors.find(({ type }) => type === 'Quotes')
  if (broken) return { ok: false, sentence: `Line ${(broken.row ?? 0) + 1}: ${broken.message}.` }
  const [first = [], ...lines] = data
  const plain = (head: string) =>
    head
      .replace(/\s*\(.*\)\s*$/, '')
      .trim()
      .toLowerCase()
  const found = first.map((head) => heads.find((known) => known.toLowerCase() === plain(head)))
  const missing = needed.filter((head) => !found.includes(head))
  if (missing.length > 0)
    return {
      ok: false,
      sentence: `The file has no column ${missing.join(', ')}. Its first line must name the columns: ${heads.join(', ')}.`,
    }
  if (lines.length === 0) return { ok: false, sentence: 'The file has no row below its heads.' }
  if (lines.length > MOST_ROWS)
    return { ok: false, sentence: `The file has ${lines.length} rows. Split it: ${MOST_ROWS} at a time.` }
  const rows = lines.map((cells, index) => ({
    line: index + 2,
    cells: Object.fromEntries(
      heads.map((head) => {
        const at = found.indexOf(head)
        return [head, at < 0 ? '' : (cells[at] ?? '').trim()]
      }),
    ) as Record<H, string>,
  }))
  return { ok: true, rows }
}
