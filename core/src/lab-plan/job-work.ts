import {
  finishedAt,
  impressionClocks,
  isSettled,
  type JobState,
  metMillis,
  type StepState,
  startedAt,
} from '../case/index.ts'
import { usualSpread } from '../planning/index.ts'
import { type PlanFacts, planFactsOf, type RouteStep, stageFacts } from '../route/index.ts'
import type { JobContext, JobWork, Task, TaskHold, TaskLink, TaskPart } from './task.ts'

/** A wait of so many minutes is stood through by whoever began it (choice). */
const STOOD_THROUGH_MINUTES = 5
/** Steps of one kind that follow one another are planned as one up to so many minutes of hands (choice). */
const MOST_TOGETHER_MINUTES = 90
/** A longest wait of more than this is no matter of planning. */
const LONGEST_WINDOW_MINUTES = 4320
const MINUTE = 60_000

const isShortWindow = (max: number | undefined): max is number =>
  max !== undefined && max <= LONGEST_WINDOW_MINUTES

/** The rest of a job as tasks with their links and places. */
export function jobWork(job: JobState, context: JobContext): JobWork {
  return new JobBuilder(job, context).build()
}

/** Of two stretches one after the other that do not hang together; where neither is timed, as is usual for hands. */
function spreadTogether(
  one: Pick<Task, 'minutes' | 'spread'>,
  other: Pick<Task, 'minutes' | 'spread'>,
): Pick<Task, 'spread'> {
  if (one.spread === undefined && other.spread === undefined) return {}
  const deviation = ({ minutes, spread = usualSpread.attended }: Pick<Task, 'minutes' | 'spread'>) =>
    minutes * spread
  const minutes = one.minutes + other.minutes
  return minutes > 0 ? { spread: Math.hypot(deviation(one), deviation(other)) / minutes } : {}
}

class JobBuilder {
  private readonly tasks: Task[] = []
  private readonly links: TaskLink[] = []
  private readonly holds: TaskHold[] = []
  private readonly broken = new Set<string>()
  private readonly first = new Map<string, string>()
  private readonly last = new Map<string, string>()
  private readonly been = new Map<string, string>()
  private readonly waits = new Map<string, string>()
  private readonly stoodThrough = new Set<string>()
  private readonly followers = new Map<string, number>()

  constructor(
    private readonly job: JobState,
    private readonly context: JobContext,
  ) {}

  build(): JobWork {
    const open = this.job.route.steps.filter(({ id }) => !isSettled(this.job.steps[id]))
    for (const { after } of open)
      for (const id of after) this.followers.set(id, (this.followers.get(id) ?? 0) + 1)
    for (const step of open) this.addStep(step)
    for (const step of open) {
      this.linkBefore(step)
      this.linkWindows(step)
    }
    for (const step of this.job.route.steps) this.addHolds(step)
    return {
      tasks: this.tasks,
      links: this.context.letWaitsGo ? this.links.map((link) => this.letGo(link)) : this.links,
      holds: this.holds,
      broken: [...this.broken],
    }
  }

  /** Behind what was begun a longest wait that nobody can keep is let go, and said. */
  private letGo({ max, ...link }: TaskLink): TaskLink {
    const from = this.tasks.find(({ id }) => id === link.from)
    if (max === undefined || !from?.begun) return max === undefined ? link : { ...link, max }
    const to = this.tasks.find(({ id }) => id === link.to)!.steps[0]
    if (to) this.broken.add(to.stepId)
    return link
  }

  private soakOf(stepId: string): PlanFacts['soak'] {
    return planFactsOf(this.context.template, stepId).soak
  }
  private facts(step: RouteStep): PlanFacts {
    return planFactsOf(this.context.template, step.id)
  }
  private state(stepId: string): StepState {
    return this.job.steps[stepId]!
  }
  private id(stepId: string, part: TaskPart): string {
    const end = part === 'hands' ? '' : `#${part}`
    return `${this.context.name}/${stepId}${end}`
  }
  private add(step: RouteStep, part: TaskPart, rest: Partial<Task>): string {
    const id = this.id(step.id, part)
    this.tasks.push({
      id,
      part,
      steps: [{ stepId: step.id, name: step.name, afterMinutes: 0 }],
      stage: step.stage,
      minutes: 0,
      ...rest,
    })
    if (!this.first.has(step.id)) this.first.set(step.id, id)
    const before = this.last.get(step.id)
    if (before !== undefined) this.links.push({ from: before, fromEvent: 'end', to: id, min: 0 })
    this.last.set(step.id, id)
    return id
  }

