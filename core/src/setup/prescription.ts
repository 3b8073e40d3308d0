import { type Quantity, qty, type Saying, saying } from '../quantity/index.ts'
import { DomainError, requireWithin } from '../refusal/index.ts'
import { choice, figure, type Of, record, sidesOf } from '../shape/index.ts'
import { fdiOf } from './tooth-set.ts'

const millimetres = figure(-500, 500, { example: 8 })
const ofSides = sidesOf(millimetres)

/** What the record block says, measured with ruler and dividers before a wax tooth is touched, mm. */
export const prescriptionShape = record({
  arch: choice(['upper', 'lower']),
  /** Centre line of the rim from the mark on the cast, to the patient's left above 0. */
  centreLineMillimetres: millimetres,
  /** From the depth of the vestibule to the edge of the rim at the centre line. */
  incisalLevelMillimetres: millimetres,
  /** From the incisive papilla, or its mark, to the front of the rim. */
  labialFullnessMillimetres: millimetres,
  /** Canine lines from the centre line, along the rim. */
  canineMillimetres: ofSides,
  /** Occlusal plane: from the land of the cast to the rim at the first molar. */
  planeMillimetres: ofSides,
  /** High-lip line above the edge of the rim (below it on a lower). */
  highLipMillimetres: millimetres,
  /** Pin reading with the rims together: the vertical dimension. */
  pinMillimetres: millimetres,
})
export type Prescription = Of<typeof prescriptionShape>

/** The same places after set-up, mm. */
export const setUpReadingShape = record({
  /** Contact of the centrals from the mark on the cast, to the patient's left above 0. */
  centreLineMillimetres: millimetres,
  /** At each central. */
  incisalLevelMillimetres: ofSides,
  labialFullnessMillimetres: ofSides,
  /** Distal of each canine from the centre line, along the teeth. */
  canineMillimetres: ofSides,
  planeMillimetres: ofSides,
  pinMillimetres: millimetres,
})
export type SetUpReading = Of<typeof setUpReadingShape>

/** How far a set-up may be off, mm, either way. */
export const setUpTolerancesShape = record({
  centreLineMillimetres: millimetres,
  levelMillimetres: millimetres,
  fullnessMillimetres: millimetres,
  canineMillimetres: millimetres,
  planeMillimetres: millimetres,
  pinMillimetres: millimetres,
})
export type SetUpTolerances = Of<typeof setUpTolerancesShape>

/** Source: common practice for level, centre line and fullness; the other figures our choice. All editable. */
export const usualTolerances: SetUpTolerances = {
  centreLineMillimetres: 0.5,
  levelMillimetres: 0.5,
  fullnessMillimetres: 1,
  canineMillimetres: 1,
  planeMillimetres: 0.5,
  pinMillimetres: 0.1,
}

/** Wax does not drift so far: the rim was left, or the teeth do not fit it (our choice). */
const ASK_BEYOND_MILLIMETRES = 3

export type SetUpMeasure = 'centreLine' | 'level' | 'fullness' | 'canine' | 'plane' | 'pin'

/** One measure of a set-up held against the prescription. */
export interface SetUpLine {
  readonly measure: SetUpMeasure
  readonly side?: 'right' | 'left'
  readonly name: string
  readonly wantedMillimetres: number
  readonly foundMillimetres: number
  /** Found less wanted. */
  readonly offMillimetres: number
  readonly toleranceMillimetres: number
  readonly verdict: 'pass' | 'adjust' | 'ask'
  /** Which tooth, which way, how far; empty when it passes. */
  readonly say: Saying
}

/** A float of a ruler must not fail a set-up that stands exactly on the limit. */
const READING_GRAIN = 1e-9

/**
 * A set-up against its prescription, measure by measure: what to move, which way, how far.
 *
 * @throws {DomainError} `not-a-number`, `reading-not-plausible`, `tolerance`
 * @example
 * compareSetUp(upper, { ...same, incisalLevelMillimetres: { right: 21.5, left: 22.1 } }) // "Raise 21 by 0.6 mm."
 * Source: common practice; the tolerances see `usualTolerances`.
 */
