import {
  type CaseEvent,
  type CaseSummary,
  type CustomMadeStatement,
  choice,
  commandShape,
  eventShape,
  figure,
  id,
  instant,
  intakeParts,
  list,
  maybe,
  named,
  type Of,
  type Route,
  record,
  returnParts,
  routeShape,
  text,
  typedAs,
  whole,
} from '@yentrik/core'
import { result, results, route } from './route.ts'

/** A case as screens get it: its events and the routes they name; the state is worked out by the core. */
export interface CaseRecord {
  readonly caseId: string
  readonly events: readonly CaseEvent[]
  readonly routes: Readonly<Record<string, Route>>
}
const caseRecord = result<CaseRecord>('The events of a case, and the routes that they name')

const lotShape = record({ lotId: id(), materialId: id(), number: text(60) })

/** More than this no case has. */
export const MOST_DOCUMENT_EVENTS = 20_000

/** A whole case, as it leaves and comes back. Its schema is published at /api/schema/case.json. */
export const caseDocumentShape = record(
  {
    format: choice(['yentrik-case']),
    version: choice([1]),
    caseId: text(36, { pattern: '^[0-9a-f-]{36}$' }),
    /** The lab that it comes from, as it calls itself. */
    lab: maybe(text(80)),
    events: typedAs<readonly CaseEvent[]>(list(eventShape, MOST_DOCUMENT_EVENTS, 1)),
    routes: named(routeShape, 200),
    lots: list(lotShape, 2000),
  },
  { description: 'A dental laboratory case with everything that was done on it' },
)
export type CaseDocument = Of<typeof caseDocumentShape>

const docket = text(24, {
  pattern: '^[A-Za-z0-9][A-Za-z0-9-]*$',
  example: 'K-2157',
  description: 'As scanned or pasted; left out, the next number of the lab',
})

/** How the events of a case hang together. */
export interface Chain {
  readonly events: number
  /** SHA-256 of the newest event: printed, it shows later whether anything before it was changed. */
  readonly newest: string
  /** The first event that does not fit the one before it. */
  readonly looseAt: number | null
}

export const caseRoutes = {
  'GET /cases': route({
    room: 'cases',
    summary: 'Every case in short',
    query: record({ which: maybe(choice(['live', 'closed', 'all'])) }),
    answer: results<CaseSummary>('A case in short'),
  }),
  'POST /cases': route({
    room: 'cases',
    right: 'decide',
    summary: 'Take a case in',
    body: record({
      docket: maybe(docket),
      ...intakeParts,
      /** The chance that the plan gave of its due date, where it was asked. */
      promisedChance: maybe(figure(0, 1, { example: 0.9 })),
    }),
    answer: caseRecord,
    status: 201,
  }),
  'POST /cases/:caseId/return': route({
    room: 'cases',
    right: 'decide',
    summary: 'Take a delivered case back: a linked case that begins again from one of its steps',
    body: record({ docket: maybe(docket), ...returnParts }),
    answer: caseRecord,
    status: 201,
  }),
  'GET /dockets/:docket': route({
    room: 'cases',
    summary: 'The case of a docket code',
    answer: record({ caseId: id() }),
  }),
  'POST /cases/import': route({
    room: 'cases',
    right: 'import',
    summary: 'Take in a whole case that another lab, or this one, has exported',
    body: caseDocumentShape,
    answer: caseRecord,
    status: 201,
    most: 10_000_000,
    unchecked: true,
  }),
  'GET /schema/case.json': route({
    room: 'cases',
    summary: 'JSON Schema of an exported case',
    keepable: true,
    answer: result<object>('A JSON Schema, draft 7'),
  }),
  'GET /cases/:caseId': route({
    room: 'cases',
    summary: 'A case: its events and the routes they name',
    answer: caseRecord,
  }),
  'GET /cases/:caseId/chain': route({
    room: 'cases',
    summary: 'Whether every event still fits the one before it, and the hash of the newest',
    answer: result<Chain>('The links of the events'),
  }),
  'GET /cases/:caseId/events': route({
    room: 'cases',
    summary: 'What came on a case after an event, and the routes that it names',
    query: record({
      after: text(9, { pattern: '^[0-9]+$', example: '12', description: 'Sequence of the last event seen' }),
    }),
    answer: caseRecord,
  }),
  'GET /cases/:caseId/summary': route({
    room: 'cases',
    summary: 'One case in short',
    answer: result<CaseSummary>('A case in short'),
  }),
  'GET /cases/:caseId/document': route({
    room: 'cases',
    summary: 'The whole case as one JSON document',
    answer: result<CaseDocument>('See /api/schema/case.json'),
  }),
  'GET /cases/:caseId/jobs/:jobId/statement': route({
    room: 'cases',
    summary: 'The statement on a custom-made device, from the record; a template, local law decides',
    answer: result<CustomMadeStatement>('What the statement says'),
  }),
  'POST /cases/:caseId/events': route({
    room: 'cases',
    right: 'work',
    summary: 'Do something on a case; 409 when somebody did something since',
    body: record({
      seen: whole(1, 1e6, {
        example: 12,
        description: 'Sequence of the last event seen; a later one on record answers 409',
      }),
      command: commandShape,
      key: maybe(
        text(64, {
          pattern: '^[A-Za-z0-9-]{8,64}$',
          example: '7d0c1b9e-0f5a-4a53-9d3e-1b7c2f60a6d4',
          description:
            'One for each command: sent again with the same, because the answer was lost, it is done once',
        }),
      ),
      doneAt: maybe(
        instant({
          description:
            'When it was done, where the server was away: counts from then, but not from before the last event',
        }),
      ),
    }),
    answer: result<CaseEvent>('The new event'),
    status: 201,
  }),
}
