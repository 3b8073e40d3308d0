import { describe, expect, it } from '@jest/globals'
import { articulatorCards } from '../mounting/index.ts'
import { spoken } from '../quantity/index.ts'
import { adviseRemount, openingAtTooth, type PaperMark, pinAtTeeth, type RemountSituation } from './index.ts'

/** The articulator of the worked values: c 110, guides 30, Bennett 15, table 10, pin 100 mm out and 50 down. */
const articulator = {
  ...articulatorCards[0]!.articulator,
  condylarDegrees: { right: 30, left: 30 },
  incisalDegrees: 10,
  wingDegrees: { right: 5, left: 5 },
}
const sound: RemountSituation = { pinMillimetres: 1, seated: true, fixing: 'glue' }
const even = { right: 4, left: 4 }
const down: RemountSituation = { ...sound, pinMillimetres: 0, posteriorStops: even }
const mark = (tooth: number, region: PaperMark['region'], more: Partial<PaperMark> = {}): PaperMark => ({
  tooth,
  region,
  bite: 'centric',
  strength: 'heavy',
  ...more,
})
const advise = (situation: RemountSituation, ...marks: PaperMark[]) =>
  adviseRemount({ situation, marks, articulator })
const words = (situation: RemountSituation, ...marks: PaperMark[]) =>
  spoken(advise(situation, ...marks).say, 'metric')

describe('what a pin reading is at a tooth', () => {
  // Model notes, worked value 10: pin 1.0, by two methods.
  it.each([
    [34, 0.6306],
    [45, 0.5729],
    [36, 0.4996],
    [47, 0.4162],
  ])('1.0 at the pin is at %d %d mm', (tooth, opening) => {
    expect(openingAtTooth(articulator, 1, tooth)).toBeCloseTo(opening, 4)
  })
  it('is said in words of the teeth', () => {
    // At the bench 2 mm at the pin is taken for about 1.2 at the first premolar and 0.9 at the first molar.
    expect(spoken(pinAtTeeth(articulator, 2), 'metric')).toMatch(
      /^about 1\.2\d mm at the first premolar, 0\.9\d mm at the first molar$/,
    )
  })
  it('a tooth nearer to the hinge by the ruler opens less', () => {
    expect(openingAtTooth(articulator, 1, 36, { 6: 45.6 })).toBeLessThan(openingAtTooth(articulator, 1, 36))
  })
})

