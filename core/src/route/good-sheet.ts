import { burnoutProgram, newMetal, usualPeaks, usualRings } from '../casting/index.ts'
import { curePresets } from '../curing/index.ts'
import { regionsOf } from '../inspection/index.ts'
import { articulatorCards, MONSON_RADIUS_MILLIMETRES } from '../mounting/index.ts'
import { programMinutes } from '../program/index.ts'
import {
  type Prescription,
  type SetUpEntry,
  type SetUpReading,
  usualStances,
  usualTolerances,
} from '../setup/index.ts'
import {
  type FinishedModel,
  type ModelEntry,
  type PairEntry,
  type Point,
  planPair,
  type TrimPlan,
} from '../trimming/index.ts'
import { roomRules } from '../waxing/index.ts'
import type { SheetData, StepSheet } from './step-sheet.ts'

const P = (x: number, y: number): Point => ({ x, y })
const outline = [P(-40, -8), P(-42, 12), P(-24, 48), P(0, 58), P(24, 48), P(42, 12), P(40, -8)]
const heights: ModelEntry<unknown>['heights'] = [
  { at: P(0, 43), heightMillimetres: 39 },
  { at: P(-24, 5), heightMillimetres: 38 },
  { at: P(24, 5), heightMillimetres: 37 },
]

