import { describe, expect, it } from '@jest/globals'
import { articulatorCards, spoken } from '@yentrik/core'
import {
  articulatorFields,
  articulatorOf,
  entryOfArticulator,
  usualArticulator,
} from './articulator-entry.ts'

describe('an articulator as it is typed', () => {
  it('each card, typed and read again, is the same articulator', () => {
    for (const { name, articulator } of articulatorCards) {
      const { articulator: again, faults, fault } = articulatorOf(entryOfArticulator(name, articulator))
      expect([faults, fault]).toEqual([{}, undefined])
      expect(again).toEqual({
        ...articulator,
        // These two are not asked for.
        immediateSideShiftMillimetres: 0,
        wingDegrees: { right: 0, left: 0 },
      })
    }
  })
  it('every field that is empty or no number is told at itself, all at once', () => {
    for (const [field] of articulatorFields) {
      const { articulator, faults } = articulatorOf({ ...usualArticulator, [field]: '' })
      expect(articulator).toBeUndefined()
      expect(Object.keys(faults)).toEqual([field])
    }
    const empty = Object.fromEntries(articulatorFields.map(([field]) => [field, 'x']))
    expect(Object.keys(articulatorOf({ ...usualArticulator, ...empty }).faults)).toHaveLength(
      articulatorFields.length,
    )
  })
  it('numbers that no articulator has are refused with a sentence', () => {
    const { articulator, faults, fault } = articulatorOf({ ...usualArticulator, condylarRight: '170' })
    expect(articulator).toBeUndefined()
    expect(faults).toEqual({})
    expect(spoken(fault!, 'metric')).toBe('The condylar guide is 170°. Enter 0 to 75°.')
  })
})
