import { DomainError } from '../refusal/index.ts'
import {
  type Impression,
  impressionKeeping,
  type PouredImpression,
  type Route,
  type RouteStep,
} from '../route/index.ts'
import { instantMillis, inUtc } from '../time/index.ts'
import { mustNotBeLater } from './real-time.ts'
import type { JobState } from './state.ts'

/** The impressions that a route pours. */
export const pouredBy = ({ steps }: Pick<Route, 'steps'>): PouredImpression[] =>
  steps.flatMap(({ pours }) => pours?.impressions ?? [])

/**
 * Impressions as they go on record: of those that the route pours, each once, none from the future, in UTC.
 * @throws {DomainError} `no-such-impression`; `not-an-instant`; `later-than-now`
 */
export function checkedImpressions(
  route: Route,
  impressions: readonly Impression[],
  now: number,
): Impression[] {
  const poured = pouredBy(route)
  return impressions.map((impression, index) => {
    const field = `impressions.${index}`
    const known = poured.some(({ id }) => id === impression.of)
    if (!known || impressions.findIndex(({ of }) => of === impression.of) !== index)
      throw new DomainError(
        'no-such-impression',
        known
          ? `The impression "${impression.of}" is there twice.`
          : `This job pours no impression "${impression.of}".`,
        `Name each once: ${poured.map(({ id }) => id).join(', ') || 'there are none'}.`,
        `${field}.of`,
      )
    if (impression.takenAt === undefined) return impression
    mustNotBeLater(instantMillis(impression.takenAt, `${field}.takenAt`), now, `${field}.takenAt`)
    return { ...impression, takenAt: inUtc(impression.takenAt, `${field}.takenAt`) }
  })
}

/** By when an impression must be in stone. */
export interface ImpressionClock {
  /** ms since 1970; none: when it was taken is not known. */
  readonly takenAt?: number
  readonly bestMinutes: number
  readonly latestMinutes: number
  readonly late: string
  readonly source: string
}

/** The clocks of what a step pours: none for what keeps, or was not said to have come. */
export function impressionClocks(job: JobState, step: RouteStep): ImpressionClock[] {
  return (step.pours?.impressions ?? []).flatMap(({ id, usual, ifGiven }): ImpressionClock[] => {
    const given = job.impressions.find(({ of }) => of === id)
    if (!given && ifGiven) return []
    const { window, say, source, name } = impressionKeeping[given?.material ?? usual]
    const keeps = given?.keepsMinutes
    const minutes = keeps === undefined ? window : { bestMinutes: keeps, latestMinutes: keeps }
    if (!minutes) return []
    return [
      {
        ...(given?.takenAt === undefined ? {} : { takenAt: Date.parse(given.takenAt) }),
        ...minutes,
        late: say,
        source: keeps === undefined ? source : `${name}: as its pack says`,
      },
    ]
  })
}
