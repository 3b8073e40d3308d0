import {
  type CompensatingSphere,
  MONSON_RADIUS_MILLIMETRES,
  onSphere,
  sphereThrough,
} from '../mounting/index.ts'
import { qty, type Saying, saying, toRadians } from '../quantity/index.ts'
import { DomainError, requirePositive, requireWithin } from '../refusal/index.ts'
import { byTag, choice, figure, list, type Of, record, sidesOf } from '../shape/index.ts'
import type { Point } from '../trimming/index.ts'
import { pointShape } from '../trimming/index.ts'
import { archAt, type FittedArch, fitArch } from './arch-form.ts'
import { posteriorPath } from './posterior-path.ts'
import { type AnteriorStance, CANINE_BEYOND_MILLIMETRES, stancesShape } from './stances.ts'
import {
  type AnteriorTooth,
  anteriorTeeth,
  checkToothSet,
  fdiOf,
  type PosteriorTooth,
  posteriorTeeth,
  type ToothKind,
  toothSetShape,
} from './tooth-set.ts'

type Side = 'right' | 'left'
const sides = ['right', 'left'] as const
type OfEachSide<T> = Readonly<Record<Side, T>>

/** Buccal cusp from palatal cusp, mm (common practice; the chosen teeth decide). */
export const cuspsApart: Readonly<Record<PosteriorTooth, number>> = {
  firstPremolar: 4.5,
  secondPremolar: 4.5,
  firstMolar: 5.5,
  secondMolar: 5.5,
}

/** What a set-up is planned from. Plan points: x to the patient's left, y forwards of the incisive papilla, mm. */
export const setUpEntryShape = record({
  arch: choice(['upper', 'lower']),
  /** Places along the front face of the rim. */
  rim: list(pointShape, 60),
  /** Places along the crest of the ridge. */
  crest: list(pointShape, 60),
  /** Canine lines from the centre line, along the rim. */
  canineMillimetres: sidesOf(figure(-500, 500, { example: 24 })),
  /** High-lip line from the incisal level. */
  highLipMillimetres: figure(-500, 500, { example: 9.5 }),
  toothSet: toothSetShape,
  stances: stancesShape,
  /** Incisal edge in front of the hinge axis and below it. */
  incisorForwardMillimetres: figure(-1000, 1000, { example: 85 }),
  incisorBelowMillimetres: figure(-1000, 1000, { example: 35 }),
  /** Through the palatal cusps of first premolars and first molars at the plane, or through condyles and incisors. */
  curve: choice(['teeth', 'condyles']),
  curveRadiusMillimetres: figure(-10_000, 10_000, { example: 101.6 }),
  intercondylarMillimetres: figure(-1000, 1000, { example: 110 }),
  opposing: byTag('kind', {
    denture: record({}),
    natural: record({
      /** Prescribed vertical overlap; 0 is edge to edge. */
      overlapMillimetres: figure(-100, 100),
      /** Height of the natural cusps above the occlusal plane, first premolar to second molar. */
      heightsMillimetres: sidesOf(list(figure(-100, 100), 4)),
    }),
  }),
})
export type SetUpEntry = Of<typeof setUpEntryShape>

interface PlacedTooth {
  readonly fdi: number
  readonly kind: ToothKind
  readonly side: Side
  readonly widthMillimetres: number
  /** Middle of the tooth in plan: of its front face for the six front teeth, of its chewing face behind. */
  readonly centre: Point
  /** Unit vector along the arch, towards the distal. */
  readonly distal: Point
}
export interface PlacedAnterior extends PlacedTooth {
  readonly kind: AnteriorTooth
  readonly stance: AnteriorStance
  /** Of the edge above the incisal level, mm; beyond it below 0. */
  readonly edgeMillimetres: number
  /** Of the neck above the incisal level, mm. */
  readonly neckMillimetres: number
}
export interface PlacedPosterior extends PlacedTooth {
  readonly kind: PosteriorTooth
  readonly buccal: { readonly at: Point; readonly heightMillimetres: number }
  readonly palatal: { readonly at: Point; readonly heightMillimetres: number }
}

