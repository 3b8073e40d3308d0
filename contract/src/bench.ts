import type { BenchList } from '@yentrik/core'
import { result, route } from './route.ts'

/** The bench, and the instant that it is of, ms since 1970. */
export type Bench = BenchList & { readonly at: number }

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
}
