import { COMMON_PRACTICE } from '../materials/index.ts'
import { qty, type Saying, saying } from '../quantity/index.ts'
import type { Found, Remount, RemountAction } from './advice.ts'
import { type GrindingRule, grindingRule } from './grinding-rules.ts'
import { type Pair, roleOf } from './mark-pair.ts'
import {
  archOf,
  isFrontTooth,
  isSupportingTip,
  type Place,
  placeOf,
  regionName,
  sideOf,
  supportingTip,
} from './regions.ts'
import type { RemountPhase, RemountSituation, Strength } from './remount-data.ts'
import { biteOf, LEAST_STOPS, PIN_DOWN_MILLIMETRES, remountIsRight } from './remount-phase.ts'
import { openingAtTooth } from './tooth-opening.ts'

/** One round of grinding in centric and in a movement, mm (choice). */
const ROUND_CENTRIC = 0.15
const ROUND_MOVEMENT = 0.1
const LEAST_WORKING_POSTERIORS = 2

const names: Readonly<Record<RemountPhase, string>> = {
  centric: 'centric',
  right: 'the movement to the right',
  left: 'the movement to the left',
  protrusive: 'the movement forwards',
  centricAgain: 'centric once more',
}

/** What the marks of the bite that is worked on ask for. */
export function inPhase(remount: Remount, pairs: readonly Pair[], phase: RemountPhase): Found {
  const { situation } = remount
  if (remountIsRight(situation))
    return {
      action: 'finish',
      rule: 'D1',
      say: 'Pin and contacts are right: smooth the ground spots with rubber points, then paste if it is used here.',
      reason: 'Nothing is left that strikes early.',
      source: COMMON_PRACTICE,
      afterwards: 'After that look at centric once more.',
    }
  const here = pairs.filter(({ bite }) => bite === biteOf(phase))
  const pinIsDown = situation.pinMillimetres <= PIN_DOWN_MILLIMETRES
  if (phase === 'centric' && pinIsDown && !situation.posteriorStops)
    return {
      action: 'countStops',
      say: 'The pin is down. Count the back teeth of each side that hold foil.',
      reason: saying`Pin and contacts must coincide: ${LEAST_STOPS} stops a side or more, even.`,
      source: 'common practice; foil of 8 to 12 µm',
      afterwards: 'Then the movements.',
    }
  if (here.length === 0)
    return {
      action: 'mark',
      say: saying`Mark ${names[phase]} with paper.`,
      reason: 'What is marked first strikes first.',
      source: COMMON_PRACTICE,
      afterwards: 'Touch each mark on the drawing.',
    }
  const tip = phase === 'centric' || phase === 'centricAgain' ? highTip(situation, pairs) : undefined
  if (tip) return tip
  return enough(situation, here, phase) ?? grindFirst(remount, here, phase)
}

/** The other school: a supporting tip that is high in centric, working and balancing is reduced at the tip, with the lead's consent. */
function highTip({ tipConsent, crossbite }: RemountSituation, pairs: readonly Pair[]): Found | undefined {
  if (!tipConsent) return undefined
  const isTip = ({ tooth, region }: Place) => isSupportingTip(archOf(tooth), region, crossbite)
  const tips = pairs.flatMap(({ upper, lower, mark, bite }) =>
    [upper, lower].filter(isTip).map((at) => ({ at, mark, bite })),
  )
  const bitesOf = (tooth: number) =>
    new Set(tips.filter(({ at }) => at.tooth === tooth).map(({ bite }) => bite))
  const high = tips.find(({ at, bite }) => {
    const marked = bitesOf(at.tooth)
    return bite === 'centric' && marked.has('right') && marked.has('left')
  })
  return (
    high && {
      action: 'grind',
      rule: 'T1',
      mark: high.mark,
      at: high.at,
      roundMillimetres: ROUND_MOVEMENT,
      say: saying`Reduce the tip itself, ${regionName(high.at.region, high.at.tooth)} of ${{ tooth: high.at.tooth }}, a little.`,
      reason:
        'High in centric, working and balancing: by this school the tip is reduced, and the lead has agreed.',
      source: 'Schuyler, recalled: another school',
      afterwards: 'Mark all three again.',
    }
  )
}

