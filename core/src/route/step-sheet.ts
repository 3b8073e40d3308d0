import type { Source } from '../materials/index.ts'
import { type Articulator, checkArticulator } from '../mounting/index.ts'
import type { QuantityKind } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import {
  checkFinishedPair,
  type FinishedPair,
  type PairEntry,
  type PlannedModel,
  planPair,
} from '../trimming/index.ts'
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
    }
export type SheetKind = SheetData['kind']

/** Names a sheet of an earlier step of the same job. */
export interface SheetOf {
  readonly stepId: string
  readonly sheetId: string
}

interface SheetBase {
  readonly id: string
  readonly name: string
  readonly how: string
  readonly source: Source
  /** What to do when it does not pass. */
  readonly failing: Exclude<Outcome, { verdict: 'pass' }>
}

/** A sheet that a step asks for; the last one recorded counts. */
export type StepSheet =
  | (SheetBase & {
      readonly kind: 'parts'
      readonly suggested: readonly string[]
      /** Counted out again: every part of that sheet must be here in its number. */
      readonly returnOf?: SheetOf
    })
  | (SheetBase & {
      readonly kind: 'places'
      readonly quantity: QuantityKind
      readonly min?: number
      readonly max?: number
      readonly plausible: { readonly min: number; readonly max: number }
      readonly leastPlaces: number
      readonly suggested: readonly string[]
    })
  | (SheetBase & { readonly kind: 'trimPlan' })
  | (SheetBase & { readonly kind: 'mounting' })
  | (SheetBase & { readonly kind: 'finishedPair'; readonly planOf: SheetOf })

/**
 * Refuses a sheet whose entries make no sense at all.
 * @throws {DomainError} `sheet-kind`, `words-missing`, `count-out-of-range`, `reading-not-plausible`, `too-few-places`,
 * and the refusals of trimming and of `checkArticulator`
 */
export function checkSheet(sheet: StepSheet, data: SheetData): void {
  if (sheet.kind !== data.kind)
    throw new DomainError(
      'sheet-kind',
      `"${sheet.name}" is another kind of sheet.`,
      'Reload the case.',
      'sheet',
    )
  if (data.kind === 'parts') checkParts(data.parts)
  if (data.kind === 'places' && sheet.kind === 'places') checkPlaces(sheet, data.places)
  if (data.kind === 'trimPlan') planPair(data.entry)
  if (data.kind === 'mounting') {
    checkArticulator(data.articulator)
    if (!(Math.abs(data.pinMillimetres) <= 20))
      throw new DomainError(
        'reading-not-plausible',
        `A pin reading of ${data.pinMillimetres} mm cannot be right.`,
        'Read the scale again; enter at most 20 mm either way.',
        'pinMillimetres',
      )
  }
  if (data.kind === 'finishedPair') {
    const any = { sideDegrees: 0, frontDegrees: 0, heelDegrees: 0 }
    checkFinishedPair(data.pair, any, any)
  }
}

function checkParts(parts: readonly PartCount[]): void {
  if (parts.length === 0)
    throw new DomainError('words-missing', 'No part is on the list.', 'Enter what came along.', 'parts')
  for (const { name, count } of parts) {
    if (name.trim() === '')
      throw new DomainError(
        'words-missing',
        'A part has no name.',
        'Name it, or take the line away.',
        'parts',
      )
    if (!(Number.isInteger(count) && count >= 0 && count <= 100))
      throw new DomainError(
        'count-out-of-range',
        `"${name}" cannot be there ${count} times.`,
        'Enter a whole number from 0 to 100.',
        'parts',
      )
  }
}

function checkPlaces(sheet: StepSheet & { kind: 'places' }, places: readonly PlaceReading[]): void {
  if (places.length < sheet.leastPlaces)
    throw new DomainError(
      'too-few-places',
      `"${sheet.name}" has ${places.length} of ${sheet.leastPlaces} places.`,
      'Measure at more places.',
      'places',
    )
  const { min, max } = sheet.plausible
  for (const { place, value } of places)
    if (place.trim() === '' || !(value >= min && value <= max))
      throw new DomainError(
        'reading-not-plausible',
        `${value} at "${place}" cannot be right for "${sheet.name}".`,
        `Measure again and enter a number from ${min} to ${max}.`,
        'places',
      )
}

/** How near zero the pin must stand, mm (choice). */
const PIN_TOLERANCE = 0.1

/**
 * What does not pass on a sheet, each as words; empty when all does.
 * @param recorded gives the last sheet of an earlier step, for sheets that are held against one
 */
export function sheetFaults(
  sheet: StepSheet,
  data: SheetData,
  recorded: (of: SheetOf) => SheetData | undefined,
): string[] {
  if (data.kind === 'places' && sheet.kind === 'places')
    return data.places
      .filter(({ value }) => value < (sheet.min ?? value) || value > (sheet.max ?? value))
      .map(({ place }) => place)
  if (data.kind === 'parts' && sheet.kind === 'parts' && sheet.returnOf) {
    const came = recorded(sheet.returnOf)
    if (came?.kind !== 'parts') return []
    return came.parts
      .map(({ name, count }) => {
        const here = data.parts.find((part) => part.name === name)?.count ?? 0
        return here === count ? '' : `${name}: ${here} of ${count}`
      })
      .filter((words) => words !== '')
  }
  if (data.kind === 'mounting')
    return Math.abs(data.pinMillimetres) > PIN_TOLERANCE
      ? [`Pin at ${data.pinMillimetres} mm, not at zero`]
      : []
  if (data.kind === 'finishedPair' && sheet.kind === 'finishedPair') {
    const planned = recorded(sheet.planOf)
    if (planned?.kind !== 'trimPlan') return []
    return pairLines(planned.entry, data.pair)
      .filter(({ pass }) => !pass)
      .map(({ name }) => name)
  }
  return []
}

/** The readings of a finished pair against the plan that it was trimmed by. */
export function pairLines(entry: PairEntry, pair: FinishedPair) {
  const { upper, lower } = planPair(entry)
  return checkFinishedPair(pair, plannedAngles(upper), plannedAngles(lower))
}

function plannedAngles({ plan }: PlannedModel) {
  return {
    sideDegrees: plan.sideAngleDegrees,
    ...(plan.front.kind === 'planes' ? { frontDegrees: plan.front.angleDegrees } : {}),
    heelDegrees: 180 - plan.heel.betaDegrees,
  }
}
