import { type Saying, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { choice, figure, list, maybe, type Of, record, text, three, whole } from '../shape/index.ts'
import { type Pot, type Specular, stainedColour } from './film.ts'
import { checkLab, colourDifference, type Lab, labShape } from './lab.ts'
import { MOST_COATS, planZone, verdictOf, type ZonePlan } from './recipe.ts'

/** The zones of a tooth, from the neck on; each touches the next. */
export const toothZones = ['neck', 'body', 'edge', 'sides'] as const
export type ToothZone = (typeof toothZones)[number]
export const zoneNames: Readonly<Record<ToothZone, string>> = {
  neck: 'Neck',
  body: 'Body',
  edge: 'Edge',
  sides: 'Sides',
}
/** Which zones run into each other. */
const neighbours: readonly (readonly [ToothZone, ToothZone])[] = [
  ['neck', 'body'],
  ['body', 'edge'],
  ['body', 'sides'],
  ['neck', 'sides'],
  ['edge', 'sides'],
]

const band = three(figure(0, 1000, { example: 0.01 }))
/** A pot as it was when the plan was made: its figures stay with the plan. */
export const plannedPotShape = record({
  name: text(80, { example: 'ochre body' }),
  productId: maybe(text(80)),
  /** Number of the lot that is in the pot. */
  lot: maybe(text(60)),
  absorption: band,
  scattering: band,
})
export type PlannedPot = Of<typeof plannedPotShape>
const plannedZoneShape = record({
  /** FDI; left out where there is one tooth. */
  tooth: maybe(whole(11, 48, { example: 11 })),
  zone: choice(toothZones),
  block: labShape,
  target: labShape,
  /** Of each pot, in their order. */
  coats: list(figure(0, 3, { example: 0.75 }), 12),
})
export type PlannedZone = Of<typeof plannedZoneShape>
/** Stains of one or several teeth, zone by zone, with the figures that they follow from. */
export const stainPlanShape = record({
  zones: list(plannedZoneShape, 64),
  pots: list(plannedPotShape, 12),
  specular: choice(['excluded', 'included']),
})
export type StainPlan = Of<typeof stainPlanShape>

/** A coat or more of it in one zone hides what lies under it: from such a scattering on a pot counts as white (our choice). */
const WHITE_SCATTERING = 0.08

/** Refuses a plan that cannot have been made. @throws {DomainError} `no-zone`, `coats-out-of-range`, `zone-twice`, as `checkLab` and `substrateOf` */
export function checkStainPlan({ zones, pots, specular }: StainPlan): void {
  if (zones.length === 0)
    throw new DomainError(
      'no-zone',
      'The plan has no zone.',
      'Enter block and target of one zone at least.',
      'zones',
    )
  const seen = new Set<string>()
  for (const { tooth, zone, block, target, coats } of zones) {
    checkLab(block, 'block')
    checkLab(target, 'target')
    const sum = coats.reduce((all, each) => all + each, 0)
    if (coats.length > pots.length || sum > MOST_COATS + 1e-9)
      throw new DomainError(
        'coats-out-of-range',
        `${zoneNames[zone]}: ${sum} coats cannot be painted.`,
        `Plan up to ${MOST_COATS} in all, of the pots chosen.`,
        'zones',
      )
    const key = `${tooth} ${zone}`
    if (seen.has(key))
      throw new DomainError(
        'zone-twice',
        `${zoneNames[zone]} is there twice.`,
        'Plan each zone once.',
        'zones',
      )
    seen.add(key)
    colourOf({ block, coats }, pots, specular)
  }
}

/** Colour of a zone after its coats. */
export const colourOf = (
  { block, coats }: Pick<PlannedZone, 'block' | 'coats'>,
  pots: readonly Pot[],
  specular: Specular,
): Lab =>
  stainedColour(
    block,
    coats.map((x, pot) => ({ pot: pots[pot]!, coats: x })),
    specular,
  )

/** Halfway between two zones, for a picture: a straight blend of their amounts and of the block. */
export function halfway(
  one: Pick<PlannedZone, 'block' | 'coats'>,
  other: Pick<PlannedZone, 'block' | 'coats'>,
  pots: readonly Pot[],
  specular: Specular,
): Lab {
  const mean = (a = 0, b = 0) => (a + b) / 2
  const block = {
    L: mean(one.block.L, other.block.L),
    a: mean(one.block.a, other.block.a),
    b: mean(one.block.b, other.block.b),
  }
  return colourOf({ block, coats: pots.map((_, n) => mean(one.coats[n], other.coats[n])) }, pots, specular)
}

/** How far from its target a zone is planned to end. */
export const plannedDifference = (zone: PlannedZone, { pots, specular }: StainPlan): number =>
  colourDifference(colourOf(zone, pots, specular), zone.target)

/** A zone as it is said: the tooth where there are several. */
export const zoneWords = ({ tooth, zone }: Pick<PlannedZone, 'tooth' | 'zone'>): Saying =>
  tooth === undefined ? zoneNames[zone].toLowerCase() : saying`${{ tooth }} ${zoneNames[zone].toLowerCase()}`

/** What is to be watched in a plan that can be painted. */
export function stainWarnings({ zones, pots }: Pick<StainPlan, 'zones' | 'pots'>): readonly Saying[] {
  const white = zones.flatMap((zone) =>
    zone.coats.flatMap((x, n) =>
      x > 1 && pots[n]!.scattering[1]! >= WHITE_SCATTERING
        ? [saying`${pots[n]!.name} over one coat at the ${zoneWords(zone)} hides translucency`]
        : [],
    ),
  )
  const pooling = zones
    .filter(({ coats }) => coats.reduce((sum, x) => sum + x, 0) > 2)
    .map((zone) => saying`more than two coats at the ${zoneWords(zone)} may pool`)
  const stops = neighbours.flatMap(([one, other]) =>
    zones
      .filter(({ zone }) => zone === one)
      .flatMap((here) => {
        const there = zones.find(({ zone, tooth }) => zone === other && tooth === here.tooth)
        return there
          ? pots.flatMap(({ name }, n) =>
              Math.abs((here.coats[n] ?? 0) - (there.coats[n] ?? 0)) > 1
                ? [
                    saying`${name} stops hard between ${zoneWords(here)} and ${zoneNames[other].toLowerCase()}: fade it`,
                  ]
                : [],
            )
          : []
      }),
  )
  return [...white, ...pooling, ...stops]
}

/** What to do with a zone as it came out of the furnace: the reading is the new block. */
export type AfterFiring =
  | { readonly does: 'leave'; readonly difference: number }
  | { readonly does: 'add'; readonly difference: number; readonly plan: ZonePlan }
  | { readonly does: 'strip'; readonly difference: number }

/** @throws {DomainError} as `planZone` */
export function afterFiring(
  read: Lab,
  target: Lab,
  pots: readonly Pot[],
  specular: Specular = 'excluded',
): AfterFiring {
  const difference = colourDifference(read, target)
  if (verdictOf(difference) !== 'outOfReach') return { does: 'leave', difference }
  const plan = planZone({ name: 'fired', block: read, target }, pots, { specular })
  return plan.verdict === 'outOfReach' ? { does: 'strip', difference } : { does: 'add', difference, plan }
}

/** A brush lays so much less or more than was meant: the largest error there is. */
const BRUSH = [0.8, 1.2] as const

/**
 * What one firing and what two may end at when the brush lays a fifth less or more: in one it stays, after two it was read in
 * between and added to where that helps.
 * @returns the largest ΔE00 of each
 */
export function schools(
  { block, target, coats }: Pick<PlannedZone, 'block' | 'target' | 'coats'>,
  pots: readonly Pot[],
  specular: Specular = 'excluded',
): { readonly one: number; readonly two: number } {
  const ends = BRUSH.map((factor) => colourOf({ block, coats: coats.map((x) => x * factor) }, pots, specular))
  const one = ends.map((colour) => colourDifference(colour, target))
  const two = ends.map((colour, n) =>
    Math.min(one[n]!, planZone({ name: 'fired', block: colour, target }, pots, { specular }).difference),
  )
  return { one: Math.max(...one), two: Math.max(...two) }
}

/** A result of a fired case: what was planned on which block, and what was read. */
export interface FiredResult {
  readonly block: Lab
  /** Of the one pot that it speaks of, in coats. */
  readonly coats: number
  readonly read: Lab
}
/** So many results that agree within such a part are offered as a factor of the pot (our choice). */
const AGREEING = 3
const AGREES = 0.15

/** How much of a pot really lay on a fired piece against what was planned, x real / x planned; undefined where no amount makes that lightness. */
export function firedFactor(
  { block, coats, read }: FiredResult,
  pot: Pot,
  specular: Specular = 'excluded',
): number | undefined {
  const off = (factor: number) => stainedColour(block, [{ pot, coats: coats * factor }], specular).L - read.L
  let [low, high] = [0.2, 5]
  const falls = off(low) > off(high)
  if (off(low) === 0) return low
  if (Math.sign(off(low)) === Math.sign(off(high))) return undefined
  for (let n = 0; n < 60; n++) {
    const half = (low + high) / 2
    if (off(half) > 0 === falls) low = half
    else high = half
  }
  return (low + high) / 2
}

/** The factor that a lab is offered for a pot: the mean of its last three results, once they agree. */
export function offeredFactor(factors: readonly number[]): number | undefined {
  const last = factors.slice(-AGREEING)
  if (last.length < AGREEING) return undefined
  const mean = last.reduce((sum, each) => sum + each, 0) / last.length
  return last.every((each) => Math.abs(each / mean - 1) <= AGREES) ? mean : undefined
}
