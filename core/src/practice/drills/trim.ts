import { qty, saying } from '../../quantity/index.ts'
import { figure, list, record } from '../../shape/index.ts'
import { normal, streamAt } from '../streams.ts'
import { drill, pointsFor } from './drill.ts'

interface Place {
  readonly x: number
  readonly y: number
}
/** Seen from above, mm; the middle of the back edge is 0, 0. */
export interface TrimTask {
  readonly teeth: readonly Place[]
  readonly wanted: readonly { readonly id: string; readonly name: string }[]
  readonly at: Readonly<Record<string, Place>>
}
const wanted = [
  { id: 'midline', name: 'The middle of the arch, between the front teeth' },
  { id: 'canine-right', name: 'The tip of the right canine' },
  { id: 'canine-left', name: 'The tip of the left canine' },
  { id: 'tuber-right', name: 'The notch behind the right tuber' },
  { id: 'tuber-left', name: 'The notch behind the left tuber' },
] as const
/** Middles of the teeth along an arch, from its middle backwards; and the notch behind them, mm (choice). */
const ALONG = [4.2, 11.4, 18.4, 25.8, 32.8, 41.6, 51.6]
const BEHIND_MILLIMETRES = 59
const STEP_MILLIMETRES = 0.1
/** Off by so much on the average, and nothing is left of it, mm (choice). */
const WORST_MILLIMETRES = 3

export const trim = drill({
  name: 'Trim',
  does: 'the landmarks of an arch, seen from above',
  task: (seed): TrimTask => {
    const random = streamAt(seed, 'drill trim')
    const turned = (normal(random) * 2.5 * Math.PI) / 180
    const depth = 53 + 3 * random()
    const steep = 0.0019 + 0.0005 * random()
    /** So far along the arch from its middle, mm; below 0 to the right. */
    const on = (along: number): Place => {
      let x = 0
      for (let gone = 0; gone < Math.abs(along); gone += STEP_MILLIMETRES)
        x += STEP_MILLIMETRES / Math.hypot(1, 3 * steep * x * x)
      const [across, up] = [Math.sign(along) * x, depth - steep * x ** 3]
      return {
        x: across * Math.cos(turned) - up * Math.sin(turned),
        y: across * Math.sin(turned) + up * Math.cos(turned),
      }
    }
    const jitter = () => 0.35 * normal(random)
    const right = ALONG.map((along) => on(-along + jitter()))
    const left = ALONG.map((along) => on(along + jitter()))
    const teeth = [...right.reverse(), ...left]
    return {
      teeth,
      wanted,
      at: {
        midline: { x: (teeth[6]!.x + teeth[7]!.x) / 2, y: (teeth[6]!.y + teeth[7]!.y) / 2 },
        'canine-right': teeth[4]!,
        'canine-left': teeth[9]!,
        'tuber-right': on(-BEHIND_MILLIMETRES),
        'tuber-left': on(BEHIND_MILLIMETRES),
      },
    }
  },
  answer: record({
    places: list(record({ x: figure(-200, 200), y: figure(-200, 200) }), wanted.length, wanted.length),
  }),
  score(task, { places }) {
    const { at } = task
    const off = wanted.map(({ id }, n) => Math.hypot(places[n]!.x - at[id]!.x, places[n]!.y - at[id]!.y))
    const mean = off.reduce((sum, each) => sum + each, 0) / off.length
    const worst = off.indexOf(Math.max(...off))
    const reach = (a: Place, b: Place) => Math.hypot(a.x - b.x, a.y - b.y)
    const made = reach(places[0]!, places[1]!) - reach(places[0]!, places[2]!)
    const real = reach(at.midline!, at['canine-right']!) - reach(at.midline!, at['canine-left']!)
    return {
      points: pointsFor(mean, WORST_MILLIMETRES),
      say: saying`${qty.mm(mean, 1)} off on the average; the base would be uneven by ${qty.mm(Math.abs(made - real), 1)}.`,
      better: saying`Furthest off: ${wanted[worst]!.name.toLowerCase()}, by ${qty.mm(off[worst]!, 1)}.`,
    }
  },
})
