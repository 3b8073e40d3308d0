import { describe, expect, it } from '@jest/globals'
import { DomainError } from '../refusal/index.ts'
import { type Impression, readingOutcome } from '../route/index.ts'
import { Bench, J, MINUTE, START } from '../testing/index.ts'
import { stepOf, stepWindow } from './index.ts'

const at = (minutes: number) => new Date(START + minutes * MINUTE).toISOString()
/** Minutes after START until when it is good and from when it is past; undefined: there is no clock. */
function pourBy(bench: Bench, stepId: string) {
  const window = stepWindow(bench.job, stepOf(bench.job, stepId))
  return window && [window.lateFrom, window.pastFrom].map((instant) => (instant! - START) / MINUTE)
}
const studyCast = (impression?: Partial<Impression>) =>
  new Bench(
    'study-cast',
    {},
    impression ? [{ of: 'impression', material: 'alginate', ...impression }] : [],
  ).upTo('wrap')

describe('an impression counts from the mouth', () => {
  it('alginate within about 15 min of the mouth, transport and disinfection in them (common practice)', () => {
    const bench = studyCast({ takenAt: at(-8) })
    expect(pourBy(bench, 'pour-anatomy')).toEqual([2, 7])
    bench.now = START + 7.5 * MINUTE
    bench.finish('wrap')
    const pour = { type: 'startStep', jobId: J, stepId: 'pour-anatomy' } as const
    expect(bench.refusal(pour)).toBe('window-missed')
    expect(bench.refusal({ ...pour, outOfTimeReason: 'the dentist knows' })).toBeUndefined()
  })
  it('its hour not known, from when it was looked at, and it says so', () => {
    const bench = studyCast()
    const looked = Date.parse((bench.job.steps['inspect-impression'] as { finishedAt: string }).finishedAt)
    const window = stepWindow(bench.job, stepOf(bench.job, 'pour-anatomy'))!
    expect(window.pastFrom! - looked).toBe(15 * MINUTE)
    expect(window.source).toContain('not known')
    expect(window.ifPast?.toStepId).toBe('inspect-impression')
  })
  it('longer where its pack says so', () =>
    expect(pourBy(studyCast({ takenAt: at(-60), keepsMinutes: 100 }), 'pour-anatomy')).toEqual([40, 40]))
  it('condensation silicone wants its cast within about an hour; what keeps has no clock (common practice)', () => {
    expect(pourBy(studyCast({ takenAt: at(-8), material: 'condensation-silicone' }), 'pour-anatomy')).toEqual(
      [37, 52],
    )
    expect(pourBy(studyCast({ takenAt: at(-8), material: 'polyether' }), 'pour-anatomy')).toBeUndefined()
    expect(
      pourBy(studyCast({ takenAt: at(-8), material: 'addition-silicone' }), 'pour-anatomy'),
    ).toBeUndefined()
  })
  it.each([
    ['cast-crown', 'pour-die'],
    ['complete-denture', 'pour-master'],
  ])('%s: silicone keeps, the opposing alginate does not', (templateId, stepId) => {
    const opposing = { of: 'opposing', material: 'alginate', takenAt: at(-5) } as const
    expect(pourBy(new Bench(templateId), stepId)).toBeUndefined()
    expect(pourBy(new Bench(templateId, {}, [opposing]), stepId)).toEqual([5, 10])
  })
  it('an opposing impression that nobody said to have come has no clock, though it was looked at', () => {
    const bench = new Bench('cast-crown').upTo('wetting-agent')
    expect(pourBy(bench, 'pour-die')).toBeUndefined()
  })
  it('the impression that is past first decides', () => {
    const bench = new Bench('cast-crown', {}, [
      { of: 'impression', material: 'condensation-silicone', takenAt: at(-50) },
      { of: 'opposing', material: 'alginate', takenAt: at(-2) },
    ])
    expect(pourBy(bench, 'pour-die')).toEqual([-5, 10])
  })
})

