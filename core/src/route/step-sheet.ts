import type { AlloyPiece, BurnoutRun } from '../casting/index.ts'
import type { Closure, CureRun } from '../curing/index.ts'
import type { PressLimits } from '../devices/index.ts'
import type { RegionDrawing, RegionSeen } from '../inspection/index.ts'
import type { Binder, Source } from '../materials/index.ts'
import type { Articulator } from '../mounting/index.ts'
import type { QuantityKind } from '../quantity/index.ts'
import type { Prescription, SetUpEntry, SetUpReading, SetUpTolerances } from '../setup/index.ts'
import type { FinishedPair, PairEntry } from '../trimming/index.ts'
import type { RoomPlace, RoomSite } from '../waxing/index.ts'
import type { Outcome } from './outcome.ts'

/** A part that came along and must go back: copings, screws, a tray. */
export interface PartCount {
  readonly name: string
  readonly count: number
}
/** A reading at a named place. */
export interface PlaceReading {
  readonly place: string
  readonly value: number
}
/** A change that the dentist wants after a try-in. */
export interface WantedChange {
  /** Names a change that the sheet offers. */
  readonly change: string
  /** What the note says of it. */
  readonly words: string
}

/** What is entered on a sheet: several readings that only make sense together. */
export type SheetData =
  | { readonly kind: 'parts'; readonly parts: readonly PartCount[] }
  | { readonly kind: 'places'; readonly places: readonly PlaceReading[] }
  | { readonly kind: 'trimPlan'; readonly entry: PairEntry }
  | { readonly kind: 'finishedPair'; readonly pair: FinishedPair }
  | {
      readonly kind: 'mounting'
      /** Name of the articulator, as the lab calls it. */
      readonly name: string
      readonly articulator: Articulator
      /** Off zero, mm; longer is above 0. */
      readonly pinMillimetres: number
      readonly facebow: boolean
      /** A small picture of the mounted casts, as a data URL of a JPEG. */
      readonly photo?: string
    }
  | { readonly kind: 'prescription'; readonly prescription: Prescription }
  | { readonly kind: 'setUpPlan'; readonly setUpEntry: SetUpEntry }
  /** Teeth that are set, ISO 3950, in the order in which they were. */
  | { readonly kind: 'teethSet'; readonly teeth: readonly number[] }
  | { readonly kind: 'setUp'; readonly reading: SetUpReading; readonly tolerances: SetUpTolerances }
  | { readonly kind: 'room'; readonly sites: readonly RoomSite[] }
  | { readonly kind: 'grooves'; readonly tooth: number; readonly patternId: string }
  | { readonly kind: 'regions'; readonly regions: readonly RegionSeen[] }
  /** What a burnout was, by the machine or by hand. */
  | { readonly kind: 'burnout'; readonly machine: string; readonly run: BurnoutRun }
  /** What a cure was; `reason` where it was run against advice. */
  | { readonly kind: 'cure'; readonly machine: string; readonly run: CureRun; readonly reason?: string }
  /** Every trial closure of a flask so far, in their order. */
  | { readonly kind: 'closures'; readonly closures: readonly Closure[] }
  /** What is melted: pieces of one alloy, by its material; `needGrams` as worked out, where it was. */
  | {
      readonly kind: 'charge'
      readonly alloyId: string
      /** The lab's product, where it is one. */
      readonly product?: string
      readonly pieces: readonly AlloyPiece[]
      readonly needGrams?: number
    }
  /** What is left of the charge, g; 0: scrapped, else it goes back to the shelf. */
  | { readonly kind: 'button'; readonly grams: number }
  /** `dueBackAt` ISO 8601. */
  | { readonly kind: 'dispatch'; readonly parts: readonly PartCount[]; readonly dueBackAt: string }
  /** No change: accepted. */
  | { readonly kind: 'tryInAnswer'; readonly changes: readonly WantedChange[] }
export type SheetKind = SheetData['kind']

/** Names a sheet of an earlier step of the same job. */
export interface SheetOf {
  readonly stepId: string
  readonly sheetId: string
}

/** What the dentist may want changed, and the step that opens again for it. */
export interface ChangeOffer {
  readonly id: string
  readonly name: string
  readonly toStepId: string
}

interface SheetBase {
  readonly id: string
  readonly name: string
  readonly how: string
  readonly source: Source
  /** In a pair, asked once for each arch. */
  readonly perArch?: boolean
  /** What to do when it does not pass. */
  readonly failing: Exclude<Outcome, { verdict: 'pass' }>
}

/** A sheet that a step asks for; the last one recorded counts. */
export type StepSheet = SheetBase &
  (
    | {
        readonly kind: 'parts'
        readonly suggested: readonly string[]
        /** Counted out again: every part of that sheet must be here in its number. */
        readonly returnOf?: SheetOf
      }
    | {
        readonly kind: 'places'
        readonly quantity: QuantityKind
        readonly min?: number
        readonly max?: number
        readonly plausible: { readonly min: number; readonly max: number }
        readonly leastPlaces: number
        readonly suggested: readonly string[]
        /** Suggests the teeth of the work authorisation as well. */
        readonly suggestTeeth?: boolean
      }
    | { readonly kind: 'trimPlan' | 'mounting' | 'prescription' | 'setUpPlan' | 'grooves' }
    | { readonly kind: 'finishedPair'; readonly planOf: SheetOf }
    | { readonly kind: 'teethSet'; readonly order: readonly number[] }
    | { readonly kind: 'setUp'; readonly prescriptionOf: SheetOf }
    | {
        readonly kind: 'room'
        readonly suggested: readonly { readonly name: string; readonly place: RoomPlace }[]
      }
    | {
        readonly kind: 'regions'
        readonly drawing: RegionDrawing
        /** The step from which it is made anew when a fault cannot be mended. */
        readonly remakeFrom?: string
      }
    | {
        readonly kind: 'burnout'
        readonly binder: Binder
        /** The step from which it is made anew when the ring is discarded. */
        readonly remakeFrom: string
      }
    | {
        readonly kind: 'cure'
        /** The step from which it is processed again when the dentist wants that. */
        readonly remakeFrom: string
      }
    | ({ readonly kind: 'closures' } & PressLimits)
    /** By rule of the job. */
    | { readonly kind: 'charge'; readonly mostRemeltPercent: number }
    | { readonly kind: 'button'; readonly chargeOf: SheetOf }
    | { readonly kind: 'dispatch'; readonly suggested: readonly string[] }
    /** The changes in the order of the route, the earliest step first. */
    | { readonly kind: 'tryInAnswer'; readonly changes: readonly ChangeOffer[] }
  )

/** A sheet of one kind. */
export type SheetOfKind<K extends SheetKind> = Extract<StepSheet, { readonly kind: K }>
export type DataOfKind<K extends SheetKind> = Extract<SheetData, { readonly kind: K }>

/** The earlier sheet that this one is held against. */
export function heldAgainst(sheet: StepSheet): SheetOf | undefined {
  if (sheet.kind === 'parts') return sheet.returnOf
  if (sheet.kind === 'finishedPair') return sheet.planOf
  if (sheet.kind === 'setUp') return sheet.prescriptionOf
  if (sheet.kind === 'button') return sheet.chargeOf
  return undefined
}
