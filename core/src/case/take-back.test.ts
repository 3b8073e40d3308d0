import { describe, expect, it } from '@jest/globals'
import { Ajv } from 'ajv'
import { customMadeStatement } from '../document/index.ts'
import { routeTemplates } from '../jobs/index.ts'
import { Bench, J, MINUTE, metric, refused, routes, START } from '../testing/index.ts'
import {
  type CaseEvent,
  caseState,
  currentStep,
  eventShape,
  eventWords,
  isDelivered,
  isSettled,
  type ReturnCause,
  returnCauseIds,
  returnedSteps,
  stepOf,
  takeBack,
  usualReturnStep,
} from './index.ts'

const DAY = 24 * 60 * MINUTE
const ajv = new Ajv({ strict: false, discriminator: true, validateFormats: false })

/** A case worked to its end, with a lot noted at every mix. */
function delivered(templateId: string, choices: Record<string, string> = {}): Bench {
  const bench = new Bench(templateId, choices)
  const last = bench.job.route.steps.at(-1)!.id
  bench.upTo(last)
  for (const command of bench.carefully(last)) bench.do(command)
  bench.finish(last)
  return bench
}

interface Wish {
  readonly fromStepId: string
  readonly cause?: ReturnCause
  readonly found?: string
  readonly dueAt?: string
  readonly jobId?: string
}
/** The case as it came back, to be worked on, and the first with where it went. */
function back(bench: Bench, { fromStepId, cause = 'surface', found = 'dull', dueAt, jobId = J }: Wish) {
  const at = bench.now + 30 * DAY
  const taken = takeBack(
    bench.working,
    'first-id',
    {
      docket: 'K-2',
      caseId: 'new-id',
      cause,
      found,
      jobs: [{ jobId, fromStepId }],
      changes: { dueAt: dueAt ?? new Date(at + 5 * DAY).toISOString(), enclosures: ['Denture'] },
    },
    at,
    'Bo',
    routes,
  )
  const again = new Bench()
  again.working = taken.back
  again.now = at
  return { again, first: taken.first }
}
const refusal = (act: () => void) => refused(act)?.code

