import { chargeOf, feedCheck } from '../../casting/index.ts'
import { gaugeMillimetres, materials } from '../../materials/index.ts'
import { qty, saying } from '../../quantity/index.ts'
import type { Route } from '../../route/index.ts'
import { thickestPartMillimetres } from '../model-readings.ts'
import { bestSpecialLiquid, castingFit } from '../practice-investment.ts'
import { jobOf } from '../truth.ts'
import type { Cause, Caused } from './cause.ts'
import { at } from './shows-later.ts'

/** A sprue no thicker than the part freezes first: half its modulus (common practice: at least as thick). */
const LEAST_MODULUS_RATIO = 0.5
/** Less metal than this, g, no single crown with its button was ever cast from (choice). */
const LEAST_CHARGE_GRAMS = 4

export const casting: Cause = ({ event, step, after }) => {
  if (event.type === 'checkRecorded') {
    const check = step.checks?.find(({ id }) => id === event.checkId)
    if (check?.means === 'specialLiquid' && event.value !== undefined)
      return offSize(jobOf(after).route, event.value)
    if (check?.means !== 'sprueGauge' || event.value === undefined) return []
    const part = thickestPartMillimetres(after.setup.seed)
    const sprue = gaugeMillimetres(Math.round(event.value))
    if (feedCheck(sprue, part).ratio >= LEAST_MODULUS_RATIO) return []
    return [
      {
        kind: 'sprue-thin',
        named: 'Shrinkage hole under the sprue',
        size: saying`${qty.mm(sprue, 1)} for ${qty.mm(part, 1)}`,
        why: saying`A sprue of ${qty.mm(sprue, 1)} froze before the part of ${qty.mm(part, 1)} that it feeds: the metal it lacked is a hole.`,
        better: 'A sprue at least as thick as the thickest part, or a reservoir by it.',
        shows: [at.region('sprue', 'Shrinkage porosity')],
      },
    ]
  }
  if (event.type !== 'sheetRecorded' || event.sheet.kind !== 'charge') return []
  const { grams, remeltShare } = chargeOf(event.sheet.pieces)
  const alloy = materials.get(event.sheet.alloyId)?.alloy
  if (grams < LEAST_CHARGE_GRAMS)
    return [
      {
        kind: 'charge-small',
        named: 'Short casting',
        size: saying`${qty.grams(grams, 1)}`,
        why: saying`${qty.grams(grams, 1)} of metal do not fill the mould and its button.`,
        better: 'The wax by its density, the sprue and a button on top.',
        shows: [at.region('margin', 'Short')],
      },
    ]
  if (!alloy || remeltShare <= alloy.mostRemeltFraction) return []
  return [
    {
      kind: 'charge-dirty',
      named: 'Pores from old metal',
      size: saying`${qty.percent(100 * remeltShare, 0)} melted before`,
      why: saying`${qty.percent(100 * remeltShare, 0)} had been melted before: its oxides stay in the casting.`,
      better: 'At least half new metal, or what the card allows.',
      shows: [at.region('walls', 'Pinholes')],
    },
  ]
}

/** The casting against its die, by the expansions of the investment that lies there. */
function offSize(route: Route, specialLiquidPercent: number): readonly Caused[] {
  const { verdict, gapMillimetres } = castingFit(route, Math.min(100, Math.max(0, specialLiquidPercent)))
  if (verdict === 'asSpaced') return []
  const shows =
    verdict === 'willNotSeat'
      ? at.looks('seats', 'Will not seat')
      : verdict === 'tight'
        ? at.looks('seats', 'Held up inside')
        : at.looks('margin-fit', 'Open')
  const gap = qty.micrometres(1000 * gapMillimetres, 0)
  return [
    {
      kind: 'liquid-off',
      named: verdict === 'loose' ? 'Loose casting' : 'Tight casting',
      size: saying`gap ${gap}`,
      why: saying`With ${qty.percent(specialLiquidPercent)} special liquid the mould leaves a gap of ${gap} on the die, 30 µm of spacer were meant.`,
      better: saying`${qty.percent(bestSpecialLiquid(route))} by the sheet of the investment and the shrinkage of the metal.`,
      shows: [shows],
    },
  ]
}