describe('what came from the mouth, on record', () => {
  const record = (impressions: readonly Impression[]) => ({
    type: 'recordImpressions' as const,
    jobId: J,
    impressions,
  })
  it('can be put right later', () => {
    const bench = studyCast({ takenAt: at(-8) })
    bench.do(record([{ of: 'impression', material: 'alginate', takenAt: at(-3) }]))
    expect(pourBy(bench, 'pour-anatomy')).toEqual([7, 12])
  })
  it.each<[string, readonly Impression[], string, string]>([
    ['no-such-impression', [{ of: 'bite', material: 'alginate' }], 'impressions.0.of', 'impression'],
    [
      'no-such-impression',
      [
        { of: 'impression', material: 'alginate' },
        { of: 'impression', material: 'polyether' },
      ],
      'impressions.1.of',
      'twice',
    ],
    [
      'later-than-now',
      [{ of: 'impression', material: 'alginate', takenAt: at(60) }],
      'impressions.0.takenAt',
      '',
    ],
    [
      'not-an-instant',
      [{ of: 'impression', material: 'alginate', takenAt: 'at noon' }],
      'impressions.0.takenAt',
      '',
    ],
  ])('%s: %j is refused', (code, impressions, field, words) => {
    const bench = studyCast()
    expect(() => bench.do(record(impressions))).toThrow(expect.objectContaining({ code, field }))
    expect(() => new Bench('study-cast', {}, impressions)).toThrow(DomainError)
    try {
      bench.do(record(impressions))
    } catch (error) {
      expect(JSON.stringify([(error as DomainError).message, (error as DomainError).remedy])).toContain(words)
    }
  })
  it('is kept in UTC, whatever it was written in', () => {
    const bench = studyCast({ takenAt: '2026-03-02T09:50:00+02:00' })
    expect(bench.job.impressions[0]!.takenAt).toBe('2026-03-02T07:50:00.000Z')
  })
})

describe('a remake from a new impression', () => {
  const soft = () => {
    const bench = new Bench('study-cast', {}, [
      { of: 'impression', material: 'alginate', takenAt: '2026-03-02T07:50:00Z' },
    ])
    bench.upTo('separate')
    bench.check('separate', 'teeth-whole', 'Surface soft or chalky')
    return bench
  }
  const outcomeOf = (bench: Bench) => {
    const [check] = stepOf(bench.job, 'separate').checks!
    const outcome = readingOutcome(check!, { answer: 'Surface soft or chalky' })
    if (outcome.verdict !== 'remake') throw new Error('not a remake')
    return outcome
  }
  it('asks for it and waits, and the hour of the old one is no longer its hour', () => {
    const bench = soft()
    const { toStepId, awaits } = outcomeOf(bench)
    expect(bench.job.impressions).toHaveLength(1)
    bench.do({ type: 'goBack', jobId: J, toStepId, remake: true, reason: 'chalky', awaits: awaits! })
    expect(bench.job.question).toMatchObject({
      question: expect.stringContaining('take a new one'),
      stepId: toStepId,
    })
    expect(bench.job.impressions).toEqual([{ of: 'impression', material: 'alginate' }])
    expect(bench.job.remakes).toBe(1)
    const begin = { type: 'startStep', jobId: J, stepId: toStepId } as const
    expect(bench.refusal(begin)).toBe('dentist-asked')
    bench.do({ type: 'dentistAnswered', jobId: J, answer: 'came by courier', decision: 'proceed' })
    expect(bench.refusal(begin)).toBeUndefined()
  })
  it('a remake that needs nothing goes on at once, and keeps its impression', () => {
    const bench = soft()
    bench.do({
      type: 'goBack',
      jobId: J,
      toStepId: 'disinfect-impression',
      remake: true,
      reason: 'another pour',
    })
    expect(bench.job.question).toBeUndefined()
    expect(bench.job.impressions).toMatchObject([{ takenAt: expect.any(String) }])
  })
  it('what is awaited is said in words', () => {
    const bench = soft()
    const command = {
      type: 'goBack',
      jobId: J,
      toStepId: 'disinfect-impression',
      remake: true,
      reason: 'x',
      awaits: '  ',
    } as const
    expect(bench.refusal(command)).toBe('words-missing')
  })
})