describe('before anything is ground', () => {
  it.each<[string, Partial<RemountSituation>, string, string]>([
    ['it rocks', { seated: false, flash: true, pinMillimetres: 3 }, 'reseat', 'S1'],
    ['tape holds it', { fixing: 'tape' }, 'reseat', 'S1'],
    ['flash stands on a tooth', { flash: true, baseTouches: true }, 'clearFlash', 'S2'],
    ['bases touch at the heels', { baseTouches: true, pinMillimetres: 3 }, 'relieveBase', 'S3'],
    ['the pin stands open by 3 mm', { pinMillimetres: 3 }, 'askDentist', 'S4'],
    ['the pin is lower than it was', { pinMillimetres: -0.1 }, 'askDentist', 'D3'],
    ['stops are too few', { pinMillimetres: 0, posteriorStops: { right: 2, left: 3 } }, 'askDentist', 'D3'],
    ['sides are uneven', { pinMillimetres: 0, posteriorStops: { right: 5, left: 3 } }, 'askDentist', 'D3'],
  ])('%s', (_, more, action, rule) => {
    expect(advise({ ...sound, ...more }, mark(26, 'lingualTip'))).toMatchObject({ action, rule })
  })
  it('2 mm is still ground in, a little more is asked about', () => {
    expect(advise({ ...sound, pinMillimetres: 2 }, mark(36, 'fossa')).action).toBe('grind')
    expect(advise({ ...sound, pinMillimetres: 2.01 }, mark(36, 'fossa')).action).toBe('askDentist')
  })
  it('stops that are uneven matter only once the pin is down', () => {
    const uneven = { ...sound, posteriorStops: { right: 1, left: 4 } }
    expect(advise(uneven, mark(36, 'fossa')).action).toBe('grind')
  })
  it('asks when more than 1 mm is off one place', () => {
    const off = (millimetres: number) => ({ tooth: 36, region: 'fossa' as const, millimetres })
    const taken = (...removed: ReturnType<typeof off>[]): RemountSituation => ({ ...sound, removed })
    const both = [mark(36, 'fossa'), mark(46, 'fossa')]
    expect(advise(taken(off(0.6), off(0.3)), ...both).action).toBe('grind')
    expect(advise(taken(off(0.6), off(0.5)), ...both)).toMatchObject({ rule: 'D4', at: { tooth: 36 } })
  })
  it('asks when a tooth goes on marking alone after half a millimetre', () => {
    const removed = [
      { tooth: 36, region: 'fossa' as const, millimetres: 0.3 },
      { tooth: 36, region: 'buccalInner' as const, millimetres: 0.2 },
    ]
    expect(advise({ ...sound, removed }, mark(36, 'fossa'))).toMatchObject({
      action: 'askDentist',
      rule: 'D4',
    })
    expect(advise({ ...sound, removed }, mark(36, 'fossa'), mark(45, 'fossa')).action).toBe('grind')
    const less = [{ ...removed[0]!, millimetres: 0.49 }]
    expect(advise({ ...sound, removed: less }, mark(36, 'fossa')).action).toBe('grind')
  })
  it.each<[string, PaperMark]>([
    ['forwards on an upper mesial slope', mark(26, 'fossa', { bite: 'protrusive', slope: 'mesial' })],
    ['forwards on a lower distal slope', mark(36, 'fossa', { bite: 'protrusive', slope: 'distal' })],
    [
      'working, palatal cusp on lower cheek cusp',
      mark(16, 'lingualInner', { bite: 'right', opposingTooth: 46, opposingRegion: 'buccalInner' }),
    ],
    ['a tooth of the other side', mark(26, 'lingualTip', { opposingTooth: 46, opposingRegion: 'fossa' })],
  ])('a mark that cannot be is looked at again: %s', (_, wrong) => {
    expect(advise(wrong.bite === 'centric' ? sound : down, wrong)).toMatchObject({
      action: 'checkMark',
      rule: 'E4',
      mark: 0,
    })
  })
  it('the other slope, and the balancing side, can be', () => {
    expect(advise(down, mark(26, 'fossa', { bite: 'protrusive', slope: 'distal' })).action).not.toBe(
      'checkMark',
    )
    const balancing = mark(26, 'lingualInner', {
      bite: 'right',
      opposingTooth: 36,
      opposingRegion: 'buccalInner',
    })
    expect(advise(down, balancing).action).not.toBe('checkMark')
  })
})

