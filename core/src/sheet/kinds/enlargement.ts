import {
  checkEnlargement,
  factorWords,
  isOtherFactor,
  SIZE_TOLERANCE_PERCENT,
  sizeErrorMicrometres,
  sizeOffPercent,
} from '../../ceramic/index.ts'
import { joined, qty, saying } from '../../quantity/index.ts'
import { DomainError, requireWithin } from '../../refusal/index.ts'
import { choice, figure, list, maybe, record, text } from '../../shape/index.ts'
import { sheetKind, sheetOfShape } from '../sheet-kind.ts'

const good = {
  lot: 'Z-1',
  lotFactor: 1.24,
  usedFactor: 1.24,
  sizes: [{ place: 'across, mesial to distal', finalMillimetres: 9, measuredMillimetres: 11.16 }],
}

/** Sizes by caliper against the factor of the blank's own lot, before sintering or after it. */
export const enlargementSheet = sheetKind({
  kind: 'enlargement',
  data: record({
    /** Number on the label of the blank. */
    lot: text(60, { least: 0, example: '24-0817' }),
    lotFactor: figure(0, 10, { example: 1.2345, description: 'On the label of this lot' }),
    usedFactor: figure(0, 10, { example: 1.2345, description: 'With which it was milled' }),
    sizes: list(
      record({
        place: text(80, { least: 0 }),
        finalMillimetres: figure(0, 200, { example: 9 }),
        measuredMillimetres: figure(0, 200, { example: 11.25 }),
      }),
      20,
    ),
    /** Why another factor than that of the lot was taken, or why its size is taken as it is. */
    reason: maybe(text(1000)),
  }),
  wants: record({
    state: choice(['green', 'sintered']),
    /** That of the green piece, which a sintered one goes by. */
    greenOf: maybe(sheetOfShape),
  }),
  check: ({ lot, lotFactor, usedFactor, sizes }) => {
    if (lot.trim() === '')
      throw new DomainError(
        'words-missing',
        'The lot of the blank is missing.',
        'Read it off its label.',
        'lot',
      )
    checkEnlargement({ factor: lotFactor })
    checkEnlargement({ factor: usedFactor })
    if (sizes.length === 0)
      throw new DomainError(
        'too-few-places',
        'No size was measured.',
        'Measure it across with the caliper.',
        'sizes',
      )
    for (const { finalMillimetres, measuredMillimetres } of sizes)
      for (const millimetres of [finalMillimetres, measuredMillimetres])
        requireWithin(millimetres, {
          least: 0.5,
          most: 120,
          what: 'Size',
          field: 'sizes',
          kind: 'millimetres',
        })
  },
  faults: ({ lotFactor, usedFactor, sizes, reason }, { state }) => {
    if (reason?.trim()) return []
    const other = isOtherFactor(usedFactor, lotFactor)
    return [
      ...(other ? [factorWords(usedFactor, lotFactor)] : []),
      ...sizes.flatMap(({ place, finalMillimetres, measuredMillimetres }) => {
        const wanted = state === 'green' ? finalMillimetres * usedFactor : finalMillimetres
        const off = sizeOffPercent(measuredMillimetres, wanted)
        return Math.abs(off) > SIZE_TOLERANCE_PERCENT + 1e-9
          ? [
              saying`${place}: ${qty.mm(measuredMillimetres, 2)}, ${qty.mm(wanted, 2)} wanted, ${qty.percent(Math.abs(off), 1)} ${off > 0 ? 'too large' : 'too small'}`,
            ]
          : []
      }),
    ]
  },
  words: ({ lot, lotFactor, usedFactor, sizes, reason }, { state }) =>
    saying`lot ${lot}, factor ${lotFactor}${isOtherFactor(usedFactor, lotFactor) ? saying`, milled with ${usedFactor} (${qty.micrometres(sizeErrorMicrometres(10, usedFactor, lotFactor), 0)} on 10 mm)` : ''}; ${joined(
      sizes.map(
        ({ place, measuredMillimetres, finalMillimetres }) =>
          saying`${place} ${qty.mm(measuredMillimetres, 2)} ${state === 'green' ? saying`for ${qty.mm(finalMillimetres, 2)}` : saying`of ${qty.mm(finalMillimetres, 2)}`}`,
      ),
    )}${reason ? `; all the same: ${reason}` : ''}`,
  good: ({ state }) =>
    state === 'green'
      ? good
      : {
          ...good,
          sizes: good.sizes.map((each) => ({ ...each, measuredMillimetres: each.finalMillimetres })),
        },
  failingExample: () => ({ ...good, usedFactor: 1.23 }),
  refusedExample: () => ({ ...good, lotFactor: 2 }),
})
