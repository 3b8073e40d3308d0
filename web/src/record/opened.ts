import type { CaseRecord } from '@yentrik/contract'
import type { CaseCommand, CaseEvent, CaseState, Level, PracticeAct, Saying, Seen } from '@yentrik/core'
import type { Refusal } from '../live/request.ts'

/** A command that came too late, with what others did since it was decided on. */
export interface StaleCommand {
  readonly command: CaseCommand
  readonly since: readonly CaseEvent[]
}

/** A case as a screen has it open: as it stands, and the way to give it commands. */
export interface OpenCase {
  readonly caseId: string
  /** As it is on record. */
  readonly record?: CaseRecord
  /** As it stands at this bench: on record, and with what is kept here until the server is back. */
  readonly state?: CaseState
  /** On record and kept here, in their order; the kept ones have numbers beyond those of the record. */
  readonly events: readonly CaseEvent[]
  readonly error?: Refusal
  /** The last refusal, until the next command. */
  readonly refusal?: Refusal
  /** The command that was refused. */
  readonly refused?: CaseCommand
  readonly stale?: StaleCommand
  readonly busy: boolean
  /** @returns whether it was stored */
  readonly give: (command: CaseCommand) => Promise<boolean>
  /** What one touch does, each after the other, up to the first that is refused. @returns whether all was stored */
  readonly giveAll: (commands: readonly CaseCommand[]) => Promise<boolean>
  /** The events of the last touch here, to take them back together. */
  readonly lastTouch: readonly CaseEvent[]
  /** Gives the stale command again, on top of what others did. */
  readonly giveAgain: () => Promise<boolean>
  readonly dropStale: () => void
  readonly clearRefusal: () => void
  /** Of a practice case: what can be seen of it, and the way to look closer and to let time pass. */
  readonly practice?: PracticeHand
}

/** A practice case in the hand. */
export interface PracticeHand {
  readonly level: Level
  readonly seen: readonly Seen[]
  readonly hint?: Saying
  readonly closed: 'delivered' | 'stopped' | null
  readonly handsMinutes: number
  /** @returns whether it was taken */
  readonly act: (doing: PracticeAct) => Promise<boolean>
}
