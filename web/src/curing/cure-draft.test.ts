import { describe, expect, it } from '@jest/globals'
import { curePresets, programMinutes } from '@yentrik/core'
import fc from 'fast-check'
import { readSegments, typedSegment } from '../program/program-draft.ts'
import { bathProgram, cureFor, cureStart, dragged, sectionsOf, withProposal } from './cure-draft.ts'

describe('a bath as it is typed', () => {
  it('a preset, typed and read again, is the same bath', () => {
    cureStart.baths.forEach((bath, index) => {
      const { program } = bathProgram(bath)
      const preset = curePresets[index]!.program
      expect(program?.startCelsius).toBe(preset.startCelsius)
      // The rate is typed to a hundredth of a degree a minute.
      expect(Math.abs(programMinutes(program!) - programMinutes(preset))).toBeLessThan(1)
    })
  })
  it('names the line that wants a number, and the water that is missing', () => {
    const [bath] = cureStart.baths as readonly [(typeof cureStart.baths)[0]]
    const broken = { ...bath, segments: [{ rate: '1', to: '', hold: '60' }] }
    expect(bathProgram(broken).wrong).toBe('Line 1 wants a rate, a temperature and a hold.')
    expect(bathProgram({ ...bath, startCelsius: ' ' }).wrong).toContain('water at the start')
    expect(bathProgram({ ...bath, startCelsius: '20,5' }).program?.startCelsius).toBe(20.5)
  })
  it('dragged, stays in whole degrees and five minutes, within what water can be', () => {
    const to = fc.record({
      toCelsius: fc.double({ min: -500, max: 500, noNaN: true }),
      holdMinutes: fc.double({ min: -5000, max: 5000, noNaN: true }),
    })
    fc.assert(
      fc.property(fc.nat(3), fc.nat(1), to, (which, segment, change) => {
        const bath = cureStart.baths[which]!
        const moved = bathProgram(dragged(bath, segment, change)).program!
        const before = bathProgram(bath).program!
        for (const [n, each] of moved.segments.entries()) {
          if (n !== segment) {
            expect(each).toEqual(before.segments[n])
            continue
          }
          expect(Number.isInteger(each.toCelsius)).toBe(true)
          expect(each.holdMinutes % 5).toBe(0)
          expect(each.toCelsius).toBeGreaterThanOrEqual(40)
          expect(each.toCelsius).toBeLessThanOrEqual(100)
          expect(each.holdMinutes).toBeGreaterThanOrEqual(0)
          expect(each.holdMinutes).toBeLessThanOrEqual(1440)
        }
      }),
    )
  })
  it('a drag leaves alone what was typed and makes no sense yet', () => {
    const bath = { ...cureStart.baths[0]!, startCelsius: 'x' }
    expect(dragged(bath, 0, { toCelsius: 80 })).toBe(bath)
  })
})

describe('what the Cure screen holds', () => {
  it('for a case, has the bath chosen that its lab uses; without one the first', () => {
    for (const { id, name } of curePresets) {
      const draft = cureFor(id)
      expect(draft.baths[draft.chosen]?.name).toBe(name)
    }
    expect(cureFor(undefined).chosen).toBe(0)
    expect(cureFor('other').chosen).toBe(0)
  })
  it('a proposal takes the last place of four, and is chosen', () => {
    const { program } = curePresets[0]!
    const draft = withProposal(withProposal(cureStart, 'First', program), 'Second', program)
    expect(draft.baths).toHaveLength(4)
    expect(draft.baths[draft.chosen]?.name).toBe('Second')
    expect(draft.baths.some(({ name }) => name === 'First')).toBe(false)
  })
  it.each([
    [{ thin: '2,5', thick: '12' }, [2.5, 12]],
    [{ thin: '', thick: '12' }, undefined],
    [{ thin: '0', thick: '12' }, undefined],
    [{ thin: '2.5', thick: '-1' }, undefined],
    [{ thin: 'thin', thick: '12' }, undefined],
  ])('sections of %j', (typed, wanted) =>
    expect(sectionsOf(typed)?.map(({ millimetres }) => millimetres)).toEqual(wanted),
  )
})

describe('segments as typed', () => {
  it('read back as they were, the rate to a hundredth and the hold to the minute', () => {
    const segment = fc.record({
      rampCelsiusPerMinute: fc.double({ min: 0.01, max: 40, noNaN: true }),
      toCelsius: fc.integer({ min: 20, max: 1200 }),
      holdMinutes: fc.double({ min: 0, max: 900, noNaN: true }),
    })
    fc.assert(
      fc.property(fc.array(segment, { minLength: 1, maxLength: 6 }), (segments) => {
        const { segments: again } = readSegments(segments.map(typedSegment))
        again!.forEach((each, n) => {
          expect(each.toCelsius).toBe(segments[n]!.toCelsius)
          expect(Math.abs(each.rampCelsiusPerMinute - segments[n]!.rampCelsiusPerMinute)).toBeLessThanOrEqual(
            0.005 + 1e-9,
          )
          expect(Math.abs(each.holdMinutes - segments[n]!.holdMinutes)).toBeLessThanOrEqual(0.5)
        })
      }),
    )
  })
})