  private hands(step: RouteStep): Pick<Task, 'skill' | 'mayPause'> {
    const { skill, mayPause } = stageFacts[step.stage]
    return { skill: this.facts(step).skill ?? skill, ...(mayPause && !step.startWindow ? { mayPause } : {}) }
  }

  private addStep(step: RouteStep): void {
    const own = this.context.minutes(step.id)
    const hands = Math.round(own.hands ?? step.handsOnMinutes)
    const wait = Math.round(own.wait ?? step.waitMinutes ?? 0)
    const state = this.state(step.id)
    const begun = state.status === 'running' ? Date.parse(startedAt(state)!) : undefined
    if (step.kind === 'clinic') this.addClinic(step, wait, begun)
    else if (step.kind === 'machine' && step.machine) this.addProgram(step, hands, wait, begun)
    else if (begun !== undefined) {
      const all = step.kind === 'attended' ? hands : hands + wait
      const until = Math.max(this.context.now, begun + all * MINUTE)
      const by = step.kind === 'attended' && state.status === 'running' ? { by: state.startedBy } : {}
      this.add(step, step.kind === 'attended' ? 'hands' : 'wait', {
        minutes: all,
        begun: { from: begun, until, ...by },
        ...(step.kind === 'attended' ? this.hands(step) : {}),
      })
    } else if (step.kind === 'attended' || wait <= STOOD_THROUGH_MINUTES) {
      this.addHands(step, hands + wait)
      if (step.kind !== 'attended') this.stoodThrough.add(step.id)
    } else {
      if (hands > 0) this.addHands(step, hands)
      this.waits.set(step.id, this.add(step, 'wait', { minutes: wait }))
    }
  }

  /** One with the task before it, where the same hands go on and nothing lies between. */
  private addHands(step: RouteStep, minutes: number): void {
    const before = this.tasks.at(-1)
    const own = this.hands(step)
    const [only, ...others] = step.after
    const goesOn =
      before?.part === 'hands' &&
      !before.begun &&
      before.skill === own.skill &&
      before.mayPause === own.mayPause &&
      before.minutes + minutes <= MOST_TOGETHER_MINUTES &&
      only !== undefined &&
      others.length === 0 &&
      before.steps.at(-1)!.stepId === only &&
      this.last.get(only) === before.id &&
      this.followers.get(only) === 1 &&
      !step.startWindow &&
      !step.pours &&
      !this.takesAlone(step) &&
      !before.steps.some(({ stepId }) =>
        this.takesAlone(this.job.route.steps.find(({ id }) => id === stepId)!),
      ) &&
      !this.context.pinned.has(step.id) &&
      !before.steps.some(({ stepId }) => this.context.pinned.has(stepId))
    const { spread } = this.context.minutes(step.id)
    if (!goesOn) {
      this.add(step, 'hands', { minutes, ...own, ...(spread === undefined ? {} : { spread }) })
      return
    }
    const together: Task = {
      ...before,
      minutes: before.minutes + minutes,
      ...spreadTogether(before, { minutes, ...(spread === undefined ? {} : { spread }) }),
      steps: [...before.steps, { stepId: step.id, name: step.name, afterMinutes: before.minutes }],
    }
    this.tasks[this.tasks.length - 1] = together
    this.first.set(step.id, before.id)
    this.last.set(step.id, before.id)
  }
  private takesAlone(step: RouteStep): boolean {
    return (this.facts(step).takes ?? []).some(({ until }) => !until)
  }

