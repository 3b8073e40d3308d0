import { describe, expect, it } from '@jest/globals'
import type { LotOnShelf } from '@yentrik/contract'
import { lotNotices } from './shelf-notices.ts'

const lot = {
  lotId: 'l1',
  materialId: 'dental-stone',
  productId: null,
  number: 'S3-1',
  receivedAt: '2026-01-10T08:00:00Z',
  openedOn: null,
  expiresOn: null,
  inUse: true,
  quarantine: null,
  receivedGrams: 5000,
  lowBelowGrams: 500,
  leftGrams: 3000,
  runsLow: false,
  openCases: 0,
} as unknown as LotOnShelf
const at = (year: number, month: number, day: number, hour = 12) =>
  new Date(year, month - 1, day, hour).getTime()
const words = (change: Partial<LotOnShelf>, now: number) =>
  lotNotices({ ...lot, ...change }, now).map((notice) => `${notice.tone}: ${notice.words}`)

describe('what wants attention about a lot', () => {
  it('is nothing while all is well, and nothing of a lot that is used up', () => {
    expect(words({}, at(2026, 11, 25))).toEqual([])
    const bad = { inUse: false, expiresOn: '2020-01-01', runsLow: true }
    expect(words(bad, at(2026, 11, 25))).toEqual([])
  })
  it('is its expiry: good to the last hour of its day, and told two months before', () => {
    const on = { expiresOn: '2026-11-25' }
    expect(words(on, at(2026, 9, 20))).toEqual([])
    expect(words(on, at(2026, 10, 20))).toEqual(['warning: expires Wed 25 Nov'])
    expect(words(on, at(2026, 11, 25, 23))).toEqual(['warning: expires Wed 25 Nov'])
    expect(words(on, at(2026, 11, 26, 1))).toEqual(['error: expired Wed 25 Nov'])
  })
  it('puts quarantine first, with the cases that hang on it', () => {
    const held = { quarantine: 'crumbles', runsLow: true, leftGrams: 420 } as unknown as Partial<LotOnShelf>
    expect(words({ ...held, openCases: 0 }, at(2026, 11, 25))).toEqual([
      'error: in quarantine',
      'warning: runs low, 420 g left',
    ])
    expect(words({ ...held, openCases: 1 }, at(2026, 11, 25))[0]).toBe('error: in quarantine, 1 open case')
    expect(words({ ...held, openCases: 3 }, at(2026, 11, 25))[0]).toBe('error: in quarantine, 3 open cases')
  })
})
