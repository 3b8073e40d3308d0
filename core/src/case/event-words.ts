import { materials } from '../materials/index.ts'
import { joined, qty, type Saying, saying } from '../quantity/index.ts'
import {
  type Check,
  type Impression,
  impressionKeeping,
  type RecordedMix,
  type RouteStep,
} from '../route/index.ts'
import { type SheetData, type SheetReader, sheetWords } from '../sheet/index.ts'
import type { CaseCommand } from './case-command.ts'
import type { CaseEvent, DentistDecision, EventOfType } from './case-event.ts'
import { type CauseFound, type CauseHow, deeds } from './payloads.ts'
import { returnCauses } from './return-causes.ts'
import type { CaseState, JobState } from './state.ts'

/** What the words need to know: the jobs as they stand, the lots by their number. */
export interface EventReader extends SheetReader {
  readonly jobs: readonly JobState[]
}

/** One event as a person would tell it. */
export function eventWords(event: CaseEvent, reader: EventReader): Saying {
  const { clockAt, kept } = event
  const moment = (instant: string) => ({ moment: Date.parse(instant) })
  const plain = plainWords(event, reader)
  const words =
    'realAt' in event && event.realAt ? saying`${plain} (at ${moment(event.realAt)}, entered later)` : plain
  if (kept)
    return saying`${words} (done at ${moment(kept.doneAt)} while the server was away, sent at ${moment(kept.sentAt)})`
  if (clockAt === undefined) return words
  return saying`${words} (the clock had run back: it said ${moment(clockAt)})`
}

/** What a command would put on record, as a person would tell it. */
export function commandWords(command: CaseCommand, reader: EventReader): Saying {
  const becomes = { ...command, type: deeds[command.type].becomes, sequence: 0, at: '', by: '' }
  return plainWords(becomes as unknown as CaseEvent, reader)
}

function plainWords(event: CaseEvent, reader: EventReader): Saying {
  const stepName = (jobId: string, stepId: string) => `"${stepIn(reader, jobId, stepId)?.name ?? stepId}"`
  switch (event.type) {
    case 'caseReceived':
      return event.cameBack
        ? `Took the case in as ${event.docket}: ${event.cameBack.docket} came back. ${returnCauses[event.cameBack.cause].name}: ${event.cameBack.found}`
        : `Took the case in as ${event.docket}`
    case 'cameBack':
      return `Came back, and goes on as ${event.docket}`
    case 'imported':
      return `Imported${event.lab ? ` from ${event.lab}` : ''}. ${chainWords[event.chain]}`
    case 'authorisationAmended':
      return `Changed ${Object.keys(event.changes).map(entryName).join(', ')} on the work authorisation${because(event.reason)}`
    case 'stepStarted':
      return `Started ${stepName(event.jobId, event.stepId)}${outOfTimeWords(event)}`
    case 'stepFinished':
      return `Finished ${stepName(event.jobId, event.stepId)}${outOfTimeWords(event)}`
    case 'stepSkipped':
      return `Left out ${stepName(event.jobId, event.stepId)}${because(event.reason)}`
    case 'checkRecorded': {
      const check = stepIn(reader, event.jobId, event.stepId)?.checks?.find((c) => c.id === event.checkId)
      return saying`${check?.name ?? event.checkId}${atTooth(event)}: ${readingWords(event, check)}`
    }
    case 'mixRecorded':
      return mixWords(event, reader)
    case 'sheetRecorded': {
      const sheet = stepIn(reader, event.jobId, event.stepId)?.sheets?.find(({ id }) => id === event.sheetId)
      return sheet
        ? saying`${sheet.name}: ${sheetWords(sheet, event.sheet, reader)}`
        : `A sheet that the route does not ask for: ${event.sheetId}`
    }
    case 'impressionsRecorded':
      return joined(event.impressions.map(impressionWords), '; ')
    case 'wentBack':
      return `${event.remake ? 'Remake from' : 'Went back to'} ${stepName(event.jobId, event.toStepId)}${because(event.reason)}${event.awaits ? `. Asked the dentist: ${event.awaits}` : ''}`
    case 'corrected':
      return saying`Corrected entry ${event.corrects} to ${correctedTo(event, reader)}${because(event.reason)}`
    case 'withdrawn':
      return `Withdrew entry ${event.withdraws}${because(event.reason)}`
    case 'noted':
      return `Note: ${event.text}`
    case 'variantSwapped':
      return `Changed ${event.matter} to ${event.choice}${because(event.reason)}`
    case 'paused':
      return `Called away from ${stepName(event.jobId, event.stepId)}${because(event.reason)}`
    case 'resumed':
      return `Back at ${stepName(event.jobId, event.stepId)}`
    case 'promised':
      return saying`Promised for ${{ moment: Date.parse(event.dueAt) }}: in time in ${Math.round(100 * event.chance)} of 100 by the plan`
    case 'causeFound':
      return `Why it went back (entry ${event.wentBack}): ${causeWords(event)}`
    case 'held':
      return `On hold${because(event.reason)}`
    case 'released':
      return 'Taken off hold'
    case 'dentistAsked':
      return saying`Asked the dentist: ${event.question}`
    case 'dentistAnswered':
      return `The dentist answered: ${event.answer} (${decisionWords[event.decision]})`
  }
}

