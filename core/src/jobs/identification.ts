import type { CheckOf, Conditional, TemplateStep } from '../route/index.ts'
import { adjust, askDentist, look, pass } from './checks.ts'

/** The strip goes in under the last closure: asked for by law or the lab, or usual and left out with a reason. */
function identification(id: string, rule: string, mayBeSkipped?: string): TemplateStep {
  return {
    id,
    name: 'Patient identification',
    stage: 'pack',
    kind: 'attended',
    when: { identification: [rule] },
    how: ['Strip into a place that does not show.', 'A little clear or pink resin over it.'],
    why: 'Where law or the lab asks for it, the denture says whose it is. Local law decides.',
    handsOnMinutes: 4,
    checks: [
      look('strip', 'Strip', 'Read it before it is covered, against the docket.', 'In place, reads right', {
        'Wrong or out of place': adjust('Take it out and place the right one.'),
      }),
    ],
    ...(mayBeSkipped ? { mayBeSkipped } : {}),
  }
}
export const identificationSteps: readonly TemplateStep[] = [
  identification('identification-required', 'required'),
  identification('identification', 'strip', 'Neither law nor the dentist asks for it.'),
]

const reads = look(
  'identification-reads',
  'Identification',
  'Read the strip through the resin.',
  'Reads right',
  { 'Cannot be read': askDentist('The identification cannot be read. Accept, or place a new strip?') },
)
/** At the last look: as it was meant to be. */
export const identificationChecks: readonly (CheckOf<'observe'> & Conditional)[] = [
  { ...reads, when: { identification: ['required'] } },
  {
    ...reads,
    answers: [...reads.answers, { answer: 'None, as agreed', outcome: pass }],
    when: { identification: ['strip'] },
  },
]
