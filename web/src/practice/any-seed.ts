import { LARGEST_SEED } from '@yentrik/core'

/** A seed that nobody chose. */
export const anySeed = (): number => Math.floor(Math.random() * (LARGEST_SEED + 1))
