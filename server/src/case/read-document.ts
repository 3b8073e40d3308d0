import { type CaseDocument, caseDocumentShape, MOST_DOCUMENT_EVENTS } from '@yentrik/contract'
import {
  type CaseEvent,
  chained,
  checkSheet,
  type EventOfType,
  eventShape,
  follow,
  hasLinks,
  looseLink,
  type Route,
  routeFaults,
  routeTemplates,
  type WorkingCase,
  withdrawals,
  workingCase,
} from '@yentrik/core'
import { Ajv, type ErrorObject } from 'ajv'
import { eventHash } from '../database/event-hash.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { routeIdOf } from './house.ts'
import { inPieces, letOthersIn } from './in-pieces.ts'

/** Made when the first document is read: it takes most of a second. */
const readers = lazy(() => {
  const ajv = new Ajv({
    discriminator: true,
    strict: false,
    code: { optimize: false },
    formats: { 'date-time': true, date: true },
  })
  const { events } = caseDocumentShape.properties
  return {
    /** All but what is in its events, each of which is looked at by itself: to make both whole would take twice as long. */
    isCaseDocument: ajv.compile<CaseDocument>({
      ...caseDocumentShape,
      properties: { ...caseDocumentShape.properties, events: { ...events, items: {} } },
    }),
    isEvent: ajv.compile<CaseEvent>(eventShape),
  }
})

function lazy<T>(make: () => T): () => T {
  let made: T | undefined
  return () => {
    made ??= make()
    return made
  }
}

/**
 * Checks a document against its schema, its own hashes and links, and the replay of its events. A long one is looked at in
 * pieces: the benches work on meanwhile.
 * @throws {Refusal} `document-damaged` with the place and the reason
 */
export async function readDocument(sent: unknown): Promise<{
  readonly working: WorkingCase
  readonly sound: CaseDocument
  readonly chain: EventOfType<'imported'>['chain']
}> {
  const document = await mustFitSchema(sent)
  for (const [routeId, route] of Object.entries(document.routes)) {
    if (routeIdOf(route) !== routeId)
      throw damaged(`/routes/${routeId}`, 'has been changed: it does not match its name')
    const [fault] = routeFaults(route)
    if (fault) throw damaged(`/routes/${routeId}`, fault)
  }
  const gap = document.events.findIndex((event, index) => event.sequence !== index + 1)
  if (gap >= 0)
    throw damaged(
      `/events/${gap}/sequence`,
      `is ${document.events[gap]?.sequence}, not ${gap + 1}: events are missing or out of order`,
    )
  const { events, chain } = await linkedEvents(document.events)
  const routes = new Map(Object.entries(document.routes))
  const working = await replayed(events, routes)
  await inPieces(events, (event, index) => {
    const recorded = event.type === 'corrected' ? events[event.corrects - 1] : event
    const { sheet } = event.type === 'corrected' || event.type === 'sheetRecorded' ? event : {}
    if (recorded?.type === 'sheetRecorded' && sheet)
      mustBeSoundSheet({ ...recorded, sheet }, [...routes.values()], `/events/${index}/sheet`)
  })
  return { working, sound: document, chain }
}

/** The events one by one: there may be thousands. */
async function mustFitSchema(document: unknown): Promise<CaseDocument> {
  const { events, ...rest } = (document ?? {}) as Partial<CaseDocument>
  const many = Array.isArray(events) ? (events as readonly unknown[]) : undefined
  // Their number is looked at with the rest: of too many there is one too many.
  const some = many && many.length <= MOST_DOCUMENT_EVENTS ? many.slice(0, 1) : events
  const { isCaseDocument, isEvent } = readers()
  if (!isCaseDocument(many ? { ...rest, events: some } : document)) throw notFitting(isCaseDocument.errors)
  await letOthersIn()
  await inPieces(many!, (event, index) => {
    if (!isEvent(event)) throw notFitting(isEvent.errors, `/events/${index}`)
  })
  return document as CaseDocument
}

function notFitting(errors: readonly ErrorObject[] | null | undefined, place = ''): Refusal {
  const [error] = errors ?? []
  return damaged(`${place}${error?.instancePath ?? ''}` || '/', `${error?.message ?? 'is not a case'}`)
}

/** The events with a link each to the one before; those of before there were links are given them. */
async function linkedEvents(events: readonly CaseEvent[]) {
  const hashes = new Map<CaseEvent, string>()
  await inPieces(events, (event) => hashes.set(event, eventHash(event)))
  const loose = looseLink(events, (event) => hashes.get(event)!)
  if (loose === undefined) return { events, chain: 'whole' as const }
  if (hasLinks(events))
    throw damaged(
      `/events/${loose - 1}/previous`,
      'it does not fit the event before it: something was changed',
    )
  return { events: chained(events, eventHash), chain: 'none' as const }
}

async function replayed(
  events: readonly CaseEvent[],
  routes: ReadonlyMap<string, Route>,
): Promise<WorkingCase> {
  try {
    let working = workingCase(events.slice(0, 1), routes, routeTemplates)
    const gone = withdrawals(events)
    await inPieces(events.slice(1), (event) => {
      working = follow(working, event, routes, routeTemplates, gone)
    })
    return working
  } catch (error) {
    throw damaged('/events', error instanceof Error ? error.message.replace(/\.$/, '') : String(error))
  }
}

function mustBeSoundSheet(
  event: Extract<CaseEvent, { type: 'sheetRecorded' }>,
  routes: readonly Route[],
  place: string,
): void {
  const sheet = routes
    .flatMap((route) => route.steps.find((step) => step.id === event.stepId)?.sheets ?? [])
    .find(({ id }) => id === event.sheetId)
  try {
    if (!sheet) throw new Error(`no route has the sheet ${event.sheetId}`)
    checkSheet(sheet, event.sheet)
  } catch (error) {
    throw damaged(place, error instanceof Error ? error.message.replace(/\.$/, '') : String(error))
  }
}

function damaged(place: string, reason: string): Refusal {
  return new Refusal(
    422,
    'document-damaged',
    `At ${place}: ${reason}.`,
    'Export the case again where it came from; nothing was imported.',
    { field: place },
  )
}
