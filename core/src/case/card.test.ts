import { describe, expect, it } from '@jest/globals'
import { routeTemplates } from '../jobs/index.ts'
import { Bench, J } from '../testing/case-bench.ts'
import { cardOf, doneOnCard, onTo } from './card.ts'

const names = (bench: Bench, stepId: string) => cardOf(bench.job.route, stepId).map(({ id }) => id)
const words = (moves: ReturnType<typeof doneOnCard>) => moves.map(({ type, stepId }) => `${type} ${stepId}`)

describe('a card', () => {
  it('holds pouring, cones and leaving it: small work of one hand, and the wait that begins when it lets go', () => {
    const bench = new Bench()
    const card = ['pour-anatomy', 'retention', 'set']
    for (const stepId of card) expect(names(bench, stepId)).toEqual(card)
  })
  it('ends where something must be looked at', () => {
    expect(names(new Bench(), 'disinfect-impression')).toEqual(['disinfect-impression', 'inspect-impression'])
  })
  it('is of the step alone where a decision, a measurement or a clock lies before or behind it', () => {
    const bench = new Bench()
    for (const alone of ['wrap', 'separate', 'trim', 'fill']) expect(names(bench, alone)).toEqual([alone])
  })
  it('knows no step of another route', () => {
    expect(() => cardOf(new Bench().job.route, 'elsewhere')).toThrow('no step elsewhere')
  })

  it('joins nothing to an end from which another clock counts', () => {
    const { route } = new Bench().job
    const [first, second] = ['pour-anatomy', 'retention']
    const counted = {
      ...route,
      steps: route.steps.map((step) =>
        step.id === 'trim'
          ? {
              ...step,
              startWindow: { afterStepId: first!, bestMinutes: 5, late: 'Late.', source: 'a test' },
            }
          : step,
      ),
    }
    expect(cardOf(route, second!)[0].id).toBe(first)
    expect(cardOf(counted, second!)[0].id).toBe(second)
  })

  describe.each([...routeTemplates.keys()])('in %s', (templateId) => {
    const { route } = new Bench(templateId).job
    it('every step stands on one card only, the same from wherever it is asked for', () => {
      for (const step of route.steps) {
        const card = cardOf(route, step.id)
        expect(card).toContain(step)
        for (const other of card) expect(cardOf(route, other.id)).toEqual(card)
      }
    })
    it('nothing is entered, decided or waited for before its last step, and nobody weighs but in its first', () => {
      for (const step of route.steps) {
        const card = cardOf(route, step.id)
        for (const earlier of card.slice(0, -1)) {
          expect(earlier.kind).toBe('attended')
          expect(earlier.handsOnMinutes).toBeLessThanOrEqual(10)
          expect([earlier.checks ?? [], earlier.sheets ?? []].flat()).toEqual([])
          expect(earlier.mayBeSkipped ?? earlier.wait).toBeUndefined()
        }
        for (const later of card.slice(1)) {
          expect(later.after).toHaveLength(1)
          expect(later.amounts ?? later.startWindow ?? later.mayBeSkipped).toBeUndefined()
          expect(['attended', 'unattended']).toContain(later.kind)
          if (later.kind === 'attended') expect(later.handsOnMinutes).toBeLessThanOrEqual(10)
        }
      }
    })
    it('no clock counts from an end that was tapped later', () => {
      const counted = route.steps.flatMap(({ startWindow }) => startWindow?.afterStepId ?? [])
      for (const id of counted) expect(cardOf(route, id).at(-1)?.id).toBe(id)
    })
  })
})

describe('one tap on Done', () => {
  it('ends the hands and starts the clock', () => {
    const bench = new Bench().upTo('pour-anatomy')
    expect(words(doneOnCard(bench.job, 'pour-anatomy'))).toEqual([
      'finishStep pour-anatomy',
      'startStep retention',
      'finishStep retention',
      'startStep set',
    ])
  })
  it('stops before what must be looked at, and before the step that is asked for', () => {
    const bench = new Bench().upTo('disinfect-impression')
    const both = ['finishStep disinfect-impression', 'startStep inspect-impression']
    expect(words(doneOnCard(bench.job, 'disinfect-impression'))).toEqual(both)
    expect(words(doneOnCard(new Bench().upTo('pour-anatomy').job, 'pour-anatomy', 'retention'))).toEqual([
      'finishStep pour-anatomy',
      'startStep retention',
    ])
  })
  it.each([...routeTemplates.keys()])('is obeyed as it is given, wherever it is tapped: %s', (templateId) => {
    const first = new Bench(templateId)
    for (const { id } of first.job.route.steps) {
      if (cardOf(first.job.route, id)[0].id !== id || cardOf(first.job.route, id).length === 1) continue
      const bench = new Bench(templateId).upTo(id)
      for (const command of bench.carefully(id)) bench.do(command)
      for (const each of doneOnCard(bench.job, id)) bench.do({ ...each, outOfTimeReason: 'a test' })
      for (const step of cardOf(bench.job.route, id).slice(0, -1))
        expect(bench.job.steps[step.id]?.status).toBe('done')
      const last = cardOf(bench.job.route, id).at(-1)!
      const over = last.kind === 'attended' && !last.checks?.length && !last.sheets?.length
      expect(bench.job.steps[last.id]?.status).toBe(over ? 'done' : 'running')
    }
  })
  it('leaves alone what was done before, when it was gone back to', () => {
    const bench = new Bench().upTo('retention')
    expect(words(doneOnCard(bench.job, 'retention'))).toEqual(['finishStep retention', 'startStep set'])
    bench.do({ type: 'finishStep', jobId: J, stepId: 'retention' })
    bench.do({ type: 'startStep', jobId: J, stepId: 'set' })
    expect(words(doneOnCard(bench.job, 'pour-anatomy'))).toEqual(['finishStep pour-anatomy'])
  })
})

describe('on to the next', () => {
  it('is offered where the same hand can begin it at once', () => {
    const bench = new Bench().upTo('fill')
    expect(onTo(bench.job, 'fill')?.id).toBe('sand')
  })
  it('not over a decision, nor over a wait that has just begun', () => {
    expect(onTo(new Bench().upTo('inspect-impression').job, 'inspect-impression')).toBeUndefined()
    expect(onTo(new Bench().upTo('pour-anatomy').job, 'pour-anatomy')).toBeUndefined()
  })
  it('not into a machine, nor past the end', () => {
    const denture = new Bench('complete-denture')
    const before = denture.job.route.steps.find(({ kind }) => kind === 'machine')!.after[0]!
    expect(onTo(denture.upTo(before).job, before)).toBeUndefined()
    expect(onTo(new Bench().upTo('deliver').job, 'deliver')).toBeUndefined()
  })
})