export interface SetUpPlan {
  readonly rim: FittedArch
  readonly crest: FittedArch
  /** From the centre line to the canine line, along the fitted rim. */
  readonly roomMillimetres: OfEachSide<number>
  /** Central, lateral and canine together. */
  readonly sixMillimetres: number
  /** Room less teeth: above 0 a gap, below 0 crowding. */
  readonly spareMillimetres: OfEachSide<number>
  /** Incisal level to high-lip line, and the central's length less that: above 0 the neck stays hidden. */
  readonly lipMillimetres: number
  readonly neckBeyondLipMillimetres: number
  readonly anterior: readonly PlacedAnterior[]
  readonly posterior: readonly PlacedPosterior[]
  /** The compensating curve, in the frame of the articulator. */
  readonly curve: CompensatingSphere
  /** What a technician should know before setting, as sentences. */
  readonly remarks: readonly Saying[]
}

/** Room and teeth differ by no more than this in sum without a word (our choice). */
const FITS_WITHIN = 0.5
/** A rim that lies further from a smooth arch is looked at again (our choice). */
const UNEVEN_RIM = 1

/**
 * Where every tooth of an arch goes: the six front teeth in contact along the fitted rim from the centre line, the back
 * teeth from the canine towards the crest of the ridge, their cusps on the compensating curve or against natural lowers.
 *
 * @throws {DomainError} of `fitArch`, `archAt`, `checkToothSet`, `sphereThrough`; `reading-not-plausible`
 * Source: common practice; the curve, Monson 1920 (recalled); geometry exact.
 */
export function planSetUp(entry: SetUpEntry): SetUpPlan {
  checkEntry(entry)
  const { toothSet } = entry
  const rim = fitArch(entry.rim, 'rim')
  const crest = fitArch(entry.crest, 'crest')
  const widths = toothSet.widthsMillimetres
  const sixMillimetres = widths.central + widths.lateral + widths.canine
  const spareMillimetres = {
    right: entry.canineMillimetres.right - sixMillimetres,
    left: entry.canineMillimetres.left - sixMillimetres,
  }
  const standing = sides.flatMap((side) => standBack(entry, rim, crest, side))
  const curve = curveOf(entry, rim, standing)
  const neckBeyondLipMillimetres = toothSet.lengthsMillimetres.central - entry.highLipMillimetres
  return {
    rim,
    crest,
    roomMillimetres: entry.canineMillimetres,
    sixMillimetres,
    spareMillimetres,
    lipMillimetres: entry.highLipMillimetres,
    neckBeyondLipMillimetres,
    anterior: sides.flatMap((side) => placeFront(entry, rim, side)),
    posterior: placeBack(entry, rim, standing, curve),
    curve,
    remarks: remarksOn(entry, rim, crest, spareMillimetres, neckBeyondLipMillimetres),
  }
}

function checkEntry({ toothSet, stances, canineMillimetres, opposing, ...entry }: SetUpEntry): void {
  checkToothSet(toothSet)
  for (const side of sides)
    requireWithin(canineMillimetres[side], {
      least: 10,
      most: 45,
      what: `Canine line, ${side}`,
      field: 'canineMillimetres',
    })
  requireWithin(entry.highLipMillimetres, {
    least: 0,
    most: 25,
    what: 'High-lip line',
    field: 'highLipMillimetres',
  })
  requirePositive(entry.incisorForwardMillimetres, 'incisorForwardMillimetres', 'The place of the incisors')
  requireWithin(entry.incisorBelowMillimetres, {
    least: 0,
    most: 80,
    what: 'Occlusal plane below the axis',
    field: 'incisorBelowMillimetres',
  })
  for (const { mesiodistalDegrees, labialDegrees, shortMillimetres } of Object.values(stances)) {
    requireWithin(mesiodistalDegrees, {
      least: -30,
      most: 30,
      what: 'The tilt to the side',
      field: 'stances',
    })
    requireWithin(labialDegrees, { least: -30, most: 45, what: 'The tilt of the face', field: 'stances' })
    requireWithin(shortMillimetres, { least: -3, most: 3, what: 'The edge off the level', field: 'stances' })
  }
  if (opposing.kind !== 'natural') return
  requireWithin(opposing.overlapMillimetres, {
    least: 0,
    most: 10,
    what: 'The overlap',
    field: 'overlapMillimetres',
  })
  // Other programs may leave the heights out altogether.
  const heights: Partial<OfEachSide<readonly number[]>> = opposing.heightsMillimetres ?? {}
  for (const side of sides) {
    if (heights[side]?.length !== posteriorTeeth.length)
      throw new DomainError(
        'too-few-places',
        `The natural lowers want a height at four teeth, ${side}.`,
        'Measure at both premolars and both molars.',
        'heightsMillimetres',
      )
    for (const height of heights[side] ?? [])
      requireWithin(height, {
        least: -5,
        most: 8,
        what: `Natural cusps, ${side}`,
        field: 'heightsMillimetres',
      })
  }
}

