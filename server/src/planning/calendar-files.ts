import type { BoardBar, Holidays, Spell } from '@yentrik/core'
import ICAL from 'ical.js'
import { createEvents, type EventAttributes } from 'ics'
import { Refusal } from '../errors/problem.filter.ts'

const MINUTE = 60_000
/** Repeated days off are taken for so long. */
const DAYS_AHEAD = 400
const MOST_TAKEN = 400

/** The planned work as a calendar (iCalendar, RFC 5545), in UTC. */
export function calendarFile(
  name: string,
  bars: readonly BoardBar[],
  who: (personId?: string) => string,
): string {
  const events = bars.map((bar): EventAttributes => {
    const first = bar.steps[0]?.name ?? bar.part
    const person = who(bar.personId)
    return {
      uid: `${bar.id.replace(/[^\w.-]/g, '-')}@yentrik.local`,
      start: Math.floor(bar.at / MINUTE) * MINUTE,
      startInputType: 'utc',
      startOutputType: 'utc',
      end: Math.ceil(Math.max(bar.until, bar.at + MINUTE) / MINUTE) * MINUTE,
      endInputType: 'utc',
      endOutputType: 'utc',
      title: `${bar.docket} ${first}`,
      description: [...bar.steps.map((step) => step.name), ...(person ? [person] : [])].join('\n'),
      calName: name,
      productId: 'yentrik',
      status: bar.begun ? 'CONFIRMED' : 'TENTATIVE',
      transp: bar.part === 'hands' || bar.part === 'load' || bar.part === 'out' ? 'OPAQUE' : 'TRANSPARENT',
    }
  })
  const { error, value } = createEvents(events, { calName: name, productId: 'yentrik' })
  if (error || !value) throw error ?? new Error('no calendar came of it')
  // With nothing planned the package gives no frame at all.
  return value
}

/**
 * Days off and absences from a calendar file.
 * @throws {Refusal} `no-calendar`
 */
export function spellsOf(text: string, now: number): Spell[] {
  const until = now + DAYS_AHEAD * 24 * 60 * MINUTE
  const found: Spell[] = []
  for (const event of eventsOf(text)) {
    const why = event.summary?.trim().slice(0, 200)
    const length = event.duration.toSeconds() * 1000
    for (const start of startsOf(event, until)) {
      const from = start.toJSDate().getTime()
      if (from + length <= now || length <= 0) continue
      found.push({
        from: new Date(from).toISOString(),
        until: new Date(from + length).toISOString(),
        ...(why ? { why } : {}),
      })
      if (found.length >= MOST_TAKEN) return found
    }
  }
  return found
}

/** Whole days of a calendar file, for the holidays of the lab. @throws {Refusal} `no-calendar` */
export function holidaysOf(text: string, now: number): Holidays {
  const until = now + DAYS_AHEAD * 24 * 60 * MINUTE
  const found: { day: string; name: string }[] = []
  for (const event of eventsOf(text)) {
    const days = Math.max(1, Math.round(event.duration.toSeconds() / 86_400))
    for (const start of startsOf(event, until))
      for (let n = 0; n < days && found.length < MOST_TAKEN; n++) {
        const day = start.clone()
        day.adjust(n, 0, 0, 0)
        const name = event.summary?.trim().slice(0, 120) || 'closed'
        if (day.toJSDate().getTime() > now - 86_400_000)
          found.push({ day: day.toString().slice(0, 10), name })
      }
  }
  return found
}

function eventsOf(text: string): ICAL.Event[] {
  try {
    const calendar = new ICAL.Component(ICAL.parse(text) as unknown[])
    for (const zone of calendar.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(zone)
    const events = calendar.getAllSubcomponents('vevent').map((event) => new ICAL.Event(event))
    if (events.length > 0 && events.every((event) => event.startDate)) return events
  } catch {
    // Said below, whatever is wrong with it.
  }
  throw new Refusal(
    422,
    'no-calendar',
    'There is no day in this file.',
    'Choose a calendar file (.ics) with events in it.',
    {
      field: 'calendar',
    },
  )
}

function startsOf(event: ICAL.Event, until: number): ICAL.Time[] {
  if (!event.isRecurring()) return [event.startDate]
  const starts: ICAL.Time[] = []
  const all = event.iterator()
  for (let start = all.next(); start && starts.length < MOST_TAKEN; start = all.next()) {
    if (start.toJSDate().getTime() > until) break
    starts.push(start)
  }
  return starts
}
