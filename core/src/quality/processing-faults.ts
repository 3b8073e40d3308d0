import {
  finishedAt,
  type JobState,
  lastSheetOf,
  minutesBetween,
  readingsMeaning,
  type StepState,
  startedAt,
  stepMeaning,
  stepMinutes,
} from '../case/index.ts'
import { judgeCure } from '../curing/index.ts'
import { capital, joined, qty, saying } from '../quantity/index.ts'
import type { CheckMeaning } from '../route/index.ts'
import { type CauseRule, type Findings, namesIn, type RankedCause, rankCauses, when } from './causes.ts'

/** What the record of a processed denture says of itself; what was not noted is missing. */
export interface ProcessingRecord {
  /** Hottest resin that could still boil, °C, and the monomer left, %, by the bath as it was. */
  readonly peakCelsius?: number
  readonly boiled?: boolean
  readonly residualPercent?: number
  /** From the mix to the first closure. */
  readonly doughMinutes?: number
  readonly benchRestMinutes?: number
  /** The last trial closure still showed a gap. */
  readonly gapAtLast?: boolean
  readonly finalKilopascals?: number
  readonly greaseSeen?: boolean
  readonly separatorRecorded?: boolean
  readonly mouldCooledMinutes?: number
  /** When it was opened. */
  readonly flaskCelsius?: number
}

/** Reads the present attempt of a denture out of its job. */
export function processingRecord(job: JobState): ProcessingRecord {
  const cure = lastSheetOf(job, 'cure')
  const cured = cure && judgeCure(cure.run)
  const outcomes = cured?.followed.map(({ outcome }) => outcome) ?? []
  const clean = readingsMeaning(job, 'greaseInMould')
  const separated = stepMeaning(job, 'mouldSeparated')?.state
  const closing = stepMeaning(job, 'trialClosures')?.state
  const record: ProcessingRecord = {
    ...(outcomes.length > 0
      ? {
          peakCelsius: Math.max(...outcomes.map(({ peakCelsius }) => peakCelsius)),
          residualPercent: Math.max(...outcomes.map(({ residualPercent }) => residualPercent)),
          boiled: cured?.verdict === 'porous',
        }
      : {}),
    doughMinutes: minutesBetween(finishedAt(stepMeaning(job, 'doughMixed')?.state), startedAt(closing)),
    benchRestMinutes: stepMinutes(stepMeaning(job, 'benchRest')?.state),
    gapAtLast: gapAtLast(job, closing),
    finalKilopascals: readingsMeaning(job, 'finalPressure').at(-1)?.value,
    greaseSeen: clean.length === 0 ? undefined : clean.some(({ answer }) => answer === 'Grease left'),
    separatorRecorded: separated?.status === 'done' ? separated.mixes.length > 0 : undefined,
    mouldCooledMinutes: stepMinutes(stepMeaning(job, 'mouldCools')?.state),
    flaskCelsius: readingsMeaning(job, 'flaskTemperature').at(-1)?.value,
  }
  return Object.fromEntries(Object.entries(record).filter(([, each]) => each !== undefined))
}

/** Of the last trial closure of any flask; a route from before closures were kept one by one has a look instead. */
function gapAtLast(job: JobState, closing: StepState | undefined): boolean | undefined {
  const last = [...new Map(closing?.sheets.map((each) => [each.sheetId, each.sheet])).values()].flatMap(
    (sheet) => (sheet.kind === 'closures' ? sheet.closures.slice(-1) : []),
  )
  if (last.length > 0) return last.some(({ gap }) => gap)
  const answer = readingsMeaning(job, 'flashSeen').at(-1)?.answer
  return answer === undefined ? undefined : answer === 'A gap'
}

type Rule = CauseRule<ProcessingRecord>
const minutes = (value: number) => qty.minutes(value, 0)

