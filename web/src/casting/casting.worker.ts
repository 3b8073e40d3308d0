import {
  type Binder,
  type BurnoutProgram,
  type CoreReading,
  type CoreReady,
  type CutJudgement,
  coreReady,
  DomainError,
  factorFor,
  judgeCut,
  type PowerCut,
  type RingSize,
  ringMaterials,
} from '@yentrik/core'
import { expose } from 'comlink'

/** A burnout followed into the core, or the sentence that says why it cannot be. */
export type FollowedBurnout =
  | { readonly ok: true; readonly ready: CoreReady; readonly factor?: number }
  | { readonly ok: false; readonly sentence: string }

export type JudgedCut =
  | {
      readonly ok: true
      readonly verdict: CutJudgement['verdict']
      readonly say: string
      readonly castFromMinutes?: number
      readonly lowestCelsius: number
    }
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

  /** What a power cut did, in words and with the hour from which it may be cast. */
  cut(size: RingSize, binder: Binder, program: BurnoutProgram, cut: PowerCut): JudgedCut {
    try {
      const { verdict, say, castFromMinutes, furnace } = judgeCut(size, binder, program, cut)
      return { ok: true, verdict, say, castFromMinutes, lowestCelsius: furnace.lowestCelsius }
    } catch (error) {
      if (!(error instanceof DomainError)) throw error
      return { ok: false, sentence: `${error.message} ${error.remedy}` }
    }
  },
}
export type CastingWork = typeof castingWork
expose(castingWork)
