import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { seededRandom } from '../random/index.ts'
import { goodSheet } from '../sheet/index.ts'
import { Bench, routes as house, J, MINUTE, START } from '../testing/index.ts'
import { inventedPair } from '../trimming/index.ts'
import {
  type CaseCommand,
  type CaseEvent,
  carefulWork,
  caseState,
  currentStep,
  isDelivered,
  isSettled,
  receiveCase,
  reopenedSteps,
  stepOf,
} from './index.ts'

describe('the rules of the bench', () => {
  it('stops for the dentist when the impression failed, and remakes when a new one comes', () => {
    const bench = new Bench().upTo('inspect-impression')
    bench.check('inspect-impression', 'impression-whole', 'Torn or part missing')
    expect(bench.job.question?.question).toContain('torn')
    expect(bench.refusal({ type: 'finishStep', jobId: J, stepId: 'inspect-impression' })).toBe(
      'dentist-asked',
    )
    bench.do({
      type: 'dentistAnswered',
      jobId: J,
      answer: 'New one comes',
      decision: 'remake',
      toStepId: 'disinfect-impression',
    })
    expect(bench.job.remakes).toBe(1)
    expect(currentStep(bench.job)?.id).toBe('disinfect-impression')
    expect(bench.job.steps['disinfect-impression']?.attempt).toBe(2)
  })
  it('asks the dentist about a pin opening above 2 mm, not at 2 mm', () => {
    const bench = new Bench('complete-denture').upTo('pin-opening')
    bench.check('pin-opening', 'pin-open', 2)
    expect(bench.job.question).toBeUndefined()
    bench.check('pin-opening', 'pin-open', 2.6)
    expect(bench.job.question?.checkId).toBe('pin-open')
    bench.do({ type: 'dentistAnswered', jobId: J, answer: 'Grind it in', decision: 'proceed' })
    bench.finish('pin-opening')
    expect(bench.job.steps['pin-opening']?.status).toBe('done')
  })
  it('withdraws the question when the reading was a slip and is corrected', () => {
    const bench = new Bench('complete-denture').upTo('pin-opening')
    bench.check('pin-opening', 'pin-open', 26)
    const corrects = bench.working.state.sequence
    bench.do({ type: 'correct', corrects, value: 1.6, reason: 'read wrong' })
    expect(bench.job.question).toBeUndefined()
    const reading = bench.job.steps['pin-opening']!.readings[0]!
    expect(reading).toMatchObject({ value: 1.6, corrected: { value: 26, reason: 'read wrong' } })
    expect(bench.working.events.find((e) => e.sequence === corrects)).toMatchObject({ value: 26 })
  })
  it('asks the dentist when the denture wobbles on its cast', () => {
    const bench = new Bench('complete-denture').upTo('mould-tells')
    bench.check('mould-tells', 'on-cast', 'Wobbles')
    expect(bench.job.question?.question).toContain('remounted')
  })
  it('scratches at high shine open pumice and all after it, none may be skipped', () => {
    const bench = new Bench('complete-denture', { tripoli: 'use' }).upTo('high-shine')
    bench.sheet('high-shine', 'wheel', { kind: 'wheel', label: 'High shine', written: 'high-shine' })
    bench.check('high-shine', 'shine', 'A scratch: seen wet')
    expect(bench.refusal({ type: 'finishStep', jobId: J, stepId: 'high-shine' })).toBe('check-failing')
    bench.do({ type: 'goBack', jobId: J, toStepId: 'pumice', remake: false, reason: 'scratches at shine' })
    expect(['pumice', 'tripoli', 'high-shine'].map((id) => bench.job.steps[id]?.attempt)).toEqual([2, 2, 2])
    expect(bench.job.steps.rubber?.status).toBe('done')
    expect(bench.refusal({ type: 'skipStep', jobId: J, stepId: 'pumice', reason: 'hurry' })).toBe(
      'step-not-skippable',
    )
    expect(bench.refusal({ type: 'startStep', jobId: J, stepId: 'high-shine' })).toBe('step-not-yet')
    expect(bench.job.steps['high-shine']?.past[0]?.readings[0]?.answer).toBe('A scratch: seen wet')
  })
  it('going back is no remake, and a remake is counted once', () => {
    const bench = new Bench().upTo('set')
    const back = (remake: boolean) =>
      bench.do({ type: 'goBack', jobId: J, toStepId: 'pour-anatomy', remake, reason: 'bubbles' })
    back(false)
    expect(bench.job.remakes).toBe(0)
    expect(bench.job.wentBack).toMatchObject({ toStepId: 'pour-anatomy', remake: false, reason: 'bubbles' })
    bench.upTo('set')
    back(true)
    expect(bench.job.remakes).toBe(1)
    bench.upTo('set')
    back(false)
    expect(bench.job.remakes).toBe(1)
  })
  it('repeats trial closures until no flash shows', () => {
    const bench = new Bench('complete-denture').upTo('trial-closures')
    const finish = { type: 'finishStep', jobId: J, stepId: 'trial-closures' } as const
    const closures = (...flash: readonly boolean[]) =>
      bench.do({
        type: 'recordSheet',
        jobId: J,
        stepId: 'trial-closures',
        sheetId: 'closures',
        sheet: {
          kind: 'closures',
          closures: flash.map((each) => ({ kilopascals: 10_342, flash: each, gap: false, from: 'press' })),
        },
      })
    closures(true)
    expect(bench.refusal(finish)).toBe('sheet-failing')
    closures(true, true)
    expect(bench.refusal(finish)).toBe('sheet-failing')
    closures(true, true, false)
    bench.do(finish)
  })
  it('holds to its windows, and takes a reason', () => {
    const bench = new Bench().upTo('set')
    bench.check('set', 'heat-gone', 'Cool')
    // The stone was mixed 2 min before.
    bench.now += 42 * MINUTE
    expect(bench.refusal({ type: 'finishStep', jobId: J, stepId: 'set' })).toBe('too-soon')
    expect(bench.refusal({ type: 'finishStep', jobId: J, stepId: 'set', outOfTimeReason: ' ' })).toBe(
      'too-soon',
    )
    bench.do({ type: 'finishStep', jobId: J, stepId: 'set', outOfTimeReason: 'fast-setting stone' })
    expect(bench.working.events.at(-1)).toMatchObject({ outOfTime: 'tooSoon' })
    expect((bench.job.steps.set as { outOfTimeReason?: string }).outOfTimeReason).toBe('fast-setting stone')
  })
  it('refuses to pour alginate after 15 min without a reason', () => {
    const bench = new Bench().upTo('wrap')
    bench.finish('wrap')
    bench.now += 14 * MINUTE
    expect(bench.refusal({ type: 'startStep', jobId: J, stepId: 'pour-anatomy' })).toBeUndefined()
    bench.now += 2 * MINUTE
    expect(bench.refusal({ type: 'startStep', jobId: J, stepId: 'pour-anatomy' })).toBe('window-missed')
  })
  it('stops everything but notes while on hold', () => {
    const bench = new Bench().upTo('wrap')
    bench.do({ type: 'hold', reason: 'clinic called' })
    expect(bench.refusal({ type: 'finishStep', jobId: J, stepId: 'wrap' })).toBe('case-held')
    bench.do({ type: 'note', text: 'they call back at two' })
    bench.do({ type: 'release' })
    expect(bench.refusal({ type: 'release' })).toBe('not-held')
    bench.finish('wrap')
  })
  it('swaps a variant ahead, not behind', () => {
    const bench = new Bench().upTo('wrap')
    bench.do({ type: 'swapVariant', jobId: J, matter: 'base', choice: 'one-pour', reason: 'asked for' })
    expect(bench.job.route.choices.base).toBe('one-pour')
    const later = new Bench().upTo('trim')
    expect(
      later.refusal({ type: 'swapVariant', jobId: J, matter: 'base', choice: 'one-pour', reason: 'x' }),
    ).toBe('variant-too-late')
  })
  it('counts every part back before the case may leave', () => {
    const bench = new Bench('implant-verification').upTo('deliver')
    bench.sheet('deliver', 'enclosures', { kind: 'enclosures', went: [] })
    const finish: CaseCommand = { type: 'finishStep', jobId: J, stepId: 'deliver' }
    expect(bench.refusal(finish)).toBe('sheet-missing')
    const back = (screws: number): CaseCommand => ({
      type: 'recordSheet',
      jobId: J,
      stepId: 'deliver',
      sheetId: 'parts-back',
      sheet: {
        kind: 'parts',
        parts: [
          { name: 'Impression copings', count: 4 },
          { name: 'Coping screws', count: screws },
          { name: 'Impression tray', count: 1 },
        ],
      },
    })
    bench.do(back(0))
    expect(bench.refusal(finish)).toBe('sheet-failing')
    bench.do(back(4))
    bench.finish('deliver')
    expect(isDelivered(bench.working.state)).toBe(true)
  })
  it('a jig that is thin at one place does not pass, unless the dentist takes it', () => {
    const bench = new Bench('implant-verification').upTo('jig-thickness')
    const places = (thin: number, count = 4) => ({
      kind: 'places' as const,
      places: Array.from({ length: count }, (_, n) => ({ place: `place ${n}`, value: n === 2 ? thin : 4.1 })),
    })
    const on = { jobId: J, stepId: 'jig-thickness' }
    const record = (sheet: ReturnType<typeof places>): CaseCommand => ({
      type: 'recordSheet',
      ...on,
      sheetId: 'jig-places',
      sheet,
    })
    expect(bench.refusal(record(places(4, 3)))).toBe('too-few-places')
    expect(bench.refusal(record(places(400)))).toBe('reading-not-plausible')
    bench.do(record(places(2.9)))
    expect(bench.refusal({ type: 'finishStep', ...on })).toBe('sheet-failing')
    bench.do({ type: 'askDentist', ...on, question: 'Thin at one place, there is no room.' })
    bench.do({ type: 'dentistAnswered', jobId: J, answer: 'Accepted', decision: 'proceed' })
    bench.finish('jig-thickness')
  })
  it('past its upper limit a hard window wants a reason, before it none', () => {
    const bench = new Bench('implant-verification').upTo('tray-cure')
    const finish: CaseCommand = { type: 'finishStep', jobId: J, stepId: 'tray-cure' }
    bench.now += 1.9 * MINUTE
    expect(bench.refusal(finish)).toBeUndefined()
    bench.now += 0.2 * MINUTE
    expect(bench.refusal(finish)).toBe('window-missed')
    bench.do({ ...finish, outOfTimeReason: 'called away; wax looked at, whole' })
    expect(bench.working.events.at(-1)).toMatchObject({ outOfTime: 'tooLate' })
  })
  it('a finished pair that fails names its lines; a plan of nonsense is not taken', () => {
    const bench = new Bench('study-model-pair').upTo('verify')
    bench.check('verify', 'stands', 'They stand, teeth in contact')
    const sheet = goodSheet(stepOf(bench.job, 'verify').sheets![0]!)
    if (sheet.kind !== 'finishedPair') throw new Error('a finished pair')
    const record = (pair: typeof sheet.pair): CaseCommand => ({
      type: 'recordSheet',
      jobId: J,
      stepId: 'verify',
      sheetId: 'finished-pair',
      sheet: { kind: 'finishedPair', pair },
    })
    bench.do(record({ ...sheet.pair, backStepMillimetres: 0.9 }))
    expect(() => bench.finish('verify')).toThrow('Backs flush within')
    expect(bench.refusal(record({ ...sheet.pair, basesTiltDegrees: Number.NaN }))).toBe('not-a-number')
    bench.do(record(sheet.pair))
    bench.finish('verify')
    const plan = new Bench('study-model-pair').upTo('measure')
    const { upper } = inventedPair
    const swapped = {
      ...upper.landmarks,
      notches: { right: upper.landmarks.notches.left, left: upper.landmarks.notches.right },
    }
    expect(
      plan.refusal({
        type: 'recordSheet',
        jobId: J,
        stepId: 'measure',
        sheetId: 'trim-plan',
        sheet: { kind: 'trimPlan', entry: { ...inventedPair, upper: { ...upper, landmarks: swapped } } },
      }),
    ).toBe('sides-swapped')
  })
  it.each<[string, CaseCommand]>([
    ['no-such-job', { type: 'startStep', jobId: 'job-9', stepId: 'wrap' }],
    ['no-such-step', { type: 'startStep', jobId: J, stepId: 'fly' }],
    ['step-not-yet', { type: 'startStep', jobId: J, stepId: 'deliver' }],
    ['step-not-waiting', { type: 'startStep', jobId: J, stepId: 'pour-anatomy' }],
    ['step-not-running', { type: 'finishStep', jobId: J, stepId: 'set' }],
    ['mix-missing', { type: 'finishStep', jobId: J, stepId: 'pour-anatomy' }],
    [
      'amount-not-plausible',
      {
        type: 'recordMix',
        jobId: J,
        stepId: 'pour-anatomy',
        amountId: 'stone',
        materialId: 'dental-stone',
        powderGrams: -100,
        liquidMillilitres: 20,
        lots: [],
      },
    ],
    [
      'no-such-material',
      {
        type: 'recordMix',
        jobId: J,
        stepId: 'pour-anatomy',
        amountId: 'stone',
        materialId: 'sand',
        powderGrams: 1,
        liquidMillilitres: 1,
        lots: [],
      },
    ],
    [
      'no-such-amount',
      {
        type: 'recordMix',
        jobId: J,
        stepId: 'pour-anatomy',
        amountId: 'gold',
        materialId: 'dental-stone',
        lots: [],
      },
    ],
    ['no-such-check', { type: 'recordCheck', jobId: J, stepId: 'pour-anatomy', checkId: 'x', value: 1 }],
    ['step-not-begun', { type: 'goBack', jobId: J, toStepId: 'deliver', remake: false, reason: 'x' }],
    ['words-missing', { type: 'goBack', jobId: J, toStepId: 'wrap', remake: false, reason: ' ' }],
    ['nothing-to-correct', { type: 'correct', corrects: 1, value: 2, reason: 'x' }],
    ['nothing-asked', { type: 'dentistAnswered', jobId: J, answer: 'x', decision: 'proceed' }],
    ['nothing-changed', { type: 'amend', changes: {}, reason: 'x' }],
    ['step-not-skippable', { type: 'skipStep', jobId: J, stepId: 'pour-anatomy', reason: 'x' }],
  ])('refuses with %s', (code, command) => {
    const bench = new Bench().upTo('pour-anatomy')
    // Skipping is asked before the step is begun.
    if (code === 'step-not-skippable')
      bench.do({ type: 'goBack', jobId: J, toStepId: 'pour-anatomy', remake: false, reason: 'again' })
    expect(bench.refusal(command)).toBe(code)
  })
  it.each([-1e9, 500, Number.NaN])('refuses a pin opening of %d', (value) => {
    const bench = new Bench('complete-denture').upTo('pin-opening')
    expect(
      bench.refusal({ type: 'recordCheck', jobId: J, stepId: 'pin-opening', checkId: 'pin-open', value }),
    ).toBe('reading-not-plausible')
  })
  it('refuses a case that is due before it came, or has no job', () => {
    const { authorisation } = new Bench().working.state
    const jobs = [{ templateId: 'study-cast', choices: {} }]
    const late = { docket: 'K-1', authorisation: { ...authorisation, dueAt: '2026-03-01T00:00:00Z' }, jobs }
    expect(() => receiveCase(late, START, 'Ada', house)).toThrow(
      expect.objectContaining({ code: 'due-before-receipt' }),
    )
    expect(() => receiveCase({ ...late, jobs: [] }, START, 'Ada', house)).toThrow('No job was chosen.')
  })
  it('a damaged record is reported, not mended', () => {
    const { events, routes } = new Bench().upTo('wrap').working
    const gap = events.filter((e) => e.sequence !== 3)
    expect(() => caseState(gap, (id) => routes.get(id)!)).toThrow('Event 4 cannot follow event 2.')
  })
})

