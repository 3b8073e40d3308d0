import { DomainError } from '../refusal/index.ts'
import { film, overSurface, type Pot, type Specular, stainedColour, substrateOf } from './film.ts'
import { checkLab, colourDifference, type Lab, labOf, lightnessOf } from './lab.ts'

/** What nobody sees, and what is accepted, ΔE00. Source: Paravina 2015, half of the people, recalled. */
export const NOT_SEEN = 0.8
export const ACCEPTABLE = 1.8
/** How good a prediction is at one or two coats, ΔE00, in 19 of 20 cases. Source: a study of the model with readings of ±0.15, not on fired ceramic. */
export const GOOD_TO = 0.6
/** Costs of a recipe (our assumption): what nobody sees is not paid for with another pot. */
const PER_POT = 0.1
const PER_COAT = 0.05
const STEPS_PER_COAT = 4
const MOST_IN_ZONE = 3
const MOST_IN_CROWN = 4
export const MOST_POTS = 12
export const USUAL_COATS = 2
export const MOST_COATS = 3
const SAME = 1e-9

export type ColourVerdict = 'notSeen' | 'acceptable' | 'outOfReach'
export const verdictOf = (difference: number): ColourVerdict =>
  difference <= NOT_SEEN ? 'notSeen' : difference <= ACCEPTABLE ? 'acceptable' : 'outOfReach'

/** How much of each pot, in coats, in the order of the shelf. */
export interface Recipe {
  readonly coats: readonly number[]
  readonly colour: Lab
  readonly difference: number
  /** The less the better: difference, pots, coats. */
  readonly score: number
}

export interface Zone {
  readonly name: string
  readonly block: Lab
  readonly target: Lab
}

/** The plan of a zone. Out of reach it is the nearest there is, never a plan. */
export interface ZonePlan extends Recipe {
  readonly zone: string
  readonly verdict: ColourVerdict
  /** The target is lighter than anything these pots make of this block. */
  readonly cannotBeLifted: boolean
  /** The lightest this block can go. */
  readonly lightest: number
  readonly mix: MixSheet
  /** With a fifth less and more of everything: the brush is the largest error. */
  readonly thinner: number
  readonly thicker: number
}

/** Parts for the palette: pots in the order of the shelf, clear extender, and in how many coats. */
export interface MixSheet {
  readonly parts: readonly number[]
  readonly clear: number
  readonly coats: number
}

interface Candidate {
  readonly quarters: readonly number[]
  readonly pots: number
  readonly used: number
  readonly colour: Lab
  readonly difference: number
  readonly score: number
}

/** Refuses pots and amounts that make no sense. @throws {DomainError} `pots-too-many`, `pot-not-plausible`, `coats-out-of-range` */
function check(pots: readonly Pot[], maxCoats: number): void {
  if (pots.length > MOST_POTS)
    throw new DomainError(
      'pots-too-many',
      `${pots.length} pots are too many to try.`,
      `Choose at most ${MOST_POTS}.`,
      'pots',
    )
  for (const { name, absorption, scattering } of pots)
    if (![...absorption, ...scattering].every((each) => Number.isFinite(each) && each >= 0))
      throw new DomainError(
        'pot-not-plausible',
        `"${name}" has an absorption or a scattering below 0.`,
        'Calibrate it again.',
        'pots',
      )
  if (!(maxCoats > 0 && maxCoats <= MOST_COATS))
    throw new DomainError(
      'coats-out-of-range',
      `${maxCoats} coats cannot be painted.`,
      `Enter up to ${MOST_COATS}; more pools.`,
      'maxCoats',
    )
}

/** Every mix of at most three pots in quarter coats. */
function grid(pots: number, maxCoats: number): number[][] {
  const most = Math.round(maxCoats * STEPS_PER_COAT)
  const all: number[][] = []
  const add = (from: number, held: number[], left: number, count: number) => {
    all.push(held)
    if (count === MOST_IN_ZONE) return
    for (let pot = from; pot < pots; pot++)
      for (let quarters = 1; quarters <= left; quarters++) {
        const next = held.slice()
        next[pot] = quarters
        add(pot + 1, next, left - quarters, count + 1)
      }
  }
  add(0, new Array<number>(pots).fill(0), most, 0)
  return all
}

