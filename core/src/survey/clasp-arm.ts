import { qty, type Saying, saying, toRadians } from '../quantity/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'
import { byTag, choice, figure, maybe, type Of, record } from '../shape/index.ts'

/** What arms are made of: modulus GPa; the stress MPa, or the strain, at which it bends for good. */
export const armMaterials = {
  steel: { name: 'hard steel wire', gigapascals: 180, yieldMegapascals: 1200 },
  cobaltWire: { name: 'cobalt-chromium-nickel wire', gigapascals: 184, yieldMegapascals: 1413 },
  goldWire: { name: 'gold wire', gigapascals: 100, yieldMegapascals: 700 },
  castCobalt: { name: 'cast cobalt-chromium', gigapascals: 220, yieldMegapascals: 600 },
  castGold: { name: 'type 4 gold', gigapascals: 95, yieldMegapascals: 490 },
  copolyester: { name: 'clear copolyester', gigapascals: 1.9, mostStrain: 0.02 },
  acetal: { name: 'acetal', gigapascals: 2.8, mostStrain: 0.02 },
  polyamide: { name: 'polyamide', gigapascals: 1.4, mostStrain: 0.04 },
} as const satisfies Readonly<
  Record<
    string,
    { readonly name: string; readonly gigapascals: number } & (
      | { readonly yieldMegapascals: number }
      | { readonly mostStrain: number }
    )
  >
>
/** Where their figures come from. */
export const ARM_MATERIAL_SOURCE =
  'Phillips, recalled and rounded; plastics by snap-fit rules for repeated use, recalled (choice). The sheet of the maker wins.'
export type ArmMaterialId = keyof typeof armMaterials
export const armMaterialIds = Object.keys(armMaterials) as readonly ArmMaterialId[]

const mm = (example: number) => figure(-1e6, 1e6, { example })
const length = byTag('shape', {
  straight: record({ shape: choice(['straight']), freeMillimetres: mm(15) }),
  arc: record({
    shape: choice(['arc']),
    radiusMillimetres: mm(5),
    degrees: figure(-1e6, 1e6, { example: 120 }),
  }),
})
const section = byTag('section', {
  round: record({ section: choice(['round']), millimetres: mm(0.9), tipMillimetres: maybe(mm(0.6)) }),
  strip: record({ section: choice(['strip']), widthMillimetres: mm(4), thickMillimetres: mm(1.2) }),
})
/** An arm held where it leaves the resin: its free length counts from there. */
export const claspArmShape = record({
  material: choice(armMaterialIds),
  /** In place of the usual one of its material. */
  gigapascals: maybe(figure(-1e6, 1e6, { example: 180 })),
  run: length,
  cut: section,
  /** How far its tip is bent outwards: the depth of the undercut that it sits in. */
  deflectionMillimetres: mm(0.5),
})
export type ClaspArm = Of<typeof claspArmShape>

export type ArmVerdict = 'springs' | 'bendsForGood' | 'takesASet'
export interface ArmLoad {
  /** At the tip, while it passes. */
  readonly newtons: number
  readonly newtonsPerMillimetre: number
  /** The most anywhere along it: MPa of a metal, strain of a plastic. */
  readonly stressMegapascals: number
  readonly strain: number
  /** From the tip. */
  readonly worstAtMillimetres: number
  /** The deflection at which it no longer springs back. */
  readonly limitMillimetres: number
  /** Of its limit, 1 at the limit. */
  readonly share: number
  readonly verdict: ArmVerdict
}

/** Above this share of its limit an arm is warned of (choice). */
export const WARNED_SHARE = 0.8

/**
 * An arm as a cantilever with a force at its tip.
 *
 *     straight   F = 3 E I y/L³             σ = 3 E y d/(2 L²)
 *     arc R, φ   F = E I y/(R³ g)           g = φ/2 - sin 2φ/4, σ = 32 F R s/(π d³), s = sin φ up to 90°, then 1
 *     taper      F = 3π E d_tip d_root³ y/(64 L³), worst at x = min(L, L d_tip/(2 (d_root - d_tip))), σ = 32 F x/(π d(x)³)
 *     strip      I = b t³/12, strain = 3 y t/(2 L²); arc: y t s/(2 R² g)
 *
 * @throws {DomainError} `not-a-positive-number`, `taper-inverted`, `taper-on-an-arc`, `arc-out-of-range`
 * Source: beam theory, exact for small y. One point of contact, no slip sideways, no give of tooth or base: ±50 % as a force.
 */
export function armLoad(arm: ClaspArm): ArmLoad {
  const { material, deflectionMillimetres: y } = arm
  const modulus =
    requirePositive(arm.gigapascals ?? armMaterials[material].gigapascals, 'gigapascals', 'Modulus') * 1000
  requirePositive(y, 'deflectionMillimetres', 'Deflection', { orZero: true })
  const { perMillimetre, strainPerMillimetre, worstAt } = beam(arm, modulus)
  const strain = strainPerMillimetre * y
  const stress = strain * modulus
  const limits = armMaterials[material]
  const limit = 'mostStrain' in limits ? limits.mostStrain : limits.yieldMegapascals / modulus
  const share = strain / limit
  return {
    newtons: perMillimetre * y,
    newtonsPerMillimetre: perMillimetre,
    stressMegapascals: stress,
    strain,
    worstAtMillimetres: worstAt,
    limitMillimetres: limit / strainPerMillimetre,
    share,
    verdict: share > 1 ? 'takesASet' : share > WARNED_SHARE ? 'bendsForGood' : 'springs',
  }
}

