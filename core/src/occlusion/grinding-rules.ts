import { COMMON_PRACTICE, type Source } from '../materials/index.ts'
import { type Bite, crossed, isFrontRegion, type ToothRegion } from './regions.ts'

/** What the rules say of one contact: what is ground, why, and who says so. */
export interface GrindingRule {
  readonly rule: string
  /** `none`: both sides are protected, the dentist is asked. */
  readonly grind: 'upper' | 'lower' | 'none'
  readonly why: string
  readonly source: Source
}

const SCHUYLER = `Schuyler, recalled, and ${COMMON_PRACTICE}`

interface Line extends GrindingRule {
  readonly when: (bite: Bite, upper: ToothRegion, lower: ToothRegion) => boolean
}
const line = (
  rule: string,
  when: Line['when'],
  grind: GrindingRule['grind'],
  why: string,
  source: Source = SCHUYLER,
): Line => ({ rule, when, grind, why, source })

const UB: readonly ToothRegion[] = ['buccalTip', 'buccalInner', 'buccalOuter']
const UL: readonly ToothRegion[] = ['lingualTip', 'lingualInner', 'lingualOuter']
const FM: readonly ToothRegion[] = ['fossa', 'marginalRidge']
const [LB, LL] = [UB, UL]
const front = isFrontRegion
const always = () => true

/** The first that fits counts; the last one fits all that is left, so the table is total. */
const lines: readonly Line[] = [
  line(
    'A3',
    (_, upper, lower) => upper === 'incisalEdge' && lower !== 'buccalTip',
    'lower',
    'The upper edge stands at a prescribed level: the lower gives way, on the lip half of an edge.',
  ),
  line('A3a', (_, upper) => upper === 'incisalEdge', 'none', 'Edge and carrying tip are both protected.'),
  line(
    'A2',
    (_, upper, lower) => front(upper) && lower === 'labialFace',
    'lower',
    'Frees front teeth that hold the back apart: the lower, towards the lip.',
  ),
  line(
    'A1',
    (_, upper) => front(upper),
    'upper',
    'Frees front teeth that hold the back apart: the upper, on its palatal face.',
  ),
  line(
    'A4',
    (_, upper, lower) => front(lower) && (upper === 'lingualTip' || lower === 'lingualFace'),
    'lower',
    'The carrying tip is kept.',
  ),
  line('A4', (_, __, lower) => front(lower), 'upper', 'The carrying tip is kept.'),
  line(
    'R5a',
    (_, upper, lower) => upper === 'lingualTip' && lower === 'buccalTip',
    'none',
    'Two carrying tips strike each other: a tooth has moved, or the bite has changed.',
  ),
  line(
    'R6',
    (bite, upper, lower) => bite === 'centric' && (upper === 'buccalTip' || lower === 'lingualTip'),
    'none',
    'No tip is ground in centric; such a contact means crossed or tilted teeth.',
  ),
  line(
    'R5b',
    (_, upper, lower) => UL.includes(upper) && lower === 'buccalTip',
    'upper',
    'The lower tip carries the bite, so the slope gives way.',
  ),
  line(
    'R5c',
    (_, upper, lower) => UL.includes(upper) && LB.includes(lower),
    'lower',
    'Both tips carry the bite, so the slope gives way and neither tip loses height.',
  ),
  line(
    'R1',
    (_, upper, lower) => FM.includes(upper) && LB.includes(lower),
    'upper',
    'Deepen the fossa or the ridge; the lower cheek cusp is kept.',
  ),
  line(
    'R3',
    (_, upper, lower) => UB.includes(upper) && LB.includes(lower),
    'upper',
    'Buccal of the upper: it does not carry the bite.',
  ),
  line(
    'R2',
    (_, upper, lower) => UL.includes(upper) && FM.includes(lower),
    'lower',
    'Deepen the fossa or the ridge; the upper palatal cusp is kept.',
  ),
  line(
    'R4',
    (_, upper, lower) => UL.includes(upper) && LL.includes(lower),
    'lower',
    'Lingual of the lower: it does not carry the bite.',
  ),
  line('R7', (_, upper) => UB.includes(upper), 'upper', 'Not carrying: buccal of the upper.'),
  line(
    'R7',
    (_, upper, lower) => FM.includes(upper) && LL.includes(lower),
    'lower',
    'Not carrying: lingual of the lower.',
  ),
  line(
    'R8',
    (bite) => bite === 'protrusive',
    'upper',
    'Neither is a cusp; distal of the upper in protrusion.',
    COMMON_PRACTICE,
  ),
  line('R8', always, 'lower', 'Neither is a cusp.', COMMON_PRACTICE),
]

/**
 * What to grind where an upper and a lower region meet. Total: one answer for every pair in every bite; it never names a
 * supporting tip or the upper incisal edge.
 *
 * @param crossbite prescribed: buccal and lingual change places in both
 * @example grindingRule('centric', 'fossa', 'buccalTip').grind // 'upper'
 * Source: Schuyler (BULL, supporting cusps), recalled, and common practice.
 */
export function grindingRule(
  bite: Bite,
  upper: ToothRegion,
  lower: ToothRegion,
  crossbite = false,
): GrindingRule {
  const [u, l] = crossbite ? [crossed(upper), crossed(lower)] : [upper, lower]
  const { rule, grind, why, source } = lines.find(({ when }) => when(bite, u, l))!
  return { rule, grind, why: crossbite ? why.replace(...swappedWords) : why, source }
}

/** The words of the reasons name the usual bite. */
const swappedWords = [
  /cheek|palatal|Buccal|Lingual|buccal|lingual/g,
  (word: string) =>
    ({
      cheek: 'tongue',
      palatal: 'cheek',
      Buccal: 'Lingual',
      Lingual: 'Buccal',
      buccal: 'lingual',
      lingual: 'buccal',
    })[word] ?? word,
] as const