/** Better first: score, then fewer pots, fewer coats, smaller difference; then the order of the shelf. */
function compare(a: Candidate, b: Candidate): number {
  if (Math.abs(a.score - b.score) > SAME) return a.score - b.score
  const pots = count(a.pots) - count(b.pots)
  if (pots !== 0) return pots
  if (Math.abs(a.used - b.used) > SAME) return a.used - b.used
  return Math.abs(a.difference - b.difference) > SAME ? a.difference - b.difference : 0
}
function count(bits: number): number {
  let n = 0
  for (let left = bits; left > 0; left &= left - 1) n++
  return n
}

/** No difference is less than that of lightness alone: chroma and hue only add to it, and their rotation never takes all of it away. */
function leastDifference(one: number, other: number): number {
  const off = ((one + other) / 2 - 50) ** 2
  return Math.abs(one - other) / (1 + (0.015 * off) / Math.sqrt(20 + off))
}

/** A mix as one film by band: what it sends back, and the square of what it lets through; whatever block it lies on. */
interface MixedFilm {
  readonly quarters: readonly number[]
  readonly pots: number
  readonly used: number
  readonly reflects: readonly [number, number, number]
  readonly passesTwice: readonly [number, number, number]
}

/** Every mix as a film: worked out once for all zones of a crown. */
const mixedFilms = (pots: readonly Pot[], maxCoats: number): readonly MixedFilm[] =>
  grid(pots.length, maxCoats).map((quarters) => {
    let bits = 0
    let sum = 0
    for (let n = 0; n < quarters.length; n++) {
      if (quarters[n] === 0) continue
      bits |= 1 << n
      sum += quarters[n]!
    }
    const films = BANDS.map((band) => {
      let [K, S] = [0, 0]
      for (let n = 0; n < quarters.length; n++) {
        if (quarters[n] === 0) continue
        const x = quarters[n]! / STEPS_PER_COAT
        K += x * pots[n]!.absorption[band]!
        S += x * pots[n]!.scattering[band]!
      }
      return film(K, S)
    })
    const three = (of: (each: (typeof films)[number]) => number) =>
      [of(films[0]!), of(films[1]!), of(films[2]!)] as const
    return {
      quarters,
      pots: bits,
      used: sum / STEPS_PER_COAT,
      reflects: three(({ reflects }) => reflects),
      passesTwice: three(({ passes }) => passes ** 2),
    }
  })
const BANDS = [0, 1, 2] as const

/** The best recipe of a zone for every set of pots, and the lightest of all. */
function tried({ block, target }: Zone, mixes: readonly MixedFilm[], specular: Specular) {
  const under = substrateOf(block, specular, 'blockLab')
  const best = new Map<number, Candidate>()
  let lightest = 0
  const bands = [0, 0, 0]
  for (const { quarters, pots, used, reflects, passesTwice } of mixes) {
    const through = (band: 0 | 1 | 2) => {
      const back = reflects[band]
      return overSurface(back + (passesTwice[band] * under[band]!) / (1 - back * under[band]!), specular)
    }
    bands[1] = through(1)
    const lightness = lightnessOf(bands[1])
    if (lightness > lightest) lightest = lightness
    const costs = PER_POT * count(pots) + PER_COAT * used
    const held = best.get(pots)
    if (held && Math.max(leastDifference(lightness, target.L), NOT_SEEN) + costs > held.score + SAME) continue
    bands[0] = through(0)
    bands[2] = through(2)
    const colour = labOf(bands)
    const difference = colourDifference(colour, target)
    const score = Math.max(difference, NOT_SEEN) + costs
    if (held && score > held.score + SAME) continue
    const candidate: Candidate = { quarters, pots, used, colour, difference, score }
    if (!held || compare(candidate, held) < 0) best.set(pots, candidate)
  }
  return { best, lightest }
}

interface PlanOptions {
  /** 2 usually, 3 at most. */
  readonly maxCoats?: number
  readonly specular?: Specular
}

/** A recipe for one zone by itself. @throws {DomainError} as `planCrown` */
export const planZone = (zone: Zone, pots: readonly Pot[], options: PlanOptions = {}): ZonePlan =>
  planned([zone], pots, options, 0).zones[0]!

