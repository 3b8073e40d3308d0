import { type Route, recordedMix } from '../route/index.ts'
import type { Carried, CarriedStep } from './carried.ts'
import { freshStep, type StepState } from './step-state.ts'

/** What of a job may be carried into another case: every step but those that are done again; its entries counted anew, in their order. */
export function carriedOf(
  route: Route,
  steps: Readonly<Record<string, StepState>>,
  again: ReadonlySet<string>,
): Carried {
  const kept = route.steps.flatMap(({ id }) => {
    const step = steps[id]
    return step && !again.has(id) && (step.status === 'done' || step.status === 'skipped')
      ? [{ id, step }]
      : []
  })
  const order = kept
    .flatMap(({ step }) => [...step.readings, ...step.mixes, ...step.sheets].map(({ sequence }) => sequence))
    .sort((one, other) => one - other)
  const numbers = new Map(order.map((sequence, index) => [sequence, index + 1]))
  return kept.map(({ id, step }): CarriedStep => {
    const number = (sequence: number) => numbers.get(sequence)!
    const took = (sequence: number) => (step.accepted.includes(sequence) ? { accepted: true } : {})
    return {
      stepId: id,
      ...(step.status === 'done'
        ? {
            startedAt: step.startedAt,
            startedBy: step.startedBy,
            ...(step.outOfTimeReason ? { outOfTimeReason: step.outOfTimeReason } : {}),
          }
        : { skipReason: step.skipReason }),
      finishedAt: step.finishedAt,
      finishedBy: step.finishedBy,
      readings: step.readings.map(({ sequence, at, by, checkId, tooth, value, answer }) => ({
        ...{ sequence: number(sequence), at, by, checkId },
        ...(tooth === undefined ? {} : { tooth: tooth as never }),
        ...(value === undefined ? {} : { value }),
        ...(answer === undefined ? {} : { answer }),
        ...took(sequence),
      })),
      mixes: step.mixes.map(({ corrected: _corrected, ...mix }) =>
        mixOf({ ...mix, sequence: number(mix.sequence) }),
      ),
      sheets: step.sheets.map(({ sequence, at, by, sheetId, sheet }) => ({
        ...{ sequence: number(sequence), at, by, sheetId, sheet },
        ...took(sequence),
      })),
    }
  })
}

/** Only what a mix says of itself. */
function mixOf(mix: CarriedStep['mixes'][number]): CarriedStep['mixes'][number] {
  const known = new Set(['sequence', 'at', 'by', ...Object.keys(recordedMix)])
  return Object.fromEntries(
    Object.entries(mix).filter(([name, value]) => known.has(name) && value !== undefined),
  ) as never
}

/**
 * The steps of a job as an earlier case left them. What was entered there has negative sequences, in its order: it is corrected
 * and withdrawn in that case, never here.
 */
export function carriedSteps(carried: Carried): Readonly<Record<string, StepState>> {
  const all = carried.flatMap(({ readings, mixes, sheets }) => [...readings, ...mixes, ...sheets])
  const last = Math.max(0, ...all.map(({ sequence }) => sequence)) + 1
  const before = <T extends { readonly sequence: number }>(each: T): T => ({
    ...each,
    sequence: each.sequence - last,
  })
  return Object.fromEntries(
    carried.map(({ stepId, readings, mixes, sheets, startedAt, startedBy, skipReason, ...ended }) => {
      const accepted = [...readings, ...sheets].flatMap((each) =>
        each.accepted ? [each.sequence - last] : [],
      )
      const entries = {
        ...freshStep,
        readings: readings.map(before),
        mixes: mixes.map(before),
        sheets: sheets.map(before),
        accepted,
      }
      const step: StepState =
        skipReason === undefined
          ? {
              ...entries,
              ...ended,
              status: 'done',
              startedAt: startedAt ?? ended.finishedAt,
              startedBy: startedBy ?? ended.finishedBy,
            }
          : { ...entries, ...ended, status: 'skipped', skipReason }
      return [stepId, step]
    }),
  )
}