/** Per mm of deflection: the force, and the strain at the skin where it is worst. */
function beam({ run, cut }: ClaspArm, modulus: number) {
  const round = cut.section === 'round'
  const thick = round
    ? requirePositive(cut.millimetres, 'millimetres', 'Diameter')
    : requirePositive(cut.thickMillimetres, 'thickMillimetres', 'Thickness')
  const second = round
    ? (Math.PI * thick ** 4) / 64
    : (requirePositive(cut.widthMillimetres, 'widthMillimetres', 'Width') * thick ** 3) / 12
  if (run.shape === 'arc') {
    const R = requirePositive(run.radiusMillimetres, 'radiusMillimetres', 'Radius')
    if (!(run.degrees > 0 && run.degrees <= MOST_ARC_DEGREES))
      throw new DomainError(
        'arc-out-of-range',
        saying`An arm does not run round ${qty.degrees(run.degrees)}.`,
        saying`Enter an angle above 0 and at most ${qty.degrees(MOST_ARC_DEGREES)}.`,
        'degrees',
      )
    if (round && cut.tipMillimetres !== undefined && cut.tipMillimetres !== thick)
      throw new DomainError(
        'taper-on-an-arc',
        'A tapered arm is reckoned straight only.',
        'Enter its free length, or leave the tip out.',
        'tipMillimetres',
      )
    const angle = toRadians(run.degrees)
    const g = angle / 2 - Math.sin(2 * angle) / 4
    const s = angle < Math.PI / 2 ? Math.sin(angle) : 1
    return {
      perMillimetre: (modulus * second) / (R ** 3 * g),
      strainPerMillimetre: (thick * s) / (2 * R ** 2 * g),
      worstAt: R * Math.min(angle, Math.PI / 2),
    }
  }
  const L = requirePositive(run.freeMillimetres, 'freeMillimetres', 'Free length')
  const tip = round ? requirePositive(cut.tipMillimetres ?? thick, 'tipMillimetres', 'Tip') : thick
  if (tip > thick)
    throw new DomainError(
      'taper-inverted',
      'The tip is thicker than the root.',
      'Enter the thickness at the resin first, the tip second.',
      'tipMillimetres',
    )
  if (tip === thick)
    return {
      perMillimetre: (3 * modulus * second) / L ** 3,
      strainPerMillimetre: (3 * thick) / (2 * L ** 2),
      worstAt: L,
    }
  const perMillimetre = (3 * Math.PI * modulus * tip * thick ** 3) / (64 * L ** 3)
  const worstAt = Math.min(L, (L * tip) / (2 * (thick - tip)))
  const there = tip + ((thick - tip) * worstAt) / L
  return {
    perMillimetre,
    strainPerMillimetre: (32 * perMillimetre * worstAt) / (Math.PI * there ** 3 * modulus),
    worstAt,
  }
}
/** Farther round, it closes on itself. */
const MOST_ARC_DEGREES = 200

/** One change alone that lets the arm spring back; undefined where that change alone is not enough. */
export interface ArmWays {
  /** mm of free length, or of arc. */
  readonly longerMillimetres: number | undefined
  readonly thinnerMillimetres: number
  readonly shallowerMillimetres: number
}

/** By how much longer, thinner or shallower an arm must be to stay under the share that is warned of. */
export function armWays(arm: ClaspArm): ArmWays {
  const { share } = armLoad(arm)
  const less = WARNED_SHARE / share
  const { run, cut } = arm
  const thick = cut.section === 'round' ? cut.millimetres : cut.thickMillimetres
  return {
    longerMillimetres: longer(arm),
    // Strain goes with the thickness, the whole taper thinned alike.
    thinnerMillimetres: thick * Math.min(1, less),
    shallowerMillimetres: arm.deflectionMillimetres * Math.min(1, less),
  }
  function longer(of: ClaspArm): number | undefined {
    if (run.shape === 'straight') return run.freeMillimetres * Math.sqrt(Math.max(1, share / WARNED_SHARE))
    const at = (degrees: number) => armLoad({ ...of, run: { ...run, degrees } } as ClaspArm).share
    if (at(MOST_ARC_DEGREES) > WARNED_SHARE) return undefined
    let [low, high] = [run.degrees, MOST_ARC_DEGREES]
    if (share <= WARNED_SHARE) high = low
    for (let n = 0; n < 40 && high - low > 1e-6; n++) {
      const middle = (low + high) / 2
      if (at(middle) > WARNED_SHARE) low = middle
      else high = middle
    }
    return run.radiusMillimetres * toRadians(high)
  }
}

/** What an arm does in its undercut, in words. */
export function armWords(arm: ClaspArm): Saying {
  const { verdict, share, newtons } = armLoad(arm)
  const about = saying`about ${newtons.toFixed(1)} N`
  if (verdict === 'springs')
    return saying`It springs back: at ${qty.percent(100 * share, 0)} of its limit, ${about}.`
  const { longerMillimetres, thinnerMillimetres, shallowerMillimetres } = armWays(arm)
  const ways = [
    ...(longerMillimetres === undefined ? [] : [saying`${qty.mm(longerMillimetres, 1)} free`]),
    saying`${qty.mm(thinnerMillimetres, 2)} thick`,
    saying`a gauge of ${qty.mm(shallowerMillimetres, 2)}`,
  ]
  const enough = ways.flatMap((way, n) => (n === 0 ? [way] : [n === ways.length - 1 ? ' or ' : ', ', way]))
  const fault = verdict === 'takesASet' ? 'It takes a set each time' : 'It bends for good before long'
  return saying`${fault}: at ${qty.percent(100 * share, 0)} of its limit. Any one is enough: ${enough.reduce<Saying>((all, part) => saying`${all}${part}`, '')}.`
}
