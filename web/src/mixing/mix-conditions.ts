import type { MixClock } from '@yentrik/contract'
import { type MaterialCard, materials, type RecordedMix, ripensByRoom } from '@yentrik/core'

/** What moves the clock of a mix, to stand on record with it. */
type MixConditions = Pick<RecordedMix, 'metAt' | 'settingFactor' | 'pack' | 'roomCelsius'>

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
  const ratioOf = (of: MaterialCard | undefined) =>
    of?.measure?.by === 'mass' ? of.measure.usualMillilitresPerGram : undefined
  const said = [
    ...(['setMinutes', 'separateMinutes'] as const).map(
      (time) => [time, card.clock?.[time], ofClass?.clock?.[time]] as const,
    ),
    ['millilitresPerGram', ratioOf(card), ratioOf(ofClass)] as const,
  ]
  const { peakCelsius, furnaceMinutes } = card.investment ?? {}
  const pack = Object.fromEntries(
    [
      ...said,
      ['peakCelsius', peakCelsius, ofClass?.investment?.peakCelsius] as const,
      ['furnaceMinutes', furnaceMinutes, undefined] as const,
    ].flatMap(([figure, own, usual]) => (own === undefined || own === usual ? [] : [[figure, own]])),
  )
  return {
    ...(clock ? { metAt: clock.metAt, settingFactor: clock.settingFactor } : {}),
    ...(Object.keys(pack).length > 0 ? { pack } : {}),
    ...(ripensByRoom(materialId) && roomCelsius !== undefined ? { roomCelsius } : {}),
  }
}