/** An invented pair of models of ordinary size, as somebody with a caliper would enter it. */
export const inventedPair: PairEntry = {
  upper: {
    landmarks: {
      midline: [P(0, 5), P(0, 30)],
      notches: { right: P(-21, 1), left: P(21.5, 1.6) },
      canines: { right: P(-16, 31), left: P(16.4, 30.6) },
      buccal: {
        right: [P(-20, 26), P(-23, 19.5), P(-26, 13)],
        left: [P(20.4, 26), P(23, 19.6), P(26.8, 13.2)],
      },
      vestibule: {
        right: [P(-25, 27), P(-28, 20), P(-31, 12.5)],
        left: [P(25.5, 27), P(28.8, 20), P(31.6, 12.5)],
      },
      anterior: [P(-14.5, 39), P(-7.5, 44.5), P(0, 46.5), P(7.5, 44.5), P(14.5, 39)],
      incisorFront: P(0, 42.5),
    },
    outline,
    heights,
    deepestMillimetres: 22,
  },
  lower: {
    landmarks: {
      backEdge: [P(-20, 0), P(20, 0)],
      mark: P(0, 0),
      canines: { right: P(-13, 33), left: P(13, 33) },
      buccal: { right: [P(-18, 27), P(-22, 19), P(-26, 11)], left: [P(18.2, 27), P(22, 19), P(26, 11)] },
      vestibule: {
        right: [P(-21, 28), P(-26, 19), P(-29.5, 10.5)],
        left: [P(21, 28), P(25.8, 19), P(29.2, 10.5)],
      },
      anterior: [P(-13, 39), P(-6, 43), P(0, 44), P(6, 43), P(13, 39)],
      incisorFront: P(0, 40),
    },
    outline,
    heights,
    deepestMillimetres: 18,
  },
  choices: {},
}

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
const inventedReading: SetUpReading = {
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

/** A sheet as a careful hand would fill it in, for the demo lab and the tests. */
export function goodSheet(sheet: StepSheet): SheetData {
  switch (sheet.kind) {
    case 'parts':
      return { kind: 'parts', parts: sheet.suggested.map((name) => ({ name, count: 1 })) }
    case 'places': {
      const { min = sheet.plausible.min, max = sheet.plausible.max } = sheet
      const value = Number((min + 0.1 * (max - min)).toFixed(1))
      const places = Array.from({ length: Math.max(sheet.leastPlaces, sheet.suggested.length) }, (_, n) => ({
        place: sheet.suggested[n] ?? `place ${n + 1}`,
        value,
      }))
      return { kind: 'places', places }
    }
    case 'mounting': {
      const { name, articulator } = articulatorCards[0]!
      return { kind: 'mounting', name, articulator, pinMillimetres: 0, facebow: false }
    }
    case 'prescription':
      return { kind: 'prescription', prescription: inventedPrescription }
    case 'setUpPlan':
      return { kind: 'setUpPlan', setUpEntry: inventedSetUp }
    case 'teethSet':
      return { kind: 'teethSet', teeth: sheet.order }
    case 'setUp':
      return { kind: 'setUp', reading: inventedReading, tolerances: usualTolerances }
    case 'room':
      return {
        kind: 'room',
        sites: sheet.suggested.map((site) => ({
          ...site,
          roomMillimetres: roomRules[site.place].leastMillimetres + 0.4,
          greenMillimetres: 0.2,
          resinMillimetres: 0.3,
        })),
      }
    case 'grooves':
      return { kind: 'grooves', tooth: 46, patternId: 'lower-molar-five' }
    case 'regions':
      return { kind: 'regions', regions: regionsOf[sheet.drawing].map(({ id }) => ({ region: id })) }
    case 'burnout': {
      const ring = {
        radiusMillimetres: usualRings[1]!.innerDiameterMillimetres / 2,
        heightMillimetres: usualRings[1]!.heightMillimetres,
      }
      const peakCelsius = usualPeaks[sheet.binder]
      const program = burnoutProgram({
        binder: sheet.binder,
        radiusMillimetres: ring.radiusMillimetres,
        rings: 1,
        pattern: 'wax',
        fast: false,
        peakCelsius,
      })
      const measured = [{ minutes: Math.round(programMinutes(program)), celsius: peakCelsius }]
      return {
        kind: 'burnout',
        machine: 'Furnace',
        run: { binder: sheet.binder, ring, program, from: 'hand', measured, showsTooMuchCelsius: 0 },
      }
    }
    case 'cure': {
      const [{ program }] = curePresets as readonly [(typeof curePresets)[0]]
      const minutes = Math.round(programMinutes(program))
      return {
        kind: 'cure',
        machine: 'Bath',
        run: {
          sections: [
            { shape: 'sheet', millimetres: 2.5 },
            { shape: 'ridge', millimetres: 12 },
          ],
          program,
          from: 'hand',
          measured: [{ minutes, celsius: 100 }],
          showsTooMuchCelsius: 0,
        },
      }
    }
    case 'charge':
      return {
        kind: 'charge',
        alloyId: 'nickel-chromium',
        pieces: [
          { id: 'by-hand-1', grams: 30.1, lots: [], history: newMetal },
          { id: 'by-hand-2', grams: 29.8, lots: [], history: newMetal },
        ],
      }
    case 'closures':
      return {
        kind: 'closures',
        closures: [
          { kilopascals: 3500, flash: true, gap: true, from: 'hand' },
          { kilopascals: sheet.leastKilopascals, flash: true, gap: false, from: 'hand' },
          {
            kilopascals: (sheet.leastKilopascals + sheet.mostKilopascals) / 2,
            flash: false,
            gap: false,
            from: 'hand',
          },
        ],
      }
    case 'button':
      return { kind: 'button', grams: 5.8 }
    case 'dispatch':
      return {
        kind: 'dispatch',
        parts: sheet.suggested.map((name) => ({ name, count: 1 })),
        dueBackAt: '2026-03-04T12:00:00Z',
      }
    case 'tryInAnswer':
      return { kind: 'tryInAnswer', changes: [] }
    case 'trimPlan':
      return { kind: 'trimPlan', entry: inventedPair }
    case 'finishedPair': {
      const { upper, lower } = planPair(inventedPair)
      return {
        kind: 'finishedPair',
        pair: {
          upper: trimmedTo(upper.plan),
          lower: trimmedTo(lower.plan),
          totalHeightsMillimetres: [69.8, 70, 69.9],
          planeFromMiddleMillimetres: 0.5,
          basesTiltDegrees: 0.3,
          upperBaseToPlaneDegrees: 1,
          backStepMillimetres: 0.2,
        },
      }
    }
  }
}

function trimmedTo({ sideAngleDegrees, front, heel, corner }: TrimPlan): FinishedModel {
  const both = (value: number, digits = 1): [number, number] => {
    const read = Number(value.toFixed(digits))
    return [read, read]
  }
  return {
    backToMidlineDegrees: 90,
    backToBaseDegrees: 90,
    sideDegrees: both(sideAngleDegrees),
    ...(front.kind === 'planes' ? { frontDegrees: both(front.angleDegrees) } : {}),
    heelMillimetres: both(heel.lengthMillimetres),
    heelDegrees: both(180 - heel.betaDegrees),
    canineCornerMillimetres: both(corner.x),
    heelCornerMillimetres: both(heel.atSide.x),
  }
}
