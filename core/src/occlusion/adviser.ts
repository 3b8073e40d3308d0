import { qty, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import type { Remount, RemountAdvice } from './advice.ts'
import { standsInTheWay } from './before-grinding.ts'
import { inPhase } from './grind-next.ts'
import { pairOf } from './mark-pair.ts'
import { biteOf, phaseOf } from './remount-phase.ts'

/** Lower than this is a wrong reading, mm. */
const PIN_LEAST_MILLIMETRES = -1

/**
 * What to do next in a remount: reseat, clear, relieve, ask or check before anything is ground; then centric until pin and
 * contacts coincide, right, left, forwards, and centric once more.
 *
 * @throws {DomainError} `pin-negative`, `unknown-tooth`, `region-not-on-tooth`, `mark-pair`, of `toothOpening`
 * Source: Schuyler, recalled; common practice; each answer names its own.
 * Limits: teeth and bases are rigid; real paper marks wider and misses wet spots. The dentist decides on bite and vertical dimension.
 */
export function adviseRemount(remount: Remount): RemountAdvice {
  const { situation, marks } = remount
  checkPin(situation.pinMillimetres)
  const pairs = marks.map((mark, index) => pairOf(mark, index, situation.crossbite))
  const phase = phaseOf(situation)
  const noted = marks.flatMap(({ bite }, index) => (bite === biteOf(phase) ? [] : [index]))
  const ask = standsInTheWay(situation, pairs, phase)
  return { keep: [], noted, phase, ...(ask ?? inPhase(remount, pairs, phase)) }
}

function checkPin(pin: number): void {
  if (!Number.isFinite(pin))
    throw new DomainError(
      'not-a-number',
      'The pin reading is not a number.',
      'Read the pin again.',
      'pinMillimetres',
    )
  if (pin < PIN_LEAST_MILLIMETRES)
    throw new DomainError(
      'pin-negative',
      saying`The pin stands ${qty.mm(-pin)} below its set-up reading.`,
      'Look whether a tooth came out or the denture is not home, and read it again.',
      'pinMillimetres',
    )
}