const howWords: Readonly<Record<CauseHow, string>> = {
  measured: 'measured',
  seen: 'seen',
  assumed: 'assumed, not seen',
}
/** What is said of a cause that no list names. */
export const causeNames: Readonly<Record<string, string>> = { other: 'Another cause', notFound: 'Not found' }
export function causeWords({ cause, said, how }: Pick<CauseFound, 'cause' | 'said' | 'how'>): string {
  return `${causeNames[cause] ?? cause}${said ? `: ${said}` : ''}${how ? ` (${howWords[how]})` : ''}`
}

/** What came from the mouth, and when. */
export function impressionWords({ of, material, takenAt, keepsMinutes }: Impression): Saying {
  const named = `Impression${of === 'impression' ? '' : ` (${of})`}: ${impressionKeeping[material].name.toLowerCase()}`
  const taken =
    takenAt === undefined
      ? saying`${named}, hour not known`
      : saying`${named}, taken at ${{ moment: Date.parse(takenAt) }}`
  return keepsMinutes === undefined ? taken : saying`${taken}, keeps ${qty.minutes(keepsMinutes)} by its pack`
}

const chainWords: Readonly<Record<EventOfType<'imported'>['chain'], string>> = {
  whole: 'What stands before was done elsewhere; every entry fits the one before it.',
  none: 'What stands before was done elsewhere; it came without the links by which a change would show.',
}

/** Who did something: of what another lab put on record, that it was there. */
export function personOn(
  { imported }: Pick<CaseState, 'imported'>,
  entry: Pick<CaseEvent, 'sequence' | 'by'>,
): string {
  return imported && entry.sequence < imported.sequence
    ? `${entry.by} (${imported.lab ?? 'elsewhere'})`
    : entry.by
}

const because = (reason: string | undefined) => (reason ? ` (${reason})` : '')

/** Too soon or too late, and why. */
function outOfTimeWords({
  outOfTime,
  outOfTimeReason,
}: Pick<EventOfType<'stepStarted'>, 'outOfTime' | 'outOfTimeReason'>): string {
  if (!outOfTimeReason || !outOfTime) return because(outOfTimeReason)
  return ` (too ${outOfTime === 'tooSoon' ? 'soon' : 'late'}: ${outOfTimeReason})`
}

