import { type CaseEvent, type EventOfType, type RouteLookup, reopenedSteps, standing } from '../case/index.ts'
import { type AlloyPiece, chargeOf, type LotShare, meltedOnce } from '../casting/index.ts'
import type { Route } from '../route/index.ts'
import type { DataOfKind } from '../sheet/index.ts'

/** A charge that a case has melted, remakes too, and the button that was left of it. */
interface MeltedCharge {
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
 * of those before it. An attempt ends when the step of the charge opens again, by whatever way: what was melted stays melted.
 *
 * @param routes gives the immutable copy that an event names
 */
export function meltedCharges(events: readonly CaseEvent[], routes: RouteLookup): readonly MeltedCharge[] {
  const melted: MeltedCharge[] = []
  const current = new Map<string, { readonly stepId: string; readonly charge: MeltedCharge }>()
  const routeOf = new Map<string, Route>()
  const back = (jobId: string, toStepId: string, remake: boolean) => {
    const now = current.get(jobId)
    if (!now || !reopenedSteps(routeOf.get(jobId)!, toStepId, remake).some(({ id }) => id === now.stepId))
      return
    melted.push(now.charge)
    current.delete(jobId)
  }
  for (const event of standing(events)) {
    if (event.type === 'caseReceived')
      for (const { jobId, routeId } of event.jobs) routeOf.set(jobId, routes(routeId))
    if (event.type === 'variantSwapped') routeOf.set(event.jobId, routes(event.routeId))
    if (event.type === 'wentBack') back(event.jobId, event.toStepId, event.remake)
    if (event.type === 'dentistAnswered' && event.toStepId)
      back(event.jobId, event.toStepId, event.decision === 'remake')
    if (event.type !== 'sheetRecorded') continue
    const { jobId, stepId, sheet } = event
    const before = current.get(jobId)
    if (sheet.kind === 'charge') current.set(jobId, { stepId, charge: chargeMelted(event, sheet) })
    if (sheet.kind === 'button' && before)
      current.set(jobId, { ...before, charge: withButton(before.charge, sheet.grams) })
  }
  return [...melted, ...[...current.values()].map(({ charge }) => charge)]
}

function chargeMelted(
  { jobId, at }: EventOfType<'sheetRecorded'>,
  { alloyId, product, pieces }: DataOfKind<'charge'>,
): MeltedCharge {
  const { grams, lots, remeltShare } = chargeOf(pieces)
  return { jobId, at, alloyId, ...(product ? { product } : {}), pieces, grams, lots, remeltShare }
}

function withButton({ button: _old, ...charge }: MeltedCharge, grams: number): MeltedCharge {
  const { history, lots } = chargeOf(charge.pieces)
  return grams > 0 ? { ...charge, button: { grams, lots, history: meltedOnce(history) } } : charge
}
