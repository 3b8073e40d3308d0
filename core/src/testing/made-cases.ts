import { countedRecord, type LabDeed, type LabEvent, type QualityInput } from '../quality/index.ts'
import { MadeCase, MONDAY, madeHours, pqr } from './made-record.ts'

const MINUTE = 60_000
/** Minutes. */
export const DAY = 1440
/** ms since 1970, so many minutes after the Monday of the tests. */
export const at = (minutes: number) => MONDAY + minutes * MINUTE
export const always = { from: at(-1), until: at(400 * DAY) }
/** Cases as they are counted. */
export const record = (cases: readonly MadeCase[], more: Partial<QualityInput> = {}) =>
  countedRecord({ digests: cases.map((made) => made.digest()), hours: madeHours, now: at(20 * DAY), ...more })
/** What the lab says, each so many minutes after that Monday. */
export const said = (...deeds: readonly (LabDeed & { readonly minutes: number })[]): LabEvent[] =>
  deeds.map(({ minutes, ...deed }, n) => ({
    ...deed,
    sequence: n + 1,
    at: new Date(at(minutes)).toISOString(),
    by: 'Ada',
  }))
/** Delivered within the hour, with its length read once. */
export function smooth(id: string, received = 0, value = 1.5, route = pqr): MadeCase {
  const made = new MadeCase(id, route, received, { dueMinutes: received + 3 * DAY }).step(
    'p',
    received,
    received + 10,
  )
  made.start('q', received + 10)
  made.read(value, received + 12)
  made.finish('q', received + 20)
  return made.step('r', received + 20, received + 30)
}
/** Sent back from R to P. */
export function sentBack(
  id: string,
  received = 0,
  more: { readonly remake?: boolean; readonly route?: typeof pqr } = {},
): MadeCase {
  const { remake = false, route = pqr } = more
  const made = new MadeCase(id, route, received, { dueMinutes: received + 3 * DAY })
  made.step('p', received, received + 10).step('q', received + 10, received + 20)
  made.start('r', received + 20)
  made.back('p', received + 30, remake)
  const again = received + 30
  return made
    .step('p', again, again + 10)
    .step('q', again + 10, again + 20)
    .step('r', again + 20, again + 30)
}
