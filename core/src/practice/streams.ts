import { seededRandom } from '../random/index.ts'

/**
 * One stream of chance for each place of a case: what happens at one place depends on nothing elsewhere, so that a step
 * put in, or a look taken, changes no other. FNV-1a over the seed and the words of the place.
 */
export function streamAt(seed: number, ...place: readonly (string | number)[]): () => number {
  let hash = 0x811c9dc5
  for (const letter of `${seed} ${place.join(' ')}`)
    hash = Math.imul(hash ^ letter.codePointAt(0)!, 0x01000193)
  const random = seededRandom(hash >>> 0)
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