function placeFront(entry: SetUpEntry, rim: FittedArch, side: Side): PlacedAnterior[] {
  const sign = side === 'left' ? 1 : -1
  let mesial = 0
  return anteriorTeeth.map((kind) => {
    const widthMillimetres = entry.toothSet.widthsMillimetres[kind]
    const place = archAt(rim, sign * (mesial + widthMillimetres / 2))
    mesial += widthMillimetres
    const stance = stanceOf(entry, kind)
    const length = entry.toothSet.lengthsMillimetres[kind]
    const edgeMillimetres = stance.shortMillimetres
    return {
      fdi: fdiOf(kind, entry.arch, side),
      kind,
      side,
      widthMillimetres,
      centre: place.at,
      distal: { x: sign * place.along.x, y: sign * place.along.y },
      stance,
      edgeMillimetres,
      neckMillimetres:
        edgeMillimetres +
        length * Math.cos(toRadians(stance.labialDegrees)) * Math.cos(toRadians(stance.mesiodistalDegrees)),
    }
  })
}

function stanceOf({ stances, opposing }: SetUpEntry, kind: AnteriorTooth): AnteriorStance {
  const stance = stances[kind]
  const edgeToEdge = opposing.kind === 'natural' && opposing.overlapMillimetres === 0
  return kind === 'canine' && edgeToEdge
    ? { ...stance, shortMillimetres: stance.shortMillimetres - CANINE_BEYOND_MILLIMETRES }
    : stance
}

type Standing = Omit<PlacedPosterior, 'buccal' | 'palatal'> & {
  readonly buccalAt: Point
  readonly palatalAt: Point
}

/** Where the back teeth of a side stand in plan. */
function standBack(entry: SetUpEntry, rim: FittedArch, crest: FittedArch, side: Side): Standing[] {
  const sign = side === 'left' ? 1 : -1
  const widths = entry.toothSet.widthsMillimetres
  const canineDistal = archAt(rim, sign * (widths.central + widths.lateral + widths.canine)).at
  const path = posteriorPath({
    rim,
    crest,
    startY: canineDistal.y,
    crestAfterMillimetres: widths.firstPremolar + widths.secondPremolar + widths.firstMolar / 2,
  })
  let mesial = 0
  return posteriorTeeth.map((kind) => {
    const widthMillimetres = widths[kind]
    const { at, along } = path(mesial + widthMillimetres / 2)
    mesial += widthMillimetres
    const centre = { x: sign * at.x, y: at.y }
    // Buccal is at right angles to the path, away from the midline.
    const out = { x: sign * -along.y, y: along.x }
    const half = cuspsApart[kind] / 2
    return {
      fdi: fdiOf(kind, entry.arch, side),
      kind,
      side,
      widthMillimetres,
      centre,
      distal: { x: sign * along.x, y: along.y },
      buccalAt: { x: centre.x + out.x * half, y: centre.y + out.y * half },
      palatalAt: { x: centre.x - out.x * half, y: centre.y - out.y * half },
    }
  })
}

function placeBack(
  entry: SetUpEntry,
  rim: FittedArch,
  standing: readonly Standing[],
  curve: CompensatingSphere,
): PlacedPosterior[] {
  const height = (at: Point) =>
    onSphere(curve, inArticulator(entry, rim, at)).z + entry.incisorBelowMillimetres
  return standing.map(({ buccalAt, palatalAt, ...tooth }) => {
    const onCurve = { buccal: height(buccalAt), palatal: height(palatalAt) }
    const natural =
      entry.opposing.kind === 'natural'
        ? entry.opposing.heightsMillimetres[tooth.side][posteriorTeeth.indexOf(tooth.kind)]
        : undefined
    const palatal = natural ?? onCurve.palatal
    return {
      ...tooth,
      buccal: { at: buccalAt, heightMillimetres: palatal + onCurve.buccal - onCurve.palatal },
      palatal: { at: palatalAt, heightMillimetres: palatal },
    }
  })
}