/** What was read, in the unit of its check. */
export function readingWords(
  { value, answer }: { readonly value?: number; readonly answer?: string },
  check: Check | undefined,
): Saying {
  if (answer !== undefined || value === undefined) return answer ?? ''
  // As the balance showed it: 0.74 g stays 0.74 g.
  const decimals = check?.kind === 'measure' && check.quantity === 'grams' ? { decimals: 2 } : {}
  return check?.kind === 'measure' ? saying`${{ value, kind: check.quantity, ...decimals }}` : String(value)
}

const atTooth = ({ tooth }: { readonly tooth?: number }): Saying =>
  tooth === undefined ? '' : saying`, ${{ tooth }}`

function correctedTo(
  {
    corrects,
    answer,
    value,
    powderGrams,
    liquidMillilitres,
    roomCelsius,
    lots,
    sheet,
  }: EventOfType<'corrected'>,
  reader: EventReader,
): Saying {
  if (answer !== undefined) return answer
  if (sheet) return correctedSheetWords(corrects, sheet, reader)
  if (value !== undefined) return String(value)
  const parts = [
    ...(powderGrams === undefined ? [] : [saying`${qty.grams(powderGrams, 2)}`]),
    ...(liquidMillilitres === undefined ? [] : [saying`${qty.millilitres(liquidMillilitres)}`]),
  ]
  return joined([
    ...(parts.length === 0 ? [] : [joined(parts, ' + ')]),
    ...(roomCelsius === undefined ? [] : [saying`room ${qty.celsius(roomCelsius)}`]),
    ...(lots === undefined
      ? []
      : [lots.length === 0 ? 'no lot noted' : `lot ${lots.map(reader.lotNumber).join(', ')}`]),
  ])
}

/** The right sheet in the words of its step. */
function correctedSheetWords(corrects: number, data: SheetData, reader: EventReader): Saying {
  for (const job of reader.jobs)
    for (const step of job.route.steps) {
      const state = job.steps[step.id]!
      const recorded = [state, ...state.past].flatMap(({ sheets }) => sheets)
      const sheetId = recorded.find(({ sequence }) => sequence === corrects)?.sheetId
      const sheet = step.sheets?.find(({ id }) => id === sheetId)
      if (sheet) return sheetWords(sheet, data, reader)
    }
  return 'a sheet that the route no longer asks for'
}

/** What a dentist can decide, in words. */
export const decisionWords: Readonly<Record<DentistDecision, string>> = {
  proceed: 'go on as it is',
  goBack: 'go back',
  remake: 'remake',
  end: 'end the case',
}

/** A mix as it stands on record: material, product, amounts, where they came from, lots. */
export function mixWords(event: RecordedMix, { lotNumber }: Pick<EventReader, 'lotNumber'>): Saying {
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
      ? saying`: ${qty.grams(powderGrams, 2)} + ${qty.millilitres(liquidMillilitres, 2)} (${qty.millilitresPerGram(liquidMillilitres / powderGrams, 3)})`
      : powderParts !== undefined
        ? `: ${powderParts} + ${liquidParts} parts`
        : ' used'
  const from = taken.length > 0 ? `, from the ${taken.join(' and ')}` : ''
  const lots = event.lots.length > 0 ? `, lot ${event.lots.map(lotNumber).join(', ')}` : ', no lot noted'
  return saying`${name}${amount}${from}${lots}${because(event.ratioReason)}`
}

const entryNames: Readonly<Record<string, string>> = {
  dueAt: 'the due date',
  tryInAt: 'the try-in date',
  materials: 'the materials',
  shade: 'the shade',
  teeth: 'the teeth',
  wanted: 'what is wanted',
  notes: 'the notes',
}
function entryName(key: string): string {
  return entryNames[key] ?? key
}

/** The step of a job that an event names; undefined where its route has none of that id today. */
export function stepIn(
  { jobs }: Pick<EventReader, 'jobs'>,
  jobId: string,
  stepId: string,
): RouteStep | undefined {
  return jobs.find((j) => j.jobId === jobId)?.route.steps.find((s) => s.id === stepId)
}
