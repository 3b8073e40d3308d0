import { qty, saying } from '../../quantity/index.ts'
import { figure, list, record } from '../../shape/index.ts'
import { streamAt } from '../streams.ts'
import { drill, pointsFor } from './drill.ts'

/** A scoop gives so much while it is tilted, g/s, and so much more after it was set down, s (choice). */
const FLOW = { least: 8, most: 16 } as const
const AFTER_SECONDS = 0.35
const pourShape = record({ seconds: figure(0.01, 60) })

export interface PourTask {
  readonly targetGrams: number
  readonly gramsPerSecond: number
  readonly afterSeconds: number
}

/** The weight on the pan after so many tilts of the scoop; what is too much stays. */
export const pouredGrams = ({ gramsPerSecond, afterSeconds }: PourTask, seconds: readonly number[]): number =>
  seconds.reduce((sum, each) => sum + gramsPerSecond * (each + afterSeconds), 0)

/** Off by this share of the target nothing is left of it (choice). */
const WORST_SHARE = 0.15

export const pour = drill({
  name: 'Pour',
  does: 'powder to a weight, and stop in time',
  task: (seed): PourTask => {
    const random = streamAt(seed, 'drill pour')
    return {
      targetGrams: 40 + 10 * Math.floor(random() * 9),
      gramsPerSecond: FLOW.least + (FLOW.most - FLOW.least) * random(),
      afterSeconds: AFTER_SECONDS,
    }
  },
  answer: record({ pours: list(pourShape, 50, 1) }),
  score(task, { pours }) {
    const grams = pouredGrams(
      task,
      pours.map(({ seconds }) => seconds),
    )
    const off = grams - task.targetGrams
    return {
      points: pointsFor(off, WORST_SHARE * task.targetGrams),
      say: saying`${qty.grams(grams, 1)} for ${qty.grams(task.targetGrams)}, in ${pours.length} ${pours.length === 1 ? 'pour' : 'pours'}.`,
      better: saying`Stop ${qty.grams(task.gramsPerSecond * task.afterSeconds, 1)} before it: so much still falls.`,
    }
  },
})
