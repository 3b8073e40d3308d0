import { materials } from '../materials/index.ts'
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
  readonly binder?: 'gypsum' | 'phosphate'
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
    furnaceCelsius: value('burnout', 'furnace-hold-gypsum', 'furnace-hold-phosphate'),
    transferMinutes: between(step('burnout')?.finishedAt, step('cast')?.startedAt),
    alloyGrams: value('cast', 'alloy-weight'),
    patternGrams: value('sprue', 'weight-with-sprue'),
    turns: value('cast', 'arm-turns'),
    sprueGauge: value('sprue', 'sprue-gauge'),
    endClearanceMillimetres: value('sprue', 'end-clearance-gypsum', 'end-clearance-phosphate'),
    binder: binderOf(job.route.choices.investment),
  }
  return Object.fromEntries(Object.entries(record).filter(([, each]) => each !== undefined))
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
