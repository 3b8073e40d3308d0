import { describe, expect, it } from '@jest/globals'
import { carefulWork, stepWindow } from '../case/index.ts'
import { resinLadder } from '../finishing/index.ts'
import { spoken } from '../quantity/index.ts'
import { seededRandom } from '../random/index.ts'
import { Learner } from '../testing/learner.ts'
import { casting } from './causes/casting.ts'
import type { Cause, Deed } from './causes/cause.ts'
import { decidedWrongly } from './causes/decided-wrongly.ts'
import { leftOut } from './causes/left-out.ts'
import { mixes } from './causes/mixes.ts'
import { outOfTime } from './causes/out-of-time.ts'
import type { Defect } from './index.ts'
import { closuresNeeded } from './model-readings.ts'
import { normal, streamAt } from './streams.ts'
import { jobOf, PRACTICE_JOB } from './truth.ts'

/** What a cause makes of one event of a step, said in metric units. */
function caused(cause: Cause, event: object, step: object = {}, more: object = {}) {
  const { world } = new Learner('study-cast')
  const deed = { before: world, after: world, event, step, random: () => 0.5, ...more } as Deed
  return cause(deed).map(({ kind, named, size, why, shows }) => ({
    kind,
    named,
    size: size === undefined ? undefined : spoken(size, 'metric'),
    why: spoken(why, 'metric'),
    shows: shows.map((ref) =>
      'look' in ref
        ? `${ref.look}: ${ref.answer}`
        : 'region' in ref
          ? `${ref.region}: ${ref.fault}`
          : ref.measure,
    ),
  }))
}
const recorded = (sheet: object) => ({ type: 'sheetRecorded', sheetId: 's', sheet })

describe('a wheel of another compound', () => {
  const wheel = (written: string, remark?: string) =>
    caused(decidedWrongly, recorded({ kind: 'wheel', written, remark }))
  const [coarse] = resinLadder.stages
  it('leaves its scratches, and says of what', () => {
    expect(wheel(coarse!.id, 'no other there')[0]).toMatchObject({
      kind: 'wheel-of-another',
      why: `The wheel had carried ${coarse!.name.toLowerCase()}: its coarser grain stays in the cloth.`,
    })
    expect(wheel('none', 'no other there')[0]!.why).toContain('had carried another compound')
  })
  it('is none where nothing had to be said', () => expect(wheel(coarse!.id)).toEqual([]))
})

describe('the factor of another lot', () => {
  const milled = (usedFactor: number, lotFactor = 1.25) =>
    caused(decidedWrongly, recorded({ kind: 'enlargement', usedFactor, lotFactor }))
  it('ends too large or too small by what the factors say', () => {
    // 10 mm · 1.26/1.25 is 10.08 mm, 10 mm · 1.24/1.25 is 9.92 mm.
    expect(milled(1.26)[0]).toMatchObject({
      named: 'Open, milled too large',
      size: '80 µm on 10 mm',
      shows: ['seats: Held up', 'contacts-polished: Too tight'],
    })
    expect(milled(1.24)[0]).toMatchObject({
      named: 'Tight, milled too small',
      size: '-80 µm on 10 mm',
      shows: ['seats: Held up', 'contacts-polished: Open'],
    })
    expect(milled(1.25)).toEqual([])
  })
})

describe('a carrying tip', () => {
  const ground = (change: object, region = 'lingualTip') =>
    caused(
      decidedWrongly,
      recorded({
        kind: 'remount',
        situation: change,
        rounds: [{ marks: [] }, { marks: [], ground: { tooth: 26, region, millimetres: 0.25 } }],
      }),
    )
  it('is told with its tooth and how much', () =>
    expect(ground({})[0]).toMatchObject({
      size: '26, 0.25 mm',
      why: expect.stringContaining('at 26 was ground by 0.25 mm'),
      shows: ['pin-again'],
    }))
  it('may be ground where the dentist allowed it, or where it does not carry', () => {
    expect(ground({ tipConsent: true })).toEqual([])
    expect(ground({}, 'buccalInner')).toEqual([])
  })
})

