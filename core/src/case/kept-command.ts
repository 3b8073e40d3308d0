import { DomainError } from '../refusal/index.ts'
import type { CaseCommand } from './case-command.ts'
import type { CaseState } from './state.ts'
import { obey, type RouteSource, type WorkingCase } from './working-case.ts'

/** What was done at a bench while the server was away, until it is on record. */
export interface KeptCommand {
  readonly command: CaseCommand
  /** ms since 1970, by the clock of the bench. */
  readonly doneAt: number
  readonly by: string
  /** The attempt of its step as it was seen then. */
  readonly attempt?: number
}

/** The attempt of the step that a command is on; undefined: it is on none. */
export function attemptOf(state: CaseState, command: CaseCommand): number | undefined {
  if (!('stepId' in command) || command.stepId === undefined) return undefined
  return state.jobs.find(({ jobId }) => jobId === command.jobId)?.steps[command.stepId]?.attempt
}

/**
 * A case with what was kept at a bench on top of it, in order, as far as it still holds: the core takes it on the case as
 * others have left it, and its step is still in the attempt in which it was done.
 * @returns the case, and the first that does not hold with the reason; what comes after that is not looked at
 */
export function withKept<K extends KeptCommand>(
  working: WorkingCase,
  kept: readonly K[],
  source: RouteSource,
): { readonly working: WorkingCase; readonly unfit?: { readonly kept: K; readonly refusal: DomainError } } {
  let onTop = working
  for (const each of kept) {
    try {
      if (attemptOf(onTop.state, each.command) !== each.attempt) throw begunAgain()
      onTop = obey(onTop, each.command, each.doneAt, each.by, source, each.doneAt)
    } catch (error) {
      if (error instanceof DomainError) return { working: onTop, unfit: { kept: each, refusal: error } }
      throw error
    }
  }
  return { working: onTop }
}

/** What was done in one attempt says nothing of the next, though the core would take it. */
const begunAgain = () =>
  new DomainError(
    'begun-again',
    'The step was begun again in the meantime.',
    'Look whether it was done in this attempt too; else put it down as a note.',
  )

/** A command with the numbers of entries as they came to be on record: a correction names what it corrects, a withdrawal what it
 * withdraws.
 */
export function renumbered(command: CaseCommand, was: number, is: number): CaseCommand {
  if (command.type === 'correct' && command.corrects === was) return { ...command, corrects: is }
  return command.type === 'withdraw' && command.withdraws === was ? { ...command, withdraws: is } : command
}
