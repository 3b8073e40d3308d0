import { COMMON_PRACTICE } from '../materials/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'
import { figure, type Of, record, text } from '../shape/index.ts'
import {
  type ArrangementLine,
  checkArrangement,
  endClearances,
  outermostMillimetres,
  type RingArrangement,
} from './sprue.ts'

/** A casting ring with its former. A lab's own are kept as equipment. */
export const ringMeasures = {
  /** Of the metal ring, or of the ringless former. */
  innerDiameterMillimetres: figure(0, 1000, { example: 48 }),
  heightMillimetres: figure(0, 1000, { example: 52 }),
  /** Of the crucible former inside the ring. */
  formerMillimetres: figure(0, 1000, { example: 18 }),
  /** Thickness of the liner; 0: none. */
  linerMillimetres: figure(0, 1000, { example: 1 }),
  source: text(200, { example: 'measured here' }),
}
const ringCardShape = record({ name: text(120), ...ringMeasures })
export type RingCard = Of<typeof ringCardShape>

const ring = (
  innerDiameterMillimetres: number,
  heightMillimetres: number,
  formerMillimetres: number,
): RingCard => ({
  name: `Ring ${innerDiameterMillimetres} mm`,
  innerDiameterMillimetres,
  heightMillimetres,
  formerMillimetres,
  linerMillimetres: 1,
  source: COMMON_PRACTICE,
})

/** Usual sizes (common practice): the lab's own replace them. */
export const usualRings: readonly RingCard[] = [
  ring(36, 50, 18),
  ring(48, 52, 18),
  ring(65, 55, 18),
  ring(80, 60, 20),
]

/** @throws {DomainError} `ring` */
export function checkRingCard({
  innerDiameterMillimetres: d,
  heightMillimetres: h,
  formerMillimetres,
  linerMillimetres,
}: RingCard): void {
  for (const [field, value, most] of [
    ['innerDiameterMillimetres', d, 150],
    ['heightMillimetres', h, 150],
    ['formerMillimetres', formerMillimetres, h],
    ['linerMillimetres', linerMillimetres, d / 2],
  ] as const)
    if (!(value >= 0 && value < most && (value > 0 || field === 'linerMillimetres')))
      throw new DomainError(
        'ring',
        `${value} mm cannot be right for a ring.`,
        'Measure it with a caliper.',
        field,
      )
}

/** What is to stand in a ring: like patterns side by side, the tallest and the widest of them. */
export interface PatternsToRing {
  readonly binder: RingArrangement['binder']
  readonly patterns: number
  readonly patternHeightMillimetres: number
  readonly patternReachMillimetres: number
}

interface RingProposal {
  readonly card: RingCard
  readonly arrangement: RingArrangement
  readonly lines: readonly ArrangementLine[]
}

/** How patterns would stand in a ring, with the sprue that brings them to the right distance from its end. */
export function arrangementIn(card: RingCard, wish: PatternsToRing): RingArrangement {
  const { least, most } = endClearances[wish.binder]
  return {
    ...wish,
    ringRadiusMillimetres: card.innerDiameterMillimetres / 2 - card.linerMillimetres,
    ringHeightMillimetres: card.heightMillimetres,
    formerMillimetres: card.formerMillimetres,
    sprueLengthMillimetres: Math.max(
      SHORTEST_SPRUE_MILLIMETRES,
      card.heightMillimetres - card.formerMillimetres - wish.patternHeightMillimetres - (least + most) / 2,
    ),
  }
}
/** Shorter than this the former's own heat reaches the pattern (choice). */
const SHORTEST_SPRUE_MILLIMETRES = 5

/**
 * The smallest ring that takes patterns with every clearance kept.
 * @returns undefined when none of the cards does: fewer patterns, or a larger ring
 * @throws {DomainError} `not-a-positive-number`
 */
export function ringFor(
  wish: PatternsToRing,
  cards: readonly RingCard[] = usualRings,
): RingProposal | undefined {
  requirePositive(outermostMillimetres(wish), 'patternReachMillimetres', 'The reach of the pattern')
  const volume = ({ innerDiameterMillimetres: d, heightMillimetres: h }: RingCard) => d * d * h
  return [...cards]
    .sort((a, b) => volume(a) - volume(b))
    .map((card) => {
      const arrangement = arrangementIn(card, wish)
      return { card, arrangement, lines: checkArrangement(arrangement) }
    })
    .find(({ lines }) => lines.every(({ pass }) => pass))
}
