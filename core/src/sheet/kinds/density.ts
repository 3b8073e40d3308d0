import { archimedesDensity, densityPercent, LEAST_DENSITY_PERCENT } from '../../ceramic/index.ts'
import { ceramicClasses } from '../../materials/index.ts'
import { qty, saying } from '../../quantity/index.ts'
import { choice, figure, id, record } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

const good = { dryGrams: 1.22, inWaterGrams: 1.0201, waterCelsius: 20 }
const percentOf = (
  { dryGrams, inWaterGrams, waterCelsius }: typeof good,
  ceramic: (typeof ceramicClasses)[number],
) => densityPercent(archimedesDensity(dryGrams, inWaterGrams, waterCelsius), ceramic) ?? 100

/** Density by Archimedes: weighed dry, then hanging in water. */
export const densitySheet = sheetKind({
  kind: 'density',
  data: record({
    dryGrams: figure(0, 10_000, { example: 1.22 }),
    inWaterGrams: figure(0, 10_000, { example: 1.019 }),
    waterCelsius: figure(-50, 150, { example: 22 }),
  }),
  wants: record({ ceramic: choice(ceramicClasses), remakeFrom: id() }),
  check: ({ dryGrams, inWaterGrams, waterCelsius }) => {
    archimedesDensity(dryGrams, inWaterGrams, waterCelsius)
  },
  faults: (weighed, { ceramic }) => {
    const percent = percentOf(weighed, ceramic)
    return percent < LEAST_DENSITY_PERCENT
      ? [
          saying`${qty.percent(percent, 1)} of its full density, at least ${qty.percent(LEAST_DENSITY_PERCENT)} are wanted`,
        ]
      : []
  },
  failing: (_weighed, { remakeFrom }) => ({
    verdict: 'remake',
    toStepId: remakeFrom,
    say: 'It has pores: mill it again. Sintered a second time it gets no denser.',
  }),
  leadsTo: ({ remakeFrom }) => [remakeFrom],
  words: (weighed, { ceramic }) =>
    saying`${archimedesDensity(weighed.dryGrams, weighed.inWaterGrams, weighed.waterCelsius).toFixed(2)} g/cm3, ${qty.percent(percentOf(weighed, ceramic), 1)} of full`,
  good: () => good,
  failingExample: () => ({ ...good, inWaterGrams: 1.01 }),
  refusedExample: () => ({ ...good, inWaterGrams: 1.3 }),
})