/** The best recipe within every set of pots: its own, or that of the set with one pot less. */
function bestWithin(own: ReadonlyMap<number, Candidate>, pots: number): readonly Candidate[] {
  const best: Candidate[] = []
  for (let set = 0; set < 1 << pots; set++) {
    let least = own.get(set)
    for (let n = 0; n < pots; n++) {
      const less = set & (1 << n) ? best[set ^ (1 << n)] : undefined
      if (less && (!least || compare(less, least) < 0)) least = less
    }
    best.push(least!)
  }
  return best
}

/**
 * A recipe for each zone of a crown from one set of at most four pots: every mix of at most three pots in quarter coats is tried, every
 * set of pots for the crown; exhaustive, so without a start value.
 * @throws {DomainError} `pots-too-many`, `pot-not-plausible`, `coats-out-of-range`, `reading-above-surface`, `lightness-out-of-range`
 */
export const planCrown = (
  zones: readonly Zone[],
  pots: readonly Pot[],
  options: PlanOptions = {},
): { readonly zones: readonly ZonePlan[]; readonly score: number } => planned(zones, pots, options, PER_POT)

/** @param perPot what every pot of the whole set costs */
function planned(
  zones: readonly Zone[],
  pots: readonly Pot[],
  { maxCoats = USUAL_COATS, specular = 'excluded' }: PlanOptions,
  perPot: number,
) {
  check(pots, maxCoats)
  for (const { block, target } of zones) {
    checkLab(block, 'blockLab')
    checkLab(target, 'targetLab')
  }
  const mixes = mixedFilms(pots, maxCoats)
  const all = zones.map((zone) => tried(zone, mixes, specular))
  const within = all.map(({ best }) => bestWithin(best, pots.length))
  let chosen: { readonly score: number; readonly plans: readonly Candidate[] } | undefined
  for (let set = 0; set < 1 << pots.length; set++) {
    if (count(set) > MOST_IN_CROWN) continue
    const plans = within.map((best) => best[set]!)
    const score = plans.reduce((sum, plan) => sum + plan.score, 0) + perPot * count(set)
    if (!chosen || score < chosen.score - SAME) chosen = { score, plans }
  }
  return {
    score: chosen!.score,
    zones: zones.map((zone, n) => {
      const { quarters, colour, difference, score } = chosen!.plans[n]!
      const coats = quarters.map((quarter) => quarter / STEPS_PER_COAT)
      const by = (factor: number) =>
        colourDifference(
          stainedColour(
            zone.block,
            coats.map((x, pot) => ({ pot: pots[pot]!, coats: x * factor })),
            specular,
          ),
          zone.target,
        )
      const verdict = verdictOf(difference)
      const { lightest } = all[n]!
      return {
        zone: zone.name,
        coats,
        colour,
        difference,
        score,
        verdict,
        cannotBeLifted: verdict === 'outOfReach' && zone.target.L > lightest,
        lightest,
        mix: mixSheet(quarters),
        thinner: by(0.8),
        thicker: by(1.2),
      }
    }),
  }
}

/** A recipe in parts: quarters of each pot and of clear extender, in whole coats. */
export function mixSheet(quarters: readonly number[]): MixSheet {
  const sum = quarters.reduce((all, each) => all + each, 0)
  const coats = Math.ceil(sum / STEPS_PER_COAT)
  const clear = STEPS_PER_COAT * coats - sum
  const whole = [...quarters, clear].reduce(divisor, 0) || 1
  return { parts: quarters.map((each) => each / whole), clear: clear / whole, coats }
}
const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b))

/** Blocks for a target, the best first: what is not seen, then what is acceptable, then the rest; by score. */
export function compareBlocks(
  blocks: readonly { readonly name: string; readonly block: Lab }[],
  target: Lab,
  pots: readonly Pot[],
  options?: PlanOptions,
): readonly ZonePlan[] {
  const order: readonly ColourVerdict[] = ['notSeen', 'acceptable', 'outOfReach']
  return blocks
    .map(({ name, block }) => planZone({ name, block, target }, pots, options))
    .sort((a, b) => order.indexOf(a.verdict) - order.indexOf(b.verdict) || a.score - b.score)
}
