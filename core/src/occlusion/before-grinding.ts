import { COMMON_PRACTICE } from '../materials/index.ts'
import { qty, saying } from '../quantity/index.ts'
import type { Found } from './advice.ts'
import { impossible, type Pair } from './mark-pair.ts'
import { type Place, regionName } from './regions.ts'
import type { RemountPhase, RemountSituation } from './remount-data.ts'
import { biteOf, PIN_ASK_MILLIMETRES, PIN_DOWN_MILLIMETRES, stopsAreRight } from './remount-phase.ts'

/** In one place, and from one tooth that still marks alone, mm (choice). */
const MOST_IN_ONE_PLACE = 1
const MOVED_TOOTH = 0.5

/** What comes before any grinding; the first that applies. */
export function standsInTheWay(
  situation: RemountSituation,
  pairs: readonly Pair[],
  phase: RemountPhase,
): Found | undefined {
  const { seated, fixing, flash, baseTouches, pinMillimetres: pin, posteriorStops: stops } = situation
  if (!seated || fixing === 'tape')
    return {
      action: 'reseat',
      rule: 'S1',
      say: seated
        ? 'Take the tape off, fix it with glue or compound.'
        : 'Seat it again: home, without a rock.',
      reason: seated ? 'Tape hides a gap.' : 'A gap at the mounting is a false bite.',
      source: COMMON_PRACTICE,
      afterwards: 'Then read the pin again.',
    }
  if (flash)
    return {
      action: 'clearFlash',
      rule: 'S2',
      say: 'Pick the flash off the biting surfaces, without touching a tooth.',
      reason: 'A crumb on a cusp reads as an open pin.',
      source: COMMON_PRACTICE,
      afterwards: 'Then read the pin and mark again.',
    }
  if (baseTouches)
    return {
      action: 'relieveBase',
      rule: 'S3',
      say: 'Relieve the base at the heels, not a tooth.',
      reason: 'Where bases touch, the teeth cannot.',
      source: COMMON_PRACTICE,
      afterwards: 'Then read the pin and mark again.',
    }
  if (pin > Math.max(PIN_ASK_MILLIMETRES, situation.acceptedMillimetres ?? 0))
    return {
      action: 'askDentist',
      rule: 'S4',
      say: saying`The pin stands open by ${qty.mm(pin)}: ask the dentist before anything is ground.`,
      reason: saying`Up to ${qty.mm(PIN_ASK_MILLIMETRES)} is expected; more means something else has happened.`,
      source: COMMON_PRACTICE,
      afterwards: 'Grind it in, or process again?',
    }
  if (pin < -PIN_DOWN_MILLIMETRES || (pin <= PIN_DOWN_MILLIMETRES && stops && !stopsAreRight(stops)))
    return {
      action: 'askDentist',
      rule: 'D3',
      say:
        pin < -PIN_DOWN_MILLIMETRES
          ? saying`The pin is ${qty.mm(-pin)} lower than it was: the teeth hang clear of each other. Ask the dentist.`
          : saying`The pin is down and the stops are not even, ${stops?.right ?? 0} right and ${stops?.left ?? 0} left: ask the dentist.`,
      reason: 'Grinding further loses height. Reset a tooth, or accept it as it is?',
      source: COMMON_PRACTICE,
      afterwards: 'Nothing is ground until there is an answer.',
    }
  return (
    taken(situation, pairs, phase) ??
    pairs.map((pair) => wrongMark(pair, situation)).find((found) => found !== undefined)
  )
}

/** Too much off one place, or one tooth that goes on marking alone. */
function taken(
  { removed = [] }: RemountSituation,
  pairs: readonly Pair[],
  phase: RemountPhase,
): Found | undefined {
  const sum = (is: (each: Place) => boolean) =>
    removed.filter(is).reduce((all, { millimetres }) => all + millimetres, 0)
  const much = removed.find(
    ({ tooth, region }) => sum((each) => each.tooth === tooth && each.region === region) > MOST_IN_ONE_PLACE,
  )
  const marking = pairs.filter(({ bite }) => bite === biteOf(phase))
  const [lone] = marking
  const alone =
    lone &&
    marking.every((pair) => pair.upper.tooth === lone.upper.tooth && pair.lower.tooth === lone.lower.tooth) &&
    [lone.upper, lone.lower].find(({ tooth }) => sum((each) => each.tooth === tooth) >= MOVED_TOOTH)
  const at = much ?? (alone || undefined)
  if (!at) return undefined
  return {
    action: 'askDentist',
    rule: 'D4',
    at: { tooth: at.tooth, region: at.region },
    say: much
      ? saying`More than ${qty.mm(MOST_IN_ONE_PLACE)} is off the ${regionName(at.region, at.tooth)} of ${{ tooth: at.tooth }}: ask the dentist.`
      : saying`${qty.mm(MOVED_TOOTH)} is off ${{ tooth: at.tooth }} and it still marks alone: ask the dentist.`,
    reason: 'It has moved in the flask: reset or replace it, do not grind it away.',
    source: COMMON_PRACTICE,
    afterwards: 'Nothing is ground until there is an answer.',
  }
}

function wrongMark(pair: Pair, { crossbite }: RemountSituation): Found | undefined {
  const why = impossible(pair, crossbite)
  return why === undefined
    ? undefined
    : {
        action: 'checkMark',
        rule: 'E4',
        mark: pair.mark,
        at: pair.marked,
        say: saying`This mark on ${{ tooth: pair.marked.tooth }} cannot be. Clean, dry, and mark again with fresh paper.`,
        reason: why,
        source: COMMON_PRACTICE,
        afterwards: 'Then enter what the fresh paper shows.',
      }
}
