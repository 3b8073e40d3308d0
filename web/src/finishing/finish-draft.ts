import {
  ceramicLadder,
  checksMeaning,
  type FinishingLadder,
  type JobState,
  type LabWheel,
  labLadder,
  resinLadder,
  type ScratchWord,
} from '@yentrik/core'

/** What the Finish screen holds. */
export interface FinishDraft {
  readonly material: 'resin' | 'ceramic'
  /** The stage that runs. */
  readonly at: string
  /** The thinnest border, as typed. */
  readonly border: string
  /** How deep the scratch is that was seen; empty: none. */
  readonly seen: ScratchWord | ''
  /** The area that is blended, mm², as typed; empty: the whole. */
  readonly patch: string
  /** What stands on the wheel that is taken up, scanned or typed. */
  readonly wheel: string
}

export const emptyFinish: FinishDraft = {
  material: 'resin',
  at: 'rubber',
  border: '',
  seen: '',
  patch: '',
  wheel: '',
}

/** An invented look: a scratch under the gloss, a border that is still thick enough. */
export const exampleFinish: Partial<FinishDraft> = {
  material: 'resin',
  at: 'high-shine',
  seen: 'wet',
  border: '3.6',
  patch: '400',
}

/** The stage of a step of the denture route. */
const stageOfStep: Readonly<Record<string, string>> = {
  rubber: 'rubber',
  pumice: 'coarse-pumice',
  tripoli: 'tripoli',
  'high-shine': 'high-shine',
}

/** As the case has it: the stage of its step, and the border as it was measured. */
export function finishFor(job: JobState, stepId: string): FinishDraft {
  if (job.route.choices.ceramic !== undefined)
    return { ...emptyFinish, material: 'ceramic', at: glazedAlready(job) ? 'coarse-polisher' : 'stone' }
  const [measured] = checksMeaning(job, 'borderThickness')
  const border = measured && job.steps[measured.step.id]?.readings.at(-1)?.value
  return {
    ...emptyFinish,
    at: stageOfStep[stepId] ?? 'rubber',
    border: border === undefined ? '' : String(border),
  }
}

/** Whether it carries its glaze: each touch then opens it. */
export const glazedAlready = ({ steps }: JobState): boolean => steps['fire-glaze']?.status === 'done'

/** The ladder that is worked: the wheels of the lab, else the usual one; without tripoli where the case leaves it out. */
export function ladderOf(
  { material }: Pick<FinishDraft, 'material'>,
  wheels: readonly LabWheel[],
  job?: JobState,
): FinishingLadder {
  if (material === 'ceramic') return ceramicLadder
  const ladder = labLadder(wheels, resinLadder)
  return job?.route.choices.tripoli === 'leave-out'
    ? { ...ladder, stages: ladder.stages.filter(({ id }) => id !== 'tripoli') }
    : ladder
}
