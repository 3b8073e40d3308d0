import { describe, expect, it } from '@jest/globals'
import { routeTemplates } from '../jobs/index.ts'
import { articulatorCards } from '../mounting/index.ts'
import { spoken } from '../quantity/index.ts'
import { buildRoute } from '../route/index.ts'
import { inventedPrescription, inventedSetUp, usualTolerances } from '../setup/index.ts'
import type { SheetData } from '../sheet/index.ts'
import { inventedPair } from '../trimming/index.ts'
import type { CaseEvent } from './case-event.ts'
import { eventWords } from './event-words.ts'
import type { JobState } from './state.ts'

const jobOf = (templateId: string): JobState => {
  const route = buildRoute(routeTemplates.get(templateId)!)
  return { jobId: templateId, routeId: 'r', route, steps: {}, remakes: 0 }
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
      'Groove pattern: 46, Four cusps, cross',
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
