import type { CaseSummary, Stage } from '@yentrik/core'

interface CaseWish {
  readonly words: string
  readonly stage: Stage | ''
  /** Everything, or only what is due within so many hours (late ones included). */
  readonly dueWithinHours?: number
}

/**
 * The cases that are wished for, the least slack first. Every word must be found in docket, clinic, prescriber,
 * patient code or job. What is finished has no slack and goes last, by its due date.
 */
export function wishedCases(cases: readonly CaseSummary[], wish: CaseWish, now: number): CaseSummary[] {
  const words = wish.words
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '')
  const until =
    wish.dueWithinHours === undefined ? Number.POSITIVE_INFINITY : now + wish.dueWithinHours * 3_600_000
  const text = (each: CaseSummary) =>
    [each.docket, each.clinic, each.prescriber, each.patientCode, ...each.jobNames].join(' ').toLowerCase()
  const closed = (each: CaseSummary) => each.status === 'delivered' || each.status === 'ended'
  return cases
    .filter((each) => words.every((word) => text(each).includes(word)))
    .filter((each) => wish.stage === '' || each.stage === wish.stage)
    .filter((each) => each.dueAt <= until)
    .sort((a, b) => Number(closed(a)) - Number(closed(b)) || a.startBy - b.startBy)
}
