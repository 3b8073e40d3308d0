import { describe, expect, it } from '@jest/globals'
import { stepWindow } from '../case/index.ts'
import { curePresets, judgeCure } from '../curing/index.ts'
import { regionsOf } from '../inspection/index.ts'
import { routeTemplates } from '../jobs/index.ts'
import { articulatorCards } from '../mounting/index.ts'
import { Learner } from '../testing/learner.ts'
import { whenLeftOut } from './causes/left-out.ts'
import { cured, trueRun } from './causes/resin.ts'
import { showsLater } from './causes/shows-later.ts'
import { type Defect, flaskCelsius, knownKinds, ridgeMillimetres } from './index.ts'
import { bestSpecialLiquid } from './practice-investment.ts'
import { jobOf, PRACTICE_JOB } from './truth.ts'

const places = ({ shows }: Defect) =>
  shows.map(({ stepId, checkId, answer, side }) => `${stepId} ${checkId} ${answer ?? side ?? ''}`.trim())

describe('a mix outside the range of its card', () => {
  const poured = (liquid: number, seed = 1) =>
    new Learner('study-cast', { arch: 'upper' }, seed)
      .to('pour-anatomy', 'running')
      .mix('pour-anatomy', 'stone', 'dental-stone', 100, liquid)
  it('is nothing within it', () => expect(poured(30).own).toEqual([]))
  it('thin: weak by the gypsum model, and a tooth breaks in some of the cases only', () => {
    const broke = Array.from({ length: 40 }, (_, seed) => poured(42, seed).own).map(([weak]) => {
      expect(weak).toMatchObject({ kind: 'weak-stone', bornStep: 'pour-anatomy', state: 'live' })
      return places(weak!).includes('separate teeth-whole A tooth broke')
    })
    expect(broke).toContain(true)
    expect(broke).toContain(false)
  })
  it('very thin: chalky under the nail', () =>
    expect(places(poured(50).own[0]!)).toContain('separate teeth-whole Surface soft or chalky'))
  it('thick: it expands too much', () => expect(poured(22).own[0]).toMatchObject({ kind: 'over-expanded' }))
})

