import { type Bite, type Lesson, type RemountTrainer, remountTrainer, type Trained } from '@yentrik/core'
import { expose } from 'comlink'
import { attempt } from '../parts/attempt.ts'

/** The set-up is made once, when it is first asked for. */
let trainer: RemountTrainer | undefined
const ready = () => {
  trainer ??= remountTrainer()
  return trainer
}

export interface TrainerQuestion {
  readonly trained: Trained
  readonly bite: Bite
  readonly advance: number
  /** Where the cut goes, in the frame of the upper. */
  readonly at?: { readonly x: number; readonly y: number }
}

const remountWork = {
  /** How it stands in a bite, and the cut through a place. */
  look: ({ trained, bite, advance, at }: TrainerQuestion) =>
    attempt(() => ({
      look: ready().look(trained, bite, advance),
      section: at && ready().section(trained, bite, advance, at),
    })),
  score: (trained: Trained) => attempt(() => ready().score(trained)),
  expert: (lesson: Lesson, seed: number) => attempt(() => ready().expert(lesson, seed)),
}
export type RemountWork = typeof remountWork
expose(remountWork)
