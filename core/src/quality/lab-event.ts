import { DomainError } from '../refusal/index.ts'
import { byTag, id, type Of, record, text, whole, words, yesNo } from '../shape/index.ts'

const series = text(400, { example: 'complete-denture/open-flask/pin-opening@..2' })
/** `entry`: of the case, by its sequence. */
const value = { series, caseId: id(), entry: whole(1, 1e6) }
const reason = words(1000)

/** What the lab says of its own figures: facts, in their order, as those of a case are. */
export const labDeedShape = byTag('type', {
  /** From now on it is another product, gauge or method: the limits are worked out anew. */
  limitsSet: record({ series, reason }),
  /** A value is taken out of the limits. */
  valueLeftOut: record({ ...value, reason }),
  /** Somebody looked what was different. */
  signalSeen: record({ ...value, words: reason }),
  /** What was found before counts no more in the order of causes. */
  causeWeightsReset: record({ place: text(80), fault: text(120), reason }),
  /** The plan keeps its own figure for a step, or takes the learned one again. */
  learnedTimeRefused: record({ template: id(), step: id(), refused: yesNo(), reason }),
})
export type LabDeed = Of<typeof labDeedShape>
export type LabEvent = LabDeed & { readonly sequence: number; readonly at: string; readonly by: string }

const missing = {
  limitsSet: ['limits-without-reason', 'Why the limits begin anew'],
  valueLeftOut: ['limits-without-reason', 'Why the value is left out'],
  signalSeen: ['words-missing', 'What was different'],
  causeWeightsReset: ['reset-without-reason', 'Why the findings count no more'],
  learnedTimeRefused: ['reason-missing', "Why the plan keeps its figure, or takes the lab's"],
} as const

/** @throws {DomainError} `limits-without-reason`, `reset-without-reason`, `words-missing`, `reason-missing` */
export function checkLabDeed(deed: LabDeed): void {
  const said = deed.type === 'signalSeen' ? deed.words : deed.reason
  if (said.trim().length > 0) return
  const [code, what] = missing[deed.type]
  throw new DomainError(
    code,
    `${what} is not said.`,
    'Write it in a sentence: whoever looks at it in a year needs it.',
    deed.type === 'signalSeen' ? 'words' : 'reason',
  )
}