describe('in centric', () => {
  it('names region, tooth, partner, millimetres, rounds, what stays, and why', () => {
    const struck = mark(26, 'lingualTip', { opposingTooth: 36, opposingRegion: 'buccalInner' })
    const advice = advise(sound, struck)
    expect(advice).toMatchObject({
      action: 'grind',
      phase: 'centric',
      rule: 'R5c',
      at: { tooth: 36, region: 'buccalInner' },
      keep: [
        { tooth: 26, region: 'lingualTip' },
        { tooth: 36, region: 'buccalTip' },
      ],
    })
    // 1.0 at the pin is 0.4996 at the first molar: ceil(0.4996 / 0.15) = 4 rounds.
    expect(advice.totalMillimetres).toBeCloseTo(0.4996, 4)
    expect(advice.roundMillimetres).toBe(0.15)
    expect(advice.rounds).toBe(4)
    expect(advice.assumed).toBeUndefined()
    expect(words(sound, struck)).toBe(
      'inner slope of the cheek cusp of 36, where the tip of the palatal cusp of 26 strikes.',
    )
  })
  it('takes no more than is left', () => {
    // 0.2 at the pin is about 0.1 at the first molar.
    const { roundMillimetres, rounds } = advise({ ...sound, pinMillimetres: 0.2 }, mark(36, 'fossa'))
    expect(roundMillimetres).toBeCloseTo(0.1, 2)
    expect(rounds).toBe(1)
  })
  it('front teeth first, then the heaviest, then the one furthest back', () => {
    const light = mark(37, 'fossa', { strength: 'light' })
    const marks = [
      mark(34, 'fossa'),
      light,
      mark(46, 'fossa'),
      mark(11, 'lingualFace', { strength: 'light' }),
    ]
    expect(advise(sound, ...marks).mark).toBe(3)
    expect(advise(sound, ...marks.slice(0, 3)).mark).toBe(2)
    expect(advise(sound, ...marks.slice(0, 2)).mark).toBe(0)
  })
  it('says what was assumed where one side alone was marked', () => {
    expect(advise(sound, mark(36, 'fossa'))).toMatchObject({
      assumed: { tooth: 26, region: 'lingualTip' },
      at: { tooth: 36, region: 'fossa' },
    })
    expect(advise(sound, mark(45, 'buccalTip'))).toMatchObject({
      assumed: { tooth: 15, region: 'fossa' },
      at: { tooth: 15, region: 'fossa' },
    })
  })
  it('asks where both tips are protected', () => {
    const tips = mark(26, 'lingualTip', { opposingTooth: 36, opposingRegion: 'buccalTip' })
    expect(advise(sound, tips)).toMatchObject({ action: 'askDentist', rule: 'R5a' })
  })
  it('counts the stops before it is done, and goes on when both coincide', () => {
    expect(advise({ ...sound, pinMillimetres: 0.05 }).action).toBe('countStops')
    expect(advise({ ...sound, pinMillimetres: 0.06 })).toMatchObject({ action: 'mark', phase: 'centric' })
    expect(advise(down)).toMatchObject({ action: 'mark', phase: 'right' })
  })
  it('notes the marks of other bites', () => {
    const advice = advise(sound, mark(36, 'fossa'), mark(26, 'buccalInner', { bite: 'right' }))
    expect(advice).toMatchObject({ mark: 0, noted: [1] })
  })
  it('a natural opponent is never ground', () => {
    const struck = mark(36, 'fossa')
    expect(advise({ ...sound, dentures: 'lower' }, struck).at).toMatchObject({ tooth: 36 })
    // The rule names the lower, which is natural; the upper is a carrying tip.
    expect(advise({ ...sound, dentures: 'upper' }, struck).action).toBe('askDentist')
    const free = mark(26, 'lingualInner', { opposingTooth: 36, opposingRegion: 'fossa' })
    expect(advise({ ...sound, dentures: 'upper' }, free).at).toMatchObject({
      tooth: 26,
      region: 'lingualInner',
    })
  })
  it('a tip high in every bite is reduced only by the school that does, with consent', () => {
    const high = (['centric', 'right', 'left'] as const).map((bite) =>
      mark(36, 'buccalTip', { bite, opposingTooth: 26, opposingRegion: 'fossa' }),
    )
    expect(advise(sound, ...high).at).toMatchObject({ tooth: 26, region: 'fossa' })
    const consent = { ...sound, tipConsent: true }
    expect(advise(consent, ...high)).toMatchObject({ rule: 'T1', at: { tooth: 36, region: 'buccalTip' } })
    expect(advise(consent, ...high.slice(0, 2)).rule).not.toBe('T1')
  })
})