describe('a step outside its window', () => {
  it('stone poured past the window of its alginate: small by a tenth for ten minutes', () => {
    const late = new Learner('study-cast', { arch: 'upper' }).to('pour-anatomy')
    const window = stepWindow(jobOf(late.world), late.step)!
    late
      .do({ act: 'wait', minutes: (window.pastFrom! - late.world.now) / 60_000 + 20 })
      .start('pour-anatomy', 'busy')
    expect(late.own[0]).toMatchObject({ kind: 'shrunk-cast', size: [{ value: 0.2, kind: 'millimetres' }] })
  })
  it('an impression pulled early: a tooth stays in it', () => {
    const learner = new Learner('study-cast', { arch: 'upper' }).to('set', 'running')
    learner.give({
      type: 'recordCheck',
      jobId: PRACTICE_JOB,
      stepId: 'set',
      checkId: 'heat-gone',
      answer: 'Cool',
    })
    learner.end('set')
    expect(learner.own[0]).toMatchObject({ kind: 'pulled-early' })
    expect(places(learner.own[0]!)).toContain('separate teeth-whole A tooth broke')
    // It is missed, delivered, and looked back on.
    learner.to('deliver', 'running')
  })
  it('a dough packed sandy has pores, packed rubbery it opens the bite by 1 to 3 mm', () => {
    const early = new Learner('complete-denture', { arch: 'upper' }).to('dough', 'running')
    early.give({
      type: 'recordCheck',
      jobId: PRACTICE_JOB,
      stepId: 'dough',
      checkId: 'dough-stage',
      answer: doughGood(),
    })
    early.end('dough')
    expect(early.own[0]).toMatchObject({ kind: 'packed-sandy' })
    expect(places(early.own[0]!)).toEqual(['mould-tells resin-surface Bubbles inside'])
    const late = new Learner('complete-denture', { arch: 'upper' }).to('dough', 'running')
    late.give({
      type: 'recordCheck',
      jobId: PRACTICE_JOB,
      stepId: 'dough',
      checkId: 'dough-stage',
      answer: doughGood(),
    })
    late.do({ act: 'wait', minutes: 60 }).end('dough')
    const [stiff] = late.own
    expect(stiff).toMatchObject({
      kind: 'packed-rubbery',
      shows: [{ stepId: 'pin-opening', checkId: 'pin-open', side: 'above' }],
    })
    const open = (stiff!.size as readonly { value: number }[])[0]!.value
    expect(open).toBeGreaterThanOrEqual(1)
    expect(open).toBeLessThanOrEqual(3)
  })
  it('a flask opened warm warps by a tenth for ten degrees, and is a caution broken', () => {
    const warm = new Learner('complete-denture', { arch: 'upper' }).to('cool-flask', 'running')
    warm.do({ act: 'wait', minutes: 5 })
    warm.give({
      type: 'recordCheck',
      jobId: PRACTICE_JOB,
      stepId: 'cool-flask',
      checkId: 'flask-temperature',
      value: 29,
    })
    warm.end('cool-flask')
    expect(warm.own[0]).toMatchObject({ kind: 'opened-warm' })
    const [size] = warm.own[0]!.size as readonly { value: number }[]
    expect(size!.value).toBeGreaterThan(0.3)
    expect(size!.value).toBeLessThan(0.75)
    expect(warm.world.broken).toHaveLength(1)
    expect(JSON.stringify(warm.world.broken[0]!.say)).toContain('hot flask')
  })
  it('a pattern that waited opens its margin by 20 micrometres for each half hour', () => {
    const waited = new Learner('cast-crown').to('invest')
    const window = stepWindow(jobOf(waited.world), waited.step)!
    waited
      .do({ act: 'wait', minutes: (window.pastFrom! - waited.world.now) / 60_000 + 45 })
      .start('invest', 'called away')
    expect(waited.own[0]).toMatchObject({ kind: 'wax-moved', size: [{ value: 40, kind: 'micrometres' }] })
    expect(places(waited.own[0]!)).toEqual(['fit-die margin-fit Open'])
  })
  it('a ring that cooled casts short, to be made again', () => {
    const cold = new Learner('cast-crown')
      .to('cast')
      .do({ act: 'wait', minutes: 5 })
      .start('cast', 'no flame')
    expect(cold.own[0]).toMatchObject({
      kind: 'ring-cooled',
      shows: [{ checkId: 'casting-regions', outcome: { verdict: 'remake' } }],
    })
  })
})

const doughGood = () => {
  const check = routeTemplates
    .get('complete-denture')!
    .steps.find(({ id }) => id === 'dough')!
    .checks!.find(({ id }) => id === 'dough-stage')!
  return check.kind === 'observe' ? check.answers[0]!.answer : ''
}

describe('a step left out', () => {
  it('is told for steps that there are, and that may be left out', () => {
    const skippable = new Set(
      [...routeTemplates.values()].flatMap(({ steps }) =>
        steps.flatMap(({ id, mayBeSkipped }) => (mayBeSkipped ? [id] : [])),
      ),
    )
    expect(Object.keys(whenLeftOut).filter((id) => !skippable.has(id))).toEqual([])
  })
  it('the wetting agent: bubbles where the detail is finest', () => {
    const dry = new Learner('cast-crown').to('wetting-agent').skip('wetting-agent')
    expect(dry.own[0]).toMatchObject({ kind: 'not-wetted' })
    expect(places(dry.own[0]!)[0]).toBe('separate-die die-whole A bubble on the margin')
  })
  it('the water of the base: never by eye, the record alone proves it', () => {
    const base = new Learner('complete-denture', { arch: 'upper' }).to('water').skip('water')
    expect(base.own[0]).toMatchObject({ kind: 'monomer-left', shows: [] })
  })
})