/** Where contact is wanted and there: nothing more is ground. */
function enough(situation: RemountSituation, here: readonly Pair[], phase: RemountPhase): Found | undefined {
  const kept = (say: Saying, reason: Saying, action: RemountAction = 'keep'): Found => ({
    action,
    say,
    reason,
    source: COMMON_PRACTICE,
    afterwards: saying`Say that ${names[phase]} is right, and go on.`,
  })
  if (phase === 'right' || phase === 'left') {
    const working = here.filter((pair) => sideOf(pair.marked.tooth) === phase)
    const posteriors = new Set(
      working.filter(({ marked }) => !isFrontTooth(marked.tooth)).map(({ marked }) => placeOf(marked.tooth)),
    )
    const canine = working.some(({ marked }) => placeOf(marked.tooth) === 3)
    const fronts = here.some(({ marked }) => placeOf(marked.tooth) < 3)
    if (posteriors.size >= LEAST_WORKING_POSTERIORS && canine && !fronts && !situation.workingHeldApart)
      return kept(
        saying`Canine and ${posteriors.size} back teeth mark together: this side is right.`,
        'That is what the working side is ground to.',
      )
    if (posteriors.size >= LEAST_WORKING_POSTERIORS && situation.pinOnTable && !situation.workingHeldApart)
      return kept(
        'The canine is short with the pin on its table: leave it.',
        'Lowering the back teeth further would cost height; note it.',
        'leave',
      )
    const balancing = here.filter((pair) => roleOf(pair) === 'balancing')
    if (balancing.length === here.length && !situation.workingHeldApart)
      return kept(
        'Only the balancing side marks: keep it.',
        'Contact is wanted there, unless it holds the working side apart.',
      )
  }
  if (phase === 'protrusive') {
    const sides = new Set(
      here.filter(({ marked }) => !isFrontTooth(marked.tooth)).map(({ marked }) => sideOf(marked.tooth)),
    )
    if (sides.size === 2 && here.some(({ marked }) => isFrontTooth(marked.tooth)))
      return kept('Front and both sides touch together: forwards is right.', 'That is what it is ground to.')
  }
  return undefined
}

const weight: Readonly<Record<Strength, number>> = { heavy: 0, medium: 1, light: 2 }

/** Front teeth first, then the heaviest, then the one furthest back: it holds the most. */
function grindFirst(remount: Remount, here: readonly Pair[], phase: RemountPhase): Found {
  const { situation } = remount
  const inTurn = [...here]
    // A balancing contact is ground only where it holds the working side apart.
    .filter((pair) => roleOf(pair) !== 'balancing' || situation.workingHeldApart)
    .sort(
      (one, other) =>
        Number(isFrontTooth(other.marked.tooth)) - Number(isFrontTooth(one.marked.tooth)) ||
        weight[one.strength] - weight[other.strength] ||
        placeOf(other.marked.tooth) - placeOf(one.marked.tooth),
    )
  const [pair = here[0]!] = inTurn
  const rule = grindingRule(pair.bite, pair.upper.region, pair.lower.region, situation.crossbite)
  const { upper, lower } = pair
  const keep = [
    {
      tooth: upper.tooth,
      region: isFrontTooth(upper.tooth)
        ? ('incisalEdge' as const)
        : supportingTip('upper', situation.crossbite),
    },
    ...(isFrontTooth(lower.tooth)
      ? []
      : [{ tooth: lower.tooth, region: supportingTip('lower', situation.crossbite) }]),
  ]
  const common = {
    mark: pair.mark,
    rule: rule.rule,
    source: rule.source,
    keep,
    ...(pair.assumed ? { assumed: pair.assumed } : {}),
  }
  const side = sideToGrind(rule, pair, situation)
  if (side === undefined)
    return {
      ...common,
      action: 'askDentist',
      at: pair.marked,
      say: saying`Nothing may be ground between ${{ tooth: upper.tooth }} and ${{ tooth: lower.tooth }}: ask the dentist.`,
      reason:
        rule.grind === 'none'
          ? rule.why
          : 'What could give way is a natural tooth, and that is never ground here.',
      afterwards: 'Reset the tooth, or accept the bite as it is?',
    }
  const [at, other] = side === 'upper' ? [upper, lower] : [lower, upper]
  return {
    ...common,
    ...amounts(remount, at.tooth, phase),
    action: 'grind',
    at: { ...at, ...(pair.slope && at === pair.marked ? { slope: pair.slope } : {}) },
    say: saying`${regionName(at.region, at.tooth)} of ${{ tooth: at.tooth }}, where the ${regionName(other.region, other.tooth)} of ${{ tooth: other.tooth }} strikes.`,
    reason: rule.grind === side ? rule.why : 'A natural tooth is never ground: the denture gives way.',
    afterwards:
      biteOf(phase) === 'centric'
        ? 'Mark again with fresh paper and read the pin.'
        : saying`Shallow within ${qty.mm(0.3)} of a centric stop, then look at that stop in centric again.`,
  }
}

/** The side that gives way; where it is a natural tooth, the other one, if nothing protects that. */
function sideToGrind(
  { grind }: GrindingRule,
  pair: Pair,
  { dentures = 'both', crossbite }: RemountSituation,
): 'upper' | 'lower' | undefined {
  if (grind === 'none') return undefined
  if (dentures === 'both' || dentures === grind) return grind
  const { region } = pair[dentures]
  const protectedPlace =
    isSupportingTip(dentures, region, crossbite) || (dentures === 'upper' && region === 'incisalEdge')
  return protectedPlace ? undefined : dentures
}

function amounts(
  { situation, articulator, toothFromAxisMillimetres }: Remount,
  tooth: number,
  phase: RemountPhase,
) {
  if (biteOf(phase) !== 'centric') return { roundMillimetres: ROUND_MOVEMENT }
  const total = openingAtTooth(articulator, situation.pinMillimetres, tooth, toothFromAxisMillimetres)
  const round = Math.min(Math.max(total, 0), ROUND_CENTRIC)
  return {
    totalMillimetres: total,
    roundMillimetres: round,
    rounds: Math.ceil(Math.max(total, 0) / ROUND_CENTRIC - 1e-9),
  }
}
