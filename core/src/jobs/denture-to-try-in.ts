import { COMMON_PRACTICE } from '../materials/index.ts'
import { ARCH_MATTER, type Conditional, type TemplateStep } from '../route/index.ts'
import { settingOrder } from '../setup/index.ts'
import type { StepSheet } from '../sheet/index.ts'
import { adjust, look } from './checks.ts'
import { clinicSteps } from './clinic-steps.ts'
import { contourSteps, sealBase } from './denture-contour.ts'

/** The teeth of one part of the arch, ticked as they are set, in the order of the lab's school. */
function settingSheets(part: 'front' | 'back'): (StepSheet & Conditional)[] {
  const archs = ['upper', 'lower'] as const
  const schools = ['side-by-side', 'in-pairs'] as const
  return archs.flatMap((arch) =>
    schools.map((school) => ({
      id: `set-${part}-${arch}`,
      kind: 'teethSet' as const,
      name: arch === 'upper' ? 'Upper teeth set' : 'Lower teeth set',
      how: 'Tick each tooth as it stands; out of turn does not matter.',
      source: COMMON_PRACTICE,
      order: settingOrder(arch, part, school),
      failing: { verdict: 'adjust' as const, say: 'Set it, or have the prescription changed.' },
      when: { [ARCH_MATTER]: [arch, 'pair'], 'setting-order': [school] },
    })),
  )
}

/** From the mounted casts to the wax set-up that came back from its try-in. */
export const dentureToTryIn: readonly TemplateStep[] = [
  {
    id: 'transfer',
    name: 'Transfer the prescription',
    stage: 'setUp',
    instrument: { opens: 'setUp' },
    means: 'prescriptionTaken',
    kind: 'attended',
    how: [
      'Measure the record block before a wax tooth is touched.',
      'Mark centre line and canine lines on the cast.',
      'Write the figures here and on the articulator.',
    ],
    why: 'If the articulator is ever disturbed these figures bring it back.',
    handsOnMinutes: 10,
    sheets: [
      {
        id: 'prescription',
        kind: 'prescription',
        name: 'Prescription from the rim',
        how: 'Ruler and dividers; the same places are measured again after set-up.',
        source: COMMON_PRACTICE,
        failing: adjust('Measure again.'),
      },
    ],
  },
  {
    id: 'plan-set-up',
    mayBeSkipped: 'The teeth are set by eye along the rim.',
    name: 'Plan the set-up',
    stage: 'setUp',
    instrument: { opens: 'setUp' },
    kind: 'attended',
    how: [
      'Measure along the rim and the crest of the ridge.',
      'Choose the teeth; print the plan, lay it under the cast.',
    ],
    why: 'Whether the teeth fit between the canine lines is known before the first one is set.',
    handsOnMinutes: 10,
    sheets: [
      {
        id: 'set-up-plan',
        kind: 'setUpPlan',
        name: 'Set-up plan',
        how: 'Where every tooth goes, worked out from the rim and the ridge.',
        source: COMMON_PRACTICE,
        failing: adjust('Look at the plan again.'),
      },
    ],
  },
  {
    id: 'set-anteriors',
    name: 'Set the front teeth',
    stage: 'setUp',
    kind: 'attended',
    how: [
      'One tooth at a time: take out one tooth of wax, set, fix.',
      'Check against the marks with dividers.',
    ],
    howWhen: [
      { when: { 'setting-order': ['side-by-side'] }, say: 'Central, lateral, canine; then the other side.' },
      { when: { 'setting-order': ['in-pairs'] }, say: 'Both centrals, both laterals, both canines.' },
    ],
    why: 'The rim holds the position only where it still stands.',
    handsOnMinutes: 40,
    amounts: [
      {
        id: 'teeth',
        kind: 'use',
        materialId: 'denture-teeth',
        count: 1,
        unit: 'set',
        perArch: true,
        source: 'as prescribed',
      },
    ],
    sheets: settingSheets('front'),
    uses: ['moltenWax', 'blade'],
  },
  {
    id: 'set-posteriors',
    name: 'Set the back teeth',
    stage: 'setUp',
    kind: 'attended',
    how: [
      'From the canine toward the middle of the ridge.',
      'Palatal cusps drop, buccal cusps rise progressively.',
      'Run a little wax round the necks.',
    ],
    why: 'The compensating curves keep contact when the jaw moves.',
    handsOnMinutes: 40,
    sheets: settingSheets('back'),
    uses: ['moltenWax'],
  },
  {
    id: 're-measure',
    name: 'Measure the set-up again',
    stage: 'setUp',
    instrument: { opens: 'setUp' },
    kind: 'attended',
    how: ['The same places, the same ruler.', 'Enter what you read; the difference is worked out.'],
    why: 'A set-up drifts as the wax cools. Now it costs minutes.',
    handsOnMinutes: 5,
    sheets: [
      {
        id: 'set-up',
        kind: 'setUp',
        name: 'Set-up against the prescription',
        how: 'Every measure of the rim once more, on the teeth.',
        source: 'common practice; the tolerances are editable',
        prescriptionOf: { stepId: 'transfer', sheetId: 'prescription' },
        failing: adjust('Move the teeth as it says, then measure again.'),
      },
    ],
    checks: [
      look(
        'set-up-contacts',
        'Contacts',
        'Close to the pin; pull a strip through at each pair.',
        'Pin down, even',
        {
          'Pin stands off': adjust('Find the early contact with paper and seat that tooth deeper.'),
          'No contact on one side': adjust('Bring those teeth up to the opposing ones.'),
        },
      ),
    ],
  },
  ...contourSteps('set-posteriors'),
  ...clinicSteps,
  sealBase('set-posteriors'),
]