describe('a denture that came back dull', () => {
  const bench = delivered('complete-denture')
  const { again, first } = back(bench, { fromStepId: 'pumice', found: ' dull at the palate ' })
  const { state } = again.working
  it('is a case of its own, linked both ways, with cause and what was found', () => {
    expect(state).toMatchObject({
      docket: 'K-2',
      cameBack: { caseId: 'first-id', docket: 'K-1', cause: 'surface', found: 'dull at the palate' },
      authorisation: { patientCode: 'P-7', enclosures: ['Denture'] },
    })
    expect(again.job.fromStepId).toBe('pumice')
    expect(first.state.cameBackAs).toEqual({ caseId: 'new-id', docket: 'K-2' })
    const words = (event: CaseEvent) => metric(eventWords(event, { jobs: state.jobs, lotNumber: String }))
    expect(words(again.working.events[0]!)).toBe(
      'Took the case in as K-2: K-1 came back. Rough, dull or porous: dull at the palate',
    )
    expect(words(first.events.at(-1)!)).toBe('Came back, and goes on as K-2')
  })
  it('is what the first was: of a demo too', () => {
    const bench = delivered('study-cast')
    const [receipt, ...rest] = bench.working.events
    bench.working = { ...bench.working, events: [{ ...receipt!, mark: 'demo' } as CaseEvent, ...rest] }
    expect(back(bench, { fromStepId: 'sand' }).again.working.events[0]).toMatchObject({ mark: 'demo' })
    expect(back(delivered('study-cast'), { fromStepId: 'sand' }).again.working.events[0]).not.toHaveProperty(
      'mark',
    )
  })
  it('begins with what came in: order read, disinfected, and then its step; nothing else is open', () => {
    const walked: string[] = []
    const open = again.job.route.steps.filter(({ id }) => !isSettled(again.job.steps[id]))
    for (;;) {
      const step = currentStep(again.job)
      if (!step) break
      walked.push(step.id)
      again.before(step.id)
      again.do({ type: 'startStep', jobId: J, stepId: step.id })
      for (const command of again.carefully(step.id)) again.do(command)
      again.now += 25 * 60 * MINUTE
      again.do({ type: 'finishStep', jobId: J, stepId: step.id, outOfTimeReason: 'a test' })
    }
    expect(walked.slice(0, 3)).toEqual(['work-authorisation', 'disinfect-arrival', 'pumice'])
    expect([...walked].sort()).toEqual(open.map(({ id }) => id).sort())
    expect(walked.at(-1)).toBe('hand-over')
    expect(isDelivered(again.working.state)).toBe(true)
  })
  it('does not begin before what came in is read and disinfected', () => {
    const fresh = back(bench, { fromStepId: 'pumice' }).again
    expect(fresh.refusal({ type: 'startStep', jobId: J, stepId: 'pumice' })).toBe('step-not-yet')
    fresh.upTo('pumice')
    expect(fresh.job.steps.pumice?.status).toBe('running')
  })
  it('carries every entry of what still holds, as it was', () => {
    const kept = again.job.route.steps.filter(
      ({ id }) => !returnedSteps(bench.job.route, 'pumice').includes(id),
    )
    expect(kept.length).toBeGreaterThan(40)
    for (const { id } of kept) {
      const [now, then] = [state.jobs[0]!.steps[id]!, bench.job.steps[id]!]
      const bare = (entries: readonly { readonly sequence: number }[]) =>
        entries.map(({ sequence: _, ...rest }) => JSON.parse(JSON.stringify(rest)))
      expect([id, now.status]).toEqual([id, then.status])
      expect(bare(now.readings)).toEqual(bare(then.readings))
      expect(bare(now.sheets)).toEqual(bare(then.sheets))
      expect(now.mixes.map(({ lots, powderGrams, at }) => ({ lots, powderGrams, at }))).toEqual(
        then.mixes.map(({ lots, powderGrams, at }) => ({ lots, powderGrams, at })),
      )
    }
  })
  it('is by its own description an event, and the same again from its record', () => {
    const [receipt] = again.working.events
    const valid = ajv.compile(JSON.parse(JSON.stringify(eventShape)))
    for (const event of [receipt, first.events.at(-1)]) {
      // The tests name a route by all that is in it.
      const plain = JSON.parse(JSON.stringify(event).replaceAll(JSON.stringify(again.job.routeId), '"r"'))
      expect({ ok: valid(plain), errors: valid.errors }).toEqual({ ok: true, errors: null })
    }
    const replayed = caseState([JSON.parse(JSON.stringify(receipt))], (id) => again.working.routes.get(id)!)
    expect(replayed.jobs[0]!.steps).toEqual(
      JSON.parse(JSON.stringify(back(bench, { fromStepId: 'pumice' }).again.job.steps)),
    )
  })
  it('what was entered in the first case is corrected there, not here', () => {
    const fresh = back(bench, { fromStepId: 'pumice' }).again
    const entered = Object.values(bench.job.steps).flatMap(({ readings, mixes }) => [...readings, ...mixes])
    expect(entered.length).toBeGreaterThan(20)
    for (const corrects of [1, 2, ...entered.map(({ sequence }) => sequence)])
      expect(fresh.refusal({ type: 'correct', corrects, value: 1, reason: 'x' })).toBe('nothing-to-correct')
  })
})

describe('what comes back a second time', () => {
  it('comes back as the later case, with what it carried before', () => {
    const bench = delivered('cast-posts')
    const once = back(bench, { fromStepId: 'dry-pack' }).again
    const last = once.job.route.steps.at(-1)!.id
    once.upTo(last)
    for (const command of once.carefully(last)) once.do(command)
    once.finish(last)
    const twice = back(once, { fromStepId: 'dry-pack' }).again
    expect(twice.working.state.cameBack?.docket).toBe('K-2')
    const entries = (of: Bench, stepId: string) =>
      of.job.steps[stepId]!.readings.map(({ checkId, answer, value, at }) => ({ checkId, answer, value, at }))
    expect(entries(twice, 'smooth-post').length).toBeGreaterThan(0)
    expect(entries(twice, 'smooth-post')).toEqual(entries(bench, 'smooth-post'))
    const [receipt] = twice.working.events
    const plain = JSON.parse(JSON.stringify(receipt).replaceAll(JSON.stringify(twice.job.routeId), '"r"'))
    const valid = ajv.compile(JSON.parse(JSON.stringify(eventShape)))
    expect({ ok: valid(plain), errors: valid.errors }).toEqual({ ok: true, errors: null })
  })
  it('keeps what must come first, though a variant is changed', () => {
    const { again } = back(delivered('complete-denture'), { fromStepId: 'pumice' })
    again.do({ type: 'swapVariant', jobId: J, matter: 'journey', choice: 'far', reason: 'posted' })
    expect(again.refusal({ type: 'startStep', jobId: J, stepId: 'pumice' })).toBe('step-not-yet')
  })
  it('what came along then, its try-in and its notes are not said of it now', () => {
    const bench = new Bench('cast-posts')
    const changes = { enclosures: ['Model'], notes: 'urgent', tryInAt: '2026-03-10T08:00:00Z' }
    bench.do({ type: 'amend', changes, reason: 'left out' })
    const last = bench.job.route.steps.at(-1)!.id
    bench.upTo(last)
    for (const command of bench.carefully(last)) bench.do(command)
    bench.finish(last)
    const { authorisation } = back(bench, { fromStepId: 'dry-pack' }).again.working.state
    expect(authorisation).toMatchObject({ patientCode: 'P-7', enclosures: ['Denture'] })
    expect(authorisation).not.toHaveProperty('tryInAt')
    expect(authorisation).not.toHaveProperty('notes')
  })
})

