import {
  type Binder,
  type BurnoutRun,
  type CoreReading,
  type CoreReady,
  coreReady,
  factorFor,
  judgeBurnout,
  judgeCut,
  type PowerCut,
  type RingSize,
  ringMaterials,
  type TemperatureProgram,
} from '@yentrik/core'
import { expose } from 'comlink'
import { type Attempt, attempt } from '../parts/attempt.ts'

/** A burnout to follow into the core of its ring. */
export interface BurnoutQuestion {
  readonly size: RingSize
  readonly binder: Binder
  readonly program: TemperatureProgram
  readonly reading?: CoreReading
  /** The product in the ring is marked for it. */
  readonly hotEntry: boolean
}
export interface FollowedBurnout {
  readonly ready: CoreReady
  /** By which the ring is slower than usual, where a reading says so. */
  readonly factor?: number
}

const castingWork = {
  follow: ({ size, binder, program, reading, hotEntry }: BurnoutQuestion): Attempt<FollowedBurnout> =>
    attempt(() => {
      const factor = reading && factorFor(size, ringMaterials[binder].typical, program, reading)
      return {
        ready: coreReady(size, binder, program, { hotEntry, ...(factor ? { factor } : {}) }),
        ...(factor ? { factor } : {}),
      }
    }),

  /** What a power cut did to a burnout. */
  cut: ({ size, binder, program, cut, hotEntry }: BurnoutQuestion & { readonly cut: PowerCut }) =>
    attempt(() => judgeCut(size, binder, program, cut, { hotEntry })),

  /** What a measured burnout did to its ring. */
  judge: (run: BurnoutRun) => attempt(() => judgeBurnout(run)),
}
export type CastingWork = typeof castingWork
expose(castingWork)
