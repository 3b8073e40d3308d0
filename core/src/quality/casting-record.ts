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
import { chargeOf, judgeBurnout, slowBands, steepestCelsiusPerMinute } from '../casting/index.ts'
import { type Binder, materials } from '../materials/index.ts'
import { insideCelsius } from '../program/index.ts'
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
  readonly alloyId?: string
  /** Of the charge, that was melted before. */
  readonly remeltShare?: number
  /** Steepest through an inversion, and how far the core fell: only from a curve that the furnace itself gave. */
  readonly measuredByMachine?: boolean
  readonly throughInversionsCelsiusPerMinute?: number
  readonly coreFellToCelsius?: number
  readonly specialLiquidPercent?: number
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
  }
  return Object.fromEntries(Object.entries(record).filter(([, each]) => each !== undefined))
}

function burnoutOf(job: JobState): CastingRecord {
  const sheet = lastSheetOf(job, 'burnout')
  if (!sheet) return {}
  const { run } = sheet
  const furnaceCelsius = run.measured.at(-1)!.celsius - run.showsTooMuchCelsius
  if (run.from === 'hand') return { furnaceCelsius }
  const { coreFellToCelsius } = judgeBurnout(run)
  const end = run.measured.at(-1)!.minutes
  return {
    furnaceCelsius,
    measuredByMachine: true,
    throughInversionsCelsiusPerMinute: Math.max(
      ...slowBands.map(({ celsius }) => steepestCelsiusPerMinute(insideCelsius(run), end, celsius)),
    ),
    ...(coreFellToCelsius === undefined ? {} : { coreFellToCelsius }),
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
