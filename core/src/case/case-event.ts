import { byTag, id, instant, list, type Of, record, text, whole } from '../shape/index.ts'
import { authorisationShape, type Deeds, deeds } from './payloads.ts'

/**
 * The events of a case: immutable facts, in order. The state of a case is computed from them and from nothing else.
 * `at` is in UTC; `by` is the first name of the person who did it.
 */
const stamp = {
  /** 1, 2, 3 ... without a gap. */
  sequence: whole(1, 1e6),
  at: instant(),
  by: text(120),
}
const stampShape = record(stamp)
export type EventStamp = Of<typeof stampShape>

const receivedJobShape = record({
  jobId: id(),
  /** Names the immutable copy of the route. */
  routeId: id(),
})

const receipt = {
  docket: text(40),
  authorisation: authorisationShape,
  jobs: list(receivedJobShape, 20, 1),
}
const receiptShape = record(receipt)

type Added<D> = D extends { readonly adds: infer A extends Readonly<Record<string, unknown>> }
  ? { readonly [K in keyof A]: string }
  : unknown
type EventOf<D extends Deeds[keyof Deeds]> = { readonly type: D['becomes'] } & Of<D['payload']> & Added<D>

export type CaseEventData =
  | ({ readonly type: 'caseReceived' } & Of<typeof receiptShape>)
  | { [K in keyof Deeds]: EventOf<Deeds[K]> }[keyof Deeds]
export type CaseEvent = EventStamp & CaseEventData
export type EventOfType<T extends CaseEvent['type']> = Extract<CaseEvent, { readonly type: T }>
export type DentistDecision = EventOfType<'dentistAnswered'>['decision']

/** An event as the case document holds it. */
export const eventShape = byTag('type', {
  caseReceived: record({ ...stamp, ...receipt }),
  ...Object.fromEntries(
    Object.values(deeds).map((deed) => [
      deed.becomes,
      record({ ...stamp, ...deed.payload.properties, ...('adds' in deed ? deed.adds : {}) }),
    ]),
  ),
})
