import type { CommandOf } from './case-command.ts'
import type { CaseEvent, EventOfType } from './case-event.ts'
import { standing } from './case-state.ts'
import { refuse, sentence } from './refuse.ts'
import type { CaseState } from './state.ts'

/** What sent a job back to one of its steps: somebody at the bench, or the dentist's answer. */
export type SentBack =
  | EventOfType<'wentBack'>
  | (EventOfType<'dentistAnswered'> & { readonly toStepId: string })

/** Every time that a job went back to one of its steps, in its order; what was withdrawn never was. */
export function goingsBack(events: readonly CaseEvent[]): readonly SentBack[] {
  return standing(events).filter(
    (event): event is SentBack =>
      event.type === 'wentBack' ||
      (event.type === 'dentistAnswered' &&
        event.toStepId !== undefined &&
        (event.decision === 'goBack' || event.decision === 'remake')),
  )
}

export const isRemake = (back: SentBack): boolean =>
  back.type === 'wentBack' ? back.remake : back.decision === 'remake'

/** Remakes of which nobody has said why. */
export function remakesToExplain(events: readonly CaseEvent[]): readonly SentBack[] {
  const said = new Set(
    standing(events).flatMap((event) => (event.type === 'causeFound' ? [event.wentBack] : [])),
  )
  return goingsBack(events).filter((back) => isRemake(back) && !said.has(back.sequence))
}

/**
 * What is put on record of a cause.
 * @throws {DomainError} `no-such-job`, `no-going-back`, `words-missing`, `how-missing`
 */
export function causeFound(
  state: CaseState,
  command: CommandOf<'findCause'>,
  events: readonly CaseEvent[],
): { readonly type: 'causeFound' } & Omit<CommandOf<'findCause'>, 'type'> {
  if (!state.jobs.some(({ jobId }) => jobId === command.jobId))
    refuse('no-such-job', `The case has no job ${command.jobId}.`, 'Reload the case.', 'jobId')
  const back = goingsBack(events).find(({ sequence }) => sequence === command.wentBack)
  if (back?.jobId !== command.jobId)
    refuse(
      'no-going-back',
      `Entry ${command.wentBack} is none by which this job went back.`,
      'Choose one of the times that it went back.',
      'wentBack',
    )
  if (command.cause !== 'notFound' && command.how === undefined)
    refuse('how-missing', 'How it was known is not said.', 'Say: measured, seen, or assumed.', 'how')
  const said = command.cause === 'other' ? { said: sentence(command.said ?? '', 'said', 'what it was') } : {}
  const { how, ...rest } = command
  return {
    ...rest,
    ...said,
    ...(how === undefined || command.cause === 'notFound' ? {} : { how }),
    type: 'causeFound',
  }
}
