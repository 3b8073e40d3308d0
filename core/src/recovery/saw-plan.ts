import { sawDepth } from '../curing/index.ts'
import { qty, type Saying, saying } from '../quantity/index.ts'
import { DomainError, requireWithin } from '../refusal/index.ts'
import { figure, maybe, type Of, record } from '../shape/index.ts'

/** A denture on its cast, whose stone is sawn in pieces from the base. */
export type RecoveredArch = 'upper' | 'lower'

/** Deeper, straight down from its border, stone holds the flange: nothing bears on it, and the front is cut once more (choice). */
export const HELD_UNDERCUT_MILLIMETRES = 0.5

const stone = figure(-1e6, 1e6, { example: 12 })
/** The stone between the base of the cast and the denture, at the thinner side, mm; measured on the cast, best before it is flasked. */
export const stoneHeightsShape = record({
  /** Over the vault of an upper, beside the tongue in a lower: the thinnest. */
  middle: stone,
  canines: stone,
  /** Tuberosities, or the pads behind the last molar. */
  ends: stone,
  /** In front, only where it is cut too. */
  midline: maybe(stone),
  /** At the outer flange in front, by gauge or eye; 0: none. */
  labialUndercut: figure(-1e6, 1e6, { example: 0 }),
})
export type StoneHeights = Of<typeof stoneHeightsShape>
export type SawPlace = Exclude<keyof StoneHeights, 'labialUndercut'>

/** A cut of the plan, in its order. */
export interface SawCut {
  readonly at: SawPlace
  readonly name: string
  readonly stoneMillimetres: number
  /** At most; 0: too thin to saw. */
  readonly depthMillimetres: number
}

/** How a cast is sawn off a denture. */
export interface SawPlan {
  readonly cuts: readonly SawCut[]
  /** What the hands do, in order. */
  readonly order: readonly Saying[]
  /** The outer flange is held by stone: no lever bears on it. */
  readonly flangeHeld: boolean
}

const placeNames: Readonly<Record<RecoveredArch, Readonly<Record<SawPlace, string>>>> = {
  upper: { middle: 'Vault', canines: 'Both canines', ends: 'Both tuberosities', midline: 'Midline' },
  lower: {
    middle: 'Tongue side',
    canines: 'Both canines',
    ends: 'Both ends, behind the last molar',
    midline: 'Midline',
  },
}
export const sawPlaceName = (arch: RecoveredArch, place: SawPlace): string => placeNames[arch][place]

/**
 * The cuts, how deep each may go, and the order of the pieces.
 * @param heights stone in mm, 0 to 60; the undercut 0 to 10
 * @throws {DomainError} `reading-not-plausible`; `midline-missing`: the flange is held, and the front is not measured
 * Source: common practice: traced first, the middle out first and by its own cut, pieces inwards and then down, stone wedged
 * against stone; the depths leave what `sawDepth` leaves. A survey by scan says it more exactly.
 */
export function sawPlan(arch: RecoveredArch, heights: StoneHeights): SawPlan {
  const { labialUndercut, midline } = heights
  requireWithin(labialUndercut, {
    least: 0,
    most: 10,
    kind: 'millimetres',
    what: 'The undercut',
    field: 'labialUndercut',
  })
  const flangeHeld = labialUndercut > HELD_UNDERCUT_MILLIMETRES
  if (flangeHeld && midline === undefined)
    throw new DomainError(
      'midline-missing',
      saying`With ${qty.mm(labialUndercut)} of undercut the front stays locked as one piece.`,
      'Measure the stone at the midline too: it is cut there.',
      'midline',
    )
  const places: readonly SawPlace[] = [
    'middle',
    'canines',
    ...(flangeHeld ? (['midline'] as const) : []),
    'ends',
  ]
  const cuts = places.map((at): SawCut => {
    const stoneMillimetres = heights[at]!
    const name = placeNames[arch][at]
    requireWithin(stoneMillimetres, {
      least: 0,
      most: 60,
      kind: 'millimetres',
      what: `Stone, ${name}`,
      field: at,
    })
    return { at, name, stoneMillimetres, depthMillimetres: sawDepth(stoneMillimetres) }
  })
  const middle = arch === 'upper' ? 'palate' : 'tongue'
  return {
    cuts,
    flangeHeld,
    order: [
      'Trace the cuts on the base; saw under running water.',
      ...cuts.flatMap(({ at, name, depthMillimetres }) =>
        at !== 'middle' && depthMillimetres === 0 ? `${name}: too thin to saw. Leave it to the chisel.` : [],
      ),
      cuts[0]!.depthMillimetres > 0
        ? `The ${middle} block first: split it by its own cut, never prise it out whole.`
        : `The ${middle} block first: too thin to saw, so chip it away from its middle.`,
      'Then between the cuts: wedge stone against stone, a little at every cut, never one way only.',
      'Each piece inwards first, then down.',
      ...(flangeHeld ? ['Nothing bears on the outer flange: the stone holds it. Never lever outwards.'] : []),
      'What is left: chisel, shell, citrate.',
    ],
  }
}
