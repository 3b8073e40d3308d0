import type { BenchContents, Instrument, Saying } from '@yentrik/core'
import { result, results, route } from './route.ts'

/** What lies on the bench, and the instant at which it was put together, ms since 1970. */
export type Bench = BenchContents & { readonly at: number }

/** What an instrument gave last, and for which cases it worked. */
export interface InstrumentUse {
  readonly instrument: Instrument
  /** What was put on record last. */
  readonly words: Saying
  /** The last cases, the newest first; `at` in ms since 1970. */
  readonly cases: readonly { readonly caseId: string; readonly docket: string; readonly at: number }[]
}

export const benchRoutes = {
  'GET /bench': route({
    room: 'bench',
    summary: 'What runs, what to do now, what comes later, who is waited for',
    answer: result<Bench>('The bench'),
  }),
  'GET /bench/cases/:caseId': route({
    room: 'bench',
    summary: 'What the bench shows of one case, to be put into the whole after a change of it',
    answer: result<Bench>('The bench with that case alone'),
  }),
  'GET /instruments': route({
    room: 'bench',
    summary: 'What each instrument gave last, and for which cases',
    answer: results<InstrumentUse>('The last uses of an instrument'),
  }),
}