  private addClinic(step: RouteStep, wait: number, begun: number | undefined): void {
    const clinicDays = Math.max(1, Math.round(wait / 1440))
    if (begun === undefined) {
      this.add(step, 'away', { clinicDays })
      return
    }
    const until = Math.max(this.context.now, this.context.dueBack ?? begun + wait * MINUTE)
    this.add(step, 'away', { clinicDays, begun: { from: begun, until } })
  }

  /** Load, program, take out: so a cure may end at night and wait for the morning without another rule. */
  private addProgram(step: RouteStep, hands: number, wait: number, begun: number | undefined): void {
    const { together = [], soak } = this.facts(step)
    const out = soak ? 0 : Math.floor(hands / 2)
    const program = [step.id, ...together.map((matter) => this.job.route.choices[matter] ?? '')].join(' ')
    const running = begun === undefined ? undefined : this.context.runningIn(step.id)
    if (begun === undefined) {
      this.add(step, 'load', { minutes: Math.max(1, hands - out), ...this.hands(step) })
      this.add(step, 'run', { minutes: Math.max(1, wait), program })
    } else {
      const from = running?.from ?? begun
      const until = Math.max(this.context.now, running?.until ?? begun + wait * MINUTE)
      this.add(step, 'run', {
        minutes: wait,
        program: running ? `run ${running.runId}` : program,
        begun: { from: Math.min(from, this.context.now), until },
      })
    }
    if (out > 0) this.add(step, 'out', { minutes: out, ...this.hands(step) })
  }

  private linkBefore(step: RouteStep): void {
    const first = this.first.get(step.id)!
    const within = (id: string) =>
      this.facts(this.job.route.steps.find((each) => each.id === id)!).nextWithinMinutes
    for (const before of step.after) {
      const from = this.last.get(before)
      const max = within(before)
      if (from === undefined) {
        if (max !== undefined) this.window(before, step.id, 'end', 0, max)
      } else if (from !== first)
        this.links.push({ from, fromEvent: 'end', to: first, min: 0, ...(max === undefined ? {} : { max }) })
    }
  }

  /** What the record would refuse or want a reason for: no sooner and no later after what it counts from. */
  private linkWindows(step: RouteStep): void {
    const { startWindow, wait } = step
    // Out of the furnace is into the arm: how long it may soak there is said by the furnace.
    const soaks = startWindow && this.soakOf(startWindow.afterStepId)?.until === step.id
    if (startWindow && !soaks && this.state(step.id).status === 'waiting') {
      const {
        ofMix,
        ofCheck,
        afterStepId,
        earliestMinutes = 0,
        bestMinutes,
        latestMinutes = bestMinutes,
      } = startWindow
      this.window(
        ofMix?.stepId ?? ofCheck?.stepId ?? afterStepId,
        step.id,
        'end',
        earliestMinutes,
        latestMinutes,
      )
    }
    if (step.pours) this.linkImpressions(step, step.pours)
    if (!wait || step.kind === 'attended' || step.machine || this.stoodThrough.has(step.id)) return
    // The wait is over when something that follows it is begun.
    for (const next of this.job.route.steps) {
      if (!next.after.includes(step.id) || isSettled(this.job.steps[next.id]) || next.startWindow) continue
      const { ofMix, earliestMinutes, latestMinutes } = wait
      this.window(ofMix?.stepId ?? step.id, next.id, ofMix ? 'end' : 'start', earliestMinutes, latestMinutes)
    }
  }

  /** Into stone in time: from the mouth where that is known, else from when the impression is looked at here. */
  private linkImpressions(step: RouteStep, { lookedAtIn }: NonNullable<RouteStep['pours']>): void {
    const to = this.first.get(step.id)
    if (to === undefined || this.state(step.id).status !== 'waiting') return
    for (const [n, { takenAt, latestMinutes }] of impressionClocks(this.job, step).entries())
      if (takenAt === undefined) this.window(lookedAtIn, step.id, 'end', 0, latestMinutes)
      else this.windowSince(takenAt, `${step.id}#impression-${n}`, step.id, to, 0, latestMinutes)
  }