describe('metal that is melted', () => {
  const charge = (grams: number, old: number, alloyId = 'nickel-chromium') =>
    caused(
      casting,
      recorded({
        kind: 'charge',
        alloyId,
        pieces: [
          { id: 'new', grams: grams * (1 - old), lots: [], history: { shares: [1] } },
          { id: 'old', grams: grams * old, lots: [], history: { shares: [0, 1] } },
        ].filter((piece) => piece.grams > 0),
      }),
    ).map(({ kind }) => kind)
  it('of less than 4 g casts short (choice)', () => {
    expect(charge(3.99, 0)).toEqual(['charge-small'])
    expect(charge(4, 0)).toEqual([])
  })
  it('old by more than its card allows has pores: half at most (common practice)', () => {
    expect(charge(12, 0.51, 'gold-type-3')).toEqual(['charge-dirty'])
    expect(charge(12, 0.5, 'gold-type-3')).toEqual([])
  })
})

describe('stone by eye', () => {
  const step = { amounts: [{ id: 'stone', kind: 'mix', materialId: 'dental-stone', powderGrams: 100 }] }
  const mixed = (liquidMillilitres: number, random = 0.5) =>
    caused(
      mixes,
      {
        type: 'mixRecorded',
        amountId: 'stone',
        materialId: 'dental-stone',
        powderGrams: 100,
        liquidMillilitres,
      },
      step,
      { random: () => random },
    )
  // Type III: 0.28 to 0.30, usually 0.30, half of that range is let pass; thick below 0.88 of the usual (choices).
  it.each([
    [30, undefined],
    [31, undefined],
    [28, undefined],
    [27, undefined],
    [26.4, undefined],
    [26.3, 'over-expanded'],
    [31.1, 'weak-stone'],
    [40, 'weak-stone'],
  ])('%d mL on 100 g: %s', (liquid, kind) => expect(mixed(liquid)[0]?.kind).toBe(kind))
  it('breaks a tooth by chance alone, and is chalky below half of its strength', () => {
    const broken = (liquid: number, random: number) =>
      mixed(liquid, random)[0]!.shows.includes('teeth-whole: A tooth broke')
    const chalky = (liquid: number) => mixed(liquid)[0]!.shows.includes('teeth-whole: Surface soft or chalky')
    expect([broken(42, 0), broken(42, 0.999)]).toEqual([true, false])
    expect([chalky(33), chalky(60)]).toEqual([false, true])
  })
  it('says the share of its strength that is left', () => {
    const [{ size, why }] = mixed(40) as [ReturnType<typeof mixed>[number]]
    const lost = Number(/^(-\d+) % of strength$/.exec(size!)![1])
    const left = Number(/its pores (\d+) % of its strength is left/.exec(why)![1])
    expect(left - lost).toBe(100)
    expect(left).toBeGreaterThan(30)
    expect(left).toBeLessThan(90)
  })
})

describe('a step left out', () => {
  const skipped = (stage: string, id = 'rubber') =>
    caused(
      leftOut,
      { type: 'stepSkipped' },
      { id, stage, name: 'Rubber', why: 'It takes the marks off.' },
    ).map(({ kind }) => kind)
  it('of polishing stays under the gloss; elsewhere only what is known to matter', () => {
    expect(skipped('polish')).toEqual(['stage-skipped'])
    expect(skipped('trim')).toEqual([])
    expect(skipped('polish', 'citrate')).toEqual(['stone-left'])
    expect(caused(leftOut, { type: 'stepFinished' }, { id: 'citrate', stage: 'polish' })).toEqual([])
  })
})

describe('what is ended before its time', () => {
  it.each([
    ['cast-crown', 'burnout', 'cold-core', ['margin: Short', 'walls: Pinholes']],
    ['complete-denture', 'water', 'monomer-left', []],
    ['complete-denture', 'dough', 'packed-sandy', ['resin-surface: Bubbles inside']],
  ] as const)('%s, %s: %s', (templateId, stepId, kind, shows) => {
    const { world, step } = new Learner(templateId).to(stepId, 'running')
    const { goodFrom } = stepWindow(jobOf(world), step)!
    const ended = (minutesBefore: number) =>
      caused(
        outOfTime,
        {
          type: 'stepFinished',
          outOfTime: 'tooSoon',
          at: new Date(goodFrom - minutesBefore * 60_000).toISOString(),
        },
        step,
        { before: world, after: world },
      )
    const [made] = ended(7)
    expect(made).toMatchObject({ kind, shows })
    expect(made!.size).toMatch(/^7 min/)
    expect(ended(12)[0]!.why).toContain('12 min')
  })
})

