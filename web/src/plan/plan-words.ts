import type { PlanBar, PlanBlocker, PlanCause, PlanChainLink, PlanLate } from '@yentrik/contract'
import type { TaskPart } from '@yentrik/core'
import { clockTime, dayAndTime } from '../format/format.ts'

export const MINUTE = 60_000

/** 2 h 10, or 2 days 3 h. */
export function span(minutes: number): string {
  const whole = Math.round(minutes)
  if (whole < 60) return `${whole} min`
  if (whole < 36 * 60) {
    const rest = whole % 60
    return `${Math.floor(whole / 60)} h${rest ? ` ${String(rest).padStart(2, '0')}` : ''}`
  }
  const days = Math.floor(whole / 1440)
  const hours = Math.round((whole % 1440) / 60)
  return `${days} day${days === 1 ? '' : 's'}${hours ? ` ${hours} h` : ''}`
}

const partWords: Readonly<Record<TaskPart, string>> = {
  hands: '',
  load: 'put in',
  run: 'runs',
  wait: 'by itself',
  out: 'take out',
  away: 'at the clinic',
  been: '',
}

/** What a bar is, for who reads it aloud: docket, work, when, who. */
export function barWords(bar: PlanBar, who: string | undefined, now: number): string {
  const part = partWords[bar.part]
  return [
    `${bar.docket} ${bar.steps.map(({ name }) => name).join(', ')}${part ? `, ${part}` : ''}`,
    `${dayAndTime(bar.at, now)} to ${clockTime(bar.until)}`,
    ...(who ? [who] : []),
    ...(bar.pinned ? ['pinned'] : []),
    ...(bar.begun ? ['begun'] : []),
  ].join(', ')
}

const blockerWords = ({ who, docket, until }: PlanBlocker, now: number): string =>
  docket === undefined
    ? `${who} not there until ${dayAndTime(until, now)}`
    : `${who} on ${docket} until ${dayAndTime(until, now)}`

const MOST_PEOPLE = 2
/** The first of those who could, and how many more are at something. */
function peopleWords(by: readonly PlanBlocker[], now: number): string {
  const soonest = [...by].sort((a, b) => a.until - b.until)
  const more = by.length - MOST_PEOPLE
  return [
    ...soonest.slice(0, MOST_PEOPLE).map((each) => blockerWords(each, now)),
    ...(more > 0 ? [`${more} more busy`] : []),
  ].join('; ')
}

/** What a step waits for, in words. */
export function causeWords(cause: PlanCause, now: number): string {
  switch (cause.kind) {
    case 'people':
      return peopleWords(cause.by, now)
    case 'machine': {
      const first = cause.by[0]
      if (!first) return 'its machine is taken'
      if (first.docket === undefined) return `${first.who} out of order until ${dayAndTime(first.until, now)}`
      const dockets = [...new Set(cause.by.flatMap(({ docket }) => docket ?? []))]
      return `${first.who} taken by ${dockets.join(', ')} until ${dayAndTime(first.until, now)}`
    }
    case 'heldBack':
      return `so that ${cause.stepName.toLowerCase()} follows within ${span(cause.withinMinutes)}`
    case 'together':
      return `waits to run with ${cause.dockets.join(', ')}`
    case 'timer':
      return 'begins by its timer, so that it ends when somebody is there'
    case 'closed':
      return 'waits for the next open hours'
    case 'nothing':
      return 'could begin sooner; nothing is in its way'
  }
}

/** How long a step stood before it could begin. */
export const waited = ({ readyAt, at }: PlanChainLink): number => Math.max(0, at - readyAt)

/** The links that made most of the time, in the order of the clock. */
export function mainLinks({ chain }: PlanLate, most: number): readonly PlanChainLink[] {
  const longest = [...chain].sort((a, b) => weight(b) - weight(a)).slice(0, most)
  return chain.filter((link) => longest.includes(link))
}
/** A wait for somebody counts more than work does. */
const weight = (link: PlanChainLink) => 2 * waited(link) + (link.until - link.at)

export const longestWait = ({ chain }: PlanLate): PlanChainLink | undefined =>
  chain.reduce<PlanChainLink | undefined>(
    (most, link) => (waited(link) > (most ? waited(most) : 0) ? link : most),
    undefined,
  )

export const lateWords = (minutes: number): string => `${span(minutes)} late`
export const soonerWords = (minutes: number): string => `${span(minutes)} sooner`
