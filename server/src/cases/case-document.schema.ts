import type { CaseEvent, Route } from '@yentrik/core'
import { sheetKinds } from './sheet.dto.ts'

/** A whole case, as it leaves and comes back. Published at /api/schema/case.json. */
export interface CaseDocument {
  readonly format: 'yentrik-case'
  readonly version: 1
  readonly caseId: string
  readonly events: readonly CaseEvent[]
  readonly routes: Readonly<Record<string, Route>>
  readonly lots: readonly { readonly lotId: string; readonly materialId: string; readonly number: string }[]
}

const text = { type: 'string', minLength: 1, maxLength: 4000 }
const instant = { type: 'string', pattern: '^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}:\\d{2}(\\.\\d+)?Z$' }
const number = { type: 'number' }
const texts = { type: 'array', items: { type: 'string' } }

const authorisation = {
  clinic: text,
  prescriber: text,
  patientCode: text,
  patientAge: { type: 'integer', minimum: 0, maximum: 130 },
  wanted: text,
  teeth: { type: 'array', items: { type: 'integer', minimum: 11, maximum: 48 } },
  materials: { type: 'string' },
  shade: { type: 'string' },
  dueAt: instant,
  tryInAt: instant,
  enclosures: texts,
  notes: { type: 'string' },
}

function event(type: string, properties: object, optional: object = {}) {
  return {
    type: 'object',
    additionalProperties: false,
    required: ['sequence', 'at', 'by', 'type', ...Object.keys(properties)],
    properties: {
      sequence: { type: 'integer', minimum: 1 },
      at: instant,
      by: text,
      type: { const: type },
      ...properties,
      ...optional,
    },
  }
}
const onStep = { jobId: text, stepId: text }
const listOf = (properties: object) => ({
  type: 'array',
  items: { type: 'object', additionalProperties: false, required: Object.keys(properties), properties },
})
/** Its figures are held against the core's own rules when a document is taken in. */
const sheet = {
  type: 'object',
  additionalProperties: false,
  required: ['kind'],
  properties: {
    kind: { enum: sheetKinds },
    parts: listOf({ name: text, count: number }),
    places: listOf({ place: text, value: number }),
    closures: listOf({
      kilopascals: number,
      flash: { type: 'boolean' },
      gap: { type: 'boolean' },
      from: { enum: ['press', 'hand'] },
    }),
    entry: { type: 'object', required: ['upper', 'lower', 'choices'] },
    pair: { type: 'object', required: ['upper', 'lower'] },
    name: text,
    articulator: { type: 'object', required: ['intercondylarMillimetres', 'condylarDegrees', 'pinTip'] },
    pinMillimetres: number,
    facebow: { type: 'boolean' },
    photo: { type: 'string', maxLength: 200_000 },
    prescription: { type: 'object', required: ['arch', 'incisalLevelMillimetres', 'pinMillimetres'] },
    setUpEntry: { type: 'object', required: ['arch', 'rim', 'crest', 'toothSet', 'stances', 'opposing'] },
    teeth: { type: 'array', items: { type: 'integer' } },
    reading: { type: 'object', required: ['incisalLevelMillimetres', 'pinMillimetres'] },
    tolerances: { type: 'object', required: ['levelMillimetres'] },
    sites: { type: 'array', items: { type: 'object', required: ['name', 'place', 'roomMillimetres'] } },
    tooth: { type: 'integer' },
    patternId: text,
    regions: { type: 'array', items: { type: 'object', required: ['region'] } },
    machine: text,
    run: { type: 'object', required: ['program', 'from', 'measured', 'showsTooMuchCelsius'] },
    reason: text,
    alloyId: text,
    product: text,
    pieces: { type: 'array', items: { type: 'object', required: ['id', 'grams', 'lots', 'history'] } },
    needGrams: number,
    grams: number,
    dueBackAt: instant,
    changes: listOf({ change: text, words: text }),
  },
}

