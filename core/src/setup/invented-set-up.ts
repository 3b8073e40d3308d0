import { MONSON_RADIUS_MILLIMETRES } from '../mounting/index.ts'
import type { Point } from '../trimming/index.ts'
import type { Prescription, SetUpReading } from './prescription.ts'
import type { SetUpEntry } from './set-up-plan.ts'
import { usualStances } from './stances.ts'

const P = (x: number, y: number): Point => ({ x, y })

/** The rim of an invented upper, as somebody with ruler and dividers would write it down. */
export const inventedPrescription: Prescription = {
  arch: 'upper',
  centreLineMillimetres: 0,
  incisalLevelMillimetres: 21.5,
  labialFullnessMillimetres: 8,
  canineMillimetres: { right: 24, left: 24.5 },
  planeMillimetres: { right: 26, left: 26.5 },
  highLipMillimetres: 9.5,
  pinMillimetres: 0,
}
/** What the teeth measure once they are set by it. */
export const inventedSetUpReading: SetUpReading = {
  centreLineMillimetres: 0.2,
  incisalLevelMillimetres: { right: 21.6, left: 21.4 },
  labialFullnessMillimetres: { right: 8.3, left: 8.2 },
  canineMillimetres: { right: 23.8, left: 24 },
  planeMillimetres: { right: 26.2, left: 26.3 },
  pinMillimetres: 0,
}

/** An invented set of teeth and the rim that it is set along. */
export const inventedSetUp: SetUpEntry = {
  arch: 'upper',
  // The rule laid across 5, 10, 20, 30 and 40 mm behind the front of the rim.
  rim: [
    P(0, 8),
    P(-13.8, 3),
    P(14, 3),
    P(-19.1, -2),
    P(18.9, -2),
    P(-24.6, -12),
    P(24.9, -12),
    P(-27.5, -22),
    P(27.3, -22),
  ],
  crest: [
    P(0, 1),
    P(-9.1, -2),
    P(8.9, -2),
    P(-17.4, -12),
    P(17.6, -12),
    P(-21.5, -22),
    P(21.3, -22),
    P(-23.2, -32),
    P(23.4, -32),
  ],
  canineMillimetres: inventedPrescription.canineMillimetres,
  highLipMillimetres: inventedPrescription.highLipMillimetres,
  toothSet: {
    name: 'Broad 24',
    widthsMillimetres: {
      central: 8.9,
      lateral: 6.9,
      canine: 8,
      firstPremolar: 7.2,
      secondPremolar: 6.8,
      firstMolar: 10.2,
      secondMolar: 9.2,
    },
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
}
