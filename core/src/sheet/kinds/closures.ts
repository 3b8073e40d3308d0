import { checkClosures, closureShape, judgeClosures } from '../../curing/index.ts'
import { qty, saying } from '../../quantity/index.ts'
import { figure, list, record } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

const closure = (kilopascals: number, flash: boolean, gap: boolean) => ({
  kilopascals,
  flash,
  gap,
  from: 'hand' as const,
})

/** Every trial closure of a flask so far, in their order. */
export const closuresSheet = sheetKind({
  kind: 'closures',
  data: record({ closures: list(closureShape, 20) }),
  wants: record({
    /** Between which readings a closing counts. */
    leastKilopascals: figure(0, 1e6),
    mostKilopascals: figure(0, 1e6),
  }),
  check: ({ closures }) => checkClosures(closures),
  faults: ({ closures }, limits) => judgeClosures(closures, limits).faults,
  failing: ({ closures }, limits) => ({ verdict: 'adjust', say: judgeClosures(closures, limits).next }),
  growing: true,
  words: ({ closures }) => {
    const { kilopascals, flash, gap, from } = closures.at(-1)!
    const seen = [...(flash ? ['flash'] : []), ...(gap ? ['a gap'] : [])]
    return saying`closure ${closures.length}, ${qty.kilopascals(kilopascals, 0)}${from === 'hand' ? ' by hand' : ''}, ${seen.join(' and ') || 'clean'}`
  },
  good: ({ leastKilopascals, mostKilopascals }) => ({
    closures: [
      closure(3500, true, true),
      closure(leastKilopascals, true, false),
      closure((leastKilopascals + mostKilopascals) / 2, false, false),
    ],
  }),
  failingExample: ({ leastKilopascals }) => ({ closures: [closure(leastKilopascals, true, false)] }),
  refusedExample: () => ({ closures: [] }),
})