describe.each([
  'study-cast',
  'study-model-pair',
  'implant-verification',
  'complete-denture',
  'cast-bridge',
  'wire-clasp-partial',
  'immediate-denture',
])('any way through a %s', (templateId) => {
  it('keeps its invariants, and replay equals the live state', () => {
    fc.assert(
      fc.property(fc.integer(), fc.array(fc.nat(999), { maxLength: 160 }), (seed, picks) => {
        const bench = new Bench(templateId)
        const random = seededRandom(seed)
        for (const pick of picks) {
          const command = someCommand(bench, pick, random)
          const refused = bench.refusal(command)
          if (refused)
            expect(() => bench.do(command)).toThrow(
              expect.objectContaining({ code: refused, remedy: expect.stringMatching(/\S/) }),
            )
          else bench.do(command)
          bench.now += pick * 1000
          expectInvariants(bench)
        }
        const replayed = JSON.parse(JSON.stringify(bench.working.events)) as CaseEvent[]
        const again = caseState(replayed, (id) => bench.working.routes.get(id)!)
        expect(JSON.stringify(again)).toBe(JSON.stringify(bench.working.state))
      }),
      { numRuns: 40, examples: [[0, [180, 180, 700, 120, 70, 230]]] },
    )
  })
})

/** Mostly the next right thing; now and then something odd. */
function someCommand(bench: Bench, pick: number, random: () => number): CaseCommand {
  const steps = bench.job.route.steps
  const any = steps[pick % steps.length]!.id
  const step = currentStep(bench.job) ?? steps[0]!
  if (bench.job.question && pick % 3 > 0)
    return {
      type: 'dentistAnswered',
      jobId: J,
      answer: 'go on',
      decision: pick % 2 ? 'proceed' : 'goBack',
      toStepId: steps[0]!.id,
    }
  const odd: CaseCommand[] = [
    { type: 'goBack', jobId: J, toStepId: any, remake: pick % 2 === 0, reason: 'again' },
    { type: 'startStep', jobId: J, stepId: any },
    { type: 'finishStep', jobId: J, stepId: any },
    { type: 'skipStep', jobId: J, stepId: step.id, reason: 'not wanted' },
    { type: 'hold', reason: 'wait' },
    { type: 'release' },
    { type: 'correct', corrects: pick, value: 1, reason: 'slip' },
    { type: 'askDentist', jobId: J, question: 'Right so?' },
    { type: 'swapVariant', jobId: J, matter: 'base', choice: 'one-pour', reason: 'asked' },
  ]
  if (pick < 120) return odd[pick % odd.length]!
  const bad = (step.checks ?? []).find((c) => c.kind === 'observe' && c.answers.length > 1)
  if (pick < 180 && bad?.kind === 'observe')
    return { type: 'recordCheck', jobId: J, stepId: step.id, checkId: bad.id, answer: bad.answers[1]!.answer }
  if (bench.job.steps[step.id]!.status === 'waiting')
    return { type: 'startStep', jobId: J, stepId: step.id, outOfTimeReason: 'late' }
  const good = carefulWork(J, step, random)
  return pick < 700 && good.length > 0
    ? good[pick % good.length]!
    : { type: 'finishStep', jobId: J, stepId: step.id, outOfTimeReason: 'quick' }
}

