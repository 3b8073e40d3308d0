import { qty, saying } from '../../quantity/index.ts'
import { choice, record } from '../../shape/index.ts'
import { normal, oneOf, streamAt } from '../streams.ts'
import { drill } from './drill.ts'

const teeth = ['13', '12', '11', '21', '22', '23'] as const
const ways = ['low', 'high', 'forward', 'back'] as const
const wayNames = {
  low: 'too low',
  high: 'too high',
  forward: 'too far forward',
  back: 'too far back',
} as const
/** How far the one is off, mm, and how far a careful hand may be (choice). */
const OFF_MILLIMETRES = 1.2
const CAREFUL_MILLIMETRES = 0.25

/** A set-up measured: level below the rim and fullness before the ridge, mm, and what was prescribed. */
export interface SetTask {
  readonly prescribed: { readonly levelMillimetres: number; readonly fullnessMillimetres: number }
  readonly measured: readonly {
    readonly tooth: string
    readonly levelMillimetres: number
    readonly fullnessMillimetres: number
  }[]
}
/** The laterals stand so much higher by rule, mm (common practice). */
export const LATERAL_HIGHER_MILLIMETRES = 0.5

function planted(seed: number) {
  const random = streamAt(seed, 'drill set')
  return { tooth: oneOf(teeth, random), way: oneOf(ways, random), random }
}
const tenth = (value: number) => Math.round(value * 10) / 10

export const set = drill({
  name: 'Set',
  does: 'which tooth of a measured set-up is off, and which way',
  task: (seed): SetTask => {
    const { tooth: wrong, way, random } = planted(seed)
    const prescribed = {
      levelMillimetres: 20 + tenth(3 * random()),
      fullnessMillimetres: 7 + tenth(2 * random()),
    }
    const careful = () => Math.max(-0.5, Math.min(0.5, CAREFUL_MILLIMETRES * normal(random)))
    return {
      prescribed,
      measured: teeth.map((tooth) => {
        const lateral = tooth === '12' || tooth === '22' ? -LATERAL_HIGHER_MILLIMETRES : 0
        const level =
          tooth === wrong ? (way === 'low' ? OFF_MILLIMETRES : way === 'high' ? -OFF_MILLIMETRES : 0) : 0
        const fullness =
          tooth === wrong ? (way === 'forward' ? OFF_MILLIMETRES : way === 'back' ? -OFF_MILLIMETRES : 0) : 0
        return {
          tooth,
          levelMillimetres: tenth(
            prescribed.levelMillimetres + lateral + careful() * (level ? 0 : 1) + level,
          ),
          fullnessMillimetres: tenth(
            prescribed.fullnessMillimetres + careful() * (fullness ? 0 : 1) + fullness,
          ),
        }
      }),
    }
  },
  answer: record({ tooth: choice(teeth), way: choice(ways) }),
  score(_task, answer, seed) {
    const { tooth, way } = planted(seed)
    const right = answer.tooth === tooth
    return {
      points: right && answer.way === way ? 100 : right ? 50 : 0,
      say:
        right && answer.way === way
          ? 'That is the one.'
          : right
            ? 'The right tooth, the other way.'
            : 'Another one.',
      better: saying`${tooth} is ${wayNames[way]} by ${qty.mm(OFF_MILLIMETRES)}.`,
    }
  },
})
export const setWays = wayNames
