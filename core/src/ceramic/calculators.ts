import { ceramicClasses } from '../materials/index.ts'
import { programMinutes } from '../program/index.ts'
import { calculator, choice, figure, maybe, record, yesNo } from '../shape/index.ts'
import { factorOfDensities, greenSize, shrinkageOf, sizeErrorMicrometres } from './enlargement.ts'
import { firingProgram, firings } from './firing-program.ts'

const density = (example: number) => figure(-100, 100, { example, description: 'g/cm3' })
const enlargement = calculator({
  name: 'enlargement',
  summary: 'How much larger zirconia is milled, and what another factor does to the fit',
  input: record({
    greenGramsPerCm3: density(3.1),
    sinteredGramsPerCm3: density(6.05),
    finalMillimetres: figure(0, 1000, { example: 9 }),
    usedFactor: maybe(figure(0, 10, { example: 1.2476, description: 'With which it was milled' })),
  }),
  example: { greenGramsPerCm3: 3.1, sinteredGramsPerCm3: 6.05, finalMillimetres: 9, usedFactor: 1.2476 },
  answer: ({ greenGramsPerCm3, sinteredGramsPerCm3, finalMillimetres, usedFactor }) => {
    const factor = factorOfDensities(greenGramsPerCm3, sinteredGramsPerCm3)
    return {
      factor,
      shrinkagePercent: 100 * shrinkageOf(factor),
      greenMillimetres: greenSize(finalMillimetres, factor),
      ...(usedFactor === undefined
        ? {}
        : { tooLargeMicrometres: sizeErrorMicrometres(finalMillimetres, usedFactor, factor) }),
    }
  },
})

const program = calculator({
  name: 'firing-program',
  summary: 'A program to dry, sinter, crystallise, stain or glaze, by class, wall and load, with its minutes',
  input: record({
    ceramic: choice(ceramicClasses),
    firing: choice(firings),
    wallMillimetres: figure(-1000, 1000, { example: 1.5 }),
    units: figure(0, 1000, { example: 1 }),
    infiltrated: maybe(yesNo({ example: false })),
    bridge: maybe(yesNo({ example: false })),
    peakBefore: maybe(figure(0, 2000, { example: 770 })),
  }),
  example: { ceramic: 'zirconia4y', firing: 'sinter', wallMillimetres: 3, units: 4 },
  answer: (load) => {
    const found = firingProgram(load)
    return { program: found, minutes: programMinutes(found) }
  },
})

export const ceramicCalculators = [enlargement, program] as const