function expectInvariants(bench: Bench): void {
  const { job, working } = bench
  expect(working.events.map((e) => e.sequence)).toEqual(working.events.map((_, index) => index + 1))
  for (const step of job.route.steps) {
    const state = job.steps[step.id]!
    if (state.status !== 'waiting') for (const id of step.after) expect(isSettled(job.steps[id])).toBe(true)
    if (state.status === 'skipped') expect(step.mayBeSkipped).toBeDefined()
    if (state.status === 'done')
      for (const check of step.checks ?? [])
        expect(state.readings.some((r) => r.checkId === check.id)).toBe(true)
    if (state.status === 'done')
      for (const sheet of step.sheets ?? [])
        expect(state.sheets.some((s) => s.sheetId === sheet.id)).toBe(true)
    expect(state.past).toHaveLength(state.attempt - 1)
  }
}

describe('a whole route', () => {
  it.each(['upper', 'lower', 'pair'])('a complete denture, %s, can be done to the end', (arch) => {
    const bench = new Bench('complete-denture', { arch }).upTo('hand-over')
    bench.sheet('hand-over', 'enclosures', { kind: 'enclosures', went: [] })
    bench.finish('hand-over')
    expect(isDelivered(bench.working.state)).toBe(true)
  })
  it.each([
    'study-model-pair',
    'implant-verification',
    'study-cast',
    'articulator-mounting',
    'cast-crown',
    'cast-bridge',
    'cast-posts',
    'tooth-wax-up',
    'wire-clasp-partial',
    'immediate-denture',
  ])('a %s can be done to the end', (templateId) => {
    const last = new Bench(templateId).job.route.steps.at(-1)!.id
    const bench = new Bench(templateId).upTo(last)
    for (const command of carefulWork(J, stepOf(bench.job, last), seededRandom(2))) bench.do(command)
    bench.finish(last)
    expect(isDelivered(bench.working.state)).toBe(true)
  })
  it.each(['existing', 'new', 'frame'])('a clear clasp, %s, can be done to the end', (onto) => {
    const bench = new Bench('clear-clasp', { onto }).upTo('hand-over')
    bench.sheet('hand-over', 'enclosures', { kind: 'enclosures', went: [] })
    bench.finish('hand-over')
    expect(isDelivered(bench.working.state)).toBe(true)
  })
  it('what is done once stays done when the route goes back, not when it is remade', () => {
    const { route } = new Bench('complete-denture').job
    const first = route.steps[0]!.id
    expect(stepOf(new Bench('complete-denture').job, first).onlyOnce).toBe(true)
    expect(reopenedSteps(route, 'pumice', false).every((s) => s.stage !== 'finish')).toBe(true)
    expect(reopenedSteps(route, first, true)).toHaveLength(route.steps.length)
  })
})
