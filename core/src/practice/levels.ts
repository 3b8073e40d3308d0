/**
 * How hard a practice case is, and what a look costs. Every figure here is a choice of ours, to train judgement with.
 */
export const levels = ['guided', 'bench', 'exam'] as const
export type Level = (typeof levels)[number]
export const levelNames: Readonly<Record<Level, string>> = {
  guided: 'Guided',
  bench: 'Bench',
  exam: 'Exam',
}

interface LevelRules {
  /** Defects that come with the case, besides the learner's own. */
  readonly least: number
  readonly most: number
  /** That a hand makes one of the faults of a step. */
  readonly handChance: number
  /** Reasons, limits and where to look are said. */
  readonly says: boolean
  /** The digits stand beside a drawn instrument. */
  readonly digits: boolean
  /** What was passed may be looked at once more. */
  readonly again: boolean
}
export const levelRules: Readonly<Record<Level, LevelRules>> = {
  guided: { least: 1, most: 2, handChance: 0.04, says: true, digits: true, again: true },
  bench: { least: 3, most: 5, handChance: 0.08, says: true, digits: false, again: true },
  exam: { least: 4, most: 6, handChance: 0.1, says: false, digits: false, again: false },
}

/** By what one looks. `instrument`: set against something, not read off. */
export const means = ['eye', 'lens', 'finger', 'dry', 'paper', 'light', 'instrument'] as const
export type Means = (typeof means)[number]
/** Name, and minutes that it takes. */
export const meansCards: Readonly<Record<Means, { readonly name: string; readonly minutes: number }>> = {
  eye: { name: 'Bare eye', minutes: 0 },
  lens: { name: 'Lens', minutes: 1 },
  finger: { name: 'Finger', minutes: 1 },
  dry: { name: 'Dry', minutes: 2 },
  paper: { name: 'Foil', minutes: 1 },
  light: { name: 'Lamp', minutes: 1 },
  instrument: { name: 'Gauge', minutes: 2 },
}
/** A sign of the bare eye is seen whenever one looks; of any other a lesser look finds it by chance. */
export const LESSER_LOOK_CHANCE = 0.35
const eyesOnIt: readonly Means[] = ['eye', 'lens', 'dry', 'light', 'instrument']
/** Whether a look by these means shows such a sign for sure. */
export const showsForSure = (sign: Means, look: Means): boolean =>
  sign === look || (sign === 'eye' && eyesOnIt.includes(look))

/** What setting right on the spot takes, min. */
export const ADJUST_MINUTES = 5
/** Until the clinic has answered, and until what it was asked for has come, min. */
export const CLINIC_MINUTES = { answer: 60, sends: 24 * 60 } as const
