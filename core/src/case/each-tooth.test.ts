import { describe, expect, it } from '@jest/globals'
import { teethNotRead } from '../sheet/index.ts'
import { Bench, J } from '../testing/case-bench.ts'

const teeth = [11, 12, 21]
/** At the exchange of stone teeth for copies, of these teeth. */
function atExchange(): Bench {
  const bench = new Bench('immediate-denture')
  bench.do({ type: 'amend', changes: { teeth }, reason: 'left out' })
  return bench.upTo('replace-teeth')
}
const read = (bench: Bench, ...places: string[]) =>
  bench.sheet('replace-teeth', 'pin-each', {
    kind: 'places',
    places: places.map((place) => ({ place, value: 0 })),
  })
const finish = { type: 'finishStep', jobId: J, stepId: 'replace-teeth' } as const

describe('what is read tooth by tooth', () => {
  it('one copied tooth of three is not the whole exchange', () => {
    const bench = atExchange()
    for (const command of bench.carefully('replace-teeth')) bench.do(command)
    read(bench, '11')
    expect(bench.refusal(finish)).toBe('teeth-not-read')
    read(bench, '11', '12', '21')
    expect(bench.refusal(finish)).toBeUndefined()
  })
  it('names the teeth that are still to come', () => {
    const bench = atExchange()
    read(bench, '12')
    expect(() => bench.do(finish)).toThrow('11, 21 are still to come')
    read(bench, '12', '21')
    expect(() => bench.do(finish)).toThrow('11 is still to come')
  })
  it('takes them by the numbers of the bench, FDI or universal', () => {
    // FDI 11, 12, 21 are universal 8, 7, 9 (ISO 3950; ADA, recalled).
    const places = ['8', ' 7', '21'].map((place) => ({ place }))
    expect(teethNotRead({ suggestTeeth: true }, places, teeth)).toEqual([])
    expect(teethNotRead({ suggestTeeth: true }, places.slice(1), teeth)).toEqual([11])
  })
  it('asks nothing of a sheet by places, nor where no tooth is named', () => {
    expect(teethNotRead({}, [], teeth)).toEqual([])
    expect(teethNotRead({ suggestTeeth: true }, [], [])).toEqual([])
  })
})
