import {
  checkStainPlan,
  colourOf,
  plannedDifference,
  recipeWords,
  stainPlanShape,
  verdictOf,
  zoneWords,
} from '../../colour/index.ts'
import { joined, qty, saying } from '../../quantity/index.ts'
import { choice, type Of, partsOf, record } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

const data = record({ ...partsOf(stainPlanShape), firings: choice(['one', 'two']) })

/** A block a little lighter than its target, and one body shade: sound figures of no maker. */
const example: Of<typeof data> = {
  zones: [
    {
      zone: 'body',
      block: { L: 84, a: 1, b: 13 },
      target: { L: 82.7, a: 1, b: 16.9 },
      coats: [1],
    },
  ],
  pots: [{ name: 'body shade', absorption: [0.01, 0.01, 0.034], scattering: [0.01, 0.007, 0.004] }],
  specular: 'excluded',
  firings: 'two',
}

/** Stains zone by zone, in coats of the pots of the lab, and the colour that follows. */
export const stainPlanSheet = sheetKind({
  kind: 'stainPlan',
  data,
  wants: record({}),
  check: checkStainPlan,
  faults: (plan) =>
    plan.zones.flatMap((zone) => {
      const difference = plannedDifference(zone, plan)
      return verdictOf(difference) === 'outOfReach'
        ? [
            saying`${zoneWords(zone)}: ${qty.count(difference, 2)} from its target, nobody accepts more than 1.8${colourOf(zone, plan.pots, plan.specular).L < zone.target.L ? '; a dark block cannot be lifted' : ''}`,
          ]
        : []
    }),
  words: (plan) => {
    const names = plan.pots.map(({ name, lot }) => (lot ? `${name}, lot ${lot}` : name))
    const worst = Math.max(...plan.zones.map((zone) => plannedDifference(zone, plan)))
    return saying`${joined(
      plan.zones.map((zone) => saying`${zoneWords(zone)} ${recipeWords(zone.coats, names)}`),
      '; ',
    )}; ${qty.count(worst, 2)} from the target at most, in ${plan.firings} ${plan.firings === 'one' ? 'firing' : 'firings'}`
  },
  good: () => example,
  failingExample: () => ({
    ...example,
    zones: [
      { zone: 'body' as const, block: { L: 68, a: 4, b: 20 }, target: { L: 78, a: 2, b: 16 }, coats: [0] },
    ],
  }),
  refusedExample: () => ({ ...example, zones: [] }),
})
