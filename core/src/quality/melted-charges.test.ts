import { describe, expect, it } from '@jest/globals'
import { type AlloyPiece, newMetal } from '../casting/index.ts'
import { Bench, J } from '../testing/index.ts'
import { castingRecord, meltedCharges } from './index.ts'

const piece = (id: string, grams: number): AlloyPiece => ({
  id,
  grams,
  lots: [{ lotId: `lot ${id}`, share: 1 }],
  history: newMetal,
})
const casting = () => {
  const bench = new Bench('cast-crown')
  const wanting = (kind: string) =>
    bench.job.route.steps.flatMap((step) =>
      (step.sheets ?? []).filter((sheet) => sheet.kind === kind).map(({ id }) => [step.id, id] as const),
    )[0]!
  const [meltStep, chargeSheet] = wanting('charge')
  const [buttonStep, buttonSheet] = wanting('button')
  const charge = (...pieces: AlloyPiece[]) =>
    bench.sheet(meltStep, chargeSheet, { kind: 'charge', alloyId: 'gold-type-3', pieces })
  const button = (grams: number) => bench.sheet(buttonStep, buttonSheet, { kind: 'button', grams })
  const melted = () => meltedCharges(bench.working.events, () => bench.job.route)
  return { bench, meltStep, buttonStep, charge, button, melted }
}

describe('what a case has melted', () => {
  it('counts the last charge of an attempt, and the button that was left of it', () => {
    const { bench, meltStep, buttonStep, charge, button, melted } = casting()
    bench.upTo(meltStep)
    charge(piece('a', 12))
    charge(piece('a', 12), piece('b', 4))
    expect(melted()).toEqual([
      expect.objectContaining({ jobId: J, alloyId: 'gold-type-3', grams: 16, remeltShare: 0 }),
    ])
    expect(melted()[0]!.button).toBeUndefined()
    bench.upTo(buttonStep)
    const before = melted()
    button(5.2)
    const [last] = melted().slice(-1)
    expect(melted()).toHaveLength(before.length)
    // All of it has now been melted once.
    expect(last!.button).toMatchObject({ grams: 5.2, history: { shares: [0, 1] } })
    button(0)
    expect(melted().at(-1)!.button).toBeUndefined()
  })
  it('what was melted before going back stays melted, and the next is another one', () => {
    const { bench, meltStep, charge, melted } = casting()
    bench.upTo(meltStep)
    charge(piece('a', 12))
    bench.do({ type: 'goBack', jobId: J, toStepId: meltStep, remake: false, reason: 'short margin' })
    expect(melted().map(({ grams }) => grams)).toEqual([12])
    bench.upTo(meltStep)
    charge(piece('c', 14))
    expect(melted().map(({ grams }) => grams)).toEqual([12, 14])
  })
  it('the record of the casting says what is in the ring now', () => {
    const { bench, meltStep, charge } = casting()
    bench.upTo(meltStep)
    expect(castingRecord(bench.job).alloyGrams).toBeUndefined()
    charge(piece('a', 12), piece('b', 4))
    expect(castingRecord(bench.job)).toMatchObject({
      alloyGrams: 16,
      remeltShare: 0,
      alloyId: 'gold-type-3',
    })
  })
})
