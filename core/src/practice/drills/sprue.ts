import { endClearances, feedCheck } from '../../casting/index.ts'
import { type Binder, gaugeMillimetres } from '../../materials/index.ts'
import { qty, saying } from '../../quantity/index.ts'
import { figure, record } from '../../shape/index.ts'
import { oneOf, streamAt } from '../streams.ts'
import { drill } from './drill.ts'

export interface SprueTask {
  readonly thickestMillimetres: number
  readonly patternHeightMillimetres: number
  readonly formerMillimetres: number
  readonly binder: Binder
  readonly rings: readonly number[]
}
const rings = [28, 32, 38, 45] as const
const gauges = [8, 10, 12, 14, 16] as const
/** A sprue of half the modulus of its part is as thick as the part: the least (common practice). */
const LEAST_RATIO = 0.5
/** Gold weighs so much, g/cm3, where nothing else is said (choice). */
const GRAMS_PER_CM3 = 15.5

const clearanceOf = (task: SprueTask, lengthMillimetres: number, ringMillimetres: number) =>
  ringMillimetres - task.formerMillimetres - lengthMillimetres - task.patternHeightMillimetres
const metalGrams = (gauge: number, lengthMillimetres: number) =>
  (Math.PI * (gaugeMillimetres(gauge) / 2) ** 2 * lengthMillimetres * GRAMS_PER_CM3) / 1000

export const sprue = drill({
  name: 'Sprue',
  does: 'gauge, length and ring for a pattern',
  task: (seed): SprueTask => {
    const random = streamAt(seed, 'drill sprue')
    return {
      thickestMillimetres: Math.round(10 * (1.3 + 1.1 * random())) / 10,
      patternHeightMillimetres: Math.round(2 * (7 + 4 * random())) / 2,
      formerMillimetres: 10,
      binder: oneOf(['gypsum', 'phosphate'] as const, random),
      rings,
    }
  },
  answer: record({
    gauge: figure(8, 16),
    lengthMillimetres: figure(1, 30),
    ringMillimetres: figure(20, 80),
  }),
  score(task, { gauge, lengthMillimetres, ringMillimetres }) {
    const { least, most } = endClearances[task.binder]
    const feeds = (each: number) =>
      feedCheck(gaugeMillimetres(each), task.thickestMillimetres).ratio >= LEAST_RATIO
    const clearance = clearanceOf(task, lengthMillimetres, ringMillimetres)
    const clears = clearance >= least && clearance <= most
    const thinnest = [...gauges].reverse().find(feeds) ?? gauges[0]
    // Six to eight millimetres keep the heat of the button away (common practice).
    const lengthRight = lengthMillimetres >= 6 && lengthMillimetres <= 10
    const wasted = Math.max(0, metalGrams(gauge, lengthMillimetres) - metalGrams(thinnest, 8))
    return {
      points:
        (feeds(gauge) ? 45 - Math.min(10, 10 * wasted) : 0) + (clears ? 35 : 0) + (lengthRight ? 20 : 0),
      say: saying`${feeds(gauge) ? 'It feeds' : 'It freezes before the part it feeds'}; ${qty.mm(clearance, 1)} to the end of the ring, ${least} to ${qty.mm(most)} wanted${lengthRight ? '' : '; the sprue is not 6 to 10 mm long'}.`,
      better: saying`Gauge ${thinnest} (${qty.mm(gaugeMillimetres(thinnest), 1)}) is as thick as the part; fill the ring up to ${least} to ${qty.mm(most)} of its end.`,
    }
  },
})
export const sprueGauges = gauges
