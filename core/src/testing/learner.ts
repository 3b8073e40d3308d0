import { type CaseCommand, currentStep } from '../case/index.ts'
import { turn } from '../practice/expert.ts'
import {
  beginPractice,
  type Defect,
  PRACTICE_JOB,
  type PracticeAct,
  practiceExpert,
  practise,
  type World,
} from '../practice/index.ts'
import { jobOf } from '../practice/truth.ts'
import { seededRandom } from '../random/index.ts'
import type { RouteStep } from '../route/index.ts'

const BEGUN = Date.parse('2026-03-02T08:00:00Z')

/** A practice case in which nothing is wrong but what the learner does. */
export class Learner {
  world: World
  readonly #random = seededRandom(1)
  constructor(templateId: string, choices: Record<string, string> = {}, seed = 1) {
    const begun = beginPractice({ templateId, choices, level: 'bench', seed }, BEGUN, 'P-1', 'Ada')
    this.world = { ...begun, planned: [], defects: [] }
  }
  /** Carefully, until a step may be started, or is running. */
  to(stepId: string, status: 'waiting' | 'running' = 'waiting'): this {
    for (let n = 0; n < 3000; n++) {
      const step = currentStep(jobOf(this.world))
      if (!step) break
      if (step.id === stepId && jobOf(this.world).steps[stepId]!.status === status) return this
      this.world = turn(this.world, { ...practiceExpert, looks: [] }, this.#random, 'Ada')
    }
    throw new Error(`never came to ${stepId}`)
  }
  do(act: PracticeAct): this {
    this.world = practise(this.world, act, 'Ada')
    return this
  }
  give(command: CaseCommand): this {
    return this.do({ act: 'command', command })
  }
  start(stepId: string, outOfTimeReason?: string): this {
    return this.give({
      type: 'startStep',
      jobId: PRACTICE_JOB,
      stepId,
      ...(outOfTimeReason ? { outOfTimeReason } : {}),
    })
  }
  /** Ends a running step before or after its time. */
  end(stepId: string, outOfTimeReason = 'in a hurry'): this {
    return this.give({ type: 'finishStep', jobId: PRACTICE_JOB, stepId, outOfTimeReason })
  }
  skip(stepId: string): this {
    return this.give({ type: 'skipStep', jobId: PRACTICE_JOB, stepId, reason: 'in a hurry' })
  }
  mix(
    stepId: string,
    amountId: string,
    materialId: string,
    powderGrams: number,
    liquidMillilitres: number,
  ): this {
    return this.give({
      type: 'recordMix',
      jobId: PRACTICE_JOB,
      stepId,
      amountId,
      materialId,
      powderGrams,
      liquidMillilitres,
      lots: [],
      ratioReason: 'by eye',
    })
  }
  get step(): RouteStep {
    return currentStep(jobOf(this.world))!
  }
  get own(): readonly Defect[] {
    return this.world.defects.filter(({ bornBy }) => bornBy === 'learner')
  }
}
