import { materials } from '../materials/index.ts'
import { DomainError } from '../refusal/index.ts'
import { calculator, choice, figure, id, maybe, record, whole, yesNo } from '../shape/index.ts'
import { type Space, spaceCm3, usualJobs, usualPowderGrams } from './amount-needed.ts'
import { setGypsum } from './gypsum-model.ts'
import { type Mix, type MixGiven, mixParts, packsNeeded } from './mix.ts'
import { correctMix } from './mix-correction.ts'
import { mixForVolume } from './mix-volume.ts'

/** Wider than any card: what a ratio can be at all, mL/g. */
const ratio = (example: number) => figure(0, 10, { example })
const grams = (example?: number) => figure(0, 100_000, { example })
const millilitres = (example?: number) => figure(0, 100_000, { example })
const millimetres = maybe(figure(0, 2000))

const mixCalculator = calculator({
  name: 'mix',
  summary: 'Powder and liquid from the part that is known',
  input: record({
    from: choice(['powder', 'liquid', 'total', 'bags'], { example: 'powder' }),
    millilitresPerGram: ratio(0.23),
    powderGrams: maybe(grams(100)),
    liquidMillilitres: maybe(millilitres()),
    totalGrams: maybe(grams()),
    liquidGramsPerMillilitre: maybe(figure(0, 20)),
    bags: maybe(figure(0, 1000)),
    bagGrams: maybe(grams()),
  }),
  example: { from: 'powder', millilitresPerGram: 0.23, powderGrams: 100 },
  // The core refuses, by name, a part that was left out.
  answer: ({ millilitresPerGram, ...given }) => mixParts(given as MixGiven, millilitresPerGram),
})

const mixCorrectionCalculator = calculator({
  name: 'mix-correction',
  summary: 'What to add to a mix that missed its ratio, or start again',
  input: record({
    powderGrams: grams(110),
    liquidMillilitres: millilitres(24),
    millilitresPerGram: ratio(0.24),
    toleranceFraction: figure(0, 1, { example: 0.02 }),
    thickening: yesNo({ example: false }),
    liquidGramsPerMillilitre: figure(0, 20, { example: 1 }),
    bowlGrams: maybe(grams(500)),
  }),
  example: {
    powderGrams: 110,
    liquidMillilitres: 24,
    millilitresPerGram: 0.24,
    toleranceFraction: 0.02,
    thickening: false,
    liquidGramsPerMillilitre: 1,
  },
  answer: correctMix,
})

const gypsumCalculator = calculator({
  name: 'gypsum',
  summary: 'Volume, pores and density of set gypsum',
  input: record({
    millilitresPerGram: ratio(0.24),
    expansionFraction: maybe(figure(-1, 1, { example: 0.001 })),
    airFraction: maybe(figure(0, 1, { example: 0.01 })),
  }),
  example: { millilitresPerGram: 0.24 },
  answer: setGypsum,
})

const amountCalculator = calculator({
  name: 'amount',
  summary: 'How much to mix: for a usual job, a space by its sides, or a volume',
  input: record({
    from: choice(['job', 'space', 'volume'], { example: 'volume' }),
    materialId: id('high-strength-stone'),
    millilitresPerGram: maybe(
      figure(0, 10, { example: 0.24, description: 'Left out: the usual ratio of the material' }),
    ),
    jobId: maybe(id(usualJobs[0]!.id)),
    size: maybe(choice(['small', 'medium', 'large'])),
    count: maybe(whole(-1000, 1000)),
    cm3: maybe(figure(0, 100_000, { example: 60 })),
    shape: maybe(choice(['block', 'cylinder', 'base'])),
    lengthMillimetres: millimetres,
    widthMillimetres: millimetres,
    diameterMillimetres: millimetres,
    heightMillimetres: millimetres,
    insideCm3: maybe(figure(0, 100_000)),
    arch: maybe(choice(['upper', 'lower'], { description: 'Of a base' })),
    thicknessMillimetres: maybe(figure(0, 2000, { example: 2.5, description: 'Of a base' })),
    areaCm2: maybe(figure(0, 10_000)),
    airFraction: maybe(figure(0, 1, { example: 0.01 })),
    wasteFraction: maybe(figure(0, 10, { example: 0.1 })),
  }),
  example: { from: 'volume', materialId: 'high-strength-stone', cm3: 60, wasteFraction: 0.1 },
  answer: (input): Mix & { bags?: number } => {
    const card = materials.get(input.materialId)
    if (card?.measure?.by !== 'mass')
      throw new DomainError(
        'no-ratio',
        `${card?.name ?? input.materialId} is no material that is weighed.`,
        'Choose one from /api/materials that has a ratio.',
        'materialId',
      )
    const millilitresPerGram = input.millilitresPerGram ?? card.measure.usualMillilitresPerGram
    const { from, jobId = '', size = 'medium', count, cm3 = Number.NaN, airFraction, wasteFraction } = input
    const mix =
      from === 'job'
        ? mixParts({ from: 'powder', powderGrams: usualPowderGrams(jobId, size, count) }, millilitresPerGram)
        : mixForVolume(card, {
            // The core refuses, by name, a side that was left out.
            cm3: from === 'space' ? spaceCm3(input as unknown as Space) : cm3,
            millilitresPerGram,
            airFraction,
            wasteFraction,
          })
    const { bagGrams } = card.measure
    return { ...mix, ...(bagGrams ? { bags: packsNeeded(mix.powderGrams, bagGrams) } : {}) }
  },
})

/** What other programs may ask of this room. */
export const mixingCalculators = [
  mixCalculator,
  mixCorrectionCalculator,
  amountCalculator,
  gypsumCalculator,
] as const
