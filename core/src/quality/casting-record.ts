import { chargeOf, judgeBurnout, slowBands, steepestCelsiusPerMinute } from '../casting/index.ts'
import { type Binder, materials } from '../materials/index.ts'
import { insideCelsius } from '../program/index.ts'
import type { JobState, StepState } from '../route/index.ts'

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

const MINUTE = 60_000

/** Reads the present attempt of a casting out of its job. */
export function castingRecord(job: JobState): CastingRecord {
  const step = (id: string): StepState | undefined => job.steps[id]
  const value = (stepId: string, ...checkIds: readonly string[]) =>
    step(stepId)?.readings.findLast(({ checkId }) => checkIds.includes(checkId))?.value
  const between = (from: string | undefined, to: string | undefined) =>
    from && to ? (Date.parse(to) - Date.parse(from)) / MINUTE : undefined
  const lasted = (id: string) => between(step(id)?.startedAt, step(id)?.finishedAt)
  const record: CastingRecord = {
    wettingAgent: wettingOf(step('invest')),
    ratio: ratioOf(step('invest')),
    marginToInvestMinutes: between(step('margin-check')?.finishedAt, step('invest')?.startedAt),
    benchSetMinutes: lasted('bench-set'),
    burnoutMinutes: lasted('burnout'),
    ...burnoutOf(step('burnout')),
    transferMinutes: between(step('burnout')?.finishedAt, step('cast')?.startedAt),
    ...chargeIn(step('cast')),
    specialLiquidPercent: value('invest', 'special-liquid'),
    patternGrams: value('sprue', 'weight-with-sprue'),
    turns: value('cast', 'arm-turns'),
    sprueGauge: value('sprue', 'sprue-gauge'),
    endClearanceMillimetres: value('sprue', 'end-clearance-gypsum', 'end-clearance-phosphate'),
    binder: binderOf(job.route.choices.investment),
  }
  return Object.fromEntries(Object.entries(record).filter(([, each]) => each !== undefined))
}

function burnoutOf(burnout: StepState | undefined): CastingRecord {
  const sheet = burnout?.sheets.findLast((each) => each.sheet.kind === 'burnout')?.sheet
  if (sheet?.kind !== 'burnout') return {}
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

function chargeIn(cast: StepState | undefined): CastingRecord {
  const sheet = cast?.sheets.findLast((each) => each.sheet.kind === 'charge')?.sheet
  if (sheet?.kind !== 'charge') return {}
  const { grams, remeltShare } = chargeOf(sheet.pieces)
  return { alloyGrams: grams, remeltShare, alloyId: sheet.alloyId }
}

function binderOf(choice: string | undefined): CastingRecord['binder'] {
  return choice === 'gypsum' || choice === 'phosphate' ? choice : undefined
}

/** The worst that was seen: what was mended before investing had been there all the same. */
function wettingOf(invest: StepState | undefined): CastingRecord['wettingAgent'] {
  const answer = invest?.readings.findLast(({ checkId }) => checkId === 'wetted')?.answer
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
