import { concentrationFor, type DieAndSpacer, type ExpansionBudget, fitAt } from '../casting/index.ts'
import { materials } from '../materials/index.ts'
import { joined, qty, type Saying, saying } from '../quantity/index.ts'
import type { Route } from '../route/index.ts'

/** An invented investment and its own table: nobody's product. Setting and thermal expansion by the share of special liquid. */
const table: ExpansionBudget['table'] = [
  { specialLiquidPercent: 0, settingFraction: 0.004, thermalFraction: 0.008 },
  { specialLiquidPercent: 50, settingFraction: 0.01, thermalFraction: 0.01 },
  { specialLiquidPercent: 100, settingFraction: 0.016, thermalFraction: 0.012 },
]
/** A molar on its die under two coats of spacer, mm. */
const die: DieAndSpacer = { dieMillimetres: 8, spacerMillimetres: 0.03 }
/** Where the order leaves it open. */
const USUAL_ALLOY = 'nickel-chromium'

/** The alloy that a route is cast in: what its charge is held against. */
function alloyOf(route: Route) {
  const charge = route.steps.flatMap(({ sheets = [] }) => sheets).find(({ kind }) => kind === 'charge')
  const ordered = charge?.kind === 'charge' ? charge.ordered : undefined
  const id = ordered?.includes(USUAL_ALLOY) ? USUAL_ALLOY : (ordered?.[0] ?? USUAL_ALLOY)
  return materials.get(id) ?? materials.get(USUAL_ALLOY)!
}
const budgetOf = (route: Route): ExpansionBudget => ({
  shrinkageFraction: alloyOf(route).alloy?.shrinkageFraction ?? 0.014,
  waxContractionFraction: 0,
  hygroscopicFraction: 0,
  restraint: 1,
  thermalShare: 1,
  table,
})

/** What the sheet of the investment says, as it lies on the bench. */
export const investmentWords = (route: Route): Saying =>
  saying`${alloyOf(route).name} shrinks by ${qty.percent(100 * budgetOf(route).shrinkageFraction, 1)}. The sheet of the investment: ${joined(
    table.map(
      (row) =>
        saying`${qty.percent(row.specialLiquidPercent)} special liquid sets ${qty.percent(100 * row.settingFraction, 1)} and grows ${qty.percent(100 * row.thermalFraction, 1)} hot`,
    ),
    '; ',
  )}. Die ${qty.mm(die.dieMillimetres)}, spacer ${qty.mm(die.spacerMillimetres, 2)}.`

/** How a casting of the route will fit with so much special liquid. @throws {DomainError} of `fitAt` */
export const castingFit = (route: Route, specialLiquidPercent: number) =>
  fitAt(budgetOf(route), die, specialLiquidPercent)

/** The share of special liquid that fits, in whole percent. */
export function bestSpecialLiquid(route: Route): number {
  const answer = concentrationFor(budgetOf(route), die, die.spacerMillimetres)
  return answer.reachable ? answer.roundedPercent : answer.bestPercent
}
