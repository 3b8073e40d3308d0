import { sheetOfOrder } from '../../case/index.ts'
import { regionsOf } from '../../inspection/index.ts'
import { type Check, type Route, readingOutcome, teethOf } from '../../route/index.ts'
import { judgeSheet } from '../../sheet/index.ts'
import type { ShownAt } from '../defect.ts'
import { trueValue } from '../readings.ts'
import { signsOf } from '../signs/index.ts'
import type { ShowsRef } from './shows-later.ts'

export interface Order {
  readonly teeth: readonly number[]
  readonly enclosures: readonly string[]
}

/**
 * The places of a route where something shows, in its order: those that its checks and sheets have.
 * @param isOpen whether a step may still show it
 * @param tooth at which it is, where it is at one
 */
export function placesOn(
  route: Route,
  refs: readonly ShowsRef[],
  order: Order,
  random: () => number,
  isOpen: (stepId: string) => boolean,
  tooth?: number,
): readonly ShownAt[] {
  return route.steps
    .filter(({ id }) => isOpen(id))
    .flatMap((step) =>
      refs.flatMap((ref): readonly ShownAt[] => {
        if ('region' in ref)
          return (step.sheets ?? []).flatMap((sheet): readonly ShownAt[] => {
            if (sheet.kind !== 'regions') return []
            const has = regionsOf[sheet.drawing].some(
              ({ id, faults }) => id === ref.region && faults.some(({ fault }) => fault === ref.fault),
            )
            const good = sheetOfOrder(sheet, order)
            if (!has || good.kind !== 'regions') return []
            const there = {
              ...good,
              regions: good.regions.map((each) =>
                each.region === ref.region ? { ...each, fault: ref.fault } : each,
              ),
            }
            const { outcome } = judgeSheet(sheet, there, () => undefined)
            if (outcome.verdict === 'pass') return []
            return [{ stepId: step.id, kind: 'sheet', checkId: sheet.id, outcome, by: 'eye', sheet: there }]
          })
        const id = 'look' in ref ? ref.look : ref.measure
        return (step.checks ?? [])
          .filter((check) => check.id === id)
          .flatMap((check) => onCheck(step.id, check, ref, order, random, tooth))
      }),
    )
}

function onCheck(
  stepId: string,
  check: Check,
  ref: Exclude<ShowsRef, { readonly region: string }>,
  order: Order,
  random: () => number,
  tooth: number | undefined,
): readonly ShownAt[] {
  const places = teethOf(check, order.teeth)
  const where = places.includes(tooth) ? tooth : places[0]
  const on = { stepId, checkId: check.id, ...(where === undefined ? {} : { tooth: where }) }
  if (check.kind === 'observe' && 'look' in ref) {
    const outcome = check.answers.find(({ answer }) => answer === ref.answer)?.outcome
    if (!outcome || outcome.verdict === 'pass') return []
    return [
      {
        ...on,
        kind: 'look',
        answer: ref.answer,
        outcome,
        by: signsOf(check.id)?.signs[ref.answer]?.by ?? 'eye',
      },
    ]
  }
  if (check.kind !== 'measure' || !('measure' in ref)) return []
  const usual = trueValue(check, random, ref.adds === undefined ? ref.side : undefined)
  const { min, max } = check.plausible
  const value = Math.min(max, Math.max(min, Number((usual + (ref.adds ?? 0)).toFixed(3))))
  const outcome = readingOutcome(check, { value })
  // What an addition leaves within the limits is no fault there.
  return outcome.verdict === 'pass'
    ? []
    : [{ ...on, kind: 'measure', side: ref.side, outcome, by: 'instrument', value }]
}
