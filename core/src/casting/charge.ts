import { qty, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import type { AlloyPiece } from './casting-metal.ts'
import { type LotShare, type MeltHistory, newMetal } from './casting-metal.ts'

/** Pieces that are melted together. */
export interface Charge {
  readonly grams: number
  /** Of the charge, that was melted before, 0 to 1. */
  readonly remeltShare: number
  readonly history: MeltHistory
  readonly lots: readonly LotShare[]
}

/**
 * What pieces come to in the crucible: mass, share of returned metal, how often it was melted, from which lots.
 * @throws {DomainError} `no-piece`
 * Source: mixing by mass (exact).
 */
export function chargeOf(pieces: readonly AlloyPiece[]): Charge {
  if (pieces.length === 0)
    throw new DomainError('no-piece', 'No piece was taken.', 'Take pieces from the shelf.', 'pieces')
  const grams = pieces.reduce((sum, piece) => sum + piece.grams, 0)
  const longest = Math.max(...pieces.map(({ history }) => history.shares.length))
  const shares = Array.from({ length: longest }, (_, melts) =>
    pieces.reduce((sum, piece) => sum + (piece.grams / grams) * (piece.history.shares[melts] ?? 0), 0),
  )
  const lots = new Map<string, number>()
  for (const piece of pieces)
    for (const { lotId, share } of piece.lots)
      lots.set(lotId, (lots.get(lotId) ?? 0) + (piece.grams / grams) * share)
  return {
    grams,
    remeltShare: 1 - (shares[0] ?? 0),
    history: { shares },
    lots: [...lots].map(([lotId, share]) => ({ lotId, share })),
  }
}

/** How often what is left of a charge has been melted: every part of it once more. */
export function meltedOnce({ shares }: MeltHistory): MeltHistory {
  return { shares: [0, ...shares] }
}

/** Whether nothing of it was melted before. */
export function isNew({ shares }: MeltHistory): boolean {
  return (shares[0] ?? 0) >= newMetal.shares[0]! - 1e-9
}

/** More than this in one piece cannot be right, g (choice). */
const HEAVIEST_PIECE_GRAMS = 500

/**
 * Refuses a piece whose weight, melts or lots make no sense.
 * @throws {DomainError} `piece`
 */
export function checkPiece({ grams, history, lots }: Omit<AlloyPiece, 'id'>): void {
  // Parts of a whole that were added up: the last digit may stand over it.
  const adds = (shares: readonly number[]) =>
    shares.every((share) => share >= 0) && Math.abs(shares.reduce((sum, share) => sum + share, 0) - 1) < 1e-6
  if (!(grams > 0 && grams <= HEAVIEST_PIECE_GRAMS))
    throw new DomainError(
      'piece',
      saying`A piece of ${qty.grams(grams)} cannot be right.`,
      saying`Weigh it: above 0 and at most ${qty.grams(HEAVIEST_PIECE_GRAMS)}.`,
      'grams',
    )
  if (!adds(history.shares) || history.shares.length > 30)
    throw new DomainError('piece', 'Its melts do not add up to the whole.', 'Reload the shelf.', 'history')
  if (lots.length > 0 && !adds(lots.map(({ share }) => share)))
    throw new DomainError('piece', 'Its lots do not add up to the whole.', 'Reload the shelf.', 'lots')
}
