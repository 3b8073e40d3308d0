import type { WantedChange } from '../sheet/index.ts'
import type { JobState } from './state.ts'

/**
 * What the dentist wanted changed on a step, by the last answer after a try-in: shown while the step is done again.
 * Empty once a later try-in was answered, or when the answer did not touch the step.
 */
export function wantedChanges(job: JobState, stepId: string): readonly WantedChange[] {
  for (const step of job.route.steps) {
    const sheet = step.sheets?.find(({ kind }) => kind === 'tryInAnswer')
    const state = job.steps[step.id]
    if (sheet?.kind !== 'tryInAnswer' || !state) continue
    const answers = [...state.past, state].flatMap(({ sheets }) =>
      sheets.filter(({ sheetId }) => sheetId === sheet.id).map((each) => each.sheet),
    )
    const last = answers.at(-1)
    if (last?.kind !== 'tryInAnswer') continue
    return last.changes.filter(
      ({ change }) => sheet.changes.find(({ id }) => id === change)?.toStepId === stepId,
    )
  }
  return []
}
