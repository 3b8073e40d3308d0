import { COMMON_PRACTICE } from '../materials/index.ts'
import { ARCH_MATTER, type Conditional, type Matter, type TemplateStep } from '../route/index.ts'
import type { StepSheet } from '../sheet/index.ts'
import { adjust, askDentist, look } from './checks.ts'

/** What most jobs do alike on the way in and out (common practice). */

export const oneArch: Matter = {
  id: ARCH_MATTER,
  name: 'Arch',
  choices: [
    { id: 'upper', name: 'Upper' },
    { id: 'lower', name: 'Lower' },
  ],
  usual: 'upper',
  why: 'As prescribed.',
  prescribed: true,
}

/** A sheet for each arch that is made, of one kind of its own; a pair has both. */
export const eachArch = (
  sheetOf: (arch: 'upper' | 'lower') => StepSheet,
): readonly (StepSheet & Conditional)[] =>
  (['upper', 'lower'] as const).map((arch) => ({ ...sheetOf(arch), when: { [ARCH_MATTER]: [arch, 'pair'] } }))

export const readAuthorisation: TemplateStep = {
  id: 'work-authorisation',
  name: 'Read the work authorisation',
  stage: 'receive',
  kind: 'attended',
  how: ['Compare it with what came in the box.', 'Teeth, materials, try-in and due date, enclosures.'],
  why: 'Work without a complete prescription is work twice.',
  handsOnMinutes: 3,
  means: 'authorisationRead',
  onlyOnce: true,
  checks: [
    look(
      'authorisation-complete',
      'Complete',
      'Every line filled in, nothing against what lies in the box.',
      'Complete',
      {
        'Something is missing or unclear': askDentist(
          'The work authorisation is incomplete or does not agree with what came along.',
        ),
      },
    ),
  ],
}

export function disinfectArrival(what: string): TemplateStep {
  return {
    id: 'disinfect-arrival',
    name: 'Disinfect everything that came',
    stage: 'receive',
    kind: 'attended',
    how: ['Rinse, disinfect for the time on the label, rinse.', what],
    means: 'arrivalDisinfected',
    why: 'It comes from a mouth. The record shows who did it.',
    handsOnMinutes: 5,
    uses: ['mouth', 'disinfectant'],
  }
}

export const papersAndLabel: TemplateStep = {
  id: 'label',
  name: 'Papers',
  stage: 'document',
  kind: 'attended',
  how: ['Print the record.', 'Patient code and date on everything that leaves.'],
  why: 'Work without a name belongs to nobody.',
  handsOnMinutes: 3,
}

/** By the list that was typed when the case came in: nothing on it is left out. */
export const enclosuresBack: StepSheet = {
  id: 'enclosures',
  kind: 'enclosures',
  name: 'What came along',
  how: 'Say where each of them is.',
  source: COMMON_PRACTICE,
  failing: adjust('Look for it on the bench; what was used up or stays here is said so.'),
}

export function handOver(change: Pick<TemplateStep, 'how'> & Partial<TemplateStep>): TemplateStep {
  return {
    id: 'deliver',
    name: 'Disinfect, wrap, hand over',
    stage: 'deliver',
    kind: 'attended',
    why: 'Nothing leaves the lab that could carry infection or that is not on the note.',
    handsOnMinutes: 5,
    uses: ['disinfectant'],
    ...change,
    sheets: [...(change.sheets ?? []), enclosuresBack],
  }
}