export function compareSetUp(
  wanted: Prescription,
  found: SetUpReading,
  tolerances: SetUpTolerances = usualTolerances,
): SetUpLine[] {
  checkPrescription(wanted)
  checkSetUpReading(found)
  for (const [field, value] of Object.entries(tolerances))
    if (!(value >= 0 && value <= 5))
      throw new DomainError(
        'tolerance',
        saying`A tolerance of ${qty.mm(value)} makes no sense.`,
        'Enter 0 to 5 mm.',
        field,
      )
  const { arch } = wanted
  const central = (side: 'right' | 'left') => fdiOf('central', arch, side)
  const canine = (side: 'right' | 'left') => fdiOf('canine', arch, side)
  const sides = ['right', 'left'] as const
  // Longer from the vestibule is lower on an upper, higher on a lower.
  const nearer = arch === 'upper' ? 'Raise' : 'Lower'
  const farther = arch === 'upper' ? 'Lower' : 'Raise'
  return [
    line('centreLine', undefined, 'Centre line', wanted.centreLineMillimetres, found.centreLineMillimetres, {
      tolerance: tolerances.centreLineMillimetres,
      more: (mm) => saying`Move ${central('right')} and ${central('left')} to the patient's right by ${mm}.`,
      less: (mm) => saying`Move ${central('right')} and ${central('left')} to the patient's left by ${mm}.`,
    }),
    ...sides.map((side) =>
      line(
        'level',
        side,
        `Incisal level, ${central(side)}`,
        wanted.incisalLevelMillimetres,
        found.incisalLevelMillimetres[side],
        {
          tolerance: tolerances.levelMillimetres,
          more: (mm) => saying`${nearer} ${central(side)} by ${mm}.`,
          less: (mm) => saying`${farther} ${central(side)} by ${mm}.`,
        },
      ),
    ),
    ...sides.map((side) =>
      line(
        'fullness',
        side,
        `Labial fullness, ${central(side)}`,
        wanted.labialFullnessMillimetres,
        found.labialFullnessMillimetres[side],
        {
          tolerance: tolerances.fullnessMillimetres,
          more: (mm) => saying`Bring ${central(side)} in by ${mm}.`,
          less: (mm) => saying`Bring ${central(side)} out by ${mm}.`,
        },
      ),
    ),
    ...sides.map((side) =>
      line(
        'canine',
        side,
        `Canine line, ${canine(side)}`,
        wanted.canineMillimetres[side],
        found.canineMillimetres[side],
        {
          tolerance: tolerances.canineMillimetres,
          more: (mm) => saying`Bring ${canine(side)} forward along the rim by ${mm}.`,
          less: (mm) => saying`Move ${canine(side)} back along the rim by ${mm}.`,
        },
      ),
    ),
    ...sides.map((side) =>
      line(
        'plane',
        side,
        `Occlusal plane, ${side}`,
        wanted.planeMillimetres[side],
        found.planeMillimetres[side],
        {
          tolerance: tolerances.planeMillimetres,
          more: (mm) => saying`${nearer} the ${side} molars by ${mm}.`,
          less: (mm) => saying`${farther} the ${side} molars by ${mm}.`,
        },
      ),
    ),
    line('pin', undefined, 'Pin', wanted.pinMillimetres, found.pinMillimetres, {
      tolerance: tolerances.pinMillimetres,
      more: (mm) =>
        saying`The pin stands ${mm} open: find the early contact with paper and seat that tooth deeper.`,
      less: (mm) =>
        saying`The pin was shortened by ${mm}: bring it back to its reading, then look at the contacts.`,
    }),
  ]
}

