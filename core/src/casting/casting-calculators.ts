import { binders } from '../materials/index.ts'
import { programShape } from '../program/index.ts'
import { calculator, choice, figure, list, maybe, partsOf, record, whole, yesNo } from '../shape/index.ts'
import { programWarnings } from './burnout-program.ts'
import { alloyGrams, patternCm3, patternPartShape } from './casting-metal.ts'
import { coreReady } from './core-ready.ts'
import { concentrationFor, dieShape, expansionBudgetShape } from './expansion-budget.ts'
import { ringSizeShape } from './ring-heat.ts'
import { checkArrangement, feedCheck } from './sprue.ts'

const alloyCalculator = calculator({
  name: 'alloy',
  summary: 'Alloy to melt for patterns and a button',
  input: record({
    parts: list(patternPartShape, 60),
    alloyGramsPerCm3: figure(0, 100, { example: 15.5 }),
    buttonGrams: maybe(figure(0, 10_000, { example: 6 })),
  }),
  example: { parts: [{ grams: 0.4, gramsPerCm3: 0.95 }], alloyGramsPerCm3: 15.5, buttonGrams: 6 },
  answer: ({ parts, alloyGramsPerCm3, buttonGrams }) => ({
    alloyGrams: alloyGrams(parts, alloyGramsPerCm3, buttonGrams),
    patternCm3: patternCm3(parts),
  }),
})

const expansionCalculator = calculator({
  name: 'expansion',
  summary: 'The special-liquid concentration that gives a fit, or what is missing',
  input: record({
    ...partsOf(expansionBudgetShape),
    die: dieShape,
    gapMillimetres: maybe(figure(-10, 10, { example: 0.03, description: 'Left out: the spacer' })),
  }),
  example: {
    shrinkageFraction: 0.0142,
    waxContractionFraction: 0,
    hygroscopicFraction: 0,
    restraint: 1,
    thermalShare: 1,
    table: [
      { specialLiquidPercent: 0, settingFraction: 0.002, thermalFraction: 0.009 },
      { specialLiquidPercent: 100, settingFraction: 0.01, thermalFraction: 0.012 },
    ],
    die: { dieMillimetres: 8, spacerMillimetres: 0.03 },
  },
  answer: ({ die, gapMillimetres, ...budget }) =>
    concentrationFor(budget, die, gapMillimetres ?? die.spacerMillimetres),
})

const millimetres = (example: number) => figure(-2000, 2000, { example })
const sprueCalculator = calculator({
  name: 'sprue',
  summary: 'Whether a sprue feeds its pattern, and how the pattern stands in its ring',
  input: record({
    sprueMillimetres: millimetres(2.588),
    sectionMillimetres: millimetres(1.5),
    binder: choice(binders),
    ringRadiusMillimetres: millimetres(20),
    ringHeightMillimetres: millimetres(50),
    formerMillimetres: millimetres(20),
    sprueLengthMillimetres: millimetres(16),
    patternHeightMillimetres: millimetres(10.5),
    patternReachMillimetres: millimetres(8),
    patterns: maybe(whole(-1000, 1000, { example: 1 })),
  }),
  example: {
    sprueMillimetres: 2.588,
    sectionMillimetres: 1.5,
    binder: 'gypsum',
    ringRadiusMillimetres: 20,
    ringHeightMillimetres: 50,
    formerMillimetres: 20,
    sprueLengthMillimetres: 16,
    patternHeightMillimetres: 10.5,
    patternReachMillimetres: 8,
  },
  answer: ({ sprueMillimetres, sectionMillimetres, ...arrangement }) => ({
    feed: feedCheck(sprueMillimetres, sectionMillimetres),
    lines: checkArrangement(arrangement),
  }),
})

const burnoutCalculator = calculator({
  name: 'burnout',
  summary: 'When the core of a ring is ready, as a range, minutes from putting it in',
  input: record({
    ...partsOf(programShape),
    binder: choice(binders),
    ring: ringSizeShape,
    hotEntry: maybe(yesNo({ description: 'Its product is marked by its maker for a hot furnace' })),
  }),
  example: {
    startCelsius: 20,
    segments: [
      { rampCelsiusPerMinute: 5, toCelsius: 250, holdMinutes: 60 },
      { rampCelsiusPerMinute: 7, toCelsius: 845, holdMinutes: 60 },
    ],
    binder: 'phosphate',
    ring: { radiusMillimetres: 32.5, heightMillimetres: 55 },
  },
  heavy: true,
  answer: ({ binder, ring, startCelsius, segments, hotEntry }) => {
    const program = { startCelsius, segments }
    const { castFromMinutes, programMinutes, heats } = coreReady(ring, binder, program, { hotEntry })
    const { waterGoneMinutes, curve } = heats.typical
    const warnings = programWarnings(program)
    return { programMinutes, castFromMinutes, waterGoneMinutes, warnings, typical: curve }
  },
})

/** What other programs may ask of this room. */
export const castingCalculators = [
  alloyCalculator,
  expansionCalculator,
  sprueCalculator,
  burnoutCalculator,
] as const
