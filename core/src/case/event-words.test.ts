import { describe, expect, it } from '@jest/globals'
import { routeTemplates } from '../jobs/index.ts'
import { articulatorCards } from '../mounting/index.ts'
import { spoken } from '../quantity/index.ts'
import { buildRoute } from '../route/index.ts'
import { inventedPrescription, inventedSetUp, usualTolerances } from '../setup/index.ts'
import type { SheetData } from '../sheet/index.ts'
import { inventedPair } from '../trimming/index.ts'
import type { CaseEvent } from './case-event.ts'
import { eventWords, mixWords } from './event-words.ts'
import type { JobState } from './state.ts'

const jobOf = (templateId: string): JobState => {
  const route = buildRoute(routeTemplates.get(templateId)!)
  return { jobId: templateId, routeId: 'r', route, steps: {}, impressions: [], remakes: 0 }
}
const reader = {
  jobs: ['complete-denture', 'cast-bridge', 'wire-clasp-partial', 'study-model-pair'].map(jobOf),
  lotNumber: (id: string) => `no. ${id}`,
}
const sheetEvent = (jobId: string, stepId: string, sheetId: string, sheet: SheetData): CaseEvent => ({
  sequence: 2,
  at: '2026-03-02T08:00:00Z',
  by: 'Ada',
  type: 'sheetRecorded',
  jobId,
  stepId,
  sheetId,
  sheet,
})
const { name, articulator } = articulatorCards[0]!

describe('what was done, as a person would tell it', () => {
  it.each<[string, string, string, SheetData, string]>([
    [
      'complete-denture',
      'set-articulator',
      'articulator',
      { kind: 'mounting', name, articulator, pinMillimetres: 0, facebow: true, photo: 'data:' },
      'pin 0 mm',
    ],
    [
      'complete-denture',
      'transfer',
      'prescription',
      { kind: 'prescription', prescription: inventedPrescription },
      'Prescription from the rim: incisal level 21.5 mm, fullness 8 mm, pin 0 mm',
    ],
    [
      'complete-denture',
      'plan-set-up',
      'set-up-plan',
      { kind: 'setUpPlan', setUpEntry: inventedSetUp },
      'Set-up plan: Broad 24, 0.9 mm to spare',
    ],
    [
      'complete-denture',
      'set-anteriors',
      'set-front-upper',
      { kind: 'teethSet', teeth: [21, 11] },
      'Upper teeth set: 21, 11',
    ],
    [
      'complete-denture',
      're-measure',
      'set-up',
      {
        kind: 'setUp',
        tolerances: usualTolerances,
        reading: {
          centreLineMillimetres: 0.2,
          incisalLevelMillimetres: { right: 21.5, left: 22.1 },
          labialFullnessMillimetres: { right: 8, left: 8 },
          canineMillimetres: { right: 24, left: 24 },
          planeMillimetres: { right: 26, left: 26 },
          pinMillimetres: 0,
        },
      },
      'incisal level 21.5 mm and 22.1 mm',
    ],
    [
      'complete-denture',
      'wax-check',
      'contour-upper',
      { kind: 'regions', regions: [{ region: 'papillae', fault: 'Swollen' }] },
      'Papillae, swollen: Cut the papillae back',
    ],
    [
      'complete-denture',
      'wax-check',
      'contour-upper',
      { kind: 'regions', regions: [{ region: 'papillae' }] },
      'all 1 regions good',
    ],
    [
      'complete-denture',
      'send-try-in',
      'sent',
      { kind: 'dispatch', parts: [{ name: 'Bite record', count: 1 }], dueBackAt: '2026-03-04T12:00:00Z' },
      'What goes along: 1 Bite record; due back 2026-03-04T12:00',
    ],
    [
      'complete-denture',
      'try-in',
      'answer',
      { kind: 'tryInAnswer', changes: [] },
      'The dentist says: accepted',
    ],
    [
      'complete-denture',
      'try-in',
      'answer',
      { kind: 'tryInAnswer', changes: [{ change: 'wax', words: 'less full' }] },
      'The dentist says: Wax, less full',
    ],
    [
      'cast-bridge',
      'room-budget',
      'room',
      {
        kind: 'room',
        sites: [
          {
            name: 'Fossa',
            place: 'fossa',
            roomMillimetres: 1.3,
            greenMillimetres: 0.3,
            resinMillimetres: 0.5,
          },
        ],
      },
      'Room: Fossa 0.5 mm left of 1.3 mm',
    ],
    [
      'cast-bridge',
      'wax-occlusal',
      'grooves',
      { kind: 'grooves', tooth: 46, patternId: 'lower-molar-cross' },
      'Contour pattern: 46, Four cusps, cross',
    ],
    [
      'study-model-pair',
      'measure',
      'trim-plan',
      { kind: 'trimPlan', entry: inventedPair },
      'sides upper 65.2°',
    ],
  ])('%s, %s: %s', (jobId, stepId, sheetId, sheet, words) => {
    expect(spoken(eventWords(sheetEvent(jobId, stepId, sheetId, sheet), reader), 'metric')).toContain(words)
  })
  it('in inches on a bench that wants them', () => {
    const event = sheetEvent('complete-denture', 'transfer', 'prescription', {
      kind: 'prescription',
      prescription: { ...inventedPrescription, incisalLevelMillimetres: 25.4 },
    })
    expect(spoken(eventWords(event, reader), 'us')).toContain('incisal level 1 in')
  })
})