function line(
  measure: SetUpMeasure,
  side: 'right' | 'left' | undefined,
  name: string,
  wantedMillimetres: number,
  foundMillimetres: number,
  rule: {
    readonly tolerance: number
    readonly more: (mm: Quantity) => Saying
    readonly less: (mm: Quantity) => Saying
  },
): SetUpLine {
  const offMillimetres = foundMillimetres - wantedMillimetres
  const size = Math.abs(offMillimetres)
  const verdict =
    size <= rule.tolerance + READING_GRAIN ? 'pass' : size > ASK_BEYOND_MILLIMETRES ? 'ask' : 'adjust'
  const move = (offMillimetres > 0 ? rule.more : rule.less)(qty.mm(size, 1))
  return {
    measure,
    ...(side ? { side } : {}),
    name,
    wantedMillimetres,
    foundMillimetres,
    offMillimetres,
    toleranceMillimetres: rule.tolerance,
    verdict,
    say:
      verdict === 'pass'
        ? ''
        : verdict === 'adjust'
          ? move
          : saying`${move} So far off is no drift: measure once more, and if it stands ask the dentist.`,
  }
}

/** @throws {DomainError} `reading-not-plausible`, naming the entry */
export function checkPrescription(prescription: Prescription): void {
  requireWithin(prescription.centreLineMillimetres, {
    least: -10,
    most: 10,
    kind: 'millimetres',
    what: 'Centre line',
    field: 'centreLineMillimetres',
  })
  requireWithin(prescription.incisalLevelMillimetres, {
    least: 5,
    most: 40,
    kind: 'millimetres',
    what: 'Incisal level',
    field: 'incisalLevelMillimetres',
  })
  requireWithin(prescription.labialFullnessMillimetres, {
    least: -5,
    most: 25,
    kind: 'millimetres',
    what: 'Labial fullness',
    field: 'labialFullnessMillimetres',
  })
  requireWithin(prescription.highLipMillimetres, {
    least: 0,
    most: 25,
    kind: 'millimetres',
    what: 'High-lip line',
    field: 'highLipMillimetres',
  })
  requireWithin(prescription.pinMillimetres, {
    least: -20,
    most: 20,
    kind: 'millimetres',
    what: 'Pin',
    field: 'pinMillimetres',
  })
  checkSides(prescription)
}

/** @throws {DomainError} `reading-not-plausible`, naming the entry */
export function checkSetUpReading(reading: SetUpReading): void {
  requireWithin(reading.centreLineMillimetres, {
    least: -10,
    most: 10,
    kind: 'millimetres',
    what: 'Centre line',
    field: 'centreLineMillimetres',
  })
  for (const side of ['right', 'left'] as const) {
    requireWithin(reading.incisalLevelMillimetres[side], {
      least: 5,
      most: 40,
      kind: 'millimetres',
      what: `Incisal level, ${side}`,
      field: 'incisalLevelMillimetres',
    })
    requireWithin(reading.labialFullnessMillimetres[side], {
      least: -5,
      most: 25,
      kind: 'millimetres',
      what: `Labial fullness, ${side}`,
      field: 'labialFullnessMillimetres',
    })
  }
  requireWithin(reading.pinMillimetres, {
    least: -20,
    most: 20,
    kind: 'millimetres',
    what: 'Pin',
    field: 'pinMillimetres',
  })
  checkSides(reading)
}

function checkSides({
  canineMillimetres,
  planeMillimetres,
}: Pick<Prescription, 'canineMillimetres' | 'planeMillimetres'>): void {
  for (const side of ['right', 'left'] as const) {
    requireWithin(canineMillimetres[side], {
      least: 10,
      most: 45,
      kind: 'millimetres',
      what: `Canine line, ${side}`,
      field: 'canineMillimetres',
    })
    requireWithin(planeMillimetres[side], {
      least: 5,
      most: 60,
      kind: 'millimetres',
      what: `Occlusal plane, ${side}`,
      field: 'planeMillimetres',
    })
  }
}
