import {
  type BurnoutVerdict,
  type CaseEvent,
  chargeOf,
  groovePatterns,
  type JobState,
  judgeBurnout,
  judgeCure,
  materials,
  planPair,
  planSetUp,
  type RouteStep,
  regionFaults,
  roomVerdict,
  type UnitSystem,
} from '@yentrik/core'
import { clockTime, grams, millilitres, quantity, ratio, shortDate } from '../format/format.ts'

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
  const mm = (value: number) => quantity(Number(value.toFixed(2)), 'millimetres', reader.units)
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
      return `${name}: ${data.name}, pin ${quantity(data.pinMillimetres, 'millimetres', reader.units)}, condylar ${data.articulator.condylarDegrees.right}° and ${data.articulator.condylarDegrees.left}°, table ${data.articulator.incisalDegrees}°${data.facebow ? ', by facebow' : ''}${data.photo ? ', with a picture' : ''}`
    case 'prescription': {
      const { incisalLevelMillimetres, labialFullnessMillimetres, pinMillimetres } = data.prescription
      return `${name}: incisal level ${mm(incisalLevelMillimetres)}, fullness ${mm(labialFullnessMillimetres)}, pin ${mm(pinMillimetres)}`
    }
    case 'setUpPlan': {
      const { spareMillimetres, rim } = planSetUp(data.setUpEntry)
      return `${name}: ${data.setUpEntry.toothSet.name}, ${mm(spareMillimetres.right + spareMillimetres.left)} to spare, rim within ${mm(rim.rmsMillimetres)} of its arch`
    }
    case 'teethSet':
      return `${name}: ${data.teeth.join(', ') || 'none'}`
    case 'setUp': {
      const { right, left } = data.reading.incisalLevelMillimetres
      return `${name}: incisal level ${mm(right)} and ${mm(left)}, centre line off the mark ${mm(data.reading.centreLineMillimetres)}, pin ${mm(data.reading.pinMillimetres)}`
    }
    case 'room':
      return `${name}: ${data.sites.map((site) => `${site.name} ${mm(roomVerdict(site).outerMillimetres)} left of ${mm(site.roomMillimetres)}`).join(', ')}`
    case 'grooves':
      return `${name}: ${data.tooth}, ${groovePatterns.find(({ id }) => id === data.patternId)?.name ?? data.patternId}`
    case 'regions': {
      const drawing = sheet?.kind === 'regions' ? sheet.drawing : 'upperDenture'
      const faults = regionFaults(drawing, data.regions)
      return `${name}: ${faults.length === 0 ? `all ${data.regions.length} regions good` : faults.join('; ')}`
    }
    case 'burnout': {
      const { run } = data
      const { verdict } = judgeBurnout(run)
      return `${name}: ${data.machine}, final reading ${quantity(Math.round(run.measured.at(-1)!.celsius), 'celsius', reader.units)}${run.from === 'hand' ? ', by hand' : ''}, ${burnoutWords[verdict]}`
    }
    case 'cure': {
      const { verdict, followed } = judgeCure(data.run)
      const most = Math.max(...followed.map(({ outcome }) => outcome.residualPercent))
      return `${name}: ${data.machine}${data.run.from === 'hand' ? ', by hand' : ''}, ${cureWords[verdict]}, about ${most.toFixed(1)} % monomer${data.reason ? `; against advice: ${data.reason}` : ''}`
    }
    case 'closures': {
      const last = data.closures.at(-1)!
      const seen = [...(last.flash ? ['flash'] : []), ...(last.gap ? ['a gap'] : [])]
      return `${name}: closure ${data.closures.length}, ${quantity(last.kilopascals, 'kilopascals', reader.units)}${last.from === 'hand' ? ' by hand' : ''}, ${seen.join(' and ') || 'clean'}`
    }
    case 'charge': {
      const { grams: melted, remeltShare, lots } = chargeOf(data.pieces)
      const lot = lots.map(({ lotId }) => reader.lotNumber(lotId)).join(', ')
      return `${name}: ${grams(melted)} of ${[materials.get(data.alloyId)?.name ?? data.alloyId, data.product].filter(Boolean).join(', ')}, ${Math.round(100 * remeltShare)} % returned, ${lot ? `lot ${lot}` : 'no lot noted'}`
    }
    case 'button':
      return `${name}: ${data.grams > 0 ? grams(data.grams) : 'scrapped'}`
    case 'dispatch':
      return `${name}: ${data.parts.map((part) => `${part.count} ${part.name}`).join(', ')}; due back ${shortDate(Date.parse(data.dueBackAt))} ${clockTime(Date.parse(data.dueBackAt))}`
    case 'tryInAnswer': {
      const offered = sheet?.kind === 'tryInAnswer' ? sheet.changes : []
      return data.changes.length === 0
        ? `${name}: accepted`
        : `${name}: ${data.changes.map(({ change, words }) => `${offered.find(({ id }) => id === change)?.name ?? change}, ${words}`).join('; ')}`
    }
    case 'finishedPair':
      return `${name}: read, ${data.pair.totalHeightsMillimetres.map((mm) => quantity(mm, 'millimetres', reader.units)).join(', ')} high`
  }
}

const cureWords = { accept: 'cured', extend: 'to be cured on', porous: 'probably porous' } as const
const burnoutWords: Readonly<Record<BurnoutVerdict, string>> = {
  goOn: 'hot through',
  hold: 'to be held on',
  discard: 'ring discarded',
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
