import { describe, expect, it } from '@jest/globals'
import type { LabEquipment } from '../equipment/index.ts'
import { routeTemplates } from '../jobs/index.ts'
import { checkInstance, checkPlan, network, PlanSearch, stations } from '../planning/index.ts'
import { buildRoute, routeShelf } from '../route/index.ts'
import { Bench, MINUTE, START } from '../testing/index.ts'
import {
  caseToCome,
  type LabInstance,
  type LabToPlan,
  labInstance,
  noPlanSettings,
  PlanDesk,
  type PlanSettings,
  planBoard,
  stepKey,
  tryOut,
  usualPerson,
} from './index.ts'
import { jobWork } from './job-work.ts'

const calendar = { timeZone: 'UTC', opensMinute: 450, closesMinute: 1020, weekdays: [1, 2, 3, 4, 5] }
const equipment: readonly LabEquipment[] = [
  {
    kind: 'furnace',
    name: 'Furnace',
    timeConstantMinutes: 60,
    mostRings: 4,
    startsByTimer: true,
    source: 'timed',
  },
  {
    kind: 'bath',
    name: 'Bath',
    timeConstantMinutes: 150,
    mostFlasks: 3,
    startsByTimer: true,
    source: 'timed',
  },
  { kind: 'kiln', name: 'Kiln', timeConstantMinutes: 15, mostUnits: 6, source: 'timed' },
  {
    kind: 'sinter',
    name: 'Sinter',
    timeConstantMinutes: 100,
    mostUnits: 20,
    startsByTimer: true,
    source: 'timed',
  },
  ...stations.map((what) => ({ kind: 'station' as const, name: what, what, places: 2, source: 'counted' })),
]
function labOf(benches: readonly Bench[], change: Partial<LabToPlan> = {}): LabToPlan {
  return {
    now: Math.max(START, ...benches.map(({ now }) => now)),
    calendar,
    people: [
      { id: 'p-ada', name: 'Ada' },
      { id: 'p-ben', name: 'Ben' },
    ],
    equipment,
    settings: noPlanSettings,
    cases: benches.map(({ working }, n) => ({
      caseId: `c${n}`,
      state: { ...working.state, docket: `K-${n}` },
    })),
    templates: routeTemplates,
    ...change,
  }
}
function planOf(lab: LabInstance, rounds = 0) {
  checkInstance(lab.instance)
  const search = new PlanSearch(network(lab.instance), { seed: 1 })
  search.run(rounds)
  return search
}
const settings = (change: Partial<PlanSettings>): PlanSettings => ({ ...noPlanSettings, ...change })
const task = (lab: LabInstance, stepId: string, part = '') =>
  [...lab.tasks.values()].find(
    (each) => each.steps.some((step) => step.stepId === stepId) && (part === '' || each.part === part),
  )!
const linkTo = (lab: LabInstance, to: string) => lab.instance.links.filter((link) => link.to === to)

describe('every route can be planned', () => {
  it.each([...routeTemplates.keys()])('%s, as it comes in', (templateId) => {
    const state = caseToCome(
      buildRoute(routeTemplates.get(templateId)!),
      START,
      START + 20 * 24 * 60 * MINUTE,
    )
    const lab = labInstance(labOf([], { now: START, cases: [{ caseId: 'c', state }] }))
    const search = planOf(lab)
    expect(search.unplaced).toEqual([])
    expect(checkPlan(lab.instance, search.best.plan)).toEqual([])
    // Every step of the route is in the plan, each once or as load, run and take-out.
    const { steps } = planBoard(lab, [{ caseId: 'c', state }], search.best.plan)
    for (const { id } of state.jobs[0]!.route.steps) expect(steps.has(stepKey('c', 'job-1', id))).toBe(true)
  })
  it.each([
    ['complete-denture', 'first-pour'],
    ['complete-denture', 'cure-long-boil'],
    ['cast-crown', 'bench-set'],
    ['cast-crown', 'burnout'],
    ['study-cast', 'set'],
    ['green-zirconia', 'sinter'],
  ])('%s, in the middle of %s', (templateId, stepId) => {
    const bench = new Bench(templateId).upTo(stepId)
    const lab = labInstance(labOf([bench], { letWaitsGo: new Set(['c0']) }))
    const search = planOf(lab)
    expect(search.unplaced).toEqual([])
    expect(checkPlan(lab.instance, search.best.plan)).toEqual([])
  })
})

