import { describe, expect, it } from '@jest/globals'
import { Learner } from '../testing/learner.ts'
import {
  actsBefore,
  beginPractice,
  type Defect,
  debriefOf,
  hintOf,
  PRACTICE_JOB,
  type PracticeAct,
  practise,
  type World,
} from './index.ts'
import { jobOf, minuteOf } from './truth.ts'

const START = Date.parse('2026-03-02T08:00:00Z')

describe('looking back', () => {
  it('tells nothing before the case is over, and then the whole of it', () => {
    const learner = new Learner('cast-crown').to('wetting-agent').skip('wetting-agent')
    expect(() => debriefOf(learner.world)).toThrow(expect.objectContaining({ code: 'practice-open' }))
    learner.to('pin-die')
    const before = minuteOf(learner.world)
    const { bars, steps, score, limits } = debriefOf(practise(learner.world, { act: 'stop' }, 'Ada'))
    expect(bars[0]).toMatchObject({
      named: 'Bubbles in the fine detail',
      bornBy: 'learner',
      bornStepId: 'wetting-agent',
      seen: { step: 'Separate', by: 'lens' },
      end: expect.stringMatching(/open|found|gone/),
    })
    expect(bars[0]!.seen!.at).toBeLessThan(before)
    expect(steps.map(({ stepId }) => stepId)).toContain('pour-die')
    expect(score.total).toBeGreaterThan(0)
    expect(limits).toContain('no exam of any authority')
  })

  it('begins again from a step with what was done before it', () => {
    const on = { jobId: PRACTICE_JOB, stepId: 'a' }
    const acts: PracticeAct[] = [
      { act: 'command', command: { type: 'startStep', ...on } },
      { act: 'wait', minutes: 5 },
      { act: 'command', command: { type: 'startStep', ...on, stepId: 'b' } },
      { act: 'command', command: { type: 'startStep', ...on, stepId: 'a' } },
    ]
    expect(actsBefore(acts, 'b')).toEqual(acts.slice(0, 2))
    expect(actsBefore(acts, 'a')).toEqual([])
    expect(actsBefore(acts, 'never')).toEqual([])
  })

  it('hints at a step in the guided level, and in no other', () => {
    const of = (level: 'guided' | 'bench' | 'exam') =>
      beginPractice(
        { templateId: 'study-cast', choices: { arch: 'upper' }, level, seed: 2 },
        START,
        'P-1',
        'Ada',
      )
    expect(JSON.stringify(hintOf(of('guided')))).toMatch(/Look well at/)
    expect([hintOf(of('bench')), hintOf(of('exam'))]).toEqual([undefined, undefined])
  })

  describe('what a defect cost', () => {
    const begun = beginPractice(
      { templateId: 'study-cast', choices: { arch: 'upper' }, level: 'bench', seed: 2 },
      START,
      'P-1',
      'Ada',
    )
    const { steps } = jobOf(begun).route
    const bornStep = 'pour-anatomy'
    const defect = (change: Partial<Defect>, ...verdicts: readonly string[]): Defect =>
      ({
        id: 'd',
        kind: 'k',
        named: 'A hole',
        bornBy: 'hand',
        bornStep,
        bornAt: 0,
        why: 'So.',
        shows: verdicts.map((verdict) => ({
          stepId: 'fill',
          checkId: 'none',
          kind: 'look',
          by: 'eye',
          outcome: { verdict },
        })),
        state: 'live',
        ...change,
      }) as unknown as Defect
    const barOf = (of: Defect, more: Partial<World> = {}) =>
      debriefOf({ ...begun, planned: [], defects: [of], closed: 'delivered', ...more }).bars[0]!
    const minutesOf = (from: number, to: number) =>
      steps.slice(from, to).reduce((sum, step) => sum + step.handsOnMinutes + (step.waitMinutes ?? 0), 0)
    const at = steps.findIndex(({ id }) => id === bornStep)

    it('is five minutes where it was found and set right, and nothing where another going back took it along', () => {
      expect(barOf(defect({ state: 'mended', foundAt: 9, foundIn: 'fill' }, 'adjust'))).toMatchObject({
        end: 'found',
        costMinutes: 5,
        endsAt: 9,
        found: { at: 9 },
      })
      expect(barOf(defect({ state: 'mended', goneAt: 7 }, 'adjust'))).toMatchObject({
        end: 'gone',
        costMinutes: 0,
        endsAt: 7,
      })
    })
    it('is what was really done again for it, where that was counted', () =>
      expect(barOf(defect({ state: 'mended', foundAt: 9, costMinutes: 83 }, 'goBack')).costMinutes).toBe(83))
    it('of what left with the work is its own step again, or all from there on, and five minutes', () => {
      expect(barOf(defect({ state: 'delivered' }, 'adjust'))).toMatchObject({
        end: 'delivered',
        comes: 'The clinic sends it back: a hole.',
        costMinutes: minutesOf(at, at + 1) + 5,
      })
      // Everything behind the pour hangs on it.
      const again = barOf(defect({ state: 'delivered' }, 'adjust', 'goBack')).costMinutes
      expect(again).toBe(minutesOf(at, steps.length) + 5)
      expect(barOf(defect({ state: 'delivered' }, 'remake')).costMinutes).toBe(again)
    })
    it('is dear first on the rail, and open where the case was stopped before', () => {
      const dear = defect({ id: 'dear', state: 'live' }, 'remake')
      const cheap = defect({ id: 'cheap', state: 'mended', foundAt: 3, foundIn: 'fill' }, 'adjust')
      const { bars } = debriefOf({ ...begun, planned: [], defects: [cheap, dear], closed: 'stopped' })
      expect(bars.map(({ id, end }) => [id, end])).toEqual([
        ['dear', 'open'],
        ['cheap', 'found'],
      ])
    })
    it('is shared between all that one going back dealt with', () => {
      const learner = new Learner('study-cast', { arch: 'upper' }).to('fill', 'running')
      const found = (id: string) => defect({ id, state: 'found', foundAt: 1, foundIn: 'fill' }, 'goBack')
      const other = defect({ id: 'live', state: 'live' }, 'goBack')
      learner.world = { ...learner.world, defects: [found('one'), found('two'), other] }
      learner.give({
        type: 'goBack',
        jobId: PRACTICE_JOB,
        toStepId: bornStep,
        remake: false,
        reason: 'As the check says.',
      })
      const [one, two, live] = learner.world.defects
      const reopened = jobOf(learner.world).route.steps.filter(
        ({ id }) =>
          jobOf(learner.world).steps[id]!.status === 'waiting' &&
          jobOf(learner.world).steps[id]!.past.length > 0,
      )
      const minutes = reopened.reduce((sum, step) => sum + step.handsOnMinutes + (step.waitMinutes ?? 0), 0)
      expect(minutes).toBeGreaterThan(45)
      expect([one!.costMinutes, two!.costMinutes]).toEqual([minutes / 2, minutes / 2])
      expect([one!.state, live!.state, live!.costMinutes]).toEqual(['mended', 'mended', undefined])
      expect(learner.world.wentBackRightly).toBe(true)
    })
  })
})
