import type { Saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { byTag, figure, maybe, type Of, record, typedAs, yesNo } from '../shape/index.ts'
import { sheetKinds } from './kinds/index.ts'
import type { Outcome } from './outcome.ts'
import {
  type Recorded,
  type RecordShape,
  type SheetHead,
  type SheetKindModule,
  type SheetOf,
  type SheetReader,
  sheetHead,
} from './sheet-kind.ts'

type Kinds = typeof sheetKinds
export type SheetKind = keyof Kinds

/** What is entered on a sheet of a kind. */
export type DataOfKind<K extends SheetKind> = { readonly kind: K } & Of<Kinds[K]['data']>
/** What is entered on a sheet: several readings that only make sense together. */
export type SheetData = { [K in SheetKind]: DataOfKind<K> }[SheetKind]

/** A sheet of a kind, as a step asks for it. */
export type SheetOfKind<K extends SheetKind> = { readonly kind: K } & SheetHead & Of<Kinds[K]['wants']>
/** A sheet that a step asks for; the last one recorded counts. */
export type StepSheet = { [K in SheetKind]: SheetOfKind<K> }[SheetKind]

const each = (of: (kind: (typeof sheetKinds)[SheetKind]) => RecordShape): Record<string, RecordShape> =>
  Object.fromEntries(Object.entries(sheetKinds).map(([name, kind]) => [name, of(kind)]))

/** What HTTP and the case document take for an entry. The types are those above; this is their description. */
export const sheetDataShape = typedAs<SheetData>(
  byTag(
    'kind',
    each(({ data }) => data),
  ),
)
export const stepSheetShape = typedAs<StepSheet>(
  byTag(
    'kind',
    each(({ wants }) => record({ ...sheetHead, ...wants.properties })),
  ),
)

type AnyKind = SheetKindModule<string, RecordShape, RecordShape>
const kindOf = (kind: SheetKind): AnyKind => sheetKinds[kind] as unknown as AnyKind

/** What a sheet comes to: what does not pass, and what to do about it. */
export interface SheetJudgement {
  /** Each as words; empty when all passes. */
  readonly faults: readonly Saying[]
  readonly outcome: Outcome
}

/** Gives the last sheet of an earlier step, for sheets that are held against one. */
type RecordedSheets = (of: SheetOf) => SheetData | undefined

const readFrom =
  (recorded: RecordedSheets): Recorded =>
  (of, { kind }) => {
    const found = recorded(of)
    return found && [kind].flat().includes(found.kind) ? (found as never) : undefined
  }

/**
 * Refuses a sheet whose entries make no sense at all.
 * @throws {DomainError} `sheet-kind`, and what its kind refuses
 */
export function checkSheet(sheet: StepSheet, data: SheetData): void {
  if (sheet.kind !== data.kind)
    throw new DomainError(
      'sheet-kind',
      `"${sheet.name}" is another kind of sheet.`,
      'Reload the case.',
      'sheet',
    )
  kindOf(data.kind).check(data, sheet)
}

/** What a sheet comes to. */
export function judgeSheet(sheet: StepSheet, data: SheetData, recorded: RecordedSheets): SheetJudgement {
  if (sheet.kind !== data.kind) return { faults: [], outcome: { verdict: 'pass' } }
  const { faults, failing } = kindOf(data.kind)
  const read = readFrom(recorded)
  const found = faults?.(data, sheet, read) ?? []
  if (found.length === 0) return { faults: [], outcome: { verdict: 'pass' } }
  return { faults: found, outcome: failing?.(data, sheet, read) ?? sheet.failing }
}

/** The hottest that something was by a sheet, °C; undefined where it tells none. */
export function sheetPeakCelsius(data: SheetData): number | undefined {
  return kindOf(data.kind).peakCelsius?.(data)
}

/** What a sheet came to when it was recorded: kept with it, so that nobody has to work it out again. */
export const judgedShape = record({ passes: yesNo(), peakCelsius: maybe(figure(-300, 3000)) })
export type Judged = Of<typeof judgedShape>

/** What the record says of an entry, with the name of its sheet. */
export function sheetWords(sheet: StepSheet, data: SheetData, reader: SheetReader): Saying {
  return kindOf(data.kind).words(data, sheet, reader)
}

/** The earlier sheet that this one is held against. */
export function heldAgainst(sheet: StepSheet): SheetOf | undefined {
  return kindOf(sheet.kind).heldAgainst?.(sheet)
}

/** The steps that a sheet may send back to. */
export function sheetLeadsTo(sheet: StepSheet): readonly string[] {
  const own = 'toStepId' in sheet.failing ? [sheet.failing.toStepId] : []
  return [...own, ...(kindOf(sheet.kind).leadsTo?.(sheet) ?? [])]
}

/** Whether what is still missing on it is work to do, no fault. */
export function isGrowing(sheet: StepSheet): boolean {
  return kindOf(sheet.kind).growing ?? false
}

/** A sheet as a careful technician would fill it in, for the demo lab and the tests. */
export function goodSheet(sheet: StepSheet): SheetData {
  return { kind: sheet.kind, ...kindOf(sheet.kind).good(sheet) } as SheetData
}