describe('a bath', () => {
  const ridge = 11
  const runOf = (index: number) => ({
    program: curePresets[index]!.program,
    from: 'hand' as const,
    measured: [{ minutes: 600, celsius: 100 }],
    showsTooMuchCelsius: 0,
    sections: [
      { shape: 'sheet' as const, millimetres: 2.5 },
      { shape: 'ridge' as const, millimetres: 8 },
    ],
  })
  const quick = curePresets.findIndex(
    ({ program }) => judgeCure(trueRun({ ...runOf(0), program }, ridge)).verdict === 'porous',
  )
  it('too quick for the ridge that lay in it boils it where the model of the cure says, whatever was entered', () => {
    expect(quick).toBeGreaterThanOrEqual(0)
    const [pores] = cured(runOf(quick), ridge)
    const judged = judgeCure(trueRun(runOf(quick), ridge))
    const hottest = Math.max(...judged.followed.map(({ outcome }) => outcome.peakCelsius))
    expect(hottest).toBeGreaterThan(100.8)
    expect(pores).toMatchObject({ kind: 'gas-pores' })
    const words = JSON.stringify(pores!.why)
    expect(words).toContain(`"value":${ridge}`)
    expect(words).toContain(`"value":${hottest}`)
    expect(words).toContain('"value":8')
  })
  it('that suits it does nothing', () => {
    const careful = new Learner('complete-denture', { arch: 'upper' }, 3).to('cool-flask')
    expect(careful.own).toEqual([])
  })
  it('taken out too soon leaves monomer that no check shows', () => {
    const short = { ...runOf(0), measured: [{ minutes: 60, celsius: 60 }] }
    expect(cured(short, 9)[0]).toMatchObject({ kind: 'monomer-left', shows: [] })
  })
  it('the ridge of a case is 7 to 12 mm, by halves, of its seed', () => {
    const ridges = Array.from({ length: 300 }, (_, seed) => ridgeMillimetres(seed))
    expect([Math.min(...ridges), Math.max(...ridges)]).toEqual([7, 12])
    expect(ridges.every((each) => Number.isInteger(each * 2))).toBe(true)
  })
  it('cools by the law of Newton, to 30 degrees when the model lets it be opened', () => {
    expect(flaskCelsius(0, 60)).toBeCloseTo(95, 9)
    expect(flaskCelsius(60, 60)).toBeCloseTo(30, 9)
    // Half way in time: the geometric mean of the two differences to the room.
    expect(flaskCelsius(30, 60) - 23).toBeCloseTo(Math.sqrt(72 * 7), 9)
  })
})

describe('decisions at the wax and the metal', () => {
  it('a sprue thinner than the part it feeds leaves a hole under it', () => {
    const thin = new Learner('cast-crown').to('sprue', 'running')
    const gauge = (value: number) =>
      thin.give({ type: 'recordCheck', jobId: PRACTICE_JOB, stepId: 'sprue', checkId: 'sprue-gauge', value })
    gauge(10)
    expect(thin.own).toEqual([])
    gauge(18)
    expect(thin.own[0]).toMatchObject({ kind: 'sprue-thin', shows: [{ stepId: 'inspect-casting' }] })
  })
  it('too little metal casts short', () => {
    const poor = new Learner('cast-crown').to('weigh-metal', 'running')
    const piece = { id: 'p', grams: 3, lots: [], history: { shares: [1] } }
    poor.give({
      type: 'recordSheet',
      jobId: PRACTICE_JOB,
      stepId: 'weigh-metal',
      sheetId: 'charge',
      sheet: { kind: 'charge', alloyId: 'nickel-chromium', pieces: [piece] },
    })
    expect(poor.own[0]).toMatchObject({ kind: 'charge-small', size: [{ value: 3, kind: 'grams' }] })
  })
})

