import {
  type Cooling,
  type CureJudgement,
  type CureRun,
  type FollowedSection,
  type JobState,
  type RouteStep,
  sheetsWanted,
} from '@yentrik/core'
import type { Attempt } from '../parts/attempt.ts'
import { useWorker } from '../worker/use-worker.ts'
import { shareWorker } from '../worker/worker.ts'
import type { FollowQuestion } from './cure-draft.ts'
import type { CuringWork } from './curing.worker.ts'

export const inCuringWorker = shareWorker<CuringWork>(
  () => new Worker(new URL('./curing.worker.ts', import.meta.url), { type: 'module' }),
)

/** Follows a bath into the resin, a little coarser while a corner of it is dragged. */
export function useFollowed(
  question: FollowQuestion | undefined,
  moves: boolean,
): Attempt<readonly FollowedSection[]> | undefined {
  return useWorker(question && { question, moves }, ({ question: taken, moves: isMoving }) =>
    inCuringWorker((work) => work.follow(taken, isMoving ? 'moves' : 'rests')),
  )
}

/** What a cure did, by its bath as it was read. */
export function useJudgedCure(
  run: CureRun | undefined,
  cooling: Cooling = 'water',
): Attempt<CureJudgement> | undefined {
  return useWorker(run && { run, cooling }, (taken) =>
    inCuringWorker((work) => work.judge(taken.run, taken.cooling)),
  )
}

/** The step of a job that cures, with its sheet. */
export function cureWanted(job: JobState | undefined) {
  return job && sheetsWanted(job, 'cure')[0]
}
export const cureStepOf = (job: JobState | undefined): RouteStep | undefined => cureWanted(job)?.step
