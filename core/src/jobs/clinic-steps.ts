import { COMMON_PRACTICE } from '../materials/index.ts'
import type { TemplateStep } from '../route/index.ts'
import { adjust, goBack } from './checks.ts'

const GOES_ALONG = ['Set-up on its cast', 'Bite record', 'Shade tab']
const NO_TRY_IN = 'The dentist wants no (further) try-in.'

/** A wax set-up goes to its try-in and comes back with the dentist's answer (common practice). */
export const clinicSteps: readonly TemplateStep[] = [
  {
    id: 'send-try-in',
    mayBeSkipped: NO_TRY_IN,
    name: 'Send for try-in',
    stage: 'clinic',
    kind: 'attended',
    how: ['Disinfect, pack on its cast, cool.', 'Write down what goes along and when it is due back.'],
    why: 'Wax bends in a warm van: say so on the box. What is not on a list does not come back.',
    handsOnMinutes: 10,
    sheets: [
      {
        id: 'sent',
        kind: 'dispatch',
        name: 'What goes along',
        how: 'Count it into the box.',
        source: COMMON_PRACTICE,
        suggested: GOES_ALONG,
        failing: adjust('Put it right.'),
      },
    ],
    uses: ['disinfectant'],
  },
  {
    id: 'try-in',
    mayBeSkipped: NO_TRY_IN,
    name: 'Try-in at the clinic',
    stage: 'clinic',
    kind: 'clinic',
    how: ['Finish this step when it is back, with what the dentist says.'],
    why: 'The last moment when teeth can still be moved.',
    handsOnMinutes: 0,
    waitMinutes: 2 * 24 * 60,
    dueBackOf: { stepId: 'send-try-in', sheetId: 'sent' },
    sheets: [
      {
        id: 'answer',
        kind: 'tryInAnswer',
        name: 'The dentist says',
        how: 'Read it off the note that came back.',
        source: COMMON_PRACTICE,
        changes: [
          { id: 'bite', name: 'New bite record', toStepId: 'mount-lower' },
          { id: 'prescription', name: 'Level, centre line, lip support', toStepId: 'transfer' },
          { id: 'other-teeth', name: 'Other teeth', toStepId: 'plan-set-up' },
          { id: 'front', name: 'Front teeth', toStepId: 'set-anteriors' },
          { id: 'back', name: 'Back teeth', toStepId: 'set-posteriors' },
          { id: 'wax', name: 'Wax', toStepId: 'clean-wax' },
        ],
        failing: goBack('set-anteriors', 'Change it as the note says.'),
      },
    ],
  },
  {
    id: 'disinfect-return',
    mayBeSkipped: NO_TRY_IN,
    name: 'Disinfect on return',
    stage: 'receive',
    kind: 'attended',
    how: ['Rinse cool, disinfect, rinse cool.', 'Back on its cast.', 'Count what came back.'],
    why: 'It has been in a mouth again.',
    handsOnMinutes: 5,
    sheets: [
      {
        id: 'back',
        kind: 'parts',
        name: 'What came back',
        how: 'Count it out of the box.',
        source: COMMON_PRACTICE,
        suggested: GOES_ALONG,
        returnOf: { stepId: 'send-try-in', sheetId: 'sent' },
        failing: adjust('Call the clinic for what is missing; when it is here, count again.'),
      },
    ],
    uses: ['mouth', 'disinfectant'],
  },
]
