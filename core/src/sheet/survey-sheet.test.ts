import { describe, expect, it } from '@jest/globals'
import { routeTemplates } from '../jobs/index.ts'
import { metric, refused } from '../testing/words.ts'
import { checkSheet, type DataOfKind, judgeSheet, type StepSheet, sheetWords } from './index.ts'

const asked = [...routeTemplates.values()].flatMap(({ steps }) =>
  steps.flatMap(({ sheets = [] }) => sheets.map((sheet) => sheet as StepSheet)),
)
const sheet = asked.find(({ kind }) => kind === 'survey')!
type Survey = DataOfKind<'survey'>
type Place = Survey['places'][number]

const survey = (place: Partial<Place> = {}, change: Partial<Survey> = {}): Survey => ({
  kind: 'survey',
  by: 'gauges',
  arch: 'upper',
  places: [{ place: '24', gaugeMillimetres: 0.5, depthMillimetres: 0.5, ...place }],
  ...change,
})
const faults = (data: Survey) => judgeSheet(sheet, data, () => undefined).faults.map(metric)
const against = (data: Survey) => {
  const error = refused(() => checkSheet(sheet, data))
  return error && [error.code, error.field]
}
const file = { name: 'cast.stl', sha256: 'a'.repeat(64), triangles: 9 }
const wire = (freeMillimetres: number) => ({
  material: 'steel' as const,
  run: { shape: 'straight' as const, freeMillimetres },
  cut: { section: 'round' as const, millimetres: 0.9 },
})

describe('a survey on record', () => {
  it('a place within 0.1 mm of its gauge passes (choice), beside it not', () => {
    expect(faults(survey({ depthMillimetres: 0.59 }))).toEqual([])
    expect(faults(survey({ depthMillimetres: 0.41 }))).toEqual([])
    expect(faults(survey({ depthMillimetres: 0.31 }))).toEqual(['24: 0.31 mm where 0.5 mm is wanted'])
    expect(judgeSheet(sheet, survey({ depthMillimetres: 0.7 }), () => undefined).outcome.verdict).toBe(
      'askDentist',
    )
  })
  it('what holds by the tilt alone does not pass: at least half of the gauge with the table level (choice)', () => {
    expect(faults(survey({ levelMillimetres: 0.25 }))).toEqual([])
    expect(faults(survey({ levelMillimetres: 0.24 }))).toEqual(['24: holds by the tilt alone'])
  })
  it('an arm that takes a set does not pass; one that springs back does', () => {
    expect(faults(survey({ arm: wire(15) }))).toEqual([])
    // σ = 3 E y d / (2 L²): at 9 mm 1500 MPa of 1200.
    expect(faults(survey({ arm: wire(9) }))).toEqual(['24: the arm takes a set'])
  })
  it('says how it was surveyed, the tilt and the places', () =>
    expect(
      metric(
        sheetWords(
          sheet,
          survey(
            {},
            {
              by: 'scan',
              file,
              tilt: { lateralDegrees: 5, anteroposteriorDegrees: -3 },
              blockOutMillilitres: 1.8,
            },
          ),
          { lotNumber: (id) => id },
        ),
      ),
    ).toContain('by scan, front down 3°, left side up 5°, 24 0.5 mm, block out 1.8 mL'))
  it.each<[string, Survey, readonly (string | undefined)[]]>([
    ['no place', survey({}, { places: [] }), ['too-few-places', 'places']],
    ['a place without a name', survey({ place: ' ' }), ['words-missing', 'place']],
    [
      'a depth that no gauge reads',
      survey({ depthMillimetres: 7 }),
      ['reading-not-plausible', 'depthMillimetres'],
    ],
    ['a gauge of nothing', survey({ gaugeMillimetres: 0 }), ['reading-not-plausible', 'gaugeMillimetres']],
    ['a scan that is not named', survey({}, { by: 'scan' }), ['words-missing', 'file']],
    [
      'more wax than a cast holds',
      survey({}, { blockOutMillilitres: 101 }),
      ['reading-not-plausible', 'blockOutMillilitres'],
    ],
    [
      'a tilt that no table has',
      survey({}, { tilt: { lateralDegrees: 50, anteroposteriorDegrees: 0 } }),
      ['tilt-out-of-range', 'lateralDegrees'],
    ],
    ['an arm without length', survey({ arm: wire(0) }), ['not-a-positive-number', 'freeMillimetres']],
  ])('%s is refused', (_, data, wanted) => expect(against(data)).toEqual(wanted))
})
