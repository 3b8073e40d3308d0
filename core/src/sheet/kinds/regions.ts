import {
  checkRegions,
  foundFaults,
  regionDrawings,
  regionFaults,
  regionSeenShape,
  regionsOf,
} from '../../inspection/index.ts'
import { joined } from '../../quantity/index.ts'
import { choice, id, list, maybe, record } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

/** A piece looked at region by region on its drawing. */
export const regionsSheet = sheetKind({
  kind: 'regions',
  data: record({ regions: list(regionSeenShape, 60) }),
  wants: record({
    drawing: choice(regionDrawings),
    /** The step from which it is made again when a fault cannot be mended. */
    remakeFrom: maybe(id()),
  }),
  check: ({ regions }, { drawing }) => checkRegions(drawing, regions),
  faults: ({ regions }, { drawing }) => regionFaults(drawing, regions),
  failing: ({ regions }, { drawing, remakeFrom }) => {
    const found = foundFaults(drawing, regions)
    const lost = found.find(({ remake }) => remake)
    if (lost && remakeFrom) return { verdict: 'remake', toStepId: remakeFrom, say: lost.say }
    const asked = found.find(({ ask }) => ask)
    return asked && { verdict: 'askDentist', say: asked.say }
  },
  leadsTo: ({ remakeFrom }) => (remakeFrom ? [remakeFrom] : []),
  words: ({ regions }, { drawing }) => {
    const faults = regionFaults(drawing, regions)
    return faults.length === 0 ? `all ${regions.length} regions good` : joined(faults, '; ')
  },
  good: ({ drawing }) => ({ regions: regionsOf[drawing].map((each) => ({ region: each.id })) }),
  failingExample: ({ drawing }) => ({
    regions: regionsOf[drawing].map((each, n) =>
      n === 0 ? { region: each.id, fault: each.faults[0]!.fault } : { region: each.id },
    ),
  }),
  refusedExample: () => ({ regions: [] }),
})
