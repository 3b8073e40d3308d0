import { joined, qty, saying } from '../../quantity/index.ts'
import { record } from '../../shape/index.ts'
import {
  checkFinishedPair,
  type FinishedPair,
  finishedPairShape,
  inventedFinishedPair,
  type PairEntry,
  type PlannedModel,
  planPair,
} from '../../trimming/index.ts'
import { sheetKind, sheetOfShape } from '../sheet-kind.ts'
import { trimPlanSheet } from './trim-plan.ts'

/** The readings of a finished pair against the plan that it was trimmed by. */
export function pairLines(entry: PairEntry, pair: FinishedPair) {
  const { upper, lower } = planPair(entry)
  return checkFinishedPair(pair, plannedAngles(upper), plannedAngles(lower))
}

function plannedAngles({ plan }: PlannedModel) {
  return {
    sideDegrees: plan.sideAngleDegrees,
    ...(plan.front.kind === 'planes' ? { frontDegrees: plan.front.angleDegrees } : {}),
    heelDegrees: 180 - plan.heel.betaDegrees,
  }
}

/** Calipers and protractor on a finished pair. */
export const finishedPairSheet = sheetKind({
  kind: 'finishedPair',
  data: record({ pair: finishedPairShape }),
  wants: record({ planOf: sheetOfShape }),
  check: ({ pair }) => {
    const any = { sideDegrees: 0, frontDegrees: 0, heelDegrees: 0 }
    checkFinishedPair(pair, any, any)
  },
  faults: ({ pair }, { planOf }, recorded) => {
    const planned = recorded(planOf, trimPlanSheet)
    return planned
      ? pairLines(planned.entry, pair)
          .filter(({ pass }) => !pass)
          .map(({ name }) => name)
      : []
  },
  heldAgainst: ({ planOf }) => planOf,
  words: ({ pair }) =>
    saying`read, ${joined(pair.totalHeightsMillimetres.map((height) => saying`${qty.mm(height)}`))} high`,
  good: () => ({ pair: inventedFinishedPair }),
  failingExample: () => ({ pair: { ...inventedFinishedPair, basesTiltDegrees: 4 } }),
})
