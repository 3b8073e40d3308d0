import { requireWithin } from '../refusal/index.ts'

/** Stone that a saw cut leaves before the denture; prying breaks it (our choice). */
export const LEFT_BY_SAW_MILLIMETRES = 3

/**
 * How deep to saw a wall of stone at most, mm, so that the saw never meets the denture: the wall less what is left to break.
 * 0: too thin to saw, pry or tap it off.
 * @param wallMillimetres outside of the stone to denture or tooth, 0 to 60; at the thinnest of the cut
 * @throws {DomainError} `reading-not-plausible`
 * Source: common practice, deep enough to pry and not into the denture.
 */
export function sawDepth(wallMillimetres: number): number {
  requireWithin(wallMillimetres, {
    least: 0,
    most: 60,
    kind: 'millimetres',
    what: 'The wall of stone',
    field: 'wallMillimetres',
  })
  return Math.max(0, wallMillimetres - LEFT_BY_SAW_MILLIMETRES)
}
