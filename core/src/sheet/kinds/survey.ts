import { joined, qty, type Saying, saying } from '../../quantity/index.ts'
import { DomainError, requireWithin } from '../../refusal/index.ts'
import { choice, figure, list, maybe, type Of, record, text, whole, yesNo } from '../../shape/index.ts'
import {
  armLoad,
  claspArmShape,
  MOST_GAUGE_MILLIMETRES,
  pathOf,
  surveyArchShape,
  tableTiltShape,
  tiltWords,
  tripodShape,
} from '../../survey/index.ts'
import { sheetKind } from '../sheet-kind.ts'

/** The scan that was surveyed: the file itself stays with the bench. */
export const scanFileShape = record({
  name: text(200, { example: 'cast.stl' }),
  sha256: text(64, { least: 64, example: 'a'.repeat(64) }),
  triangles: whole(1, 3_000_000),
})

const { deflectionMillimetres: _depth, ...armWithout } = claspArmShape.properties
/** A place under an arm: what its gauge reads there. */
const placeShape = record({
  place: text(120, { least: 0, example: '24, towards the cheek' }),
  gaugeMillimetres: figure(-1e6, 1e6, { example: 0.5 }),
  depthMillimetres: figure(-1e6, 1e6, { example: 0.5 }),
  /** With the table level. */
  levelMillimetres: maybe(figure(-1e6, 1e6, { example: 0.4 })),
  /** Down the tooth from the survey line, as dividers are opened. */
  downMillimetres: maybe(figure(-1e6, 1e6, { example: 2.7 })),
  arm: maybe(record(armWithout)),
})
export type SurveyedPlaceEntry = Of<typeof placeShape>

/** A gauge that reads so much beside what its arm wants is another place (choice). */
const OFF_MILLIMETRES = 0.1

const reading = (value: number, what: string, field: string, most: number) =>
  requireWithin(value, { least: 0, most, kind: 'millimetres', what, field })

/** A cast surveyed, by scan or by gauge: its tilt, the places of its arms, what is blocked out. */
export const surveySheet = sheetKind({
  kind: 'survey',
  data: record({
    by: choice(['scan', 'gauges']),
    arch: surveyArchShape,
    file: maybe(scanFileShape),
    tilt: maybe(tableTiltShape),
    tripod: maybe(tripodShape),
    floorMillimetres: maybe(figure(-1e4, 1e4, { example: 3 })),
    /** Painted by hand, or all above the floor. */
    painted: maybe(yesNo()),
    blockOutMillilitres: maybe(figure(-1e6, 1e6, { example: 1.8 })),
    taperDegrees: maybe(figure(-1e4, 1e4, { example: 2 })),
    places: list(placeShape, 12),
  }),
  wants: record({ leastPlaces: whole(0, 12), usualGauge: figure(0.1, 2) }),
  check: ({ places, tilt, blockOutMillilitres, by, file }, { leastPlaces, name }) => {
    if (places.length < leastPlaces)
      throw new DomainError(
        'too-few-places',
        `"${name}" has ${places.length} of ${leastPlaces} places.`,
        'Read the gauge at more places.',
        'places',
      )
    if (by === 'scan' && !file)
      throw new DomainError(
        'words-missing',
        'It does not say which scan was surveyed.',
        'Open the scan on the Survey screen and record from there.',
        'file',
      )
    if (tilt) pathOf(tilt)
    if (blockOutMillilitres !== undefined)
      requireWithin(blockOutMillilitres, {
        least: 0,
        most: 100,
        kind: 'millilitres',
        what: 'Block-out',
        field: 'blockOutMillilitres',
      })
    for (const each of places) {
      if (each.place.trim() === '')
        throw new DomainError(
          'words-missing',
          'A place has no name.',
          'Name the tooth, or take the line away.',
          'place',
        )
      reading(each.depthMillimetres, `"${each.place}"`, 'depthMillimetres', 6)
      if (!(each.gaugeMillimetres > 0))
        reading(Number.NaN, `Gauge at "${each.place}"`, 'gaugeMillimetres', MOST_GAUGE_MILLIMETRES)
      reading(each.gaugeMillimetres, `Gauge at "${each.place}"`, 'gaugeMillimetres', MOST_GAUGE_MILLIMETRES)
      loadOf(each)
    }
  },
  faults: ({ places }) => places.flatMap(placeFaults),
  words: ({ by, arch, tilt, places, blockOutMillilitres }) =>
    joined([
      by === 'scan' ? 'by scan' : 'by gauge',
      ...(tilt ? tiltWords(arch, tilt) : []),
      ...places.map(({ place, depthMillimetres }) => saying`${place} ${qty.mm(depthMillimetres, 2)}`),
      ...(blockOutMillilitres === undefined
        ? []
        : [saying`block out ${qty.millilitres(blockOutMillilitres, 2)}`]),
    ]),
  good: (sheet) => byGauge(sheet, sheet.usualGauge),
  failingExample: (sheet) => byGauge(sheet, 0.05),
  refusedExample: (sheet) => byGauge(sheet, 9),
})

/** As it is read at each place by hand. */
function byGauge(
  { leastPlaces, usualGauge }: { readonly leastPlaces: number; readonly usualGauge: number },
  depthMillimetres: number,
) {
  const names = ['24, towards the cheek', '14, towards the cheek']
  return {
    by: 'gauges' as const,
    arch: 'upper' as const,
    places: Array.from({ length: Math.max(1, leastPlaces) }, (_, n) => ({
      place: names[n] ?? `place ${n + 1}`,
      gaugeMillimetres: usualGauge,
      depthMillimetres,
    })),
  }
}

const loadOf = ({ arm, depthMillimetres }: SurveyedPlaceEntry) =>
  arm && armLoad({ ...arm, deflectionMillimetres: depthMillimetres })

function placeFaults(each: SurveyedPlaceEntry): Saying[] {
  const { place, gaugeMillimetres, depthMillimetres, levelMillimetres } = each
  const load = loadOf(each)
  return [
    ...(Math.abs(depthMillimetres - gaugeMillimetres) > OFF_MILLIMETRES
      ? [saying`${place}: ${qty.mm(depthMillimetres, 2)} where ${qty.mm(gaugeMillimetres, 2)} is wanted`]
      : []),
    ...(levelMillimetres !== undefined && levelMillimetres < gaugeMillimetres / 2
      ? [`${place}: holds by the tilt alone`]
      : []),
    ...(load && load.verdict === 'takesASet' ? [`${place}: the arm takes a set`] : []),
  ]
}
