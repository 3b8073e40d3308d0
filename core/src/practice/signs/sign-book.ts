import type { Means } from '../levels.ts'

/** What a live defect shows at a check: what is seen, felt or heard, and by what. It never names the diagnosis. */
export interface Sign {
  readonly say: string
  /** By this it is seen for sure. */
  readonly by: Means
  /** What the clinic says of it when it left with the work; without it the answer of the check is what comes back. */
  readonly comes?: string
}

/** What one check shows: when nothing is wrong, what only looks wrong, and what each of its answers looks like. */
export interface CheckSigns {
  readonly good: string
  /** Seen on sound work too; each looks like something and is nothing. */
  readonly harmless?: readonly string[]
  readonly signs: Readonly<Record<string, Sign>>
}

/** The signs of checks by their id: data beside the routes. Sentences invented, the observations common practice. */
export type SignBook = Readonly<Record<string, CheckSigns>>