  /** A window from one step to the start of another; from one that is over, by the clock at which it was. */
  private window(fromStep: string, toStep: string, event: 'start' | 'end', min: number, max?: number): void {
    const to = this.first.get(toStep)
    if (to === undefined) return
    const isShort = isShortWindow(max)
    const from =
      event === 'start' ? (this.waits.get(fromStep) ?? this.first.get(fromStep)) : this.last.get(fromStep)
    if (from !== undefined) {
      if (from !== to) this.links.push({ from, fromEvent: event, to, min, ...(isShort ? { max } : {}) })
      return
    }
    const at = this.overAt(fromStep, event)
    if (at !== undefined) this.windowSince(at, `${fromStep}#been-${event}`, toStep, to, min, max)
  }

  /** A window since something that is over. @param at ms; @param what names it within the job */
  private windowSince(at: number, what: string, toStep: string, to: string, min: number, max?: number): void {
    const isShort = isShortWindow(max)
    const isKept = isShort && !this.context.letWaitsGo && at + max * MINUTE > this.context.now
    if (isShort && !isKept) this.broken.add(toStep)
    if (!isKept && at + min * MINUTE <= this.context.now) return
    this.links.push({
      from: this.stub(what, at),
      fromEvent: 'end',
      to,
      min,
      ...(isKept ? { max } : {}),
    })
  }

  private overAt(stepId: string, event: 'start' | 'end'): number | undefined {
    const state = this.state(stepId)
    const met = state.mixes.at(-1)
    if (met) return metMillis(met)
    const at = event === 'start' ? startedAt(state) : finishedAt(state)
    return at === undefined ? undefined : Date.parse(at)
  }

  /** Something that is over, for what counts from it. */
  private stub(what: string, at: number): string {
    const known = this.been.get(what)
    if (known !== undefined) return known
    const id = `${this.context.name}/${what}`
    this.tasks.push({
      id,
      part: 'been',
      steps: [],
      stage: 'receive',
      minutes: 0,
      begun: { from: Math.min(at, this.context.now), until: Math.min(at, this.context.now) },
    })
    this.been.set(what, id)
    return id
  }

  private addHolds(step: RouteStep): void {
    const { takes = [], soak } = this.facts(step)
    const { machine } = step
    const isOver = isSettled(this.job.steps[step.id])
    if (machine && !isOver) this.holdMachine(step, machine, soak?.until)
    for (const { station, until } of takes) {
      const first = this.first.get(step.id)
      const last = this.last.get(step.id)
      if (!until) {
        if (first !== undefined && last !== undefined)
          this.holds.push({ id: `${first}@${station}`, station, from: first, to: last, toEvent: 'end' })
        continue
      }
      const ends = this.job.route.steps.findLast(({ id }) => until.includes(id))
      const to = ends && this.last.get(ends.id)
      const done = this.state(step.id)
      if (to === undefined || done.status === 'skipped') continue
      const from = first ?? this.stub(`${step.id}#been-end`, this.overAt(step.id, 'end') ?? this.context.now)
      this.holds.push({ id: `${this.context.name}/${step.id}@${station}`, station, from, to, toEvent: 'end' })
    }
  }

  private holdMachine(step: RouteStep, machine: TaskHold['machine'], until: string | undefined): void {
    const running = this.state(step.id).status === 'running'
    const lies = running ? this.context.runningIn(step.id) : undefined
    // Begun without its machine being told: it is taken to be in none.
    if (running && !lies) return
    const run = this.id(step.id, 'run')
    const casts = until === undefined ? undefined : this.first.get(until)
    this.holds.push({
      id: `${run}@${machine}`,
      machine,
      ...(lies ? { named: lies.machine } : {}),
      from: this.first.get(step.id)!,
      to: casts ?? this.last.get(step.id)!,
      toEvent: casts === undefined ? 'end' : 'start',
      run,
    })
    const soak = this.facts(step).soak
    if (soak && casts !== undefined)
      this.links.push({ from: run, fromEvent: 'end', to: casts, min: 0, max: soak.minutes })
  }
}
