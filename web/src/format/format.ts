import { formatQuantity, type QuantityKind, type Stage, type UnitSystem } from '@yentrik/core'

/** The one place where numbers and times become words on the screen. */

const two = (n: number) => String(n).padStart(2, '0')

/** Clock time, 24 h: 07:40. */
export function clockTime(instant: number): string {
  const d = new Date(instant)
  return `${two(d.getHours())}:${two(d.getMinutes())}`
}

const dayNames = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat']
const monthNames = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/** A clock time with its day, as far as needed: 07:40, Thu 07:40, 4 Dec 07:40. */
export function dayAndTime(instant: number, now: number): string {
  const day = dayWord(instant, now)
  return day === '' ? clockTime(instant) : `${day} ${clockTime(instant)}`
}

/** The day of a clock time, as far as needed; of today nothing. */
export function dayWord(instant: number, now: number): string {
  const days = daysBetween(now, instant)
  if (days === 0) return ''
  if (days === 1) return 'tomorrow'
  return Math.abs(days) < 7 ? dayNames[new Date(instant).getDay()]! : shortDate(instant)
}

/** A time of something that is over, by its weekday: never as today or tomorrow. @param beganAt when that began */
export const weekdayAndTime = (instant: number, beganAt: number): string =>
  dayAndTime(instant, beganAt - 2 * 24 * 60 * 60_000)

/** In a narrow column: the clock time of today, else the day. */
export function dayOrTime(instant: number, now: number): string {
  return daysBetween(now, instant) === 0 ? clockTime(instant) : shortDate(instant).slice(4)
}

const longMonths = [
  ...['January', 'February', 'March', 'April', 'May', 'June', 'July'],
  ...['August', 'September', 'October', 'November', 'December'],
]
/** The month of an instant, in full. */
export const monthName = (instant: number): string => longMonths[new Date(instant).getMonth()]!

export function shortDate(instant: number): string {
  const d = new Date(instant)
  return `${dayNames[d.getDay()]} ${d.getDate()} ${monthNames[d.getMonth()]}`
}

/** An instant as a record has it, whenever it is read: Wed 4 Mar 07:40. */
export function dateAndTime(instant: number): string {
  return `${shortDate(instant)} ${clockTime(instant)}`
}

/** A calendar day as it is stored, YYYY-MM-DD: its midnight here, not in Greenwich. */
export function midnightOf(day: string): number {
  return Date.parse(`${day}T00:00`)
}

/** A day on papers, with the year. */
export function longDate(instant: number): string {
  return `${shortDate(instant)} ${new Date(instant).getFullYear()}`
}

function daysBetween(from: number, to: number): number {
  const midnight = (t: number) => new Date(t).setHours(0, 0, 0, 0)
  return Math.round((midnight(to) - midnight(from)) / 86_400_000)
}

/** A length of time, second to the clock time: 4 min, 2 h 10, 3 days. */
export function duration(millis: number): string {
  const minutes = Math.round(Math.abs(millis) / 60_000)
  if (minutes < 60) return `${minutes} min`
  if (minutes < 36 * 60)
    return minutes % 60 === 0 ? `${minutes / 60} h` : `${Math.floor(minutes / 60)} h ${two(minutes % 60)}`
  return `${Math.round(minutes / 1440)} days`
}

/** Running seconds of a short clock: 4:07. */
export function minutesSeconds(millis: number): string {
  const seconds = Math.max(0, Math.floor(millis / 1000))
  return `${Math.floor(seconds / 60)}:${two(seconds % 60)}`
}

/** The seconds of a clock time: 07. */
export const secondsOf = (instant: number) => two(new Date(instant).getSeconds())

/** A stored value in the units of this bench. */
export function quantity(value: number, kind: QuantityKind, units: UnitSystem): string {
  return formatQuantity(value, kind, units)
}

/** Grams, as a balance shows them. */
export function grams(value: number): string {
  return formatQuantity(value, 'grams', 'metric')
}
export function millilitres(value: number): string {
  return formatQuantity(value, 'millilitres', 'metric')
}
/** A ratio as the trade writes it: 0.30, 0.385. */
export function ratio(value: number): string {
  const exact = value.toFixed(3)
  return exact.endsWith('0') ? exact.slice(0, -1) : exact
}

const stageNames: Readonly<Record<Stage, string>> = {
  receive: 'Receive',
  pour: 'Pour',
  trim: 'Trim',
  mount: 'Mount',
  setUp: 'Set up',
  wax: 'Wax',
  invest: 'Invest',
  burnOut: 'Burn out',
  cast: 'Cast',
  clinic: 'At the clinic',
  flask: 'Flask',
  pack: 'Pack',
  cure: 'Cure',
  deflask: 'Deflask',
  remount: 'Remount',
  recover: 'Recover',
  finish: 'Finish',
  polish: 'Polish',
  fire: 'Fire',
  check: 'Check',
  document: 'Papers',
  deliver: 'Deliver',
}
export function stageName(stage: Stage): string {
  return stageNames[stage]
}

/** Words that begin a line or a label. */
export function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1)
}
