import { type PressLimits, TOUCHING_KILOPASCALS } from '../devices/index.ts'
import type { Saying } from '../quantity/index.ts'
import { DomainError, requireWithin } from '../refusal/index.ts'
import { choice, figure, type Of, record, yesNo } from '../shape/index.ts'
/** One closing of the flask in the press, and what the mould showed when it was opened. */
export const closureShape = record({
  /** Highest steady reading of the gauge, kPa. */
  kilopascals: figure(0, 1e6, { example: 10_342 }),
  /** Resin beyond the border. */
  flash: yesNo(),
  /** Resin that did not reach everywhere: a gap, a void, a dull place. */
  gap: yesNo(),
  from: choice(['press', 'hand']),
})
export type Closure = Of<typeof closureShape>

/** No press of a bench goes further, kPa: 10 000 psi (our choice). */
const PRESS_ENDS_KILOPASCALS = 69_000
/** More closures than this are no trial any more (our choice). */
const MOST_CLOSURES = 20

/** What the closures so far come to: clean, or what keeps it from being so, and what to do next. */
interface ClosuresJudged {
  readonly clean: boolean
  /** Each as words; empty when clean. */
  readonly faults: readonly Saying[]
  readonly next: Saying
  /** What is worth saying of an earlier closure. */
  readonly remarks: readonly Saying[]
}

/** A gentle closing ends at this share of the least pressure of a trial closure (our choice). */
const GENTLE_SHARE = 0.5

/** Within which readings a first, gentle closing ends. */
export function gentleLimits({ leastKilopascals }: PressLimits): PressLimits {
  return { leastKilopascals: TOUCHING_KILOPASCALS, mostKilopascals: GENTLE_SHARE * leastKilopascals }
}

/** @throws {DomainError} `too-few-closures`, `too-many-closures`, `reading-not-plausible` */
export function checkClosures(closures: readonly Closure[]): void {
  if (closures.length === 0)
    throw new DomainError(
      'too-few-closures',
      'No closure was entered.',
      'Enter at least the last one.',
      'closures',
    )
  if (closures.length > MOST_CLOSURES)
    throw new DomainError(
      'too-many-closures',
      `More than ${MOST_CLOSURES} closures.`,
      'The dough is stiff by now: mix again.',
      'closures',
    )
  for (const { kilopascals } of closures)
    requireWithin(kilopascals, {
      least: 0,
      most: PRESS_ENDS_KILOPASCALS,
      kind: 'kilopascals',
      what: 'The press gauge',
      field: 'kilopascals',
    })
}

/**
 * Judges trial closures. The last one counts: clean only when nothing stands over, nothing is missing, and it was closed
 * with the pressure of a trial closure. Clean at a gentle closing says nothing yet.
 *
 * @param closures in the order in which they were done; none is allowed
 * @throws {DomainError} as `checkClosures`
 * Source: common practice: first closing gentle, then slowly to about 1500 psi, until no flash shows.
 */
export function judgeClosures(closures: readonly Closure[], limits: PressLimits): ClosuresJudged {
  const { leastKilopascals, mostKilopascals } = limits
  const last = closures.at(-1)
  if (!last)
    return {
      clean: false,
      faults: ['Not closed yet'],
      next: 'Sheet between; the first closing gentle.',
      remarks: [],
    }
  checkClosures(closures)
  const gentle = last.kilopascals < leastKilopascals
  const hard = last.kilopascals > mostKilopascals
  const faults = [
    ...(last.flash ? ['Flash at the last closure'] : []),
    ...(last.gap ? ['A gap at the last closure'] : []),
    ...(gentle ? ['The last one was a gentle closing'] : []),
    ...(hard ? ['The last one was closed too hard'] : []),
  ]
  return {
    clean: faults.length === 0,
    faults,
    next: nextAfter(last, gentle, hard),
    remarks:
      closures[0]!.kilopascals > gentleLimits(limits).mostKilopascals
        ? ['The first closing was no gentle one: look whether a tooth has moved.']
        : [],
  }
}

function nextAfter({ flash, gap }: Closure, gentle: boolean, hard: boolean): string {
  const work = [
    ...(flash ? ['Cut the flash back to the border'] : []),
    ...(gap ? ['Lay trimmings into the gap'] : []),
  ]
  if (work.length > 0) return `${work.join('. ')}. Sheet in, close again slowly.`
  if (hard) return 'Look for cracks in the mould, then close once more within the limits.'
  if (gentle) return 'Sheet in, close slowly to the pressure of a trial closure.'
  return 'Clean. Close for good, without the sheet.'
}