describe('decisions that pass, though a careful hand makes others', () => {
  it('special liquid: too little casts tight, too much loose, what the expansions want does nothing', () => {
    const fits = (value: number) =>
      new Learner('cast-crown').to('invest', 'running').give({
        type: 'recordCheck',
        jobId: PRACTICE_JOB,
        stepId: 'invest',
        checkId: 'special-liquid',
        value,
      }).own
    const best = bestSpecialLiquid(jobOf(new Learner('cast-crown').world).route)
    // (1 + es)(1 + et)(1 - s) = 1: nickel-chromium shrinks 2.3 %, so that es + et are about 2.35 %.
    expect(best).toBeGreaterThan(60)
    expect(best).toBeLessThan(80)
    expect(fits(best)).toEqual([])
    expect(fits(0)[0]).toMatchObject({ kind: 'liquid-off', shows: [{ checkId: 'seats' }] })
    expect(fits(100)[0]).toMatchObject({
      kind: 'liquid-off',
      shows: [{ checkId: 'margin-fit', answer: 'Open' }],
    })
  })
  it('a carrying tip ground: the height of the bite is lost', () => {
    const ground = new Learner('complete-denture', { arch: 'upper' }).to('grind-centric', 'running')
    const sheet = (region: 'lingualTip' | 'buccalInner') =>
      ({
        kind: 'remount',
        situation: {
          pinMillimetres: 0.3,
          seated: true,
          fixing: 'glue',
          posteriorStops: { right: 4, left: 4 },
        },
        rounds: [{ pinMillimetres: 0.3, marks: [], ground: { tooth: 26, region, millimetres: 0.2 } }],
        articulator: articulatorCards[0]!.articulator,
      }) as const
    const give = (region: 'lingualTip' | 'buccalInner') =>
      ground.give({
        type: 'recordSheet',
        jobId: PRACTICE_JOB,
        stepId: 'grind-centric',
        sheetId: 'rounds',
        sheet: sheet(region),
      })
    give('buccalInner')
    expect(ground.own).toEqual([])
    give('lingualTip')
    expect(ground.own[0]).toMatchObject({
      kind: 'supporting-tip-ground',
      shows: [{ stepId: 'pin-closed', side: 'below' }],
    })
  })
  it('parts that are not counted out leave with one missing', () => {
    const counted = new Learner('implant-verification', { implants: '4' }).to('parts-in', 'running')
    const sheet = jobOf(counted.world)
      .route.steps.find(({ id }) => id === 'parts-in')!
      .sheets!.find(({ id }) => id === 'parts-list')!
    if (sheet.kind !== 'parts') throw new Error('a parts list was meant')
    const all = sheet.suggested.map((name) => ({
      name,
      count: sheet.expected?.find((each) => each.name === name)?.count ?? 1,
    }))
    const give = (parts: typeof all) =>
      counted.give({
        type: 'recordSheet',
        jobId: PRACTICE_JOB,
        stepId: 'parts-in',
        sheetId: 'parts-list',
        sheet: { kind: 'parts', parts },
      })
    give(all)
    expect(counted.own).toEqual([])
    give(all.map((each, n) => (n === 0 ? { ...each, count: each.count + 1 } : each)))
    expect(counted.own[0]).toMatchObject({ kind: 'parts-miscounted' })
  })
  it('ended before its label allows: not disinfected, and a caution broken', () => {
    const wet = new Learner('study-cast', { arch: 'upper' })
    expect(wet.own).toEqual([])
    const crown = new Learner('cast-crown').to('disinfect-leave', 'running')
    crown.give({
      type: 'recordSheet',
      jobId: PRACTICE_JOB,
      stepId: 'disinfect-leave',
      sheetId: 'disinfection',
      sheet: {
        kind: 'disinfection',
        product: 'Surface disinfectant',
        agent: 'quaternary',
        contactMinutes: 5,
      },
    })
    crown.end('disinfect-leave')
    expect(crown.own[0]).toMatchObject({ kind: 'not-disinfected', shows: [] })
    expect(crown.world.broken).toHaveLength(1)
  })
})

describe('what was passed over', () => {
  it('is written for kinds and places that there are', () => {
    const kinds = knownKinds()
    expect(Object.keys(showsLater).filter((kind) => !kinds.has(kind))).toEqual([])
    const checks = [...routeTemplates.values()].flatMap(({ steps }) =>
      steps.flatMap(({ checks = [] }) => checks),
    )
    const regions = Object.values(regionsOf).flat()
    const isThere = (ref: (typeof showsLater)[string][number]): boolean =>
      'region' in ref
        ? regions.some(
            ({ id, faults }) => id === ref.region && faults.some(({ fault }) => fault === ref.fault),
          )
        : 'look' in ref
          ? checks.some(
              (check) =>
                check.kind === 'observe' &&
                check.id === ref.look &&
                check.answers.some(
                  ({ answer, outcome }) => answer === ref.answer && outcome.verdict !== 'pass',
                ),
            )
          : checks.some(
              (check) =>
                check.kind === 'measure' && check.id === ref.measure && check[ref.side] !== undefined,
            )
    const nowhere = Object.entries(showsLater).flatMap(([kind, refs]) =>
      refs.filter((ref) => !isThere(ref)).map((ref) => `${kind}: ${JSON.stringify(ref)}`),
    )
    expect(nowhere).toEqual([])
  })
})
