import { type quantityKinds, saying } from '../../quantity/index.ts'
import type { CheckOf } from '../../route/index.ts'
import { figure, list, record } from '../../shape/index.ts'
import { pointerAt, type Scale, scaleOf, trueValue } from '../readings.ts'
import { oneOf, streamAt } from '../streams.ts'
import { drill, pointsFor } from './drill.ts'

type Measured = Pick<CheckOf<'measure'>, 'min' | 'max' | 'plausible' | 'quantity'>
const measure = (
  quantity: Measured['quantity'],
  min: number,
  max: number,
  least: number,
  most: number,
): Measured => ({
  quantity,
  min,
  max,
  plausible: { min: least, max: most },
})
/** What is read at a bench in a week (choice). */
const measures: readonly Measured[] = [
  measure('millimetres', 1, 4, 0, 20),
  measure('millimetres', 5, 13, 0, 40),
  measure('millimetres', 0.2, 0.5, 0, 3),
  measure('millimetres', 30, 48, 0, 80),
  measure('degrees', 60, 70, 0, 180),
  measure('celsius', 60, 78, 0, 120),
  measure('celsius', 20, 30, 0, 110),
  measure('kilopascals', 120, 160, 0, 700),
  measure('micrometres', 20, 60, 0, 500),
]
const INSTRUMENTS = 10
export interface ReadTask {
  readonly readings: readonly {
    readonly scale: Scale
    readonly pointer: number
    readonly quantity: (typeof quantityKinds)[number]
  }[]
}
/** So many steps off, on the average, and nothing is left of it (choice). */
const WORST_STEPS = 3
/** Seconds for all ten that cost nothing, and that cost all of a tenth (choice). */
const SLOW = { from: 120, to: 300, points: 10 } as const

export const read = drill({
  name: 'Read',
  does: 'ten instruments, to their smallest step',
  task: (seed): ReadTask => ({
    readings: Array.from({ length: INSTRUMENTS }, (_, n) => {
      const random = streamAt(seed, 'drill read', n)
      const check = oneOf(measures, random)
      const scale = scaleOf(check)
      return { scale, pointer: pointerAt(trueValue(check, random), scale, random), quantity: check.quantity }
    }),
  }),
  answer: record({ values: list(figure(-1e6, 1e6), INSTRUMENTS, INSTRUMENTS), seconds: figure(0, 36_000) }),
  score(task, { values, seconds }) {
    const { readings } = task
    const steps = readings.map(({ pointer, scale }, n) => Math.abs(values[n]! - pointer) / scale.step)
    // A slip of a whole number is no worse than a wild guess.
    const mean = steps.reduce((sum, each) => sum + Math.min(each, 2 * WORST_STEPS), 0) / steps.length
    const late = Math.min(1, Math.max(0, (seconds - SLOW.from) / (SLOW.to - SLOW.from)))
    const worst = steps.indexOf(Math.max(...steps))
    const { quantity, pointer } = readings[worst]!
    return {
      // Half a step nobody can tell.
      points: Math.max(0, pointsFor(Math.max(0, mean - 0.5), WORST_STEPS) - SLOW.points * late),
      say: saying`${mean.toFixed(1)} steps off on the average, in ${Math.round(seconds)} s.`,
      better: saying`The worst was the ${ordinal(worst + 1)}: ${{ value: pointer, kind: quantity, decimals: 2 }}.`,
    }
  },
})

const ordinal = (n: number) => `${n}${['th', 'st', 'nd', 'rd'][n] ?? 'th'}`
