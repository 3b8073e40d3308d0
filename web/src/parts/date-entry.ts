const two = (n: number) => String(n).padStart(2, '0')

/** An instant as a date field holds it, in the time of this machine: 2026-03-05. */
export function dateText(instant: number): string {
  const d = new Date(instant)
  return `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`
}

/** 07:40 */
export function timeText(instant: number): string {
  const d = new Date(instant)
  return `${two(d.getHours())}:${two(d.getMinutes())}`
}

/** The instant of a date and a time as typed; undefined when either is missing or impossible. */
export function instantOf(day: string, time: string): number | undefined {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(day) || !/^\d{2}:\d{2}$/.test(time)) return undefined
  const instant = Date.parse(`${day}T${time}`)
  // A 31st of February would quietly become a 3rd of March.
  return dateText(instant) === day && timeText(instant) === time ? instant : undefined
}
