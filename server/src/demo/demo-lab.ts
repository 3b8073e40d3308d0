import type {
  CauseFound,
  Enlargement,
  LabEquipment,
  LabProduct,
  MachineKind,
  Skill,
  ToothSet,
} from '@yentrik/core'

/** The invented lab in demo/lab.json. All times are relative to the moment of seeding, so that it is always in mid-work. */
export interface DemoLab {
  readonly labName: string
  readonly address: string
  readonly people: readonly {
    readonly name: string
    readonly role: 'lead' | 'technician' | 'learner'
    /** What they can do, and their stretches of every working day, minutes after midnight. */
    readonly plan?: {
      readonly skills: readonly Skill[]
      readonly hours: readonly (readonly [number, number])[]
    }
  }[]
  readonly lots: readonly {
    readonly materialId: string
    readonly number: string
    readonly expiresInDays: number
    /** Name of a product below that it is a batch of. */
    readonly product?: string
    readonly receivedGrams?: number
    readonly lowBelowGrams?: number
    readonly openedDaysAgo?: number
    readonly quarantine?: string
    readonly enlargement?: Enlargement
  }[]
  readonly products: readonly Omit<LabProduct, 'productId'>[]
  readonly toothSets: readonly ToothSet[]
  readonly equipment: readonly LabEquipment[]
  /** Pieces of alloy on the shelf, weighed. */
  readonly alloyPieces: readonly { readonly lot: string; readonly grams: readonly number[] }[]
  readonly cases: readonly DemoCase[]
  /** Burnouts and cures that are under way, each for a case that has come to that step. */
  readonly machineRuns: readonly {
    readonly kind: MachineKind
    readonly machine: string
    readonly docket: string
    readonly stepId: string
    readonly startedMinutesAgo: number
  }[]
}

export interface DemoCase {
  readonly docket: string
  readonly clinic: string
  readonly prescriber: string
  readonly patientCode: string
  readonly patientAge: number
  readonly wanted: string
  readonly teeth?: readonly number[]
  readonly shade?: string
  readonly job: string
  readonly choices: Readonly<Record<string, string>>
  readonly dueInHours: number
  readonly enclosures: readonly string[]
  /** The step it has come to; null: all done. */
  readonly upTo: string | null
  /** Whether that step has been started. */
  readonly start?: boolean
  /** How long ago the last thing was done. */
  readonly minutesAgo: number
  /** Faults on the way: a reading that fails, and back it goes. */
  readonly incidents?: readonly {
    readonly step: string
    readonly check: string
    readonly answer: string
    readonly goBackTo: string
    readonly reason: string
    readonly remake?: boolean
    /** What was found to have caused it. */
    readonly cause?: Pick<CauseFound, 'cause' | 'how' | 'place' | 'fault' | 'said'>
  }[]
  /** A failing reading on the step it has come to. */
  readonly finally?: { readonly check: string; readonly value?: number; readonly answer?: string }
  readonly note?: { readonly step: string; readonly text: string }
  readonly hold?: string
  /** The chance that the plan gave when its date was promised. */
  readonly promisedChance?: number
  /** How long a step takes this lab, of what its route plans; left out: as planned. */
  readonly paceOf?: (stepId: string) => number
}
