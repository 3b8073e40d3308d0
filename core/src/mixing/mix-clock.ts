import type { MaterialClock } from '../materials/index.ts'

const MINUTE = 60_000

/** A stretch of the clock of a mix. Instants in ms since 1970. */
export interface ClockStretch {
  readonly id: 'wet' | 'machine' | 'pour' | 'leave' | 'harden' | 'heat' | 'free' | 'over'
  readonly name: string
  readonly from: number
  readonly to: number
  /** hands: at work; good: this is the time for it; late: going; wait: leave it alone; past: gone. */
  readonly tone: 'hands' | 'good' | 'late' | 'wait' | 'past'
}

/** A moment of the clock that stands beside the strip. */
interface ClockMark {
  readonly id: 'initial-set' | 'heat-peak' | 'separate' | 'trim' | 'dry' | 'use-by'
  readonly name: string
  readonly at: number
}

export interface MixClock {
  readonly stretches: readonly ClockStretch[]
  readonly marks: readonly ClockMark[]
  readonly source: string
}

/** After the heat has gone the strip goes on for this long, min, to show that it is free now. */
const FREE_STRETCH = 15

/**
 * The clock of a mix from the moment powder meets liquid: wetting, machine, pour window, gloss loss, initial set,
 * heat, free; with the marks beside it.
 *
 * @param metAt when they met, ms since 1970
 * @param settingFactor a thinner mix or a retarder makes it above 1. It moves everything from the pour window to the
 *   heat peak; separating is never earlier than the card says, since heat and strength need their time.
 */
export function mixClock(clock: MaterialClock, metAt: number, settingFactor = 1): MixClock {
  const at = (minutes: number) => metAt + minutes * MINUTE
  const moved = (minutes: number) => at(minutes * settingFactor)
  const wetted = at(clock.wettedMinutes ?? 0)
  const mixed = at(clock.mixedMinutes ?? clock.wettedMinutes ?? 0)
  const pourBy = Math.max(mixed, moved(clock.pourByMinutes))
  const gloss = Math.max(pourBy, moved(clock.glossLossMinutes ?? clock.pourByMinutes))
  const set = Math.max(gloss, moved(clock.setMinutes))
  const separate = at(clock.separateMinutes * Math.max(1, settingFactor))
  const useBy = clock.useWithinMinutes === undefined ? undefined : at(clock.useWithinMinutes)
  const stretches: ClockStretch[] = [
    { id: 'wet', name: 'wet it by hand', from: metAt, to: wetted, tone: 'hands' },
    { id: 'machine', name: 'mix', from: wetted, to: mixed, tone: 'hands' },
    { id: 'pour', name: 'pour', from: mixed, to: pourBy, tone: 'good' },
    { id: 'leave', name: 'gloss goes', from: pourBy, to: gloss, tone: 'late' },
    { id: 'harden', name: 'hardens', from: gloss, to: set, tone: 'wait' },
    { id: 'heat', name: 'warm, weak', from: set, to: separate, tone: 'wait' },
    { id: 'free', name: 'free', from: separate, to: useBy ?? separate + FREE_STRETCH * MINUTE, tone: 'good' },
  ]
  const marks: ClockMark[] = [
    { id: 'initial-set', name: 'initial set', at: set },
    ...(clock.heatPeakMinutes === undefined
      ? []
      : [{ id: 'heat-peak', name: 'warmest', at: moved(clock.heatPeakMinutes) } as const]),
    { id: 'separate', name: 'separate from', at: separate },
    ...(clock.trimFromMinutes === undefined
      ? []
      : [{ id: 'trim', name: 'trim from', at: Math.max(separate, at(clock.trimFromMinutes)) } as const]),
    ...(useBy === undefined ? [] : [{ id: 'use-by', name: 'poured by', at: useBy } as const]),
    ...(clock.dryMinutes === undefined
      ? []
      : [{ id: 'dry', name: 'dry', at: at(clock.dryMinutes) } as const]),
  ]
  return { stretches: stretches.filter(({ from, to }) => to > from), marks, source: clock.source }
}

/** The stretch that an instant lies in; after the last one undefined. */
export function stretchAt({ stretches }: MixClock, now: number): ClockStretch | undefined {
  return stretches.find(({ to }) => now < to)
}
