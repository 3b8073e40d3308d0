import { materials } from '../materials/index.ts'
import { joined, saying } from '../quantity/index.ts'
import type { RouteStep } from '../route/index.ts'
import { teethNotRead } from '../sheet/index.ts'
import { failingChecks, failingSheets, openChecks, stepOf } from './job.ts'
import type { WorkAuthorisation } from './payloads.ts'
import { refuse } from './refuse.ts'
import type { JobState } from './state.ts'
import { isSettled, type StepState } from './step-state.ts'

/**
 * Refuses the end of a step while an amount, a check, a sheet or a tooth of it is missing, or does not pass.
 * @param order the work authorisation
 * @throws {DomainError} `other-step-first`, `mix-missing`, `check-missing`, `sheet-missing`, `teeth-not-read`, `enclosure-left-out`, `sheet-failing`, `check-failing`
 */
export function mustBeComplete(
  job: JobState,
  step: RouteStep,
  state: StepState,
  { teeth, enclosures }: WorkAuthorisation,
): void {
  const beside = step.endsAfter?.find((id) => !isSettled(job.steps[id]))
  if (beside)
    refuse(
      'other-step-first',
      `"${stepOf(job, beside).name}" is not done yet.`,
      `Do it first, while this runs; then end "${step.name}".`,
    )
  const unmixed = (step.amounts ?? []).find((a) => !state.mixes.some((m) => m.amountId === a.id))
  if (unmixed) {
    const name = materials.get(unmixed.materialId)?.name ?? unmixed.materialId
    refuse('mix-missing', `${name} is not recorded yet.`, 'Record what was used, then finish.', unmixed.id)
  }
  const open = openChecks(step, state, teeth)[0]
  if (open) {
    const { check, tooth } = open
    const at = tooth === undefined ? '' : saying` at ${{ tooth }}`
    refuse('check-missing', saying`The check "${check.name}" is still open${at}.`, check.how, check.id)
  }
  const unwritten = step.sheets?.find((each) => !state.sheets.some((s) => s.sheetId === each.id))
  if (unwritten)
    refuse('sheet-missing', `"${unwritten.name}" is not filled in yet.`, unwritten.how, unwritten.id)
  for (const sheet of step.sheets ?? []) {
    const last = state.sheets.findLast(({ sheetId }) => sheetId === sheet.id)?.sheet
    const forgotten =
      last?.kind === 'enclosures' &&
      enclosures.find((each) => !last.went.some(({ name }) => name.trim() === each.trim()))
    if (forgotten)
      refuse(
        'enclosure-left-out',
        `"${forgotten}" came along, and nothing is said of it.`,
        'Say where it is: in the bag, used up, or with the lab.',
        sheet.id,
      )
    if (sheet.kind !== 'places' || last?.kind !== 'places') continue
    const left = teethNotRead(sheet, last.places, teeth)
    if (left.length > 0)
      refuse(
        'teeth-not-read',
        saying`"${sheet.name}" is not read at every tooth: ${joined(left.map((tooth) => saying`${{ tooth }}`))} ${left.length === 1 ? 'is' : 'are'} still to come.`,
        sheet.how,
        sheet.id,
      )
  }
  const wrong = failingSheets(step, job)[0]
  if (wrong && wrong.outcome.verdict !== 'pass')
    refuse(
      'sheet-failing',
      saying`"${wrong.sheet.name}" does not pass: ${joined(wrong.faults)}.`,
      wrong.outcome.say,
      wrong.sheet.id,
    )
  const failing = failingChecks(step, state)[0]
  if (failing && failing.outcome.verdict !== 'pass')
    refuse(
      'check-failing',
      failing.reading.tooth === undefined
        ? `The check "${failing.check.name}" does not pass.`
        : saying`The check "${failing.check.name}" does not pass at ${{ tooth: failing.reading.tooth }}.`,
      failing.outcome.say,
      failing.check.id,
    )
}