/** A place of the plan in the frame of the articulator: x forwards of the hinge axis, y to the left. */
const inArticulator = ({ incisorForwardMillimetres }: SetUpEntry, rim: FittedArch, { x, y }: Point) => ({
  x: incisorForwardMillimetres + y - rim.frontMillimetres,
  y: x,
})

/**
 * The compensating curve. Through the teeth: centre S on the midline, at one distance from the palatal cusps p of the
 * first premolar and q of the first molar, both at the height of the plane:
 *
 *     S_x = (|p|² - |q|²) / (2 (p_x - q_x)),  S_z = z_o + √(R² - (p_x - S_x)² - p_y²)
 */
function curveOf(entry: SetUpEntry, rim: FittedArch, standing: readonly Standing[]): CompensatingSphere {
  const { incisorForwardMillimetres: forward, incisorBelowMillimetres: below } = entry
  const radiusMillimetres = requirePositive(
    entry.curveRadiusMillimetres,
    'curveRadiusMillimetres',
    'The radius',
  )
  const half = entry.intercondylarMillimetres / 2
  if (entry.curve === 'condyles')
    return sphereThrough(
      [
        { x: 0, y: -half, z: 0 },
        { x: 0, y: half, z: 0 },
        { x: forward, y: 0, z: -below },
      ],
      radiusMillimetres,
    )
  const cusp = (kind: PosteriorTooth) =>
    inArticulator(
      entry,
      rim,
      standing.find((tooth) => tooth.kind === kind && tooth.side === 'left')!.palatalAt,
    )
  const [p, q] = [cusp('firstPremolar'), cusp('firstMolar')]
  const x = (p.x ** 2 + p.y ** 2 - q.x ** 2 - q.y ** 2) / (2 * (p.x - q.x))
  const square = radiusMillimetres ** 2 - (p.x - x) ** 2 - p.y ** 2
  if (!(square > 0))
    throw new DomainError(
      'sphere-too-small',
      saying`A sphere of ${qty.mm(radiusMillimetres)} does not reach both sides of the arch.`,
      'Choose a larger radius.',
      'curveRadiusMillimetres',
    )
  return { centre: { x, y: 0, z: Math.sqrt(square) - below }, radiusMillimetres }
}

function remarksOn(
  entry: SetUpEntry,
  rim: FittedArch,
  crest: FittedArch,
  spare: OfEachSide<number>,
  neckBeyondLip: number,
): Saying[] {
  const remarks: Saying[] = []
  const total = spare.right + spare.left
  if (total > FITS_WITHIN)
    remarks.push(saying`The six front teeth leave ${qty.mm(total, 1)}: take a wider set, or ask for gaps.`)
  if (total < -FITS_WITHIN)
    remarks.push(
      saying`The six front teeth are ${qty.mm(-total, 1)} too wide: take a narrower set, or lap them as the dentist wants.`,
    )
  if (Math.abs(spare.right - spare.left) > 2 * FITS_WITHIN)
    remarks.push('The canine lines are not the same distance from the centre line: check it before setting.')
  if (neckBeyondLip < 0)
    remarks.push(
      saying`The central is ${qty.mm(-neckBeyondLip, 1)} shorter than to the high-lip line: gum would show; take a longer tooth.`,
    )
  for (const [what, arch] of [
    ['rim', rim],
    ['crest of the ridge', crest],
  ] as const) {
    const worst = Math.max(...arch.offMillimetres.map(Math.abs))
    if (worst > UNEVEN_RIM)
      remarks.push(
        saying`One place of the ${what} lies ${qty.mm(worst, 1)} off a smooth arch: measure it again.`,
      )
  }
  if (crest.frontMillimetres > rim.frontMillimetres)
    remarks.push('The crest lies in front of the rim: check which list is which.')
  if (entry.curveRadiusMillimetres !== MONSON_RADIUS_MILLIMETRES)
    remarks.push(
      saying`The curve has a radius of ${qty.mm(entry.curveRadiusMillimetres)}, not the published 4 in.`,
    )
  return remarks
}