type Words = Partial<Record<CaseEvent['type'], readonly (readonly [object, string])[]>>
const onStep = { jobId: 'complete-denture', stepId: 'pin-opening' }
const gypsum = { ...onStep, amountId: 'base', materialId: 'stone-base-white', lots: ['7'] }
const sentences: Required<Omit<Words, 'sheetRecorded'>> = {
  cameBack: [[{ docket: 'K-9' }, 'Came back, and goes on as K-9']],
  imported: [
    [
      { chain: 'whole', lab: 'Kiln Street' },
      'Imported from Kiln Street. What stands before was done elsewhere; every entry fits the one before it.',
    ],
    [
      { chain: 'none' },
      'Imported. What stands before was done elsewhere; it came without the links by which a change would show.',
    ],
  ],
  caseReceived: [[{ docket: 'K-9' }, 'Took the case in as K-9']],
  authorisationAmended: [
    [
      { changes: { dueAt: '2026-03-09T12:00:00Z', clinic: 'Mill Lane' }, reason: 'moved' },
      'Changed the due date, clinic on the work authorisation (moved)',
    ],
    [
      { changes: { tryInAt: '', shade: '', teeth: [], wanted: '', notes: '' }, reason: 'all' },
      'Changed the try-in date, the shade, the teeth, what is wanted, the notes on the work authorisation (all)',
    ],
  ],
  withdrawn: [[{ withdraws: 7, reason: 'wrong case' }, 'Withdrew entry 7 (wrong case)']],
  impressionsRecorded: [
    [
      {
        jobId: 'complete-denture',
        impressions: [
          { of: 'impression', material: 'polyether' },
          { of: 'opposing', material: 'alginate', keepsMinutes: 90 },
        ],
      },
      'Impression: polyether, hour not known; Impression (opposing): alginate, hour not known, keeps 90 min by its pack',
    ],
  ],
  stepStarted: [
    [onStep, 'Started "Read the pin opening"'],
    [{ ...onStep, outOfTimeReason: 'the fire alarm' }, 'Started "Read the pin opening" (the fire alarm)'],
    [{ ...onStep, stepId: 'of-old' }, 'Started "of-old"'],
  ],
  stepFinished: [
    [{ ...onStep, outOfTimeReason: 'late' }, 'Finished "Read the pin opening" (late)'],
    [
      { ...onStep, outOfTimeReason: 'the fire alarm', outOfTime: 'tooLate' },
      'Finished "Read the pin opening" (too late: the fire alarm)',
    ],
    [
      { ...onStep, outOfTimeReason: 'fast stone', outOfTime: 'tooSoon' },
      'Finished "Read the pin opening" (too soon: fast stone)',
    ],
  ],
  stepSkipped: [[{ ...onStep, reason: 'none there' }, 'Left out "Read the pin opening" (none there)']],
  checkRecorded: [
    [{ ...onStep, checkId: 'pin-open', value: 1.6 }, 'Pin opening: 1.6 mm'],
    [{ ...onStep, checkId: 'of-old', value: 1.6 }, 'of-old: 1.6'],
    [{ ...onStep, checkId: 'of-old', answer: 'Good' }, 'of-old: Good'],
  ],
  mixRecorded: [
    [
      { ...gypsum, materialId: 'of-old', powderGrams: 100, liquidMillilitres: 30 },
      'of-old: 100 g + 30 mL (0.30 mL/g), lot no. 7',
    ],
    [
      {
        ...gypsum,
        materialId: 'of-old',
        product: 'Bag',
        powderGrams: 100,
        liquidMillilitres: 30,
        powderFrom: 'balance',
        liquidFrom: 'dispenser',
        lots: [],
      },
      'of-old, Bag: 100 g + 30 mL (0.30 mL/g), from the balance and dispenser, no lot noted',
    ],
    [{ ...gypsum, materialId: 'of-old', powderParts: 3, liquidParts: 1 }, 'of-old: 3 + 1 parts, lot no. 7'],
    [{ ...gypsum, materialId: 'of-old', lots: ['7', '8'] }, 'of-old used, lot no. 7, no. 8'],
  ],
  wentBack: [
    [
      { jobId: 'complete-denture', toStepId: 'pin-opening', remake: false, reason: 'slipped' },
      'Went back to "Read the pin opening" (slipped)',
    ],
    [
      { jobId: 'complete-denture', toStepId: 'pin-opening', remake: true, reason: 'cracked' },
      'Remake from "Read the pin opening" (cracked)',
    ],
  ],
  corrected: [
    [{ corrects: 4, value: 1.6, reason: 'read wrong' }, 'Corrected entry 4 to 1.6 (read wrong)'],
    [{ corrects: 4, answer: 'Good', reason: 'slip' }, 'Corrected entry 4 to Good (slip)'],
    [
      { corrects: 4, powderGrams: 99, liquidMillilitres: 31, reason: 'slip' },
      'Corrected entry 4 to 99 g + 31 mL (slip)',
    ],
    [{ corrects: 4, powderGrams: 99, reason: 'slip' }, 'Corrected entry 4 to 99 g (slip)'],
  ],
  noted: [[{ text: 'Called' }, 'Note: Called']],
  variantSwapped: [[{ matter: 'tripoli', choice: 'use', reason: 'dull' }, 'Changed tripoli to use (dull)']],
  held: [[{ reason: 'no tray' }, 'On hold (no tray)']],
  paused: [
    [{ ...onStep, reason: 'the courier' }, `Called away from "Read the pin opening" (the courier)`],
    [{ ...onStep }, `Called away from "Read the pin opening"`],
  ],
  resumed: [[{ ...onStep }, `Back at "Read the pin opening"`]],
  promised: [
    [
      { dueAt: '2026-03-05T11:00:00.000Z', chance: 0.9 },
      'Promised for 2026-03-05T11:00:00.000Z: in time in 90 of 100 by the plan',
    ],
  ],
  causeFound: [
    [
      { wentBack: 7, cause: 'Opened warm', how: 'measured' },
      'Why it went back (entry 7): Opened warm (measured)',
    ],
    [
      { wentBack: 7, cause: 'other', said: 'a draught', how: 'assumed' },
      'Why it went back (entry 7): Another cause: a draught (assumed, not seen)',
    ],
    [{ wentBack: 7, cause: 'notFound' }, 'Why it went back (entry 7): Not found'],
  ],
  released: [[{}, 'Taken off hold']],
  dentistAsked: [[{ question: 'Which shade?' }, 'Asked the dentist: Which shade?']],
  dentistAnswered: [
    [{ answer: 'Yes', decision: 'proceed' }, 'The dentist answered: Yes (go on as it is)'],
    [{ answer: 'No', decision: 'goBack' }, 'The dentist answered: No (go back)'],
    [{ answer: 'No', decision: 'remake' }, 'The dentist answered: No (remake)'],
    [{ answer: 'Stop', decision: 'end' }, 'The dentist answered: Stop (end the case)'],
  ],
}