describe('lots and settings', () => {
  it('come along: the statement still names what the patient carries, though only the polish was done again', () => {
    const bench = new Bench('wire-clasp-partial').upTo('inspect-clasps')
    for (const command of bench.carefully('inspect-clasps'))
      bench.do(command.type === 'recordMix' ? { ...command, lots: ['lot-w'] } : command)
    bench.finish('inspect-clasps')
    bench.upTo('hand-over')
    for (const command of bench.carefully('hand-over')) bench.do(command)
    bench.finish('hand-over')
    const { again } = back(bench, { fromStepId: 'rubber' })
    expect(again.working.state.lots).toEqual(['lot-w'])
    again.upTo('work-authorisation')
    for (const command of again.carefully('work-authorisation')) again.do(command)
    again.finish('work-authorisation')
    const { materials } = customMadeStatement(
      again.working.state,
      again.job,
      { name: 'Lab', address: '' },
      (lot) => lot,
      { entries: 1, newest: '' },
    )
    expect(materials).toContainEqual({
      name: 'Clasp wire',
      lots: ['lot-w'],
      amount: '1 set of clasps',
    })
    expect(again.job.route.choices).toEqual(bench.job.route.choices)
  })
  it('an impression of then says nothing of one that is taken again', () => {
    const taken = '2026-03-01T15:00:00.000Z'
    const impressions = [{ of: 'impression', material: 'addition-silicone', takenAt: taken }] as const
    const bench = new Bench('cast-crown', { casting: 'here' }, impressions)
    const last = bench.job.route.steps.at(-1)!.id
    bench.upTo(last)
    for (const command of bench.carefully(last)) bench.do(command)
    bench.finish(last)
    const kept = (fromStepId: string) => back(bench, { fromStepId }).again.job.impressions
    expect(kept('polish-casting')).toEqual(impressions)
    expect(kept('pour-die')).toEqual([{ of: 'impression', material: 'addition-silicone' }])
  })
})

describe('what cannot come back', () => {
  const done = delivered('study-cast')
  it('what has not left', () => {
    const running = new Bench('study-cast').upTo('trim')
    expect(refusal(() => back(running, { fromStepId: 'trim' }))).toBe('not-delivered')
  })
  it('the same case twice: the later one comes back', () => {
    const { first } = back(done, { fromStepId: 'trim' })
    const twice = new Bench()
    twice.working = first
    twice.now = START + 60 * DAY
    expect(refusal(() => back(twice, { fromStepId: 'trim' }))).toBe('came-back-already')
  })
  it('to a step or a job that is not there, without words, or due before it came', () => {
    expect(refusal(() => back(done, { fromStepId: 'pumice' }))).toBe('no-such-step')
    expect(refusal(() => back(done, { fromStepId: 'trim', jobId: 'job-9' }))).toBe('no-such-job')
    expect(refusal(() => back(done, { fromStepId: 'trim', found: '  ' }))).toBe('words-missing')
    expect(refusal(() => back(done, { fromStepId: 'trim', dueAt: '2026-03-02T09:00:00Z' }))).toBe(
      'due-before-receipt',
    )
  })
})

describe('where it usually begins again', () => {
  const usual = (templateId: string, cause: ReturnCause, choices = {}) =>
    usualReturnStep(new Bench(templateId, choices).job.route, cause)
  it('by its cause (common practice)', () => {
    expect(usual('complete-denture', 'surface')).toBe('flash-off')
    expect(stepOf(new Bench('complete-denture').job, usual('complete-denture', 'bite')).stage).toBe('mount')
    expect(stepOf(new Bench('complete-denture').job, usual('complete-denture', 'fit')).stage).toBe('pour')
    expect(stepOf(new Bench('complete-denture').job, usual('complete-denture', 'looks')).stage).toBe('setUp')
  })
  it('in every job, for every cause, at a step that it has', () => {
    for (const { id } of routeTemplates.values())
      for (const cause of returnCauseIds) {
        const { job } = new Bench(id)
        expect(job.route.steps.map((step) => step.id)).toContain(usualReturnStep(job.route, cause))
      }
  })
})