const boiledInside: Rule = {
  name: 'The monomer boiled inside',
  change: 'Slowly up from cold water; see Cure for the thickest place.',
  evidence: ({ peakCelsius: peak, boiled }) =>
    peak === undefined
      ? undefined
      : when(boiled === true, saying`By the curve of the bath the resin reached ${qty.celsius(peak, 0)}.`),
}
const packedEarly: Rule = {
  name: 'Packed before the dough stage',
  change: 'Wait until it comes clean off the jar.',
  evidence: ({ doughMinutes: m }) =>
    m === undefined ? undefined : when(m < 6, saying`${minutes(m)} from the mix to the first closure.`),
}
const packedLate: Rule = {
  name: 'Packed when it was turning rubbery',
  change: 'Close within the dough stage, or mix again.',
  evidence: ({ doughMinutes: m }) =>
    m === undefined ? undefined : when(m > 22, saying`${minutes(m)} from the mix to the first closure.`),
}
const littleResin: Rule = {
  name: 'Too little resin, or too little pressure',
  change: 'Repeat the trial closures until there is flash, then none; close metal on metal.',
  evidence: ({ gapAtLast, finalKilopascals: kPa }) =>
    gapAtLast === undefined && kPa === undefined
      ? undefined
      : when(
          gapAtLast === true || (kPa !== undefined && kPa < 18_000),
          capital(
            saying`${joined([
              ...(gapAtLast === undefined
                ? []
                : [gapAtLast ? 'a gap at the last trial closure' : 'no gap at the last']),
              ...(kPa === undefined ? [] : [saying`closed at ${qty.kilopascals(kPa, 0)}`]),
            ])}.`,
          ),
        ),
}
const grease: Rule = {
  name: 'Wax was left in the mould',
  change: 'Flush with clean boiling water until nothing beads.',
  evidence: ({ greaseSeen }) =>
    greaseSeen === undefined
      ? undefined
      : when(
          greaseSeen,
          greaseSeen ? 'Grease was seen at the boil-out.' : 'No grease was seen at the boil-out.',
        ),
}
const noSeparator: Rule = {
  name: 'Separator missing, or on a hot mould',
  change: 'Two thin coats on the warm, not hot mould; none on the teeth.',
  evidence: ({ separatorRecorded }) =>
    separatorRecorded === undefined
      ? undefined
      : when(
          !separatorRecorded,
          separatorRecorded ? 'Two coats are on record.' : 'No separator is on record.',
        ),
}
const warmMould: Rule = {
  name: 'The mould was still warm when it was packed',
  change: 'Half an hour open on the bench.',
  evidence: ({ mouldCooledMinutes: m }) =>
    m === undefined ? undefined : when(m < 30, saying`${minutes(m)} of cooling.`),
}
const openedWarm: Rule = {
  name: 'Opened warm',
  change: 'Down to room temperature first: on the bench, then in cool water.',
  evidence: ({ flaskCelsius: t }) =>
    t === undefined ? undefined : when(t > 30, saying`The flask stood at ${qty.celsius(t, 0)}.`),
}
const restShort: Rule = {
  name: 'No bench rest',
  change: 'Half an hour to an hour clamped, before the bath.',
  evidence: ({ benchRestMinutes: m }) =>
    m === undefined ? undefined : when(m < 30, saying`${minutes(m)} of bench rest.`),
}
const prised: Rule = {
  name: 'Prised out whole',
  change: 'Saw and split the middle; stone off the lingual first.',
}

/** What the mould tells, by what the check that sees it means (common practice). */
const faults: Readonly<Partial<Record<CheckMeaning, Readonly<Record<string, readonly Rule[]>>>>> = {
  resinSurface: {
    'Stone stuck to it': [noSeparator, grease, warmMould],
    'Bubbles inside': [boiledInside, littleResin, packedEarly, warmMould, restShort],
    Fractured: [prised, openedWarm, packedLate],
  },
  seatOnCast: { Wobbles: [openedWarm, packedLate, boiledInside] },
}

/**
 * What may have caused a fault that the mould shows, ranked by what this case's own record speaks for.
 *
 * @param seenBy what the check that saw it means; what is no fault gives no causes
 * Source: common practice; the limits are those of the steps, the heat that of the cure model.
 */
export function processingCauses(
  seenBy: CheckMeaning | undefined,
  fault: string,
  record: ProcessingRecord,
  found?: Findings,
): readonly RankedCause[] {
  return rankCauses((seenBy && faults[seenBy]?.[fault]) || [], record, found)
}

export const processingCauseNames = namesIn(faults)
