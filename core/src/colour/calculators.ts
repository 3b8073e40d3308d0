import { calculator, choice, figure, list, maybe, record, text, three } from '../shape/index.ts'
import { CURVE_NANOMETRES, metamerism } from './curves.ts'
import { checkLab, colourDifference, labShape } from './lab.ts'
import { planZone, verdictOf } from './recipe.ts'

const difference = calculator({
  name: 'colour-difference',
  summary: 'How far apart two colours are, CIEDE2000, and whether anybody sees it',
  input: record({ one: labShape, other: labShape }),
  example: { one: { L: 80, a: 2, b: 18 }, other: { L: 79, a: 2.5, b: 19 } },
  answer: ({ one, other }) => {
    checkLab(one, 'one')
    checkLab(other, 'other')
    const found = colourDifference(one, other)
    return { difference: found, verdict: verdictOf(found) }
  },
})

const band = three(figure(0, 1000, { example: 0.01 }))
const recipe = calculator({
  name: 'stain-recipe',
  summary: 'Which stains bring a ceramic block to a target colour, and whether they can',
  input: record({
    blockLab: labShape,
    targetLab: labShape,
    pots: list(record({ name: text(80, { example: 'ochre body' }), absorption: band, scattering: band }), 12),
    maxCoats: maybe(figure(-10, 10, { example: 2 })),
    specular: maybe(choice(['excluded', 'included'])),
  }),
  example: {
    blockLab: { L: 84, a: 1, b: 13 },
    targetLab: { L: 80.5, a: 2, b: 17 },
    pots: [
      { name: 'ochre body', absorption: [0.01, 0.01, 0.034], scattering: [0.01, 0.007, 0.004] },
      { name: 'brown body', absorption: [0.026, 0.033, 0.056], scattering: [0.02, 0.014, 0.006] },
    ],
  },
  heavy: true,
  answer: ({ blockLab, targetLab, pots, maxCoats, specular }) =>
    planZone({ name: 'crown', block: blockLab, target: targetLab }, pots, {
      ...(maxCoats === undefined ? {} : { maxCoats }),
      ...(specular ? { specular } : {}),
    }),
})

const curve = list(figure(-10, 10, { example: 0.6 }), 41, 41)
const flat = CURVE_NANOMETRES.map(() => 0.6)
const curves = calculator({
  name: 'colour-curves',
  summary:
    'Whether a match in daylight holds under a lamp: two reflectances as measured, 380 to 780 nm by 10 nm',
  input: record({ target: curve, sample: curve }),
  example: {
    target: flat,
    sample: flat.map((each, n) => Number((each + 0.08 * Math.sin((2 * Math.PI * 10 * n) / 120)).toFixed(6))),
  },
  answer: ({ target, sample }) => metamerism(target, sample),
})

export const colourCalculators = [difference, recipe, curves] as const
