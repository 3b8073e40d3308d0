import type { MixClock } from '@yentrik/contract'
import { type MaterialCard, materials, type RecordedMix } from '@yentrik/core'

/** What moves the clock of a mix, to stand on record with it. */
type MixConditions = Pick<RecordedMix, 'metAt' | 'settingFactor' | 'pack' | 'roomCelsius'>

/** Whether the room decides how it ripens. */
export const ripensByRoom = ({ id }: Pick<MaterialCard, 'id'>) => id === 'heat-cure-acrylic'

/**
 * @param card of the product or of the class, by which it sets
 * @param clock of this mix, where one runs
 */
export function mixConditions(
  materialId: string,
  card: MaterialCard,
  clock: MixClock | undefined,
  roomCelsius: number | undefined,
): MixConditions {
  const ofClass = materials.get(materialId)
  const pack = Object.fromEntries(
    (['setMinutes', 'separateMinutes'] as const).flatMap((time) => {
      const minutes = card.clock?.[time]
      return minutes === undefined || minutes === ofClass?.clock?.[time] ? [] : [[time, minutes]]
    }),
  )
  return {
    ...(clock ? { metAt: clock.metAt, settingFactor: clock.settingFactor } : {}),
    ...(Object.keys(pack).length > 0 ? { pack } : {}),
    ...(ofClass && ripensByRoom(ofClass) && roomCelsius !== undefined ? { roomCelsius } : {}),
  }
}
