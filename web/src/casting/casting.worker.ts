import {
  type Binder,
  type BurnoutJudgement,
  type BurnoutRun,
  type CoreReading,
  type CoreReady,
  coreReady,
  DomainError,
  factorFor,
  judgeBurnout,
  judgeCut,
  type PowerCut,
  type RingSize,
  ringMaterials,
  type TemperatureProgram,
} from '@yentrik/core'
import { expose } from 'comlink'

/** A burnout followed into the core, or the sentence that says why it cannot be. */
export type FollowedBurnout =
  | { readonly ok: true; readonly ready: CoreReady; readonly factor?: number }
  | { readonly ok: false; readonly sentence: string }

/** What a burnout did to its ring, or why that cannot be said. */
export type Judged =
  | { readonly ok: true; readonly judgement: BurnoutJudgement }
  | { readonly ok: false; readonly sentence: string }

function judged(work: () => BurnoutJudgement): Judged {
  try {
    return { ok: true, judgement: work() }
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return { ok: false, sentence: `${error.message} ${error.remedy}` }
  }
}

const castingWork = {
  follow(
    size: RingSize,
    binder: Binder,
    program: TemperatureProgram,
    reading?: CoreReading,
  ): FollowedBurnout {
    try {
      const factor = reading && factorFor(size, ringMaterials[binder].typical, program, reading)
      return { ok: true, ready: coreReady(size, binder, program, factor), ...(factor ? { factor } : {}) }
    } catch (error) {
      if (!(error instanceof DomainError)) throw error
      return { ok: false, sentence: `${error.message} ${error.remedy}` }
    }
  },

  cut: (size: RingSize, binder: Binder, program: TemperatureProgram, cut: PowerCut): Judged =>
    judged(() => judgeCut(size, binder, program, cut)),

  judge: (run: BurnoutRun): Judged => judged(() => judgeBurnout(run)),
}
export type CastingWork = typeof castingWork
expose(castingWork)
