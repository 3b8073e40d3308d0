import type { DataOfKind, JobState, RouteStep, Saying, SheetKind, SheetOfKind } from '@yentrik/core'

/** What the entry of a sheet is given, whatever its kind. */
export interface SheetEntryProps<K extends SheetKind> {
  readonly sheet: SheetOfKind<K>
  /** What is on record, in this attempt. */
  readonly last: DataOfKind<K> | undefined
  readonly caseId: string
  readonly job: JobState
  readonly step: RouteStep
  /** Of the work authorisation. */
  readonly teeth: readonly number[]
  /** What came along, as it was typed at intake. */
  readonly enclosures: readonly string[]
  /** Under which what is typed is kept. */
  readonly draftKey: string
  /** What the server said against the last entry. */
  readonly refusal?: Saying
  /** Whether anything may be entered now. */
  readonly open: boolean
  /** @returns whether it was stored */
  readonly onRecord: (data: DataOfKind<K>) => Promise<boolean>
}
