import { judgeCure } from '../curing/index.ts'
import type { JobState, StepState } from '../route/index.ts'
import { type CauseRule, type RankedCause, rankCauses, when } from './causes.ts'

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

const MINUTE = 60_000

/** Reads the present attempt of a denture out of its job. */
export function processingRecord(job: JobState): ProcessingRecord {
  const step = (id: string): StepState | undefined => job.steps[id]
  const between = (from: string | undefined, to: string | undefined) =>
    from && to ? (Date.parse(to) - Date.parse(from)) / MINUTE : undefined
  const lasted = (id: string) => between(step(id)?.startedAt, step(id)?.finishedAt)
  const readings = (stepId: string, checkId: string) =>
    (step(stepId)?.readings ?? []).filter((each) => each.checkId.startsWith(checkId))
  const cureSheet = Object.values(job.steps)
    .flatMap(({ sheets }) => sheets)
    .findLast(({ sheet }) => sheet.kind === 'cure')?.sheet
  const cured = cureSheet?.kind === 'cure' ? judgeCure(cureSheet.run) : undefined
  const outcomes = cured?.followed.map(({ outcome }) => outcome) ?? []
  const clean = readings('boil-out', 'mould-clean')
  const separator = step('mould-separator')
  const record: ProcessingRecord = {
    ...(outcomes.length > 0
      ? {
          peakCelsius: Math.max(...outcomes.map(({ peakCelsius }) => peakCelsius)),
          residualPercent: Math.max(...outcomes.map(({ residualPercent }) => residualPercent)),
          boiled: cured?.verdict === 'porous',
        }
      : {}),
    doughMinutes: between(step('mix-dough')?.finishedAt, step('trial-closures')?.startedAt),
    benchRestMinutes: lasted('bench-rest'),
    gapAtLast: gapAtLast(step('trial-closures')),
    finalKilopascals: readings('final-closure', 'final-pressure').at(-1)?.value,
    greaseSeen: clean.length === 0 ? undefined : clean.some(({ answer }) => answer === 'Grease left'),
    separatorRecorded: separator?.finishedAt ? separator.mixes.length > 0 : undefined,
    mouldCooledMinutes: lasted('cool-mould'),
    flaskCelsius: readings('cool-flask', 'flask-temperature').at(-1)?.value,
  }
  return Object.fromEntries(Object.entries(record).filter(([, each]) => each !== undefined))
}

/** Of the last trial closure of any flask; a route from before closures were kept one by one has a look instead. */
function gapAtLast(closing: StepState | undefined): boolean | undefined {
  const last = [...new Map(closing?.sheets.map((each) => [each.sheetId, each.sheet])).values()].flatMap(
    (sheet) => (sheet.kind === 'closures' ? sheet.closures.slice(-1) : []),
  )
  if (last.length > 0) return last.some(({ gap }) => gap)
  const answer = closing?.readings.findLast(({ checkId }) => checkId.startsWith('flash'))?.answer
  return answer === undefined ? undefined : answer === 'A gap'
}

type Rule = CauseRule<ProcessingRecord>
const minutes = (value: number) => `${Math.round(value)} min`

const boiledInside: Rule = {
  name: 'The monomer boiled inside',
  change: 'Slowly up from cold water; see Cure for the thickest place.',
  evidence: ({ peakCelsius: peak, boiled }) =>
    peak === undefined
      ? undefined
      : when(boiled === true, `By the curve of the bath the resin reached ${Math.round(peak)} °C.`),
}
const packedEarly: Rule = {
  name: 'Packed before the dough stage',
  change: 'Wait until it comes clean off the jar.',
  evidence: ({ doughMinutes: m }) =>
    m === undefined ? undefined : when(m < 6, `${minutes(m)} from the mix to the first closure.`),
}
const packedLate: Rule = {
  name: 'Packed when it was turning rubbery',
  change: 'Close within the dough stage, or mix again.',
  evidence: ({ doughMinutes: m }) =>
    m === undefined ? undefined : when(m > 22, `${minutes(m)} from the mix to the first closure.`),
}
const littleResin: Rule = {
  name: 'Too little resin, or too little pressure',
  change: 'Repeat the trial closures until there is flash, then none; close metal on metal.',
  evidence: ({ gapAtLast, finalKilopascals: kPa }) =>
    gapAtLast === undefined && kPa === undefined
      ? undefined
      : when(
          gapAtLast === true || (kPa !== undefined && kPa < 18_000),
          [
            ...(gapAtLast === undefined
              ? []
              : [gapAtLast ? 'a gap at the last trial closure' : 'no gap at the last']),
            ...(kPa === undefined ? [] : [`closed at ${(kPa / 1000).toFixed(1)} MPa`]),
          ]
            .join(', ')
            .replace(/^./, (first) => first.toUpperCase())
            .concat('.'),
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
    m === undefined ? undefined : when(m < 30, `${minutes(m)} of cooling.`),
}
const openedWarm: Rule = {
  name: 'Opened warm',
  change: 'Down to room temperature first: on the bench, then in cool water.',
  evidence: ({ flaskCelsius: t }) =>
    t === undefined ? undefined : when(t > 30, `The flask stood at ${Math.round(t)} °C.`),
}
const restShort: Rule = {
  name: 'No bench rest',
  change: 'Half an hour to an hour clamped, before the bath.',
  evidence: ({ benchRestMinutes: m }) =>
    m === undefined ? undefined : when(m < 30, `${minutes(m)} of bench rest.`),
}
const prised: Rule = {
  name: 'Prised out whole',
  change: 'Saw and split the middle; stone off the lingual first.',
}

/** What the mould tells, by the check that sees it (common practice). */
const faults: Readonly<Record<string, Readonly<Record<string, readonly Rule[]>>>> = {
  'resin-surface': {
    'Stone stuck to it': [noSeparator, grease, warmMould],
    'Bubbles inside': [boiledInside, littleResin, packedEarly, warmMould, restShort],
    Fractured: [prised, openedWarm, packedLate],
  },
  'on-cast': { Wobbles: [openedWarm, packedLate, boiledInside] },
}

/**
 * What may have caused a fault that the mould shows, ranked by what this case's own record speaks for.
 *
 * @param checkId of the check that saw it, with or without its arch; what is no fault gives no causes
 * Source: common practice; the limits are those of the steps, the heat that of the cure model.
 */
export function processingCauses(
  checkId: string,
  fault: string,
  record: ProcessingRecord,
): readonly RankedCause[] {
  const check = Object.keys(faults).find((each) => checkId === each || checkId.startsWith(`${each}-`))
  return rankCauses((check && faults[check]?.[fault]) || [], record)
}
