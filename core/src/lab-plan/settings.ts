import { checkSpells, spellShape } from '../equipment/index.ts'
import { skills } from '../planning/index.ts'
import { DomainError } from '../refusal/index.ts'
import {
  choice,
  day,
  figure,
  id,
  instant,
  list,
  maybe,
  named,
  type Of,
  record,
  whole,
  words,
} from '../shape/index.ts'

/** Weekly hours of one person, several stretches a day where there is a break. Minutes after local midnight. */
const hoursShape = list(
  record({ weekday: whole(0, 6), opensMinute: whole(0, 1440), closesMinute: whole(0, 1440) }),
  42,
)
export type WeekHours = Of<typeof hoursShape>

/** What somebody can do, and when they are there. */
export const planPersonShape = record({
  skills: list(choice(skills), skills.length),
  /** Left out: the hours of the lab. */
  hours: maybe(hoursShape),
  away: list(spellShape, 400),
})
export type PlanPerson = Of<typeof planPersonShape>

/** A step that somebody has put at a time, or into somebody's hands. */
export const pinShape = record({
  caseId: id(),
  jobId: id('job-1'),
  stepId: id('pour-anatomy'),
  at: maybe(instant()),
  personId: maybe(id()),
})
export type Pin = Of<typeof pinShape>

export const priorities = [1, 3, 10] as const
export type Priority = (typeof priorities)[number]
export const priorityNames: Readonly<Record<Priority, string>> = { 1: 'usual', 3: 'soon', 10: 'rush' }

export const holidaysShape = list(record({ day: day({ example: '2026-12-25' }), name: words(120) }), 400)
export type Holidays = Of<typeof holidaysShape>

/** Minutes of a step as this lab has timed it. */
const ownMinutesShape = record({
  hands: maybe(figure(0, 10_000)),
  wait: maybe(figure(0, 100_000)),
  /** Of the hands, standard deviation by mean: timed, never entered. */
  spread: maybe(figure(0, 2)),
})
/** By template and step, as complete-denture/trim-master. */
export const ownMinutesListShape = named(ownMinutesShape, 3000)

/** What a lab says of its planning. */
export interface PlanSettings {
  readonly people: Readonly<Record<string, PlanPerson>>
  readonly holidays: Holidays
  readonly minutes: Of<typeof ownMinutesListShape>
  readonly pins: readonly Pin[]
  readonly priorities: Readonly<Record<string, Priority>>
}
export const noPlanSettings: PlanSettings = {
  people: {},
  holidays: [],
  minutes: {},
  pins: [],
  priorities: {},
}

/** Nobody has said otherwise: everything that the lab does, in its hours. */
export const usualPerson: PlanPerson = { skills: [...skills], away: [] }

/** @throws {DomainError} `hours`, `spell` */
export function checkPlanPerson({ hours = [], away }: PlanPerson): void {
  for (const { weekday, opensMinute, closesMinute } of hours) {
    if (closesMinute <= opensMinute)
      throw new DomainError(
        'hours',
        'A day ends before it begins.',
        'Enter an end that comes after the beginning.',
        'hours',
      )
    const others = hours.filter(
      (other) =>
        other.weekday === weekday && other.opensMinute < closesMinute && other.closesMinute > opensMinute,
    )
    if (others.length > 1)
      throw new DomainError(
        'hours',
        'Two stretches of a day overlap.',
        'Make them one, or let a break lie between.',
        'hours',
      )
  }
  checkSpells(away, 'away')
}
