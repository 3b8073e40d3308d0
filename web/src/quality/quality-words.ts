import type { QualityShown } from '@yentrik/contract'
import {
  type Comparison,
  DOTS_BELOW,
  FROZEN_AT,
  type Interval,
  materials,
  routeTemplates,
  type Share,
} from '@yentrik/core'

/** The job of a template, as it is called. */
export const jobName = (template: string): string => routeTemplates.get(template)?.name ?? template

/** The step of a template, as it is called. */
export const stepName = (template: string, step: string): string =>
  routeTemplates.get(template)?.steps.find(({ id }) => id === step)?.name ?? step

/** 2 of 17 (12 %; 3 to 34), or 2 of 7 where that is too few for a percent. */
export function shareWords(share: Share): string {
  const counted = `${share.count} of ${share.of}`
  if (share.state === 'tooFew') return counted
  if (share.count === 0) return `none in ${share.of}, so up to ${percent(share.high)} %`
  return `${counted} (${percent(share.share)} %; ${percent(share.low)} to ${percent(share.high)})`
}
export const percent = (share: number): number => Math.round(100 * share)

/** Hours and minutes, as 14 h 15. */
export function hoursWords(hours: number): string {
  const minutes = Math.round(hours * 60)
  return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`
}
/** An interval of hours, as 3 to 22 h. */
export function hoursBetween({ low, high }: Interval): string {
  const round = (hours: number) =>
    hours < 10 ? hours.toFixed(1).replace(/\.0$/, '') : String(Math.round(hours))
  return `${round(low)} to ${round(high)} h`
}

/** What is compared, and what the rest of its kind is called. */
export function comparedWords(
  { kind, of, name }: Comparison,
  lots: QualityShown['lots'],
): { readonly what: string; readonly of: string; readonly others: string } {
  const material = materials.get(of)?.name.toLowerCase() ?? of
  if (kind === 'lot') return { what: `Lot ${lots[name]?.number ?? name}`, of: material, others: 'other lots' }
  if (kind === 'product') return { what: name, of: material, others: 'other products' }
  if (kind === 'machine') return { what: name, of, others: 'other machines' }
  const [template = '', matter = ''] = of.split('/')
  const named = routeTemplates.get(template)?.matters.find(({ id }) => id === matter)
  const choice = named?.choices.find(({ id }) => id === name)?.name ?? name
  return {
    what: `${jobName(template)}: ${choice.toLowerCase()}`,
    of: (named?.name ?? matter).toLowerCase(),
    others: 'others',
  }
}

const points = (share: number) => `${share > 0 ? '+' : ''}${Math.round(100 * share)}`
/** The difference by job, as +35 points (12 to 58). */
export function differenceWords({ compared }: Comparison): string {
  const { value, low, high } = compared.common?.difference ?? {
    ...compared.crude,
    value: compared.crude.difference,
  }
  return `${points(value)} points (${points(low)} to ${points(high)})`
}

export const ruleWords = {
  1: 'beyond a limit',
  2: '2 of 3 far out on one side',
  3: '4 of 5 out on one side',
  4: '8 in a row on one side',
} as const

export const stateWords = {
  dots: `dots only, below ${DOTS_BELOW}`,
  provisional: 'provisional: one in 30 to 50 points outside by chance alone',
  frozen: `limits from the first ${FROZEN_AT}, kept since`,
  tooCoarse: 'reads too coarsely for limits',
} as const
