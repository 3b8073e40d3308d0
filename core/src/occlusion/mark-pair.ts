import type { Saying } from '../quantity/index.ts'
import { saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import {
  archOf,
  type Bite,
  checkPlace,
  crossed,
  type Place,
  type Slope,
  sideOf,
  type ToothRegion,
} from './regions.ts'
import type { PaperMark, Strength } from './remount-data.ts'

/** A mark with what it strikes. */
export interface Pair {
  /** Which of the marks entered. */
  readonly mark: number
  readonly bite: Bite
  readonly strength: Strength
  readonly slope?: Slope
  readonly upper: Place
  readonly lower: Place
  /** Which of the two was marked. */
  readonly marked: Place
  /** The other one, where nobody has said it. */
  readonly assumed?: Place
}

/** The usual partner of a region, where only one side is marked (common practice; said as assumed). */
const partners: Readonly<Record<'upper' | 'lower', Readonly<Partial<Record<ToothRegion, ToothRegion>>>>> = {
  upper: {
    buccalTip: 'buccalOuter',
    buccalInner: 'buccalOuter',
    buccalOuter: 'buccalOuter',
    fossa: 'buccalTip',
    marginalRidge: 'buccalTip',
    lingualInner: 'buccalInner',
    lingualTip: 'fossa',
    lingualOuter: 'lingualInner',
    incisalEdge: 'incisalEdge',
    lingualFace: 'incisalEdge',
    labialFace: 'incisalEdge',
  },
  lower: {
    buccalTip: 'fossa',
    buccalInner: 'lingualInner',
    buccalOuter: 'buccalInner',
    fossa: 'lingualTip',
    marginalRidge: 'lingualTip',
    lingualInner: 'lingualOuter',
    lingualTip: 'lingualOuter',
    lingualOuter: 'lingualOuter',
    incisalEdge: 'lingualFace',
    lingualFace: 'incisalEdge',
    labialFace: 'lingualFace',
  },
}
/** Where the jaw has gone to the side, inner slopes meet others. */
const working: typeof partners = {
  upper: { lingualInner: 'lingualInner' },
  lower: { buccalInner: 'buccalInner' },
}

const opposite: Readonly<Record<number, number>> = { 1: 4, 2: 3, 3: 2, 4: 1 }

/** Of a movement to the side: whether the tooth works or balances. */
export function roleOf({ bite, marked }: Pick<Pair, 'bite' | 'marked'>): 'working' | 'balancing' | undefined {
  if (bite !== 'right' && bite !== 'left') return undefined
  return sideOf(marked.tooth) === bite ? 'working' : 'balancing'
}

/**
 * A mark with both its sides.
 * @throws {DomainError} `unknown-tooth`, `region-not-on-tooth`, `mark-pair`: with its own arch
 */
export function pairOf(mark: PaperMark, index: number, crossbite = false): Pair {
  const field = `marks[${index}]`
  checkPlace(mark.tooth, mark.region, field)
  const arch = archOf(mark.tooth)
  const marked = { tooth: mark.tooth, region: mark.region }
  const partner = mark.opposingTooth ?? opposite[Math.floor(mark.tooth / 10)]! * 10 + (mark.tooth % 10)
  const role = roleOf({ bite: mark.bite, marked })
  const uncrossed = crossbite ? crossed(mark.region) : mark.region
  const usual = (role === 'working' ? working[arch][uncrossed] : undefined) ?? partners[arch][uncrossed]!
  // A front tooth may strike a back one: then its partner's regions are those of a back tooth.
  const region = mark.opposingRegion ?? (crossbite ? crossed(usual) : usual)
  checkPlace(partner, region, `${field}.opposingTooth`)
  if (archOf(partner) === arch)
    throw new DomainError(
      'mark-pair',
      saying`${{ tooth: mark.tooth }} cannot strike ${{ tooth: partner }}: they stand in the same arch.`,
      'Enter the tooth of the other arch, or leave it out.',
      `${field}.opposingTooth`,
    )
  const other = { tooth: partner, region }
  return {
    mark: index,
    bite: mark.bite,
    strength: mark.strength,
    ...(mark.slope ? { slope: mark.slope } : {}),
    upper: arch === 'upper' ? marked : other,
    lower: arch === 'upper' ? other : marked,
    marked,
    ...(mark.opposingRegion === undefined || mark.opposingTooth === undefined ? { assumed: other } : {}),
  }
}

/** Why a mark cannot be what it says; undefined where it can. */
export function impossible(pair: Pair, crossbite = false): Saying | undefined {
  const { bite, marked, slope, upper, lower } = pair
  if (sideOf(upper.tooth) !== sideOf(lower.tooth))
    return saying`${{ tooth: upper.tooth }} and ${{ tooth: lower.tooth }} stand on different sides.`
  if (bite === 'protrusive' && slope === (archOf(marked.tooth) === 'upper' ? 'mesial' : 'distal'))
    return 'Forwards, an upper tooth is met on its distal slope and a lower one on its mesial slope.'
  const [u, l] = crossbite ? [crossed(upper.region), crossed(lower.region)] : [upper.region, lower.region]
  if (roleOf(pair) === 'working' && u.startsWith('lingual') && l.startsWith('buccal'))
    return 'On the working side the palatal cusp moves away from the lower cheek cusp.'
  return undefined
}