describe('what a step tells the plan', () => {
  const crown = labInstance(labOf([new Bench('cast-crown')]))
  it('a longest wait: investing within an hour of the last look at the margin', () => {
    const invest = task(crown, 'invest')
    expect(linkTo(crown, invest.id)).toContainEqual(
      expect.objectContaining({ from: task(crown, 'margin-check').id, maxMinutes: 60 }),
    )
  })
  it('a burnout is put in, runs, and stays in the furnace until it is cast, an hour at most', () => {
    const [load, run] = [task(crown, 'burnout', 'load'), task(crown, 'burnout', 'run')]
    const cast = task(crown, 'cast')
    expect(crown.instance.holds).toContainEqual(
      expect.objectContaining({
        machineIds: ['Furnace'],
        fromStep: load.id,
        toStep: cast.id,
        toEvent: 'start',
        programStep: run.id,
      }),
    )
    expect(linkTo(crown, cast.id)).toContainEqual(expect.objectContaining({ from: run.id, maxMinutes: 60 }))
    expect(linkTo(crown, cast.id).some(({ maxMinutes }) => maxMinutes !== undefined && maxMinutes < 60)).toBe(
      false,
    )
  })
  it('a cure is taken out by hands; its flask is held from the first pour, its clamp from the closure', () => {
    const lab = labInstance(labOf([new Bench('complete-denture')]))
    const cure = [...lab.tasks.values()].filter(({ steps }) => steps[0]?.stepId.startsWith('cure-'))
    expect(cure.map(({ part }) => part)).toEqual(['load', 'run', 'out'])
    const open = task(lab, 'open-flask')
    for (const station of ['flask', 'clamp'])
      expect(lab.instance.holds).toContainEqual(
        expect.objectContaining({ machineIds: [station], toStep: open.id, toEvent: 'end' }),
      )
  })
  it('steps of the same hands that follow one another are one; a pinned one stays apart', () => {
    const bench = new Bench('study-cast')
    const first = labInstance(labOf([bench]))
    const receive = task(first, 'work-authorisation')
    expect(receive.steps.length).toBeGreaterThan(1)
    expect(receive.minutes).toBe(
      receive.steps.reduce(
        (sum, { stepId }) => sum + bench.job.route.steps.find(({ id }) => id === stepId)!.handsOnMinutes,
        0,
      ),
    )
    const second = receive.steps[1]!.stepId
    const pinned = labInstance(
      labOf([bench], {
        settings: settings({ pins: [{ caseId: 'c0', jobId: 'job-1', stepId: second, personId: 'p-ben' }] }),
      }),
    )
    expect(task(pinned, second).steps.map(({ stepId }) => stepId)).toEqual([second])
    expect(pinned.instance.steps.find(({ id }) => id === task(pinned, second).id)).toMatchObject({
      personId: 'p-ben',
    })
  })
  it('each pin holds its own step, of its own job and case', () => {
    const pin = (more: object) => ({
      caseId: 'c0',
      jobId: 'job-1',
      stepId: 'trim',
      personId: 'p-ben',
      ...more,
    })
    const plannedFor = (pins: readonly ReturnType<typeof pin>[], stepId: string) => {
      const lab = labInstance(labOf([new Bench('study-cast')], { settings: settings({ pins }) }))
      const step = lab.instance.steps.find(({ id }) => id === task(lab, stepId).id)
      return step && 'personId' in step ? step.personId : undefined
    }
    const both = [pin({}), pin({ stepId: 'pour-anatomy', personId: 'p-ada' })]
    expect([plannedFor(both, 'trim'), plannedFor(both, 'pour-anatomy')]).toEqual(['p-ben', 'p-ada'])
    for (const other of [{ caseId: 'c9' }, { jobId: 'job-2' }, { stepId: 'fill' }])
      expect(plannedFor([pin(other)], 'trim')).toBeUndefined()
  })
  it('but not for longer than an hour and a half', () => {
    const denture = labInstance(labOf([new Bench('complete-denture')]))
    const several = [...denture.tasks.values()].filter(({ steps }) => steps.length > 1)
    const longest = Math.max(...several.map(({ minutes }) => minutes))
    expect(longest).toBeLessThanOrEqual(90)
    expect(longest).toBeGreaterThan(45)
  })
  it('what was begun is frozen, with who began it; what is over is not in it', () => {
    const bench = new Bench('study-cast').upTo('trim')
    const lab = labInstance(labOf([bench]))
    expect(lab.instance.steps.find(({ id }) => id === task(lab, 'trim').id)).toMatchObject({
      frozen: { personId: 'p-ada' },
    })
    expect(task(lab, 'wrap')).toBeUndefined()
  })
  it('a longest wait that nobody can keep any more is said, and let go', () => {
    const bench = new Bench('cast-crown').before('invest')
    const twoHours = { now: bench.now + 120 * MINUTE }
    const lab = labInstance(labOf([bench], twoHours))
    expect(lab.broken.map(({ stepId }) => stepId)).toContain('invest')
    expect(planOf(lab).unplaced).toEqual([])
  })
  it('minutes of the lab go before those of the route', () => {
    const own = labInstance(
      labOf([new Bench('study-cast')], {
        settings: settings({ minutes: { 'study-cast/trim': { hands: 7 } } }),
      }),
    )
    expect(task(own, 'trim').minutes).toBe(7)
  })
  it('what the lab has timed spreads as it was timed; together with what is not, by both', () => {
    const spreadIn = (minutes: PlanSettings['minutes']) => {
      const lab = labInstance(labOf([new Bench('study-cast')], { settings: settings({ minutes }) }))
      const { id } = task(lab, 'fill')
      const step = lab.instance.steps.find((each) => each.id === id)!
      return { minutes: step.minutes, spread: step.kind === 'attended' ? step.spread : undefined }
    }
    const usual = spreadIn({})
    expect(usual.spread).toBeUndefined()
    const together = task(labInstance(labOf([new Bench('study-cast')])), 'fill').steps.map(
      ({ stepId }) => stepId,
    )
    expect(together[0]).toBe('fill')
    expect(together.length).toBeGreaterThan(1)
    const { steps } = routeTemplates.get('study-cast')!
    const others = together.slice(1).map((stepId) => steps.find(({ id }) => id === stepId)!.handsOnMinutes)
    // 10 min at a tenth, the others at a quarter each: independent, so their squares add up.
    const wanted = Math.hypot(1, ...others.map((each) => each / 4)) / usual.minutes
    expect(spreadIn({ 'study-cast/fill': { hands: 10, spread: 0.1 } }).spread).toBeCloseTo(wanted, 12)
  })
  it('work that lies in a machine holds that one until its run is over', () => {
    const bench = new Bench('complete-denture').upTo('cure-long-boil')
    const until = bench.now + 300 * MINUTE
    const lab = labInstance(
      labOf([bench], {
        runningIn: (_caseId, _jobId, stepId) =>
          stepId === 'cure-long-boil' ? { machine: 'Bath', runId: 'r1', from: bench.now, until } : undefined,
      }),
    )
    const run = task(lab, 'cure-long-boil', 'run')
    const frozen = lab.instance.steps.find(({ id }) => id === run.id)!
    expect(frozen).toMatchObject({ kind: 'program', program: 'run r1' })
    expect(frozen.frozen!.endMinute - frozen.frozen!.startMinute).toBe(300)
    expect(lab.instance.holds).toContainEqual(
      expect.objectContaining({ machineIds: ['Bath'], programStep: run.id }),
    )
  })
  it('an answer of the dentist is waited for until the next opening', () => {
    const bench = new Bench('study-cast')
    bench.do({ type: 'askDentist', jobId: 'job-1', question: 'Which shade?' })
    const lab = labInstance(labOf([bench]))
    // Asked on Monday at 08:00: reckoned with on Tuesday, when the lab opens.
    const opens = Math.round((Date.parse('2026-03-03T07:30:00Z') - lab.base) / MINUTE)
    expect(
      lab.instance.steps.filter(({ frozen }) => !frozen).map(({ earliestMinute }) => earliestMinute),
    ).toContain(opens)
  })
  it('a case on hold is left out', () => {
    const bench = new Bench('study-cast')
    bench.do({ type: 'hold', reason: 'The clinic has not paid.' })
    expect(labInstance(labOf([bench])).instance.cases).toEqual([])
  })
  it('a job whose template is gone is planned by what it says itself', () => {
    const { job } = new Bench('cast-crown')
    const work = jobWork(job, {
      name: 'K-1/job-1',
      now: START,
      template: undefined,
      minutes: () => ({}),
      runningIn: () => undefined,
      letWaitsGo: false,
      pinned: new Set(),
    })
    expect(work.tasks.length).toBeGreaterThan(10)
  })
})

