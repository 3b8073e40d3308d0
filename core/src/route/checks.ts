import { quantityKinds, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import {
  byTag,
  choice,
  figure,
  id,
  list,
  maybe,
  type Of,
  record,
  text,
  whole,
  yesNo,
} from '../shape/index.ts'
import { type Outcome, outcomeShape } from '../sheet/index.ts'
import { fdiInUniversalOrder } from '../teeth/index.ts'
import { checkMeanings } from './meanings.ts'

const base = {
  id: id(),
  name: text(120),
  /** How to look or measure. */
  how: text(1000),
  source: text(500),
  /** In a pair, asked once for each arch. */
  perArch: maybe(yesNo()),
  /** Read at each tooth of the order, or at each retainer of a bridge. */
  perTooth: maybe(choice(['each', 'retainers'])),
  /** How many readings must be on record, the last of which counts; 1 when not given. */
  readings: maybe(whole(1, 20)),
  /** What it is to those who read the record. */
  means: maybe(choice(checkMeanings)),
}
const limit = figure(-1e6, 1e6)

/** Devices that can read a check. */
const readers = ['press'] as const
export type ReadBy = (typeof readers)[number]

export const checkShape = byTag('kind', {
  /** A number against limits, both inclusive. */
  measure: record({
    ...base,
    quantity: choice(quantityKinds),
    min: maybe(limit),
    max: maybe(limit),
    below: maybe(outcomeShape),
    above: maybe(outcomeShape),
    /** The device that reads it, where one is connected. */
    readBy: maybe(choice(readers)),
    /** What can be real at all; anything else is a slip and is refused. */
    plausible: record({ min: limit, max: limit }),
  }),
  /** A look or a touch with a fixed set of answers. */
  observe: record({
    ...base,
    answers: list(record({ answer: text(120), outcome: outcomeShape }), 20, 1),
  }),
})
export type Check = Of<typeof checkShape>
export type CheckKind = Check['kind']
export type CheckOf<K extends CheckKind> = Extract<Check, { readonly kind: K }>

/** What is entered for a check: a value or an answer, by its kind. */
export interface CheckReading {
  readonly value?: number
  readonly answer?: string
}

/** A kind of check, whole. */
interface CheckKindModule<C extends Check> {
  /** Takes an entry, or refuses one that cannot be. @throws {DomainError} */
  readonly take: (check: C, reading: CheckReading) => CheckReading
  /** What a reading means by the limits or answers of the check. */
  readonly outcome: (check: C, reading: CheckReading) => Outcome
  /** What a careful technician reads. @param random numbers from 0 to 1, for the small spread of real work */
  readonly good: (check: C, random: () => number) => CheckReading
  /** What is wrong with it as written in a template, as sentences. */
  readonly faults: (check: C) => readonly string[]
  readonly outcomes: (check: C) => readonly (Outcome | undefined)[]
}

const checkKinds: { readonly [K in CheckKind]: CheckKindModule<CheckOf<K>> } = {
  measure: {
    take: ({ name, plausible: { min, max }, quantity: kind }, { value }) => {
      if (value === undefined || !Number.isFinite(value) || value < min || value > max)
        throw new DomainError(
          'reading-not-plausible',
          value === undefined
            ? `Nothing cannot be right for "${name}".`
            : saying`${{ value, kind }} cannot be right for "${name}".`,
          saying`Measure again and enter a number from ${{ value: min, kind }} to ${{ value: max, kind }}.`,
          'value',
        )
      return { value, answer: undefined }
    },
    outcome: ({ min, max, below, above, how }, { value = Number.NaN }) => {
      if (min !== undefined && !(value >= min)) return below ?? { verdict: 'adjust', say: how }
      if (max !== undefined && !(value <= max)) return above ?? { verdict: 'adjust', say: how }
      return { verdict: 'pass' }
    },
    good: ({ min, max, plausible }, random) => {
      // A mere reference is read somewhere in the middle of what can be real.
      const reference = min === undefined && max === undefined
      const low = min ?? (max === undefined ? plausible.min : Math.max(plausible.min, 0))
      const high = max ?? (min === undefined ? plausible.max : min * 1.1)
      const spread = (random() - 0.5) * (reference ? 0.1 : 0.4) * (high - low)
      return { value: Number(((low + high) / 2 + spread).toFixed(1)) }
    },
    faults: ({ id: checkId, min, max, below, above }) => [
      ...(min !== undefined && !below
        ? [`check ${checkId} does not say what to do with a reading below its limits`]
        : []),
      ...(max !== undefined && !above
        ? [`check ${checkId} does not say what to do with a reading above its limits`]
        : []),
    ],
    outcomes: ({ below, above }) => [below, above],
  },
  observe: {
    take: ({ name, answers }, { answer }) => {
      if (!answers.some((each) => each.answer === answer))
        throw new DomainError(
          'no-such-answer',
          `"${answer ?? ''}" is no answer to "${name}".`,
          `Choose: ${answers.map((each) => each.answer).join('; ')}.`,
          'answer',
        )
      return { answer, value: undefined }
    },
    outcome: ({ answers }, { answer }) =>
      answers.find((each) => each.answer === answer)?.outcome ?? { verdict: 'adjust', say: 'Check again.' },
    good: ({ answers }) => ({ answer: answers.find(({ outcome }) => outcome.verdict === 'pass')!.answer }),
    faults: ({ id: checkId, answers }) =>
      answers.some(({ outcome }) => outcome.verdict === 'pass') ? [] : [`check ${checkId} cannot be passed`],
    outcomes: ({ answers }) => answers.map(({ outcome }) => outcome),
  },
}
const kindOf = (check: Check) => checkKinds[check.kind] as unknown as CheckKindModule<Check>

/** An entry as it goes on record. @throws {DomainError} `reading-not-plausible`, `no-such-answer` */
export const takeReading = (check: Check, reading: CheckReading) => kindOf(check).take(check, reading)
export const readingOutcome = (check: Check, reading: CheckReading): Outcome =>
  kindOf(check).outcome(check, reading)
export const goodReading = (check: Check, random: () => number) => kindOf(check).good(check, random)

/** What is wrong with a check as written, and where its outcomes may lead. */
export const checkFaults = (check: Check) => kindOf(check).faults(check)
export const checkOutcomes = (check: Check) => kindOf(check).outcomes(check)

/** How many teeth a bridge of one pontic has: its ends carry it. */
const THREE_UNITS = 3

/** Along the arch from the right of the patient to the left. */
const alongArch = (a: number, b: number) => fdiInUniversalOrder.indexOf(a) - fdiInUniversalOrder.indexOf(b)

/**
 * The teeth at which a check is read; undefined stands for the whole piece, where it is not read tooth by tooth or the order names none.
 * @param teeth of the work authorisation, FDI
 */
export function teethOf({ perTooth }: Check, teeth: readonly number[]): readonly (number | undefined)[] {
  if (!perTooth || teeth.length === 0) return [undefined]
  // Of more units the order does not say which are pontics: all are looked at.
  if (perTooth === 'each' || teeth.length !== THREE_UNITS) return teeth
  const pontic = [...teeth].sort(alongArch)[1]
  return teeth.filter((tooth) => tooth !== pontic)
}
