import { MONSON_RADIUS_MILLIMETRES } from '../mounting/index.ts'
import { calculator } from '../shape/index.ts'
import { planSetUp, setUpEntryShape } from './set-up-plan.ts'
import { usualStances } from './stances.ts'

const mirrored = (...points: readonly (readonly [number, number])[]) =>
  points.flatMap(([x, y]) => [
    { x: -x, y },
    { x, y },
  ])
const EXAMPLE_WIDTHS = {
  central: 8.9,
  lateral: 6.9,
  canine: 8,
  firstPremolar: 7.2,
  secondPremolar: 6.8,
  firstMolar: 10.2,
  secondMolar: 9.2,
}

export const setUpCalculator = calculator({
  name: 'set-up',
  summary: 'Where every tooth goes, from the rim, the ridge and a set of teeth',
  input: setUpEntryShape,
  example: {
    arch: 'upper',
    rim: [{ x: 0, y: 8 }, ...mirrored([14, 3], [19, -2], [24.7, -12], [27.4, -22])],
    crest: [{ x: 0, y: 1 }, ...mirrored([9, -2], [17.5, -12], [21.4, -22], [23.3, -32])],
    canineMillimetres: { right: 24, left: 24.5 },
    highLipMillimetres: 9.5,
    toothSet: {
      name: 'Broad 24',
      widthsMillimetres: EXAMPLE_WIDTHS,
      lengthsMillimetres: { central: 11, lateral: 9.6, canine: 10.6 },
      cuspDegrees: 20,
    },
    stances: usualStances,
    incisorForwardMillimetres: 85,
    incisorBelowMillimetres: 35,
    curve: 'teeth',
    curveRadiusMillimetres: MONSON_RADIUS_MILLIMETRES,
    intercondylarMillimetres: 110,
    opposing: { kind: 'denture' },
  },
  answer: planSetUp,
})
