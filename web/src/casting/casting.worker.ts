import {
  type Binder,
  type BurnoutProgram,
  type CoreReading,
  type CoreReady,
  coreReady,
  DomainError,
  factorFor,
  type RingSize,
  ringMaterials,
} from '@yentrik/core'
import { expose } from 'comlink'

/** A burnout followed into the core, or the sentence that says why it cannot be. */
export type FollowedBurnout =
  | { readonly ok: true; readonly ready: CoreReady; readonly factor?: number }
  | { readonly ok: false; readonly sentence: string }

const castingWork = {
  follow(size: RingSize, binder: Binder, program: BurnoutProgram, reading?: CoreReading): FollowedBurnout {
    try {
      const factor = reading && factorFor(size, ringMaterials[binder].typical, program, reading)
      return { ok: true, ready: coreReady(size, binder, program, factor), ...(factor ? { factor } : {}) }
    } catch (error) {
      if (!(error instanceof DomainError)) throw error
      return { ok: false, sentence: `${error.message} ${error.remedy}` }
    }
  },
}
export type CastingWork = typeof castingWork
expose(castingWork)