describe('people, hours, machines', () => {
  const at = (lab: LabInstance, text: string) => Math.round((Date.parse(text) - lab.base) / MINUTE)
  it('a person has their own hours, without days off and holidays', () => {
    const lab = labInstance(
      labOf([new Bench()], {
        settings: settings({
          holidays: [{ day: '2026-03-04', name: 'founders' }],
          people: {
            'p-ada': {
              skills: ['desk'],
              hours: [
                { weekday: 1, opensMinute: 480, closesMinute: 720 },
                { weekday: 1, opensMinute: 750, closesMinute: 960 },
                { weekday: 3, opensMinute: 480, closesMinute: 720 },
              ],
              away: [{ from: '2026-03-09T00:00:00Z', until: '2026-03-10T00:00:00Z' }],
            },
          },
        }),
      }),
    )
    const windows = lab.instance.calendars['person p-ada']!.filter(
      ([from]) => from >= at(lab, '2026-03-02T00:00:00Z'),
    )
    expect(windows.slice(0, 3)).toEqual([
      [at(lab, '2026-03-02T08:00:00Z'), at(lab, '2026-03-02T12:00:00Z')],
      [at(lab, '2026-03-02T12:30:00Z'), at(lab, '2026-03-02T16:00:00Z')],
      // The 4th is closed, the 9th a day off: the 11th is the next Wednesday.
      [at(lab, '2026-03-11T08:00:00Z'), at(lab, '2026-03-11T12:00:00Z')],
    ])
  })
  it('a machine out of order is not used until it is mended', () => {
    const spell = { from: '2026-03-02T00:00:00Z', until: '2026-03-05T17:00:00Z' }
    const broken = equipment.map((each) =>
      each.name === 'Sinter' ? ({ ...each, outOfOrder: [spell] } as LabEquipment) : each,
    )
    const lab = labInstance(labOf([new Bench('green-zirconia')], { equipment: broken }))
    const { plan } = planOf(lab, 50).best
    const load = plan.steps.find(({ id }) => id === task(lab, 'sinter', 'load').id)!
    expect(load.startMinute).toBeGreaterThanOrEqual(at(lab, spell.until))
  })
  it('what nobody has learned, anybody does; of what the lab does not list there is enough', () => {
    const nobody = { ...usualPerson, skills: ['desk' as const] }
    const lab = labInstance(
      labOf([new Bench('cast-crown')], {
        equipment: [],
        settings: settings({ people: { 'p-ada': nobody, 'p-ben': nobody } }),
      }),
    )
    expect(lab.instance.holds).toEqual([])
    expect(planOf(lab).unplaced).toEqual([])
  })
  it('where nobody is said to know anything, everybody does everything', () => {
    const nothing = { ...usualPerson, skills: [] }
    const lab = labInstance(
      labOf([new Bench('study-cast')], {
        settings: settings({ people: { 'p-ada': nothing, 'p-ben': nothing } }),
      }),
    )
    expect(planOf(lab).unplaced).toEqual([])
  })
  it('without a timer a program begins within an hour of being loaded', () => {
    const lab = labInstance(labOf([new Bench('milled-ceramic')]))
    const fire = [...lab.tasks.values()].filter(
      ({ part, steps }) => part === 'run' && steps[0]!.stepId.startsWith('fire'),
    )
    expect(fire.length).toBeGreaterThan(0)
    for (const run of fire)
      expect(linkTo(lab, run.id)).toContainEqual(expect.objectContaining({ maxMinutes: 60 }))
  })
  it('more begun than the lab says it has is planned all the same', () => {
    const one = equipment.map((each) => (each.kind === 'station' ? { ...each, places: 1 } : each))
    const benches = [1, 2, 3].map(() => new Bench('complete-denture').upTo('second-pour'))
    const lab = labInstance(labOf(benches, { equipment: one, letWaitsGo: new Set(['c0', 'c1', 'c2']) }))
    expect(planOf(lab).unplaced).toEqual([])
  })
})

