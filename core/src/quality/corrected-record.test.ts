import { describe, expect, it } from '@jest/globals'
import { MadeCase, madeRoute } from '../testing/made-record.ts'
import { correctedRecord } from './corrected-record.ts'

describe('a record as if nobody had erred', () => {
  it('a mix that was corrected has what it should have had, the rest as it was', () => {
    const made = new MadeCase('a', madeRoute('mixed', [{ id: 'p' }, { id: 'q' }]))
    made.start('p', 0)
    const mix = { stepId: 'p', amountId: 'x', materialId: 'stone', powderGrams: 100, liquidMillilitres: 30 }
    const corrects = made.add('mixRecorded', 2, { ...mix, lots: ['A'], roomCelsius: 21 } as never)
    const sheetAt = made.events.length
    made.add('corrected', 3, { corrects, powderGrams: 110, reason: 'misread' } as never)
    made.add('corrected', 4, { corrects, lots: ['B'], reason: 'the other bag' } as never)
    const { events, slips } = correctedRecord(made.events)
    expect(slips).toBe(1)
    expect(events[sheetAt - 1]).toMatchObject({ ...mix, powderGrams: 110, lots: ['B'], roomCelsius: 21 })
    expect(events.map(({ sequence }) => sequence)).toEqual(made.events.map(({ sequence }) => sequence))
    expect(events.slice(-2).map(({ type }) => type)).toEqual(['noted', 'noted'])
    expect(correctedRecord(events)).toEqual({ events, slips: 0 })
  })
  it('keeps the places of what was withdrawn, with nothing in them', () => {
    const made = new MadeCase('a').step('p', 0, 10)
    const back = made.back('p', 12)
    made.add('withdrawn', 13, { withdraws: back, reason: 'wrong case' })
    const { events, slips } = correctedRecord(made.events)
    expect(slips).toBe(1)
    expect(events.map(({ type }) => type)).toEqual([
      'caseReceived',
      'stepStarted',
      'stepFinished',
      'noted',
      'noted',
    ])
    expect(events[3]).toEqual({ sequence: 4, at: made.events[3]!.at, by: 'Ada', type: 'noted', text: '' })
  })
})
