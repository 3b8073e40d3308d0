import { seededRandom, textHash } from '../random/index.ts'

/**
 * One stream of chance for each place of a case: what happens at one place depends on nothing elsewhere, so that a step
 * put in, or a look taken, changes no other.
 */
export function streamAt(seed: number, ...place: readonly (string | number)[]): () => number {
  const random = seededRandom(textHash(`${seed} ${place.join(' ')}`))
  // The first number of neighbouring seeds is alike.
  random()
  return random
}

/** One number of the normal distribution, mean 0, deviation 1 (Box and Muller 1958). */
export function normal(random: () => number): number {
  const u = Math.max(random(), Number.MIN_VALUE)
  return Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * random())
}

/** One of them, each as likely. */
export const oneOf = <T>(all: readonly T[], random: () => number): T =>
  all[Math.min(all.length - 1, Math.floor(random() * all.length))]!