describe('the desk', () => {
  const benches = [new Bench('cast-crown'), new Bench('complete-denture'), new Bench('study-cast')]
  const lab = labInstance(labOf(benches))
  const night: readonly [number, number] = [lab.instance.nowMinute + 500, lab.instance.nowMinute + 1400]
  const asked = (desk: PlanDesk, rounds = 200) => {
    const first = desk.answer({ kind: 'plan', turn: 1, instance: lab.instance, seed: 1, rounds, night })
    let last = first
    while (desk.isSearching) last = desk.work(50) ?? last
    return { first, last }
  }
  it('gives a plan at once, and a better or equal one with chances when it has searched', () => {
    const { first, last } = asked(new PlanDesk())
    if (first.kind !== 'plan' || last.kind !== 'plan') throw new Error('no plan')
    expect(first.isSearching).toBe(true)
    expect(first.chances).toBeUndefined()
    expect(last.rounds).toBe(200)
    expect(last.worth.cost).toBeLessThanOrEqual(first.worth.cost)
    expect(Object.keys(last.chances!).sort()).toEqual(['K-0', 'K-1', 'K-2'])
    expect(checkPlan(lab.instance, last.plan)).toEqual([])
  })
  it('answers when a machine must be loaded, and knows nothing of what is not there', () => {
    const desk = new PlanDesk()
    const { last } = asked(desk, 20)
    const run = task(lab, 'burnout', 'run').id
    if (last.kind !== 'plan') throw new Error('no plan')
    const planned = last.plan.steps.find(({ id }) => id === task(lab, 'cast').id)!
    expect(
      desk.answer({ kind: 'load', ask: 5, programStep: run, outByMinute: planned.startMinute }),
    ).toMatchObject({
      kind: 'load',
      ask: 5,
    })
    expect(desk.answer({ kind: 'load', ask: 6, programStep: 'nothing', outByMinute: 1 })).toEqual({
      kind: 'none',
      ask: 6,
    })
    expect(new PlanDesk().answer({ kind: 'load', ask: 7, programStep: run, outByMinute: 1 })).toEqual({
      kind: 'none',
      ask: 7,
    })
  })
  it('promises a date with its shares, and says whom it pushes', () => {
    const desk = new PlanDesk()
    asked(desk, 20)
    const route = buildRoute(routeTemplates.get('study-cast')!)
    const state = caseToCome(route, START, START + 10 * 24 * 60 * MINUTE)
    const with4 = labInstance(labOf(benches, { cases: [...labOf(benches).cases, { caseId: 'new', state }] }))
    const found = desk.answer({
      kind: 'promise',
      ask: 1,
      instance: with4.instance,
      caseId: state.docket,
      dueMinute: with4.instance.horizonMinute,
    })
    if (found.kind !== 'promise') throw new Error('no promise')
    expect(found.by80).toBeLessThanOrEqual(found.by95)
    expect(found.chance).toBe(1)
    expect(found.endMinute).toBeGreaterThan(with4.instance.nowMinute)
    for (const { laterMinutes } of found.pushes) expect(laterMinutes).toBeGreaterThan(0)
  })
  it('tries out: a furnace down delays the crown and breaks no rule; one person more delays nobody', () => {
    const { last } = asked(new PlanDesk())
    if (last.kind !== 'plan') throw new Error('no plan')
    const { instance } = lab
    const down = tryOut(instance, last.plan, {
      kind: 'machineDown',
      machineId: 'Furnace',
      fromMinute: instance.nowMinute,
      untilMinute: instance.nowMinute + 3 * 1440,
    })
    expect(checkPlan(down.instance, down.plan)).toEqual([])
    const crown = down.outcomes.find(({ caseId }) => caseId === 'K-0')!
    expect(crown.after).toBeGreaterThan(crown.before)
    const away = tryOut(instance, last.plan, {
      kind: 'personAway',
      personId: 'p-ada',
      fromMinute: instance.nowMinute,
      untilMinute: instance.nowMinute + 1440,
    })
    expect(checkPlan(away.instance, away.plan)).toEqual([])
    expect(
      away.plan.steps.some(
        ({ personId, startMinute }) => personId === 'p-ada' && startMinute < instance.nowMinute + 1440,
      ),
    ).toBe(false)
    const more = tryOut(instance, last.plan, { kind: 'oneMore', machineId: 'lathe' })
    expect(more.lateAfter).toBeLessThanOrEqual(more.lateBefore)
    const rush = tryOut(instance, last.plan, { kind: 'rush', caseId: 'K-1' })
    expect(rush.instance.cases.find(({ id }) => id === 'K-1')!.weight).toBe(10)
  })
})

describe('what a template says of planning', () => {
  const template = routeTemplates.get('cast-crown')!
  const withPlan = (plan: object) => ({
    ...template,
    steps: template.steps.map((step) =>
      step.id === 'burnout' ? { ...step, plan } : step,
    ) as typeof template.steps,
  })
  it.each([
    [{ skill: 'magic' }, 'magic'],
    [{ takes: [{ station: 'forge' }] }, 'forge'],
    [{ takes: [{ station: 'arm', until: ['invest'] }] }, 'invest'],
    [{ soak: { until: 'invest', minutes: 60 } }, 'invest'],
    [{ together: ['weather'] }, 'weather'],
    [{ nextWithinMinutes: -1 }, 'less than no time'],
  ])('%j does not load', (plan, named) => {
    expect(() => routeShelf([withPlan(plan)])).toThrow(new RegExp(named))
  })
  it('is not copied into a case', () =>
    expect(buildRoute(template).steps.some((step) => 'plan' in step)).toBe(false))
})
