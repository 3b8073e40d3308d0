import { saying } from '../../quantity/index.ts'
import { id, record, whole } from '../../shape/index.ts'
import { checkGroovePattern, groovePatterns } from '../../waxing/index.ts'
import { sheetKind } from '../sheet-kind.ts'

/** The groove pattern that a tooth is waxed to. */
export const groovesSheet = sheetKind({
  kind: 'grooves',
  data: record({ tooth: whole(11, 85, { example: 46 }), patternId: id('lower-molar-five') }),
  wants: record({}),
  check: ({ tooth, patternId }) => checkGroovePattern(tooth, patternId),
  words: ({ tooth, patternId }) =>
    saying`${{ tooth }}, ${groovePatterns.find((each) => each.id === patternId)?.name ?? patternId}`,
  good: () => ({ tooth: 46, patternId: 'lower-molar-five' }),
  refusedExample: () => ({ tooth: 48, patternId: 'lower-molar-five' }),
})