describe('the last closure', () => {
  /** Packed by a learner who closes so often, and then for good. */
  const closed = (times: number, seed = 1) => {
    const learner = new Learner('complete-denture', { arch: 'upper' }, seed).to('trial-closures', 'running')
    const { step } = learner
    const sheet = step.sheets!.find(({ kind }) => kind === 'closures')!
    if (sheet.kind !== 'closures') throw new Error('closures')
    const kilopascals = (sheet.leastKilopascals + sheet.mostKilopascals) / 2
    const closures = Array.from({ length: times }, (_, n) => ({
      kilopascals,
      flash: n < times - 1,
      gap: false,
      from: 'hand' as const,
    }))
    for (const command of carefulWork(PRACTICE_JOB, step, () => 0.5, undefined, {
      teeth: [],
      enclosures: [],
    }))
      learner.give(
        command.type === 'recordSheet' ? { ...command, sheet: { kind: 'closures', closures } } : command,
      )
    learner.do({ act: 'wait', minutes: 5 }).end('trial-closures')
    return learner
  }
  const needed = closuresNeeded(1)
  it('too soon leaves 0.8 mm of flash for each that is missing, half of it at the pin (choices)', () => {
    const [flash] = closed(needed - 1).own
    expect(flash).toMatchObject({ kind: 'flash-left', bornStep: 'trial-closures' })
    expect(spoken(flash!.size!, 'metric')).toBe('0.8 mm')
    expect(spoken(flash!.why, 'metric')).toContain('lift the base, the pin by about 0.4 mm')
    expect(spoken(closed(needed - 2).own[0]!.size!, 'metric')).toBe('1.6 mm')
  })
  it('after as many as the mould wants leaves none', () =>
    expect(closed(needed).own.map(({ kind }) => kind)).not.toContain('flash-left'))
  it('done again while it still stands is the same slip', () => {
    const learner = closed(needed - 1)
    const standing = learner.own.length
    const [first] = learner.own
    learner.give({
      type: 'goBack',
      jobId: PRACTICE_JOB,
      toStepId: 'trial-closures',
      remake: false,
      reason: 'look again',
    })
    expect(learner.own[0]).toMatchObject({ id: first!.id, state: 'mended' })
    expect(learner.own).toHaveLength(standing)
  })
})

describe('an entry that falls short of what is there', () => {
  it('is weak, keeps when and where it was noticed first, and the defect stands', () => {
    const learner = new Learner('study-cast', { arch: 'upper' }).to('fill', 'running')
    const defect = {
      ...{
        id: 'd',
        kind: 'k',
        named: 'A hole',
        bornBy: 'hand',
        bornStep: 'pour-anatomy',
        bornAt: 0,
        why: 'So.',
      },
      shows: [
        {
          ...{ stepId: 'fill', checkId: 'no-holes', kind: 'look', by: 'eye', answer: 'A bleb on a tooth' },
          outcome: { verdict: 'remake', toStepId: 'pour-anatomy', say: '' },
        },
      ],
      state: 'live',
    } as unknown as Defect
    learner.world = { ...learner.world, defects: [defect] }
    const judge = () =>
      learner.give({
        type: 'recordCheck',
        jobId: PRACTICE_JOB,
        stepId: 'fill',
        checkId: 'no-holes',
        answer: 'A bleb on a tooth',
      })
    judge()
    const { world } = learner
    expect(world.decisions.at(-1)).toMatchObject({ was: 'weak', defects: ['d'] })
    expect(world.defects[0]).toMatchObject({ state: 'live', weak: true, foundIn: 'fill' })
    const first = world.defects[0]!.foundAt
    learner.do({ act: 'wait', minutes: 30 })
    judge()
    expect(learner.world.defects[0]!.foundAt).toBe(first)
  })
})

describe('chance of a case', () => {
  it('is normal with mean 0 and deviation 1', () => {
    const random = seededRandom(2)
    const drawn = Array.from({ length: 20_000 }, () => normal(random))
    const mean = drawn.reduce((a, b) => a + b, 0) / drawn.length
    const variance = drawn.reduce((a, b) => a + (b - mean) ** 2, 0) / drawn.length
    // Five standard errors.
    expect(Math.abs(mean)).toBeLessThan(0.036)
    expect(Math.abs(variance - 1)).toBeLessThan(0.05)
    // By tables 4.55 of 100 lie beyond two deviations.
    expect(Math.abs(drawn.filter((each) => Math.abs(each) > 2).length / drawn.length - 0.0455)).toBeLessThan(
      0.0075,
    )
  })
  it('is one stream for each place, the same for the same', () => {
    const of = (...place: readonly (string | number)[]) => streamAt(4, ...place)()
    expect(of('pour', 1)).toBe(of('pour', 1))
    expect(new Set([of('pour', 1), of('pour', 2), of('trim', 1), streamAt(5, 'pour', 1)()]).size).toBe(4)
  })
})
