import {
  type CaseEvent,
  type JobState,
  materials,
  planPair,
  type RouteStep,
  type UnitSystem,
} from '@yentrik/core'
import { grams, millilitres, quantity, ratio } from '../format/format.ts'

/** What the words need to know: the jobs as they stand, the lots by their number, the units of this bench. */
export interface EventReader {
  readonly jobs: readonly JobState[]
  readonly units: UnitSystem
  readonly lotNumber: (lotId: string) => string
}

/** One event as a person would tell it. */
export function eventWords(event: CaseEvent, reader: EventReader): string {
  const stepName = (jobId: string, stepId: string) => `"${stepIn(reader, jobId, stepId)?.name ?? stepId}"`
  const because = (reason: string | undefined) => (reason ? ` (${reason})` : '')
  switch (event.type) {
    case 'caseReceived':
      return `Took the case in as ${event.docket}`
    case 'authorisationAmended':
      return `Changed ${Object.keys(event.changes).map(entryName).join(', ')} on the work authorisation${because(event.reason)}`
    case 'stepStarted':
      return `Started ${stepName(event.jobId, event.stepId)}${because(event.outOfTimeReason)}`
    case 'stepFinished':
      return `Finished ${stepName(event.jobId, event.stepId)}${because(event.outOfTimeReason)}`
    case 'stepSkipped':
      return `Left out ${stepName(event.jobId, event.stepId)}${because(event.reason)}`
    case 'checkRecorded': {
      const check = stepIn(reader, event.jobId, event.stepId)?.checks?.find((c) => c.id === event.checkId)
      const shown =
        event.value !== undefined && check?.kind === 'measure'
          ? quantity(event.value, check.quantity, reader.units)
          : event.answer
      return `${check?.name ?? event.checkId}: ${shown ?? event.value}`
    }
    case 'mixRecorded':
      return mixWords(event, reader)
    case 'sheetRecorded':
      return sheetWords(event, reader)
    case 'wentBack':
      return `${event.remake ? 'Remake from' : 'Went back to'} ${stepName(event.jobId, event.toStepId)}${because(event.reason)}`
    case 'corrected':
      return `Corrected entry ${event.corrects} to ${event.answer ?? event.value ?? [event.powderGrams && grams(event.powderGrams), event.liquidMillilitres && millilitres(event.liquidMillilitres)].filter(Boolean).join(' + ')}${because(event.reason)}`
    case 'noted':
      return `Note: ${event.text}`
    case 'variantSwapped':
      return `Changed ${event.matter} to ${event.choice}${because(event.reason)}`
    case 'held':
      return `On hold${because(event.reason)}`
    case 'released':
      return 'Taken off hold'
    case 'dentistAsked':
      return `Asked the dentist: ${event.question}`
    case 'dentistAnswered':
      return `The dentist answered: ${event.answer} (${decisionWords[event.decision]})`
  }
}

function sheetWords(event: Extract<CaseEvent, { type: 'sheetRecorded' }>, reader: EventReader): string {
  const sheet = stepIn(reader, event.jobId, event.stepId)?.sheets?.find((each) => each.id === event.sheetId)
  const name = sheet?.name ?? event.sheetId
  const { sheet: data } = event
  switch (data.kind) {
    case 'parts':
      return `${name}: ${data.parts.map((part) => `${part.count} ${part.name}`).join(', ')}`
    case 'places': {
      const kind = sheet?.kind === 'places' ? sheet.quantity : 'count'
      return `${name}: ${data.places.map(({ place, value }) => `${place} ${quantity(value, kind, reader.units)}`).join(', ')}`
    }
    case 'trimPlan': {
      const { upper, lower } = planPair(data.entry)
      const sides = [upper, lower].map(({ plan }) => `${plan.sideAngleDegrees.toFixed(1)}°`)
      return `${name}: sides upper ${sides[0]}, lower ${sides[1]}`
    }
    case 'mounting':
      return `${name}: ${data.name}, pin ${quantity(data.pinMillimetres, 'millimetres', reader.units)}, condylar ${data.articulator.condylarDegrees.right}° and ${data.articulator.condylarDegrees.left}°, table ${data.articulator.incisalDegrees}°${data.facebow ? ', by facebow' : ''}`
    case 'finishedPair':
      return `${name}: read, ${data.pair.totalHeightsMillimetres.map((mm) => quantity(mm, 'millimetres', reader.units)).join(', ')} high`
  }
}

export const decisionWords = {
  proceed: 'go on as it is',
  goBack: 'go back',
  remake: 'remake',
  end: 'end the case',
} as const

function mixWords(event: Extract<CaseEvent, { type: 'mixRecorded' }>, { lotNumber }: EventReader): string {
  const { powderGrams, liquidMillilitres, powderParts, liquidParts } = event
  const name = [materials.get(event.materialId)?.name ?? event.materialId, event.product]
    .filter(Boolean)
    .join(', ')
  const taken = [
    event.powderFrom === 'balance' && 'balance',
    event.liquidFrom === 'dispenser' && 'dispenser',
  ].filter(Boolean)
  const amount =
    powderGrams !== undefined && liquidMillilitres !== undefined
      ? `: ${grams(powderGrams)} + ${millilitres(liquidMillilitres)} (${ratio(liquidMillilitres / powderGrams)})`
      : powderParts !== undefined
        ? `: ${powderParts} + ${liquidParts} parts`
        : ' used'
  return `${name}${amount}${taken.length > 0 ? `, from the ${taken.join(' and ')}` : ''}${event.lots.length > 0 ? `, lot ${event.lots.map(lotNumber).join(', ')}` : ', no lot noted'}`
}

const entryNames: Readonly<Record<string, string>> = {
  dueAt: 'the due date',
  tryInAt: 'the try-in date',
  shade: 'the shade',
  teeth: 'the teeth',
  wanted: 'what is wanted',
  notes: 'the notes',
}
function entryName(key: string): string {
  return entryNames[key] ?? key
}

export function stepIn(
  { jobs }: Pick<EventReader, 'jobs'>,
  jobId: string,
  stepId: string,
): RouteStep | undefined {
  return jobs.find((j) => j.jobId === jobId)?.route.steps.find((s) => s.id === stepId)
}
