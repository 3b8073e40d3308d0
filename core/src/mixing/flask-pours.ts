import type { Source } from '../materials/index.ts'
import { qty, type Saying, saying } from '../quantity/index.ts'
import { DomainError, requirePositive, requireWithin } from '../refusal/index.ts'
import { figure, type Of, record } from '../shape/index.ts'

/** Of the box around a trimmed cast, what the cast itself takes (assumption: its corners are cut, its heel is straight). */
const CAST_OF_ITS_BOX = 0.8
/** Ridge, wax and teeth of a whole denture above the land, cm3 (assumption). */
export const USUAL_WAX_UP_CM3 = 25
/** Room wanted between the teeth and the lid, mm. Source: common practice, 3-5 mm. */
const ROOM_ABOVE_TEETH = { least: 3, most: 5 } as const

/** A flask measured once with water. */
export const flaskWater = {
  /** Water that fills the lower half to its rim, mL, 20 to 1000. */
  lowerMillilitres: figure(0, 10_000, { example: 160 }),
  /** Water that the ring above takes as well, up to the lid, mL, 20 to 1000. */
  ringMillilitres: figure(0, 10_000, { example: 180 }),
  /** Inside height of the ring, mm, 5 to 80. */
  ringMillimetres: figure(0, 1000, { example: 30 }),
}
const flaskWaterShape = record(flaskWater)
type FlaskWater = Of<typeof flaskWaterShape>
/** The flask, and the cast that goes in. */
export interface FlaskMeasured extends FlaskWater {
  readonly castLengthMillimetres: number
  readonly castWidthMillimetres: number
  /** Foot of the cast to its land, which comes level with the rim, mm. */
  readonly castMillimetres: number
  /** Highest cusp above the land, mm. */
  readonly cuspMillimetres: number
  /** Ridge, wax and teeth above the land, cm3. */
  readonly waxUpCm3: number
}
export type FlaskPour = 'first' | 'second' | 'cap'

export interface FlaskPours {
  /** To be filled by each pour, cm3. */
  readonly cm3: Readonly<Record<FlaskPour, number>>
  /** Between the teeth and the lid, mm. */
  readonly roomMillimetres: number
  /** What is wrong with this cast in this flask; empty when nothing is. */
  readonly warning: Saying
  readonly source: Source
}

/** Refuses a flask whose water or height makes no sense. @throws {DomainError} `reading-not-plausible` */
export function checkFlaskWater(flask: FlaskWater): void {
  for (const [what, field] of [
    ['The lower half', 'lowerMillilitres'],
    ['The ring', 'ringMillilitres'],
  ] as const)
    requireWithin(flask[field], { least: 20, most: 1000, kind: 'millilitres', what, field })
  requireWithin(flask.ringMillimetres, {
    least: 5,
    most: 80,
    kind: 'millimetres',
    what: 'The height of the ring',
    field: 'ringMillimetres',
  })
}

/**
 * What each of the three pours of a flask has to fill.
 * First: the lower half less the cast up to its land. Second: from there up to the cusps, less ridge, wax and teeth.
 * Cap: from the cusps to the lid. The ring is taken as straight: its area is its water over its height.
 *
 * @throws {DomainError} `reading-not-plausible`, `not-a-positive-number`, `inside-too-large`, `flask-too-low`
 * Source: exact from water and lengths, but for the shape of the cast (assumption).
 */
export function flaskPours(flask: FlaskMeasured): FlaskPours {
  const { lowerMillilitres, ringMillilitres, ringMillimetres, castMillimetres, cuspMillimetres } = flask
  checkFlaskWater(flask)
  requirePositive(cuspMillimetres, 'cuspMillimetres', 'The highest cusp')
  const area =
    requirePositive(flask.castLengthMillimetres, 'castLengthMillimetres', 'The length of the cast') *
    requirePositive(flask.castWidthMillimetres, 'castWidthMillimetres', 'The width of the cast')
  const castCm3 =
    (CAST_OF_ITS_BOX * area * requirePositive(castMillimetres, 'castMillimetres', 'The height of the cast')) /
    1000
  const roomMillimetres = ringMillimetres - cuspMillimetres
  if (!(roomMillimetres > 0))
    throw new DomainError(
      'flask-too-low',
      saying`The teeth stand ${qty.mm(cuspMillimetres)} above the rim, the ring is ${qty.mm(ringMillimetres)} high.`,
      'Take a higher flask, or trim the foot of the cast.',
      'cuspMillimetres',
    )
  const upToCusps = (ringMillilitres * cuspMillimetres) / ringMillimetres
  const waxUp = requirePositive(flask.waxUpCm3, 'waxUpCm3', 'Ridge, wax and teeth', { orZero: true })
  return {
    cm3: {
      first: leftOf(lowerMillilitres, castCm3, 'castMillimetres'),
      second: leftOf(upToCusps, waxUp, 'waxUpCm3'),
      cap: ringMillilitres - upToCusps,
    },
    roomMillimetres,
    warning:
      roomMillimetres < ROOM_ABOVE_TEETH.least
        ? saying`Only ${qty.mm(roomMillimetres, 1)} above the teeth, ${qty.mm(ROOM_ABOVE_TEETH.least)} to ${qty.mm(ROOM_ABOVE_TEETH.most)} are wanted: take a higher flask, or trim the foot of the cast.`
        : '',
    source: `water in the flask and lengths; the cast as ${CAST_OF_ITS_BOX} of its box (assumption)`,
  }
}

function leftOf(space: number, inside: number, field: string): number {
  if (space > inside) return space - inside
  throw new DomainError(
    'inside-too-large',
    saying`${qty.cubicCentimetres(inside, 0)} do not go into the ${qty.cubicCentimetres(space, 0)} that are there.`,
    'Measure it again, or take a larger flask.',
    field,
  )
}
