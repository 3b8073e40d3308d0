import { byTag, calculator, choice, figure, list, maybe, record } from '../shape/index.ts'
import { armLoad, armWays, armWords, claspArmShape } from './clasp-arm.ts'
import { peakPull, roundWall, straightWall } from './clasp-pull.ts'
import {
  baseCornerShape,
  baseLifts,
  handWords,
  pathOf,
  surveyArchShape,
  tableTiltShape,
  tiltOf,
  tiltWords,
} from './table.ts'
import { pathOfTripod, tripodShape } from './tripod.ts'
import { unit, type Vector } from './vector.ts'
import { twoWalls, wayOut } from './way-out.ts'

const inXyz = ([x, y, z]: Vector) => ({ x, y, z })

/** How a table is set to two angles. */
const surveyTable = calculator({
  name: 'survey-table',
  summary: 'How far each corner of the base is raised for a tilt of the surveying table',
  input: record({ arch: surveyArchShape, tilt: tableTiltShape, corners: list(baseCornerShape, 8) }),
  example: {
    arch: 'upper',
    tilt: { lateralDegrees: 5, anteroposteriorDegrees: -3 },
    corners: [
      { x: -30, y: 0 },
      { x: 30, y: 0 },
      { x: 24, y: 48 },
      { x: -24, y: 48 },
    ],
  },
  answer: ({ arch, tilt, corners }) => {
    const lifts = baseLifts(arch, tilt, corners)
    const path = pathOf(tilt)
    return {
      path: inXyz(path),
      totalDegrees: tiltOf(path).totalDegrees,
      lifts,
      say: handWords(arch, tilt, lifts),
    }
  },
})

/** The tilt that three marks hold. */
const surveyTripod = calculator({
  name: 'survey-tripod',
  summary: 'The tilt of a surveying table from three marks of the cast and their heights',
  input: record({ arch: surveyArchShape, marks: tripodShape }),
  example: {
    arch: 'upper',
    marks: [
      { place: { x: 0, y: 28, z: 9 }, heightMillimetres: 2.601064 },
      { place: { x: -22, y: 3, z: 7 }, heightMillimetres: 0 },
      { place: { x: 22, y: 4, z: 8 }, heightMillimetres: 4.772339 },
    ],
  },
  answer: ({ arch, marks }) => {
    const path = pathOfTripod(marks)
    const tilt = tiltOf(path)
    return { path: inXyz(path), ...tilt, say: tiltWords(arch, tilt) }
  },
})

const claspArm = calculator({
  name: 'clasp-arm',
  summary: 'What an arm holds in its undercut, and whether it springs back',
  input: claspArmShape,
  example: {
    material: 'steel',
    run: { shape: 'straight', freeMillimetres: 15 },
    cut: { section: 'round', millimetres: 0.9 },
    deflectionMillimetres: 0.5,
  },
  answer: (arm) => ({ ...armLoad(arm), ...ways(arm), say: armWords(arm) }),
})

/** What is not enough alone is left out. */
function ways(arm: Parameters<typeof armWays>[0]) {
  const { longerMillimetres, thinnerMillimetres, shallowerMillimetres } = armWays(arm)
  return {
    thinnerMillimetres,
    shallowerMillimetres,
    ...(longerMillimetres === undefined ? {} : { longerMillimetres }),
  }
}

const claspPull = calculator({
  name: 'clasp-pull',
  summary: 'The greatest pull along the path while the tip of an arm rides out of its undercut',
  input: record({
    newtonsPerMillimetre: figure(-1e6, 1e6, { example: 5 }),
    depthMillimetres: figure(-1e6, 1e6, { example: 0.5 }),
    wall: byTag('is', {
      round: record({ is: choice(['round']), radiusMillimetres: figure(0.1, 1e3, { example: 4 }) }),
      straight: record({ is: choice(['straight']), degrees: figure(-90, 90, { example: 20 }) }),
    }),
    friction: maybe(figure(-1e6, 1e6, { example: 0.2 })),
  }),
  example: {
    newtonsPerMillimetre: 5,
    depthMillimetres: 0.5,
    wall: { is: 'round', radiusMillimetres: 4 },
    friction: 0.2,
  },
  answer: ({ wall, ...asked }) =>
    peakPull({
      ...asked,
      wall: wall.is === 'round' ? roundWall(wall.radiusMillimetres) : straightWall(wall.degrees),
    }),
})

const direction = figure(-1, 1, { example: 0.5 })
const recoveryPiece = calculator({
  name: 'recovery-piece',
  summary: 'The way a piece of stone comes out of a cured denture, and whether it is locked',
  input: byTag('by', {
    walls: record({
      by: choice(['walls']),
      labialUndercutDegrees: figure(-1e4, 1e4, { example: 30 }),
      palatalDraftDegrees: figure(-1e4, 1e4, { example: 10 }),
      heightMillimetres: figure(-1e6, 1e6, { example: 8 }),
    }),
    faces: record({
      by: choice(['faces']),
      faces: list(
        record({
          normal: record({ x: direction, y: direction, z: direction }),
          squareMillimetres: figure(0, 1e6, { example: 12 }),
        }),
        2000,
      ),
    }),
  }),
  example: { by: 'walls', labialUndercutDegrees: 30, palatalDraftDegrees: 10, heightMillimetres: 8 },
  answer: (asked) => {
    if (asked.by === 'walls') return twoWalls(asked)
    const { way, ...found } = wayOut(
      asked.faces
        .filter(({ normal: { x, y, z } }) => Math.hypot(x, y, z) > 0)
        .map(({ normal: { x, y, z }, squareMillimetres }) => ({
          normal: unit([x, y, z]),
          area: squareMillimetres,
        })),
    )
    return { ...found, way: inXyz(way) }
  },
})

export const surveyCalculators = [surveyTable, surveyTripod, claspArm, claspPull, recoveryPiece] as const
