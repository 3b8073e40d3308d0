/** One line of CSV (RFC 4180): a number as it is, of a text what a table program would take for a formula is kept a text. */
export function csvLine(fields: readonly (string | number | undefined)[]): string {
  return fields.map(field).join(',')
}

function field(value: string | number | undefined): string {
  if (value === undefined) return ''
  if (typeof value === 'number') return String(value)
  const safe = /^[=+\-@\t\r]/.test(value) ? `'${value}` : value
  return /[",\n\r]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe
}
