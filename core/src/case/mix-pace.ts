import { doughStages } from '../curing/index.ts'
import { USUAL_ROOM_CELSIUS } from '../heat/index.ts'
import { type MaterialCard, materials } from '../materials/index.ts'
import { settingFactorByRatio } from '../mixing/index.ts'
import type { Amount, OfMix, RecordedMix } from '../route/index.ts'

interface Minutes {
  readonly earliestMinutes?: number
  readonly bestMinutes: number
  readonly latestMinutes?: number
}

/**
 * A window as written for the usual mix, in the minutes of the mix that was made: by the ratio really hit, what is in the
 * water, the times of its pack, the room.
 */
export function paced(window: Minutes, pace: OfMix['pace'], mix: RecordedMix, amount?: Amount): Minutes {
  switch (pace) {
    case 'met':
      return window
    case 'dough':
      return doughWindow(mix.roomCelsius ?? USUAL_ROOM_CELSIUS)
    case 'set':
      return all(window, settingFactor(mix) * byPack(mix, amount, 'setMinutes'))
    case 'furnace': {
      const fast = mix.pack?.furnaceMinutes
      if (fast) return { earliestMinutes: fast.from, bestMinutes: fast.to, latestMinutes: fast.to }
      return paced(window, 'separate', mix, amount)
    }
    case 'separate':
      return opensLater(window, Math.max(1, settingFactor(mix)) * byPack(mix, amount, 'separateMinutes'))
  }
}

/** From dough to the end of it, and to the end of rubbery, by the room. */
function doughWindow(celsius: number): Minutes {
  const stages = doughStages(celsius)
  const end = (name: string) => stages.find((stage) => stage.name === name)!.toMinutes!
  return { earliestMinutes: end('stringy'), bestMinutes: end('dough'), latestMinutes: end('rubbery') }
}

function settingFactor(mix: RecordedMix): number {
  if (mix.settingFactor !== undefined) return mix.settingFactor
  const { powderGrams, liquidMillilitres } = mix
  const card = materials.get(mix.materialId)
  if (!card || powderGrams === undefined || liquidMillilitres === undefined) return 1
  return settingFactorByRatio(card, liquidMillilitres / powderGrams)
}

/** The time of the pack, or of the class it is of, against that of the class the step was written for. */
function byPack(
  { materialId, pack }: RecordedMix,
  amount: Amount | undefined,
  time: 'setMinutes' | 'separateMinutes',
): number {
  const clockOf = (id: string | undefined): MaterialCard['clock'] =>
    id ? materials.get(id)?.clock : undefined
  const real = pack?.[time] ?? clockOf(materialId)?.[time]
  const written = clockOf(amount?.materialId)?.[time]
  return real && written ? real / written : 1
}

const all = ({ earliestMinutes = 0, bestMinutes, latestMinutes }: Minutes, factor: number): Minutes => ({
  earliestMinutes: earliestMinutes * factor,
  bestMinutes: bestMinutes * factor,
  ...(latestMinutes === undefined ? {} : { latestMinutes: latestMinutes * factor }),
})

/** The good time stays as long; what is past goes by something else, as alginate that dries on the cast. */
function opensLater({ earliestMinutes = 0, bestMinutes, latestMinutes }: Minutes, factor: number): Minutes {
  const opens = earliestMinutes * factor
  return {
    earliestMinutes: opens,
    bestMinutes: opens + bestMinutes - earliestMinutes,
    ...(latestMinutes === undefined ? {} : { latestMinutes }),
  }
}
