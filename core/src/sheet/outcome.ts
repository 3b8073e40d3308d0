import type { Saying } from '../quantity/index.ts'
import { byTag, id, maybe, type Of, record, text, typedAs } from '../shape/index.ts'

/** Words of a route or a sheet; with quantities only where the core works them out. */
const sayingShape = typedAs<Saying>({
  anyOf: [{ type: 'string', maxLength: 2000 }, { type: 'array' }],
})
const saying = record({ say: sayingShape })
const sayingAndStep = record({ toStepId: id(), say: sayingShape })

/** `awaits`: what must come from the clinic first, as a question to it; the case waits for that. */
const again = record({ toStepId: id(), say: sayingShape, awaits: maybe(text(500)) })

const failing = { adjust: saying, goBack: sayingAndStep, remake: again, askDentist: saying }
export const outcomeShape = byTag('verdict', { pass: record({}), ...failing })
export const failingOutcomeShape = byTag('verdict', failing)
/** What follows from a check. `say` is what to do next, or the question for the dentist. */
export type Outcome = Of<typeof outcomeShape>
export type FailingOutcome = Of<typeof failingOutcomeShape>