describe('in the movements', () => {
  const right = (tooth: number, region: PaperMark['region'], more: Partial<PaperMark> = {}) =>
    mark(tooth, region, { bite: 'right', ...more })
  it('the order is right, left, forwards, and centric once more', () => {
    const found = ['right', 'left', 'protrusive', 'centricAgain'] as const
    expect(found.map((_, n) => advise({ ...down, foundRight: found.slice(0, n) }).phase)).toEqual([...found])
    expect(advise({ ...down, foundRight: [...found] })).toMatchObject({ action: 'finish', rule: 'D1' })
  })
  it('working side: buccal of the upper, lingual of the lower, a tenth a round', () => {
    expect(advise(down, right(16, 'buccalInner'))).toMatchObject({
      action: 'grind',
      rule: 'R3',
      at: { tooth: 16 },
      roundMillimetres: 0.1,
    })
    expect(advise(down, right(46, 'lingualInner'))).toMatchObject({ rule: 'R4', at: { tooth: 46 } })
    expect(advise(down, right(16, 'buccalInner')).totalMillimetres).toBeUndefined()
  })
  it('is right when the canine and two back teeth mark together', () => {
    const together = [right(13, 'lingualFace'), right(15, 'buccalInner'), right(16, 'buccalInner')]
    expect(advise(down, ...together).action).toBe('keep')
    expect(advise(down, ...together.slice(0, 2)).action).toBe('grind')
    expect(advise(down, ...together, right(11, 'lingualFace'))).toMatchObject({ action: 'grind', rule: 'A1' })
  })
  it('a short canine is left with the pin on its table', () => {
    const short = [right(15, 'buccalInner'), right(16, 'buccalInner')]
    expect(advise({ ...down, pinOnTable: true }, ...short).action).toBe('leave')
    expect(advise(down, ...short).action).toBe('grind')
  })
  it('a balancing contact is kept, unless it holds the working side apart', () => {
    const balancing = right(36, 'buccalInner')
    expect(advise(down, balancing).action).toBe('keep')
    expect(advise({ ...down, workingHeldApart: true }, balancing)).toMatchObject({
      action: 'grind',
      rule: 'R5c',
      at: { tooth: 36, region: 'buccalInner' },
    })
    expect(advise(down, balancing, right(16, 'buccalInner')).at).toMatchObject({ tooth: 16 })
  })
  it('forwards is right when front and both sides touch', () => {
    const ahead = { ...down, foundRight: ['right', 'left'] as const }
    const forwards = (tooth: number, region: PaperMark['region']) =>
      mark(tooth, region, { bite: 'protrusive' })
    const all = [forwards(11, 'lingualFace'), forwards(16, 'fossa'), forwards(26, 'fossa')]
    expect(advise(ahead, ...all).action).toBe('keep')
    expect(advise(ahead, ...all.slice(0, 2)).action).toBe('grind')
  })
  it('where no balance is wanted, the sides are left out', () => {
    for (const scheme of ['lingualised', 'flat'] as const)
      expect(advise({ ...down, scheme }).phase).toBe('protrusive')
  })
})

describe('what cannot be entered', () => {
  it.each<[string, RemountSituation, PaperMark[], string]>([
    ['a pin far below', { ...sound, pinMillimetres: -1.01 }, [], 'pin-negative'],
    ['a pin that is no number', { ...sound, pinMillimetres: Number.NaN }, [], 'not-a-number'],
    ['a wisdom tooth', sound, [mark(18, 'fossa')], 'unknown-tooth'],
    ['a tooth of no arch', sound, [mark(51, 'fossa')], 'unknown-tooth'],
    ['a fossa on an incisor', sound, [mark(11, 'fossa')], 'region-not-on-tooth'],
    ['an edge on a molar', sound, [mark(16, 'incisalEdge')], 'region-not-on-tooth'],
    [
      'a tooth with its own arch',
      sound,
      [mark(16, 'fossa', { opposingTooth: 17, opposingRegion: 'fossa' })],
      'mark-pair',
    ],
  ])('%s', (_, situation, marks, code) => {
    expect(() => advise(situation, ...marks)).toThrow(expect.objectContaining({ code }))
  })
  it('a pin one millimetre below is a question, not a refusal', () => {
    expect(advise({ ...sound, pinMillimetres: -1 }).rule).toBe('D3')
  })
})
