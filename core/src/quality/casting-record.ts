import {
  finishedAt,
  type JobState,
  lastSheetOf,
  metMillis,
  minutesBetween,
  readingsMeaning,
  type StepState,
  startedAt,
  stepMeaning,
  stepMinutes,
} from '../case/index.ts'
import { chargeOf, judgeBurnout, slowBands, steepestCelsiusPerMinute } from '../casting/index.ts'
import { type Binder, materials } from '../materials/index.ts'
import { insideCelsius, programMinutes } from '../program/index.ts'
import type { CheckMeaning } from '../route/index.ts'

/** What the record of a casting says of itself; what was not noted is missing. */
export interface CastingRecord {
  /** Wetting agent left out, or pooled, at some look. */
  readonly wettingAgent?: 'dry film' | 'pools' | 'none'
  /** Liquid by powder against the usual range of the investment: below 1 thicker than its least, above 1 thinner. */
  readonly ratio?: { readonly millilitresPerGram: number; readonly standing: 'thick' | 'usual' | 'thin' }
  readonly marginToInvestMinutes?: number
  readonly benchSetMinutes?: number
  readonly burnoutMinutes?: number
  readonly furnaceCelsius?: number
  /** From the end of the burnout to the start of the casting. */
  readonly transferMinutes?: number
  readonly alloyGrams?: number
  readonly patternGrams?: number
  readonly turns?: number
  readonly sprueGauge?: number
  readonly endClearanceMillimetres?: number
  readonly binder?: Binder
  /** What carries the pattern. */
  readonly pattern?: 'wax' | 'resin'
  readonly alloyId?: string
  /** Of the charge, that was melted before. */
  readonly remeltShare?: number
  /** Steepest through an inversion, and how far the core fell: only from a curve that the furnace itself gave. */
  readonly measuredByMachine?: boolean
  readonly throughInversionsCelsiusPerMinute?: number
  readonly coreFellToCelsius?: number
  readonly specialLiquidPercent?: number
  /** By the product in the ring: its final hold, and from contact to furnace. */
  readonly usualPeakCelsius?: number
  readonly furnaceMinutes?: { readonly from: number; readonly to: number }
  /** From contact with the liquid to the furnace. */
  readonly contactToFurnaceMinutes?: number
  /** The program that was set: how long it takes, and whether the ring went in hot, marked for that. */
  readonly programMinutes?: number
  readonly hotEntry?: boolean
}

/** Reads the present attempt of a casting out of its job. */
export function castingRecord(job: JobState): CastingRecord {
  const value = (meaning: CheckMeaning) => readingsMeaning(job, meaning).at(-1)?.value
  const invested = stepMeaning(job, 'invested')?.state
  const burntOut = stepMeaning(job, 'burntOut')?.state
  const casting = stepMeaning(job, 'casting')?.state
  const record: CastingRecord = {
    wettingAgent: wettingOf(job),
    ratio: ratioOf(invested),
    marginToInvestMinutes: minutesBetween(
      finishedAt(stepMeaning(job, 'lastMarginLook')?.state),
      startedAt(invested),
    ),
    benchSetMinutes: stepMinutes(stepMeaning(job, 'benchSet')?.state),
    ...productOf(invested, startedAt(burntOut)),
    burnoutMinutes: stepMinutes(burntOut),
    ...burnoutOf(job),
    transferMinutes: minutesBetween(finishedAt(burntOut), startedAt(casting)),
    ...chargeIn(job),
    specialLiquidPercent: value('specialLiquid'),
    patternGrams: value('weightWithSprue'),
    turns: value('armTurns'),
    sprueGauge: value('sprueGauge'),
    endClearanceMillimetres: value('endClearance'),
    binder: binderOf(job.route.choices.investment),
    pattern: patternOf(job.route.choices.pattern),
  }
  return Object.fromEntries(Object.entries(record).filter(([, each]) => each !== undefined))
}

function burnoutOf(job: JobState): CastingRecord {
  const sheet = lastSheetOf(job, 'burnout')
  if (!sheet) return {}
  const { run } = sheet
  const furnaceCelsius = run.measured.at(-1)!.celsius - run.showsTooMuchCelsius
  const program = { programMinutes: programMinutes(run.program), hotEntry: run.hotEntry }
  if (run.from === 'hand') return { furnaceCelsius, ...program }
  const { coreFellToCelsius } = judgeBurnout(run)
  const end = run.measured.at(-1)!.minutes
  return {
    furnaceCelsius,
    ...program,
    measuredByMachine: true,
    throughInversionsCelsiusPerMinute: Math.max(
      ...slowBands.map(({ celsius }) => steepestCelsiusPerMinute(insideCelsius(run), end, celsius)),
    ),
    ...(coreFellToCelsius === undefined ? {} : { coreFellToCelsius }),
  }
}

/** What the pack of the investment says otherwise than its class, and how long it stood before the furnace. */
function productOf(invest: StepState | undefined, furnaceAt: string | undefined): CastingRecord {
  const mix = invest?.mixes.at(-1)
  if (!mix) return {}
  return {
    usualPeakCelsius: mix.pack?.peakCelsius,
    furnaceMinutes: mix.pack?.furnaceMinutes,
    contactToFurnaceMinutes:
      furnaceAt === undefined ? undefined : (Date.parse(furnaceAt) - metMillis(mix)) / 60_000,
  }
}

function chargeIn(job: JobState): CastingRecord {
  const sheet = lastSheetOf(job, 'charge')
  if (!sheet) return {}
  const { grams, remeltShare } = chargeOf(sheet.pieces)
  return { alloyGrams: grams, remeltShare, alloyId: sheet.alloyId }
}

function binderOf(choice: string | undefined): CastingRecord['binder'] {
  return choice === 'gypsum' || choice === 'phosphate' ? choice : undefined
}

function patternOf(choice: string | undefined): CastingRecord['pattern'] {
  return choice === 'wax' || choice === 'resin' ? choice : undefined
}

/** The worst that was seen: what was mended before investing had been there all the same. */
function wettingOf(job: JobState): CastingRecord['wettingAgent'] {
  const answer = readingsMeaning(job, 'wettingAgent').at(-1)?.answer
  if (answer === undefined) return undefined
  return answer === 'Dry film' ? 'dry film' : answer === 'Pools' ? 'pools' : 'none'
}

function ratioOf(invest: StepState | undefined): CastingRecord['ratio'] {
  const mix = invest?.mixes.findLast(
    ({ powderGrams, liquidMillilitres }) => powderGrams !== undefined && liquidMillilitres !== undefined,
  )
  const measure = mix && materials.get(mix.materialId)?.measure
  if (!mix?.powderGrams || mix.liquidMillilitres === undefined || measure?.by !== 'mass') return undefined
  const millilitresPerGram = mix.liquidMillilitres / mix.powderGrams
  const standing =
    millilitresPerGram < measure.minMillilitresPerGram
      ? 'thick'
      : millilitresPerGram > measure.maxMillilitresPerGram
        ? 'thin'
        : 'usual'
  return { millilitresPerGram, standing }
}
