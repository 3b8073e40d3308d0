import { describe, expect, it } from '@jest/globals'
import { routeTemplates } from '../jobs/index.ts'
import { metric, refused } from '../testing/words.ts'
import {
  checkSheet,
  type DataOfKind,
  goodSheet,
  judgeSheet,
  type SheetOfKind,
  type StepSheet,
  sheetWords,
} from './index.ts'

type Remount = DataOfKind<'remount'>
type Phase = SheetOfKind<'remount'>['phase']

/** The grinding of one bite, as a route asks for it. */
const askedOf = (phase: Phase) =>
  [...routeTemplates.values()]
    .flatMap(({ steps }) => steps.flatMap(({ sheets = [] }) => sheets.map((sheet) => sheet as StepSheet)))
    .find((sheet) => sheet.kind === 'remount' && sheet.phase === phase)!
const centric = askedOf('centric')
const record = (situation: Partial<Remount['situation']> = {}, more: Partial<Remount> = {}): Remount => ({
  kind: 'remount',
  situation: {
    pinMillimetres: 0,
    seated: true,
    fixing: 'glue',
    posteriorStops: { right: 4, left: 4 },
    ...situation,
  },
  rounds: [],
  ...more,
})
const judged = (data: Remount, sheet = centric) => {
  const { faults, outcome } = judgeSheet(sheet, data, () => undefined)
  return { faults: faults.map(metric), verdict: outcome.verdict }
}
const stands = (pinMillimetres: number, right: number, left: number) =>
  judged(record({ pinMillimetres, posteriorStops: { right, left } }))
const words = (data: Remount, sheet = centric) => metric(sheetWords(sheet, data, { lotNumber: String }))

describe('a remount on record', () => {
  it('in centric passes when pin and stops coincide', () => {
    expect(stands(0.05, 3, 4).faults).toEqual([])
    expect(stands(0.06, 4, 4).faults).toHaveLength(1)
    expect(stands(0, 2, 4).faults).toHaveLength(1)
  })
  it('with the pin up is ground on, with the pin down and uneven stops goes to the dentist', () => {
    expect(stands(0.5, 4, 4).verdict).toBe('adjust')
    expect(stands(0, 1, 4).verdict).toBe('askDentist')
    expect(stands(-0.1, 4, 4).verdict).toBe('askDentist')
  })
  it('says what is not right: the pin, the stops, that nobody counted them, or the bite', () => {
    expect(stands(0.5, 4, 4).faults).toEqual(['the pin stands open by 0.5 mm'])
    expect(stands(0, 1, 4).faults).toEqual(['stops 1 right and 4 left'])
    expect(judged(record({ posteriorStops: undefined })).faults).toEqual(['the stops are not counted'])
    expect(judged(record(), askedOf('left')).faults).toEqual(['to the left is not right yet'])
    expect(judged(record(), askedOf('protrusive')).faults).toEqual(['forwards is not right yet'])
  })
  it('of another bite passes when that bite was found right, and centric still is', () => {
    const left = askedOf('left')
    expect(judged(record({ foundRight: ['left'] }), left).faults).toEqual([])
    expect(judged(record({ foundRight: ['right'] }), left).faults).toHaveLength(1)
    expect(judged(record({ foundRight: ['left'], pinMillimetres: 0.4 }), left).faults).toEqual([
      'the pin stands open by 0.4 mm',
    ])
  })
  it('is said by its rounds, what was taken off, the pin and the stops', () => {
    const ground = (tooth: number, millimetres: number) => ({
      pinMillimetres: 0.3,
      marks: [],
      ground: { tooth, region: 'fossa' as const, millimetres },
    })
    expect(words(record())).toBe('centric, 0 rounds; pin 0 mm, stops 4 right and 4 left')
    expect(words(record({ posteriorStops: undefined }, { rounds: [ground(36, 0.15)] }))).toBe(
      'centric, 1 round, 0.15 mm off in 1 place; pin 0 mm',
    )
    const looked = { pinMillimetres: 0.1, marks: [] }
    expect(words(record({}, { rounds: [ground(36, 0.15), ground(46, 0.1), looked] }))).toBe(
      'centric, 3 rounds, 0.25 mm off in 2 places; pin 0 mm, stops 4 right and 4 left',
    )
  })
  it('is refused with a pin, of any round, that no articulator has', () => {
    const code = (data: Remount) => refused(() => checkSheet(centric, data))?.code
    expect(code(record())).toBeUndefined()
    expect(code(record({}, { rounds: [{ pinMillimetres: 0.4, marks: [] }] }))).toBeUndefined()
    const wrong = code(record({ pinMillimetres: -3 }))
    expect(wrong).toBeDefined()
    expect(code(record({}, { rounds: [{ pinMillimetres: -3, marks: [] }] }))).toBe(wrong)
  })
  it('of a careful hand has found right what comes before it too', () => {
    const found = (phase: Phase) => {
      const data = goodSheet(askedOf(phase))
      return data.kind === 'remount' ? data.situation.foundRight : undefined
    }
    expect(found('centric')).toEqual([])
    expect(found('left')).toEqual(['right', 'left'])
  })
})
