import type { Saying } from '../quantity/index.ts'
import { id, maybe, type Of, record, type Shape, text, yesNo } from '../shape/index.ts'
import { type FailingOutcome, failingOutcomeShape } from './outcome.ts'

/** Names a sheet of an earlier step of the same job. */
/** A sheet of a step; where a later step takes it anew, the one there counts once it is on record. */
export const sheetOfShape = record({ stepId: id(), sheetId: id(), laterIn: maybe(id()) })
export type SheetOf = Of<typeof sheetOfShape>

/** What every sheet of a step says of itself, whatever its kind. */
export const sheetHead = {
  id: id(),
  name: text(120),
  how: text(1000),
  source: text(500),
  /** In a pair, asked once for each arch. */
  perArch: maybe(yesNo()),
  /** What to do when it does not pass. */
  failing: failingOutcomeShape,
}
const sheetHeadShape = record(sheetHead)
export type SheetHead = Of<typeof sheetHeadShape>

/** Gives the last entry of an earlier sheet of the job, where it is of that kind (or of one of those). */
export type Recorded = <D extends Shape>(
  of: SheetOf,
  kind: { readonly kind: string | readonly string[]; readonly data: D },
) => Of<D> | undefined

/** What the words of a record need to know beyond the entry itself. */
export interface SheetReader {
  readonly lotNumber: (lotId: string) => string
}

/** A shape of named parts: what `record` makes. */
export type RecordShape = Shape & { readonly properties: Readonly<Record<string, Shape>> }

/**
 * A kind of sheet, whole: several readings that only make sense together. What is entered and what a step says of it are
 * declared once; what HTTP takes in, the case document and every type follow.
 */
export interface SheetKindModule<K extends string, D extends RecordShape, W extends RecordShape> {
  readonly kind: K
  /** What is entered. */
  readonly data: D
  /** What a step gives along, beyond what every sheet says. */
  readonly wants: W
  /** Refuses entries that make no sense at all. @throws {DomainError} */
  readonly check: (data: Of<D>, sheet: SheetHead & Of<W>) => void
  /** What does not pass, each as words; left out: whatever is sound passes. */
  readonly faults?: (data: Of<D>, sheet: SheetHead & Of<W>, recorded: Recorded) => readonly Saying[]
  /** Where the sheet's own `failing` is not what to do. */
  readonly failing?: (data: Of<D>, sheet: SheetHead & Of<W>, recorded: Recorded) => FailingOutcome | undefined
  /** The hottest it was, by its model or its readings, °C: kept when it is recorded. */
  readonly peakCelsius?: (data: Of<D>) => number | undefined
  /** What is still missing is work to do, no fault. */
  readonly growing?: boolean
  /** The earlier sheet that this one is held against. */
  readonly heldAgainst?: (sheet: Of<W>) => SheetOf | undefined
  /** The steps that it may send back to, beyond those of `failing`. */
  readonly leadsTo?: (sheet: Of<W>) => readonly string[]
  /** What the record says of an entry, behind the name of the sheet. */
  readonly words: (data: Of<D>, sheet: SheetHead & Of<W>, reader: SheetReader) => Saying
  /** As a careful technician would fill it in: it passes. The demo lab and the tests are made with it. */
  readonly good: (sheet: SheetHead & Of<W>) => Of<D>
  /** Sound, but it does not pass; left out where whatever is sound passes. */
  readonly failingExample?: (sheet: SheetHead & Of<W>) => Of<D>
  /** What `check` refuses; left out where the shape alone refuses. */
  readonly refusedExample?: (sheet: SheetHead & Of<W>) => Of<D>
}

/** Declares a kind of sheet; its types follow from the two shapes. */
export const sheetKind = <K extends string, D extends RecordShape, W extends RecordShape>(
  declared: SheetKindModule<K, D, W>,
): SheetKindModule<K, D, W> => declared
