import { describe, expect, it } from '@jest/globals'
import { inventedPrescription, inventedSetUp, spoken } from '@yentrik/core'
import {
  measureFaults,
  prescriptionOf,
  readingOf,
  rimMeasures,
  setUpMeasures,
  tolerancesOf,
  typedPrescription,
  typedReading,
  typedTolerances,
  wantedAt,
} from './measure-entry.ts'
import { draftOf, entryOf, freshPlan, planOrRefusal } from './plan-draft.ts'

describe('a plan as it is typed', () => {
  it('a stored plan, looked at and kept again, is the same plan', () => {
    const { entry, faults } = entryOf(draftOf(inventedSetUp))
    expect(faults).toEqual({})
    expect({ ...entry, rim: undefined, crest: undefined }).toEqual({
      ...inventedSetUp,
      rim: undefined,
      crest: undefined,
    })
    const sorted = (points: readonly { x: number; y: number }[]) =>
      [...points].map(({ x, y }) => `${x} ${y}`).sort()
    expect(sorted(entry!.rim)).toEqual(sorted(inventedSetUp.rim))
    expect(sorted(entry!.crest)).toEqual(sorted(inventedSetUp.crest))
  })
  it('keeps natural lowers, right then left', () => {
    const heightsMillimetres = { right: [0, 0.4, 0.9, 1.6], left: [0.1, 0.5, 1, 1.7] }
    const natural = {
      ...inventedSetUp,
      opposing: { kind: 'natural' as const, overlapMillimetres: 1, heightsMillimetres },
    }
    expect(entryOf(draftOf(natural)).entry?.opposing).toEqual(natural.opposing)
  })
  it('takes what the prescription on record says', () => {
    const draft = freshPlan('upper', inventedPrescription)
    expect(draft).toMatchObject({ rimFront: '8', canineRight: '24', canineLeft: '24.5', highLip: '9.5' })
    expect(freshPlan('lower', undefined)).toMatchObject({ rimFront: '', canineRight: '' })
  })
  it('names every field that is missing or wrong, and only those', () => {
    const draft = draftOf(inventedSetUp)
    expect(entryOf({ ...draft, highLip: 'nine' }).faults).toEqual({
      highLip: expect.stringContaining('"nine" is not a number'),
    })
    expect(Object.keys(entryOf({ ...draft, toothSet: undefined, radius: '' }).faults)).toEqual([
      'toothSet',
      'radius',
    ])
    const [first, ...rest] = draft.rows
    expect(Object.keys(entryOf({ ...draft, rows: [{ ...first!, depth: 'x' }, ...rest] }).faults)).toEqual([
      '0 depth',
    ])
  })
  it('reads a comma as a point, leaves out an empty row, puts the right side to the right', () => {
    const draft = draftOf(inventedSetUp)
    const empty = { depth: '50', rimRight: '', rimLeft: '', crestRight: '', crestLeft: '' }
    const { entry } = entryOf({ ...draft, highLip: '9,5', rows: [...draft.rows, empty] })
    expect(entry?.highLipMillimetres).toBe(9.5)
    expect(entry?.rim).toHaveLength(inventedSetUp.rim.length)
    const one = entryOf({ ...draft, rows: [{ ...empty, depth: '5', rimRight: '14', rimLeft: '13' }] }).entry!
    expect(one.rim).toEqual([
      { x: 0, y: 8 },
      { x: -14, y: 3 },
      { x: 13, y: 3 },
    ])
  })
  it("gives the core's refusal in words, or the plan", () => {
    expect(planOrRefusal(inventedSetUp).plan?.anterior).toHaveLength(6)
    expect(spoken(planOrRefusal({ ...inventedSetUp, curveRadiusMillimetres: 10 }).refusal!, 'us')).toBe(
      'A sphere of 0.394 in does not reach both sides of the arch. Choose a larger radius.',
    )
  })
})

describe('the measures of rim and teeth', () => {
  it('a prescription typed and read again is the same, on either arch', () => {
    for (const arch of ['upper', 'lower'] as const) {
      const prescription = { ...inventedPrescription, arch }
      expect(prescriptionOf(arch, typedPrescription(prescription))).toEqual(prescription)
      expect(measureFaults(rimMeasures(arch), typedPrescription(prescription))).toEqual({})
    }
  })
  it('so are a reading and its tolerances', () => {
    const sides = { right: 21.5, left: 22.1 }
    const reading = {
      centreLineMillimetres: 0.2,
      incisalLevelMillimetres: sides,
      labialFullnessMillimetres: { right: 8, left: 8.2 },
      canineMillimetres: { right: 24, left: 24.3 },
      planeMillimetres: { right: 26, left: 26.4 },
      pinMillimetres: 0,
    }
    expect(readingOf(typedReading(reading))).toEqual(reading)
    expect(measureFaults(setUpMeasures('upper'), typedReading(reading))).toEqual({})
    expect(tolerancesOf(typedTolerances())).toMatchObject({ levelMillimetres: 0.5, fullnessMillimetres: 1 })
  })
  it('names the teeth of the arch, and what the rim said at each place', () => {
    expect(setUpMeasures('upper').map(({ name }) => name)).toEqual(
      expect.arrayContaining(['Incisal level, 11', 'Canine line, 23']),
    )
    expect(setUpMeasures('lower').map(({ name }) => name)).toEqual(
      expect.arrayContaining(['Incisal level, 31', 'Canine line, 43']),
    )
    expect(wantedAt(inventedPrescription, 'levelLeft')).toBe(21.5)
    expect(wantedAt(inventedPrescription, 'canineLeft')).toBe(24.5)
    expect(wantedAt(inventedPrescription, 'pin')).toBe(0)
  })
  it('an empty measure is missing, words are no number', () => {
    const faults = measureFaults(rimMeasures('upper'), { level: 'low' })
    expect(Object.keys(faults)).toHaveLength(rimMeasures('upper').length)
    expect(faults.level).toContain('"low" is not a number')
  })
})
