import { type AlloyPiece, chargeOf, type LotShare, meltedOnce } from '../casting/index.ts'
import type { CaseEvent } from '../route/index.ts'

/** A charge that a case has melted, remakes too, and the button that was left of it. */
export interface MeltedCharge {
  readonly jobId: string
  /** ISO 8601. */
  readonly at: string
  readonly alloyId: string
  readonly product?: string
  readonly pieces: readonly AlloyPiece[]
  readonly grams: number
  readonly lots: readonly LotShare[]
  readonly remeltShare: number
  /** As it lies on the shelf again; none: not weighed yet, or scrapped. */
  readonly button?: Omit<AlloyPiece, 'id'>
}

/**
 * The charges of a case in the order in which they were melted. Within one attempt the last entry counts, as a correction
 * of those before it; going back begins another attempt, and what was melted stays melted.
 */
export function meltedCharges(events: readonly CaseEvent[]): readonly MeltedCharge[] {
  const melted: MeltedCharge[] = []
  const current = new Map<string, MeltedCharge>()
  for (const event of events) {
    if (event.type === 'wentBack') {
      const charge = current.get(event.jobId)
      if (charge) melted.push(charge)
      current.delete(event.jobId)
    }
    if (event.type !== 'sheetRecorded') continue
    const { jobId, sheet, at } = event
    const before = current.get(jobId)
    if (sheet.kind === 'charge') {
      const { alloyId, product, pieces } = sheet
      const { grams, lots, remeltShare } = chargeOf(pieces)
      current.set(jobId, {
        jobId,
        at,
        alloyId,
        ...(product ? { product } : {}),
        pieces,
        grams,
        lots,
        remeltShare,
      })
    }
    if (sheet.kind === 'button' && before) {
      const { history, lots } = chargeOf(before.pieces)
      const { button: _old, ...rest } = before
      current.set(
        jobId,
        sheet.grams > 0
          ? { ...rest, button: { grams: sheet.grams, lots, history: meltedOnce(history) } }
          : rest,
      )
    }
  }
  return [...melted, ...current.values()]
}
