import type { Bite } from '@yentrik/core'
import type { Options } from '../parts/Choices.tsx'

/** How the jaws close or move, as the bench says it, in the order of the work. */
export const biteOptions: Options<Bite> = [
  ['centric', 'Centric'],
  ['right', 'Right'],
  ['left', 'Left'],
  ['protrusive', 'Forwards'],
]
export const biteName = (bite: Bite): string => biteOptions.find(([each]) => each === bite)![1]
