import { impressionsShape } from '../route/index.ts'
import {
  byTag,
  choice,
  figure,
  id,
  instant,
  list,
  maybe,
  type Of,
  record,
  type Shape,
  text,
  whole,
  words,
} from '../shape/index.ts'
import { carriedShape } from './carried.ts'
import { authorisationShape, type Deeds, deeds } from './payloads.ts'
import { returnCauseIds } from './return-causes.ts'

/**
 * The events of a case: immutable facts, in order. The state of a case is computed from them and from nothing else.
 * `at` is in UTC; `by` is the first name of the person who did it.
 */
const stamp = {
  /** 1, 2, 3 ... without a gap. */
  sequence: whole(1, 1e6),
  at: instant(),
  by: text(120),
  /** The hash of the event before; the first has none, nor have records from before there were links. */
  previous: maybe(text(64)),
  /** What the clock said, where it had run back: `at` is never before the last event. The first such event has it. */
  clockAt: maybe(instant()),
  /** It was done while the server was away: when, by the clock of the bench, and when it came in. */
  kept: maybe(record({ doneAt: instant(), sentAt: instant() })),
  /** How fast the clock of the lab ran, where it ran faster than time: such minutes are nobody's. */
  clockSpeed: maybe(figure(1, 10_000)),
}
const stampShape = record(stamp)
export type EventStamp = Of<typeof stampShape>

const receivedJobShape = record({
  jobId: id(),
  /** Names the immutable copy of the route. */
  routeId: id(),
  impressions: maybe(impressionsShape),
  /** Of work that came back: the step it begins again from, and what still holds of the case before. */
  fromStepId: maybe(id()),
  carried: maybe(carriedShape),
})

/** Cases that are none of the lab's work: played for practice, or made for a demo. */
export const caseMarks = ['practice', 'demo'] as const
export type CaseMark = (typeof caseMarks)[number]

const receipt = {
  docket: text(40),
  mark: maybe(choice(caseMarks)),
  authorisation: authorisationShape,
  jobs: list(receivedJobShape, 20, 1),
  /** It was delivered before, and came back: from which case, why, and what was found. */
  cameBack: maybe(record({ caseId: id(), docket: text(40), cause: choice(returnCauseIds), found: words() })),
}
const receiptShape = record(receipt)

const importShape = record({
  /** The lab that it came from, as it calls itself. */
  lab: maybe(text(80)),
  /** `whole`: every event fits the one before it. `none`: it came without links, so nothing could be looked at. */
  chain: choice(['whole', 'none']),
})

/** Where a delivered case went on, when it came back. */
const cameBackShape = record({ caseId: id(), docket: text(40) })

type Added<D> = D extends { readonly adds: infer A extends Shape } ? Of<A> : unknown
type EventOf<D extends Deeds[keyof Deeds]> = { readonly type: D['becomes'] } & Of<D['payload']> & Added<D>

export type CaseEventData =
  | ({ readonly type: 'caseReceived' } & Of<typeof receiptShape>)
  /** It came as a document: what stands before was done elsewhere. */
  | ({ readonly type: 'imported' } & Of<typeof importShape>)
  | ({ readonly type: 'cameBack' } & Of<typeof cameBackShape>)
  | { [K in keyof Deeds]: EventOf<Deeds[K]> }[keyof Deeds]
export type CaseEvent = EventStamp & CaseEventData
export type EventOfType<T extends CaseEvent['type']> = Extract<CaseEvent, { readonly type: T }>
export type DentistDecision = EventOfType<'dentistAnswered'>['decision']

/** An event as the case document holds it. */
export const eventShape = byTag('type', {
  caseReceived: record({ ...stamp, ...receipt }),
  imported: record({ ...stamp, ...importShape.properties }),
  cameBack: record({ ...stamp, ...cameBackShape.properties }),
  ...Object.fromEntries(
    Object.values(deeds).map((deed) => [
      deed.becomes,
      record({ ...stamp, ...deed.payload.properties, ...('adds' in deed ? deed.adds.properties : {}) }),
    ]),
  ),
})
