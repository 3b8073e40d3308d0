import { joined, qty, saying } from '../../quantity/index.ts'
import { type StoneHeights, sawPlan, stoneHeightsShape } from '../../recovery/index.ts'
import { choice, figure, list, maybe, record, text, yesNo } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'
import { scanFileShape } from './survey.ts'

const usual: StoneHeights = { middle: 11, canines: 15, ends: 13, labialUndercut: 0.3 }

/** The stone under a cured denture, and so how it is sawn off. */
export const sawPlanSheet = sheetKind({
  kind: 'sawPlan',
  data: record({
    heights: stoneHeightsShape,
    /** Where the cast was scanned: which scan, and how each piece comes out. */
    survey: maybe(
      record({
        file: scanFileShape,
        pieces: list(
          record({
            name: text(80, { example: 'Front' }),
            whole: yesNo(),
            inwardsDegrees: figure(-180, 180, { example: 25 }),
            undercutMillimetres: figure(0, 100, { example: 1.5 }),
          }),
          12,
        ),
      }),
    ),
  }),
  wants: record({ arch: choice(['upper', 'lower']) }),
  check: ({ heights }, { arch }) => {
    sawPlan(arch, heights)
  },
  words: ({ heights, survey }, { arch }) => {
    const { cuts, flangeHeld } = sawPlan(arch, heights)
    const deep = joined(
      cuts.map(({ name, depthMillimetres }) =>
        depthMillimetres === 0
          ? `${name.toLowerCase()} too thin to saw`
          : saying`${name.toLowerCase()} ${qty.mm(depthMillimetres)} deep`,
      ),
    )
    return saying`saw ${deep}${flangeHeld ? '; the outer flange is held' : ''}${survey ? '; by scan' : ''}`
  },
  good: () => ({ heights: usual }),
  refusedExample: () => ({ heights: { ...usual, middle: 80 } }),
})
