import { checkMix, type RecordedMix, type RouteStep, takeReading } from '../route/index.ts'
import { checkSheet, type SheetData, type SheetKind, type StepSheet } from '../sheet/index.ts'
import { inUtc } from '../time/index.ts'
import type { CommandOf } from './case-command.ts'
import type { CaseEventData } from './case-event.ts'
import { judgedIn } from './job.ts'
import { refuse, sentence } from './refuse.ts'
import type { CaseState } from './state.ts'
import type { StepState } from './step-state.ts'

/** A mix for an amount that the step uses, with the moment its parts met in UTC. */
export function checkedMix(step: RouteStep, mix: RecordedMix): RecordedMix {
  const amount = step.amounts?.find(({ id }) => id === mix.amountId)
  if (!amount)
    refuse('no-such-amount', `"${step.name}" uses no ${mix.amountId}.`, 'Reload the case.', 'amountId')
  checkMix(amount, mix)
  return mix.metAt === undefined ? mix : { ...mix, metAt: inUtc(mix.metAt, 'metAt') }
}

/**
 * The right value of an entry of a step as it stands; the wrong one stays on record.
 * @throws {DomainError} `words-missing`, `nothing-to-correct`, `sheet-of-stock`, `sheet-missing`; as the entry itself
 */
export function correct(state: CaseState, command: CommandOf<'correct'>): CaseEventData {
  const reason = sentence(command.reason, 'reason', 'why it is corrected')
  for (const job of state.jobs)
    for (const step of job.route.steps) {
      const stepState = job.steps[step.id]!
      const reading = stepState.readings.find((r) => r.sequence === command.corrects)
      const check = reading && step.checks?.find((c) => c.id === reading.checkId)
      if (check) return { ...command, type: 'corrected', reason, ...takeReading(check, command) }
      const mix = stepState.mixes.find((m) => m.sequence === command.corrects)
      if (mix) {
        const {
          powderGrams = mix.powderGrams,
          liquidMillilitres = mix.liquidMillilitres,
          roomCelsius,
          lots,
        } = command
        // Who corrects says why: that stands for a ratio outside its range too.
        checkedMix(step, { ...mix, powderGrams, liquidMillilitres, ratioReason: mix.ratioReason ?? reason })
        return {
          type: 'corrected',
          corrects: command.corrects,
          // Where only its lot was wrong, its figures are not said again.
          ...(lots !== undefined &&
          command.powderGrams === undefined &&
          command.liquidMillilitres === undefined
            ? {}
            : { powderGrams, liquidMillilitres }),
          ...(roomCelsius === undefined ? {} : { roomCelsius }),
          ...(lots === undefined ? {} : { lots }),
          reason,
        }
      }
      const corrected = correctedSheet(step, stepState, command)
      if (corrected) {
        const { sheet, wanted } = corrected
        const judged = judgedIn(job, wanted, sheet)
        return { type: 'corrected', corrects: command.corrects, sheet, reason, judged }
      }
    }
  refuse(
    'nothing-to-correct',
    `Event ${command.corrects} is no reading, mix or sheet of the present attempt.`,
    'Choose an entry of a step as it stands; add a note for anything older.',
    'corrects',
  )
}

/** Sheets that took from the stock of alloy, or gave back to it: the pieces are somewhere by now. */
export const sheetsOfStock: readonly SheetKind[] = ['charge', 'button']

/** The sheet that a correction names as it should have been; undefined: it names none of this step. */
function correctedSheet(
  step: RouteStep,
  state: StepState,
  { corrects, sheet }: CommandOf<'correct'>,
): { readonly sheet: SheetData; readonly wanted: StepSheet } | undefined {
  const recorded = state.sheets.find(({ sequence }) => sequence === corrects)
  const wanted = recorded && step.sheets?.find(({ id }) => id === recorded.sheetId)
  if (!wanted) return undefined
  if (sheetsOfStock.includes(wanted.kind))
    refuse(
      'sheet-of-stock',
      `"${wanted.name}" has moved pieces of the stock.`,
      'Withdraw it while its step runs, or go back to the step.',
      'corrects',
    )
  if (sheet?.kind !== wanted.kind)
    refuse('sheet-missing', `"${wanted.name}" is not filled in.`, wanted.how, 'sheet')
  checkSheet(wanted, sheet)
  return { sheet, wanted }
}