export const caseDocumentSchema = {
  $schema: 'http://json-schema.org/draft-07/schema#',
  $id: 'https://yentrik.example/schema/case.json',
  title: 'A dental laboratory case with everything that was done on it',
  type: 'object',
  additionalProperties: false,
  required: ['format', 'version', 'caseId', 'events', 'routes', 'lots'],
  properties: {
    format: { const: 'yentrik-case' },
    version: { const: 1 },
    caseId: { type: 'string', pattern: '^[0-9a-f-]{36}$' },
    events: {
      type: 'array',
      minItems: 1,
      items: {
        type: 'object',
        required: ['type'],
        discriminator: { propertyName: 'type' },
        oneOf: [
          event('caseReceived', {
            docket: text,
            authorisation: {
              type: 'object',
              additionalProperties: false,
              required: ['clinic', 'prescriber', 'patientCode', 'wanted', 'teeth', 'dueAt', 'enclosures'],
              properties: authorisation,
            },
            jobs: {
              type: 'array',
              minItems: 1,
              items: {
                type: 'object',
                additionalProperties: false,
                required: ['jobId', 'routeId'],
                properties: { jobId: text, routeId: text },
              },
            },
          }),
          event('authorisationAmended', {
            changes: { type: 'object', additionalProperties: false, properties: authorisation },
            reason: text,
          }),
          event('stepStarted', onStep, { outOfTimeReason: text }),
          event('stepFinished', onStep, { outOfTimeReason: text }),
          event('stepSkipped', { ...onStep, reason: text }),
          event('checkRecorded', { ...onStep, checkId: text }, { value: number, answer: text }),
          event(
            'mixRecorded',
            { ...onStep, amountId: text, materialId: text, lots: texts },
            {
              powderGrams: number,
              liquidMillilitres: number,
              powderParts: number,
              liquidParts: number,
              product: text,
              metAt: instant,
              powderFrom: { enum: ['balance', 'hand'] },
              liquidFrom: { enum: ['dispenser', 'hand'] },
            },
          ),
          event('sheetRecorded', { ...onStep, sheetId: text, sheet }),
          event('wentBack', { jobId: text, toStepId: text, remake: { type: 'boolean' }, reason: text }),
          event(
            'corrected',
            { corrects: { type: 'integer', minimum: 2 }, reason: text },
            { value: number, answer: text, powderGrams: number, liquidMillilitres: number },
          ),
          event('noted', { text }, onStep),
          event('variantSwapped', { jobId: text, matter: text, choice: text, routeId: text, reason: text }),
          event('held', { reason: text }),
          event('released', {}),
          event('dentistAsked', { jobId: text, question: text }, { stepId: text }),
          event(
            'dentistAnswered',
            { jobId: text, answer: text, decision: { enum: ['proceed', 'goBack', 'remake', 'end'] } },
            { toStepId: text },
          ),
        ],
      },
    },
    routes: {
      type: 'object',
      minProperties: 1,
      additionalProperties: {
        type: 'object',
        required: ['templateId', 'templateVersion', 'name', 'choices', 'steps'],
        additionalProperties: false,
        properties: {
          templateId: text,
          templateVersion: { type: 'integer', minimum: 1 },
          name: text,
          choices: { type: 'object', additionalProperties: { type: 'string' } },
          steps: {
            type: 'array',
            minItems: 1,
            items: {
              type: 'object',
              required: ['id', 'name', 'stage', 'kind', 'how', 'why', 'handsOnMinutes', 'after'],
              properties: {
                id: text,
                name: text,
                how: texts,
                why: text,
                handsOnMinutes: number,
                after: texts,
              },
            },
          },
        },
      },
    },
    lots: {
      type: 'array',
      items: {
        type: 'object',
        additionalProperties: false,
        required: ['lotId', 'materialId', 'number'],
        properties: { lotId: text, materialId: text, number: text },
      },
    },
  },
} as const
