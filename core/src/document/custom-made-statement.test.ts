import { describe, expect, it } from '@jest/globals'
import { carefulWork, stepOf } from '../case/index.ts'
import { seededRandom } from '../random/index.ts'
import { Bench, J } from '../testing/index.ts'
import { customMadeStatement, isDevice } from './index.ts'

const maker = { name: 'Kiln Street Laboratory', address: '2 Kiln Street' }
const unknown = { name: 'Lab', address: '' }
const number = (lotId: string) => `no. ${lotId}`
const record = { entries: 12, newest: 'a1b2' }

describe('the statement on a custom-made device', () => {
  const bench = new Bench('cast-posts').upTo('metal-record')
  for (const command of carefulWork(J, stepOf(bench.job, 'metal-record'), seededRandom(1), () => 'L7'))
    bench.do(command)
  bench.finish('metal-record')

  it('holds what Annex XIII section 1 of Regulation (EU) 2017/745 asks for (recalled), from the record alone', () => {
    const statement = customMadeStatement(bench.working.state, bench.job, maker, number, record)
    expect(statement).toMatchObject({
      maker: 'Kiln Street Laboratory',
      device: 'Cast post and core',
      deviceNumber: 'K-1/job-1',
      patientCode: 'P-7',
      prescriber: 'Dr. Orla',
      materials: [{ name: 'Casting alloy', lots: ['no. L7'] }],
      record,
    })
    expect(statement.statements.join(' ')).toContain('exclusive use of the patient with the code P-7')
    expect(statement.statements.join(' ')).toContain('Annex I')
    expect(statement.source).toContain('local law decides')
  })
  it('has among its characteristics what was ordered: materials and shade, where the order names them', () => {
    const { state } = bench.working
    const of = (more: object) =>
      customMadeStatement(
        { ...state, authorisation: { ...state.authorisation, ...more } },
        bench.job,
        maker,
        number,
        record,
      ).characteristics
    expect(of({})).toEqual(['as written'])
    expect(of({ shade: 'Oat 2', materials: 'gold' })).toEqual([
      'as written',
      'Materials: gold',
      'Shade: Oat 2',
    ])
  })
  it('says what a person must still complete', () => {
    const { open } = customMadeStatement(bench.working.state, bench.job, unknown, number, record)
    expect(open).toEqual(expect.arrayContaining(['Address of the maker.', 'Steps that are not done yet.']))
    const unnoted = new Bench('cast-posts').upTo('cut-sprue')
    expect(customMadeStatement(unnoted.working.state, unnoted.job, unknown, number, record).open).toContain(
      'Lots that were not noted.',
    )
  })
  it('names the alloy that was melted, its lots and what of it was returned; the address when it is known', () => {
    const post = new Bench('cast-crown').upTo('weigh-metal')
    const piece = (id: string, lotId: string, shares: number[]) => ({
      id,
      grams: 5,
      lots: [{ lotId, share: 1 }],
      history: { shares },
    })
    post.sheet('weigh-metal', 'charge', {
      kind: 'charge',
      alloyId: 'gold-type-3',
      pieces: [piece('a', 'L1', [1]), piece('b', 'L2', [0, 1])],
    })
    const { materials, open } = customMadeStatement(post.working.state, post.job, maker, number, record)
    expect(materials).toContainEqual({
      name: 'Gold alloy, type 3',
      lots: ['no. L1', 'no. L2'],
      returnedPercent: 50,
    })
    expect(open).not.toContain('Address of the maker.')
  })
  it('names what stays in the mouth, not what helped on the way', () => {
    const denture = new Bench('complete-denture').upTo('dough')
    const names = customMadeStatement(
      denture.working.state,
      denture.job,
      unknown,
      number,
      record,
    ).materials.map(({ name }) => name)
    expect(names).toEqual(expect.arrayContaining(['Denture teeth', 'Heat-cure acrylic']))
    expect(names).not.toContain('Model plaster')
  })
  it('leaves to a person only the requirements, where every step is done and every lot noted', () => {
    const done = new Bench('cast-posts').upTo('hand-over')
    for (const command of carefulWork(J, stepOf(done.job, 'hand-over'), seededRandom(1), () => 'L7'))
      done.do(command)
    done.finish('hand-over')
    const { open } = customMadeStatement(done.working.state, done.job, maker, number, record)
    expect(open).not.toContain('Steps that are not done yet.')
    expect(open[0]).toContain('Requirements of Annex I')
  })
  it('says in its sentence that it was cast here, and from which impression', () => {
    const taken = '2026-03-01T15:00:00.000Z'
    const crown = new Bench('cast-crown', {}, [
      { of: 'impression', material: 'addition-silicone', takenAt: taken },
    ]).upTo('weigh-metal')
    const { described } = customMadeStatement(crown.working.state, crown.job, maker, number, record)
    expect(described).toMatchObject({ teeth: [35, 36, 37], castHere: false, impressionAt: taken })
    for (const command of carefulWork(J, stepOf(crown.job, 'weigh-metal'), seededRandom(1))) crown.do(command)
    expect(
      customMadeStatement(crown.working.state, crown.job, maker, number, record).described.castHere,
    ).toBe(true)
  })
  it('is made for what somebody wears: a cast, a mounting and wax for practice have none', () => {
    for (const id of ['study-cast', 'study-model-pair', 'articulator-mounting', 'tooth-wax-up']) {
      const { working, job } = new Bench(id)
      expect(isDevice(job)).toBe(false)
      expect(() => customMadeStatement(working.state, job, maker, number, record)).toThrow(
        expect.objectContaining({ code: 'no-device' }),
      )
    }
    for (const id of ['cast-crown', 'complete-denture', 'clear-clasp', 'implant-verification'])
      expect(isDevice(new Bench(id).job)).toBe(true)
  })
  it('is refused while nothing is made', () => {
    const fresh = new Bench('cast-posts')
    expect(() => customMadeStatement(fresh.working.state, fresh.job, unknown, number, record)).toThrow(
      expect.objectContaining({ code: 'nothing-made' }),
    )
  })
})

describe('what the patient carries', () => {
  const stated = ({ working, job }: Bench) =>
    customMadeStatement(working.state, job, maker, number, record).materials.map(({ name }) => name)
  it('what helped on the way is not named: resin of a pattern burns out', () => {
    const crown = new Bench('cast-crown', { arrives: 'dies', pattern: 'resin' }).upTo('room-budget')
    expect(crown.job.steps['pattern-resin']!.mixes).toHaveLength(1)
    expect(stated(crown)).toEqual([])
  })
  it('wire and strip of a clasp are named as the resin that holds them', () => {
    expect(stated(new Bench('wire-clasp-partial').upTo('set-teeth'))).toEqual(['Clasp wire'])
    const clear = new Bench('clear-clasp').upTo('form-strip')
    for (const command of clear.carefully('form-strip')) clear.do(command)
    expect(stated(clear)).toContain('Clear clasp strip')
  })
})
