import { describe, expect, it } from '@jest/globals'
import { refused } from '../testing/index.ts'
import { checkPlanPerson, usualPerson } from './index.ts'

describe('the hours of a person', () => {
  const hours = (...stretches: readonly (readonly [number, number, number])[]) =>
    refused(() =>
      checkPlanPerson({
        ...usualPerson,
        hours: stretches.map(([weekday, opensMinute, closesMinute]) => ({
          weekday,
          opensMinute,
          closesMinute,
        })),
      }),
    )?.message
  it('may touch within a day, and be the same on another', () => {
    expect(hours([1, 480, 720], [1, 720, 1020], [2, 480, 720])).toBeUndefined()
    expect(hours([1, 720, 1020], [1, 480, 720])).toBeUndefined()
  })
  it('end after they begin', () => {
    expect(hours([1, 480, 480])).toMatch('ends before it begins')
    expect(hours([1, 481, 480])).toMatch('ends before it begins')
    expect(hours([1, 480, 481])).toBeUndefined()
  })
  it('do not overlap by a minute, whichever is named first', () => {
    expect(hours([1, 480, 721], [1, 720, 1020])).toMatch('overlap')
    expect(hours([1, 720, 1020], [1, 480, 721])).toMatch('overlap')
    expect(hours([1, 480, 1020], [1, 600, 660])).toMatch('overlap')
  })
})