describe('every kind of entry', () => {
  const entries = Object.entries(sentences).flatMap(([type, each]) =>
    each.map(([payload, words]) => [type, words, payload] as const),
  )
  it.each(entries)('%s: %s', (type, words, payload) => {
    const event = { sequence: 2, at: '2026-03-02T08:00:00Z', by: 'Ada', type, ...payload } as CaseEvent
    expect(spoken(eventWords(event, reader), 'metric')).toBe(words)
  })
  it('a sheet that its route has no longer is named by its id', () => {
    const event = sheetEvent('complete-denture', 'pin-opening', 'of-old', { kind: 'teethSet', teeth: [11] })
    expect(eventWords(event, reader)).toBe('A sheet that the route does not ask for: of-old')
  })
})

it('a weight stands on record as the balance showed it: 0.74 g stays 0.74 g, 100 g gets no noughts', () => {
  const words = (powderGrams: number, liquidMillilitres: number) =>
    spoken(
      mixWords(
        {
          amountId: 'stone',
          materialId: 'dental-stone',
          powderGrams,
          liquidMillilitres,
          lots: [],
        },
        { lotNumber: (id) => id },
      ),
      'metric',
    )
  expect(words(0.74, 0.22)).toContain('0.74 g + 0.22 mL')
  expect(words(100, 30)).toContain('100 g + 30 mL')
})
