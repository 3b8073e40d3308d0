import {
  type Coat,
  colourDifference,
  type Lab,
  NOT_SEEN,
  type Pot,
  planZone,
  stainedColour,
} from '../../colour/index.ts'
import { saying } from '../../quantity/index.ts'
import { figure, list, record } from '../../shape/index.ts'
import { streamAt } from '../streams.ts'
import { drill, pointsFor } from './drill.ts'

/** Four invented stains; their curves are nobody's. */
const pots: readonly Pot[] = [
  { name: 'ochre', absorption: [0.01, 0.012, 0.036], scattering: [0.01, 0.007, 0.004] },
  { name: 'brown', absorption: [0.026, 0.033, 0.056], scattering: [0.02, 0.014, 0.006] },
  { name: 'grey', absorption: [0.023, 0.023, 0.025], scattering: [0.002, 0.002, 0.003] },
  { name: 'blue', absorption: [0.02, 0.018, 0.002], scattering: [0, 0, 0.002] },
]
export interface ShadeTask {
  readonly pots: readonly string[]
  readonly block: Lab
  readonly target: Lab
  readonly mostCoats: number
}
const MOST_COATS = 2
/** So much above the solver's, ΔE00, and nothing is left of it (choice). */
const WORST_DIFFERENCE = 6

const coatsOf = (coats: readonly number[]): Coat[] =>
  coats.flatMap((thickness, n) => (thickness > 0 ? [{ pot: pots[n]!, coats: thickness }] : []) as Coat[])
export const shadeOf = (block: Lab, coats: readonly number[]): Lab => stainedColour(block, coatsOf(coats))

export const shade = drill({
  name: 'Shade',
  does: 'a recipe by eye for one zone',
  task: (seed): ShadeTask => {
    const random = streamAt(seed, 'drill shade')
    const block: Lab = { L: 74 + 4 * random(), a: 1 + random(), b: 14 + 4 * random() }
    const hidden = pots.map(() => (random() < 0.5 ? 0 : Math.round(4 * random()) / 4))
    const target = shadeOf(block, hidden.some((each) => each > 0) ? hidden : [0.75, 0.25, 0, 0])
    return { pots: pots.map(({ name }) => name), block, target, mostCoats: MOST_COATS }
  },
  answer: record({ coats: list(figure(0, MOST_COATS), pots.length, pots.length) }),
  score(task, { coats }) {
    const { block, target } = task
    const off = colourDifference(shadeOf(block, coats), target)
    const best = planZone({ name: 'zone', block, target }, pots)
    return {
      points: pointsFor(Math.max(0, off - Math.max(best.difference, NOT_SEEN)), WORST_DIFFERENCE),
      say: saying`ΔE00 ${off.toFixed(1)}; below ${NOT_SEEN} nobody sees it.`,
      better: saying`The solver comes to ${best.difference.toFixed(1)} with ${best.coats
        .map((each, n) => (each > 0 ? `${each} ${pots[n]!.name}` : ''))
        .filter(Boolean)
        .join(', ')}.`,
    }
  },
})
