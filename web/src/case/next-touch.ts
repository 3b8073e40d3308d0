import {
  amountsIn,
  type Check,
  currentSteps,
  type JobState,
  openChecks,
  type RouteStep,
  type Seen,
  stepWindow,
  windowVerdict,
} from '@yentrik/core'
import { clockTime } from '../format/format.ts'
import { keptUnit } from '../parts/bench-unit.ts'

/** The next touch of a guided case: what to press, by the words that stand on it, and what to type before. */
export interface NextTouch {
  /** What to do first, in words. */
  readonly before?: string
  readonly type?: { readonly text: string; readonly into: string }
  /** As it stands on the button. */
  readonly press: string
}

/**
 * What a newcomer does next on a guided case, told by the words of the screen alone. It knows what can be seen, and nothing else:
 * a look that shows nothing strange is passed.
 * @param inHand the step that is shown
 */
export function nextTouch(
  job: JobState,
  inHand: RouteStep,
  seen: readonly Seen[],
  now: number,
  teeth: readonly number[],
): NextTouch | undefined {
  if (job.question) return { press: 'Wait for the clinic' }
  const state = job.steps[inHand.id]!
  const { running, startable } = currentSteps(job)
  if (![...running, ...startable].some(({ id }) => id === inHand.id)) return undefined
  const window = stepWindow(job, inHand)
  const soon = window && windowVerdict(window, now) === 'tooSoon'
  if (state.status === 'waiting') return soon ? wait(window.goodFrom) : { press: 'Start' }
  const unmixed = amountsIn(job, inHand).find(
    ({ id }) => !state.mixes.some(({ amountId }) => amountId === id),
  )
  if (unmixed) return { before: 'Weigh powder and water as they stand there.', press: 'As wanted' }
  const unwritten = (inHand.sheets ?? []).find(
    ({ id }) => !state.sheets.some(({ sheetId }) => sheetId === id),
  )
  if (unwritten?.kind === 'enclosures')
    return { before: 'Lay what came along into the bag.', press: 'All in the bag' }
  const [open] = openChecks(inHand, state, teeth)
  if (open) return ofCheck(open.check, seen, inHand.id)
  if (soon && window.to === 'finish') return wait(window.goodFrom)
  return { press: 'Done' }
}

const wait = (until: number): NextTouch => ({
  before: 'Stone has its own time.',
  press: `Until ${clockTime(until)}`,
})

function ofCheck(check: Check, seen: readonly Seen[], stepId: string): NextTouch | undefined {
  const here = seen.find(
    (each) => each.kind !== 'sheet' && each.stepId === stepId && each.checkId === check.id,
  )
  if (check.kind === 'observe') {
    const pass = check.answers.find(({ outcome }) => outcome.verdict === 'pass')!
    const said = here?.kind === 'look' ? here.seen.flatMap(({ say }) => say).join(' ') : ''
    return {
      before: `You see: ${said} Look closer if you want to. If it looks right to you:`,
      press: pass.answer,
    }
  }
  if (here?.kind !== 'scale') return undefined
  const { decimals } = keptUnit(check.quantity)
  return {
    before: 'Read the instrument.',
    type: { text: here.pointer.toFixed(Math.max(1, decimals)), into: 'Reading' },
    press: 'Record',
  }
}
